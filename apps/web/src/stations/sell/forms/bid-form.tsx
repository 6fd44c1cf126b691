import { BID, type BuyerBid, calendarDay, type CropId } from '@fanega/core';
import { useState } from 'react';
import { ulid } from 'ulid';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { logged } from '../../../data/records';
import { price } from '../../../quantity/quantity';
import { dayTyped } from '../../../quantity/time';
import { Choices, TextBox } from '../../../ui';
import { oneOf } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { AnyCropBox, BuyerBox } from '../../../widgets/buyer-box';
import { DayBox, dayBox } from '../../../widgets/day-box';
import { figureOrNone, recordErrors, textBox } from '../../../widgets/record-boxes';

/** Days that a bid is for where nobody says otherwise: the rest of this month and the next. */
const USUAL_DAYS = 30;

/** What a buyer bids for a crop: cash, or futures of a month and his basis. */
export function BidForm({
  farm,
  buyerId,
  crop: ofCrop,
  onClose,
}: {
  farm: Farm;
  buyerId: string;
  crop: CropId;
  onClose: () => void;
}) {
  const refresh = useRefreshFarm(farm.id);
  const { fields } = BID;
  const [id] = useState(ulid);
  const [crop, setCrop] = useState<CropId>(ofCrop);
  const [kind, setKind] = useState<'cash' | 'basis'>('cash');
  const per = farm.kgPerBu(crop);
  const { timeZone } = farm.data.farm;
  const today = calendarDay(farm.clock(), timeZone);
  const bidOf = ({ month, validUntil, ...values }: Values): BuyerBid => ({
    id,
    at: new Date(farm.clock()).toISOString(),
    crop,
    buyerId: values.buyerId,
    from: values.from,
    until: values.until,
    ...(validUntil === '' ? {} : { validUntil }),
    ...(kind === 'cash'
      ? values.price === undefined
        ? {}
        : { price: values.price }
      : {
          ...(values.futures === undefined ? {} : { futures: values.futures }),
          ...(values.basis === undefined ? {} : { basis: values.basis }),
          ...(month.trim() === '' ? {} : { month: month.trim() }),
        }),
  });
  interface Values {
    readonly buyerId: string;
    readonly price: number | undefined;
    readonly futures: number | undefined;
    readonly basis: number | undefined;
    readonly month: string;
    readonly from: string;
    readonly until: string;
    readonly validUntil: string;
  }
  const form = useFields({
    keptAs: `bid.${farm.id}`,
    boxes: {
      buyerId: oneOf<string>(),
      price: figureOrNone(fields.price, price, { per }),
      futures: figureOrNone(fields.futures, price, { per }),
      basis: figureOrNone(fields.basis, price, { per }),
      month: textBox(fields.month),
      from: dayBox(today, 'For grain from which day?'),
      until: dayBox(today, 'Until which day?'),
      validUntil: dayBox(today),
    },
    unasked: () => (kind === 'cash' ? ['futures', 'basis'] : ['price']),
    start: () => ({
      buyerId,
      price: '',
      futures: '',
      basis: '',
      month: '',
      from: dayTyped(today),
      until: dayTyped(calendarDay(farm.clock() + USUAL_DAYS * 86_400_000, timeZone)),
      validUntil: '',
    }),
    together: (values) => recordErrors(BID, bidOf(values)),
    close: onClose,
    save: async (values) => {
      await write(farm.id, logged(farm.id, 'bid', bidOf(values)), `bid of ${farm.placeName(values.buyerId)}`);
      await refresh();
    },
  });
  return (
    <FormDrawer form={form} title="A bid" button="Keep the bid">
      <div className="grid grid-cols-2 gap-3">
        <BuyerBox farm={farm} {...form.box('buyerId')} />
        <AnyCropBox value={crop} onChange={setCrop} />
      </div>
      <Choices
        label="He bids"
        value={kind}
        onChange={setKind}
        choices={[
          { value: 'cash', label: 'cash' },
          { value: 'basis', label: 'futures and basis' },
        ]}
      />
      <div className="grid grid-cols-2 gap-3">
        {kind === 'cash' ? (
          <TextBox label="Cash price" {...form.box('price')} />
        ) : (
          <>
            <TextBox label="Futures" {...form.box('futures')} />
            <TextBox label="Basis" hint="under the futures: with a minus" {...form.box('basis')} />
            <TextBox label="Futures month" hint="like Dec 2026" {...form.box('month')} />
          </>
        )}
      </div>
      <div className="grid grid-cols-2 gap-3">
        <DayBox label="For grain from" {...form.picked('from')} />
        <DayBox label="until" {...form.picked('until')} />
        <DayBox label="The bid stands until" hint="blank: until the next" {...form.picked('validUntil')} />
      </div>
    </FormDrawer>
  );
}
