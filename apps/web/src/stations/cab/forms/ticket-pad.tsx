import { type FieldRecords, type PlaceInfo, usualEmptyWeight } from '@fanega/core';
import { useState } from 'react';
import { ulid } from 'ulid';
import type { Farm } from '../../../data/farm';
import { emptyDraft, readDraft } from '../../../widgets/record';
import { Button, TextBox } from '../../../ui';
import { typed } from '../../../widgets/number-pad';
import { bushels, grain, guessText, mass, readWeight, scaleUnit } from '../../../quantity/quantity';
import { PadDrawer } from './pad-drawer';
import type { Unstamped } from '../words';

type Box = 'gross' | 'tare' | 'moisture' | 'ticket';
const NAMES: Readonly<Record<Box, string>> = {
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
  const [texts, setTexts] = useState<Record<Box, string>>({
    gross: '',
    tare: tare === null ? '' : guessText(tare, scaleUnit()),
    moisture: '',
    ticket: '',
  });
  const [box, setBox] = useState<Box>('gross');
  const [fresh, setFresh] = useState(true);
  const [wrong, setWrong] = useState<Partial<Record<Box, string>>>({});
  const put = (key: Box, text: string): void => {
    setTexts({ ...texts, [key]: text });
    setFresh(false);
    setWrong({});
  };
  const gross = readWeight(texts.gross, scaleUnit(), kgPerBu);
  const empty = readWeight(texts.tare, scaleUnit(), kgPerBu);
  const net = gross.kg === undefined || empty.kg === undefined ? null : gross.kg - empty.kg;
  const save = (): void => {
    const draft = emptyDraft(ulid, {
      kind: 'move',
      from: me.id,
      to: buyerId,
      amount: 'gross',
      emptied: true,
      ...texts,
    });
    const { entry, errors } = readDraft(draft, farm, farm.clock());
    setWrong(errors);
    if (entry) onRecord({ ...entry });
  };
  const field = (key: Box, label: string, unit?: string) => (
    <TextBox
      label={label}
      unit={unit}
      inputMode={key === 'ticket' ? 'text' : 'none'}
      maxLength={key === 'ticket' ? 40 : undefined}
      value={texts[key]}
      error={wrong[key]}
      onFocus={() => {
        setBox(key);
        setFresh(true);
      }}
      onChange={(event) => put(key, event.target.value)}
    />
  );
  return (
    <PadDrawer
      title={`Ticket at ${farm.placeName(buyerId)}`}
      onKey={(key) => put(box, typed(texts[box], key, fresh))}
      below={
        <Button className="w-full" onClick={() => onRecord({ type: 'move', from: me.id, to: buyerId })}>
          Dumped, the ticket comes later
        </Button>
      }
      onSubmit={save}
      onClose={onClose}
    >
      <div className="grid grid-cols-2 gap-3">
        {field('gross', 'Gross', mass.unit)}
        {field('tare', 'Tare', mass.unit)}
        {field('moisture', 'Moisture', '%')}
        {field('ticket', 'Ticket number')}
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
          The pad types into <b>{NAMES[box]}</b>.
        </span>
      </p>
    </PadDrawer>
  );
}
