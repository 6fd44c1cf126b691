import type { ChainLink } from '@fanega/core';
import { useRef, useState } from 'react';
import { ulid } from 'ulid';
import type { Command } from '../data/api';
import { type Farm, useRefreshFarm } from '../data/farm';
import { useSend } from '../data/use-send';
import { SelectBox, TextBox } from '../ui';
import { FormDrawer } from '../ui/form-drawer';
import { parseNumber } from '../quantity/quantity';
import { useRecorded } from './take-back';
import { DELAY_LINKS, DELAY_WORDS } from './chain-words';
import { logged } from '../data/records';
import { write } from '../data/outbox';

/** Something stands, or will be late: the day is planned again, and everybody sees it. */
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
  onKeep?: (command: Command, what: string) => void;
}) {
  const refresh = useRefreshFarm(farm.id);
  const recorded = useRecorded();
  const sending = useSend();
  const id = useRef(ulid());
  const [link, setLink] = useState<ChainLink>(
    () =>
      (({ combine: 'combine', cart: 'cart', dryer: 'dryer' }) as const)[farm.place(own ?? '')?.kind as 'cart'] ??
      'trucks',
  );
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
    const command = logged(farm.id, 'delay', body);
    const what = DELAY_WORDS[link] ?? link;
    if (onKeep) return onKeep(command, what);
    if (!(await sending.send(() => write(farm.id, command, what)))) return;
    recorded(`${DELAY_WORDS[link]}: the day is planned again`, 'delay', body.id);
    await refresh();
    onClose();
  };
  return (
    <FormDrawer
      title="Report a delay"
      button="Plan the day again"
      busy={sending.busy}
      problem={sending.message}
      onSubmit={report}
      onClose={onClose}
    >
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
      <TextBox
        label="Why, if you like"
        maxLength={200}
        value={reason}
        onChange={(event) => setReason(event.target.value)}
      />
    </FormDrawer>
  );
}
