import {
  bestRoutesFrom,
  columnsOf,
  cropOf,
  feedersOf,
  fillingOf,
  HIGH_LOAD,
  type Route,
  ROUTES,
  type RunningRoute,
  sharedMachines,
  startOrder,
  stopOrder,
} from '@fanega/core';
import { useState } from 'react';
import { ulid } from 'ulid';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { logged } from '../../../data/records';
import { useSend } from '../../../data/use-send';
import { bushels, grainRate, heldText, percent } from '../../../quantity/quantity';
import { soon } from '../../../quantity/time';
import { Button, Choices, Empty, Loading } from '../../../ui';
import { Callout } from '../../../ui/callout';
import { Section } from '../../../ui/page';
import { useTicking } from '../../../ui/use-ticking';
import { Verdict } from '../../../ui/verdict';
import { Ago } from '../../../widgets/ago';
import { Hazard } from '../../../widgets/hazard';
import { type Site, useSite } from '../../../widgets/site';
import { useRecorded } from '../../../widgets/take-back';
import { Working } from '../../../widgets/working';
import { EquipmentDrawer } from '../forms/equipment';
import { Levels } from './levels';

/** Where grain falls now, over which machines, and how to send it elsewhere. */
export default function Routes({ farm }: { farm: Farm }) {
  useTicking();
  const site = useSite(farm);
  const [editing, setEditing] = useState(false);
  if (!site) return <Loading what="Opening" />;
  const drawer = editing && (
    <EquipmentDrawer
      farm={farm}
      equipment={site.equipment}
      revision={site.revision}
      onClose={() => setEditing(false)}
    />
  );
  if (site.equipment.machines.length === 0)
    return (
      <>
        <Empty title="The machines of the site are not listed yet.">
          <p>Pit, legs, distributors, conveyors: with what feeds what, this page says where grain falls now.</p>
          <Button className="mt-3" onClick={() => setEditing(true)}>
            List the machines
          </Button>
        </Empty>
        {drawer}
      </>
    );
  return (
    <div className="lg:grid lg:grid-cols-[1.55fr_1fr]">
      <div className="min-w-0">
        <Section label="Where grain falls now">
          <Now farm={farm} site={site} />
        </Section>
        <div
          className="overflow-x-auto border-t border-ink px-5 py-4 lg:px-6"
          tabIndex={0}
          role="region"
          aria-label="The site, drawn"
        >
          <Drawing farm={farm} site={site} />
        </div>
        <Levels farm={farm} all />
        <SetRoute farm={farm} site={site} />
      </div>
      <section
        aria-label="How it is run"
        className="space-y-5 border-t border-ink px-5 py-5 lg:border-t-0 lg:border-l lg:px-6"
      >
        {site.routes.map((route) => (
          <Orders key={route.from} site={site} route={route} />
        ))}
        <Motors site={site} />
        <Button onClick={() => setEditing(true)}>Machines of the site</Button>
        <Hazard card="shutDown" before="legs and augers" />
      </section>
      {drawer}
    </div>
  );
}

const rateText = (route: Route, per: number): string =>
  route.rate === null ? 'its rate is not entered' : grainRate(route.rate, per).text;

