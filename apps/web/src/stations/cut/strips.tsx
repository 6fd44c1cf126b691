import { bushelsPerAcreToKgPerHa, compareStrips, cropOf, CROPS, kgPerHaToBushelsPerAcre } from '@fanega/core';
import { useRef, useState } from 'react';
import { toast } from 'sonner';
import { ulid } from 'ulid';
import { post } from '../../data/api';
import { useRefreshFarm } from '../../data/farm';
import { useSend } from '../../data/use-send';
import { Button, Problem, SelectBox, TextBox } from '../../ui';
import { parseNumber } from '../../widgets/quantity';
import { TakeBack } from '../../widgets/take-back';
import { day } from '../../widgets/time';
import { type CutGiven, likelyLot } from './machine';

const signed = (value: number, digits = 1): string => `${value < 0 ? '−' : '+'}${Math.abs(value).toFixed(digits)}`;
const VERDICT = { better: '● better', worse: '■ worse', 'not shown to differ': '◐ not shown to differ' } as const;

/** Alternating strips: the only proof that a change raised the yield. */
export function Strips({ farm, notebook, rows, machineId }: CutGiven) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const id = useRef(ulid());
  const [lotId, setLotId] = useState(() => likelyLot(farm, notebook, rows, machineId));
  const [what, setWhat] = useState('');
  const [pairs, setPairs] = useState<readonly (readonly [string, string])[]>([
    ['', ''],
    ['', ''],
    ['', ''],
  ]);
  const [wrong, setWrong] = useState<Record<string, string>>({});
  const legal = (cropOf(farm.lot(lotId)?.crop ?? '') ?? CROPS.corn).legalPounds;
  const typed = pairs.map(([fresh, old]) => [parseNumber(fresh), parseNumber(old)] as const);
  const full = typed.filter(([fresh, old]) => fresh >= 0 && fresh <= 400 && old >= 0 && old <= 400);
  const result = full.length >= 2 ? compareStrips(full.map(([fresh, old]) => fresh - old)) : null;
  const save = async (): Promise<void> => {
    const errors: Record<string, string> = {};
    typed.forEach(([fresh, old], i) => {
      if (pairs[i]![0].trim() === '' && pairs[i]![1].trim() === '') return;
      if (!(fresh >= 0 && fresh <= 400)) errors[`new${i}`] = 'bu/ac, 0 to 400';
      if (!(old >= 0 && old <= 400)) errors[`old${i}`] = 'bu/ac, 0 to 400';
    });
    if (what.trim() === '') errors.what = 'What was compared?';
    if (full.length < 2 && Object.keys(errors).length === 0) errors.new0 = 'Two pairs at least';
    setWrong(errors);
    if (Object.keys(errors).length > 0) return;
    const body = {
      id: id.current,
      at: new Date(farm.clock()).toISOString(),
      lotId,
      what: what.trim(),
      differences: full.map(([fresh, old]) => bushelsPerAcreToKgPerHa(fresh, legal) - bushelsPerAcreToKgPerHa(old, legal)),
    };
    if (!(await sending.send(() => post<{ noteId: string }>(`/farms/${farm.id}/notes/strips`, body)))) return;
    id.current = ulid();
    setPairs([
      ['', ''],
      ['', ''],
      ['', ''],
    ]);
    setWhat('');
    toast('Strips recorded');
    await refresh();
  };
  const set = (i: number, at: 0 | 1, value: string) => setPairs(pairs.map((pair, k) => (k === i ? (at === 0 ? [value, pair[1]] : [pair[0], value]) : pair)));
  return (
    <div className="lg:grid lg:grid-cols-2">
      <form
        className="space-y-4 px-5 py-5 lg:px-6"
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          void save();
        }}
      >
        <h2 className="text-xl">Did it raise the yield?</h2>
        <p className="text-muted">New and old beside each other, turn about, across the same ground. A jump of the display in another field proves nothing.</p>
        <div className="grid gap-3 sm:grid-cols-2">
          <SelectBox label="Field" value={lotId} onChange={(event) => setLotId(event.target.value)}>
            {[...farm.data.lots].reverse().map((lot) => (
              <option key={lot.id} value={lot.id}>
                {lot.fieldName}
              </option>
            ))}
          </SelectBox>
          <TextBox label="What was compared" maxLength={120} value={what} error={wrong.what} onChange={(event) => setWhat(event.target.value)} />
        </div>
        {pairs.map(([fresh, old], i) => (
          <div key={i} className="grid grid-cols-2 gap-3">
            <TextBox
              label={`New, pair ${i + 1}`}
              unit="bu/ac"
              className="pr-20"
              inputMode="decimal"
              value={fresh}
              error={wrong[`new${i}`]}
              onChange={(event) => set(i, 0, event.target.value)}
            />
            <TextBox
              label={`Old, pair ${i + 1}`}
              unit="bu/ac"
              className="pr-20"
              inputMode="decimal"
              value={old}
              error={wrong[`old${i}`]}
              onChange={(event) => set(i, 1, event.target.value)}
            />
          </div>
        ))}
        <Button onClick={() => setPairs([...pairs, ['', '']])}>One more pair</Button>
        {result && <Result result={result} show={(value) => value} />}
        <Problem>{sending.message}</Problem>
        <Button look="do" type="submit" className="min-h-14 w-full text-lg" disabled={sending.busy}>
          Record the strips
        </Button>
      </form>
      <section aria-label="Strips so far" className="border-t border-ink px-5 py-5 lg:border-t-0 lg:border-l lg:px-6">
        <h2 className="text-xl">So far</h2>
        <ul className="mt-2 divide-y divide-rule">
          {notebook.notes.flatMap((note) => {
            if (note.kind !== 'strips' || note.voided) return [];
            const lot = farm.lot(note.body.lotId);
            const pounds = (cropOf(lot?.crop ?? '') ?? CROPS.corn).legalPounds;
            return [
              <li key={note.body.id} className="py-3">
                <p className="font-semibold">{note.body.what}</p>
                <p className="text-sm text-muted">
                  {lot?.fieldName}, {day(note.body.at, farm.data.farm.timeZone)}, {note.body.differences.length} pairs:{' '}
                  {note.body.differences.map((d) => signed(kgPerHaToBushelsPerAcre(d, pounds))).join(', ')}
                </p>
                <Result result={compareStrips(note.body.differences)} show={(value) => kgPerHaToBushelsPerAcre(value, pounds)} />
                <TakeBack path={`notes/${note.body.id}`} />
              </li>,
            ];
          })}
        </ul>
      </section>
    </div>
  );
}

function Result({ result, show }: { result: ReturnType<typeof compareStrips>; show: (value: number) => number }) {
  return (
    <p aria-label="Result of the strips">
      <b className="text-2xl">{signed(show(result.mean))} bu/ac</b>, standard error {show(result.standardError).toFixed(1)}: <b>{VERDICT[result.verdict]}</b>
      <span className="block text-sm text-muted">
        Between {signed(show(result.low))} and {signed(show(result.high))}, 19 times of 20.
        {result.verdict === 'not shown to differ' && result.stripsNeeded !== null && result.stripsNeeded < 1000
          ? ` About ${result.stripsNeeded} pairs would show a difference this large.`
          : ''}
      </span>
    </p>
  );
}
