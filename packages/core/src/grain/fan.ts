import { type Formula, quantity, requireInRange, rootBetween, within } from '../kernel/index.js';
import { type Crop } from '../crops/index.js';
import { perCubicMetreToCfmPerBushel } from '../units/index.js';
import { airflowResistance, ductLoss, floorLoss, usualPacking } from './resistance.js';

/** Pressure (Pa) that a fan gives at a flow (m3/s); falls with flow. */
export interface FanCurve {
  readonly name: string;
  /** Flow at zero pressure, m3/s. */
  readonly freeFlow: number;
  pressureAt(flow: number): number;
}

const FLOW = quantity('fan flow', 0, 1000, 'm³/s');
const PRESSURE = quantity('static pressure', 0, 20_000, 'Pa');
const EFFICIENCY = quantity('fan efficiency', 0.05, 0.95, 'fraction');

export const FAN: Formula = {
  id: 'fan',
  title: 'Fan on a bin',
  equation: 'P fan(Q) = P grain + P floor + P duct; air power = Q P; heating = P/(eff rho cp)',
  standing: 'published, from memory',
  source: 'Fan laws; hp = cfm x in H2O / 6356; extension fan-selection tables as checks',
  inputs: [FLOW, PRESSURE, EFFICIENCY],
  note: 'Axial fans stall left of their peak: a curve that rises with flow is taken as flat up to its peak.',
};

/**
 * A curve from the maker's table, straight between its points; the last point's slope goes on to zero pressure.
 * Range and source: {@link FAN}.
 * @param points flow (m3/s) and static pressure (Pa), at least two, in any order
 */
export function fanFromTable(
  name: string,
  points: readonly { readonly flow: number; readonly pressure: number }[],
): FanCurve {
  requireInRange('points of the fan table', points.length, 2, 200, '');
  const rows = [...points]
    .map(({ flow, pressure }) => ({ flow: within(FLOW, flow), pressure: within(PRESSURE, pressure) }))
    .sort((a, b) => a.flow - b.flow);
  // From the right the pressure may only rise: the operating point is then one, and on the stable side of the peak.
  for (let i = rows.length - 2; i >= 0; i--)
    rows[i] = { flow: rows[i]!.flow, pressure: Math.max(rows[i]!.pressure, rows[i + 1]!.pressure) };
  const [before, last] = [rows.at(-2)!, rows.at(-1)!];
  requireInRange('spread of flow in the fan table', last.flow - rows[0]!.flow, 1e-9, 1000, 'm³/s');
  const slope = Math.min(-1e-6, (last.pressure - before.pressure) / Math.max(1e-9, last.flow - before.flow));
  const freeFlow = last.flow - last.pressure / slope;
  return {
    name,
    freeFlow,
    pressureAt: (flow) => {
      if (flow <= rows[0]!.flow) return rows[0]!.pressure;
      if (flow >= last.flow) return last.pressure + slope * (flow - last.flow);
      const i = rows.findIndex((row) => row.flow >= flow);
      const [a, b] = [rows[i - 1]!, rows[i]!];
      return a.pressure + ((b.pressure - a.pressure) * (flow - a.flow)) / (b.flow - a.flow);
    },
  };
}

/**
 * A simple centrifugal curve: P = P0 [1 - (Q/Q0)²].
 * Range and source: {@link FAN}.
 * @param shutOff Pa at no flow
 * @param freeFlow m3/s at no pressure
 */
export function fanFromModel(name: string, shutOff: number, freeFlow: number): FanCurve {
  within(PRESSURE, shutOff);
  requireInRange('free flow', freeFlow, 1e-6, 1000, 'm³/s');
  return { name, freeFlow, pressureAt: (flow) => shutOff * (1 - (flow / freeFlow) ** 2) };
}

/**
 * The same fan at another speed, and in other air: flow goes with speed, pressure with its square (and the air's density), power with its cube.
 * Range and source: {@link FAN}.
 * @param ratio new speed over old
 */
export function fanAtSpeed(fan: FanCurve, ratio: number, densityRatio = 1): FanCurve {
  requireInRange('speed ratio', ratio, 0.1, 3, '');
  requireInRange('density ratio', densityRatio, 0.5, 1.5, '');
  return {
    name: `${fan.name} at ${ratio} of its speed`,
    freeFlow: fan.freeFlow * ratio,
    pressureAt: (flow) => densityRatio * ratio * ratio * fan.pressureAt(flow / ratio),
  };
}