function Now({ farm, site }: { farm: Farm; site: Site }) {
  const { nameOf } = site;
  const per = farm.kgPerBu(undefined);
  const now = farm.clock();
  const [alarm] = site.alarms;
  const [first, ...others] = site.routes;
  if (alarm)
    return (
      <Verdict bad shape="■" figure={`${nameOf(alarm.stopped)} has stopped`}>
        Stop {alarm.stop.map(nameOf).join(', then ')} now. Lock out before anybody clears it.
      </Verdict>
    );
  if (!first)
    return (
      <Verdict small figure="Nothing is set">
        All gates are closed by the book. Say below where the next load goes.
      </Verdict>
    );
  return (
    <>
      <Verdict
        about={
          <>
            From {nameOf(first.from)}, set <Ago at={first.sinceMs} />
          </>
        }
        figure={nameOf(first.to)}
        unit={first.rate === null ? undefined : `${rateText(first, per)} at most`}
      >
        {first.weakest === null
          ? 'No machine on the way has a rate.'
          : `${nameOf(first.weakest)} is the weakest on the way.`}{' '}
        <Inside farm={farm} placeId={first.to} />
      </Verdict>
      <Overhead farm={farm} route={first} now={now} />
      {others.map((route) => (
        <p key={route.from} className="mt-2 text-xl">
          From {nameOf(route.from)}: <b>{nameOf(route.to)}</b>, {rateText(route, per)}.{' '}
          <Inside farm={farm} placeId={route.to} />
        </p>
      ))}
      {others.flatMap((route) => {
        const shared = sharedMachines(site.equipment, first.path, route.path);
        return shared.length === 0
          ? []
          : [
              <Callout key={route.from} className="mt-2 px-3 py-2">
                <b className="text-clay">■ These two cannot run together:</b> both go over{' '}
                {shared.map(nameOf).join(', ')}.
              </Callout>,
            ];
      })}
      <Working
        what={`${nameOf(first.from)} to ${nameOf(first.to)}`}
        formulas={[ROUTES]}
        inputs={first.path
          .filter((id) => site.equipment.machines.some((one) => one.id === id))
          .map((id) => {
            const rate = site.equipment.machines.find((one) => one.id === id)!.rate;
            return {
              name: nameOf(id),
              value: rate === undefined ? 'as much as comes' : grainRate(rate, per).text,
              from: 'the list of machines',
            };
          })}
        worked={first.rate === null ? [] : [`the least of them: ${rateText(first, per)}`]}
        not="what is in the boot, wet grain that runs slower, and a belt that slips."
      />
    </>
  );
}

/** What lies where it falls, and how much still goes in. */
function Inside({ farm, placeId }: { farm: Farm; placeId: string }) {
  const place = farm.place(placeId);
  if (!place) return null;
  const held = farm.held(placeId);
  const crop = farm.cropOf(held.lots);
  const per = farm.kgPerBu(crop);
  const room = place.capacityBu === null ? null : Math.max(0, place.capacityBu - farm.bushels(held.wetLots));
  return (
    <>
      It holds{' '}
      {held.wetKg > 1
        ? `${heldText(farm, held.wetLots)}${crop ? ` of ${cropOf(crop)?.short ?? crop}` : ''}`
        : 'nothing'}
      {held.moisture !== null && held.wetKg > 1 ? ` at ${percent(held.moisture)}` : ''}
      {room === null ? '.' : `; room for ${bushels(Math.round(room), per).text}.`}
    </>
  );
}

/** An overhead tank that fills while nobody is there. */
function Overhead({ farm, route, now }: { farm: Farm; route: RunningRoute; now: number }) {
  const place = farm.place(route.to);
  if (place?.kind !== 'overhead' || place.capacityBu === null || route.rate === null) return null;
  const trucks = farm.data.places.filter(({ kind, capacityBu }) => kind === 'truck' && capacityBu !== null);
  const truckBu = trucks.length === 0 ? null : Math.min(...trucks.map(({ capacityBu }) => capacityBu!));
  const held = farm.held(place.id);
  const filling = fillingOf({
    heldBu: Math.min(place.capacityBu, farm.bushels(held.wetLots)),
    capacityBu: place.capacityBu,
    rate: route.rate,
    sinceMs: route.sinceMs,
    nowMs: now,
    truckBu,
  });
  const per = farm.kgPerBu(farm.cropOf(held.lots));
  return (
    <p className="mt-2 text-xl">
      By the rate about <b>{bushels(Math.round(filling.bushels), per).text}</b> are in it
      {filling.fullMs === null
        ? '.'
        : filling.fullMs <= now
          ? ': full. Stop the feeders.'
          : `: full at ${soon(filling.fullMs, now, farm.data.farm.timeZone)}.`}{' '}
      {filling.canLoad ? 'The next truck can load now.' : ''}
    </p>
  );
}

const BOX = { w: 116, h: 44, gap: 62, row: 60 };

