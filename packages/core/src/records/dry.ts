import { choice, flag, idOf, instant, list, moistureField, number, optional, record, text } from './field.js';
import { type LogOf, logKind, settingKind, type SettingOf } from './kind.js';

export const DRYER_TYPES = ['continuous', 'batch', 'in bin', 'natural air'] as const;
export const DRYER_FUELS = ['propane', 'naturalGas', 'electric'] as const;

/** A row of a dryer's table: what it takes in an hour where so many points come off. */
export const DRYER_ROW = { points: number(0.5, 40, 'points'), bushelsPerHour: number(1, 100_000, 'bu/h') };

/** A dryer: what it takes in an hour, what it burns, and what it cannot do without. */
export const DRYER_SETUP = settingKind(
  'dryerSetup',
  'dry',
  'dryer_setups',
  'places',
  {
    type: choice(DRYER_TYPES),
    /** wet bushels an hour times points, at its rating */
    bushelPointsPerHour: number(1, 1e6, 'bu·points/h'),
    /** its maker's table, or the farm's own, by rising points; it counts before the rating */
    byPoints: optional(list(record(DRYER_ROW), 2, 6)),
    /** air above which its book allows no grain */
    mostPlenum: optional(number(20, 200, '°C')),
    /** what its unload takes at most */
    mostBushelsPerHour: optional(number(1, 100_000, 'bu/h')),
    fuel: choice(DRYER_FUELS),
    /** of a gallon, a therm or a kWh */
    fuelPrice: number(0, 1000, '$'),
    /** gallons, therms or kWh of heat for a point and wet bushel; its own records beat every table */
    fuelPerPointBushel: number(0.0001, 2, 'units'),
    kWhPerPointBushel: number(0, 1, 'kWh'),
    powerPrice: number(0, 10, '$/kWh'),
    /** after which it shuts off when no wet grain comes */
    refillMin: optional(number(1, 600, 'min')),
    /** points that the moisture may jump */
    mostStep: number(0, 20, 'points'),
    /** it should come out at */
    dryTo: moistureField(),
    /** within which of it nothing is turned */
    band: number(0.001, 0.03, 'fraction'),
    /** it comes out hot and is cooled in the bin */
    coolsInBin: flag(),
  },
  [
    {
      name: 'points_rise',
      broken: ({ byPoints = [] }) => {
        const wrong = byPoints.findIndex(({ points }, i) => i > 0 && points <= byPoints[i - 1]!.points);
        return wrong < 0 ? null : `byPoints.${wrong}.points`;
      },
    },
    {
      name: 'rate_falls',
      broken: ({ byPoints = [] }) => {
        const wrong = byPoints.findIndex(
          ({ bushelsPerHour }, i) => i > 0 && bushelsPerHour >= byPoints[i - 1]!.bushelsPerHour,
        );
        return wrong < 0 ? null : `byPoints.${wrong}.bushelsPerHour`;
      },
    },
  ],
);
export type DryerSetup = SettingOf<typeof DRYER_SETUP>;

/** What a dryer's control cries out. */
export const DRYER_ALARMS = ['out of grain', 'flame', 'overheat', 'unload stopped'] as const;

/** What somebody read at a dryer, or its control did: any of it, at one moment. */
export const DRYER_SAMPLE = logKind(
  'dryerSample',
  'dry',
  'dryer_samples',
  {
    placeId: idOf('places'),
    moistureIn: optional(moistureField()),
    moistureOut: optional(moistureField()),
    plenum: optional(number(-20, 200, '°C')),
    /** wet, into it */
    bushelsPerHour: optional(number(0, 100_000, 'bu/h')),
    /** as the meter or tank gauge stands */
    fuelMeter: optional(number(0, 1e9, 'units')),
    /** of its control; left out: none */
    alarm: optional(choice(DRYER_ALARMS)),
    note: optional(text(200)),
  },
  [
    {
      name: 'sample_without_figure',
      broken: (s) =>
        s.moistureIn === undefined &&
        s.moistureOut === undefined &&
        s.plenum === undefined &&
        s.bushelsPerHour === undefined &&
        s.fuelMeter === undefined &&
        s.alarm === undefined
          ? 'moistureOut'
          : null,
    },
  ],
);
export type DryerSample = LogOf<typeof DRYER_SAMPLE>;

