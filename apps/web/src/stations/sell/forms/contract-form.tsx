import {
  calendarDay,
  CONTRACT,
  CONTRACT_COUNTS,
  CONTRACT_KINDS,
  type Contract,
  type CropId,
  landOwners,
  OVERAGE_RULES,
  pricedLater,
} from '@fanega/core';
import { useState } from 'react';
import { ulid } from 'ulid';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { setting } from '../../../data/records';
import { bushels, price } from '../../../quantity/quantity';
import { dayTyped } from '../../../quantity/time';
import { Button, SelectBox, TextBox } from '../../../ui';
import { oneOf, rows, words } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { AnyCropBox, BuyerBox } from '../../../widgets/buyer-box';
import { DayBox, dayBox } from '../../../widgets/day-box';
import { figureBox, figureOrNone, recordErrors, textBox } from '../../../widgets/record-boxes';

export const KIND_WORDS: Readonly<Record<Contract['kind'], string>> = {
  flat: 'flat price',
  basisFixed: 'basis fixed, futures open',
  futuresFixed: 'futures fixed, basis open',
  bothFixed: 'futures and basis fixed',
  delayed: 'delayed price: theirs now, priced later',
  storage: 'storage: ours there until it is sold',
};
export const OVERAGE_WORDS: Readonly<Record<Contract['overage'], string>> = {
  spot: 'at the day’s price',
  contract: 'at the contract’s price',
  next: 'on the next contract',
  refused: 'refused',
};

const COUNTS_WORDS: Readonly<Record<(typeof CONTRACT_COUNTS)[number], string>> = {
  all: 'every owner’s in the load',
  own: 'the farm’s own share only',
  named: 'owners named below',
};

const LATER = ['chargePerMonth', 'freeUntil'] as const;
const namesOf = (typed = ''): string[] =>
  typed
    .split(',')
    .map((name) => name.trim())
    .filter((name) => name !== '');

