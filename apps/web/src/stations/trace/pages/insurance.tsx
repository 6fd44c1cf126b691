import type { InsuranceAnswer } from '@fanega/contract';
import {
  cropOf,
  type InsurancePolicy,
  type InsuranceUnit,
  PRODUCTION_TO_COUNT,
  type UnitProduction,
  type WrongFieldLoad,
  type WrongFieldReason,
} from '@fanega/core';
import { Printer } from 'lucide-react';
import { useState } from 'react';
import { addressOf, post } from '../../../data/api';
import { type Farm, useInsurance, useRefreshFarm, useTraceRecords } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { useSend } from '../../../data/use-send';
import { area, bushels, cropYield, grain, money, number, percent, priceText } from '../../../quantity/quantity';
import { dayText, moment } from '../../../quantity/time';
import { Button, Empty, Loading, Problem } from '../../../ui';
import { Callout } from '../../../ui/callout';
import { Section } from '../../../ui/page';
import { Verdict } from '../../../ui/verdict';
import { EntryDrawer } from '../../../widgets/entry-drawer';
import { Working } from '../../../widgets/working';
import { AppraisalForm, MeasureForm, NoticeForm } from '../forms/insurance-logs';
import { PolicyForm } from '../forms/policy-form';
import { UnitForm } from '../forms/unit-form';
import { type Column, DataTable } from '../../../ui/table';
import { figureColumn, wordColumn } from '../../../widgets/columns';

type Form = 'policy' | 'unit' | 'appraisal' | 'notice' | 'measure';

