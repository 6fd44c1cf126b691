import { DRYER_FUELS, DRYER_ROW, DRYER_SETUP, DRYER_TYPES, type DryerSetup, FUELS, type FuelId } from '@fanega/core';
import { useFarm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { setting } from '../../../data/records';
import {
  count,
  dollarsTyped,
  dryingRate,
  grainRate,
  minutes,
  moisture,
  number,
  temperature,
} from '../../../quantity/quantity';
import { SelectBox, TextBox } from '../../../ui';
import { oneOf, yesNo } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { CheckBox } from '../../../ui/check-box';
import { FormDrawer } from '../../../ui/form-drawer';
import { figureBox, figureOrNone } from '../../../widgets/record-boxes';

const TYPES: Readonly<Record<DryerSetup['type'], string>> = {
  continuous: 'Continuous flow',
  batch: 'Batch',
  'in bin': 'In the bin, continuous',
  'natural air': 'Natural air',
};
export const FUEL_WORDS: Readonly<Record<FuelId, string>> = {
  propane: 'Propane',
  naturalGas: 'Natural gas',
  electric: 'Electricity',
};
/** As dryers usually do; common practice, no source. */
export const USUAL_DRYER: DryerSetup = {
  type: 'continuous',
  bushelPointsPerHour: 2500,
  fuel: 'propane',
  fuelPrice: 1.8,
  fuelPerPointBushel: 0.02,
  kWhPerPointBushel: 0.01,
  powerPrice: 0.12,
  mostStep: 2,
  dryTo: 0.15,
  band: 0.005,
  coolsInBin: false,
};

const ROWS = [0, 1, 2, 3] as const;
type Row = (typeof ROWS)[number];

const rowBoxes = (per: number) => {
  const points = figureOrNone(DRYER_ROW.points, count);
  const rate = figureOrNone(DRYER_ROW.bushelsPerHour, grainRate, { per });
  return { p0: points, p1: points, p2: points, p3: points, r0: rate, r1: rate, r2: rate, r3: rate };
};
function rowTexts({ byPoints = [] }: DryerSetup, per: number) {
  const p = (i: Row): string => count.text(byPoints[i]?.points);
  const r = (i: Row): string => grainRate.text(byPoints[i]?.bushelsPerHour, per);
  return { p0: p(0), p1: p(1), p2: p(2), p3: p(3), r0: r(0), r1: r(1), r2: r(2), r3: r(3) };
}
interface Rows {
  readonly points: readonly (number | undefined)[];
  readonly rates: readonly (number | undefined)[];
}
const typedRows = (v: Readonly<Partial<Record<`${'p' | 'r'}${Row}`, number>>>): Rows => ({
  points: [v.p0, v.p1, v.p2, v.p3],
  rates: [v.r0, v.r1, v.r2, v.r3],
});
/** What is wrong between the rows, at its box. */
function rowErrors({ points, rates }: Rows): Record<string, string> {
  const errors: Record<string, string> = {};
  let before: Row | null = null;
  for (const i of ROWS) {
    const [off, takes] = [points[i], rates[i]];
    if (off === undefined && takes === undefined) continue;
    if (off === undefined) errors[`p${i}`] = 'How many points?';
    else if (takes === undefined) errors[`r${i}`] = 'How much an hour?';
    else {
      if (before !== null && off <= points[before]!) errors[`p${i}`] = 'More points than the row above';
      else if (before !== null && takes >= rates[before]!)
        errors[`r${i}`] = 'Less than the row above: more points take longer';
      before = i;
    }
  }
  if (before === 0 && Object.keys(errors).length === 0) errors.p1 = 'A table has two rows at least';
  return errors;
}
const rowsOf = ({ points, rates }: Rows) =>
  ROWS.flatMap((i) =>
    points[i] === undefined || rates[i] === undefined ? [] : [{ points: points[i], bushelsPerHour: rates[i] }],
  );

/** What the dryer can, what it burns, and what it cannot do without. */
export function DryerSetupDrawer({
  placeId,
  kept,
  kgPerBu,
  onClose,
}: {
  placeId: string;
  kept: { readonly revision: number; readonly value: DryerSetup } | undefined;
  kgPerBu: number;
  onClose: () => void;
}) {
  const farm = useFarm();
  const refresh = useRefreshFarm(farm.id);
  const { fields } = DRYER_SETUP;
  const was = kept?.value ?? USUAL_DRYER;
  const form = useFields({
    keptAs: `dryer.${farm.id}.${placeId}`,
    boxes: {
      type: oneOf<DryerSetup['type']>(),
      bushelPointsPerHour: figureBox(fields.bushelPointsPerHour, dryingRate, { per: kgPerBu }),
      mostBushelsPerHour: figureOrNone(fields.mostBushelsPerHour, grainRate, { per: kgPerBu }),
      dryTo: figureBox(fields.dryTo, moisture, { least: 0.05, most: 0.3 }),
      band: figureBox(fields.band, moisture),
      mostStep: figureBox(fields.mostStep, count),
      refillMin: figureOrNone(fields.refillMin, minutes),
      mostPlenum: figureOrNone(fields.mostPlenum, temperature),
      ...rowBoxes(kgPerBu),
      fuel: oneOf<FuelId>(),
      fuelPrice: figureBox(fields.fuelPrice, dollarsTyped),
      fuelPerPointBushel: figureBox(fields.fuelPerPointBushel, count),
      kWhPerPointBushel: figureBox(fields.kWhPerPointBushel, count),
      powerPrice: figureBox(fields.powerPrice, count),
      coolsInBin: yesNo,
    },
    start: () => ({
      type: was.type,
      bushelPointsPerHour: dryingRate.text(was.bushelPointsPerHour, kgPerBu),
      mostBushelsPerHour: grainRate.text(was.mostBushelsPerHour, kgPerBu),
      dryTo: moisture.text(was.dryTo),
      band: moisture.text(was.band),
      mostStep: count.text(was.mostStep),
      refillMin: minutes.text(was.refillMin),
      mostPlenum: temperature.text(was.mostPlenum),
      ...rowTexts(was, kgPerBu),
      fuel: was.fuel,
      fuelPrice: dollarsTyped.text(was.fuelPrice),
      fuelPerPointBushel: count.text(was.fuelPerPointBushel),
      kWhPerPointBushel: count.text(was.kWhPerPointBushel),
      powerPrice: count.text(was.powerPrice),
      coolsInBin: was.coolsInBin,
    }),
    together: (values) => rowErrors(typedRows(values as never)),
    close: onClose,
    save: async ({ mostBushelsPerHour, refillMin, mostPlenum, p0, p1, p2, p3, r0, r1, r2, r3, ...rest }) => {
      const byPoints = rowsOf(typedRows({ p0, p1, p2, p3, r0, r1, r2, r3 } as never));
      const value: DryerSetup = {
        ...rest,
        ...(byPoints.length === 0 ? {} : { byPoints }),
        ...(mostPlenum === undefined ? {} : { mostPlenum }),
        ...(mostBushelsPerHour === undefined ? {} : { mostBushelsPerHour }),
        ...(refillMin === undefined ? {} : { refillMin }),
      };
      await write(farm.id, setting(farm.id, 'dryerSetup', placeId, { revision: kept?.revision ?? 0, value }));
      await refresh();
    },
  });
  const fuel = FUELS[form.texts.fuel];
  const cools = form.choice('coolsInBin');
  return (
    <FormDrawer form={form} title={`${farm.placeName(placeId)}: what it takes`} button="Keep it">
      <SelectBox label="What it is" {...form.box('type')}>
        {DRYER_TYPES.map((type) => (
          <option key={type} value={type}>
            {TYPES[type]}
          </option>
        ))}
      </SelectBox>
      <div className="grid grid-cols-2 gap-3">
        <TextBox label="It takes" className="pr-20" {...form.box('bushelPointsPerHour')} />
        <TextBox label="Unloads at most" hint="blank: no limit" {...form.box('mostBushelsPerHour')} />
        <TextBox label="Dry to" {...form.box('dryTo')} />
        <TextBox label="Leave it alone within" hint="points either way" {...form.box('band')} />
        <TextBox label="Takes a step of at most" {...form.box('mostStep')} unit="points" />
        <TextBox label="Shuts off without wet grain after" hint="blank: not known" {...form.box('refillMin')} />
        <TextBox label="Plenum at most" hint="its book's limit; blank: not known" {...form.box('mostPlenum')} />
      </div>
      <fieldset className="space-y-3 border-t border-rule pt-4">
        <legend className="font-semibold">Its table, where you have one</legend>
        <p className="text-muted">
          What it takes an hour by points taken off, fewest points first. It counts before the one figure above.
        </p>
        {ROWS.map((i) => (
          <div key={i} className="grid grid-cols-2 gap-3">
            <TextBox label={`Points off, row ${i + 1}`} {...form.box(`p${i}`)} unit="points" />
            <TextBox label={`Takes, row ${i + 1}`} {...form.box(`r${i}`)} />
          </div>
        ))}
      </fieldset>
      <fieldset className="space-y-3 border-t border-rule pt-4">
        <legend className="font-semibold">What it burns</legend>
        <SelectBox label="Fuel" {...form.box('fuel')}>
          {DRYER_FUELS.map((one) => (
            <option key={one} value={one}>
              {FUEL_WORDS[one]}
            </option>
          ))}
        </SelectBox>
        <div className="grid grid-cols-2 gap-3">
          <TextBox label={`Price of a ${fuel.unit}`} unit="$" {...form.box('fuelPrice')} />
          <TextBox
            label="For a point and bushel"
            unit={fuel.unit}
            hint={`usual ${number(form.texts.fuel === 'propane' ? 0.02 : form.texts.fuel === 'naturalGas' ? 0.018 : 0.5, 3)}`}
            {...form.box('fuelPerPointBushel')}
          />
          <TextBox label="Electricity a point and bushel" unit="kWh" {...form.box('kWhPerPointBushel')} />
          <TextBox label="Price of a kWh" {...form.box('powerPrice')} unit="$" />
        </div>
      </fieldset>
      <CheckBox checked={cools.value} onChange={cools.onChange}>
        It comes out hot and is cooled in the bin
      </CheckBox>
    </FormDrawer>
  );
}
