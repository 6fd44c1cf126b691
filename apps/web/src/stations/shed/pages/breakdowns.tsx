import {
  BREAKDOWN,
  type BreakdownRecord,
  type LogEntry,
  type BreakdownSum,
  breakdownSummary,
  type Cause,
  CAUSES,
  living,
  type ShedRecords,
} from '@fanega/core';
import { useRef, useState } from 'react';
import { ulid } from 'ulid';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { useSend } from '../../../data/use-send';
import { Button, SelectBox, TextBox } from '../../../ui';
import { Verdict } from '../../../ui/verdict';
import { type Column, DataTable } from '../../../ui/table';
import { figureColumn, momentColumn, wordColumn } from '../../../widgets/columns';
import { oneOf, yesNo } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { momentTyped } from '../../../quantity/time';
import { figureOrNone, momentBox, textBox } from '../../../widgets/record-boxes';
import { FormDrawer } from '../../../ui/form-drawer';
import { areaWhole, dollarsTyped, hours, money, number, system } from '../../../quantity/quantity';
import { useRecorded } from '../../../widgets/take-back';
import { logged, takenBack } from '../../../data/records';
import { write } from '../../../data/outbox';
import { CheckBox } from '../../../ui/check-box';
import { PartsCounters } from './parts-counters';

/** What broke this season, and what it cost, by machine, by cause, by the spare that was missing. */
export function Breakdowns({ farm, shed }: { farm: Farm; shed: ShedRecords }) {
  const [adding, setAdding] = useState(false);
  const { timeZone } = farm.data.farm;
  const season = new Date(farm.data.now).getUTCFullYear();
  const own = living(shed.logs.breakdown).filter(({ body }) => new Date(body.at).getUTCFullYear() === season);
  const summary = breakdownSummary(
    own.map(({ body }) => ({ ...body, machineId: body.assetId, cause: body.cause as Cause })),
  );
  const name = (id: string): string => shed.settings.machine[id]?.value.name ?? id;
  const columns: Column<LogEntry<'breakdown'>>[] = [
    wordColumn('machine', 'Machine', ({ body }) => name(body.assetId), {
      choice: true,
      phone: 'title',
      as: (words) => <b className="font-semibold whitespace-nowrap">{words}</b>,
    }),
    momentColumn('since', 'Since', ({ body }) => body.at, timeZone),
    wordColumn('what', 'What', ({ body, by }) => `${body.what} ${by}`, {
      as: (_, { body, by }) => (
        <>
          {body.what} <span className="text-sm text-muted">{by}</span>
          {!body.mended && <StillDown farm={farm} body={body} />}
        </>
      ),
    }),
    wordColumn('cause', 'Cause', ({ body }) => CAUSES[body.cause as Cause], { choice: true }),
    figureColumn('cost', 'Cost', dollarsTyped, ({ body }) => body.cost, {
      show: ({ body }) => money(body.cost),
      sum: (rows) => money(rows.reduce((sum, { body }) => sum + body.cost, 0)),
    }),
    figureColumn('hours', 'Lost', hours, ({ body }) => body.hoursLost, { phone: 'verdict', summed: {} }),
    figureColumn('area', 'Not cut', areaWhole, ({ body }) => body.acresLost, { summed: {} }),
    wordColumn('spare', 'Spare', ({ body }) => body.missingSpare),
  ];
  return (
    <div>
      <div className="flex flex-wrap items-start justify-between gap-4 px-5 py-5 lg:px-6">
        <Verdict figure={number(summary.all.hoursLost, 1)} unit={`hours lost in ${season}`}>
          {summary.all.times} breakdowns, {money(summary.all.cost)} for parts and hands,{' '}
          {areaWhole(summary.all.acresLost).text} not cut in that time.
        </Verdict>
        <Button look="do" onClick={() => setAdding(true)} disabled={Object.keys(shed.settings.machine).length === 0}>
          Something broke
        </Button>
      </div>
      {own.some(({ body }) => !body.mended) && <PartsCounters farm={farm} shed={shed} />}
      <div className="border-t border-ink lg:grid lg:grid-cols-3">
        <Sums title="By machine" rows={Object.entries(summary.byMachine).map(([id, sum]) => [name(id), sum])} />
        <Sums
          title="By cause"
          rows={Object.entries(summary.byCause).map(([cause, sum]) => [CAUSES[cause as Cause], sum])}
        />
        <Sums title="Spares that were missing" rows={summary.missingSpares.map((spare) => [spare.name, spare])} />
      </div>
      <div className="border-t border-ink">
        <DataTable
          name="Breakdowns"
          one="breakdown"
          many="breakdowns"
          rows={own}
          columns={columns}
          rowId={({ body }) => body.id}
          empty={<p className="px-5 py-4 text-muted lg:px-6">Nothing broke in {season}.</p>}
        />
      </div>
      {adding && (
        <BreakdownSheet
          farm={farm}
          shed={shed}
          assetId={Object.keys(shed.settings.machine)[0] ?? ''}
          onClose={() => setAdding(false)}
        />
      )}
    </div>
  );
}

