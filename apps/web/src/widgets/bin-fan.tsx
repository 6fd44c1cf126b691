import { Fragment } from 'react';
import {
  BIN_FAN,
  FAN_ROW,
  type BinFan,
  cfmToCubicMetresPerSecond,
  FALL_AIR,
  type FallAir,
  FAN_CONTROLS,
  inchesOfWaterToPascals,
} from '@fanega/core';
import { useFarm, useRefreshFarm } from '../data/farm';
import { write } from '../data/outbox';
import { setting } from '../data/records';
import { airflow, count, hours, power, pressure, share, temperature, warmer } from '../quantity/quantity';
import { SelectBox, TextBox } from '../ui';
import { oneOf } from '../ui/form/box';
import { useFields } from '../ui/form/use-fields';
import { FormDrawer } from '../ui/form-drawer';
import { figureBox, figureOrNone } from './record-boxes';

export const FAN_WORDS: Readonly<Record<BinFan['control'], string>> = {
  always: 'all the time until it is dry',
  humidity: 'only in drier air',
  equilibrium: 'only in air that dries, not overdries',
};
/** A fan of about 15 hp, as tables have it; common practice, no source. */
export const USUAL_FAN: BinFan = {
  lowPressure: inchesOfWaterToPascals(2),
  lowFlow: cfmToCubicMetresPerSecond(14_000),
  highPressure: inchesOfWaterToPascals(6),
  highFlow: cfmToCubicMetresPerSecond(9000),
  efficiency: 0.5,
  heater: 0,
  powerPrice: 0.12,
  heatPrice: 0.07,
  control: 'always',
  mostHumidity: 0.75,
};

type BetweenTyped = Readonly<Partial<Record<'p0' | 'p1' | 'p2' | 'f0' | 'f1' | 'f2', number | undefined>>>;
const typedBetween = ({ p0, p1, p2, f0, f1, f2 }: BetweenTyped) =>
  [[p0, f0], [p1, f1], [p2, f2]] as const; // prettier-ignore
const betweenOf = (typed: BetweenTyped) =>
  typedBetween(typed).flatMap(([rise, flow]) =>
    rise === undefined || flow === undefined ? [] : [{ pressure: rise, flow }],
  );

/** What is wrong with the rows between, at its box. */
function betweenErrors(
  typed: BetweenTyped,
  ends: Pick<BinFan, 'lowPressure' | 'lowFlow' | 'highPressure' | 'highFlow'>,
): Record<string, string> {
  const errors: Record<string, string> = {};
  let [pressureBefore, flowBefore] = [ends.lowPressure, ends.lowFlow];
  for (const [i, [rise, flow]] of typedBetween(typed).entries()) {
    if (rise === undefined && flow === undefined) continue;
    if (rise === undefined) errors[`p${i}`] = 'Against what?';
    else if (flow === undefined) errors[`f${i}`] = 'How much does it move?';
    else if (rise <= pressureBefore || rise >= ends.highPressure) errors[`p${i}`] = 'Between the rows beside it';
    else if (flow >= flowBefore || flow <= ends.highFlow) errors[`f${i}`] = 'Between the rows beside it';
    else [pressureBefore, flowBefore] = [rise, flow];
  }
  return errors;
}

