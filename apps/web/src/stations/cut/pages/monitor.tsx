import {
  calibrateMonitor,
  CALIBRATION_LOADS,
  cropOf,
  displayPairs,
  factorAt,
  monitorDrift,
  type MonitorPair,
  type MonitorView,
  RESTATED,
  YIELD_MONITOR,
} from '@fanega/core';
import { useState } from 'react';
import { CartesianGrid, ComposedChart, ReferenceLine, Scatter, XAxis, YAxis } from 'recharts';
import { type Farm, useMonitors } from '../../../data/farm';
import { Button, Choices, TextBox } from '../../../ui';
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
import { DisplayCheckDrawer } from '../forms/display-check';
import { Restate } from '../../../widgets/restate';
import { type Column, DataTable } from '../../../ui/table';
import { figureColumn, momentColumn, wordColumn } from '../../../widgets/columns';
import type { CutGiven } from '../words';
import { AXIS, ChartFrame, MARGIN } from '../../../ui/chart-frame';
import { Section } from '../../../ui/page';
import { Working } from '../../../widgets/working';

const WANTED = {
  'more loads': 'more loads',
  'slower and faster loads': 'slower and faster loads, for its flow',
  'loads within tolerance': 'loads within tolerance of each other',
} as const;

/** What the display is worth: its loads against the scales, out of the book, and pairs that somebody knew. */
export default function Monitor({ farm, notebook, machineId }: CutGiven) {
  const monitors = useMonitors();
  return (
    <QueryBoundary answer={monitors} what="Comparing display and scales">
      {(all) => {
        const found = all.find(({ machine }) => machine === machineId);
        const typed = displayPairs(notebook, machineId);
        const own: MonitorView = {
          machine: machineId,
          name: farm.placeName(machineId),
          pairs: [...(found?.pairs ?? []), ...typed].sort((a, b) => a.atMs - b.atMs),
          only: found?.only ?? [],
        };
        const others = all.filter(
          ({ machine }) =>
            machine !== machineId &&
            !farm.data.places.some((place) => place.kind === 'combine' && place.id === machine),
        );
        return (
          <>
            <ByCrop farm={farm} own={own} typed={typed} />
            {others
              .filter((other) => other.pairs.length > 0)
              .map((other) => (
                <section key={other.machine} aria-label={other.name} className="border-t-2 border-ink">
                  <p className="px-5 pt-4 text-sm text-muted lg:px-6">
                    Recorded on a device that is no combine of the book:
                  </p>
                  <ByCrop farm={farm} own={other} />
                </section>
              ))}
          </>
        );
      }}
    </QueryBoundary>
  );
}

/** One crop at a time: a display is off by another factor in each, and the two are never mixed. */
function ByCrop({ farm, own, typed }: { farm: Farm; own: MonitorView; typed?: readonly MonitorPair[] }) {
  const crops = [...new Set([...own.pairs, ...own.only].map(({ crop }) => crop))];
  const newest = own.pairs.at(-1)?.crop ?? crops[0] ?? farm.data.lots.at(-1)?.crop ?? 'corn';
  const [picked, setPicked] = useState<string | null>(null);
  const [typing, setTyping] = useState(false);
  const crop = picked ?? newest;
  const short = cropOf(crop)?.short ?? crop;
  const ofCrop: MonitorView = {
    ...own,
    pairs: own.pairs.filter((pair) => pair.crop === crop),
    only: own.only.filter((load) => load.crop === crop),
  };
  return (
    <>
      <div className="flex flex-wrap items-end justify-between gap-3 px-5 pt-4 lg:px-6">
        {crops.length > 1 ? (
          <Choices
            label="Crop"
            value={crop}
            onChange={setPicked}
            choices={crops.map((one) => ({ value: one, label: cropOf(one)?.short ?? one }))}
          />
        ) : (
          <p className="text-sm text-muted">In {short}</p>
        )}
        {typed && <Button onClick={() => setTyping(true)}>Type a known pair</Button>}
      </div>
      {ofCrop.pairs.length > 0 ? (
        <Worth key={crop} farm={farm} own={ofCrop} crop={short} />
      ) : (
        <p className="max-w-2xl px-5 py-5 text-lg lg:px-6">
          No load of this machine in {short} has both the display&rsquo;s figure and a scale&rsquo;s. Open a load in
          Loads and put the display&rsquo;s figure beside the scale&rsquo;s, or type a pair that you know;{' '}
          {CALIBRATION_LOADS} or five loads over slow and fast cutting are what it takes.
        </p>
      )}
      {ofCrop.pairs.length === 0 && ofCrop.only.length > 0 && (
        <p className="px-5 text-muted lg:px-6">{ofCrop.only.length} loads were measured by the display alone.</p>
      )}
      {typing && (
        <DisplayCheckDrawer machineId={own.machine} crop={crop} typed={typed ?? []} onClose={() => setTyping(false)} />
      )}
    </>
  );
}