/** What the season's policies make good by the book: an estimate for the agent, and what to measure, move and tell first. */
export default function InsurancePage({ farm, season }: { farm: Farm; season: number }) {
  const answer = useInsurance(season);
  const records = useTraceRecords();
  const [open, setOpen] = useState<{ form: Form; id?: string } | null>(null);
  const close = (): void => setOpen(null);
  if (answer.error && !answer.data) return <p className="p-5">{answer.error.message}</p>;
  if (!answer.data || !records.data) return <Loading what="Counting production" />;
  // The description's generator cannot read when a record of a log was made.
  const { insurance, wrong } = answer.data as unknown as InsuranceAnswer;
  const { insurancePolicy, insuranceUnit } = records.data.settings;
  const policies = Object.entries(
    insurancePolicy as Readonly<Record<string, { revision: number; value: InsurancePolicy }>>,
  ) // prettier-ignore
    .filter(([, { value }]) => value.season === season)
    .map(([id, kept]) => ({ id, ...kept }));
  const units = Object.entries(insuranceUnit as Readonly<Record<string, { revision: number; value: InsuranceUnit }>>).map(([id, kept]) => ({ id, ...kept })); // prettier-ignore
  const forms = open && (
    <>
      {open.form === 'policy' && (
        <PolicyForm
          key={open.id}
          farm={farm}
          season={season}
          kept={policies.find(({ id }) => id === open.id) ?? null}
          onClose={close}
        />
      )}
      {open.form === 'unit' && (
        <UnitForm
          key={open.id}
          farm={farm}
          policies={policies}
          taken={
            new Map(
              units
                .filter(({ id }) => id !== open.id)
                .flatMap(({ value }) => value.lots.map((lot) => [lot, value.number])),
            )
          }
          kept={units.find(({ id }) => id === open.id) ?? null}
          onClose={close}
        />
      )}
      {open.form === 'appraisal' && <AppraisalForm farm={farm} units={insurance.units} onClose={close} />}
      {open.form === 'notice' && <NoticeForm farm={farm} policies={policies} onClose={close} />}
      {open.form === 'measure' && <MeasureForm farm={farm} season={season} onClose={close} />}
    </>
  );
  if (policies.length === 0)
    return (
      <>
        <Empty title={`No policy is entered for ${season}.`}>
          <p>Enter the crop’s policy with its own tables; then its units with their fields. The book has the rest.</p>
          <Button look="do" className="mt-3" onClick={() => setOpen({ form: 'policy' })}>
            Enter a policy
          </Button>
        </Empty>
        {forms}
      </>
    );
  return (
    <>
      <div className="lg:grid lg:grid-cols-[1.6fr_1fr]">
        <Section label="What is due">
          <Total units={insurance.units} onUnit={() => setOpen({ form: 'unit' })} />
          <Wrong farm={farm} wrong={wrong} />
          {insurance.units.map((unit) => (
            <Unit key={unit.id} farm={farm} unit={unit} onOpen={() => setOpen({ form: 'unit', id: unit.id })} />
          ))}
        </Section>
        <Section label="What is known" className="border-t border-ink lg:border-t-0 lg:border-l">
          <Notices insurance={insurance} policies={policies} />
          <div className="flex flex-wrap gap-2">
            <Button onClick={() => setOpen({ form: 'measure' })}>Measure a bin</Button>
            <Button onClick={() => setOpen({ form: 'notice' })}>A loss was seen</Button>
            {insurance.units.length > 0 && (
              <Button onClick={() => setOpen({ form: 'appraisal' })}>Appraised acres</Button>
            )}
            <Button onClick={() => setOpen({ form: 'unit' })}>Add a unit</Button>
            <Button onClick={() => setOpen({ form: 'policy' })}>Add a policy</Button>
          </div>
          <p className="mt-3">
            <a
              href={`${addressOf('/api/farms/{farmId}/insurance', { farmId: farm.id })}/pdf?season=${season}`}
              target="_blank"
              rel="noreferrer"
              className="inline-flex min-h-11 items-center gap-2 font-semibold underline decoration-rule underline-offset-4 hover:decoration-ink"
            >
              <Printer size={18} aria-hidden="true" /> Print it for the agent, with the bins as measured
            </a>
          </p>
          <h2 className="mt-4 text-xl">Policies</h2>
          <ul>
            {policies.map(({ id, value }) => (
              <li key={id} className="border-b border-rule py-1">
                <button
                  type="button"
                  className="min-h-11 text-left underline decoration-rule underline-offset-4"
                  onClick={() => setOpen({ form: 'policy', id })}
                >
                  <b>{value.number}</b>, {cropOf(value.crop)?.short}, {percent(value.coverage, 0)} at{' '}
                  {priceText(value.price, farm.kgPerBu(value.crop))}
                </button>
                {value.agent !== undefined && (
                  <span className="block text-muted">
                    {value.agent}
                    {value.phone !== undefined && (
                      <>
                        , <a href={`tel:${value.phone}`}>{value.phone}</a>
                      </>
                    )}
                  </span>
                )}
              </li>
            ))}
          </ul>
          {insurance.bins.length > 0 && (
            <>
              <h2 className="mt-4 text-xl">Bins measured</h2>
              <ul aria-label="Bins measured">
                {insurance.bins.map((bin) => {
                  const per = farm.kgPerBu(farm.cropOf(bin.lots));
                  return (
                    <li key={bin.measurement.placeId} className="border-b border-rule py-1">
                      <b>{farm.placeName(bin.measurement.placeId)}</b>: {bushels(bin.bushels, per).text} to count,{' '}
                      {moment(bin.at, farm.data.farm.timeZone)}
                      {bin.booked !== null && `; the book had ${bushels(bin.booked, per).text}`}
                      {bin.left > 1.005 && (
                        <span className="block text-clay">◐ It was filled since: measure it again.</span>
                      )}
                      {bin.left < 0.995 && (
                        <span className="block text-muted">{percent(bin.left)} of it lies there still.</span>
                      )}
                    </li>
                  );
                })}
              </ul>
            </>
          )}
          <Missing insurance={insurance} />
        </Section>
      </div>
      {forms}
    </>
  );
}

