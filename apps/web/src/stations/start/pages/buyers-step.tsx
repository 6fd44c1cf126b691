import { PLACE_HEADS, PLACE_NAMES, STEP_KINDS } from '@fanega/core';
import { Link } from 'react-router';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { rows } from '../../../ui/form/box';
import { type GridRow, isBlank } from '../../../ui/form/grid';
import { useFields } from '../../../ui/form/use-fields';
import { textBox } from '../../../widgets/record-boxes';
import { addPlace, nameTwice, placesThere } from './places';
import { saveEach, Step } from './step';

const isEmpty = isBlank(['name']);
const START: GridRow<'name'> = { name: '' };

/** Who takes grain. */
export default function BuyersStep({ farm }: { farm: Farm }) {
  const refresh = useRefreshFarm(farm.id);
  const form = useFields({
    keptAs: `start.buyers.${farm.id}`,
    boxes: { rows: rows(() => ({ name: textBox(PLACE_NAMES.name, 'needs a name') }), isEmpty as never) },
    start: () => ({ rows: [START] as never }),
    together: (_, { rows: typed }) => nameTwice(farm, typed, isEmpty, 'Type a buyer, or paste a list of them.'),
    boxOf: (field) => (field === 'name' ? 'rows.0.name' : undefined),
    save: async ({ rows: read }, { rows: typed }) => {
      await saveEach(
        typed.filter((row) => !isEmpty(row)),
        read,
        (left) => form.set('rows', [...left, START] as never),
        async ({ name }) => void (await addPlace(farm, { kind: 'buyer', name })),
      ).finally(refresh);
    },
  });
  return (
    <Step<'name'>
      question="Who buys it?"
      lead="Elevators, mills, feeders: each place where a ticket is written. None yet is fine too."
      form={form as never}
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
