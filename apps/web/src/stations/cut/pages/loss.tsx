import {
  acceptedLoss,
  advise,
  type Change,
  type CheckedLoss,
  checksOf,
  cropOf,
  CROPS,
  likelyLot,
  LOSS_COUNT,
  rangesOf,
  type Settings,
  SETTINGS,
  settingsEntriesOf,
  type Symptom,
  SYMPTOMS,
  type TrailStep,
  triedOf,
} from '@fanega/core';
import { useRef, useState } from 'react';
import { toast } from '../../../ui/toast';
import { ulid } from 'ulid';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { useSend } from '../../../data/use-send';
import { Button, Problem, SelectBox } from '../../../ui';
import { Verdict } from '../../../ui/verdict';
import {
  areaWhole,
  dollars,
  loss as lossOf,
  moneyPerArea,
  length,
  number,
  priceText,
} from '../../../quantity/quantity';
import { TakeBack } from '../../../widgets/take-back';
import { clock, day } from '../../../quantity/time';
import { CountLoss } from '../forms/count-loss';
import { changeWords, outcomeWords, trailOf } from './trail';
import { ADVICE_CAUTION, type CutGiven, LOSS_WARNING_WORDS, SHOWN, settingText } from '../words';
import { logged } from '../../../data/records';
import { write } from '../../../data/outbox';
import { Working } from '../../../widgets/working';
import { ACT_WORDS, PASSED_WORDS, WHY_WORDS } from '../advice-words';
import { Callout } from '../../../ui/callout';
import { Section } from '../../../ui/page';
import { capital } from '../../../words';
import { Ago } from '../../../widgets/ago';

/** What it leaves behind, the one thing to change, and what each change did. */
export function LossChecks({ farm, notebook, rows, machineId }: CutGiven) {
  const [lotId, setLotId] = useState(() => likelyLot(farm, notebook, rows, machineId));
  const [counting, setCounting] = useState(false);
  const sheets = settingsEntriesOf(notebook, machineId);
  const current = sheets.find(({ body }) => body.lotId === lotId);
  const checks = checksOf(farm, notebook, machineId).filter(({ body }) => body.lotId === lotId);
  const [newest] = checks;
  const trail = trailOf(farm, notebook, machineId, lotId);
  const per = farm.kgPerBu(farm.lot(lotId)?.crop);
  const crop = cropOf(farm.lot(lotId)?.crop ?? '') ?? CROPS.corn;
  const accepted = acceptedLoss(notebook.settings.combineProfile[machineId]?.value, crop);
  // One thing to do next: to count, unless a change waits to be made.
  const countNext =
    !newest ||
    newest.check.noResult !== null ||
    ['count first', 'count again'].includes(trail.at(-1)?.verdict ?? '') ||
    (current !== undefined && newest.body.settingsId !== current.body.id);
  return (
    <div>
      <div className="flex flex-wrap items-end justify-between gap-3 px-5 pt-4 lg:px-6">
        <div className="w-64">
          <SelectBox label="Field" value={lotId} onChange={(event) => setLotId(event.target.value)}>
            {[...farm.data.lots].reverse().map((lot) => (
              <option key={lot.id} value={lot.id}>
                {lot.fieldName}
              </option>
            ))}
          </SelectBox>
        </div>
        <Button look={countNext ? 'do' : 'plain'} className="min-h-14 text-lg" onClick={() => setCounting(true)}>
          {newest ? 'Count again' : 'Count a loss'}
        </Button>
      </div>
      {counting && (
        <CountLoss
          farm={farm}
          notebook={notebook}
          rows={rows}
          machineId={machineId}
          lotId={lotId}
          settingsId={current?.body.id}
          speed={current?.body.values.speed}
          onDone={() => setCounting(false)}
        />
      )}
      {newest ? (
        <div className="mt-4 border-t border-ink lg:grid lg:grid-cols-2">
          <Newest farm={farm} note={newest} accepted={accepted} />
          <Next
            farm={farm}
            machineId={machineId}
            lotId={lotId}
            note={newest}
            trail={trail}
            values={current?.body.values ?? {}}
            currentId={current?.body.id}
            ranges={rangesOf(notebook.settings.combineProfile[machineId]?.value)}
            accepted={accepted}
          />
        </div>
      ) : (
        <p className="px-5 py-5 text-lg lg:px-6">
          No loss count for this machine here yet. Twenty seconds a frame, five frames, and the bushels and dollars it
          leaves are here.
        </p>
      )}
      <section aria-label="Trail" className="border-t border-ink px-5 py-5 lg:px-6">
        <h2 className="text-xl">One change at a time</h2>
        {trail.length === 0 ? (
          <p className="mt-1 text-muted">The trail begins with the first settings sheet in this field: Settings.</p>
        ) : (
          <ol className="mt-2 border-y border-rule">
            {[...trail].reverse().map((step) => (
              <li
                key={step.entry.id}
                className="grid gap-x-5 border-b border-rule py-2 last:border-b-0 sm:grid-cols-[9rem_1fr_7rem]"
              >
                <span className="whitespace-nowrap text-muted">
                  {day(step.entry.atMs, farm.data.farm.timeZone)}{' '}
                  <b>{clock(step.entry.atMs, farm.data.farm.timeZone)}</b>
                </span>
                <span>
                  <b>{changeWords(step)}</b>
                  <span className="block">{outcomeWords(step, per)}</span>
                </span>
                <span className="text-right text-xl font-bold">
                  {step.check ? lossOf.figure(step.check.check.parts.machine!.bushelsPerAcre, per) : '–'}
                </span>
              </li>
            ))}
          </ol>
        )}
      </section>
    </div>
  );
}