function Total({ units, onUnit }: { units: readonly UnitProduction[]; onUnit: () => void }) {
  if (units.length === 0)
    return (
      <Verdict small figure="No unit yet">
        Say which fields are insured together.{' '}
        <Button look="do" className="mt-2" onClick={onUnit}>
          Add a unit
        </Button>
      </Verdict>
    );
  const over = units.filter(({ standing }) => standing.length === 0);
  const due = over.reduce((sum, { indemnity }) => sum + indemnity, 0);
  const short = over.filter(({ shortfall }) => shortfall > 0);
  const open = over.some(({ unmeasured }) => unmeasured > 0.5);
  const still = units.length - over.length;
  if (over.length === 0)
    return (
      <Verdict small about="Estimate for the agent; the policy and the adjuster rule" figure="Not over yet">
        Every unit has a field that is not finished; a week without a load is the end, or its acres appraised.
      </Verdict>
    );
  return (
    <Verdict
      about="Estimate for the agent; the policy and the adjuster rule"
      figure={due > 0 ? money(due) : 'Nothing due'}
      unit={due > 0 ? `on ${short.length === 1 ? 'one unit' : `${short.length} units`}` : undefined}
    >
      {due > 0
        ? short.map(({ unit }) => unit.number).join(', ') +
          (short.length === 1 ? ' is' : ' are') +
          ' short of the guarantee.'
        : `Every unit that is cut is above its guarantee.`}
      {still > 0 &&
        ` ${still === 1 ? 'One unit is not all cut: it is figured when it is.' : `${still} units are not all cut: they are figured when they are.`}`}
      {open &&
        ' Some of it lies in bins that have not been measured: it counts by the farm’s own scales until they are.'}
    </Verdict>
  );
}

