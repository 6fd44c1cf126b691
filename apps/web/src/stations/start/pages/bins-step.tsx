import { BIN_SETUP, binCapacity, type BinSetup, PLACE_HEADS, PLACE_NAMES, RangeRefusal, STEP_KINDS } from '@fanega/core'; // prettier-ignore
import type { Farm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { setting } from '../../../data/records';
import { bushels, length } from '../../../quantity/quantity';
import { oneOf } from '../../../ui/form/box';
import { type GridRow, isBlank } from '../../../ui/form/grid';
import { capacityBox } from '../../../widgets/capacity';
import { KIND_WORDS } from '../../../widgets/place-words';
import { figureOrNone, textBox } from '../../../widgets/record-boxes';
import { addPlace, kindAmong, placesThere, usePlaceRows } from './places';
import { Step } from './step';

type Column = 'what' | 'name' | 'across' | 'eave' | 'holds';
type Kind = (typeof STEP_KINDS.bins)[number];
const isEmpty = isBlank(['name', 'across', 'eave', 'holds']);
const START: GridRow<Column> = { what: 'bin', name: '', across: '', eave: '', holds: '' };

const EXAMPLE: readonly GridRow<Column>[] = [
  { what: 'wetBin', name: 'Wet bin', across: '', eave: '', holds: '4,500' },
  { what: 'bin', name: 'Bin A', across: '36', eave: '22', holds: '' },
  { what: 'pit', name: 'Pit', across: '', eave: '', holds: '900' },
];

/** A round bin by its diameter and its wall; what it holds follows. */
const setupOf = (diameter: number, eave: number): BinSetup => ({ diameter, eave, hopper: 0 });

/** Bushels level with the eave; null where it is no bin. */
function holdsOf(diameter: number, eave: number): number | null {
  try {
    return binCapacity(setupOf(diameter, eave));
  } catch (error) {
    if (error instanceof RangeRefusal) return null;
    throw error;
  }
}

/** Where grain lies: bins by their size, pits, piles. */
export default function BinsStep({ farm }: { farm: Farm }) {
  const { fields } = BIN_SETUP;
  const form = usePlaceRows(farm, {
    step: 'bins',
    row: () => ({
      what: oneOf<Kind>(),
      name: textBox(PLACE_NAMES.name, 'needs a name'),
      across: figureOrNone(fields.diameter, length),
      eave: figureOrNone(fields.eave, length),
      holds: capacityBox(farm),
    }),
    start: START,
    isEmpty,
    nothing: 'Type a bin, or paste a list of them.',
    wrong: ({ across, eave }) =>
      across.trim() === '' && eave.trim() !== ''
        ? { across: 'how far across is it?' }
        : across.trim() !== '' && eave.trim() === ''
          ? { eave: 'how high is its wall?' }
          : {},
    columnOf: { name: 'name', capacityBu: 'holds', diameter: 'across', eave: 'eave' },
    add: async ({ what, name, across, eave, holds }) => {
      const placeId = await addPlace(farm, { kind: what, name, capacityBu: holds });
      if (across !== undefined && eave !== undefined)
        await write(farm.id, setting(farm.id, 'binSetup', placeId, { revision: 0, value: setupOf(across, eave) }));
    },
  });
  const sized = form.texts.rows.flatMap(({ name, across, eave }) => {
    const [d, h] = [length.read(across, {}).value, length.read(eave, {}).value];
    if (d === undefined || h === undefined) return [];
    const holds = holdsOf(d, h);
    return holds === null ? [] : [`${name.trim() || 'it'} holds ${bushels(holds, farm.kgPerBu(undefined)).text} level with the eave`]; // prettier-ignore
  });
  return (
    <Step<Column>
      question="Where does grain lie?"
      lead="Bins, wet bins, pits, piles. A bin by how far across it is and how high its wall: what it holds follows. Or just what it holds."
      form={form}
      columns={[
        {
          name: 'what',
          label: 'What',
          choices: STEP_KINDS.bins.map((kind) => ({ value: kind, label: KIND_WORDS[kind] })),
          pasted: (text) => kindAmong(STEP_KINDS.bins, text),
        },
        { name: 'name', label: 'Name', wide: 1.6, maxLength: 60, placeholder: 'Bin A' },
        { name: 'across', label: 'Across', unit: length.unit, placeholder: '36' },
        { name: 'eave', label: 'To the eave', unit: length.unit, placeholder: '22' },
        { name: 'holds', label: 'Or it holds', unit: bushels.unit, placeholder: '18,000' },
      ]}
      start={START}
      isEmpty={isEmpty}
      patterns={PLACE_HEADS}
      what="bin"
      example={EXAMPLE}
      there={placesThere(farm, STEP_KINDS.bins)}
    >
      {sized.length > 0 && (
        <p className="mt-3 font-semibold" role="status">
          {sized.join('; ')}.
        </p>
      )}
    </Step>
  );
}
