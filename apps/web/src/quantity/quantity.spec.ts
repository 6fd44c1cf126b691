import Qty from 'js-quantities';
import fc from 'fast-check';
import { afterEach, describe, expect, it, vi } from 'vitest';
import * as quantity from './quantity';
import type { Kind } from './kind';
import { setFarmSystem, setReadersSystem, system, SYSTEMS } from './system';

const store = new Map<string, string>();
vi.stubGlobal('localStorage', {
  getItem: (key: string) => store.get(key) ?? null,
  setItem: (key: string, value: string) => store.set(key, value),
  removeItem: (key: string) => store.delete(key),
});
afterEach(() => {
  setReadersSystem(null);
  setFarmSystem('us');
});

/** kg of a bushel of corn: 56 lb. */
const CORN = 25.40117272;
const {
  mass,
  bushels,
  grainRate,
  cropYield,
  loss,
  price,
  area,
  length,
  ground,
  spacing,
  distance,
  speed,
  temperature,
  flow,
} = quantity;

/** Every quantity that is shown, with a value of its usual size and the kg of a bushel where it wants one. */
const ALL: [name: string, kind: Kind, value: number, per?: number][] = [
  ['mass', mass, 22_733.2],
  ['bushels', bushels, 940.4, CORN],
  ['bushelsFine', quantity.bushelsFine, 940.4, CORN],
  ['grainRate', grainRate, 2712, CORN],
  ['dryingRate', quantity.dryingRate, 5200, CORN],
  ['cropYield', cropYield, 212.4, CORN],
  ['cropYieldFine', quantity.cropYieldFine, 212.4, CORN],
  ['loss', loss, 1.64, CORN],
  ['price', price, 4.62, CORN],
  ['discount', quantity.discount, 0.045, CORN],
  ['moneyOfArea', quantity.moneyOfArea, 7.21],
  ['area', area, 152.4],
  ['areaWhole', quantity.areaWhole, 1234],
  ['areaRate', quantity.areaRate, 12.6],
  ['length', length, 10.668],
  ['ground', ground, 780],
  ['spacing', spacing, 0.762],
  ['distance', distance, 6759.2],
  ['frameArea', quantity.frameArea, 0.929],
  ['surface', quantity.surface, 100],
  ['speed', speed, 1.61],
  ['wind', quantity.wind, 5.4],
  ['temperature', temperature, 26.7],
  ['flow', flow, 19.2],
  ['pressure', quantity.pressure, 1120],
  ['airflow', quantity.airflow, 5.2],
  ['airOfBushel', quantity.airOfBushel, 0.9],
  ['runningCost', quantity.runningCost, 0.62],
  ['fuelPrice', quantity.fuelPrice, 3.89],
  ['warmer', quantity.warmer, 1.4],
  ['power', quantity.power, 44],
  ['testWeight', quantity.testWeight, 56.4],
  ['space', quantity.space, 18_000],
  ['volume', quantity.volume, 120.5],
  ['hours', quantity.hours, 340.5],
  ['minutes', quantity.minutes, 25],
  ['degrees', quantity.degrees, -38.60002],
  ['dollarsTyped', quantity.dollarsTyped, 1200],
  ['count', quantity.count, 4],
  ['kernelsOfLoss', quantity.kernelsOfLoss, 2, CORN],
  ['moisture', quantity.moisture, 0.165],
  ['share', quantity.share, 0.235],
];

describe('a plain number', () => {
  it('reads as the platform writes it, rounded as it is written', () => {
    const value = fc.oneof(
      fc.double({ min: -1e9, max: 1e9, noNaN: true }),
      fc.integer({ min: -2_000_000, max: 2_000_000 }).map((thousandths) => thousandths / 1000),
      fc.integer({ min: -200_000, max: 200_000 }).map((eighths) => eighths / 8),
      fc.constantFrom(0, -0, 1.005, -1.005, 0.5, 1.5, 2.5, 8.345, 999.9995, 1e15, 123456789012345680, 1e20, Infinity, -Infinity, NaN), // prettier-ignore
    );
    fc.assert(
      fc.property(value, fc.integer({ min: 0, max: 4 }), (one, decimals) => {
        const text = one.toLocaleString('en-US', { minimumFractionDigits: decimals, maximumFractionDigits: decimals });
        expect(quantity.number(one, decimals)).toBe(/^-[0.,]*$/.test(text) ? text.slice(1) : text);
      }),
      { seed: 9, numRuns: 5000 },
    );
  });
});