function Unit({ farm, unit: one, onOpen }: { farm: Farm; unit: UnitProduction; onOpen: () => void }) {
  const { unit, policy, fields, history } = one;
  const per = farm.kgPerBu(policy.crop);
  const bu = (value: number): string => bushels(value, per).text;
  const counted = one.sold + one.measured + one.unmeasured;
  const bushelColumn = (
    id: string,
    head: string,
    of: (field: (typeof fields)[number]) => number,
    more: Partial<Column<(typeof fields)[number]>> = {},
  ) => figureColumn(id, head, bushels, of, { per: () => per, summed: { per }, ...more });
  const columns: Column<(typeof fields)[number]>[] = [
    wordColumn('field', 'Field', ({ lot }) => lot.fieldName, { phone: 'title' }),
    figureColumn('area', 'Area', area, ({ lot }) => lot.acres, { summed: {} }),
    bushelColumn('sold', 'On tickets', ({ sold }) => sold, {
      show: ({ sold, tickets }) => (
        <>
          {bushels.figure(sold, per)} <span className="text-sm text-muted">({number(tickets)})</span>
        </>
      ),
    }),
    bushelColumn('measured', 'Measured', ({ measured }) => measured),
    bushelColumn('unmeasured', 'Not measured', ({ unmeasured }) => unmeasured),
    bushelColumn('harvested', 'Weighed off it', ({ harvested }) => harvested, { phone: 'verdict' }),
  ];
  const standing = one.standing.length > 0;
  return (
    <section aria-label={`Unit ${unit.number}`} className="mt-6 border-t border-ink pt-3">
      <h2 className="text-xl">
        <button type="button" className="min-h-11 underline decoration-rule underline-offset-4" onClick={onOpen}>
          Unit {unit.number}
        </button>{' '}
        <span className="text-base font-normal text-muted">
          {unit.kind}, {cropOf(policy.crop)?.short}, share {percent(unit.share, 0)}
        </span>
      </h2>
      <p className="text-2xl font-bold">
        {standing ? 'Not all cut' : one.shortfall > 0 ? `${money(one.indemnity)}` : 'Above its guarantee'}{' '}
        <span className="text-lg font-normal text-muted">
          {standing
            ? `figured when it is; so far ${one.shortfall > 0 ? `${bu(one.shortfall)} under the guarantee` : 'over its guarantee'}`
            : one.shortfall > 0
              ? `for ${bu(one.shortfall)} short`
              : `by ${bu(one.toCount - one.guarantee)}`}
          ; {cropYield(one.perAcre, per).text} counts against{' '}
          {cropYield(unit.approvedYield * policy.coverage, per).text} guaranteed
        </span>
      </p>
      <div role="region" aria-label={`Fields of unit ${unit.number}`} className="mt-2">
        <DataTable
          name={`Unit ${unit.number} by field`}
          one="field"
          many="fields"
          rows={fields}
          columns={columns}
          rowId={({ lot }) => lot.id}
          flush
        />
      </div>
      {one.commingled > 0.5 && (
        <p className="mt-2">
          ◐ {bu(one.commingled)} lie with grain of other units, divided by the book’s loads. Many adjusters take that
          only with load records, or with marks made in the bin before each change: print the loads of the bin (Trace,
          the bin’s origin) with it.
        </p>
      )}
      {one.beyondTable > 0.5 && (
        <p className="mt-2 text-clay">
          ■ {bu(one.beyondTable)} are wetter than the policy’s table goes: they count in full until it does.
        </p>
      )}
      {history.length > 0 && (
        <p className="mt-2 text-muted">
          Before, by the farm’s scales:{' '}
          {history.map(({ season, perAcre }) => `${season} ${cropYield(perAcre, per).text}`).join(', ')}; mean{' '}
          {cropYield(history.reduce((sum, { perAcre }) => sum + perAcre, 0) / history.length, per).text}, approved{' '}
          {cropYield(unit.approvedYield, per).text}.
        </p>
      )}
      <Working
        what={`Unit ${unit.number}: ${money(one.indemnity)}`}
        formulas={[PRODUCTION_TO_COUNT]}
        inputs={[
          { name: 'Approved yield', value: cropYield(unit.approvedYield, per).text, from: 'the unit' },
          { name: 'Coverage', value: percent(policy.coverage, 0), from: `policy ${policy.number}` },
          { name: 'Acres', value: area(one.acres).text, from: unit.acres === undefined ? 'its fields' : 'the unit' },
          { name: 'On tickets', value: bu(one.sold), from: 'the book’s tickets, moisture by the policy' },
          { name: 'Measured', value: bu(one.measured), from: 'bins by tape, divided by the book' },
          { name: 'Not measured', value: bu(one.unmeasured), from: 'the farm’s own scales' },
          {
            name: 'Appraised',
            value: bu(one.appraised),
            from: one.appraisals.length === 0 ? 'nothing is' : `${one.appraisals.length} appraisals`,
          },
          {
            name: 'Moisture',
            value:
              policy.moistureFactors === undefined
                ? `${percent(policy.perTenth ?? 0.0012, 2)} a tenth`
                : 'the policy’s own table',
            from:
              policy.moistureFactors === undefined && policy.perTenth === undefined
                ? 'usual, from memory: enter the policy’s'
                : `policy ${policy.number}`,
          },
        ]}
        worked={[
          `${number(unit.approvedYield, 1)} × ${number(policy.coverage, 2)} × ${number(one.acres, 1)} = ${bu(one.guarantee)} guaranteed`,
          `${bu(counted)}${one.quality === 1 ? '' : ` × ${number(one.quality, 3)}`} + ${bu(one.appraised)} = ${bu(one.toCount)} to count`,
          `${bu(one.shortfall)} × ${priceText(policy.price, per)} × ${percent(unit.share, 0)} = ${money(one.indemnity)}`,
        ]}
        not="what an adjuster takes for good, prevented planting, replanting, revenue by the harvest price, fees and premium."
      />
    </section>
  );
}

const REASONS: Readonly<Record<WrongFieldReason, string>> = {
  alone: 'no other load of that field within half a day',
  between: 'between loads of the other field by the same person',
  moisture: 'its moisture is the other field’s',
};

