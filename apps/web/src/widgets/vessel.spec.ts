import { describe, expect, it } from 'vitest';
import { cubicMetres, heightOf } from './vessel';

describe('the level that a quantity shows', () => {
  // Computed from the geometry (reference list of check values): a 36 ft x 22 ft cylinder holds 17,994.4 bu level.
  it('a full 36 x 22 ft cylinder stands at its eave', () => {
    const shape = { diameter: 36 * 0.3048, eave: 22 * 0.3048, hopper: 0 };
    expect(heightOf(cubicMetres(17_994.4), shape)).toBeCloseTo(shape.eave, 3);
  });

  it('a hopper fills by the cube root, and then the cylinder evenly', () => {
    const shape = { diameter: 6, eave: 6, hopper: 3 };
    const cone = (Math.PI * 36 * 3) / 12;
    expect(heightOf(cone / 8, shape)).toBeCloseTo(1.5, 9);
    expect(heightOf(cone, shape)).toBeCloseTo(3, 9);
    expect(heightOf(cone + Math.PI * 9 * 2, shape)).toBeCloseTo(5, 9);
  });
});