/** A bin that air is blown through from below. */
export interface AiredBin {
  readonly crop: Crop;
  /** m2 */
  readonly floorArea: number;
  /** m, mean */
  readonly depth: number;
  /** Packed-fill multiplier; left out: the usual one of the crop. */
  readonly packing?: number;
  readonly fines?: number;
  /** Open area of the floor, fraction; left out: a full floor without loss. */
  readonly floorOpen?: number;
  /** m2 of the duct between fan and plenum; left out: no loss. */
  readonly ductArea?: number;
}

/**
 * Static pressure (Pa) that a bin asks for at a flow (m3/s).
 * Range and source: {@link FAN}.
 */
export function staticPressure(
  bin: AiredBin,
  flow: number,
): { total: number; grain: number; floor: number; duct: number; extrapolated: boolean } {
  requireInRange('floor area', bin.floorArea, 0.1, 10_000, 'm²');
  requireInRange('grain depth', bin.depth, 0, 60, 'm');
  const q = within(FLOW, flow) / bin.floorArea;
  const bed = airflowResistance(bin.crop, q, { packing: bin.packing ?? usualPacking(bin.crop), fines: bin.fines ?? 0 });
  const grain = bed.pascalsPerMetre * bin.depth;
  const floor = bin.floorOpen === undefined ? 0 : floorLoss(q, bin.floorOpen);
  const duct =
    bin.ductArea === undefined ? 0 : ductLoss(flow / requireInRange('duct area', bin.ductArea, 0.001, 1000, 'm²'));
  return { total: grain + floor + duct, grain, floor, duct, extrapolated: bed.extrapolated };
}

export interface OperatingPoint {
  /** m3/s */
  readonly flow: number;
  /** Pa */
  readonly pressure: number;
  /** m3/s through each m2 */
  readonly velocity: number;
  readonly cfmPerBushel: number;
  /** W in the air, and at the shaft. */
  readonly airWatts: number;
  readonly shaftWatts: number;
  /** K that the fan adds to its air. */
  readonly heatKelvin: number;
  readonly extrapolated: boolean;
}

/** J/(m3 K) of standard air: 1.2 kg/m3 x 1006. */
export const AIR_HEAT = 1.2 * 1006;

/**
 * K that a fan adds: P / (efficiency x rho x cp); 0.41 K for each inch of water at 50 %.
 * Range and source: {@link FAN}.
 */
export function fanHeat(pressure: number, efficiency: number): number {
  return within(PRESSURE, pressure) / within(EFFICIENCY, efficiency) / AIR_HEAT;
}

/**
 * Where fan and bin agree. Both curves are continuous and cross once: the bin's rises with flow, the fan's falls.
 * Range and source: {@link FAN}.
 * @param efficiency fan (static) efficiency, 0.5 to 0.6 usual
 */
export function operatingPoint(fan: FanCurve, bin: AiredBin, efficiency = 0.5): OperatingPoint {
  within(EFFICIENCY, efficiency);
  staticPressure(bin, 0); // refuses a bin that is none
  // Not past the flow where the resistance formula ends.
  const most = Math.min(fan.freeFlow, bin.floorArea);
  const excess = (q: number): number => fan.pressureAt(q) - staticPressure(bin, q).total;
  const flow = excess(most) >= 0 ? most : rootBetween(excess, 0, most, 1e-10);
  const { total: pressure, extrapolated } = staticPressure(bin, flow);
  return {
    flow,
    pressure,
    velocity: flow / bin.floorArea,
    cfmPerBushel: bin.depth > 0 ? perCubicMetreToCfmPerBushel(flow / (bin.floorArea * bin.depth)) : Infinity,
    airWatts: flow * pressure,
    shaftWatts: (flow * pressure) / efficiency,
    heatKelvin: fanHeat(pressure, efficiency),
    extrapolated,
  };
}

/**
 * Shaft watts that a wanted flow needs on this bin.
 * Range and source: {@link FAN}.
 * @param perCubicMetre m3/s for each m3 of grain
 */
export function fanPowerNeeded(
  bin: AiredBin,
  perCubicMetre: number,
  efficiency = 0.5,
): { flow: number; pressure: number; shaftWatts: number; heatKelvin: number } {
  const flow = requireInRange('airflow', perCubicMetre, 0, 1, 'm³/s per m³') * bin.floorArea * bin.depth;
  const pressure = staticPressure(bin, flow).total;
  return {
    flow,
    pressure,
    shaftWatts: (flow * pressure) / within(EFFICIENCY, efficiency),
    heatKelvin: fanHeat(pressure, efficiency),
  };
}
