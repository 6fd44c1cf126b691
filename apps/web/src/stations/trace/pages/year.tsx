import {
  bookGaps,
  calendarDay,
  type CropCosts,
  cropOf,
  currentSeason,
  gapWords,
  SEASON_STATE,
  type SeasonState,
  sumOfMoney,
  YEAR_COSTS,
  type YearCrop,
  type YearDifference,
  type YearField,
  yearOf,
} from '@fanega/core';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { addressOf } from '../../../data/api';
import { type Farm, useFields, useRefreshFarm, useTraceRecords, useYearCosts } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { setting } from '../../../data/records';
import {
  area,
  bushels,
  cropYieldFine,
  testWeight,
  mass,
  moisture,
  money,
  number,
  percent,
  priceText,
} from '../../../quantity/quantity';
import { dayText, dayTyped } from '../../../quantity/time';
import { Button, Empty, Loading, TextBox } from '../../../ui';
import { useFields as useForm } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { Section } from '../../../ui/page';
import { Status } from '../../../ui/status';
import { type Column, DataTable } from '../../../ui/table';
import { Verdict } from '../../../ui/verdict';
import { figureColumn, wordColumn } from '../../../widgets/columns';
import { DayBox, dayBox } from '../../../widgets/day-box';
import { textBox } from '../../../widgets/record-boxes';
import { useSellBook } from '../../../widgets/use-sell-book';
import { Working } from '../../../widgets/working';

