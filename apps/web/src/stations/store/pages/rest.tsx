import {
  ALLOCATION,
  combineRate,
  cropCut,
  cropOf,
  dryerOf,
  type LeftOutWhy,
  REST_RULES,
  type RestAnswer,
  type RestBy,
  restQuestion,
  type RestQuestion,
  type RestRules,
  USUAL_HAUL_TIMES,
  baseMoistureOf,
  WET_ABOVE,
} from '@fanega/core';
import { useMemo, useState } from 'react';
import { useOffers } from '../../../widgets/use-offers';
import { type Farm, useBinSetups, useFields, useNotebook, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { setting } from '../../../data/records';
import { useSend } from '../../../data/use-send';
import { useWorker } from '../../../data/worker';
import { area, bushels, count, cropYield, dollars, hours, number, percent, price } from '../../../quantity/quantity';
import { day } from '../../../quantity/time';
import { Button, Choices, Empty, Loading, Problem, TextBox } from '../../../ui';
import { Callout } from '../../../ui/callout';
import { Section } from '../../../ui/page';
import { type Column, DataTable } from '../../../ui/table';
import { Verdict } from '../../../ui/verdict';
import { figureColumn, wordColumn } from '../../../widgets/columns';
import { Working } from '../../../widgets/working';

/** What the farm has not set itself; common practice, no source. */
const USUAL: RestRules = { storedWorth: 0.2, dryerHoursPerDay: 20, truckHoursPerDay: 10 };
/** Hours of a day in which combines cut, as a mean of a fall; common practice, no source. */
const CUT_HOURS = 8;
/** Dryers have their sheet in Dry; until then a usual one. */
const USUAL_DRYER = { fuelPerPointBushel: 0.02, fuelPrice: 1.8, kWhPerPointBushel: 0.01, powerPrice: 0.12 };

/** Bushels for which it is said what more room would bring. */
const A_LOT = 1000;

const WHY: Readonly<Record<LeftOutWhy, string>> = {
  'out of service': 'out of service',
  'size not known': 'its size is not entered',
  'wet grain in it': 'wet grain lies in it',
  full: 'full',
  'grain of others': 'grain of others lies in it',
};

/** Whether all that stands goes into the farm's own bins, and what goes where. */
export default function Rest({ farm }: { farm: Farm }) {
  const notebook = useNotebook().data;
  const offers = useOffers(farm);
  const store = useBinSetups().data;
  const rows = useFields().data;
  const kept = store?.settings.restRules.farm;
  const [text, setText] = useState<Partial<Record<keyof RestRules, string>>>({});
  const [by, setBy] = useState<RestBy>('room');
  const sending = useSend();
  const refresh = useRefreshFarm(farm.id);
  const per = farm.kgPerBu(undefined);
  const was = { ...USUAL, ...kept?.value };
  const standing = useMemo(() => {
    if (!notebook || !rows) return null;
    const crop = cropCut(rows);
    return { rate: combineRate(farm, notebook, rows, crop), crop };
  }, [farm, notebook, rows]);
  const shown = {
    storedWorth: text.storedWorth ?? price.text(was.storedWorth, per),
    dryerHoursPerDay: text.dryerHoursPerDay ?? hours.text(was.dryerHoursPerDay),
    truckHoursPerDay: text.truckHoursPerDay ?? hours.text(was.truckHoursPerDay),
    days: text.days ?? (was.days === undefined ? '' : count.text(was.days)),
  };
  const { fields } = REST_RULES;
  const limit = (name: keyof typeof fields) => {
    const { spec } = fields[name];
    return spec.kind === 'number' ? { least: spec.least, most: spec.most } : {};
  };
  const read = {
    storedWorth: price.read(shown.storedWorth, { ...limit('storedWorth'), per, wanted: true }),
    dryerHoursPerDay: hours.read(shown.dryerHoursPerDay, { ...limit('dryerHoursPerDay'), wanted: true }),
    truckHoursPerDay: hours.read(shown.truckHoursPerDay, { ...limit('truckHoursPerDay'), wanted: true }),
    days: count.read(shown.days, limit('days')),
  };
  const wholeDays = read.days.value === undefined || Number.isInteger(read.days.value);
  const fits = wholeDays && Object.values(read).every(({ error }) => error === undefined);
  const question = useMemo((): RestQuestion | null => {
    if (!notebook || !rows || !store || !standing || !offers || !fits) return null;
    const able = dryerOf(notebook);
    const ask = (days: number): RestQuestion =>
      restQuestion({
        farm,
        rows,
        fields: notebook,
        states: store.settings.placeState,
        rules: {
          days,
          storedWorth: read.storedWorth.value!,
          dryerHoursPerDay: read.dryerHoursPerDay.value!,
          truckHoursPerDay: read.truckHoursPerDay.value!,
        },
        dryer: able && { ...USUAL_DRYER, ...able.setup, bushelPointsPerHour: able.bushelPointsPerHour },
        times: notebook.settings.haulTimes.farm?.value ?? USUAL_HAUL_TIMES,
        offers,
        nowMs: farm.data.now,
      });
    if (read.days.value !== undefined) return ask(read.days.value);
    // As long as the combines need for what stands, where nobody said otherwise.
    const bu = ask(1).sources.reduce((sum, one) => sum + (one.kind === 'field' ? one.bushels : 0), 0);
    return ask(standing.rate > 0 ? Math.min(200, Math.max(1, Math.ceil(bu / standing.rate / CUT_HOURS))) : 30);
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [farm, notebook, rows, store, standing, offers, fits, ...Object.values(read).map(({ value }) => value)]);
  const { data: answer, error } = useWorker('restFits', question);
  if (!notebook || !rows || !store) return <Loading what="Opening" />;
  const changed =
    fits &&
    (read.days.value !== was.days ||
      (['storedWorth', 'dryerHoursPerDay', 'truckHoursPerDay'] as const).some(
        (name) => read[name].value !== was[name],
      ));
  const keep = async (): Promise<void> => {
    const value: RestRules = {
      storedWorth: read.storedWorth.value!,
      dryerHoursPerDay: read.dryerHoursPerDay.value!,
      truckHoursPerDay: read.truckHoursPerDay.value!,
      ...(read.days.value === undefined ? {} : { days: read.days.value }),
    };
    if (
      await sending.send(() =>
        write(farm.id, setting(farm.id, 'restRules', 'farm', { revision: kept?.revision ?? 0, value })),
      )
    ) {
      setText({});
      await refresh();
    }
  };
  const box = (name: keyof typeof shown, label: string, unit: string, hint?: string) => (
    <TextBox
      label={label}
      unit={unit}
      {...(hint ? { hint } : {})}
      inputMode="decimal"
      value={shown[name]}
      error={read[name].error ?? (name === 'days' && !wholeDays ? 'A whole number' : undefined)}
      onChange={(event) => setText({ ...text, [name]: event.target.value })}
    />
  );
  return (
    <div className="lg:grid lg:grid-cols-[1.55fr_1fr]">
      <div className="min-w-0">
        <Section label="Does the rest fit?">
          {error ? (
            <Problem>{error.message}</Problem>
          ) : !fits ? (
            <p className="text-lg text-muted">A number on the right needs fixing.</p>
          ) : !question || !answer ? (
            <Loading what="Trying every place" />
          ) : question.sources.length === 0 ? (
            <Verdict small shape="●" figure="Nothing stands">
              {question.unknown.length > 0
                ? `${question.unknown.join(', ')}: no expected yield yet. Type one in Which field next.`
                : 'All that grew is in or gone.'}
            </Verdict>
          ) : (
            <Answer
              farm={farm}
              question={question}
              answer={answer}
              rate={standing?.rate ?? 0}
              typedDays={read.days.value !== undefined}
            />
          )}
        </Section>
        {question && answer && question.sources.length > 0 && (
          <div className="border-t border-ink">
            <div className="px-5 pt-4 lg:px-6">
              <Choices
                label="What goes where"
                value={by}
                onChange={(value) => setBy(value as RestBy)}
                choices={[
                  { value: 'room', label: 'Home first' },
                  { value: 'money', label: 'Most money' },
                ]}
              />
            </div>
            <Plan farm={farm} question={question} answer={answer} by={by} />
          </div>
        )}
      </div>
      <section
        aria-label="What it is worked out with"
        className="space-y-4 border-t border-ink px-5 py-5 lg:border-t-0 lg:border-l lg:px-6"
      >
        <div className="grid grid-cols-2 gap-3">
          {box(
            'days',
            'Days until all is in',
            'days',
            question && read.days.value === undefined ? `blank: ${question.days}, by the combines` : undefined,
          )}
          {box('storedWorth', 'A stored bushel brings more by', price.unit, 'after keeping it')}
          {box('dryerHoursPerDay', 'The dryer runs a day', hours.unit)}
          {box('truckHoursPerDay', 'Trucks run a day', hours.unit)}
        </div>
        {changed && (
          <Button onClick={() => void keep()} disabled={sending.busy}>
            Keep for everybody
          </Button>
        )}
        {sending.message && <p className="text-clay">{sending.message}</p>}
        {question && <Room farm={farm} question={question} answer={answer} />}
      </section>
    </div>
  );
}

const short = (crop: string): string => cropOf(crop)?.short ?? crop;

function Answer({
  farm,
  question,
  answer,
  rate,
  typedDays,
}: {
  farm: Farm;
  question: RestQuestion;
  answer: RestAnswer;
  rate: number;
  typedDays: boolean;
}) {
  const perOf = (crop: string) => farm.kgPerBu(crop);
  const [only] = answer.crops;
  const per = perOf(only!.crop);
  const said = (bu: number): string => bushels(Math.round(bu), per).text;
  const crops = answer.crops.map(
    ({ crop, comes, over }) =>
      `${bushels(Math.round(comes), perOf(crop)).text} of ${short(crop)}${over > 0 ? `, ${bushels(Math.round(over), perOf(crop)).text} of it beyond the bins` : ''}`,
  );
  const dryerBinds = answer.binds.some(({ id }) => id === 'dryer hours');
  const truckBinds = answer.binds.some(({ id }) => id === 'truck hours');
  const left = answer.plans.room.left.reduce((sum, { bushels: bu }) => sum + bu, 0);
  const { room } = answer.plans;
  const worth = answer.plans.money.shadows;
  return (
    <>
      <Verdict
        bad={!answer.fits}
        figure={answer.fits ? 'It fits' : said(answer.over)}
        unit={answer.fits ? `${said(answer.spare)} to spare` : 'too many for the bins'}
      >
        Still to come: {crops.join('; ')}.{' '}
        {!answer.fits &&
          (dryerBinds
            ? 'The dryer is too slow for more. '
            : truckBinds
              ? 'The trucks cannot bring more. '
              : answer.spare >= 1
                ? 'What room there is left is kept for another crop. '
                : '')}
        {left >= 1
          ? `${said(left)} have no place at all.`
          : !answer.fits
            ? 'The rest goes to the elevator as it is cut.'
            : ''}
      </Verdict>
      {question.unknown.length > 0 && (
        <Callout className="mt-3 px-3 py-2">
          Not counted: {question.unknown.join(', ')}. They have no expected yield yet; type one in Which field next.
        </Callout>
      )}
      {question.noPrice.length > 0 && (
        <Callout className="mt-3 px-3 py-2">
          No price is set for {question.noPrice.map(short).join(', ')}: its bushels count, its dollars do not.
        </Callout>
      )}
      {worth.length > 0 && (
        <ul className="mt-3" aria-label="What more would be worth">
          {worth.slice(0, 4).map(({ id, kind, worth: dollarsMore }) => (
            <li key={`${kind} ${id}`} className="border-b border-rule py-1">
              {kind === 'bin'
                ? `${said(A_LOT)} more room in ${farm.placeName(id)}`
                : kind === 'buyer'
                  ? `${said(A_LOT)} more that ${farm.placeName(id.split(' ')[0]!)} takes`
                  : kind === 'dryer hours'
                    ? 'One more dryer hour'
                    : 'One more truck hour'}
              : <b>{dollars((kind === 'bin' || kind === 'buyer' ? A_LOT : 1) * dollarsMore)}</b>
            </li>
          ))}
        </ul>
      )}
      <Working
        what={answer.fits ? 'It fits' : `${said(answer.over)} too many`}
        formulas={[ALLOCATION]}
        inputs={[
          ...question.sources.map((one) => ({
            name: one.subject,
            value: `${bushels(Math.round(one.bushels), perOf(one.crop)).text} of ${short(one.crop)}`,
            from:
              one.expected === null
                ? 'the book: on wheels or wet'
                : `${area(one.acres).text} × ${cropYield(one.expected, perOf(one.crop)).text}, at ${percent(one.moisture)}${one.guessed ? ' (not read yet)' : ''}`,
          })),
          {
            name: 'Room in the bins',
            value: said(question.places.reduce((sum, one) => sum + one.room, 0)),
            from: 'their size less what the book has in them',
          },
          {
            name: 'Days',
            value: number(question.days),
            from: typedDays
              ? 'typed'
              : rate > 0
                ? `${bushels(Math.round(rate), per).text} an hour, ${CUT_HOURS} hours a day`
                : 'the combines’ rate is not entered: 30',
          },
        ]}
        worked={[
          ...answer.crops.map(
            ({ crop, comes, home, over }) =>
              `${short(crop)}: ${bushels(Math.round(comes), perOf(crop)).text} − ${bushels(Math.round(home), perOf(crop)).text} = ${bushels(Math.round(over), perOf(crop)).text} beyond`,
          ),
          ...(question.dryer ? [`dryer: ${number(room.hours.dryer, 1)} of ${number(question.dryer.hours)} h`] : []),
          ...(question.trucks ? [`trucks: ${number(room.hours.truck, 1)} of ${number(question.trucks.hours)} h`] : []),
        ]}
        not="grain that is sold out of the bins meanwhile, and hours lost to rain."
      />
    </>
  );
}

interface PlanRow {
  readonly id: string;
  readonly from: string;
  readonly crop: string;
  readonly to: string;
  readonly way: string;
  readonly bushels: number;
  readonly note: string;
}

/** From each field to each place. */
function Plan({ farm, question, answer, by }: { farm: Farm; question: RestQuestion; answer: RestAnswer; by: RestBy }) {
  const plan = answer.plans[by];
  const bins = new Map(question.places.map((one) => [one.id, one]));
  const last = new Map(answer.lastLoads[by].map((one) => [one.place, one]));
  const sources = new Map(question.sources.map((one) => [one.id, one]));
  const rows: PlanRow[] = [
    ...plan.flows.map(({ from, to, way, bushels: bu }, i): PlanRow => {
      const source = sources.get(from)!;
      const bin = bins.get(to);
      const load = last.get(to);
      const perBu = farm.kgPerBu(source.crop);
      // Of the last field that goes there: what the last truck still finds.
      const ends = load !== undefined && plan.flows.findLastIndex((flow) => flow.to === to) === i;
      const wet = source.moisture > baseMoistureOf(source.crop, farm.data.farm.defaults) + WET_ABOVE;
      return {
        id: `${from} ${to} ${way}`,
        from: source.subject,
        crop: source.crop,
        to: farm.placeName(bin ? to : to.split(' ')[0]!),
        way: wet ? (way === 'dried' ? 'over the dryer' : `wet, at ${percent(source.moisture)}`) : 'as it is',
        bushels: bu,
        note: [
          bin?.backMs ? `from ${day(bin.backMs, farm.data.farm.timeZone)} on` : '',
          ends && load.part > 0
            ? `${number(load.whole)} whole loads, then ${bushels(Math.round(load.part), perBu).text}: send that truck on with the rest`
            : ends
              ? `${number(load.whole)} whole loads, and it is full`
              : '',
        ]
          .filter((one) => one !== '')
          .join('; '),
      };
    }),
    ...plan.left.map(({ from, bushels: bu }): PlanRow => {
      const source = sources.get(from)!;
      return { id: `${from} left`, from: source.subject, crop: source.crop, to: 'no place', way: '', bushels: bu, note: '' }; // prettier-ignore
    }),
  ];
  const columns: Column<PlanRow>[] = [
    wordColumn('from', 'From', (one) => one.from, {
      phone: 'title',
      as: (name) => <b className="font-semibold">{name}</b>,
    }),
    wordColumn('crop', 'Crop', (one) => short(one.crop), { choice: true }),
    wordColumn('to', 'To', (one) => one.to, {
      choice: true,
      as: (name) => <span className={name === 'no place' ? 'font-semibold text-clay' : 'font-semibold'}>{name}</span>,
    }),
    figureColumn('bushels', 'Dry bushels', bushels, (one) => Math.round(one.bushels), {
      per: (one) => farm.kgPerBu(one.crop),
      phone: 'verdict',
    }),
    wordColumn('way', 'How', (one) => one.way),
    wordColumn('note', 'Last load', (one) => one.note),
  ];
  return (
    <DataTable
      name="What goes where"
      one="line"
      many="lines"
      rows={rows}
      columns={columns}
      rowId={(one) => one.id}
      empty={<Empty title="Nothing goes anywhere." />}
    />
  );
}

/** The bins that take grain and those that do not, with why. */
function Room({ farm, question, answer }: { farm: Farm; question: RestQuestion; answer: RestAnswer | undefined }) {
  const fills = new Map((answer?.plans.room.fills ?? []).map((one) => [one.id, one]));
  const { timeZone } = farm.data.farm;
  return (
    <div>
      <h2 className="font-semibold">Room in the bins</h2>
      <ul className="mt-1 border-t border-ink" aria-label="Room in the bins">
        {question.places.map(({ id, crops, room, backMs }) => {
          const fill = fills.get(id);
          const per = farm.kgPerBu(fill?.crop ?? crops[0]);
          return (
            <li key={id} className="border-b border-rule py-1.5">
              <span className="flex justify-between gap-3">
                <b className="font-semibold">{farm.placeName(id)}</b>
                <span>{bushels(Math.round(room), per).text}</span>
              </span>
              <span className="text-sm text-muted">
                {crops.length === 1 ? short(crops[0]!) : 'any crop'}
                {fill?.crop && crops.length > 1 ? `, planned for ${short(fill.crop)}` : ''}
                {backMs ? `, out of service until ${day(backMs, timeZone)}` : ''}
                {fill && fill.bushels >= 1 ? `, ${bushels(Math.round(fill.bushels), per).text} planned` : ''}
              </span>
            </li>
          );
        })}
        {question.leftOut.map(({ id, why, reason }) => (
          <li key={id} className="border-b border-rule py-1.5 text-muted">
            {farm.placeName(id)}: takes nothing, {WHY[why]}
            {reason ? ` (${reason})` : ''}
          </li>
        ))}
      </ul>
    </div>
  );
}