/** Machines and places from left to right, what is set now drawn thick. */
function Drawing({ farm, site }: { farm: Farm; site: Site }) {
  const { equipment, nameOf, routes, alarms } = site;
  const columns = columnsOf(equipment);
  const rows = new Map<number, string[]>();
  for (const [id, column] of columns) rows.set(column, [...(rows.get(column) ?? []), id]);
  const most = Math.max(...[...rows.values()].map((ids) => ids.length));
  const at = new Map<string, { x: number; y: number }>();
  for (const [column, ids] of rows)
    ids.forEach((id, i) => at.set(id, { x: column * (BOX.w + BOX.gap), y: (i + (most - ids.length) / 2) * BOX.row }));
  const width = (Math.max(...rows.keys()) + 1) * (BOX.w + BOX.gap) - BOX.gap + 8;
  const height = most * BOX.row;
  const lit = new Set(routes.flatMap(({ path }) => path.slice(1).map((to, i) => `${path[i]} ${to}`)));
  const on = new Set(routes.flatMap(({ path }) => path));
  const running = new Map(site.motors.map((one) => [one.machineId, one.running]));
  const isMachine = new Set(equipment.machines.map(({ id }) => id));
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      className="block w-full min-w-[36rem]"
      style={{ maxWidth: width }}
      role="img"
      aria-label={`The site: ${routes.length === 0 ? 'nothing is set' : routes.map(({ path }) => path.map(nameOf).join(' to ')).join('; ')}`}
    >
      {equipment.links.map(({ from, to }) => {
        const [a, b] = [at.get(from)!, at.get(to)!];
        const thick = lit.has(`${from} ${to}`);
        const [x1, y1, x2, y2] = [a.x + BOX.w, a.y + BOX.h / 2, b.x, b.y + BOX.h / 2];
        return (
          <path
            key={`${from} ${to}`}
            d={`M${x1} ${y1}C${x1 + BOX.gap / 2} ${y1} ${x2 - BOX.gap / 2} ${y2} ${x2} ${y2}`}
            fill="none"
            stroke={thick ? 'var(--clay)' : 'var(--rule)'}
            strokeWidth={thick ? 6 : 2}
          />
        );
      })}
      {[...at].map(([id, { x, y }]) => {
        const alarm = alarms.some(({ stopped }) => stopped === id);
        const state = running.get(id);
        return (
          <g key={id}>
            <rect
              x={x + 1}
              y={y + 1}
              width={BOX.w - 2}
              height={BOX.h - 2}
              rx={isMachine.has(id) ? 3 : 14}
              fill={alarm ? 'var(--clay)' : on.has(id) ? 'var(--sand)' : 'var(--paper)'}
              stroke="var(--ink)"
              strokeWidth={on.has(id) ? 3 : 1.5}
            />
            <text
              x={x + BOX.w / 2}
              y={y + (state === undefined ? 27 : 20)}
              textAnchor="middle"
              fontSize="14"
              fontWeight={on.has(id) ? 700 : 400}
              fill={alarm ? 'var(--on-clay)' : 'var(--ink)'}
            >
              {short(nameOf(id))}
            </text>
            {state !== undefined && (
              <text
                x={x + BOX.w / 2}
                y={y + 36}
                textAnchor="middle"
                fontSize="12"
                fill={alarm ? 'var(--on-clay)' : 'var(--ink)'}
              >
                {alarm ? '■ stopped' : state ? '● runs' : '○ stands'}
              </text>
            )}
            {!isMachine.has(id) && state === undefined && typeof farm.place(id)?.capacityBu === 'number' && (
              <Fill farm={farm} id={id} x={x} y={y} />
            )}
          </g>
        );
      })}
    </svg>
  );
}

const short = (name: string): string => (name.length > 15 ? `${name.slice(0, 14)}…` : name);

/** A bar for how full a place is. */
function Fill({ farm, id, x, y }: { farm: Farm; id: string; x: number; y: number }) {
  const part = Math.min(1, farm.bushels(farm.held(id).wetLots) / (farm.place(id)?.capacityBu ?? 1));
  return (
    <>
      <rect
        x={x + 14}
        y={y + BOX.h - 11}
        width={BOX.w - 28}
        height="5"
        fill="none"
        stroke="var(--ink)"
        strokeWidth="1"
      />
      <rect x={x + 14} y={y + BOX.h - 11} width={(BOX.w - 28) * part} height="5" fill="var(--ink)" />
    </>
  );
}

