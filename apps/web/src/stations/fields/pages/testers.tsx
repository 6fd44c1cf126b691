import { LEAST_PAIRS, likelyBuyerReading, type Tester } from '@fanega/core';
import { useRef, useState } from 'react';
import { ulid } from 'ulid';
import { useFarm, useRefreshFarm } from '../../../data/farm';
import { useSend } from '../../../data/use-send';
import { TextBox } from '../../../ui';
import { FormDrawer } from '../../../ui/form-drawer';
import { moisture, number, readMoisture } from '../../../quantity/quantity';
import { TakeBack, useRecorded } from '../../../widgets/take-back';
import { day } from '../../../quantity/time';
import { logged } from '../../../data/records';
import { write } from '../../../data/outbox';

const points = (value: number): string =>
  `${number(Math.abs(value), 1)} ${Math.abs(Math.abs(value) - 1) < 0.05 ? 'point' : 'points'}`;

/** What a tester is worth, in one sentence. */
export function testerWords(tester: Tester | undefined, name: string, now: number): string {
  const pairs = tester?.pairs ?? [];
  if (pairs.length < LEAST_PAIRS)
    return `${name}: ${pairs.length === 0 ? 'never paired with the buyer’s test' : `${pairs.length} of ${LEAST_PAIRS} pairs`}. Too little to go on.`;
  const { offsetPoints, spreadPoints } = likelyBuyerReading(0.15, pairs);
  const days = Math.max(0, Math.round((now - Date.parse(tester!.newest)) / 86_400_000));
  return `${name} reads ${points(offsetPoints!)} ${offsetPoints! >= 0 ? 'under' : 'over'} the buyer (${pairs.length} pairs, scatter ${number(spreadPoints!, 1)}, newest ${days === 0 ? 'today' : `${days} d ago`}).`;
}

/** One more pair of the same grain: our tester's figure and the buyer's test. */
export function PairSheet({ tester, pairs, onClose }: { tester: string; pairs: Tester['pairs']; onClose: () => void }) {
  const farm = useFarm();
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const recorded = useRecorded();
  const id = useRef(ulid());
  const [name, setName] = useState(tester);
  const [ours, setOurs] = useState('');
  const [theirs, setTheirs] = useState('');
  const [wrong, setWrong] = useState<Record<string, string>>({});
  const save = async (): Promise<void> => {
    const [a, b] = [readMoisture(ours), readMoisture(theirs)];
    const errors = {
      ...(name.trim() === '' ? { tester: 'Which tester was it?' } : {}),
      ...(a.value === undefined ? { testerMoisture: a.error ?? 'The tester’s reading is missing' } : {}),
      ...(b.value === undefined ? { buyerMoisture: b.error ?? 'The buyer’s test is missing' } : {}),
    };
    setWrong(errors);
    if (Object.keys(errors).length > 0) return;
    const body = {
      id: id.current,
      at: new Date(farm.clock()).toISOString(),
      tester: name.trim(),
      testerMoisture: a.value!,
      buyerMoisture: b.value!,
    };
    if (!(await sending.send(() => write(farm.id, logged(farm.id, 'testerPair', body), 'a tester beside the buyer'))))
      return;
    recorded('Pair recorded', 'testerPair', id.current);
    await refresh();
    onClose();
  };
  return (
    <FormDrawer
      title="Tester against the buyer"
      button="Record the pair"
      busy={sending.busy}
      problem={sending.message}
      onSubmit={save}
      onClose={onClose}
      after={
        <>
          {pairs.length > 0 && (
            <ul className="divide-y divide-rule border-y border-rule" aria-label="Pairs so far">
              {pairs.map((pair) => (
                <li key={pair.id} className="flex items-center justify-between gap-3">
                  <span>
                    {day(pair.at, farm.data.farm.timeZone)}: ours {moisture.figure(pair.tester)}, the buyer&rsquo;s{' '}
                    <b>{moisture.figure(pair.buyer)}</b>
                  </span>
                  <TakeBack of="testerPair" id={pair.id} />
                </li>
              ))}
            </ul>
          )}
        </>
      }
    >
      <p className="text-muted">
        The same grain, read by your tester and tested by the buyer. Three pairs are the least that says anything.
      </p>
      <TextBox
        label="Tester"
        maxLength={40}
        value={name}
        error={wrong.tester ?? sending.at.tester}
        onChange={(event) => setName(event.target.value)}
      />
      <div className="grid grid-cols-2 gap-3">
        <TextBox
          label="Ours"
          unit="%"
          inputMode="decimal"
          value={ours}
          error={wrong.testerMoisture ?? sending.at.testerMoisture}
          onChange={(event) => setOurs(event.target.value)}
        />
        <TextBox
          label="The buyer’s"
          unit="%"
          inputMode="decimal"
          value={theirs}
          error={wrong.buyerMoisture ?? sending.at.buyerMoisture}
          onChange={(event) => setTheirs(event.target.value)}
        />
      </div>
    </FormDrawer>
  );
}