/** Loads that may be filed under the wrong field, each pair of fields with one button. */
function Wrong({ farm, wrong }: { farm: Farm; wrong: readonly WrongFieldLoad[] }) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const [open, setOpen] = useState<string | null>(null);
  const pairs = [...new Set(wrong.map(({ lot, likely }) => `${lot} ${likely}`))].map((pair) => wrong.filter(({ lot, likely }) => `${lot} ${likely}` === pair)); // prettier-ignore
  const name = (id: string): string => farm.lot(id)?.fieldName ?? id;
  const { timeZone } = farm.data.farm;
  const move = async (loads: readonly WrongFieldLoad[]): Promise<void> => {
    const { lot, likely } = loads[0]!;
    const body = { loads: loads.map(({ entry }) => entry.id), lot: likely, why: `was filed under ${name(lot)}` };
    if (await sending.send(() => write(farm.id, post('/api/farms/{farmId}/insurance/moved-loads', { path: { farmId: farm.id } }, body)))) await refresh(); // prettier-ignore
  };
  return (
    <>
      {pairs.map((loads) => {
        const { lot, likely } = loads[0]!;
        const per = farm.kgPerBu(farm.lot(lot)?.crop);
        const kg = loads.reduce((sum, { wetKg }) => sum + wetKg, 0);
        return (
          <Callout key={`${lot}${likely}`} className="mt-4 px-3 py-2">
            <p className="font-semibold">
              {loads.length === 1 ? 'One load' : `${loads.length} loads`}, {grain(kg, per).text}, filed under{' '}
              {name(lot)}: were they {name(likely)}’s?
            </p>
            <ul>
              {loads.map(({ entry, wetKg, reasons }) => (
                <li key={entry.id}>
                  <button
                    type="button"
                    className="min-h-11 text-left underline decoration-rule underline-offset-4"
                    onClick={() => setOpen(entry.id)}
                  >
                    {moment(entry.at, timeZone)}, {grain(wetKg, per).text} at {percent(entry.moisture)}
                    {entry.by ? `, ${entry.by}` : ''}
                  </button>{' '}
                  <span className="text-muted">{reasons.map((reason) => REASONS[reason]).join('; ')}</span>
                </li>
              ))}
            </ul>
            <Button look="do" className="mt-2" disabled={sending.busy} onClick={() => void move(loads)}>
              Move {loads.length === 1 ? 'it' : 'them'} to {name(likely)}
            </Button>
            <Problem>{sending.message}</Problem>
          </Callout>
        );
      })}
      <EntryDrawer entryId={open} onClose={() => setOpen(null)} />
    </>
  );
}

function Notices({
  insurance,
  policies,
}: {
  insurance: InsuranceAnswer['insurance'];
  policies: readonly { id: string; value: InsurancePolicy }[];
}) {
  const { notices } = insurance;
  if (notices.length === 0) return null;
  return (
    <div className="mb-4" role="status">
      {notices.map(({ policyId, what, cause, by, days, noticeId }) => (
        <p key={noticeId ?? `${policyId}${what}`} className={`text-lg font-semibold ${days <= 3 ? 'text-clay' : ''}`}>
          {days < 0 ? '■' : '◐'} Tell the insurer of policy {policies.find(({ id }) => id === policyId)?.value.number}{' '}
          {what === 'loss' ? `(${cause})` : '(harvest is over and short)'} by {dayText(by)}:{' '}
          {days < 0
            ? `${-days} days too late`
            : days === 0
              ? 'today'
              : days === 1
                ? 'one day left'
                : `${days} days left`}
          .
        </p>
      ))}
    </div>
  );
}

function Missing({ insurance: { inNoUnit, inSeveral } }: { insurance: InsuranceAnswer['insurance'] }) {
  return (
    <>
      {inNoUnit.length > 0 && (
        <p className="mt-4">
          ◐ In no unit: {inNoUnit.map(({ fieldName }) => fieldName).join(', ')}. Their grain counts in no unit.
        </p>
      )}
      {inSeveral.length > 0 && (
        <p className="mt-2 text-clay">
          ■ In several units: {inSeveral.map(({ fieldName }) => fieldName).join(', ')}. Their grain counts for the first
          alone.
        </p>
      )}
    </>
  );
}