describe('every quantity', () => {
  it('is on the list of these checks', () => {
    const exported = Object.entries(quantity).flatMap(([name, value]) =>
      typeof value === 'function' && 'read' in value ? [name] : [],
    );
    expect(exported.sort()).toEqual(ALL.map(([name]) => name).sort());
  });

  it.each(ALL)('%s comes back as it was typed, in both systems', (_, kind, value, per) => {
    for (const one of SYSTEMS) {
      setReadersSystem(one);
      const text = kind.text(value, per);
      const read = kind.read(text, per === undefined ? {} : { per });
      expect(read.error).toBeUndefined();
      expect(kind.text(read.value, per)).toBe(text);
      // As exact as the digits that are typed.
      expect(Math.abs(read.value! / value - 1)).toBeLessThan(0.01);
      const said = kind(value, per);
      expect(said.text).toBe(`${said.figure} ${said.unit}`.trim());
      expect(said.unit).toBe(kind.unit);
    }
  });

  it.each(ALL)('%s does not drift by ten changes of the unit', (_, kind, value, per) => {
    let kept = value;
    for (let i = 0; i < 10; i++) {
      setReadersSystem(SYSTEMS[i % 2]!);
      // The form is opened, nothing is changed in it, and it is saved.
      kept = kind.read(kind.text(kept, per), { was: kept, ...(per === undefined ? {} : { per }) }).value!;
    }
    expect(kept).toBe(value);
    // And where the text is all that is left of it, it settles at once.
    let typed = value;
    const seen: number[] = [];
    for (let i = 0; i < 10; i++) {
      setReadersSystem(SYSTEMS[i % 2]!);
      typed = kind.read(kind.text(typed, per), per === undefined ? {} : { per }).value!;
      seen.push(typed);
    }
    expect(Math.abs(seen.at(-1)! / seen[1]! - 1)).toBeLessThan(2e-3);
  });

  it('is read with the name of its unit behind it, whichever system is read', () => {
    for (const one of SYSTEMS) {
      setReadersSystem(one);
      expect(mass.read('71,600 lb').value).toBeCloseTo(71_600 * 0.45359237, 6);
      expect(mass.read('32.48 t').value).toBeCloseTo(32_480, 6);
      expect(mass.read('840 kg').value).toBeCloseTo(840, 9);
      expect(bushels.read('18k bu', { per: CORN }).value).toBe(18_000);
      expect(bushels.read('4 t', { per: CORN }).value).toBeCloseTo(4000 / CORN, 8);
      expect(area.read('160 ac').value).toBe(160);
      expect(area.read('64.75 ha').value).toBeCloseTo(160.0, 2);
      expect(temperature.read('72 °F').value).toBeCloseTo(22.222, 3);
      expect(temperature.read('22 C').value).toBe(22);
      expect(speed.read('4.2 mph').value).toBeCloseTo(1.877568, 6);
      expect(length.read("35'").value).toBeCloseTo(10.668, 9);
      expect(price.read('$4.62/bu', { per: CORN }).value).toBe(4.62);
      expect(price.read('$181.88/t', { per: CORN }).value).toBeCloseTo(4.62, 3);
      expect(price.read('4.62 a bushel', { per: CORN }).value).toBe(4.62);
    }
  });

  it('refuses what is none, in words, and takes what people write', () => {
    const message = (text: string, limits = {}) => area.read(text, limits).error;
    expect(message('18,0')).toBe('Write the part after a point: 18.0');
    expect(message('1e9')).toBe('Write the number out, without an e');
    expect(message('-')).toBe('There is a sign but no number');
    expect(message('1.2.3')).toBe('“1.2.3” is not one number');
    expect(message('12x')).toBe('“12x” is not a unit for this; type it in ac'.replace('12x', 'x'));
    expect(message('', { wanted: true })).toBe('How many ac?');
    expect(message('700', { least: 1, most: 640 })).toBe('From 1 to 640 ac');
    setReadersSystem('metric');
    expect(message('700', { least: 1, most: 640 })).toBe('From 0.40 to 259 ha');
    setReadersSystem('us');
    expect([area.read('18k').value, area.read('18,000').value, area.read('18 000').value, area.read('−3').value]).toEqual([18_000, 18_000, 18_000, -3]); // prettier-ignore
    expect(area.read('')).toEqual({});
  });
});