/** What a year came to, crop by crop, with the year before beside it. */
export default function Year({ farm, season }: { farm: Farm; season: number }) {
  const rows = useFields(season).data;
  const hasBefore = farm.data.lots.some((lot) => lot.season === season - 1);
  const before = useFields(hasBefore ? season - 1 : season).data;
  const book = useSellBook(farm, season);
  const costs = useYearCosts(season).data;
  const year = useMemo(
    () =>
      rows && before && book ? yearOf(farm, rows, hasBefore ? before : [], book.accounts, book.papers.papers) : null,
    [farm, rows, before, hasBefore, book],
  );
  const columns = useMemo(() => differenceColumns(farm), [farm]);
  const ofFields = useMemo(() => fieldColumns(farm), [farm]);
  const gaps = useMemo(
    () => (book ? bookGaps(farm, book, season === currentSeason(farm.data.lots) ? farm.data.steps : []) : []),
    [farm, book, season],
  );
  if (!year) return <Loading what="Adding up the year" />;
  const cut = year.crops.filter(({ harvested }) => harvested >= 1);
  if (cut.length === 0) return <Empty title={`Nothing of ${season} is cut yet.`} />;
  const due = sumOfMoney(cut.map((one) => one.due));
  const paid = sumOfMoney(cut.map((one) => one.paid));
  const open = cut.filter(({ balances }) => !balances);
  const risk = gaps.reduce((sum, gap) => sum + (gap.money ?? 0), 0);
  return (
    <>
      <Section label="The year">
        <Verdict
          bad={open.length > 0}
          about={`${season}, grain of all owners`}
          figure={money(due)}
          unit="for what is delivered"
        >
          {money(paid)} of it is paid.{' '}
          {cut
            .map(
              ({ crop, stored }) =>
                `${bushels(Math.round(stored), farm.kgPerBu(crop)).text} of ${cropOf(crop)?.short ?? crop}`,
            )
            .join(', ')}{' '}
          are still here.{' '}
          {open.length > 0 && (
            <b>The book of {open.map(({ crop }) => cropOf(crop)?.short ?? crop).join(', ')} does not balance.</b>
          )}
        </Verdict>
        <Working
          what={`${season}: ${money(due)}`}
          formulas={[YEAR_COSTS]}
          inputs={cut.map((one) => ({
            name: cropOf(one.crop)?.name ?? one.crop,
            value: `${bushels(Math.round(one.delivered), farm.kgPerBu(one.crop)).text}, ${money(one.due)}`,
            from: 'its tickets by their contracts and sheets',
          }))}
          worked={['Harvested and restated, less lost, is in store and delivered.']}
          not="deliveries whose price is still open; drying and hauling stand with each crop, fans and interest nowhere."
        />
      </Section>
      <p className="border-t border-rule px-5 lg:px-6">
        <a
          href={`${addressOf('/api/farms/{farmId}/year/pdf', { farmId: farm.id })}?season=${season}`}
          target="_blank"
          rel="noreferrer"
          className="inline-flex min-h-11 items-center font-semibold underline decoration-rule underline-offset-4 hover:decoration-ink"
        >
          Print the year
        </a>
      </p>
      <Closing farm={farm} season={season} />
      <ul aria-label="By crop" className="border-t border-ink">
        {cut.map((one) => (
          <Crop
            key={one.crop}
            farm={farm}
            one={one}
            season={season}
            costs={costs?.find(({ crop }) => crop === one.crop)}
          />
        ))}
      </ul>
      <section aria-label="By field" className="border-t border-ink">
        <h2 className="px-5 py-4 text-xl font-bold lg:px-6">By field</h2>
        <DataTable
          name="The year by field"
          one="field"
          many="fields"
          rows={year.fields}
          columns={ofFields}
          rowId={({ lotId }) => lotId}
          sortedBy={{ id: 'harvested', down: true }}
        />
      </section>
      <section aria-label="Questions still open" className="border-t border-ink px-5 py-4 lg:px-6">
        <h2 className="text-xl font-bold">
          {gaps.length === 0
            ? 'No question is open'
            : gaps.length === 1
              ? 'One question is still open'
              : `${number(gaps.length)} questions are still open`}
          {risk > 0 && <span className="font-normal text-muted">, {money(risk)} at risk</span>}
        </h2>
        <ul>
          {gaps.slice(0, TOLD).map((gap, i) => (
            <li
              key={`${gap.what} ${gap.place} ${gap.ticket ?? ''} ${i}`}
              className="flex flex-wrap justify-between gap-x-6 border-b border-rule py-1.5"
            >
              <span>{gapWords(gap, farm.placeName(gap.place))}</span>
              <b>{gap.money === null ? '?' : money(gap.money)}</b>
            </li>
          ))}
        </ul>
        {gaps.length > TOLD && <p className="mt-1 text-muted">and {number(gaps.length - TOLD)} more of less money.</p>}
      </section>
      <section aria-label="Weights set right" className="border-t border-ink">
        <h2 className="px-5 pt-4 text-xl font-bold lg:px-6">Where weights were set right most</h2>
        <DataTable
          name="Weights set right"
          one="field"
          many="fields"
          rows={year.differences}
          columns={columns}
          rowId={({ lotId }) => lotId}
          empty={<Empty title="No weight had to be set right." />}
        />
      </section>
    </>
  );
}

/** Whether the season is done with; what is written down for it later needs a reason. */
function Closing({ farm, season }: { farm: Farm; season: number }) {
  const records = useTraceRecords().data;
  const [open, setOpen] = useState(false);
  if (!records) return null;
  const kept = records.settings.seasonState[String(season)];
  const closed = kept?.value.closed ?? false;
  return (
    <p className="flex flex-wrap items-center gap-x-4 border-t border-rule px-5 py-2 lg:px-6">
      {closed ? (
        <span>
          ■ {season} is closed through {dayText(kept!.value.through)}: a correction needs a reason, and statements given
          to owners say what it changes.
        </span>
      ) : (
        <span className="text-muted">{season} is open: anybody who records may correct it.</span>
      )}
      <Button look="quiet" className="!px-0" onClick={() => setOpen(true)}>
        {closed ? 'Open it again' : `Close ${season}`}
      </Button>
      {open && <ClosingForm farm={farm} season={season} kept={kept ?? null} onClose={() => setOpen(false)} />}
    </p>
  );
}

