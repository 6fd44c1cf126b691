import {
  APPRAISAL,
  APPRAISED,
  type Appraisal,
  BIN_MEASUREMENT,
  calendarDay,
  type InsurancePolicy,
  LOSS_NOTICE,
  type UnitProduction,
} from '@fanega/core';
import { useState } from 'react';
import { ulid } from 'ulid';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { logged } from '../../../data/records';
import { area, cropYield, length, testWeight } from '../../../quantity/quantity';
import { dayTyped, momentTyped } from '../../../quantity/time';
import { SelectBox, TextBox } from '../../../ui';
import { oneOf } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { DayBox, dayBox } from '../../../widgets/day-box';
import { figureBox, moistureBox, pastBox, recordErrors, textBox } from '../../../widgets/record-boxes';

const noNote = (note: string) => (note === '' ? {} : { note });

/** Production that was appraised in the field. */
export function AppraisalForm({
  farm,
  units,
  onClose,
}: {
  farm: Farm;
  units: readonly UnitProduction[];
  onClose: () => void;
}) {
  const refresh = useRefreshFarm(farm.id);
  const [id] = useState(() => ulid());
  const { fields } = APPRAISAL;
  const per = farm.kgPerBu(units[0]?.policy.crop);
  const form = useFields({
    keptAs: `appraisal.${farm.id}`,
    boxes: {
      unit: oneOf<string>(),
      why: oneOf<Appraisal['why']>(),
      acres: figureBox(fields.acres, area),
      perAcre: figureBox(fields.perAcre, cropYield, { per }),
      note: textBox(fields.note),
    },
    start: () => ({ unit: units[0]?.id ?? '', why: 'unharvested' as const, acres: '', perAcre: '', note: '' }),
    close: onClose,
    save: async ({ note, ...values }) => {
      const body = { id, at: new Date(farm.clock()).toISOString(), ...values, ...noNote(note) };
      await write(farm.id, logged(farm.id, 'appraisal', body), 'an appraisal');
      await refresh();
    },
  });
  return (
    <FormDrawer form={form} title="Appraised in the field" button="Keep it">
      <SelectBox label="Unit" {...form.box('unit')}>
        {units.map(({ id: of, unit }) => (
          <option key={of} value={of}>
            {unit.number}
          </option>
        ))}
      </SelectBox>
      <SelectBox label="Why" {...form.box('why')}>
        {APPRAISED.map((why) => (
          <option key={why} value={why}>
            {why === 'unharvested' ? 'acres that are not cut' : 'lost by a cause that is not insured'}
          </option>
        ))}
      </SelectBox>
      <div className="grid grid-cols-2 gap-3">
        <TextBox label="Acres" {...form.box('acres')} />
        <TextBox label="Appraised yield" {...form.box('perAcre')} />
      </div>
      <TextBox label="Note" {...form.box('note')} />
    </FormDrawer>
  );
}

/** A loss that was seen: the policy's days run from it. */
export function NoticeForm({
  farm,
  policies,
  onClose,
}: {
  farm: Farm;
  policies: readonly { readonly id: string; readonly value: InsurancePolicy }[];
  onClose: () => void;
}) {
  const refresh = useRefreshFarm(farm.id);
  const [id] = useState(() => ulid());
  const today = calendarDay(farm.clock(), farm.data.farm.timeZone);
  const noticeOf = ({ toldOn, ...values }: { readonly policy: string; readonly cause: string; readonly seenOn: string; readonly toldOn: string }) => ({
    id,
    at: new Date(farm.clock()).toISOString(),
    ...values,
    ...(toldOn === '' ? {} : { toldOn }),
  }); // prettier-ignore
  const form = useFields({
    keptAs: `notice.${farm.id}`,
    boxes: {
      policy: oneOf<string>(),
      cause: textBox(LOSS_NOTICE.fields.cause, 'What was it? Wind, hail, drought …'),
      seenOn: dayBox(today, 'When was it seen?'),
      toldOn: dayBox(today),
    },
    start: () => ({ policy: policies[0]?.id ?? '', cause: '', seenOn: dayTyped(today), toldOn: '' }),
    together: (values) => recordErrors(LOSS_NOTICE, noticeOf(values)),
    close: onClose,
    save: async (values) => {
      await write(farm.id, logged(farm.id, 'lossNotice', noticeOf(values)), 'a loss');
      await refresh();
    },
  });
  const { texts, set } = form;
  return (
    <FormDrawer form={form} title="A loss was seen" button="Keep it">
      <SelectBox label="Policy" {...form.box('policy')}>
        {policies.map((one) => (
          <option key={one.id} value={one.id}>
            {one.value.number}
          </option>
        ))}
      </SelectBox>
      <TextBox label="Cause" {...form.box('cause')} />
      <DayBox
        label="Seen on"
        value={texts.seenOn}
        error={form.box('seenOn').error}
        onChange={(day) => set('seenOn', day)}
      />
      <DayBox
        label="The insurer was told on"
        hint="blank: not yet"
        value={texts.toldOn}
        error={form.box('toldOn').error}
        onChange={(day) => set('toldOn', day)}
      />
    </FormDrawer>
  );
}

