import { DRYER_SAMPLE } from '@fanega/core';
import { useState } from 'react';
import { ulid } from 'ulid';
import { useFarm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { logged } from '../../../data/records';
import { count, grainRate, temperature } from '../../../quantity/quantity';
import { TextBox } from '../../../ui';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { figureOrNone, moistureBox, pastBox, recordErrors, textBox } from '../../../widgets/record-boxes';
import { useRecorded } from '../../../widgets/take-back';

/** What somebody reads at the dryer: any of it. */
export function SampleDrawer({
  placeId,
  kgPerBu,
  meterUnit,
  onClose,
}: {
  placeId: string;
  kgPerBu: number;
  meterUnit: string;
  onClose: () => void;
}) {
  const farm = useFarm();
  const refresh = useRefreshFarm(farm.id);
  const recorded = useRecorded();
  const [id] = useState(ulid);
  const { fields } = DRYER_SAMPLE;
  const bodyOf = (values: {
    at: number | undefined;
    moistureIn: number | undefined;
    moistureOut: number | undefined;
    plenum: number | undefined;
    bushelsPerHour: number | undefined;
    fuelMeter: number | undefined;
    note: string;
  }) => {
    const { at, note, ...figures } = values;
    return {
      id,
      at: new Date(at ?? farm.clock()).toISOString(),
      placeId,
      ...Object.fromEntries(Object.entries(figures).filter(([, value]) => value !== undefined)),
      ...(note === '' ? {} : { note }),
    };
  };
  const form = useFields({
    keptAs: `sample.${farm.id}.${placeId}`,
    boxes: {
      moistureOut: moistureBox(),
      moistureIn: moistureBox(),
      plenum: figureOrNone(fields.plenum, temperature),
      bushelsPerHour: figureOrNone(fields.bushelsPerHour, grainRate, { per: kgPerBu }),
      fuelMeter: figureOrNone(fields.fuelMeter, count),
      at: pastBox(farm.data.farm.timeZone, () => farm.clock()),
      note: textBox(fields.note),
    },
    start: () => ({ moistureOut: '', moistureIn: '', plenum: '', bushelsPerHour: '', fuelMeter: '', at: '', note: '' }),
    together: (values) => recordErrors(DRYER_SAMPLE, bodyOf(values)),
    close: onClose,
    save: async (values) => {
      await write(farm.id, logged(farm.id, 'dryerSample', bodyOf(values)), 'a sample at the dryer');
      recorded('Sample recorded', 'dryerSample', id);
      await refresh();
    },
  });
  return (
    <FormDrawer form={form} title={`A sample at ${farm.placeName(placeId)}`} button="Record the sample">
      <div className="grid grid-cols-2 gap-3">
        <TextBox label="Coming out" {...form.box('moistureOut')} />
        <TextBox label="Going in" {...form.box('moistureIn')} />
        <TextBox label="Plenum" {...form.box('plenum')} />
        <TextBox label="It does" {...form.box('bushelsPerHour')} />
        <TextBox label="Fuel meter" unit={meterUnit} {...form.box('fuelMeter')} />
        <TextBox label="When" hint="blank: now" {...form.box('at')} />
      </div>
      <TextBox label="Note" {...form.box('note')} />
    </FormDrawer>
  );
}
