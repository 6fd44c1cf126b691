import { PLACE_HEADS, PLACE_NAMES, STEP_KINDS } from '@fanega/core';
import { Link } from 'react-router';
import { type Farm, useShed } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { setting } from '../../../data/records';
import { bushels } from '../../../quantity/quantity';
import { oneOf } from '../../../ui/form/box';
import { type GridRow, isBlank } from '../../../ui/form/grid';
import { QueryBoundary } from '../../../ui/query-boundary';
import { capacityBox } from '../../../widgets/capacity';
import { KIND_WORDS } from '../../../widgets/place-words';
import { newMachine } from '../../../widgets/new-machine';
import { textBox } from '../../../widgets/record-boxes';
import { addPlace, kindAmong, placesThere, usePlaceRows } from './places';
import { Step } from './step';

type Column = 'what' | 'name' | 'holds';
type Kind = (typeof STEP_KINDS.machines)[number];
const isEmpty = isBlank(['name', 'holds']);
const START: GridRow<Column> = { what: 'combine', name: '', holds: '' };

const EXAMPLE: readonly GridRow<Column>[] = [
  { what: 'combine', name: 'Combine 1', holds: '350' },
  { what: 'cart', name: 'Cart 1', holds: '1,100' },
  { what: 'truck', name: 'Truck 1', holds: '940' },
  { what: 'dryer', name: 'Dryer', holds: '500' },
];

/** Combines, carts, trucks, dryers: each is a vessel of the book and a machine of the shed. */
export default function MachinesStep({ farm }: { farm: Farm }) {
  return (
    <QueryBoundary answer={useShed()} what="Looking into the shed">
      {(shed) => <Machines farm={farm} shed={shed} />}
    </QueryBoundary>
  );
}

function Machines({ farm, shed }: { farm: Farm; shed: NonNullable<ReturnType<typeof useShed>['data']> }) {
  const form = usePlaceRows(farm, {
    step: 'machines',
    row: () => ({ what: oneOf<Kind>(), name: textBox(PLACE_NAMES.name, 'needs a name'), holds: capacityBox(farm) }),
    start: START,
    isEmpty,
    nothing: 'Type a machine, or paste a list of them.',
    columnOf: { name: 'name', capacityBu: 'holds' },
    add: async ({ what, name, holds }) => {
      const placeId = await addPlace(farm, { kind: what, name, capacityBu: holds });
      // The place brought its machine along, with nothing to see to yet.
      const value = newMachine(farm, shed, placeId, { kind: what, name, placeId });
      await write(farm.id, setting(farm.id, 'machine', placeId, { revision: 1, value }));
    },
  });
  return (
    <Step<Column>
      question="What cuts, carries and dries?"
      lead="Combines, grain carts, trucks and dryers: whatever holds grain on its way. How much each holds may be a guess; it shows when one is full."
      form={form}
      columns={[
        {
          name: 'what',
          label: 'What',
          choices: STEP_KINDS.machines.map((kind) => ({ value: kind, label: KIND_WORDS[kind] })),
          pasted: (text) => kindAmong(STEP_KINDS.machines, text),
        },
        { name: 'name', label: 'Name', wide: 2, maxLength: 60, placeholder: 'Combine 1' },
        { name: 'holds', label: 'Holds', unit: bushels.unit, placeholder: '400' },
      ]}
      start={START}
      isEmpty={isEmpty}
      patterns={PLACE_HEADS}
      what="machine"
      example={EXAMPLE}
      there={placesThere(farm, STEP_KINDS.machines)}
    >
      <p className="mt-2 text-muted">
        Each also comes into the{' '}
        <Link to="/shed" className="underline decoration-rule underline-offset-4">
          Shed
        </Link>{' '}
        with the usual lines to see to before harvest.
      </p>
    </Step>
  );
}
