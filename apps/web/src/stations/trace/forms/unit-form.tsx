import { INSURANCE_UNIT, type InsurancePolicy, type InsuranceUnit, UNIT_KINDS } from '@fanega/core';
import { useState } from 'react';
import { ulid } from 'ulid';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { setting } from '../../../data/records';
import { area, cropYield, share } from '../../../quantity/quantity';
import { SelectBox, TextBox } from '../../../ui';
import { CheckBox } from '../../../ui/check-box';
import { type Box, oneOf } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { figureBox, figureOrNone, recordErrors, textBox } from '../../../widgets/record-boxes';

const KIND_WORDS: Readonly<Record<InsuranceUnit['kind'], string>> = {
  optional: 'optional, by section or farm number',
  basic: 'basic, by county and share',
  enterprise: 'enterprise, all of the crop in the county',
};

/** Fields that are ticked, as their ids with a space between them. */
const fieldsBox: Box<readonly string[]> = {
  read: (typed) => {
    const ids = typed.split(' ').filter(Boolean);
    return ids.length === 0 ? { error: 'At least one field' } : { value: ids };
  },
};

/** The fields that are insured together. */
export function UnitForm({
  farm,
  policies,
  taken,
  kept,
  onClose,
}: {
  farm: Farm;
  policies: readonly { readonly id: string; readonly value: InsurancePolicy }[];
  /** Unit number by lot, of other units. */
  taken: ReadonlyMap<string, string>;
  kept: { readonly id: string; readonly revision: number; readonly value: InsuranceUnit } | null;
  onClose: () => void;
}) {
  const refresh = useRefreshFarm(farm.id);
  const [id] = useState(() => kept?.id ?? ulid());
  const { fields } = INSURANCE_UNIT;
  const was = kept?.value;
  const unitOf = ({ acres, quality, lots, ...values }: Omit<InsuranceUnit, 'acres' | 'quality'> & { readonly acres?: number | undefined; readonly quality?: number | undefined }): InsuranceUnit => ({
    ...values,
    lots: [...lots],
    ...(acres === undefined ? {} : { acres }),
    ...(quality === undefined ? {} : { quality }),
  }); // prettier-ignore
  const form = useFields({
    keptAs: `unit.${farm.id}.${kept?.id ?? 'new'}`,
    boxes: {
      policy: oneOf<string>(),
      number: textBox(fields.number, 'Its number'),
      kind: oneOf<InsuranceUnit['kind']>(),
      lots: fieldsBox,
      share: figureBox(fields.share, share, { was: was?.share }),
      acres: figureOrNone(fields.acres, area, { was: was?.acres }),
      approvedYield: figureBox(fields.approvedYield, cropYield, { per: farm.kgPerBu(policies.find((one) => one.id === (was?.policy ?? policies[0]?.id))?.value.crop), was: was?.approvedYield }), // prettier-ignore
      quality: figureOrNone(fields.quality, share, { was: was?.quality }),
    },
    start: () => ({
      policy: was?.policy ?? policies[0]?.id ?? '',
      number: was?.number ?? '',
      kind: was?.kind ?? ('optional' as const),
      lots: (was?.lots ?? []).join(' '),
      share: share.text(was?.share ?? 1),
      acres: area.text(was?.acres),
      approvedYield: cropYield.text(was?.approvedYield, farm.kgPerBu(policies[0]?.value.crop)),
      quality: share.text(was?.quality),
    }),
    together: (values) => recordErrors(INSURANCE_UNIT, unitOf(values)),
    close: onClose,
    save: async (values) => {
      await write(farm.id, setting(farm.id, 'insuranceUnit', id, { revision: kept?.revision ?? 0, value: unitOf(values) }), `unit ${values.number}`); // prettier-ignore
      await refresh();
    },
  });
  const { texts, set } = form;
  const policy = policies.find((one) => one.id === texts.policy)?.value;
  const ticked = new Set(texts.lots.split(' ').filter(Boolean));
  const lots = farm.data.lots.filter((lot) => lot.season === policy?.season && lot.crop === policy.crop);
  return (
    <FormDrawer form={form} title="A unit" button="Keep it">
      <SelectBox label="Policy" {...form.box('policy')}>
        {policies.map((one) => (
          <option key={one.id} value={one.id}>
            {one.value.number}
          </option>
        ))}
      </SelectBox>
      <div className="grid grid-cols-2 gap-3">
        <TextBox label="Unit number" {...form.box('number')} />
        <TextBox label="Share" hint="of the crop that is the insured’s" {...form.box('share')} />
      </div>
      <SelectBox label="It is" {...form.box('kind')}>
        {UNIT_KINDS.map((kind) => (
          <option key={kind} value={kind}>
            {KIND_WORDS[kind]}
          </option>
        ))}
      </SelectBox>
      <fieldset>
        <legend className="font-semibold">Its fields</legend>
        {lots.length === 0 && <p className="text-muted">No field of {policy?.season} has this crop.</p>}
        {lots.map((lot) => (
          <CheckBox
            key={lot.id}
            checked={ticked.has(lot.id)}
            onChange={(on) =>
              set(
                'lots',
                [...lots.map((one) => one.id).filter((one) => (one === lot.id ? on : ticked.has(one)))].join(' '),
              )
            }
          >
            {lot.fieldName}, {area(lot.acres).text}
            {taken.has(lot.id) && <span className="text-clay">, in unit {taken.get(lot.id)} already</span>}
          </CheckBox>
        ))}
        {form.box('lots').error && (
          <p role="alert" className="font-semibold text-clay">
            {form.box('lots').error}
          </p>
        )}
      </fieldset>
      <div className="grid grid-cols-2 gap-3">
        <TextBox label="Approved yield" {...form.box('approvedYield')} />
        <TextBox label="Insured acres" hint="blank: those of its fields" {...form.box('acres')} />
        <TextBox label="Quality factor" hint="by the adjuster’s table; blank: 100" {...form.box('quality')} />
      </div>
    </FormDrawer>
  );
}
