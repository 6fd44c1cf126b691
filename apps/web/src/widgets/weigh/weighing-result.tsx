import type { DeviceInfo, WeighTicketInfo } from '@fanega/contract';
import {
  type EmptyWeightCorrection,
  emptyWeightCorrections,
  emptyWeightNow,
  type FieldRecords,
  loadsWithEmptyWeight,
  weighed,
  weighingEntry,
  weighingOf,
  weighingView,
  weightRulesOf,
} from '@fanega/core';
import { Printer } from 'lucide-react';
import { useRef, useState } from 'react';
import { toast } from '../../ui/toast';
import { ulid } from 'ulid';
import { addressOf, post } from '../../data/api';
import { type Farm, type HaulAtScale, useRefreshFarm } from '../../data/farm';
import type { LiveDevice } from '../../data/live';
import { useSend } from '../../data/use-send';
import { deviceName } from '../record';
import { Button, Problem, TextBox } from '../../ui';
import { Verdict } from '../../ui/verdict';
import { bushelsFine, mass, percent } from '../../quantity/quantity';
import { day } from '../../quantity/time';
import { TareCorrections } from './empty-weight-corrections';
import { logged } from '../../data/records';
import { write } from '../../data/outbox';

export type How = 'axles' | 'whole' | 'hand';
export type Purpose = 'loaded' | 'empty';

/** A weighing as it is set up: the truck, what it is weighed for and by what. */
export interface WeighingOf {
  readonly farm: Farm;
  readonly notebook: FieldRecords;
  readonly haul: HaulAtScale;
  readonly truckId: string;
  readonly combination: string;
  readonly purpose: Purpose;
  readonly how: How;
  readonly bridge: DeviceInfo | undefined;
  readonly live: LiveDevice | undefined;
  readonly onWeighEmpty: () => void;
}

