import { calendarDay, type CropId, HEDGE, type Hedge } from '@fanega/core';
import { useState } from 'react';
import { ulid } from 'ulid';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { setting } from '../../../data/records';
import { bushels, price } from '../../../quantity/quantity';
import { dayTyped } from '../../../quantity/time';
import { SelectBox, TextBox } from '../../../ui';
import { oneOf } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { AnyCropBox } from '../../../widgets/buyer-box';
import { DayBox, dayBox } from '../../../widgets/day-box';
import { figureBox, figureOrNone, recordErrors, textBox } from '../../../widgets/record-boxes';

export const HEDGE_WORDS: Readonly<Record<Hedge['what'], string>> = { futures: 'futures', put: 'puts', call: 'calls' };

/** A position of the hedge account, as its statement says. */
export function HedgeForm({
  farm,
  crop: ofCrop,
  kept,
  onClose,
}: {
  farm: Farm;
  crop: CropId;
  kept: { readonly id: string; readonly revision: number; readonly value: Hedge } | null;
  onClose: () => void;
}) {
  const refresh = useRefreshFarm(farm.id);
  const [id] = useState(() => kept?.id ?? ulid());
  const { fields } = HEDGE;
  const was = kept?.value;
  const [crop, setCrop] = useState<CropId>(was?.crop ?? ofCrop);
  const per = farm.kgPerBu(crop);
  const today = calendarDay(farm.clock(), farm.data.farm.timeZone);
  interface Values {
    readonly what: Hedge['what'];
    readonly side: Hedge['side'];
    readonly month: string;
    readonly bushels: number;
    readonly price: number;
    readonly strike?: number | undefined;
    readonly on: string;
    readonly closedPrice?: number | undefined;
    readonly closedOn: string;
    readonly fee?: number | undefined;
  }
  const hedgeOf = ({ strike, closedPrice, closedOn, fee, ...values }: Values): Hedge => ({
    ...values,
    crop,
    ...(strike === undefined ? {} : { strike }),
    ...(closedPrice === undefined ? {} : { closedPrice }),
    ...(closedOn === '' ? {} : { closedOn }),
    ...(fee === undefined ? {} : { fee }),
  });
  const form = useFields({
    keptAs: `hedge.${farm.id}.${kept?.id ?? 'new'}`,
    boxes: {
      what: oneOf<Hedge['what']>(),
      side: oneOf<Hedge['side']>(),
      month: textBox(fields.month, 'Which month?'),
      bushels: figureBox(fields.bushels, bushels, { per, was: was?.bushels }),
      price: figureBox(fields.price, price, { per, was: was?.price }),
      strike: figureOrNone(fields.strike, price, { per, was: was?.strike }),
      on: dayBox(today, 'When was it made?'),
      closedPrice: figureOrNone(fields.closedPrice, price, { per, was: was?.closedPrice }),
      closedOn: dayBox(today),
      fee: figureOrNone(fields.fee, price, { per, was: was?.fee }),
    },
    unasked: ({ what }) => (what === 'futures' ? ['strike'] : []),
    start: () => ({
      what: was?.what ?? ('futures' as const),
      side: was?.side ?? ('sold' as const),
      month: was?.month ?? '',
      bushels: bushels.text(was?.bushels, per),
      price: price.text(was?.price, per),
      strike: price.text(was?.strike, per),
      on: dayTyped(was?.on ?? today),
      closedPrice: price.text(was?.closedPrice, per),
      closedOn: dayTyped(was?.closedOn),
      fee: price.text(was?.fee, per),
    }),
    together: (values) => recordErrors(HEDGE, hedgeOf(values)),
    close: onClose,
    save: async (values) => {
      await write(farm.id, setting(farm.id, 'hedge', id, { revision: kept?.revision ?? 0, value: hedgeOf(values) }));
      await refresh();
    },
  });
  return (
    <FormDrawer form={form} title="A position of the hedge account" button="Keep it">
      <div className="grid grid-cols-2 gap-3">
        <AnyCropBox value={crop} onChange={setCrop} />
        <SelectBox label="It is" {...form.box('what')}>
          {Object.entries(HEDGE_WORDS).map(([what, words]) => (
            <option key={what} value={what}>
              {words}
            </option>
          ))}
        </SelectBox>
        <SelectBox label="Side" {...form.box('side')}>
          <option value="sold">sold</option>
          <option value="bought">bought</option>
        </SelectBox>
        <TextBox label="Month" hint="like Dec 2026" {...form.box('month')} />
        <TextBox label="Bushels" {...form.box('bushels')} />
        <TextBox label={form.texts.what === 'futures' ? 'Price' : 'Premium'} {...form.box('price')} />
        {form.texts.what !== 'futures' && <TextBox label="Strike" {...form.box('strike')} />}
        <TextBox label="Fee" {...form.box('fee')} />
        <DayBox label="Made on" {...form.picked('on')} />
        <DayBox label="Closed on" hint="blank: open" {...form.picked('closedOn')} />
        <TextBox label="Closed at" {...form.box('closedPrice')} />
      </div>
    </FormDrawer>
  );
}
