import { SEEN_SIGN, type TapeLine, ticketFigures } from '@fanega/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { type Farm, useFarm, useNotebook, useTapeLine } from '../data/farm';
import { useRecorder } from './record';
import { Button, TextBox } from '../ui';
import { Drawer } from '../ui/drawer';
import { QueryBoundary } from '../ui/query-boundary';
import { headline } from './headline';
import { methodWords } from './method-words';
import { mass, Moisture, priceText, Shown } from '../quantity/quantity';
import { ShareList } from './share-list';
import { clock, day } from '../quantity/time';
import { WeighAgain } from './weigh-again';
import { say } from '../words';

/** One entry, as it was recorded and as it counts; from here it is voided, made again or traced. */
export function EntryDrawer({
  entryId,
  onClose,
  weigh = false,
}: {
  entryId: string | null;
  onClose: () => void;
  /** Opens where another measurement is typed. */ weigh?: boolean;
}) {
  return (
    <Drawer open={entryId !== null} title="Entry" onClose={onClose}>
      {entryId && <EntryBody entryId={entryId} onClose={onClose} weigh={weigh} />}
    </Drawer>
  );
}

function EntryBody({ entryId, onClose, weigh }: { entryId: string; onClose: () => void; weigh: boolean }) {
  const farm = useFarm();
  return (
    <QueryBoundary answer={useTapeLine(entryId)} what="Looking it up">
      {(line) => <EntryFacts line={line} farm={farm} onClose={onClose} weigh={weigh} />}
    </QueryBoundary>
  );
}