const NO_RESULT = {
  'counts contradict': 'These counts cannot all be right: count again.',
  'one frame': 'One frame says nothing: count at least three.',
} as const;

/** "31, 27, 36" */
const framesText = (frames: readonly { readonly kernels: number }[]): string =>
  frames.map(({ kernels }) => number(kernels)).join(', ');

const PARTS = [
  ['header', 'header'],
  ['threshing', 'threshing'],
  ['separation', 'separation and cleaning'],
] as const;

function Newest({ farm, note, accepted }: { farm: Farm; note: CheckedLoss; accepted: number }) {
  const { check, body } = note;
  const machine = check.parts.machine!;
  const per = farm.kgPerBu(farm.lot(body.lotId)?.crop);
  const most = Math.max(accepted, machine.kgPerHa, 1);
  const perKg = machine.kgPerHa > 0 ? machine.bushelsPerAcre / machine.kgPerHa : 1 / 62.77;
  return (
    <Section label="Last count">
      <Verdict
        about={
          <>
            Counted <Ago at={body.at} />, {note.by}, {body.behind.length}{' '}
            {body.behind.length === 1 ? 'frame' : 'frames'}
          </>
        }
        bad={check.noResult === null && machine.kgPerHa > accepted}
        {...(check.noResult === null
          ? { figure: lossOf.figure(machine.bushelsPerAcre, per), unit: lossOf.unit }
          : { figure: 'No result', small: true })}
      >
        {check.noResult !== null && `${NO_RESULT[check.noResult]} As counted: ${lossOf(machine.bushelsPerAcre, per)} `}±{' '}
        {lossOf.figure(check.uncertainty, per)}. <b>{moneyPerArea(machine.moneyPerAcre)}</b>
        {check.moneyPerHour === null ? '' : `, ${dollars(check.moneyPerHour)} an hour`}
        {check.moneyLeft === null ? '' : `, ${dollars(check.moneyLeft)} on the ${areaWhole(body.acresLeft ?? 0)} left`}.
      </Verdict>
      <p>
        {check.noResult !== null
          ? ''
          : machine.kgPerHa > accepted
            ? `■ Above the ${lossOf(accepted * perKg, per)} that you accept.`
            : `● Within the ${lossOf(accepted * perKg, per)} that you accept.`}
      </p>
      <ul className="mt-3 space-y-1">
        {PARTS.map(([part, words]) => {
          const loss = check.parts[part];
          return (
            <li key={part} className="grid grid-cols-[11rem_1fr] items-center gap-2">
              <span>{words}</span>
              <span className="flex items-center gap-2">
                {loss ? (
                  <>
                    <span
                      className="inline-block h-3.5 bg-ink"
                      style={{ width: `${(8 * loss.kgPerHa) / most}rem` }}
                      aria-hidden="true"
                    />
                    {lossOf.figure(loss.bushelsPerAcre, per)}
                  </>
                ) : (
                  <span className="text-muted">not told apart</span>
                )}
              </span>
            </li>
          );
        })}
        {check.parts.before && (
          <li className="text-sm text-muted">
            Down before harvest, not the machine&rsquo;s: {lossOf(check.parts.before.bushelsPerAcre, per).text}.
          </li>
        )}
      </ul>
      <Working
        what={`Loss ${lossOf(machine.bushelsPerAcre, per)}`}
        formulas={[LOSS_COUNT]}
        inputs={[
          {
            name: 'Behind the machine',
            value: framesText(body.behind),
            from: `${body.behind.length} frames, ${note.by}`,
            at: body.at,
          },
          body.before.length > 0
            ? {
                name: 'Before harvest',
                value: framesText(body.before),
                from: 'counted in the standing crop',
                at: body.at,
              }
            : {
                name: 'Before harvest',
                value: 'none counted',
                from: 'taken as none: all kernels are put on the machine',
              },
          body.atHeader.length > 0
            ? {
                name: 'At the header',
                value: framesText(body.atHeader),
                from: 'counted where the machine backed up',
                at: body.at,
              }
            : { name: 'At the header', value: 'none counted', from: 'header and rear are not told apart' },
          {
            name: 'Weight of a thousand kernels',
            value: `${number(1000 * body.kernelGrams)} g`,
            from: 'typed with the count',
          },
          { name: 'Price', value: priceText(body.pricePerBu, per), from: 'typed with the count' },
          {
            name: 'Spread',
            value:
              body.spreadWidth === undefined || body.headWidth === undefined
                ? '–'
                : `${length(body.spreadWidth)} of ${length(body.headWidth)}`,
            from: body.spreadWidth === undefined ? 'taken as the width of the head' : 'typed with the count',
          },
        ]}
        worked={[
          `${number(machine.kernelsPerM2, 1)} kernels a m² × ${number(body.kernelGrams, 4)} g × 10 = ${number(machine.kgPerHa, 1)} kg/ha = ${lossOf(machine.bushelsPerAcre, per).text}`,
          `${lossOf(machine.bushelsPerAcre, per).text} × ${priceText(body.pricePerBu, per)} = ${moneyPerArea(machine.moneyPerAcre)}`,
        ]}
        not="ears and pods that were never cut, and what birds and deer took."
      />
      <div>
        <TakeBack of="lossCheck" id={body.id} label="Take this count back" />
      </div>
      {check.warnings.map((warning) => (
        <p key={warning} className="mt-1 text-sm">
          ◐ {LOSS_WARNING_WORDS[warning]}
        </p>
      ))}
    </Section>
  );
}

