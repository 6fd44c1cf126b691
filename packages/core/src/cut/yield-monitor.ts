import { fitLine, type Formula, quantity, requireInRange, within } from '../kernel/index.js';
import { MASS, MOISTURE } from '../units/index.js';

const FLOW = quantity('flow', 0, 100, 'kg/s');

export const YIELD_MONITOR: Formula = {
  id: 'yield-monitor',
  title: 'Yield-monitor calibration',
  equation: 'factor = sum(scale)/sum(monitor); error = monitor/scale - 1; bias with flow from a line of errors on flow',
  standing: 'common practice',
  source: 'At least four or five loads over the range of flows, within 2-3 % each; no printed source',
  inputs: [MASS, FLOW],
  note: 'Moisture is calibrated apart, against a meter. The scale is the truth.',
};

/** What the display showed and what the scale weighed for one load. */
export interface CalibrationLoad {
  readonly monitorKg: number;
  readonly scaleKg: number;
  /** Mean flow while it was cut, kg/s. */
  readonly flow?: number;
}

export interface Calibration {
  /** Multiply the display by this. */
  readonly factor: number;
  /** The same by least squares through the origin, and with an intercept: for comparison. */
  readonly throughOrigin: number;
  readonly line: { readonly slope: number; readonly intercept: number; readonly r2: number } | null;
  /** Display against scale, fraction; after applying the factor too. */
  readonly errors: readonly { readonly before: number; readonly after: number; readonly within: boolean }[];
  /** Error that goes with flow: fraction for each kg/s, and whether it is more than scatter. */
  readonly flowBias: {
    readonly perKgPerSecond: number;
    /** Slowest and fastest load, kg/s, and the error of each by the line. */
    readonly lowFlow: number;
    readonly highFlow: number;
    readonly lowFlowError: number;
    readonly highFlowError: number;
    readonly shown: boolean;
  } | null;
  readonly enough: boolean;
  /** What is missing: loads, or a spread of flow. */
  readonly wanted: readonly ('more loads' | 'slower and faster loads' | 'loads within tolerance')[];
}

/** Fewest loads, and the spread of flows (fastest over slowest) that a calibration should have. Common practice, no source. */
export const CALIBRATION_LOADS = 4;
export const CALIBRATION_FLOW_SPREAD = 1.5;

/**
 * What a yield monitor is worth, from loads weighed on a scale.
 * Range and source: {@link YIELD_MONITOR}.
 * @param tolerance of one load after correction, fraction; 0.03 by default
 * @throws RangeRefusal with no load, or a load of nothing
 * @example one field of 6,912 bu on the display and 6,640 on the cart: factor 0.9606
 */
export function calibrateMonitor(loads: readonly CalibrationLoad[], tolerance = 0.03): Calibration {
  requireInRange('number of loads', loads.length, 1, 10_000, '');
  requireInRange('tolerance', tolerance, 0, 0.5, 'fraction');
  let [x, y, xx, xy] = [0, 0, 0, 0];
  for (const load of loads) {
    const monitor = requireInRange('load on the monitor', load.monitorKg, 1e-6, MASS.most, 'kg');
    const scale = requireInRange('load on the scale', load.scaleKg, 1e-6, MASS.most, 'kg');
    x += monitor;
    y += scale;
    xx += monitor * monitor;
    xy += monitor * scale;
  }
  const factor = y / x;
  const errors = loads.map(({ monitorKg, scaleKg }) => {
    const after = (monitorKg * factor) / scaleKg - 1;
    return { before: monitorKg / scaleKg - 1, after, within: Math.abs(after) <= tolerance };
  });
  const spreadOf = (values: readonly number[]): boolean => Math.max(...values) > Math.min(...values);
  const line =
    loads.length >= 2 && spreadOf(loads.map((load) => load.monitorKg))
      ? fitLine(loads.map((load) => ({ x: load.monitorKg, y: load.scaleKg })))
      : null;
  const flows = loads.flatMap(({ flow, monitorKg, scaleKg }) =>
    flow === undefined ? [] : [{ x: within(FLOW, flow), y: monitorKg / scaleKg - 1 }],
  );
  let flowBias: Calibration['flowBias'] = null;
  if (flows.length >= 3 && spreadOf(flows.map((p) => p.x))) {
    const fit = fitLine(flows);
    const at = (f: number): number => fit.intercept + fit.slope * f;
    const xs = flows.map((p) => p.x);
    flowBias = {
      perKgPerSecond: fit.slope,
      lowFlow: Math.min(...xs),
      highFlow: Math.max(...xs),
      lowFlowError: at(Math.min(...xs)),
      highFlowError: at(Math.max(...xs)),
      shown: fit.slopeError !== null && Math.abs(fit.slope) > 2 * fit.slopeError,
    };
  }
  const known = flows.map((p) => p.x);
  const wanted: Calibration['wanted'][number][] = [];
  if (loads.length < CALIBRATION_LOADS) wanted.push('more loads');
  if (known.length < 2 || Math.max(...known) < CALIBRATION_FLOW_SPREAD * Math.min(...known))
    wanted.push('slower and faster loads');
  if (errors.some((error) => !error.within)) wanted.push('loads within tolerance');
  return {
    factor,
    throughOrigin: xy / xx,
    line: line && { slope: line.slope, intercept: line.intercept, r2: line.r2 },
    errors,
    flowBias,
    enough: wanted.length === 0,
    wanted,
  };
}

/**
 * What one load's display figure is multiplied by: the one factor, or, where the error is shown to go with flow and the load's flow is
 * known, the factor at that flow. A flow outside the loads that were weighed counts as the nearest of them.
 * Range and source: {@link YIELD_MONITOR}.
 * @param flow kg/s of the load
 */
export function factorAt(
  {
    factor,
    flowBias,
  }: {
    readonly factor: number;
    readonly flowBias: Omit<NonNullable<Calibration['flowBias']>, 'perKgPerSecond'> | null;
  },
  flow: number | undefined,
): number {
  requireInRange('factor', factor, 1e-3, 1e3, '');
  if (flow === undefined || !flowBias?.shown) return factor;
  const { lowFlow, highFlow, lowFlowError, highFlowError } = flowBias;
  within(FLOW, lowFlow);
  requireInRange('fastest flow, above the slowest', highFlow, lowFlow + 1e-9, FLOW.most, 'kg/s');
  const held = Math.min(highFlow, Math.max(lowFlow, within(FLOW, flow)));
  const error = lowFlowError + ((highFlowError - lowFlowError) * (held - lowFlow)) / (highFlow - lowFlow);
  return 1 / (1 + requireInRange('error of the display', error, -0.9, 10, 'fraction'));
}

/**
 * Dry yield from a monitor's flow: kg/ha at the base moisture.
 * Range and source: {@link YIELD_MONITOR}.
 * @param flow kg/s; @param speed m/s; @param width m
 * @example 30 lb/s at 4 mph on 20 ft, 20 % corn: 188.3 bu/ac at 15.5 %
 */
export function yieldFromFlow(input: {
  readonly flow: number;
  readonly speed: number;
  readonly width: number;
  readonly moisture: number;
  readonly base: number;
}): number {
  within(MOISTURE, input.moisture);
  within(MOISTURE, input.base);
  const wet =
    (within(FLOW, input.flow) * 10_000) /
    (requireInRange('ground speed', input.speed, 0.01, 8, 'm/s') *
      requireInRange('cutting width', input.width, 0.3, 30, 'm'));
  return (wet * (1 - input.moisture)) / (1 - input.base);
}