function EntryFacts({
  line,
  farm,
  onClose,
  weigh,
}: {
  line: TapeLine;
  farm: Farm;
  onClose: () => void;
  weigh: boolean;
}) {
  const recorder = useRecorder();
  const [sure, setSure] = useState(false);
  const [why, setWhy] = useState('');
  const [again, setAgain] = useState(weigh);
  const { entry } = line;
  const { timeZone } = farm.data.farm;
  const isDelivery = entry.type === 'move' && farm.place(entry.to)?.kind === 'buyer';
  const canRedo = !line.voided && entry.type !== 'void' && entry.type !== 'witness';
  const canWeigh = !line.voided && (entry.type === 'harvest' || entry.type === 'move');
  // Who plays with the demo records by his own clock, which is none of the farm's.
  const late =
    !farm.data.farm.demo &&
    entry.recordedAt !== undefined &&
    Date.parse(entry.recordedAt) - Date.parse(entry.at) > 3_600_000;
  const when = (at: string) => `${day(at, timeZone)} ${clock(at, timeZone)}`;
  const own = entry as { wetKg?: number; moisture?: number };
  // A ticket that came late stands beside the load: its number and its price are the load's.
  const move = entry.type === 'move' ? entry : undefined;
  const said = ticketFigures(entry, line.witnesses);
  const parts = useNotebook().data?.settings.fieldZone;
  const part = entry.type === 'harvest' && entry.zone !== undefined ? parts?.[entry.zone]?.value.name : undefined;
  const rows: [string, React.ReactNode][] = [
    ['happened', when(entry.at)],
    ['recorded', entry.recordedAt ? `${when(entry.recordedAt)}${late ? ', late' : ''}` : 'not said'],
    [
      'by',
      `${entry.by ?? 'not recorded'}${!entry.device ? '' : entry.device.startsWith('import ') ? ', out of a file' : entry.device.startsWith(SEEN_SIGN) ? `, ${say('seenItself')}` : ` on ${entry.device}`}`,
    ],
    ...(own.wetKg === undefined
      ? []
      : [
          [
            'written down',
            <>
              <Shown of={mass(own.wetKg)} /> <span className="text-muted">{methodWords(entry.method)}</span>
            </>,
          ] as [string, React.ReactNode],
        ]),
    ...(own.moisture === undefined
      ? []
      : [['moisture', <Moisture value={own.moisture} />] as [string, React.ReactNode]]),
    ...(part ? [['part of the field', part] as [string, React.ReactNode]] : []),
    ...(move && said.ticket ? [['ticket', said.ticket] as [string, React.ReactNode]] : []),
    ...(move?.grossKg !== undefined && move.tareKg !== undefined
      ? [
          [
            'gross, tare',
            <>
              <Shown of={mass(move.grossKg)} />, <Shown of={mass(move.tareKg)} />
            </>,
          ] as [string, React.ReactNode],
        ]
      : []),
    ...(!move || said.pricePerBu === null
      ? []
      : [['price', priceText(said.pricePerBu, farm.kgPerBu(farm.cropOf(line.wetLots)))] as [string, React.ReactNode]]),
    ...(entry.note ? [['note', entry.note] as [string, React.ReactNode]] : []),
    ['id', <span className="font-mono text-sm">{entry.id}</span>],
  ];
  return (
    <div className="space-y-5 px-5 py-4">
      <div>
        <h3 className={`text-2xl ${line.voided ? 'text-muted line-through' : ''}`}>{headline(entry, farm)}</h3>
        {line.voided && <p className="font-semibold text-clay">✕ voided: it counts as if it had never happened</p>}
        {line.wetKg !== null && line.wetKg > 0 && !line.voided && (
          <p className="mt-1 text-3xl font-bold">
            <Shown of={mass(line.wetKg)} /> <span className="text-base font-normal text-muted">counts</span>
          </p>
        )}
      </div>
      {Object.keys(line.wetLots).length > 0 && <ShareList farm={farm} wetLots={line.wetLots} />}
      {line.witnesses.length > 0 && (
        <div>
          <h4 className="font-semibold">Also weighed</h4>
          <ul className="text-muted">
            {line.witnesses.map((witness) => {
              const { wetKg, moisture, method, note } = witness as {
                wetKg?: number;
                moisture?: number;
                method?: string;
                note?: string;
              };
              return (
                <li key={witness.id}>
                  {wetKg === undefined ? '' : <Shown of={mass(wetKg)} />}{' '}
                  {moisture === undefined ? '' : <Moisture value={moisture} />} {methodWords(method)}{' '}
                  {note ? `· ${note}` : ''}
                </li>
              );
            })}
          </ul>
        </div>
      )}
      <dl className="grid grid-cols-[7.5rem_1fr] gap-y-1 border-t border-rule pt-3">
        {rows.map(([term, value]) => (
          <div key={term} className="contents">
            <dt className="text-muted">{term}</dt>
            <dd className="min-w-0 break-words">{value}</dd>
          </div>
        ))}
      </dl>
      {again && canWeigh && (
        <WeighAgain farm={farm} entry={entry} crop={farm.cropOf(line.wetLots)} onDone={() => setAgain(false)} />
      )}
      <div className="flex flex-wrap gap-3 border-t border-rule pt-4">
        {isDelivery && !line.voided && (
          <Link
            to={`/trace/delivery/${entry.id}`}
            onClick={onClose}
            className="inline-flex min-h-11 items-center rounded-[3px] bg-clay px-4 font-semibold text-on-clay"
          >
            Trace it
          </Link>
        )}
        {canWeigh && !again && <Button onClick={() => setAgain(true)}>Another measurement</Button>}
        {canRedo && (
          <Button
            onClick={() => {
              onClose();
              recorder.correct(entry);
            }}
          >
            Void and make again
          </Button>
        )}
        {!line.voided && sure && (
          <TextBox
            label="Why"
            hint="stands in the book; in a closed season it must be said"
            maxLength={200}
            value={why}
            onChange={(event) => setWhy(event.target.value)}
          />
        )}
        {!line.voided && (
          <Button
            onClick={() => {
              if (!sure) return setSure(true);
              onClose();
              void recorder.undo(entry.id, why.trim());
            }}
          >
            {sure ? 'Yes, void it' : entry.type === 'void' ? 'Take the void back' : 'Void it'}
          </Button>
        )}
      </div>
    </div>
  );
}