function Worth({ farm, own, crop }: { farm: Farm; own: MonitorView; crop: string }) {
  const { timeZone } = farm.data.farm;
  const [tolerance, setTolerance] = useState('3');
  const [restating, setRestating] = useState(false);
  const value = parseNumber(tolerance);
  const wrong = value >= 0.1 && value <= 50 ? undefined : 'Percent, from 0.1 to 50';
  const calibration = calibrateMonitor(own.pairs, wrong ? 0.03 : value / 100);
  const { factor, errors, flowBias, enough, wanted } = calibration;
  const drift = monitorDrift(own.pairs);
  const restated = own.only;
  const byLot = new Map<string, { shown: number; restated: number }>();
  for (const load of restated) {
    const before = byLot.get(load.lot) ?? { shown: 0, restated: 0 };
    byLot.set(load.lot, {
      shown: before.shown + load.monitorKg,
      restated: before.restated + load.monitorKg * factorAt(calibration, load.flow),
    });
  }
  const per = (lot: string): number => farm.kgPerBu(farm.lot(lot)?.crop);
  const points = own.pairs.flatMap((pair, i) =>
    pair.flow === undefined ? [] : [{ flow: flow.shown(pair.flow), error: 100 * errors[i]!.before }],
  );
  const paired = own.pairs.map((pair, i) => ({ pair, error: errors[i]! }));
  const columns: Column<(typeof paired)[number]>[] = [
    momentColumn('when', 'Load', ({ pair }) => pair.atMs, timeZone, { phone: 'title' }),
    wordColumn('field', 'Field', ({ pair }) => (pair.lot === '' ? 'typed' : (farm.lot(pair.lot)?.fieldName ?? '')), {
      choice: true,
    }),
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
          <Verdict about={`${own.name} in ${crop}: multiply its display by`} figure={number(factor, 4)}>
            It reads {percent(Math.abs(1 / factor - 1))} {factor < 1 ? 'high' : 'low'}, from {own.pairs.length} loads
            with a scale&rsquo;s weight, of this season and the last.{' '}
            {enough ? <b>● Enough to go by.</b> : <b>◐ Not enough yet: {wanted.map((w) => WANTED[w]).join('; ')}.</b>}
          </Verdict>
          {flowBias && (
            <p className="mt-1">
              {flowBias.shown ? (
                <>
                  <b>◐ The error goes with flow</b>: {signedPercent(flowBias.lowFlowError)} at the slowest,{' '}
                  {signedPercent(flowBias.highFlowError)} at the fastest load. One factor will not do: each load is
                  restated by its own flow, from <b>{number(factorAt(calibration, flowBias.lowFlow), 4)}</b> at the
                  slowest to <b>{number(factorAt(calibration, flowBias.highFlow), 4)}</b> at the fastest.
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
          <Working
            what={`Multiply its display by ${number(factor, 4)}`}
            formulas={[YIELD_MONITOR]}
            inputs={[
              {
                name: 'On the display',
                value: mass(own.pairs.reduce((sum, pair) => sum + pair.monitorKg, 0)).text,
                from: `${own.pairs.length} loads in ${crop}`,
                at: own.pairs.at(-1)?.atMs ?? null,
              },
              {
                name: 'On the scale',
                value: mass(own.pairs.reduce((sum, pair) => sum + pair.scaleKg, 0)).text,
                from: 'the best scale that weighed each: ticket, truck scale, cart scale',
              },
            ]}
            worked={[
              `${mass(own.pairs.reduce((sum, pair) => sum + pair.scaleKg, 0)).text} ÷ ${mass(own.pairs.reduce((sum, pair) => sum + pair.monitorKg, 0)).text} = ${number(factor, 4)}`,
            ]}
            not="moisture: that is calibrated apart, against a meter."
          />
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
              rows={() => points.map((point) => [number(point.flow), number(point.error, 1)])}
              className="h-60"
            >
              <ComposedChart data={points} margin={MARGIN} accessibilityLayer={false}>
                <CartesianGrid stroke="var(--rule)" vertical={false} />
                <XAxis
                  type="number"
                  dataKey="flow"
                  unit={` ${flow.unit}`}
                  domain={[0, 'auto']}
                  tickFormatter={(v: number) => number(v)}
                  {...AXIS}
                />
                <YAxis
                  type="number"
                  dataKey="error"
                  unit=" %"
                  width={52}
                  tickFormatter={(v: number) => number(v)}
                  {...AXIS}
                />
                <ReferenceLine y={0} stroke="var(--ink)" />
                <Scatter dataKey="error" fill="var(--ink)" isAnimationActive={false} />
              </ComposedChart>
            </ChartFrame>
          )}
        </section>
      </div>
      <section aria-label="Restatement" className="border-t border-ink px-5 py-5 lg:px-6">
        <h2 className="text-xl">What it does to the season</h2>
        {restated.length === 0 ? (
          <p className="mt-1 text-muted">
            Every load of this machine was weighed on a scale: nothing depends on the display.
          </p>
        ) : (
          <>
            <p className="mt-1">
              {restated.length} loads were measured by the display alone. They stand in the book as it showed them:
            </p>
            <ul className="mt-2 space-y-1">
              {[...byLot].map(([lotId, { shown, restated: kg }]) => {
                const lot = farm.lot(lotId);
                return (
                  <li key={lotId}>
                    <b>{lot?.fieldName}</b>: {grain(shown, per(lotId)).text} on the display,{' '}
                    {grain(kg, per(lotId)).text} restated (
                    {cropYieldFine.signed((kg - shown) / per(lotId) / (lot?.acres ?? 1), per(lotId)).text} of the field)
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
          loads={own.only.map(({ entry, monitorKg, flow: at }) => ({
            entry,
            kg: monitorKg,
            factor: factorAt(calibration, at),
          }))}
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
