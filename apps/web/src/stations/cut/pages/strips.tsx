import {
  bushelsPerAcreToKgPerHa,
  compareStrips,
  cropOf,
  CROPS,
  kgPerHaToBushelsPerAcre,
  kilogramsPerBushel,
  likelyLot,
  living,
  STRIP_TRIAL,
} from '@fanega/core';
import { useRef } from 'react';
import { useFieldArray } from 'react-hook-form';
import { toast } from '../../../ui/toast';
import { ulid } from 'ulid';
import { useRefreshFarm } from '../../../data/farm';
import { Button, SelectBox, TextBox } from '../../../ui';
import { asTyped, oneOf, rows } from '../../../ui/form/box';
import { Form } from '../../../ui/form/form';
import { useFields } from '../../../ui/form/use-fields';
import { textBox } from '../../../widgets/record-boxes';
import { cropYieldFine, system } from '../../../quantity/quantity';
import { TakeBack } from '../../../widgets/take-back';
import { day } from '../../../quantity/time';
import type { CutGiven } from '../words';
import { logged } from '../../../data/records';
import { write } from '../../../data/outbox';

const VERDICT = { better: '● better', worse: '■ worse', 'not shown to differ': '◐ not shown to differ' } as const;

const NONE = { fresh: '', old: '' };

/** Alternating strips: the only proof that a change raised the yield. */
export function Strips({ farm, notebook, rows: lots, machineId }: CutGiven) {
  const refresh = useRefreshFarm(farm.id);
  const id = useRef(ulid());
  const legalOf = (lotId: string): number => (cropOf(farm.lot(lotId)?.crop ?? '') ?? CROPS.corn).legalPounds;
  /** Read when the field is known: bushels are of its crop. */
  const pairBox = asTyped(cropYieldFine.unit);
  const readPair = (typed: string, lotId: string) =>
    cropYieldFine.read(typed, { least: 0, most: 400, per: kilogramsPerBushel(legalOf(lotId)), wanted: true });
  const full = (pairs: readonly { readonly fresh: string; readonly old: string }[], lotId: string) =>
    pairs.flatMap((pair) => {
      const [fresh, old] = [readPair(pair.fresh, lotId).value, readPair(pair.old, lotId).value];
      return fresh === undefined || old === undefined ? [] : [{ fresh, old }];
    });
  const form = useFields({
    keptAs: `strips.${farm.id}.${system()}`,
    boxes: {
      lotId: oneOf<string>(),
      what: textBox(STRIP_TRIAL.fields.what, 'What was compared?'),
      pairs: rows(() => ({ fresh: pairBox, old: pairBox })),
    },
    start: () => ({ lotId: likelyLot(farm, notebook, lots, machineId), what: '', pairs: [NONE, NONE, NONE] }),
    together: ({ lotId, pairs }) => {
      const errors: Record<string, string> = {};
      pairs.forEach((pair, i) => {
        if (pair.fresh.trim() === '' && pair.old.trim() === '') return;
        for (const which of ['fresh', 'old'] as const) {
          const { error } = readPair(pair[which], lotId);
          if (error) errors[`pairs.${i}.${which}`] = error;
        }
      });
      if (Object.keys(errors).length === 0 && full(pairs, lotId).length < 2)
        errors['pairs.0.fresh'] = 'Two pairs at least';
      return errors;
    },
    save: async ({ lotId, what, pairs }) => {
      const legal = legalOf(lotId);
      const body = {
        id: id.current,
        at: new Date(farm.clock()).toISOString(),
        lotId,
        what,
        differences: full(pairs, lotId).map(
          ({ fresh, old }) => bushelsPerAcreToKgPerHa(fresh, legal) - bushelsPerAcreToKgPerHa(old, legal),
        ),
      };
      await write(farm.id, logged(farm.id, 'stripTrial', body), 'a strip trial');
      id.current = ulid();
      toast('Strips recorded');
      await refresh();
    },
  });
  const { fields, append } = useFieldArray({ control: form.control, name: 'pairs' });
  const { lotId } = form.texts;
  const typed = full(form.texts.pairs, lotId);
  const result = typed.length >= 2 ? compareStrips(typed.map(({ fresh, old }) => fresh - old)) : null;
  return (
    <div className="lg:grid lg:grid-cols-2">
      <Form form={form} button="Record the strips" className="space-y-4 px-5 py-5 lg:px-6">
        <h2 className="text-xl">Did it raise the yield?</h2>
        <p className="text-muted">
          New and old side by side, taking turns, across the same ground. A jump of the display in another field proves
          nothing.
        </p>
        <div className="grid gap-3 sm:grid-cols-2">
          <SelectBox label="Field" {...form.box('lotId')}>
            {[...farm.data.lots].reverse().map((lot) => (
              <option key={lot.id} value={lot.id}>
                {lot.fieldName}
              </option>
            ))}
          </SelectBox>
          <TextBox label="What was compared" {...form.box('what')} />
        </div>
        {fields.map((pair, i) => (
          <div key={pair.id} className="grid grid-cols-2 gap-3">
            <TextBox label={`New, pair ${i + 1}`} className="pr-20" {...form.box(`pairs.${i}.fresh`)} />
            <TextBox label={`Old, pair ${i + 1}`} className="pr-20" {...form.box(`pairs.${i}.old`)} />
          </div>
        ))}
        <Button onClick={() => append(NONE)}>One more pair</Button>
        {result && <Result result={result} show={(value) => value} per={kilogramsPerBushel(legalOf(lotId))} />}
      </Form>
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
        {cropYieldFine.signed(show(result.high), per).figure}, 19 times out of 20.
        {result.verdict === 'not shown to differ' && result.stripsNeeded !== null && result.stripsNeeded < 1000
          ? ` About ${result.stripsNeeded} pairs would show a difference this large.`
          : ''}
      </span>
    </p>
  );
}
