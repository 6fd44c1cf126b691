import {
  bushelsPerAcreToKgPerHa,
  compareStrips,
  cropOf,
  CROPS,
  kgPerHaToBushelsPerAcre,
  kilogramsPerBushel,
  likelyLot,
  living,
} from '@fanega/core';
import { useRef, useState } from 'react';
import { toast } from '../../../ui/toast';
import { ulid } from 'ulid';
import { useRefreshFarm } from '../../../data/farm';
import { useSend } from '../../../data/use-send';
import { Button, Problem, SelectBox, TextBox } from '../../../ui';
import { cropYieldFine } from '../../../quantity/quantity';
import { TakeBack } from '../../../widgets/take-back';
import { day } from '../../../quantity/time';
import type { CutGiven } from '../words';
import { logged } from '../../../data/records';
import { write } from '../../../data/outbox';

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
  const per = kilogramsPerBushel(legal);
  const typed = pairs.map((pair) =>
    pair.map((text) => cropYieldFine.read(text, { least: 0, most: 400, per, wanted: true })),
  );
  const full = typed.flatMap(([fresh, old]) =>
    fresh?.value === undefined || old?.value === undefined ? [] : [[fresh.value, old.value] as const],
  );
  const result = full.length >= 2 ? compareStrips(full.map(([fresh, old]) => fresh - old)) : null;
  const save = async (): Promise<void> => {
    const errors: Record<string, string> = {};
    typed.forEach(([fresh, old], i) => {
      if (pairs[i]![0].trim() === '' && pairs[i]![1].trim() === '') return;
      if (fresh?.error) errors[`new${i}`] = fresh.error;
      if (old?.error) errors[`old${i}`] = old.error;
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
      differences: full.map(
        ([fresh, old]) => bushelsPerAcreToKgPerHa(fresh, legal) - bushelsPerAcreToKgPerHa(old, legal),
      ),
    };
    if (!(await sending.send(() => write(farm.id, logged(farm.id, 'stripTrial', body), 'a strip trial')))) return;
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
  const set = (i: number, at: 0 | 1, value: string) =>
    setPairs(pairs.map((pair, k) => (k === i ? (at === 0 ? [value, pair[1]] : [pair[0], value]) : pair)));
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
        <p className="text-muted">
          New and old beside each other, turn about, across the same ground. A jump of the display in another field
          proves nothing.
        </p>
        <div className="grid gap-3 sm:grid-cols-2">
          <SelectBox label="Field" value={lotId} onChange={(event) => setLotId(event.target.value)}>
            {[...farm.data.lots].reverse().map((lot) => (
              <option key={lot.id} value={lot.id}>
                {lot.fieldName}
              </option>
            ))}
          </SelectBox>
          <TextBox
            label="What was compared"
            maxLength={120}
            value={what}
            error={wrong.what}
            onChange={(event) => setWhat(event.target.value)}
          />
        </div>
        {pairs.map(([fresh, old], i) => (
          <div key={i} className="grid grid-cols-2 gap-3">
            <TextBox
              label={`New, pair ${i + 1}`}
              unit={cropYieldFine.unit}
              className="pr-20"
              inputMode="decimal"
              value={fresh}
              error={wrong[`new${i}`]}
              onChange={(event) => set(i, 0, event.target.value)}
            />
            <TextBox
              label={`Old, pair ${i + 1}`}
              unit={cropYieldFine.unit}
              className="pr-20"
              inputMode="decimal"
              value={old}
              error={wrong[`old${i}`]}
              onChange={(event) => set(i, 1, event.target.value)}
            />
          </div>
        ))}
        <Button onClick={() => setPairs([...pairs, ['', '']])}>One more pair</Button>
        {result && <Result result={result} show={(value) => value} per={per} />}
        <Problem>{sending.message}</Problem>
        <Button look="do" type="submit" className="min-h-14 w-full text-lg" disabled={sending.busy}>
          Record the strips
        </Button>
      </form>
      <section aria-label="Strips so far" className="border-t border-ink px-5 py-5 lg:border-t-0 lg:border-l lg:px-6">
        <h2 className="text-xl">So far</h2>
        <ul className="mt-2 divide-y divide-rule">
          {living(notebook.logs.stripTrial).map(({ body }) => {
            const lot = farm.lot(body.lotId);
            const pounds = (cropOf(lot?.crop ?? '') ?? CROPS.corn).legalPounds;
            return (
              <li key={body.id} className="py-3">
                <p className="font-semibold">{body.what}</p>
                <p className="text-sm text-muted">
                  {lot?.fieldName}, {day(body.at, farm.data.farm.timeZone)}, {body.differences.length} pairs:{' '}
                  {body.differences
                    .map(
                      (d) =>
                        cropYieldFine.signed(kgPerHaToBushelsPerAcre(d, pounds), kilogramsPerBushel(pounds)).figure,
                    )
                    .join(', ')}
                </p>
                <Result
                  result={compareStrips(body.differences)}
                  show={(value) => kgPerHaToBushelsPerAcre(value, pounds)}
                  per={kilogramsPerBushel(pounds)}
                />
                <TakeBack of="stripTrial" id={body.id} />
              </li>
            );
          })}
        </ul>
      </section>
    </div>
  );
}

function Result({
  result,
  show,
  per,
}: {
  result: ReturnType<typeof compareStrips>;
  show: (value: number) => number;
  per: number;
}) {
  return (
    <p aria-label="Result of the strips">
      <b className="text-2xl">{cropYieldFine.signed(show(result.mean), per).text}</b>, standard error{' '}
      {cropYieldFine.figure(show(result.standardError), per)}: <b>{VERDICT[result.verdict]}</b>
      <span className="block text-sm text-muted">
        Between {cropYieldFine.signed(show(result.low), per).figure} and{' '}
        {cropYieldFine.signed(show(result.high), per).figure}, 19 times of 20.
        {result.verdict === 'not shown to differ' && result.stripsNeeded !== null && result.stripsNeeded < 1000
          ? ` About ${result.stripsNeeded} pairs would show a difference this large.`
          : ''}
      </span>
    </p>
  );
}
