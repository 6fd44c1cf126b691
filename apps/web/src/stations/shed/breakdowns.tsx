import type { BreakdownBody, Shed } from '@fanega/contract';
import { type BreakdownSum, breakdownSummary, type Cause, CAUSES } from '@fanega/core';
import { useRef, useState } from 'react';
import { ulid } from 'ulid';
import { post } from '../../data/api';
import { type Farm, useRefreshFarm } from '../../data/farm';
import { useSend } from '../../data/use-send';
import { Button, SelectBox, TextBox } from '../../ui';
import { FormSheet } from '../../ui/form-sheet';
import { formatBushelsFine, formatMoney, parseNumber } from '../../widgets/quantity';
import { useRecorded } from '../../widgets/take-back';
import { clock, day, fromWallTime, toWallTime } from '../../widgets/time';

/** What broke this season, and what it cost, by machine, by cause, by the spare that was missing. */
export function Breakdowns({ farm, shed }: { farm: Farm; shed: Shed }) {
  const [adding, setAdding] = useState(false);
  const { timeZone } = farm.data.farm;
  const season = new Date(farm.data.now).getUTCFullYear();
  const own = shed.notes.flatMap((note) => (note.kind === 'breakdown' && !note.voided && new Date(note.body.at).getUTCFullYear() === season ? [note] : []));
  const summary = breakdownSummary(own.map(({ body }) => ({ ...body, machineId: body.assetId, cause: body.cause as Cause })));
  const name = (id: string): string => shed.assets[id]?.sheet.name ?? id;
  return (
    <div>
      <div className="flex flex-wrap items-start justify-between gap-4 px-5 py-5 lg:px-6">
        <p>
          <span className="block text-6xl leading-none font-bold">
            {formatBushelsFine(summary.all.hoursLost)} <span className="text-2xl font-normal text-muted">hours lost in {season}</span>
          </span>
          <span className="mt-2 block text-lg">
            {summary.all.times} breakdowns, {formatMoney(summary.all.cost)} for parts and hands, {Math.round(summary.all.acresLost)} acres not cut in that time.
          </span>
        </p>
        <Button look="do" onClick={() => setAdding(true)} disabled={Object.keys(shed.assets).length === 0}>
          Something broke
        </Button>
      </div>
      <div className="border-t border-ink lg:grid lg:grid-cols-3">
        <Sums title="By machine" rows={Object.entries(summary.byMachine).map(([id, sum]) => [name(id), sum])} />
        <Sums title="By cause" rows={Object.entries(summary.byCause).map(([cause, sum]) => [CAUSES[cause as Cause], sum])} />
        <Sums title="Spares that were missing" rows={summary.missingSpares.map((spare) => [spare.name, spare])} />
      </div>
      <div className="overflow-x-auto border-t border-ink">
        <table className="w-full min-w-[48rem]" aria-label="Breakdowns">
          <thead className="border-b border-ink text-left text-sm">
            <tr>
              <th className="py-2 pr-2 pl-5 lg:pl-6">Since</th>
              <th className="px-2">Machine</th>
              <th className="px-2">What</th>
              <th className="px-2">Cause</th>
              <th className="px-2 text-right">Cost</th>
              <th className="px-2 text-right">Hours</th>
              <th className="px-2 text-right">Acres</th>
              <th className="py-2 pr-5 pl-2 lg:pr-6">Spare</th>
            </tr>
          </thead>
          <tbody>
            {own.map(({ body, by }) => (
              <tr key={body.id} className="border-b border-rule">
                <td className="py-1.5 pr-2 pl-5 whitespace-nowrap lg:pl-6">
                  {day(body.at, timeZone)} <b>{clock(body.at, timeZone)}</b>
                </td>
                <td className="px-2 font-semibold whitespace-nowrap">{name(body.assetId)}</td>
                <td className="px-2">
                  {body.what} <span className="text-sm text-muted">{by}</span>
                  {!body.mended && <StillDown farm={farm} body={body} />}
                </td>
                <td className="px-2 text-sm">{CAUSES[body.cause as Cause]}</td>
                <td className="px-2 text-right">{formatMoney(body.cost)}</td>
                <td className="px-2 text-right">{formatBushelsFine(body.hoursLost)}</td>
                <td className="px-2 text-right">{Math.round(body.acresLost)}</td>
                <td className="py-1.5 pr-5 pl-2 lg:pr-6">{body.missingSpare}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {adding && <BreakdownSheet farm={farm} shed={shed} assetId={Object.keys(shed.assets)[0] ?? ''} onClose={() => setAdding(false)} />}
    </div>
  );
}

/** It runs again: the note is taken back and made anew, as every note is. */
function StillDown({ farm, body }: { farm: Farm; body: BreakdownBody }) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const id = useRef(ulid());
  const mend = async (): Promise<void> => {
    const mended = await sending.send(async () => {
      await post<{ noteId: string }>(`/farms/${farm.id}/notes/breakdown`, { ...body, id: id.current, mended: true });
      return post<{ noteId: string }>(`/farms/${farm.id}/notes/${body.id}/void`);
    });
    if (mended) await refresh();
  };
  return (
    <span className="ml-2 whitespace-nowrap">
      <b className="text-clay">■ still down</b>{' '}
      <Button look="quiet" className="!min-h-0 !px-1 text-sm" disabled={sending.busy} onClick={() => void mend()}>
        It runs again
      </Button>
      {sending.message && <span role="alert">{sending.message}</span>}
    </span>
  );
}

function Sums({ title, rows }: { title: string; rows: readonly (readonly [string, BreakdownSum])[] }) {
  const most = Math.max(0.1, ...rows.map(([, sum]) => sum.hoursLost));
  return (
    <section aria-label={title} className="border-b border-rule px-5 py-4 lg:border-r lg:border-b-0 lg:px-6 lg:last:border-r-0">
      <h2 className="text-sm text-muted">{title}</h2>
      <ul className="mt-1">
        {[...rows]
          .sort((a, b) => b[1].hoursLost - a[1].hoursLost)
          .map(([name, sum]) => (
            <li key={name} className="py-1">
              <span className="flex justify-between gap-3">
                <span>{name}</span>
                <span className="whitespace-nowrap">
                  <b>{formatBushelsFine(sum.hoursLost)} h</b> {formatMoney(sum.cost)}
                </span>
              </span>
              <span className="block h-1.5 bg-ink" style={{ width: `${(100 * sum.hoursLost) / most}%` }} aria-hidden="true" />
            </li>
          ))}
        {rows.length === 0 && <li className="text-muted">none</li>}
      </ul>
    </section>
  );
}

/** One breakdown; hours are said and not counted from the clock, since nights and Sundays lose nothing. */
export function BreakdownSheet({ farm, shed, assetId, onClose }: { farm: Farm; shed: Shed; assetId: string; onClose: () => void }) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const recorded = useRecorded();
  const id = useRef(ulid());
  const { timeZone } = farm.data.farm;
  const [machine, setMachine] = useState(assetId);
  const [cause, setCause] = useState<Cause>('wear');
  const [mended, setMended] = useState(true);
  const [text, setText] = useState({ what: '', since: toWallTime(farm.clock(), timeZone), cost: '', hours: '', acres: '', spare: '' });
  const [wrong, setWrong] = useState<Record<string, string>>({});
  const set = (change: Partial<typeof text>) => setText({ ...text, ...change });
  const save = async (): Promise<void> => {
    const errors: Record<string, string> = {};
    const value = (key: 'cost' | 'hours' | 'acres', most: number, words: string): number => {
      if (text[key].trim() === '') return 0;
      const number = parseNumber(text[key]);
      if (!(number >= 0 && number <= most)) errors[key] = words;
      return number;
    };
    const cost = value('cost', 10_000_000, 'Dollars, 0 or more');
    const hoursLost = value('hours', 10_000, 'Hours, from 0 to 10,000');
    const acresLost = value('acres', 1_000_000, 'Acres, 0 or more');
    const since = fromWallTime(text.since, timeZone);
    if (text.what.trim() === '') errors.what = 'What broke?';
    if (Number.isNaN(since)) errors.since = 'A day and a time';
    setWrong(errors);
    if (Object.keys(errors).length > 0) return;
    const body: BreakdownBody = {
      id: id.current,
      at: new Date(since).toISOString(),
      assetId: machine,
      what: text.what.trim(),
      cause,
      cost,
      hoursLost,
      acresLost,
      missingSpare: text.spare.trim(),
      mended,
    };
    if (!(await sending.send(() => post<{ noteId: string }>(`/farms/${farm.id}/notes/breakdown`, body)))) return;
    recorded('Breakdown recorded', `notes/${id.current}`);
    await refresh();
    onClose();
  };
  return (
    <FormSheet title="Something broke" button="Record it" busy={sending.busy} problem={sending.message} onSubmit={save} onClose={onClose}>
      <SelectBox label="Machine" value={machine} onChange={(event) => setMachine(event.target.value)}>
        {Object.entries(shed.assets).map(([key, { sheet }]) => (
          <option key={key} value={key}>
            {sheet.name}
          </option>
        ))}
      </SelectBox>
      <TextBox label="What broke" maxLength={200} value={text.what} error={wrong.what ?? sending.at.what} onChange={(event) => set({ what: event.target.value })} />
      <TextBox label="Since" type="datetime-local" value={text.since} error={wrong.since} onChange={(event) => set({ since: event.target.value })} />
      <SelectBox label="Why" value={cause} onChange={(event) => setCause(event.target.value as Cause)}>
        {(Object.keys(CAUSES) as Cause[]).map((one) => (
          <option key={one} value={one}>
            {CAUSES[one]}
          </option>
        ))}
      </SelectBox>
      <div className="grid grid-cols-3 gap-3">
        <TextBox label="Cost" unit="$" inputMode="decimal" value={text.cost} error={wrong.cost} onChange={(event) => set({ cost: event.target.value })} />
        <TextBox label="Hours lost" unit="h" inputMode="decimal" value={text.hours} error={wrong.hours} onChange={(event) => set({ hours: event.target.value })} />
        <TextBox label="Acres lost" unit="ac" inputMode="decimal" value={text.acres} error={wrong.acres} onChange={(event) => set({ acres: event.target.value })} />
      </div>
      <TextBox
        label="Spare that was not there"
        maxLength={80}
        hint="empty: it was, or none was wanted"
        value={text.spare}
        onChange={(event) => set({ spare: event.target.value })}
      />
      <label className="flex min-h-11 items-center gap-3">
        <input type="checkbox" className="size-6 accent-[var(--clay)]" checked={mended} onChange={(event) => setMended(event.target.checked)} /> It runs again
      </label>
    </FormSheet>
  );
}
