import { type ContractNow, pricedLater, PRICE_FIX, type PriceFix } from '@fanega/core';
import { useState } from 'react';
import { ulid } from 'ulid';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { logged } from '../../../data/records';
import { bushels, price } from '../../../quantity/quantity';
import { moment, momentTyped } from '../../../quantity/time';
import { Choices, TextBox } from '../../../ui';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { TakeBack } from '../../../widgets/take-back';
import { figureBox, figureOrNone, pastBox, textBox } from '../../../widgets/record-boxes';

const PART_WORDS: Readonly<Record<PriceFix['part'], { readonly label: string; readonly said: string }>> = {
  futures: { label: 'Futures', said: 'futures' },
  basis: { label: 'Basis', said: 'basis' },
  cash: { label: 'Cash price', said: 'sold' },
};

/** Fixes what is open of a contract's price, for all of its bushels or a part of them; one fix after the other. */
export function FixForm({
  farm,
  one,
  fixes,
  onClose,
}: {
  farm: Farm;
  one: ContractNow;
  fixes: readonly PriceFix[];
  onClose: () => void;
}) {
  const refresh = useRefreshFarm(farm.id);
  const { contract, parts } = one;
  const per = farm.kgPerBu(contract.crop);
  const { fields } = PRICE_FIX;
  const open = {
    futures: Math.max(0, contract.bushels - parts.futures.bushels),
    basis: Math.max(0, contract.bushels - parts.basis.bushels),
    // A cash price fixes both.
    cash: Math.max(0, contract.bushels - parts.priced),
  };
  const [part, setPart] = useState<PriceFix['part']>(
    pricedLater(contract) ? 'cash' : open.futures > 0 ? 'futures' : 'basis',
  );
  const { timeZone } = farm.data.farm;
  const form = useFields({
    keptAs: `fix.${farm.id}.${one.id}`,
    boxes: {
      price: figureBox(part === 'basis' ? fields.price : { ...fields.price, spec: { ...fields.price.spec, least: 0 } as never }, price, { per, missing: 'At which price?' }), // prettier-ignore
      bushels: figureBox(fields.bushels, bushels, { per, most: Math.max(1, Math.ceil(open[part])) }),
      fee: figureOrNone(fields.fee, price, { per }),
      at: pastBox(timeZone, farm.clock),
      note: textBox(fields.note),
    },
    start: () => ({ price: '', bushels: bushels.text(Math.round(open[part]), per), fee: '', at: '', note: '' }),
    close: onClose,
    save: async ({ price: at, bushels: much, fee, at: when, note }) => {
      await write(
        farm.id,
        logged(farm.id, 'priceFix', {
          id: ulid(),
          at: new Date(when ?? farm.clock()).toISOString(),
          contractId: one.id,
          part,
          price: at,
          bushels: much,
          ...(fee === undefined ? {} : { fee }),
          ...(note === '' ? {} : { note }),
        }),
        `price of ${contract.number}`,
      );
      await refresh();
    },
  });
  const words = PART_WORDS[part];
  return (
    <FormDrawer form={form} title={`Fix the price of ${contract.number}`} button="Fix it">
      {part !== 'cash' && open.futures > 0 && open.basis > 0 && (
        <Choices
          label="What is fixed"
          value={part}
          onChange={(next: PriceFix['part']) => {
            setPart(next);
            form.set('bushels', bushels.text(Math.round(open[next]), per));
          }}
          choices={[
            { value: 'futures', label: 'futures' },
            { value: 'basis', label: 'basis' },
          ]}
        />
      )}
      <div className="grid grid-cols-2 gap-3">
        <TextBox label={words.label} {...form.box('price')} />
        <TextBox
          label="Bushels"
          hint={`${bushels(Math.round(open[part]), per).text} of it are open`}
          {...form.box('bushels')}
        />
        <TextBox label="Fee" hint="blank: none" {...form.box('fee')} />
        <TextBox label="When" hint={`blank: now, ${momentTyped(farm.clock(), timeZone)}`} {...form.box('at')} />
      </div>
      <TextBox label="Note" {...form.box('note')} />
      {fixes.length > 0 && (
        <ul className="border-t border-rule pt-3" aria-label="Fixed before">
          {fixes.map((fix) => (
            <li key={fix.id} className="flex flex-wrap items-baseline justify-between gap-x-4 py-1">
              <span>
                {moment(fix.at, timeZone)}: {bushels(fix.bushels, per).text}, {PART_WORDS[fix.part].said} at{' '}
                {price(fix.price, per).text}
              </span>
              <TakeBack of="priceFix" id={fix.id} />
            </li>
          ))}
        </ul>
      )}
    </FormDrawer>
  );
}
