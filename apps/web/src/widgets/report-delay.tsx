import type { ChainLink } from '@fanega/core';
import { useRef, useState } from 'react';
import { ulid } from 'ulid';
import { post } from '../data/api';
import { type Farm, useRefreshFarm } from '../data/farm';
import { useSend } from '../data/use-send';
import type { Beside } from '../outbox';
import { SelectBox, TextBox } from '../ui';
import { FormSheet } from '../ui/form-sheet';
import { DELAY_LINKS, DELAY_WORDS } from './chain-facts';
import { parseNumber } from './quantity';
import { useRecorded } from './take-back';

/** Something stands, or will be late: the day is planned anew, and everybody sees it. */
export function ReportDelay({
  farm,
  machineId: own,
  onClose,
  onKeep,
}: {
  farm: Farm;
  /** Whose delay it is, where one reports his own. */
  machineId?: string;
  onClose: () => void;
  /** Out of reach of a tower it waits on the device. */
  onKeep?: (beside: Beside, what: string) => void;
}) {
  const refresh = useRefreshFarm(farm.id);
  const recorded = useRecorded();
  const sending = useSend();
  const id = useRef(ulid());
  const [link, setLink] = useState<ChainLink>(() => (({ combine: 'combine', cart: 'cart', dryer: 'dryer' }) as const)[farm.place(own ?? '')?.kind as 'cart'] ?? 'trucks');
  const [machineId, setMachine] = useState(own ?? '');
  const [minutes, setMinutes] = useState('30');
  const [reason, setReason] = useState('');
  const kind = link === 'trucks' ? 'truck' : link;
  const machines = farm.data.places.filter((place) => place.kind === kind);
  const value = parseNumber(minutes);
  const wrong = value >= 1 && value <= 1440 ? undefined : 'Minutes, from 1 to 1,440';
  const report = async (): Promise<void> => {
    if (wrong) return;
    const body = {
      id: id.current,
      at: new Date(farm.clock()).toISOString(),
      link,
      minutes: value,
      ...(machineId === '' ? {} : { machineId }),
      ...(reason.trim() === '' ? {} : { reason: reason.trim() }),
    };
    if (onKeep) return onKeep({ path: 'notes/delay', body }, DELAY_WORDS[link] ?? link);
    if (!(await sending.send(() => post<{ noteId: string }>(`/farms/${farm.id}/notes/delay`, body)))) return;
    recorded(`${DELAY_WORDS[link]}: the day is planned anew`, `notes/${body.id}`);
    await refresh();
    onClose();
  };
  return (
    <FormSheet title="Report a delay" button="Plan the day anew" busy={sending.busy} problem={sending.message} onSubmit={report} onClose={onClose}>
      <SelectBox
        label="What"
        value={link}
        onChange={(event) => {
          setLink(event.target.value as ChainLink);
          setMachine('');
        }}
      >
        {DELAY_LINKS.map((one) => (
          <option key={one} value={one}>
            {DELAY_WORDS[one]}
          </option>
        ))}
      </SelectBox>
      {machines.length > 0 && (
        <SelectBox label="Which" value={machineId} onChange={(event) => setMachine(event.target.value)}>
          <option value="">all of them</option>
          {machines.map((machine) => (
            <option key={machine.id} value={machine.id}>
              {machine.name}
            </option>
          ))}
        </SelectBox>
      )}
      <TextBox
        label="For how long, from now"
        unit="min"
        inputMode="numeric"
        value={minutes}
        error={wrong ?? sending.at.minutes}
        onChange={(event) => setMinutes(event.target.value)}
      />
      <TextBox label="Why, if you like" maxLength={200} value={reason} onChange={(event) => setReason(event.target.value)} />
    </FormSheet>
  );
}
