import {
  ACCEPTED_LOSS,
  acceptedLoss,
  bushelsPerAcreToKgPerHa,
  COMBINE_HEAD,
  COMBINE_PROFILE,
  type CombineProfile,
  type Crop,
  type CropId,
  cropOf,
  kgPerHaToBushelsPerAcre,
  kilogramsPerBushel,
  SETTING_NAMES,
  type SettingEntry,
  widthOfRows,
} from '@fanega/core';
import { useMemo } from 'react';
import { useFieldArray } from 'react-hook-form';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { setting } from '../../../data/records';
import { Button, Choices, TextBox } from '../../../ui';
import { type Box, oneOf, rows, type Texts, type Values } from '../../../ui/form/box';
import { type Fields, useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import {
  bushels,
  count,
  grainRate,
  length,
  loss,
  mass,
  share,
  spacing,
  speed,
  system,
} from '../../../quantity/quantity';
import { figureBox, figureOrNone, recordErrors, textBox } from '../../../widgets/record-boxes';
import { SHOWN } from '../words';
import { settingBox, settingTyped } from './setting-box';

/** kg/ha of a bushel an acre. */
const buPerAcre = (crop: Crop): number => bushelsPerAcreToKgPerHa(1, crop.legalPounds);
/** Rows stand from 5 to 60 inches apart, m. */
const APART = { least: 0.127, most: 1.524 };

/** Words with commas between. */
const listBox: Box<string[]> = {
  read: (typed) => ({
    value: typed
      .split(',')
      .map((word) => word.trim())
      .filter((word) => word !== ''),
  }),
};

/** The boxes of a profile, with the record's own limits. */
function profileBoxes(was: CombineProfile, kgPerBu: number, crops: readonly Crop[]) {
  const { fields } = COMBINE_PROFILE;
  return {
    kind: oneOf<'rotary' | 'conventional'>(),
    goodRate: figureBox(fields.goodRate, grainRate, {
      per: kgPerBu,
      times: kgPerBu,
      least: kgPerBu,
      was: was.goodRate > 0 ? was.goodRate : null,
    }),
    speedLimit: figureBox(fields.speedLimit, speed, { was: was.speedLimit }),
    tankBu: figureBox(fields.tankBu, bushels, { per: kgPerBu, was: was.tankBu }),
    ratedKg: figureOrNone(fields.ratedKg, mass, { was: was.ratedKg }),
    fieldEfficiency: figureBox(fields.fieldEfficiency, share, { was: was.fieldEfficiency }),
    accepted: rows((i) => {
      const crop = crops[i]!;
      return {
        loss: figureOrNone(ACCEPTED_LOSS, loss, {
          per: kilogramsPerBushel(crop.legalPounds),
          times: buPerAcre(crop),
          was: was.acceptedLoss?.[crop.id as CropId],
        }),
      };
    }),
    heads: rows((i) => {
      const head = was.heads?.[i];
      return {
        name: textBox(COMBINE_HEAD.name, 'The head needs a name'),
        width: figureOrNone(COMBINE_HEAD.width, length, { was: head?.rows ? null : head?.width }),
        rows: figureOrNone(COMBINE_HEAD.rows, count),
        apart: figureOrNone(COMBINE_HEAD.width, spacing, { ...APART, was: head?.rows ? head.width / head.rows : null }),
      };
    }),
    ranges: rows((i) => {
      const name = SETTING_NAMES[i]!;
      const range = was.ranges[name];
      return { least: settingBox(name, { was: range?.[0] }), most: settingBox(name, { was: range?.[1] }) };
    }),
    concaves: listBox,
    sieves: listBox,
  };
}
type ProfileBoxes = ReturnType<typeof profileBoxes>;

const profileTexts = (was: CombineProfile, kgPerBu: number, crops: readonly Crop[]): Texts<ProfileBoxes> => ({
  kind: was.kind,
  goodRate: was.goodRate > 0 ? grainRate.text(was.goodRate / kgPerBu, kgPerBu) : '',
  speedLimit: speed.text(was.speedLimit),
  tankBu: bushels.text(was.tankBu, kgPerBu),
  ratedKg: mass.text(was.ratedKg),
  fieldEfficiency: share.text(was.fieldEfficiency),
  accepted: crops.map((crop) => ({
    loss: loss.text(
      kgPerHaToBushelsPerAcre(acceptedLoss(was, crop), crop.legalPounds),
      kilogramsPerBushel(crop.legalPounds),
    ),
  })),
  heads: (was.heads ?? []).map((head) => ({
    name: head.name,
    width: head.rows ? '' : length.text(head.width),
    rows: head.rows ? String(head.rows) : '',
    apart: head.rows ? spacing.text(head.width / head.rows) : '',
  })),
  ranges: SETTING_NAMES.map((name) => ({
    least: settingTyped(name, was.ranges[name]?.[0]),
    most: settingTyped(name, was.ranges[name]?.[1]),
  })),
  concaves: (was.concaves ?? []).join(', '),
  sieves: (was.sieves ?? []).join(', '),
});

function wrongOf(values: Values<ProfileBoxes>): Record<string, string> {
  const errors: Record<string, string> = {};
  values.heads.forEach((head, i) => {
    if (head.width === undefined && head.rows === undefined) errors[`heads.${i}.width`] = 'Its width, or rows';
    else if (head.rows !== undefined && head.apart === undefined) errors[`heads.${i}.apart`] = 'How far apart?';
  });
  values.ranges.forEach(({ least, most }, i) => {
    const half = (least === undefined) !== (most === undefined);
    if (half || (least !== undefined && least > most!)) errors[`ranges.${i}.least`] = 'Its least and its most';
  });
  return errors;
}

/** The record of what was read; the head that was confirmed stays on where it still is the same one. */
function profileOf(
  { heads: typed, ranges, accepted, ratedKg, ...values }: Values<ProfileBoxes>,
  was: CombineProfile,
  crops: readonly Crop[],
): CombineProfile {
  const heads = typed.map(({ name, width, rows: count, apart }) =>
    count === undefined ? { name, width: width! } : { name, rows: count, width: widthOfRows(count, apart!) },
  );
  const on = heads.find((head) => head.name === was.headOn);
  const unchanged = on && Math.abs(on.width - was.headWidth) < 1e-6;
  return {
    ...values,
    ...(ratedKg === undefined ? {} : { ratedKg }),
    // Of a crop that the farm does not grow this year, what was set stays.
    acceptedLoss: {
      ...was.acceptedLoss,
      ...Object.fromEntries(
        crops.flatMap(({ id }, i) => (accepted[i]?.loss === undefined ? [] : [[id, accepted[i].loss]])),
      ),
    },
    heads,
    headWidth: on?.width ?? heads[0]?.width ?? was.headWidth,
    headConfirmed: unchanged || heads.length === 0 ? was.headConfirmed : '',
    ranges: Object.fromEntries(
      SETTING_NAMES.flatMap((name, i) => {
        const { least, most } = ranges[i]!;
        return least === undefined || most === undefined ? [] : [[name, [least, most]]];
      }),
    ),
    ...(on ? { headOn: on.name } : {}),
  };
}

/** What the machine is and can do; the heads by width, or by rows and their spacing. */
export function ProfileDrawer({
  farm,
  machineId,
  kept,
  kgPerBu,
  onClose,
}: {
  farm: Farm;
  machineId: string;
  kept: SettingEntry<'combineProfile'>;
  kgPerBu: number;
  onClose: () => void;
}) {
  const { value: was, revision } = kept;
  const crops = useMemo(
    () => [...new Set(farm.data.lots.map((lot) => lot.crop))].flatMap((id) => cropOf(id) ?? []),
    [farm.data.lots],
  );
  const refresh = useRefreshFarm(farm.id);
  const form = useFields({
    keptAs: `profile.${farm.id}.${machineId}.${system()}`,
    boxes: profileBoxes(was, kgPerBu, crops),
    start: () => profileTexts(was, kgPerBu, crops),
    together: (values) => {
      const errors = wrongOf(values);
      return Object.keys(errors).length > 0 ? errors : recordErrors(COMBINE_PROFILE, profileOf(values, was, crops));
    },
    close: onClose,
    save: async (values) => {
      const value = profileOf(values, was, crops);
      await write(farm.id, setting(farm.id, 'combineProfile', machineId, { revision, value }));
      await refresh();
    },
  });
  return (
    <FormDrawer form={form} title={farm.placeName(machineId)} button="Save the profile">
      <Choices
        label="It threshes with a"
        {...form.choice('kind')}
        choices={[
          { value: 'rotary', label: 'Rotor' },
          { value: 'conventional', label: 'Cylinder and walkers' },
        ]}
      />
      <div className="grid grid-cols-2 gap-3">
        <TextBox label="Good rate" {...form.box('goodRate')} />
        <TextBox label="Fastest on rough ground" {...form.box('speedLimit')} />
        <TextBox label="Tank" {...form.box('tankBu')} />
        <TextBox label="It may weigh" hint="by the operator’s manual" {...form.box('ratedKg')} />
        <TextBox label="Cutting, of field time" {...form.box('fieldEfficiency')} />
        {crops.map((crop, i) => (
          <TextBox key={crop.id} label={`Loss you accept, ${crop.short}`} {...form.box(`accepted.${i}.loss`)} />
        ))}
      </div>
      <Heads form={form} />
      <fieldset className="space-y-2 border-t border-rule pt-4">
        <legend className="font-semibold">What its settings can do</legend>
        {SETTING_NAMES.map((name, i) => (
          <div key={name} className="grid grid-cols-[1fr_5rem_5rem_2.5rem] items-center gap-2">
            <span>{SHOWN[name].label}</span>
            {(['least', 'most'] as const).map((end) => {
              const { unit: _, error, ...box } = form.box(`ranges.${i}.${end}`);
              return (
                <input
                  key={end}
                  aria-label={`${SHOWN[name].label}, ${end}`}
                  aria-invalid={error !== undefined}
                  className="min-h-11 rounded-[3px] border border-ink px-2 aria-[invalid=true]:border-2 aria-[invalid=true]:border-clay"
                  {...box}
                />
              );
            })}
            <span className="text-sm text-muted">{SHOWN[name].unit}</span>
            {(form.errorAt(`ranges.${i}.least`) ?? form.errorAt(`ranges.${i}.most`)) && (
              <p role="alert" className="col-span-4 text-sm font-semibold text-clay">
                {form.errorAt(`ranges.${i}.least`) ?? form.errorAt(`ranges.${i}.most`)}
              </p>
            )}
          </div>
        ))}
      </fieldset>
      <TextBox label="Concaves and cover plates" hint="with commas between" {...form.box('concaves')} />
      <TextBox label="Chaffers and sieves" hint="with commas between" {...form.box('sieves')} />
    </FormDrawer>
  );
}

/** Each by its width, or by its rows and how far apart they stand: what is typed into one takes the other out. */
function Heads({ form }: { form: Fields<ProfileBoxes> }) {
  const { fields, append } = useFieldArray({ control: form.control, name: 'heads' });
  const { heads } = form.texts;
  const set = (i: number, change: Partial<(typeof heads)[number]>): void =>
    form.set(
      'heads',
      heads.map((head, k) => (k === i ? { ...head, ...change } : head)),
    );
  return (
    <fieldset className="space-y-3 border-t border-rule pt-4">
      <legend className="font-semibold">Heads: width, or rows and how far apart</legend>
      {fields.map((head, i) => (
        <div key={head.id} className="grid grid-cols-[1fr_4.5rem_4rem_4.5rem] gap-2">
          <TextBox label="Name" {...form.box(`heads.${i}.name`)} />
          <TextBox
            label={length.unit}
            inputMode="decimal"
            {...form.picked(`heads.${i}.width`)}
            onChange={(event) => set(i, { width: event.target.value, rows: '', apart: '' })}
          />
          <TextBox
            label="rows"
            inputMode="numeric"
            {...form.picked(`heads.${i}.rows`)}
            onChange={(event) => set(i, { rows: event.target.value, width: '' })}
          />
          <TextBox
            label={spacing.unit}
            inputMode="decimal"
            {...form.picked(`heads.${i}.apart`)}
            onChange={(event) => set(i, { apart: event.target.value, width: '' })}
          />
        </div>
      ))}
      <Button onClick={() => append({ name: '', width: '', rows: '', apart: '' })}>Add a head</Button>
    </fieldset>
  );
}
