import { calendarDay, cropOf, type DayLine } from '@fanega/core';
import { Printer, Send } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { addressOf } from '../../../data/api';
import { type Farm, useDay } from '../../../data/farm';
import { bushels, grain, mass, money, number, percent, priceText } from '../../../quantity/quantity';
import { clock, dayText, dayTyped } from '../../../quantity/time';
import { readDay } from '../../../quantity/time-typed';
import { Empty } from '../../../ui';
import { Section } from '../../../ui/page';
import { QueryBoundary } from '../../../ui/query-boundary';
import { type Column, DataTable } from '../../../ui/table';
import { Verdict } from '../../../ui/verdict';
import { wordColumn } from '../../../widgets/columns';
import { DayBox } from '../../../widgets/day-box';

const LOOK = 'inline-flex min-h-11 items-center gap-2 font-semibold underline decoration-rule underline-offset-4 hover:decoration-ink'; // prettier-ignore

/** A day's work on one page, to print or to send in the evening. */
export default function Day({ farm }: { farm: Farm }) {
  const { timeZone } = farm.data.farm;
  const today = calendarDay(farm.clock(), timeZone);
  const [typed, setTyped] = useState(dayTyped(today));
  const day = readDay(typed, today).value ?? today;
  const answer = useDay(day === today ? undefined : day);
  const pdf = addressOf('/api/farms/{farmId}/day/pdf', { farmId: farm.id });
  return (
    <>
      <div className="flex flex-wrap items-end gap-x-6 gap-y-2 border-b border-rule px-5 py-3 lg:px-6">
        <div className="w-56">
          <DayBox label="Day" value={typed} error={readDay(typed, today).error} onChange={setTyped} />
        </div>
        <a href={`${pdf}?day=${day}`} target="_blank" rel="noreferrer" className={LOOK}>
          <Printer size={18} aria-hidden="true" /> Print the day
        </a>
        {answer.data && (
          <a
            href={`mailto:?subject=${encodeURIComponent(`${farm.data.farm.name}, ${dayText(day)}`)}&body=${encodeURIComponent(asText(farm, answer.data))}`}
            className={LOOK}
          >
            <Send size={18} aria-hidden="true" /> Send it
          </a>
        )}
      </div>
      <QueryBoundary answer={answer} tall what="Adding up the day">
        {(data) => <Report farm={farm} data={data} />}
      </QueryBoundary>
    </>
  );
}

type Data = NonNullable<ReturnType<typeof useDay>['data']>;
type DayCut = Data['report']['cut'][number];

const cutOf = (farm: Farm, { report }: Data): string =>
  report.cut.map((line) => `${farm.lot(line.id)?.fieldName ?? line.id} ${bushels(Math.round(line.bushels), farm.kgPerBu(line.crop)).text} at ${percent(line.moisture)}`).join(', '); // prettier-ignore

/** The day as a message: short lines that any phone shows. */
function asText(farm: Farm, data: Data): string {
  const { report, ahead, nextLots } = data;
  return [
    report.cut.length > 0 ? `Cut: ${cutOf(farm, data)}` : 'Nothing cut.',
    ...report.sold.map((one) => `Sold: ${farm.placeName(one.buyerId)} ${one.ticket ?? 'without a ticket'}, ${mass(one.netKg).text} at ${percent(one.moisture)}`), // prettier-ignore
    ...report.dried.map((one) => `Dried: ${farm.placeName(one.id)} ${percent(one.from)} to ${percent(one.to)}`),
    ...(nextLots.length > 0 ? [`Next: ${nextLots.map((id) => farm.lot(id)?.fieldName ?? id).join(', ')}`] : []),
    ...ahead.map(({ from, title }) => `${dayText(from)}: ${title}`),
  ].join('\n');
}

function cutColumns(farm: Farm): Column<DayCut>[] {
  const { timeZone } = farm.data.farm;
  return [
    wordColumn('field', 'Field', ({ id }) => farm.lot(id)?.fieldName ?? id, {
      phone: 'title',
      as: (name, { id, crop }) => (
        <>
          <Link to={`/trace/lot/${id}`} className="underline decoration-rule underline-offset-4">
            {name}
          </Link>
          , {cropOf(crop)?.short}
        </>
      ),
    }),
    wordColumn('loads', 'Loads', ({ loads }) => number(loads), { right: true, by: ({ loads }) => loads }),
    wordColumn('cut', 'Cut', (line) => bushels(Math.round(line.bushels), farm.kgPerBu(line.crop)).text, {
      phone: 'verdict',
      right: true,
      by: (line) => line.bushels,
    }),
    wordColumn('moisture', 'Moisture', (line) => percent(line.moisture), { right: true, by: (line) => line.moisture }),
    wordColumn('when', 'From, to', (line) => `${clock(line.firstAt, timeZone)} – ${clock(line.lastAt, timeZone)}`, {
      right: true,
      by: ({ firstAt }) => Date.parse(firstAt),
    }),
  ];
}