function ClosingForm({
  farm,
  season,
  kept,
  onClose,
}: {
  farm: Farm;
  season: number;
  kept: { readonly revision: number; readonly value: SeasonState } | null;
  onClose: () => void;
}) {
  const refresh = useRefreshFarm(farm.id);
  const today = calendarDay(farm.clock(), farm.data.farm.timeZone);
  const closed = kept?.value.closed ?? false;
  const form = useForm({
    keptAs: `closing.${farm.id}.${season}`,
    boxes: {
      through: dayBox(today, 'Through which day?'),
      note: textBox(SEASON_STATE.fields.note, closed ? 'Why is it opened again?' : undefined),
    },
    start: () => ({ through: dayTyped(closed ? kept!.value.through : today < `${season}-12-31` ? today : `${season}-12-31`), note: '' }), // prettier-ignore
    close: onClose,
    save: async ({ through, note }) => {
      const value = { season, closed: !closed, through, ...(note === '' ? {} : { note }) };
      await write(farm.id, setting(farm.id, 'seasonState', String(season), { revision: kept?.revision ?? 0, value }), `season ${season}`); // prettier-ignore
      await refresh();
    },
  });
  return (
    <FormDrawer
      form={form}
      title={closed ? `Open ${season} again` : `Close ${season}`}
      button={closed ? 'Open it' : 'Close it'}
    >
      {!closed && (
        <>
          <p className="text-muted">
            Nothing is locked away: loads of {season}, and whatever is dated until that day, are still corrected, but
            only with a reason in the note. Old crop in the bins goes on being sold.
          </p>
          <DayBox
            label="Through"
            value={form.texts.through}
            error={form.box('through').error}
            onChange={(day) => form.set('through', day)}
          />
        </>
      )}
      <TextBox label={closed ? 'Why' : 'Note'} {...form.box('note')} />
    </FormDrawer>
  );
}

function Crop({
  farm,
  one,
  season,
  costs,
}: {
  farm: Farm;
  one: YearCrop;
  season: number;
  costs: CropCosts | undefined;
}) {
  const each = (spent: number, bu: number): string =>
    bu < 1 ? '–' : `${money(spent)}${spent / bu < 0.005 ? '' : `, ${priceText(spent / bu, farm.kgPerBu(one.crop))}`}`;
  const storing = ({ fans, fanHours, fansUnknown, storedAtBuyers, storedBu }: CropCosts): string =>
    fanHours < 0.5 && storedAtBuyers === 0
      ? 'no fan ran, nothing was taken'
      : `${each(fans + storedAtBuyers, storedBu)}${fansUnknown < 0.5 ? '' : `; ${number(fansUnknown, 0)} h of fans that are not set up`}`;
  const per = farm.kgPerBu(one.crop);
  const said = (bu: number): string => bushels(Math.round(bu), per).text;
  const more = one.perAcre !== null && one.perAcreBefore !== null ? one.perAcre - one.perAcreBefore : null;
  const lost = Object.entries(one.lostBy).filter(([, bu]) => bu >= 0.5);
  return (
    <li className="space-y-2 border-b border-rule px-5 py-4 lg:px-6">
      <p className="flex flex-wrap items-baseline justify-between gap-x-6">
        <b className="text-xl">{cropOf(one.crop)?.name ?? one.crop}</b>
        <Status state={one.balances ? 'good' : 'bad'}>{one.balances ? 'balances' : 'does not balance'}</Status>
      </p>
      <dl className="grid grid-cols-2 gap-x-6 gap-y-2 sm:grid-cols-4">
        {(
          [
            ['Harvested', `${said(one.harvested)} on ${area(one.acres).text}`],
            [
              'Yield',
              one.perAcre === null
                ? '–'
                : `${cropYieldFine(one.perAcre, per).text}${more === null ? '' : `, ${more >= 0 ? '+' : '−'}${cropYieldFine.figure(Math.abs(more), per)} on ${season - 1}`}`,
            ],
            ['Moisture off the field', one.moisture === null ? '–' : percent(one.moisture)],
            [
              'Test weight, by tickets',
              one.testWeight === null ? 'no ticket says one' : testWeight(one.testWeight).text,
            ],
            ['Dried', costs && costs.driedBu >= 1 ? `${said(costs.driedBu)} as they went in` : 'none'],
            ['Water that dryers took', one.waterKg < 1 ? 'none' : mass(one.waterKg).text],
            ['Restated', bushels.signed(Math.round(one.restated), per).text],
            ['Lost', lost.length === 0 ? 'none' : lost.map(([reason, bu]) => `${said(bu)} ${reason}`).join(', ')],
            ['In store', said(one.stored)],
            ['Delivered', said(one.delivered)],
            ['Due', money(one.due)],
            ['Paid', money(one.paid)],
            [
              'Drying, fuel and power',
              costs
                ? `${each(costs.drying, costs.driedBu)}${costs.withoutSetup >= 1 ? `; ${said(costs.withoutSetup)} where no dryer is set up` : ''}`
                : '…',
            ],
            ['Storing, fans and buyers’ storage', costs ? storing(costs) : '…'],
            ['Hauling, trucks and drivers', costs ? each(costs.hauling, costs.hauledBu) : '…'],
            ['Mean price', one.average === null ? 'nothing is priced' : priceText(one.average, per)],
          ] as const
        ).map(([what, figure]) => (
          <div key={what}>
            <dt className="text-sm text-muted">{what}</dt>
            <dd className="font-semibold">{figure}</dd>
          </div>
        ))}
      </dl>
    </li>
  );
}