/** A contract as it was signed: whose, what, how much, when, and which parts of its price are fixed. */
export function ContractForm({
  farm,
  kept,
  onClose,
}: {
  farm: Farm;
  kept: { readonly id: string; readonly revision: number; readonly value: Contract } | null;
  onClose: () => void;
}) {
  const refresh = useRefreshFarm(farm.id);
  const [id] = useState(() => kept?.id ?? ulid());
  const { fields } = CONTRACT;
  const was = kept?.value;
  const buyers = farm.data.places.filter(({ kind }) => kind === 'buyer');
  const today = calendarDay(farm.clock(), farm.data.farm.timeZone);
  const [crop, setCrop] = useState<CropId>(was?.crop ?? 'corn');
  const per = farm.kgPerBu(crop);
  const known = [...new Set([farm.data.farm.name, ...landOwners(farm.data.lots)])];
  const form = useFields({
    keptAs: `contract.${farm.id}.${kept?.id ?? 'new'}`,
    boxes: {
      number: textBox(fields.number, 'The number on the contract'),
      buyerId: oneOf<string>(),
      kind: oneOf<Contract['kind']>(),
      price: figureOrNone(fields.price, price, { per, was: was?.price }),
      futures: figureOrNone(fields.futures, price, { per, was: was?.futures }),
      basis: figureOrNone(fields.basis, price, { per, was: was?.basis }),
      fee: figureOrNone(fields.fee, price, { per, was: was?.fee }),
      bushels: figureBox(fields.bushels, bushels, { per, was: was?.bushels }),
      tolerance: figureOrNone(fields.tolerance, bushels, { per, was: was?.tolerance }),
      counts: oneOf<(typeof CONTRACT_COUNTS)[number]>(),
      owners: words(1300),
      chargePerMonth: figureOrNone(fields.chargePerMonth, price, { per, was: was?.chargePerMonth }),
      freeUntil: dayBox(today),
      quality: textBox(fields.quality),
      opens: dayBox(today, 'From which day on?'),
      closes: dayBox(today, 'Until which day?'),
      overage: oneOf<Contract['overage']>(),
      done: oneOf<'open' | 'done'>(),
      note: textBox(fields.note),
      changes: rows(() => ({
        on: dayBox(today, 'From which day on?'),
        closes: dayBox(today),
        bushels: figureOrNone(fields.bushels, bushels, { per }),
        fee: figureOrNone(fields.fee, price, { per }),
        note: textBox(
          { spec: { kind: 'text', least: 1, most: 200, form: 'any' }, optional: false, nullable: false },
          'What was agreed?',
        ),
      })),
    },
    unasked: ({ kind, counts }) => [
      ...(kind === 'delayed' || kind === 'storage'
        ? (['price', 'futures', 'basis', 'fee'] as const)
        : kind === 'flat'
          ? (['futures', 'basis', 'fee', ...LATER] as const)
          : kind === 'basisFixed'
            ? (['price', 'fee', ...LATER] as const)
            : (['price', ...LATER] as const)),
      ...(counts === 'named' ? [] : (['owners'] as const)),
    ],
    start: () => ({
      number: was?.number ?? '',
      buyerId: was?.buyerId ?? buyers[0]?.id ?? '',
      kind: was?.kind ?? 'flat',
      price: price.text(was?.price, per),
      futures: price.text(was?.futures, per),
      basis: price.text(was?.basis, per),
      fee: price.text(was?.fee, per),
      bushels: bushels.text(was?.bushels, per),
      tolerance: bushels.text(was?.tolerance, per),
      counts: was?.counts ?? ('all' as const),
      owners: (was?.owners ?? []).join(', '),
      chargePerMonth: price.text(was?.chargePerMonth, per),
      freeUntil: dayTyped(was?.freeUntil),
      quality: was?.quality ?? '',
      opens: dayTyped(was?.opens),
      closes: dayTyped(was?.closes),
      overage: was?.overage ?? 'spot',
      done: was?.done ? ('done' as const) : ('open' as const),
      note: was?.note ?? '',
      changes: (was?.changes ?? []).map((one) => ({
        on: dayTyped(one.on),
        closes: dayTyped(one.closes),
        bushels: bushels.text(one.bushels, per),
        fee: price.text(one.fee, per),
        note: one.note,
      })),
    }),
    together: (values) => {
      const stranger = namesOf(values.owners).find((name) => !known.includes(name));
      return {
        ...recordErrors(CONTRACT, contractOf(values)),
        ...(values.counts !== 'named' || values.owners === undefined
          ? {}
          : values.owners.trim() === ''
            ? { owners: 'Whose?' }
            : stranger === undefined
              ? {}
              : { owners: `No field has an owner ${stranger}` }),
      };
    },
    close: onClose,
    save: async (values) => {
      await write(
        farm.id,
        setting(farm.id, 'contract', id, { revision: kept?.revision ?? 0, value: contractOf(values) }),
        `contract ${values.number}`,
      );
      await refresh();
    },
  });
  function contractOf(values: {
    readonly number: string;
    readonly buyerId: string;
    readonly kind: Contract['kind'];
    readonly price?: number | undefined;
    readonly futures?: number | undefined;
    readonly basis?: number | undefined;
    readonly fee?: number | undefined;
    readonly bushels: number;
    readonly tolerance?: number | undefined;
    readonly counts: (typeof CONTRACT_COUNTS)[number];
    readonly owners?: string | undefined;
    readonly chargePerMonth?: number | undefined;
    readonly freeUntil?: string | undefined;
    readonly quality: string;
    readonly opens: string;
    readonly closes: string;
    readonly overage: Contract['overage'];
    readonly done: 'open' | 'done';
    readonly note: string;
    readonly changes: readonly {
      readonly on: string;
      readonly closes: string;
      readonly bushels?: number | undefined;
      readonly fee?: number | undefined;
      readonly note: string;
    }[];
  }): Contract {
    const { price: flat, futures, basis, fee, tolerance, counts, done, note, number, changes, ...all } = values;
    const { owners, chargePerMonth, freeUntil, quality, ...rest } = all;
    return {
      ...rest,
      number: number.trim(),
      crop,
      done: done === 'done',
      ...(flat === undefined ? {} : { price: flat }),
      ...(futures === undefined ? {} : { futures }),
      ...(basis === undefined ? {} : { basis }),
      ...(fee === undefined ? {} : { fee }),
      ...(tolerance === undefined ? {} : { tolerance }),
      ...(counts === 'all' ? {} : { counts }),
      ...(counts === 'named' && namesOf(owners).length > 0 ? { owners: namesOf(owners) } : {}),
      ...(chargePerMonth === undefined ? {} : { chargePerMonth }),
      ...(freeUntil === undefined || freeUntil === '' ? {} : { freeUntil }),
      ...(quality.trim() === '' ? {} : { quality: quality.trim() }),
      ...(note.trim() === '' ? {} : { note: note.trim() }),
      ...(changes.length === 0
        ? {}
        : {
            changes: changes.map((one) => ({
              on: one.on,
              note: one.note.trim(),
              ...(one.closes === '' ? {} : { closes: one.closes }),
              ...(one.bushels === undefined ? {} : { bushels: one.bushels }),
              ...(one.fee === undefined ? {} : { fee: one.fee }),
            })),
          }),
    };
  }
  const { kind } = form.texts;
  const later = pricedLater({ kind });
  return (
    <FormDrawer form={form} title={kept ? `Contract ${kept.value.number}` : 'A contract'} button="Keep it">
      <div className="grid grid-cols-2 gap-3">
        <TextBox label="Number" {...form.box('number')} />
        <BuyerBox farm={farm} {...form.box('buyerId')} />
        <AnyCropBox value={crop} onChange={setCrop} />
        <TextBox label="Bushels" {...form.box('bushels')} />
      </div>
      <SelectBox label="Its price" {...form.box('kind')}>
        {CONTRACT_KINDS.map((one) => (
          <option key={one} value={one}>
            {KIND_WORDS[one]}
          </option>
        ))}
      </SelectBox>
      <div className="grid grid-cols-2 gap-3">
        {kind === 'flat' && <TextBox label="Price" {...form.box('price')} />}
        {kind !== 'flat' && !later && (
          <TextBox
            label="Futures"
            hint={kind === 'basisFixed' ? 'blank: not fixed yet' : undefined}
            {...form.box('futures')}
          />
        )}
        {kind !== 'flat' && !later && (
          <TextBox
            label="Basis"
            hint={kind === 'futuresFixed' ? 'blank: not fixed yet' : 'under the futures: with a minus'}
            {...form.box('basis')}
          />
        )}
        {(kind === 'futuresFixed' || kind === 'bothFixed') && <TextBox label="Fee" {...form.box('fee')} />}
        {later && <TextBox label="Charge a month" hint="blank: none" {...form.box('chargePerMonth')} />}
        {later && <DayBox label="Free until" hint="blank: from the dump on" {...form.picked('freeUntil')} />}
      </div>
      <div className="grid grid-cols-2 gap-3">
        <DayBox label="Delivered from" {...form.picked('opens')} />
        <DayBox label="until" {...form.picked('closes')} />
      </div>
      <div className="grid grid-cols-2 gap-3">
        <SelectBox label="Bushels beyond it" {...form.box('overage')}>
          {OVERAGE_RULES.map((one) => (
            <option key={one} value={one}>
              {OVERAGE_WORDS[one]}
            </option>
          ))}
        </SelectBox>
        <TextBox label="At its price beyond it" hint="tolerance; blank: none" {...form.box('tolerance')} />
        <SelectBox label="Whose grain counts" {...form.box('counts')}>
          {CONTRACT_COUNTS.map((one) => (
            <option key={one} value={one}>
              {COUNTS_WORDS[one]}
            </option>
          ))}
        </SelectBox>
        <SelectBox label="It is" {...form.box('done')}>
          <option value="open">open</option>
          <option value="done">done: nothing more goes on it</option>
        </SelectBox>
      </div>
      {form.texts.counts === 'named' && (
        <TextBox label="Owners" hint={`with commas: ${known.join(', ')}`} {...form.box('owners')} />
      )}
      <TextBox label="Grade agreed" hint="blank: as the buyer’s sheet says" {...form.box('quality')} />
      <TextBox label="Note" {...form.box('note')} />
      {form.texts.changes.map((_, i) => (
        <fieldset key={i} className="grid grid-cols-2 gap-3 border-t border-rule pt-3">
          <legend className="font-semibold">Changed since</legend>
          <DayBox label="From" {...form.picked(`changes.${i}.on` as never)} />
          <DayBox label="Delivered until" hint="blank: as it was" {...form.picked(`changes.${i}.closes` as never)} />
          <TextBox label="Bushels" hint="blank: as it was" {...form.box(`changes.${i}.bushels` as never)} />
          <TextBox label="Fee for it" hint="blank: none" {...form.box(`changes.${i}.fee` as never)} />
          <TextBox label="What was agreed" {...form.box(`changes.${i}.note` as never)} />
          <Button
            look="quiet"
            className="self-end !px-0 text-sm"
            onClick={() =>
              form.set(
                'changes',
                form.texts.changes.filter((__, k) => k !== i),
              )
            }
          >
            Leave it out
          </Button>
        </fieldset>
      ))}
      {kept && (
        <Button
          onClick={() =>
            form.set('changes', [
              ...form.texts.changes,
              { on: dayTyped(today), closes: '', bushels: '', fee: '', note: '' },
            ])
          }
        >
          Its terms were changed
        </Button>
      )}
    </FormDrawer>
  );
}
