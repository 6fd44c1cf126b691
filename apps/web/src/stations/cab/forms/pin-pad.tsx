import { currentSeason, PIN_KINDS, type PinKind, POOR_METERS } from '@fanega/core';
import { useState } from 'react';
import { ulid } from 'ulid';
import { logged } from '../../../data/records';
import { ground } from '../../../quantity/quantity';
import { Button, Problem, SelectBox, TextBox } from '../../../ui';
import { Dictate } from '../../../widgets/dictate';
import { Drawer } from '../../../ui/drawer';
import { useHere } from '../../../ui/use-here';
import { say } from '../../../words';
import type { PadGiven } from './pad-drawer';

/** From how far a spot is warned of, m: a combine at 4 mph has ten seconds and more. */
const WARN = { softSpot: 60, rock: 40, washout: 60, lowWire: 80, doublePlanted: 60, other: 50 } as const satisfies Record<PinKind, number>; // prettier-ignore

/** A spot to be warned of, where this device stands: two taps, with or without a signal. */
export function PinPad({ farm, lotId, onClose, onKeep }: PadGiven & { readonly lotId: string | undefined }) {
  const here = useHere(true);
  const season = farm.lot(lotId ?? '')?.season ?? currentSeason(farm.data.lots);
  const lots = farm.data.lots.filter((lot) => lot.season === season);
  const [fieldId, setField] = useState(farm.lot(lotId ?? '')?.fieldId ?? lots[0]?.fieldId ?? '');
  const [note, setNote] = useState('');
  const poor = typeof here === 'object' && here.accuracy > POOR_METERS;
  const mark = (kind: PinKind): void => {
    if (typeof here !== 'object') return;
    const body = {
      id: ulid(),
      at: new Date(farm.clock()).toISOString(),
      fieldId,
      kind,
      lon: here.lon,
      lat: here.lat,
      accuracy: Math.round(here.accuracy),
      note: note.trim(),
      warnWithin: WARN[kind],
    };
    onKeep(logged(farm.id, 'fieldPin', body), say('pinKept', { what: say(`pin_${kind}`) }));
  };
  return (
    <Drawer open title={say('way_pin')} onClose={onClose}>
      <div className="space-y-3 px-4 py-4">
        <SelectBox label={say('field')} value={fieldId} onChange={(event) => setField(event.target.value)}>
          {lots.map((lot) => (
            <option key={lot.id} value={lot.fieldId}>
              {lot.tag} {lot.fieldName}
            </option>
          ))}
        </SelectBox>
        <TextBox
          label={say('pinNote')}
          maxLength={120}
          value={note}
          onChange={(event) => setNote(event.target.value)}
        />
        <Dictate text={note} most={120} onText={setNote} />
        {here === 'waits' && <p role="status">{say('positionWaits')}</p>}
        {here === 'none' && <Problem>{say('positionNone')}</Problem>}
        {poor && <p className="font-semibold">◐ {say('positionPoor', { length: ground(here.accuracy).text })}</p>}
        <h3 className="text-lg font-semibold">{say('pinKind')}</h3>
        <div className="grid grid-cols-2 gap-3">
          {PIN_KINDS.map((kind) => (
            <Button
              key={kind}
              className="!min-h-16 !text-lg"
              disabled={typeof here !== 'object'}
              onClick={() => mark(kind)}
            >
              {say(`pin_${kind}`)}
            </Button>
          ))}
        </div>
      </div>
    </Drawer>
  );
}