/** Questions that are told one by one. */
const TOLD = 20;

/** A field's name, one step from its loads. */
const fieldColumn = <T extends Pick<YearField, 'lotId' | 'fieldName'>>(): Column<T> =>
  wordColumn('field', 'Field', ({ fieldName }) => fieldName, {
    phone: 'title',
    as: (words, { lotId }) => (
      <Link to={`/trace/lot/${lotId}`} className="font-semibold underline decoration-rule underline-offset-4">
        {words}
      </Link>
    ),
  });

function fieldColumns(farm: Farm): Column<YearField>[] {
  const per = ({ crop }: YearField): number => farm.kgPerBu(crop);
  const bu = (id: string, head: string, of: (field: YearField) => number, more: Partial<Column<YearField>> = {}) =>
    figureColumn(id, head, bushels, of, { per, ...more });
  return [
    fieldColumn(),
    wordColumn('crop', 'Crop', ({ crop }) => cropOf(crop)?.short ?? crop, { choice: true }),
    bu('harvested', 'Harvested', ({ harvested }) => harvested),
    figureColumn('perAcre', 'Yield', cropYieldFine, ({ perAcre }) => perAcre, { per, phone: 'verdict' }),
    figureColumn('moisture', 'Moist.', moisture, ({ moisture: wet }) => wet),
    figureColumn('testWeight', 'Test weight', testWeight, ({ testWeight }) => testWeight),
    bu('restated', 'Restated', ({ restated }) => restated),
    bu('lost', 'Lost', ({ lost }) => lost),
    bu('stored', 'In store', ({ stored }) => stored),
    bu('delivered', 'Delivered', ({ delivered }) => delivered),
    wordColumn('balances', 'Balances', ({ balances }) => (balances ? '=' : '■ no')),
  ];
}

function differenceColumns(farm: Farm): Column<YearDifference>[] {
  return [
    fieldColumn(),
    wordColumn('crop', 'Crop', ({ crop }) => cropOf(crop)?.name ?? crop, { choice: true }),
    figureColumn('restated', 'Restated', bushels, ({ restated }) => restated, {
      per: ({ crop }) => farm.kgPerBu(crop),
      phone: 'verdict',
      show: ({ crop, restated }) => bushels.signed(restated, farm.kgPerBu(crop)).figure,
    }),
    {
      id: 'share',
      head: 'Of it',
      right: true,
      value: ({ share }) => share,
      show: ({ share }) => `${share < 0 ? '−' : '+'}${number(100 * Math.abs(share), 2)} %`,
    },
  ];
}
