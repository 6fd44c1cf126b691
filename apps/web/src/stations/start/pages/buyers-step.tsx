import { PLACE_HEADS, PLACE_NAMES, STEP_KINDS } from '@fanega/core';
import { Link } from 'react-router';
import type { Farm } from '../../../data/farm';
import { type GridRow, isBlank } from '../../../ui/form/grid';
import { textBox } from '../../../widgets/record-boxes';
import { addPlace, placesThere, usePlaceRows } from './places';
import { Step } from './step';

const isEmpty = isBlank(['name']);
const START: GridRow<'name'> = { name: '' };

/** Who takes grain. */
export default function BuyersStep({ farm }: { farm: Farm }) {
  const form = usePlaceRows(farm, {
    step: 'buyers',
    row: () => ({ name: textBox(PLACE_NAMES.name, 'needs a name') }),
    start: START,
    isEmpty,
    nothing: 'Type a buyer, or paste a list of them.',
    columnOf: { name: 'name' },
    add: ({ name }) => addPlace(farm, { kind: 'buyer', name }),
  });
  return (
    <Step<'name'>
      question="Who buys it?"
      lead="Elevators, mills, feeders: each place where a ticket is written. None yet is fine too."
      form={form}
      columns={[{ name: 'name', label: 'Buyer', maxLength: 60, placeholder: 'Redbud Elevator' }]}
      start={START}
      isEmpty={isEmpty}
      patterns={PLACE_HEADS}
      what="buyer"
      example={[{ name: 'Redbud Elevator' }, { name: 'Whistling Duck Feed Mill' }]}
      there={placesThere(farm, STEP_KINDS.buyers)}
    >
      <p className="mt-2 text-muted">
        Hours, discounts and bids are typed later, in{' '}
        <Link to="/sell/buyers" className="underline decoration-rule underline-offset-4">
          Sell, Buyers
        </Link>
        .
      </p>
    </Step>
  );
}