function Report({ farm, data }: { farm: Farm; data: Data }) {
  const { report, ahead, nextLots } = data;
  const { cut, sold, people } = report;
  const busy = cut.length + sold.length + report.hauled.length + report.dried.length > 0;
  if (!busy && ahead.length === 0)
    return (
      <Empty title={`Nothing was recorded on ${dayText(report.day)}.`}>
        <p>Choose another day above.</p>
      </Empty>
    );
  const wet = cut.reduce((sum, line) => sum + line.wetKg, 0);
  const crops = new Set(cut.map(({ crop }) => crop));
  const priced = sold.filter(({ pricePerBu }) => pricePerBu !== null);
  return (
    <div className="lg:grid lg:grid-cols-[1.5fr_1fr]">
      <Section label="What was done">
        <Verdict
          about={dayText(report.day)}
          figure={
            cut.length === 0
              ? 'Nothing cut'
              : crops.size === 1
                ? bushels(Math.round(cut.reduce((sum, line) => sum + line.bushels, 0)), farm.kgPerBu([...crops][0]))
                    .text
                : mass(wet).text
          }
          unit={cut.length === 0 ? undefined : `cut on ${cut.length === 1 ? 'one field' : `${cut.length} fields`}`}
        >
          {sold.length > 0 ? (
            <>
              {sold.length === 1 ? 'One load' : `${sold.length} loads`} sold
              {priced.length > 0 &&
                `, ${money(priced.reduce((sum, one) => sum + one.bushels * one.pricePerBu!, 0))} at the tickets’ own prices`}
              .
            </>
          ) : (
            'Nothing was sold.'
          )}
        </Verdict>
        {cut.length > 0 && (
          <div className="mt-5">
            <DataTable
              name="Cut"
              one="field"
              many="fields"
              rows={cut}
              columns={cutColumns(farm)}
              rowId={({ id }) => id}
              flush
            />
          </div>
        )}
        {sold.length > 0 && (
          <>
            <h2 className="mt-5 text-xl">Sold</h2>
            <ul>
              {sold.map((one) => (
                <li key={one.entryId} className="flex min-h-11 flex-wrap items-center gap-x-4 border-b border-rule">
                  <Link
                    to={`/trace/delivery/${one.entryId}`}
                    className="font-semibold underline decoration-rule underline-offset-4"
                  >
                    {one.ticket === null ? 'no ticket yet' : `Ticket ${one.ticket}`}
                  </Link>
                  <span>{farm.placeName(one.buyerId)}</span>
                  <span>
                    {mass(one.netKg).text} at {percent(one.moisture)}
                  </span>
                  {one.pricePerBu !== null && <span>{priceText(one.pricePerBu, one.netKg / one.bushels)}</span>}
                </li>
              ))}
            </ul>
          </>
        )}
      </Section>
      <Section label="Around it" className="border-t border-ink lg:border-t-0 lg:border-l">
        <Lines farm={farm} title="Hauled" list={report.hauled} />
        <Lines farm={farm} title="Into bins" list={report.stored} />
        {report.dried.length > 0 && (
          <>
            <h2 className="text-xl">Dried</h2>
            {report.dried.map((one, i) => (
              <p key={i}>
                {farm.placeName(one.id)}: {mass(one.wetKg).text} from {percent(one.from)} to {percent(one.to)},{' '}
                {mass(one.waterKg).text} of water
              </p>
            ))}
          </>
        )}
        {report.lost.map((one, i) => (
          <p key={i} className="mt-2">
            Lost: {mass(one.wetKg).text}, {one.reason}, {farm.placeName(one.id)}
          </p>
        ))}
        {people.length > 0 && (
          <p className="mt-3 text-muted">
            Recorded by {people.map(({ name, entries }) => `${name} (${entries})`).join(', ')}.
          </p>
        )}
        {(nextLots.length > 0 || ahead.length > 0) && (
          <>
            <h2 className="mt-5 text-xl">Next</h2>
            {nextLots.length > 0 && (
              <p>Fields in their order: {nextLots.map((id) => farm.lot(id)?.fieldName ?? id).join(', ')}.</p>
            )}
            <ul>
              {ahead.map((one) => (
                <li key={one.uid}>
                  <b>{dayText(one.from)}</b> {one.title}
                  {one.about !== '' && `, ${one.about}`}
                  {one.grain &&
                    `: ${bushels(one.grain.bushels, farm.kgPerBu(one.grain.crop)).text} ${cropOf(one.grain.crop)?.short ?? ''}`}
                </li>
              ))}
            </ul>
          </>
        )}
      </Section>
    </div>
  );
}

function Lines({ farm, title, list }: { farm: Farm; title: string; list: readonly DayLine[] }) {
  if (list.length === 0) return null;
  return (
    <>
      <h2 className="text-xl">{title}</h2>
      <ul className="mb-4">
        {list.map((line) => (
          <li key={line.id} className="flex justify-between gap-4 border-b border-rule py-1">
            <span>
              {farm.placeName(line.id)}, {line.loads === 1 ? 'one load' : `${line.loads} loads`}
            </span>
            <span>{grain(line.wetKg, line.wetKg / line.bushels).text}</span>
          </li>
        ))}
      </ul>
    </>
  );
}