/** The fan under a bin, by two rows of its maker's table; its heater, its stirrer, and when it runs. */
export function BinFanDrawer({
  placeId,
  kept,
  onClose,
}: {
  placeId: string;
  kept: { readonly revision: number; readonly value: BinFan } | undefined;
  onClose: () => void;
}) {
  const farm = useFarm();
  const refresh = useRefreshFarm(farm.id);
  const { fields } = BIN_FAN;
  const was = kept?.value ?? USUAL_FAN;
  const form = useFields({
    keptAs: `fan.${farm.id}.${placeId}`,
    boxes: {
      lowPressure: figureBox(fields.lowPressure, pressure),
      lowFlow: figureBox(fields.lowFlow, airflow),
      highPressure: figureBox(fields.highPressure, pressure),
      highFlow: figureBox(fields.highFlow, airflow),
      p0: figureOrNone(FAN_ROW.pressure, pressure),
      p1: figureOrNone(FAN_ROW.pressure, pressure),
      p2: figureOrNone(FAN_ROW.pressure, pressure),
      f0: figureOrNone(FAN_ROW.flow, airflow),
      f1: figureOrNone(FAN_ROW.flow, airflow),
      f2: figureOrNone(FAN_ROW.flow, airflow),
      efficiency: figureBox(fields.efficiency, share),
      heater: figureBox(fields.heater, power),
      powerPrice: figureBox(fields.powerPrice, count),
      heatPrice: figureBox(fields.heatPrice, count),
      control: oneOf<BinFan['control']>(),
      mostHumidity: figureBox(fields.mostHumidity, share),
      stirHours: figureOrNone(fields.stirHours, hours),
    },
    start: () => ({
      lowPressure: pressure.text(was.lowPressure),
      lowFlow: airflow.text(was.lowFlow),
      highPressure: pressure.text(was.highPressure),
      highFlow: airflow.text(was.highFlow),
      p0: pressure.text(was.between?.[0]?.pressure),
      p1: pressure.text(was.between?.[1]?.pressure),
      p2: pressure.text(was.between?.[2]?.pressure),
      f0: airflow.text(was.between?.[0]?.flow),
      f1: airflow.text(was.between?.[1]?.flow),
      f2: airflow.text(was.between?.[2]?.flow),
      efficiency: share.text(was.efficiency),
      heater: power.text(was.heater),
      powerPrice: count.text(was.powerPrice),
      heatPrice: count.text(was.heatPrice),
      control: was.control,
      mostHumidity: share.text(was.mostHumidity),
      stirHours: hours.text(was.stirHours),
    }),
    together: ({ lowPressure, highPressure, lowFlow, highFlow, ...rest }): Record<string, string> => ({
      ...betweenErrors(rest, { lowPressure, highPressure, lowFlow, highFlow }),
      ...(highPressure <= lowPressure ? { highPressure: 'This row must be at the higher pressure' } : {}),
      ...(highFlow >= lowFlow
        ? { highFlow: 'A fan moves less against more pressure: this must be under the first row’s' }
        : {}),
    }),
    close: onClose,
    save: async ({ stirHours, p0, p1, p2, f0, f1, f2, ...rest }) => {
      const between = betweenOf({ p0, p1, p2, f0, f1, f2 });
      const value: BinFan = {
        ...rest,
        ...(between.length === 0 ? {} : { between }),
        ...(stirHours === undefined ? {} : { stirHours }),
      };
      await write(farm.id, setting(farm.id, 'binFan', placeId, { revision: kept?.revision ?? 0, value }));
      await refresh();
    },
  });
  return (
    <FormDrawer form={form} title={`${farm.placeName(placeId)}: its fan`} button="Keep it">
      <fieldset className="space-y-3">
        <legend className="font-semibold">Two rows of its maker’s table</legend>
        <div className="grid grid-cols-2 gap-3">
          <TextBox label="Against" className="pr-24" {...form.box('lowPressure')} />
          <TextBox label="it moves" {...form.box('lowFlow')} />
          <TextBox label="Against more" className="pr-24" {...form.box('highPressure')} />
          <TextBox label="it moves only" {...form.box('highFlow')} />
        </div>
        <details>
          <summary className="cursor-pointer font-semibold">More rows between them</summary>
          <div className="mt-3 grid grid-cols-2 gap-3">
            {([0, 1, 2] as const).map((i) => (
              <Fragment key={i}>
                <TextBox label={`Against, row ${i + 1}`} className="pr-24" {...form.box(`p${i}`)} />
                <TextBox label={`it moves, row ${i + 1}`} {...form.box(`f${i}`)} />
              </Fragment>
            ))}
          </div>
        </details>
      </fieldset>
      <SelectBox label="It runs" {...form.box('control')}>
        {FAN_CONTROLS.map((one) => (
          <option key={one} value={one}>
            {FAN_WORDS[one]}
          </option>
        ))}
      </SelectBox>
      <div className="grid grid-cols-2 gap-3">
        <TextBox label="Drier air is under" hint="for the second way" {...form.box('mostHumidity')} />
        <TextBox label="Efficiency" hint="50 % is usual" {...form.box('efficiency')} />
        <TextBox label="Heater" hint="0 without one" {...form.box('heater')} />
        <TextBox label="Stirrer once around in" hint="blank: none" {...form.box('stirHours')} />
        <TextBox label="Price of a kWh" unit="$" {...form.box('powerPrice')} />
        <TextBox label="Price of a kWh of heat" unit="$" {...form.box('heatPrice')} />
      </div>
    </FormDrawer>
  );
}

/** The farm's own fall, after the forecast ends. */
export function FallAirDrawer({ start, revision, onClose }: { start: FallAir; revision: number; onClose: () => void }) {
  const farm = useFarm();
  const refresh = useRefreshFarm(farm.id);
  const { fields } = FALL_AIR;
  const form = useFields({
    keptAs: `fall-air.${farm.id}`,
    boxes: {
      mean: figureBox(fields.mean, temperature),
      swing: figureBox(fields.swing, warmer),
      humidity: figureBox(fields.humidity, share),
      fallsPerWeek: figureBox(fields.fallsPerWeek, warmer),
    },
    start: () => ({
      mean: temperature.text(start.mean),
      swing: warmer.text(start.swing),
      humidity: share.text(Math.round(100 * start.humidity) / 100),
      fallsPerWeek: warmer.text(start.fallsPerWeek),
    }),
    close: onClose,
    save: async (value) => {
      await write(farm.id, setting(farm.id, 'fallAir', 'farm', { revision, value }));
      await refresh();
    },
  });
  return (
    <FormDrawer form={form} title="The air of a usual fall here" button="Keep it">
      <p className="text-sm text-muted">
        The forecast counts while there is one. After it ten falls are tried about these figures, with warm and cold
        spells; a table of your own climate is better than last week’s air.
      </p>
      <div className="grid grid-cols-2 gap-3">
        <TextBox label="Day and night" {...form.box('mean')} />
        <TextBox label="Afternoon above that" {...form.box('swing')} />
        <TextBox label="Humidity, day and night" {...form.box('humidity')} />
        <TextBox label="Cooler each week by" {...form.box('fallsPerWeek')} />
      </div>
    </FormDrawer>
  );
}