/** It runs again: the note is taken back and made again, as every note is. */
function StillDown({ farm, body }: { farm: Farm; body: BreakdownRecord }) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const id = useRef(ulid());
  const mend = async (): Promise<void> => {
    const mended = await sending.send(async () => {
      await write(farm.id, logged(farm.id, 'breakdown', { ...body, id: id.current, mended: true }), 'a breakdown');
      return write(farm.id, takenBack(farm.id, 'breakdown', body.id), 'a breakdown mended');
    });
    if (mended) await refresh();
  };
  return (
    <span className="sm:ml-2 sm:whitespace-nowrap">
      <b className="text-clay">■ still down</b>{' '}
      <Button look="quiet" className="!min-h-9 !px-1 text-sm" disabled={sending.busy} onClick={() => void mend()}>
        It runs again
      </Button>
      {sending.message && <span role="alert">{sending.message}</span>}
    </span>
  );
}

function Sums({ title, rows }: { title: string; rows: readonly (readonly [string, BreakdownSum])[] }) {
  const most = Math.max(0.1, ...rows.map(([, sum]) => sum.hoursLost));
  return (
    <section
      aria-label={title}
      className="border-b border-rule px-5 py-4 lg:border-r lg:border-b-0 lg:px-6 lg:last:border-r-0"
    >
      <h2 className="text-sm text-muted">{title}</h2>
      <ul className="mt-1">
        {[...rows]
          .sort((a, b) => b[1].hoursLost - a[1].hoursLost)
          .map(([name, sum]) => (
            <li key={name} className="py-1">
              <span className="flex justify-between gap-3">
                <span>{name}</span>
                <span className="whitespace-nowrap">
                  <b>{number(sum.hoursLost, 1)} h</b> {money(sum.cost)}
                </span>
              </span>
              <span
                className="block h-1.5 bg-ink"
                style={{ width: `${(100 * sum.hoursLost) / most}%` }}
                aria-hidden="true"
              />
            </li>
          ))}
        {rows.length === 0 && <li className="text-muted">none</li>}
      </ul>
    </section>
  );
}

/** One breakdown; hours are said and not counted from the clock, since nights and Sundays lose nothing. */
export function BreakdownSheet({
  farm,
  shed,
  assetId,
  onClose,
}: {
  farm: Farm;
  shed: ShedRecords;
  assetId: string;
  onClose: () => void;
}) {
  const refresh = useRefreshFarm(farm.id);
  const recorded = useRecorded();
  const [id] = useState(ulid);
  const { timeZone } = farm.data.farm;
  const { fields } = BREAKDOWN;
  const form = useFields({
    keptAs: `breakdown.${farm.id}.${system()}`,
    boxes: {
      machine: oneOf<string>(),
      what: textBox(fields.what, 'What broke?'),
      at: momentBox(timeZone, farm.clock()),
      cause: oneOf<Cause>(),
      cost: figureOrNone(fields.cost, dollarsTyped),
      hoursLost: figureOrNone(fields.hoursLost, hours),
      acresLost: figureOrNone(fields.acresLost, areaWhole),
      missingSpare: textBox(fields.missingSpare),
      mended: yesNo,
    },
    start: () => ({
      machine: assetId,
      what: '',
      at: momentTyped(farm.clock(), timeZone),
      cause: 'wear' as Cause,
      cost: '',
      hoursLost: '',
      acresLost: '',
      missingSpare: '',
      mended: true,
    }),
    close: onClose,
    save: async ({ machine, at, cost = 0, hoursLost = 0, acresLost = 0, ...rest }) => {
      const body: BreakdownRecord = {
        id,
        at: new Date(at).toISOString(),
        assetId: machine,
        cost,
        hoursLost,
        acresLost,
        ...rest,
      };
      await write(farm.id, logged(farm.id, 'breakdown', body), 'a breakdown');
      recorded('Breakdown recorded', 'breakdown', id);
      await refresh();
    },
  });
  const mended = form.choice('mended');
  return (
    <FormDrawer form={form} title="Something broke" button="Record it">
      <SelectBox label="Machine" {...form.box('machine')}>
        {Object.entries(shed.settings.machine).map(([key, { value: machine }]) => (
          <option key={key} value={key}>
            {machine.name}
          </option>
        ))}
      </SelectBox>
      <TextBox label="What broke" {...form.box('what')} />
      <TextBox label="Since" {...form.box('at')} />
      <SelectBox label="Why" {...form.box('cause')}>
        {(Object.keys(CAUSES) as Cause[]).map((one) => (
          <option key={one} value={one}>
            {CAUSES[one]}
          </option>
        ))}
      </SelectBox>
      <div className="grid grid-cols-3 gap-3">
        <TextBox label="Cost" {...form.box('cost')} />
        <TextBox label="Hours lost" {...form.box('hoursLost')} />
        <TextBox label="Not cut" {...form.box('acresLost')} />
      </div>
      <TextBox
        label="Spare that was not there"
        hint="blank: it was, or none was wanted"
        {...form.box('missingSpare')}
      />
      <CheckBox checked={mended.value} onChange={mended.onChange}>
        It runs again
      </CheckBox>
    </FormDrawer>
  );
}
