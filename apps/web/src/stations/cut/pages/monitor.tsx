import { calibrateMonitor, CALIBRATION_LOADS, monitorDrift, type MonitorView, RESTATED } from '@fanega/core';
import { useState } from 'react';
import { CartesianGrid, ComposedChart, ReferenceLine, Scatter, XAxis, YAxis } from 'recharts';
import { type Farm, useMonitors } from '../../../data/farm';
import { Button, TextBox } from '../../../ui';
import { Verdict } from '../../../ui/verdict';
import { QueryBoundary } from '../../../ui/query-boundary';
import {
  cropYieldFine,
  flow,
  grain,
  mass,
  number,
  parseNumber,
  percent,
  share,
  signedPercent,
} from '../../../quantity/quantity';
import { Restate } from '../../../widgets/restate';
import { type Column, DataTable } from '../../../ui/table';
import { figureColumn, momentColumn, wordColumn } from '../../../widgets/columns';
import type { CutGiven } from '../words';
import { ChartFrame } from '../../../ui/chart-frame';
import { Section } from '../../../ui/page';

const WANTED = {
  'more loads': 'more loads',
  'slower and faster loads': 'slower and faster loads, for its flow',
  'loads within tolerance': 'loads within tolerance of each other',
} as const;

/** What the display is worth: its loads against the scales, out of the book. */
export default function Monitor({ farm, machineId }: CutGiven) {
  const monitors = useMonitors();
  return (
    <QueryBoundary answer={monitors} what="Comparing display and scales">
      {(all) => {
        const own = all.find(({ machine }) => machine === machineId);
        const others = all.filter(
          ({ machine }) =>
            machine !== machineId &&
            !farm.data.places.some((place) => place.kind === 'combine' && place.id === machine),
        );
        return (
          <>
            {own && own.pairs.length > 0 ? (
              <Worth farm={farm} own={own} />
            ) : (
              <p className="max-w-2xl px-5 py-5 text-lg lg:px-6">
                No load of this machine has both the display&rsquo;s figure and a scale&rsquo;s in the book. Open a load
                in Loads and put the display&rsquo;s figure beside the scale&rsquo;s; {CALIBRATION_LOADS} or five loads
                over slow and fast cutting are what it takes.
              </p>
            )}
            {own && own.pairs.length === 0 && own.only.length > 0 && (
              <p className="px-5 text-muted lg:px-6">{own.only.length} loads were measured by the display alone.</p>
            )}
            {others
              .filter((other) => other.pairs.length > 0)
              .map((other) => (
                <section key={other.machine} aria-label={other.name} className="border-t-2 border-ink">
                  <p className="px-5 pt-4 text-sm text-muted lg:px-6">
                    Recorded on a device that is no combine of the book:
                  </p>
                  <Worth farm={farm} own={other} />
                </section>
              ))}
          </>
        );
      }}
    </QueryBoundary>
  );
}

