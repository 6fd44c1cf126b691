import { type FieldRecords, type PlaceInfo, usualEmptyWeight } from '@fanega/core';
import { ulid } from 'ulid';
import type { Farm } from '../../../data/farm';
import { type Draft, emptyDraft, readDraft } from '../../../widgets/record/draft';
import { Button, TextBox } from '../../../ui';
import { asTyped, words } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { bushels, grain, guessText, mass, readWeight, scaleUnit } from '../../../quantity/quantity';
import { PadDrawer } from './pad-drawer';
import { usePad } from './use-pad';
import type { Unstamped } from '../words';

type Name = 'gross' | 'tare' | 'moisture' | 'ticket';
const NAMES: Readonly<Record<Name, string>> = {
  gross: 'the gross',
  tare: 'the tare',
  moisture: 'the moisture',
  ticket: 'the ticket’s number',
};

/** What the buyer's ticket says, on a pad; or that it comes later, and the truck is empty all the same. */
export function TicketPad({
  farm,
  notebook,
  me,
  buyerId,
  onClose,
  onRecord,
}: {
  farm: Farm;
  notebook: FieldRecords | undefined;
  me: PlaceInfo;
  buyerId: string;
  onClose: () => void;
  onRecord: (entry: Unstamped) => void;
}) {
  const held = farm.held(me.id);
  const kgPerBu = farm.kgPerBu(farm.cropOf(held.lots));
  const tare = usualEmptyWeight(farm.data.tape, notebook, me.id);
  const draftOf = (texts: Record<Name, string>): Draft =>
    emptyDraft(ulid, { kind: 'move', from: me.id, to: buyerId, amount: 'gross', emptied: true, ...texts });
  const form = useFields({
    // The same boxes as in Record, read together by its own rules.
    boxes: { gross: asTyped(mass.unit), tare: asTyped(mass.unit), moisture: asTyped('%'), ticket: words(40) },
    start: () => ({
      gross: '',
      tare: tare === null ? '' : guessText(tare, scaleUnit()),
      moisture: '',
      ticket: '',
    }),
    together: (_, texts): Record<string, string> => readDraft(draftOf(texts), farm, farm.clock()).errors,
    close: onClose,
    save: (_, texts) => {
      const { entry } = readDraft(draftOf(texts), farm, farm.clock());
      onRecord({ ...entry! });
      return Promise.resolve(false);
    },
  });
  const pad = usePad(form, 'gross');
  const gross = readWeight(form.texts.gross, scaleUnit(), kgPerBu);
  const empty = readWeight(form.texts.tare, scaleUnit(), kgPerBu);
  const net = gross.kg === undefined || empty.kg === undefined ? null : gross.kg - empty.kg;
  return (
    <PadDrawer
      form={form}
      title={`Ticket at ${farm.placeName(buyerId)}`}
      onKey={pad.onKey}
      below={
        <Button className="w-full" onClick={() => onRecord({ type: 'move', from: me.id, to: buyerId })}>
          Dumped, the ticket comes later
        </Button>
      }
    >
      <div className="grid grid-cols-2 gap-3">
        <TextBox label="Gross" {...pad.box('gross')} />
        <TextBox label="Tare" {...pad.box('tare')} />
        <TextBox label="Moisture" {...pad.box('moisture')} />
        <TextBox label="Ticket number" {...pad.box('ticket')} inputMode="text" />
      </div>
      <p>
        {net !== null && net > 0 ? (
          <>
            <b className="text-2xl">{grain(net, kgPerBu).figure}</b> {bushels.unit} net,{' '}
            {grain(held.wetKg, kgPerBu).figure} by the book.{' '}
          </>
        ) : (
          `${grain(held.wetKg, kgPerBu)} by the book. `
        )}
        <span className="text-sm text-muted">
          The pad types into <b>{NAMES[pad.into]}</b>.
        </span>
      </p>
    </PadDrawer>
  );
}