/** Which symptom the largest part points to, until somebody says otherwise. */
function likelySymptom(note: CheckedLoss, crop: string): Symptom {
  if (note.body.symptom && Object.hasOwn(SYMPTOMS, note.body.symptom)) return note.body.symptom as Symptom;
  const { header, threshing, separation } = note.check.parts;
  const [h, t, s] = [header?.kgPerHa ?? 0, threshing?.kgPerHa ?? 0, separation?.kgPerHa ?? 0];
  if (h >= t && h >= s && h > 0) return crop === 'corn' ? 'butts' : 'shatterDry';
  return t > s ? 'unthreshed' : 'rotorLoss';
}

type Hint = '' | 'light in chaff' | 'mat on the sieve';

/** The one change to make, and the way back when the last one did not help. */
function Next({
  farm,
  machineId,
  lotId,
  note,
  trail,
  values,
  currentId,
  ranges,
  accepted,
}: {
  farm: Farm;
  machineId: string;
  lotId: string;
  note: CheckedLoss;
  trail: readonly TrailStep[];
  values: Settings;
  currentId: string | undefined;
  ranges: ReturnType<typeof rangesOf>;
  accepted: number;
}) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const id = useRef(ulid());
  const crop = farm.lot(lotId)?.crop ?? '';
  const [symptom, setSymptom] = useState<Symptom>(() => likelySymptom(note, crop));
  const [hint, setHint] = useState<Hint>('');
  const last = trail.at(-1);
  const before = trail.at(-2);
  const advice = advise({
    symptom,
    present: clip(values),
    ranges,
    tried: triedOf(trail),
    ...(hint === '' ? {} : { hint }),
  });

  const writeDown = async (change: {
    readonly values: Settings;
    readonly why: string;
    readonly undoes?: string;
  }): Promise<void> => {
    const body = { id: id.current, at: new Date(farm.clock()).toISOString(), machineId, lotId, ...change };
    if (!(await sending.send(() => write(farm.id, logged(farm.id, 'settingsEntry', body), 'combine settings')))) return;
    id.current = ulid();
    toast(change.undoes ? 'Gone back. Count again when it runs.' : 'Written down. Count again when it runs.');
    await refresh();
  };

  const wrongSheet = note.body.settingsId !== currentId && currentId !== undefined;
  return (
    <section aria-label="What next" className="border-t border-ink px-5 py-5 lg:border-t-0 lg:border-l lg:px-6">
      {last?.verdict === 'go back' && before ? (
        <div className="mb-4 border-l-4 border-clay bg-sand px-4 py-3">
          <p className="text-2xl font-bold">Go back.</p>
          <p>
            {changeWords(last)} is {last.result?.verdict === 'worse' ? 'worse' : 'not shown to help'}.
          </p>
          <Button
            look="do"
            className="mt-2 min-h-14"
            disabled={sending.busy}
            onClick={() =>
              void writeDown({
                values: before.entry.values,
                why: `${last.result?.verdict === 'worse' ? 'worse' : 'no help'}: back to the sheet before`,
                undoes: last.entry.id,
              })
            }
          >
            {last.changed
              .map(({ setting, from }) => `${SHOWN[setting].label} back to ${settingText(setting, from)}`)
              .join(', ')}
          </Button>
        </div>
      ) : note.check.noResult !== null || last?.verdict === 'count again' ? (
        <p className="text-2xl font-bold">Count again: this count says nothing.</p>
      ) : last?.verdict === 'count first' || wrongSheet ? (
        <p className="text-2xl font-bold">Count again first: the settings were changed since.</p>
      ) : note.check.parts.machine!.kgPerHa <= accepted ? (
        <p className="text-2xl font-bold">Leave it: the loss is within what you accept.</p>
      ) : (
        <>
          <p className="text-sm text-muted">Next change, this one only</p>
          {advice.next ? (
            <NextChange
              change={advice.next}
              values={values}
              onMade={(made) =>
                void writeDown({
                  values: made,
                  why: `${SYMPTOMS[symptom].toLowerCase()}: ${WHY_WORDS[advice.next!.why]}`,
                })
              }
              busy={sending.busy}
            />
          ) : (
            <p className="text-2xl font-bold">
              The list is used up: look inside, and into the operator&rsquo;s manual.
            </p>
          )}
        </>
      )}
      <div className="mt-4 space-y-3">
        <SelectBox label="What is seen" value={symptom} onChange={(event) => setSymptom(event.target.value as Symptom)}>
          {(Object.keys(SYMPTOMS) as Symptom[]).map((name) => (
            <option key={name} value={name}>
              {SYMPTOMS[name]}
            </option>
          ))}
        </SelectBox>
        {symptom === 'sieveLoss' && (
          <SelectBox label="How it lies" value={hint} onChange={(event) => setHint(event.target.value as Hint)}>
            <option value="">not looked at</option>
            <option value="light in chaff">kernels light in the chaff</option>
            <option value="mat on the sieve">under a mat on the sieve</option>
          </SelectBox>
        )}
        {advice.then.length > 0 && (
          <details>
            <summary className="min-h-11 cursor-pointer py-2.5 font-semibold">After that, one at a time</summary>
            <ol className="list-decimal pl-6">
              {advice.then.map((change, i) => (
                <li key={i}>{shortWords(change)}</li>
              ))}
            </ol>
          </details>
        )}
        {advice.passedOver.length > 0 && (
          <p className="text-sm text-muted">
            Passed over:{' '}
            {advice.passedOver
              .map((one) => `${SHOWN[one.setting].label.toLowerCase()} (${PASSED_WORDS[one.because]})`)
              .join(', ')}
            .
          </p>
        )}
        <Callout icon className="px-3 py-2 text-sm">
          {ADVICE_CAUTION}
        </Callout>
      </div>
      <Problem className="mt-2">{sending.message}</Problem>
    </section>
  );
}