describe('units', () => {
  // Against a general-purpose library of units; 56 lb a bushel of corn is the legal weight.
  const by = (of: string, to: string): number => Qty(of).to(to).scalar;
  it('agree with a library of units', () => {
    setReadersSystem('us');
    expect(mass.shown(1)).toBeCloseTo(by('1 kg', 'lb'), 9);
    expect(length.shown(1)).toBeCloseTo(by('1 m', 'ft'), 9);
    expect(spacing.shown(1)).toBeCloseTo(by('1 m', 'in'), 9);
    expect(distance.shown(1000)).toBeCloseTo(by('1 km', 'mi'), 6);
    expect(speed.shown(1)).toBeCloseTo(by('1 m/s', 'mph'), 6);
    expect(temperature.shown(21)).toBeCloseTo(by('21 tempC', 'tempF'), 9);
    expect(flow.shown(1)).toBeCloseTo(by('1 kg/s', 'lb/s'), 9);
    setReadersSystem('metric');
    expect(area.shown(1)).toBeCloseTo(by('1 acre', 'hectare'), 5);
    expect(bushels.shown(1, CORN)).toBeCloseTo(by('56 lb', 'tonne'), 9);
    expect(cropYield.shown(200, CORN)).toBeCloseTo(by('11200 lb/acre', 'tonne/hectare'), 4);
    expect(loss.shown(1, CORN)).toBeCloseTo(by('56 lb/acre', 'kg/hectare'), 2);
    expect(price.shown(4.62, CORN)).toBeCloseTo(4.62 / by('56 lb', 'tonne'), 6);
    expect(grainRate.shown(1000, CORN)).toBeCloseTo(by('56000 lb/h', 'tonne/h'), 6);
    expect(quantity.volume.shown(1)).toBeCloseTo(by('1 gal', 'l'), 6);
    expect(quantity.space.shown(1)).toBeCloseTo(by('2150.42 in^3', 'm^3'), 9);
    // 1 lb a bushel of space is 12.87 kg/m³: 56 lb are 72.08 kg/hl.
    expect(quantity.testWeight(56).text).toBe('72.1 kg/hl');
  });

  it('2 kernels a square foot for 1 bu/ac are 34.3 a square meter for 100 kg/ha', () => {
    setReadersSystem('metric');
    expect(quantity.kernelsOfLoss(2, CORN).text).toBe('34.3');
    expect(quantity.kernelsOfLossWords()).toBe('Kernels on 1 m² that make 100 kg/ha');
  });
});

describe('what is said', () => {
  it('follows the farm, unless the reader chose otherwise', () => {
    expect([system(), mass(22_680).text, area(152).text]).toEqual(['us', '50,001 lb', '152.0 ac']);
    setFarmSystem('metric');
    expect([system(), mass(22_680).text, area(152).text]).toEqual(['metric', '22.68 t', '61.5 ha']);
    setReadersSystem('us');
    expect(system()).toBe('us');
    expect(store.get('fanega.units')).toBe('us');
  });

  it('has its sign, money in its steps, and nothing less than nothing', () => {
    expect(bushels.signed(-312, CORN).text).toBe('−312 bu');
    expect(bushels.signed(0.2, CORN).text).toBe('0 bu');
    expect([quantity.dollars(99.99), quantity.dollars(100), quantity.dollars(-1234.4), quantity.money(1234.5)]).toEqual(['$99.99', '$100', '−$1,234', '$1,234.50']); // prettier-ignore
    expect([quantity.dollars(-0.001), quantity.money(0)]).toEqual(['$0.00', '$0.00']);
    expect([quantity.moneyPerArea(10), quantity.priceText(4.62, CORN)]).toEqual(['$10.00 an acre', '$4.62 a bushel']);
    setReadersSystem('metric');
    expect([quantity.moneyPerArea(10), quantity.priceText(4.62, CORN)]).toEqual([
      '$24.71 a hectare',
      '$181.88 a tonne',
    ]);
  });

  it('a weight typed without a unit is of the one that was chosen, with one of its own', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 90_000 }), (kilos) => {
        expect(quantity.readWeight(quantity.weightText(kilos, 't'), 't', CORN).kg).toBeCloseTo(kilos, 6);
        expect(quantity.readWeight(`${kilos} kg`, 'lb', CORN).kg).toBeCloseTo(kilos, 9);
      }),
      { seed: 5, numRuns: 200 },
    );
    expect(quantity.readWeight('4 t', 'bu', CORN).kg).toBe(4000);
    expect(quantity.readWeight('312 ha', 'bu', CORN).error).toContain('not a unit');
    expect(quantity.readWeight('18,0', 't', CORN).error).toContain('18.0');
    expect(quantity.readWeight('-4', 't', CORN).error).toBe('A weight cannot be less than zero');
  });
});
