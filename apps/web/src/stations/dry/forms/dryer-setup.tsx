import { DRYER_FUELS, DRYER_SETUP, DRYER_TYPES, type DryerSetup, FUELS, type FuelId } from '@fanega/core';
import { useFarm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { setting } from '../../../data/records';
import { count, dollarsTyped, dryingRate, grainRate, minutes, moisture, number } from '../../../quantity/quantity';
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
      fuel: was.fuel,
      fuelPrice: dollarsTyped.text(was.fuelPrice),
      fuelPerPointBushel: count.text(was.fuelPerPointBushel),
      kWhPerPointBushel: count.text(was.kWhPerPointBushel),
      powerPrice: count.text(was.powerPrice),
      coolsInBin: was.coolsInBin,
    }),
    close: onClose,
    save: async ({ mostBushelsPerHour, refillMin, ...rest }) => {
      const value: DryerSetup = {
        ...rest,
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
        <TextBox label="Takes a step of at most" unit="points" {...form.box('mostStep')} />
        <TextBox label="Shuts off without wet grain after" hint="blank: not known" {...form.box('refillMin')} />
      </div>
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
          <TextBox label="Price of a kWh" unit="$" {...form.box('powerPrice')} />
        </div>
      </fieldset>
      <CheckBox checked={cools.value} onChange={cools.onChange}>
        It comes out hot and is cooled in the bin
      </CheckBox>
    </FormDrawer>
  );
}