/** From where, to where: one tap sets it, what speaks against it stands beside it. */
function SetRoute({ farm, site }: { farm: Farm; site: Site }) {
  const feeders = feedersOf(site.equipment);
  const [from, setFrom] = useState(feeders[0] ?? '');
  const sending = useSend();
  const refresh = useRefreshFarm(farm.id);
  const recorded = useRecorded();
  const per = farm.kgPerBu(undefined);
  const { nameOf } = site;
  const best = bestRoutesFrom(site.equipment, from);
  const current = site.routes.find((one) => one.from === from);
  const put = async (path: readonly string[]): Promise<void> => {
    const body = { id: ulid(), at: new Date(farm.clock()).toISOString(), from, path };
    const what = path.length === 0 ? `${nameOf(from)} is closed` : `${nameOf(from)} to ${nameOf(path.at(-1)!)}`;
    if (await sending.send(() => write(farm.id, logged(farm.id, 'routeSet', body), what).then(() => true))) {
      recorded(what, 'routeSet', body.id);
      await refresh();
    }
  };
  return (
    <section aria-label="Set a route" className="border-t border-ink px-5 py-5 lg:px-6">
      <Choices
        label="Grain comes from"
        value={from}
        onChange={setFrom}
        choices={feeders.map((id) => ({ value: id, label: nameOf(id) }))}
      />
      <ul className="mt-3 border-t border-ink" aria-label="Where it can go">
        {best.map((route) => {
          const to = route.path.at(-1)!;
          const clash = site.routes.filter(
            (other) => other.from !== from && sharedMachines(site.equipment, other.path, route.path).length > 0,
          );
          const isSet = current?.path.join() === route.path.join();
          return (
            <li
              key={route.path.join()}
              className="flex flex-wrap items-center justify-between gap-x-4 gap-y-1 border-b border-rule py-2"
            >
              <div className="min-w-48 flex-1">
                <b className="font-semibold">{nameOf(to)}</b>{' '}
                <span className="text-muted">
                  over {route.path.slice(1, -1).map(nameOf).join(', ')}; {rateText(route, per)}
                </span>
                <br />
                <span className="text-sm">
                  <Inside farm={farm} placeId={to} />
                </span>
                {clash.length > 0 && (
                  <span className="block text-sm font-semibold text-clay">
                    ■ Not together with{' '}
                    {clash.map((other) => `${nameOf(other.from)} to ${nameOf(other.to)}`).join(', ')}: both go over{' '}
                    {sharedMachines(site.equipment, clash[0]!.path, route.path).map(nameOf).join(', ')}.
                  </span>
                )}
              </div>
              {isSet ? (
                <Button disabled={sending.busy} onClick={() => void put([])}>
                  ● It is set: close it
                </Button>
              ) : (
                <Button disabled={sending.busy} onClick={() => void put(route.path)}>
                  Set to {nameOf(to)}
                </Button>
              )}
            </li>
          );
        })}
      </ul>
      {best.length === 0 && <p className="mt-2 text-muted">No way leads from there to a place.</p>}
      {sending.message && <p className="text-clay">{sending.message}</p>}
    </section>
  );
}

/** The card by the switchboard: start from the end, stop from the front. */
function Orders({ site, route }: { site: Site; route: RunningRoute }) {
  const list = (title: string, machines: readonly { readonly id: string; readonly name: string }[]) => (
    <div className="flex-1">
      <h3 className="font-semibold">{title}</h3>
      <ol className="list-decimal pl-6 text-lg">
        {machines.map(({ id, name }) => (
          <li key={id}>{name}</li>
        ))}
      </ol>
    </div>
  );
  return (
    <section aria-label={`Order for ${site.nameOf(route.to)}`} className="border-2 border-ink px-4 py-3">
      <h2 className="text-sm text-muted">
        {site.nameOf(route.from)} to {site.nameOf(route.to)}
      </h2>
      <div className="mt-1 flex gap-6">
        {list('Start', startOrder(site.equipment, route.path))}
        {list('Stop', stopOrder(site.equipment, route.path))}
      </div>
      <p className="mt-2 text-sm text-muted">Let each run empty before the next is stopped.</p>
    </section>
  );
}

/** What the motors' device said last. */
function Motors({ site }: { site: Site }) {
  if (site.motors.length === 0)
    return (
      <p className="text-sm text-muted">
        No motor reports here. With a device of the kind “Leg and auger motors” (Shed, Devices) a leg that stops while
        it is fed alarms every screen.
      </p>
    );
  return (
    <section aria-label="Motors">
      <h2 className="font-semibold">Motors</h2>
      <ul className="mt-1 border-t border-ink">
        {site.motors.map(({ machineId, running, load, atMs }) => (
          <li key={machineId} className="flex justify-between gap-3 border-b border-rule py-1">
            <span>{site.nameOf(machineId)}</span>
            <span className={running && (load ?? 0) > HIGH_LOAD ? 'font-bold text-clay' : ''}>
              {running ? '● runs' : '○ stands'}
              {load === null ? '' : ` at ${percent(load, 0)}`}{' '}
              <span className="text-sm font-normal text-muted">
                <Ago at={atMs} />
              </span>
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
