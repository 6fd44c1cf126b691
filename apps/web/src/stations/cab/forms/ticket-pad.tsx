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
import { say } from '../../../words';

type Name = 'gross' | 'tare' | 'moisture' | 'ticket';
const NAMES = { gross: 'padGross', tare: 'padTare', moisture: 'padMoisture', ticket: 'padTicket' } as const;

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
      title={say('ticketAt', { place: farm.placeName(buyerId) })}
      onKey={pad.onKey}
      below={
        <Button className="w-full" onClick={() => onRecord({ type: 'move', from: me.id, to: buyerId })}>
          {say('ticketLater')}
        </Button>
      }
    >
      <div className="grid grid-cols-2 gap-3">
        <TextBox label={say('gross')} {...pad.box('gross')} />
        <TextBox label={say('tare')} {...pad.box('tare')} />
        <TextBox label={say('moisture')} {...pad.box('moisture')} />
        <TextBox label={say('ticketNumber')} {...pad.box('ticket')} inputMode="text" />
      </div>
      <p>
        {net !== null && net > 0 ? (
          <>
            <b className="text-2xl">{grain(net, kgPerBu).figure}</b> {bushels.unit} {say('net')},{' '}
            {say('byBook', { much: grain(held.wetKg, kgPerBu).figure })}{' '}
          </>
        ) : (
          `${say('byBook', { much: grain(held.wetKg, kgPerBu).text })} `
        )}
        <span className="text-sm text-muted">
          {say('padInto')} <b>{say(NAMES[pad.into])}</b>.
        </span>
      </p>
    </PadDrawer>
  );
}