/** A stretch in which a dryer ran. */
export const DRYER_RUN = logKind(
  'dryerRun',
  'dry',
  'dryer_runs',
  {
    placeId: idOf('places'),
    until: optional(instant()),
    /** of the run, where no meter was read */
    fuelUsed: optional(number(0, 1e7, 'units')),
    note: optional(text(200)),
  },
  [
    {
      name: 'ends_before_it_begins',
      broken: ({ at, until }) => (until === undefined || Date.parse(until) > Date.parse(at) ? null : 'until'),
    },
  ],
);
export type DryerRun = LogOf<typeof DRYER_RUN>;

/** How warm grain is, by a probe, a cable or a hand in it. */
export const GRAIN_TEMPERATURE = logKind('grainTemperature', 'dry', 'grain_temperatures', {
  placeId: idOf('places'),
  celsius: number(-40, 90, '°C'),
  /** where in it */
  spot: optional(text(60)),
});
export type GrainTemperature = LogOf<typeof GRAIN_TEMPERATURE>;

/** Somebody at the dryer heard what comes next, and set it. */
export const STEP_HEARD = logKind('stepHeard', 'dry', 'steps_heard', {
  /** the notice that was heard */
  noticeId: text(26, 1),
});
export type StepHeard = LogOf<typeof STEP_HEARD>;

/** When a bin's fan runs, see `FanControl`: schools of the trade, a setting. */
export const FAN_CONTROLS = ['always', 'humidity', 'equilibrium'] as const;

/** A row between the two of a fan's table. */
export const FAN_ROW = { pressure: number(0, 6000, 'Pa'), flow: number(0, 200, 'm³/s') };

/** The fan under a bin that grain is dried in, by two rows of its maker's table; heater and stirrer with it. */
export const BIN_FAN = settingKind(
  'binFan',
  'dry',
  'bin_fans',
  'places',
  {
    /** the row at the lower static pressure … */
    lowPressure: number(0, 5000, 'Pa'),
    lowFlow: number(0.01, 200, 'm³/s'),
    /** … and the one at the higher */
    highPressure: number(1, 6000, 'Pa'),
    highFlow: number(0, 200, 'm³/s'),
    /** the table's rows between them, by rising pressure; left out: a curve through the two */
    between: optional(list(record(FAN_ROW), 1, 8)),
    /** static, of the fan */
    efficiency: number(0.2, 0.85, ''),
    /** of burner or heater while the fan runs; 0 without one */
    heater: number(0, 3000, 'kW'),
    powerPrice: number(0, 10, '$/kWh'),
    /** of a kWh of its heat */
    heatPrice: number(0, 10, '$/kWh'),
    control: choice(FAN_CONTROLS),
    /** for the control by humidity */
    mostHumidity: number(0.2, 1, 'fraction'),
    /** a stirrer goes once around in so many hours; left out: none */
    stirHours: optional(number(1, 500, 'h')),
  },
  [
    {
      name: 'pressure_not_rising',
      broken: ({ lowPressure, highPressure }) => (highPressure > lowPressure ? null : 'highPressure'),
    },
    { name: 'flow_not_falling', broken: ({ lowFlow, highFlow }) => (highFlow < lowFlow ? null : 'highFlow') },
    {
      name: 'pressure_not_rising',
      broken: ({ lowPressure, highPressure, between = [] }) => {
        const wrong = between.findIndex(({ pressure }, i) => pressure <= (between[i - 1]?.pressure ?? lowPressure) || pressure >= highPressure); // prettier-ignore
        return wrong < 0 ? null : `between.${wrong}.pressure`;
      },
    },
    {
      name: 'flow_not_falling',
      broken: ({ lowFlow, highFlow, between = [] }) => {
        const wrong = between.findIndex(({ flow }, i) => flow >= (between[i - 1]?.flow ?? lowFlow) || flow <= highFlow);
        return wrong < 0 ? null : `between.${wrong}.flow`;
      },
    },
  ],
);
export type BinFan = SettingOf<typeof BIN_FAN>;

/** The air of a usual fall after the forecast ends: what the farm knows of its own climate. */
export const FALL_AIR = settingKind('fallAir', 'dry', 'fall_air', 'farm', {
  /** day and night, when the forecast ends */
  mean: number(-20, 40, '°C'),
  /** half of the difference between afternoon and dawn */
  swing: number(0, 20, 'K'),
  /** at the mean temperature */
  humidity: number(0.05, 0.99, 'fraction'),
  fallsPerWeek: number(-5, 5, 'K'),
});
export type FallAir = SettingOf<typeof FALL_AIR>;
