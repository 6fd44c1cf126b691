import { cropOf, type CropId, CROPS, DISPLAY_CHECK, type MonitorPair } from '@fanega/core';
import { useState } from 'react';
import { ulid } from 'ulid';
import { useFarm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { logged } from '../../../data/records';
import { displayUnit, mass, readWeight } from '../../../quantity/quantity';
import { day } from '../../../quantity/time';
import { SelectBox, TextBox } from '../../../ui';
import { type Box, oneOf } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { textBox } from '../../../widgets/record-boxes';
import { TakeBack, useRecorded } from '../../../widgets/take-back';

/** A load that somebody knows without the book: "270 on the display, 250 on the ticket". */
export function DisplayCheckDrawer({
  machineId,
  crop,
  typed,
  onClose,
}: {
  machineId: string;
  crop: string;
  /** Those that were typed so far. */
  typed: readonly MonitorPair[];
  onClose: () => void;
}) {
  const farm = useFarm();
  const refresh = useRefreshFarm(farm.id);
  const recorded = useRecorded();
  const [id] = useState(ulid);
  const crops = [...new Set([crop, ...farm.data.lots.map((lot) => lot.crop)])].filter((one) => one in CROPS);
  const [per, setPer] = useState(() => farm.kgPerBu(crop));
  const unit = displayUnit();
  const load = (missing: string): Box<number | undefined> => ({
    read: (text) => {
      if (text.trim() === '') return { error: missing };
      const { kg, error } = readWeight(text, unit, per);
      return kg === undefined ? { error: error ?? missing } : { value: kg };
    },
    control: { unit, inputMode: 'decimal' },
  });
  const form = useFields({
    keptAs: `display.${farm.id}.${machineId}`,
    boxes: {
      crop: oneOf<string>(),
      display: load('What did the display show?'),
      scale: load('What did the scale weigh?'),
      note: textBox(DISPLAY_CHECK.fields.note),
    },
    start: () => ({ crop, display: '', scale: '', note: '' }),
    close: onClose,
    save: async (values) => {
      const body = {
        id,
        at: new Date(farm.clock()).toISOString(),
        machineId,
        crop: values.crop as CropId,
        displayKg: values.display!,
        scaleKg: values.scale!,
        ...(values.note === '' ? {} : { note: values.note }),
      };
      await write(farm.id, logged(farm.id, 'displayCheck', body), 'display beside the scale');
      recorded('Pair recorded', 'displayCheck', id);
      await refresh();
    },
  });
  return (
    <FormDrawer
      form={form}
      title="Display against a scale"
      button="Record the pair"
      after={
        typed.length > 0 && (
          <ul className="divide-y divide-rule border-y border-rule" aria-label="Typed pairs">
            {typed.map((pair) => (
              <li key={pair.id} className="flex items-center justify-between gap-3">
                <span>
                  {day(pair.atMs, farm.data.farm.timeZone)}, {cropOf(pair.crop)?.short ?? pair.crop}: display{' '}
                  {mass(pair.monitorKg).text}, scale <b>{mass(pair.scaleKg).text}</b>
                </span>
                <TakeBack of="displayCheck" id={pair.id} />
              </li>
            ))}
          </ul>
        )
      }
    >
      <p className="text-muted">
        For loads that are not in the book: last season&rsquo;s, or a check made at the elevator. A display is off by
        another factor in each crop.
      </p>
      <SelectBox
        label="Crop"
        {...form.box('crop')}
        onChange={(event) => {
          form.set('crop', event.target.value);
          setPer(farm.kgPerBu(event.target.value));
        }}
      >
        {crops.map((one) => (
          <option key={one} value={one}>
            {cropOf(one)?.short ?? one}
          </option>
        ))}
      </SelectBox>
      <div className="grid grid-cols-2 gap-3">
        <TextBox label="Display showed" {...form.box('display')} />
        <TextBox label="Scale weighed" {...form.box('scale')} />
      </div>
      <TextBox label="Where it comes from" {...form.box('note')} />
    </FormDrawer>
  );
}