/** Values that the core believes; a sheet may hold one that is beyond them. */
const clip = (values: Settings): Settings =>
  Object.fromEntries(
    Object.entries(values).filter(
      ([name, value]) =>
        value >= SETTINGS[name as keyof Settings].least && value <= SETTINGS[name as keyof Settings].most,
    ),
  );

function shortWords(change: Change): string {
  if (change.kind === 'do') return ACT_WORDS[change.what];
  return `${SHOWN[change.setting].label} ${change.direction}${change.to === null ? '' : ` to ${settingText(change.setting, change.to)}`}`;
}

function NextChange({
  change,
  values,
  onMade,
  busy,
}: {
  change: Change;
  values: Settings;
  onMade: (values: Settings) => void;
  busy: boolean;
}) {
  if (change.kind === 'do') {
    return (
      <>
        <p className="text-2xl font-bold">{capital(ACT_WORDS[change.what])}.</p>
        <p className="text-muted">{WHY_WORDS[change.why]}</p>
        {change.stopFirst && (
          <p className="mt-1 font-semibold text-clay">
            ■ Stop first: engine off, key out, wait until everything has stopped.
          </p>
        )}
      </>
    );
  }
  const { setting, from, to } = change;
  return (
    <>
      <p className="text-3xl font-bold">
        {SHOWN[setting].label}{' '}
        {from === null || to === null
          ? `${change.direction} a step`
          : `${settingText(setting, from)} → ${settingText(setting, to)}`}
      </p>
      <p className="text-muted">{WHY_WORDS[change.why]}</p>
      {to === null ? (
        <p className="mt-1 text-sm">Write down how it is set now (Settings), and the step is worked out.</p>
      ) : (
        <Button
          look="do"
          className="mt-3 min-h-14"
          disabled={busy}
          onClick={() => onMade({ ...values, [setting]: to })}
        >
          Changed: write it down
        </Button>
      )}
    </>
  );
}
