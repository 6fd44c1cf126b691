import { fieldMoney } from '@fanega/core';
import { useMemo } from 'react';
import type { Farm } from '../../../data/farm';
import { bushels, money, priceText } from '../../../quantity/quantity';
import { Loading } from '../../../ui';
import { useSellBook } from '../../../widgets/use-sell-book';

/** What a field's part of its tickets is worth, and what of it is paid. */
export function LotMoney({ farm, lotId, season, crop }: { farm: Farm; lotId: string; season: number; crop: string }) {
  const book = useSellBook(farm, season);
  const found = useMemo(() => (book ? fieldMoney(book.accounts, lotId) : null), [book, lotId]);
  if (!found) return <Loading what="Adding up its money" />;
  const per = farm.kgPerBu(crop);
  const facts: readonly (readonly [string, string])[] = [
    ['Due, after discounts', money(found.due)],
    ['Paid', money(found.paid)],
    [found.open < 0 ? 'Paid too much' : 'Open', money(Math.abs(found.open))],
    ['Brought', found.mean === null ? '–' : priceText(found.mean, per)],
    ...(found.unpricedBu >= 0.5 ? [['No price yet', bushels(found.unpricedBu, per).text] as const] : []),
  ];
  return (
    <section aria-label="Its money" className="border-b border-ink px-5 py-4 lg:px-6">
      <h2 className="text-sm text-muted">Its money, by its part of each ticket</h2>
      <dl className="mt-1 flex flex-wrap gap-x-10 gap-y-2">
        {facts.map(([what, figure]) => (
          <div key={what}>
            <dt className="text-sm text-muted">{what}</dt>
            <dd className="text-xl font-semibold">{figure}</dd>
          </div>
        ))}
      </dl>
      <p className="mt-1 text-sm text-muted">
        What a buyer takes off a whole check belongs to no one field and is not in it.
      </p>
    </section>
  );
}