function Worth({ farm, own }: { farm: Farm; own: MonitorView }) {
  const { timeZone } = farm.data.farm;
  const [tolerance, setTolerance] = useState('3');
  const [restating, setRestating] = useState(false);
  const value = parseNumber(tolerance);
  const wrong = value >= 0.1 && value <= 50 ? undefined : 'Percent, from 0.1 to 50';
  const calibration = calibrateMonitor(own.pairs, wrong ? 0.03 : value / 100);
  const { factor, errors, flowBias, enough, wanted } = calibration;
  const drift = monitorDrift(own.pairs);
  const restated = own.only;
  const byLot = new Map<string, number>();
  for (const load of restated) byLot.set(load.lot, (byLot.get(load.lot) ?? 0) + load.monitorKg);
  const per = (lot: string): number => farm.kgPerBu(farm.lot(lot)?.crop);
  const points = own.pairs.flatMap((pair, i) =>
    pair.flow === undefined ? [] : [{ flow: flow.shown(pair.flow), error: 100 * errors[i]!.before }],
  );
  const paired = own.pairs.map((pair, i) => ({ pair, error: errors[i]! }));
  const columns: Column<(typeof paired)[number]>[] = [
    momentColumn('when', 'Load', ({ pair }) => pair.atMs, timeZone, { phone: 'title' }),
    wordColumn('field', 'Field', ({ pair }) => farm.lot(pair.lot)?.fieldName ?? '', { choice: true }),
    figureColumn('display', 'Display', mass, ({ pair }) => pair.monitorKg),
    figureColumn('scale', 'Scale', mass, ({ pair }) => pair.scaleKg),
    figureColumn('error', 'Error', share, ({ error }) => error.before, {
      phone: 'verdict',
      show: ({ error }) => signedPercent(error.before),
    }),
    figureColumn('after', 'After the factor', share, ({ error }) => error.after, {
      show: ({ error }) => (
        <span className={error.within ? '' : 'font-semibold text-clay'}>
          {error.within ? '' : '■ '}
          {signedPercent(error.after)}
        </span>
      ),
    }),
    figureColumn('flow', 'Flow', flow, ({ pair }) => pair.flow),
  ];
  return (
    <div>
      <div className="lg:grid lg:grid-cols-2">
        <Section label="The display">
          <Verdict about={`${own.name}: multiply its display by`} figure={number(factor, 4)}>
            It reads {percent(Math.abs(1 / factor - 1))} {factor < 1 ? 'high' : 'low'}, from {own.pairs.length} loads
            with a scale&rsquo;s weight.{' '}
            {enough ? <b>● Enough to go by.</b> : <b>◐ Not enough yet: {wanted.map((w) => WANTED[w]).join('; ')}.</b>}
          </Verdict>
          {flowBias && (
            <p className="mt-1">
              {flowBias.shown ? (
                <>
                  <b>◐ The error goes with flow</b>: {signedPercent(flowBias.lowFlowError)} at the slowest,{' '}
                  {signedPercent(flowBias.highFlowError)} at the fastest load. One factor will not do; calibrate over
                  the range.
                </>
              ) : (
                'No error that goes with flow is shown.'
              )}
            </p>
          )}
          {drift !== null && (
            <p className="mt-1">
              The newest third reads {signedPercent(drift)} against the loads before.{' '}
              {Math.abs(drift) > 0.015 ? <b>■ It drifts: calibrate again.</b> : 'No drift to speak of.'}
            </p>
          )}
          <p className="mt-1 text-sm text-muted">
            The scale is the truth. Moisture is calibrated apart, against a meter. Least squares through zero would give{' '}
            {number(calibration.throughOrigin, 4)}.
          </p>
          <div className="mt-3 w-44">
            <TextBox
              label="A load is good within"
              unit="%"
              inputMode="decimal"
              value={tolerance}
              error={wrong}
              onChange={(event) => setTolerance(event.target.value)}
            />
          </div>
        </Section>
        <section aria-label="Error by flow" className="border-t border-ink px-5 py-5 lg:border-t-0 lg:border-l lg:px-6">
          <h2 className="text-sm text-muted">Error of each load against its flow</h2>
          {points.length < 2 ? (
            <p className="mt-2 text-muted">
              The flow is known where loads follow each other within three quarters of an hour.
            </p>
          ) : (
            <ChartFrame
              label={`Error by flow: ${points.length} loads`}
              heads={[`Flow, ${flow.unit}`, 'Error, %']}
              rows={points.map((point) => [number(point.flow), number(point.error, 1)])}
              className="h-60"
              size={{ width: 480, height: 240 }}
            >
              <ComposedChart
                data={points}
                margin={{ top: 8, right: 12, bottom: 4, left: 0 }}
                accessibilityLayer={false}
              >
                <CartesianGrid stroke="var(--rule)" vertical={false} />
                <XAxis
                  type="number"
                  dataKey="flow"
                  unit={` ${flow.unit}`}
                  domain={[0, 'auto']}
                  tickFormatter={(v: number) => number(v)}
                  stroke="var(--ink)"
                  tick={{ fill: 'var(--ink)', fontSize: 14 }}
                />
                <YAxis
                  type="number"
                  dataKey="error"
                  unit=" %"
                  width={52}
                  tickFormatter={(v: number) => number(v)}
                  stroke="var(--ink)"
                  tick={{ fill: 'var(--ink)', fontSize: 14 }}
                />
                <ReferenceLine y={0} stroke="var(--ink)" />
                <Scatter dataKey="error" fill="var(--ink)" isAnimationActive={false} />
              </ComposedChart>
            </ChartFrame>
          )}
        </section>
      </div>
      <section aria-label="Restatement" className="border-t border-ink px-5 py-5 lg:px-6">
        <h2 className="text-xl">What it makes of the season</h2>
        {restated.length === 0 ? (
          <p className="mt-1 text-muted">
            Every load of this machine was weighed on a scale: nothing hangs on the display.
          </p>
        ) : (
          <>
            <p className="mt-1">
              {restated.length} loads were measured by the display alone. They stand in the book as it showed them:
            </p>
            <ul className="mt-2 space-y-1">
              {[...byLot].map(([lotId, kg]) => {
                const lot = farm.lot(lotId);
                return (
                  <li key={lotId}>
                    <b>{lot?.fieldName}</b>: {grain(kg, per(lotId)).text} on the display,{' '}
                    {grain(kg * factor, per(lotId)).text} restated (
                    {cropYieldFine.signed((kg * (factor - 1)) / per(lotId) / (lot?.acres ?? 1), per(lotId)).text} of the
                    field)
                  </li>
                );
              })}
            </ul>
            <Button className="mt-3" onClick={() => setRestating(true)}>
              Restate them in the book …
            </Button>
          </>
        )}
      </section>
      <section aria-label="Loads of display and scale" className="border-t border-ink py-3">
        <DataTable
          name="Loads of display and scale"
          one="load"
          many="loads"
          rows={paired}
          columns={columns}
          rowId={({ pair }) => pair.id}
          sortedBy={{ id: 'when', down: true }}
        />
      </section>
      {restating && (
        <Restate
          farm={farm}
          loads={own.only.map(({ entry, monitorKg }) => ({ entry, kg: monitorKg }))}
          factor={factor}
          mark={RESTATED}
          why="restated by the calibration of the display"
          caution={
            enough
              ? undefined
              : '◐ The calibration has not enough to go by yet. It can be done again later, with a better factor, only by hand.'
          }
          onClose={() => setRestating(false)}
        />
      )}
    </div>
  );
}