/** A bin measured for the insurer. */
export function MeasureForm({ farm, season, onClose }: { farm: Farm; season: number; onClose: () => void }) {
  const refresh = useRefreshFarm(farm.id);
  const [id] = useState(() => ulid());
  const { fields } = BIN_MEASUREMENT;
  const { timeZone } = farm.data.farm;
  const bins = farm.data.places.filter(({ kind }) => ['bin', 'wetBin', 'overhead', 'pile'].includes(kind));
  const around = (placeId: string): string => {
    const across = farm.place(placeId)?.diameterM;
    return across ? length.text(Math.PI * across) : '';
  };
  const form = useFields({
    keptAs: `measure.${farm.id}`,
    boxes: {
      placeId: oneOf<string>(),
      at: pastBox(timeZone, () => farm.clock()),
      circumference: figureBox(fields.circumference, length),
      depth: figureBox(fields.depth, length),
      moisture: moistureBox('The sample’s moisture'),
      testWeight: figureBox(fields.testWeight, testWeight),
      note: textBox(fields.note),
    },
    start: () => ({
      placeId: bins[0]?.id ?? '',
      at: momentTyped(farm.clock(), timeZone),
      circumference: around(bins[0]?.id ?? ''),
      depth: '',
      moisture: '',
      testWeight: '',
      note: '',
    }),
    close: onClose,
    save: async ({ at, note, moisture, ...values }) => {
      const body = { id, at: new Date(at ?? farm.clock()).toISOString(), cropYear: season, ...values, moisture: moisture!, ...noNote(note) }; // prettier-ignore
      await write(farm.id, logged(farm.id, 'binMeasurement', body), `${farm.placeName(values.placeId)} measured`);
      await refresh();
    },
  });
  const { texts, set } = form;
  const place = form.box('placeId');
  return (
    <FormDrawer form={form} title="Measure a bin" button="Keep it">
      <p className="text-sm text-muted">
        Level the grain first, or measure the peak and count it as a third. Stay out of a bin whose unloader can start;
        read depth from the hatch.
      </p>
      <SelectBox
        label="Bin"
        {...place}
        onChange={(event) => {
          set('placeId', event.target.value);
          set('circumference', around(event.target.value));
        }}
      >
        {bins.map((bin) => (
          <option key={bin.id} value={bin.id}>
            {bin.name}
          </option>
        ))}
      </SelectBox>
      <TextBox label="When" {...form.box('at')} />
      <div className="grid grid-cols-2 gap-3">
        <TextBox label="Around it" {...form.box('circumference')} />
        <TextBox label="Depth of level grain" {...form.box('depth')} />
        <TextBox label="Moisture" unit="%" inputMode="decimal" {...form.box('moisture')} />
        <TextBox label="Test weight" {...form.box('testWeight')} />
      </div>
      <TextBox
        label="Note"
        hint="who was there"
        value={texts.note}
        onChange={(event) => set('note', event.target.value)}
      />
    </FormDrawer>
  );
}