export function Result({
  farm,
  notebook,
  haul,
  truckId,
  combination,
  purpose,
  axlesKg,
  byHand,
  onWeighEmpty,
  onAgain,
}: WeighingOf & { axlesKg: readonly number[]; byHand: boolean; onAgain: () => void }) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  // Sent again after a lost answer, they are the same ticket and the same entry.
  const ids = useRef({ ticket: ulid(), entry: ulid(), note: ulid() });
  const [sure, setSure] = useState(false);
  const [paper, setPaper] = useState('');
  const [printed, setPrinted] = useState<WeighTicketInfo | null>(null);
  const [corrections, setCorrections] = useState<readonly EmptyWeightCorrection[] | null>(null);
  const { timeZone } = farm.data.farm;
  const rules = weightRulesOf(notebook);
  const now = farm.clock();
  const truck = { id: truckId, combination };
  const { standing } = emptyWeightNow(notebook, truck, now);
  const held = farm.held(truckId);
  const crop = farm.cropOf(held.lots);
  const wetGrain = (kg: number, of: string): string => {
    const { figure, unit } = bushelsFine(kg / farm.kgPerBu(of), farm.kgPerBu(of));
    return `${figure} wet ${unit}`;
  };
  if (printed)
    return (
      <div className="mt-5 border-t border-ink pt-4">
        <div role="status">
          <p className="text-5xl font-bold">No. {printed.number}</p>
          <p className="text-2xl">
            {mass(printed.netKg).text} net
            {printed.crop ? `, ${wetGrain(printed.netKg, printed.crop)}` : ''}
          </p>
        </div>
        <p className="mt-3 flex flex-wrap gap-3">
          <PrintLink farm={farm} number={printed.number} />
          <Button
            onClick={() => {
              ids.current = { ticket: ulid(), entry: ulid(), note: ulid() };
              setPrinted(null);
              onAgain();
            }}
          >
            The next truck
          </Button>
        </p>
      </div>
    );
  if (corrections)
    return (
      <div className="mt-5 border-t border-ink pt-4">
        <p className="text-2xl font-bold">● Empty weight kept: {mass(weighed(weighingOf(axlesKg)).kg).text}</p>
        {corrections.length === 0 ? (
          <p className="mt-1">No load since the last empty weight is touched by it.</p>
        ) : (
          <TareCorrections
            farm={farm}
            haul={haul}
            corrections={corrections}
            newTare={{ id: ids.current.note, axlesKg, combination }}
            kgPerBu={farm.kgPerBu(crop)}
          />
        )}
      </div>
    );
  if (axlesKg.length === 0)
    return standing || purpose === 'empty' ? null : <NoTare combination={combination} onWeighEmpty={onWeighEmpty} />;
  const gross = weighed(weighingOf(axlesKg)).kg;
  if (purpose === 'empty') {
    const keep = async (): Promise<void> => {
      const body = { id: ids.current.note, at: new Date(now).toISOString(), machineId: truckId, combination, axlesKg };
      if (!(await sending.send(() => write(farm.id, logged(farm.id, 'emptyWeight', body), 'an empty weight')))) return;
      const loads = loadsWithEmptyWeight(haul, notebook, truckId, combination);
      setCorrections(
        emptyWeightCorrections(
          loads,
          combination,
          gross,
          standing?.newest.atMs ?? 0,
          Math.max(now, standing?.newest.atMs ?? 0),
          rules.tareTolerance,
        ),
      );
      await refresh();
    };
    const before = standing ? gross / standing.kg - 1 : null;
    return (
      <div className="mt-5 border-t border-ink pt-4">
        <p className="text-4xl font-bold">
          {mass(gross).text} <span className="text-xl font-normal text-muted">empty</span>
        </p>
        {standing && before !== null && (
          <p className="mt-1">
            {Math.abs(before) <= rules.tareTolerance ? '● ' : '■ '}
            {percent(Math.abs(before))} {before < 0 ? 'under' : 'over'} the empty weight of{' '}
            {day(standing.newest.atMs, timeZone)} ({mass(standing.kg).text}).
            {Math.abs(before) > rules.tareTolerance
              ? ' Mud, fuel, a spare wheel, or another trailer: loads in between are looked through.'
              : ''}
          </p>
        )}
        <Problem>{sending.message}</Problem>
        <Button look="do" className="mt-3 min-h-16 w-full !text-xl" disabled={sending.busy} onClick={() => void keep()}>
          Keep as the empty weight of {combination}
        </Button>
      </div>
    );
  }
  const paperKg = mass.read(paper).value;
  const view = weighingView(notebook, haul, truck, axlesKg, now, paperKg);
  const { netKg, tareKg, tare, doubts, fromPaper } = view;
  const stop = view.stop && !sure;
  const vehicle = haul.vehicles.find((one) => one.place === truckId);
  const record = async (): Promise<void> => {
    if (netKg === null || netKg <= 0) return;
    const at = new Date(now).toISOString();
    const entry = weighingEntry(truckId, held.wetKg, vehicle?.loads ?? [], {
      id: ids.current.entry,
      at,
      wetKg: netKg,
      device: deviceName(),
      note: 'own truck scale',
    });
    const body = {
      id: ids.current.ticket,
      at,
      machineId: truckId,
      combination,
      grossKg: [...axlesKg],
      tareKg: fromPaper ? [tareKg!] : [...tare!.axlesKg],
      ...(fromPaper ? {} : { tareId: tare!.id }),
      byHand,
      ...(entry ? { entry } : {}),
    };
    const command = post('/api/farms/{farmId}/weigh-tickets', { path: { farmId: farm.id } }, body as never);
    const done = await sending.send(() => write(farm.id, command, `${farm.placeName(truckId)} weighed`));
    if (!done) return;
    if (done.waits) {
      // Its number is the farm's next one: it is known when the ticket has arrived.
      toast('The weighing waits on this device; its ticket gets its number when the signal is back.');
      ids.current = { ticket: ulid(), entry: ulid(), note: ulid() };
      return onAgain();
    }
    setPrinted(done.answer);
    toast(`Ticket ${done.answer.number}`);
    await refresh();
  };
  return (
    <div className="mt-5 border-t border-ink pt-4">
      {netKg !== null && netKg > 0 ? (
        <>
          <Verdict figure={mass(netKg).text} unit="net">
            {crop ? `${wetGrain(netKg, crop)} of ${crop}` : 'the book has nothing on this truck'}
          </Verdict>
          <p>
            {mass(gross).text} gross less {mass(tareKg!).text}{' '}
            {fromPaper
              ? 'from paper'
              : `empty, ${standing!.ageDays < 1 ? 'today' : `${Math.floor(standing!.ageDays)} days old`}`}
            {held.wetKg > 1
              ? `; the book had ${mass(held.wetKg)}, ${percent(Math.abs(netKg / held.wetKg - 1))} ${netKg < held.wetKg ? 'more' : 'less'}`
              : ''}
            .{axlesKg.length > 1 ? ' A sum of axles is an estimate of 1 to 2 %, not a weight for trade.' : ''}
          </p>
        </>
      ) : netKg !== null ? (
        <p className="text-xl font-semibold text-clay">
          ■ It weighs no more than empty: another truck, or nothing on it.
        </p>
      ) : (
        <NoTare combination={combination} onWeighEmpty={onWeighEmpty} />
      )}
      {stop && (
        <div role="alert" className="mt-3 border-l-4 border-clay bg-sand px-4 py-3">
          <p className="text-xl font-bold">■ Weigh empty?</p>
          <p>
            {doubts
              .map((doubt) => `Axle ${doubt.axle + 1} shows ${mass(doubt.kg)} where ${mass(doubt.usualKg)} is usual. `)
              .join('')}
            {doubts.length > 0 ? 'Another tractor before the trailer, or a wheel off the platform? ' : ''}
            {standing?.weighEmpty ? `The empty weight is ${Math.floor(standing.ageDays)} days old. ` : ''}
            {standing?.drifted
              ? `The last empty weight lies ${percent(Math.abs(standing.drift!))} off those before it. `
              : ''}
          </p>
          <p className="mt-2 flex flex-wrap gap-3">
            <Button onClick={onWeighEmpty}>Weigh it empty</Button>
            <Button look="quiet" onClick={() => setSure(true)}>
              The empty weight is right
            </Button>
          </p>
        </div>
      )}
      <details className="mt-3">
        <summary className="min-h-11 cursor-pointer py-2 font-semibold">Empty weight from paper</summary>
        <div className="w-56">
          <TextBox
            label="Tare"
            unit={mass.unit}
            inputMode="decimal"
            value={paper}
            error={paper.trim() === '' || fromPaper ? undefined : 'Less than what stands on the scale'}
            onChange={(event) => setPaper(event.target.value)}
          />
        </div>
      </details>
      <Problem>{sending.message}</Problem>
      <Button
        look="do"
        className="mt-3 min-h-16 w-full !text-xl"
        disabled={sending.busy || stop || netKg === null || netKg <= 0}
        onClick={() => void record()}
      >
        {held.wetKg > 1 ? 'Into the book, with a ticket' : 'A ticket only: the book has nothing on it'}
      </Button>
    </div>
  );
}

function NoTare({ combination, onWeighEmpty }: { combination: string; onWeighEmpty: () => void }) {
  return (
    <div className="mt-4 border-l-4 border-clay bg-sand px-4 py-3">
      <p className="text-lg">
        <b>■ Weigh empty?</b> {combination} was never weighed empty here.
      </p>
      <Button className="mt-2" onClick={onWeighEmpty}>
        Weigh it empty
      </Button>
    </div>
  );
}

function PrintLink({ farm, number }: { farm: Farm; number: number }) {
  return (
    <a
      href={addressOf('/api/farms/{farmId}/weigh-tickets/{number}/pdf', { farmId: farm.id, number })}
      target="_blank"
      rel="noreferrer"
      className="inline-flex min-h-11 items-center gap-2 rounded-[3px] border border-ink px-4 font-semibold hover:bg-sand"
    >
      <Printer size={18} aria-hidden="true" /> Print
    </a>
  );
}
