import type { DeviceInfo, HaulAnswer, Notebook, WeighTicketInfo } from '@fanega/contract';
import { type AxleDoubt, axleByAxle, axleDoubts, type AxleRun, RangeRefusal, tareCorrections, type TareCorrection, tareStanding, weighed } from '@fanega/core';
import { Printer } from 'lucide-react';
import { useMemo, useRef, useState } from 'react';
import { toast } from 'sonner';
import { ulid } from 'ulid';
import { post } from '../../data/api';
import { type Farm, useRefreshFarm } from '../../data/farm';
import { type LiveDevice, scaleSheet, zeroed } from '../../data/live';
import { useSend } from '../../data/use-send';
import { deviceName } from '../../record';
import { Button, Choices, Problem, SelectBox, TextBox } from '../../ui';
import { divided, toDivision, useSilent } from '../../widgets/live-weight';
import { formatBushels, formatBushelsFine, parseNumber } from '../../widgets/quantity';
import { day } from '../../widgets/time';
import { OwnTickets } from './own-tickets';
import { TareCorrections } from './tare-corrections';
import { bridgeText, loadedAxles, rulesOf, taresOf, toKg, weighingOf } from './weigh-facts';

type How = 'axles' | 'whole' | 'hand';
type Purpose = 'loaded' | 'empty';

const LIGHT = {
  'drive on': { sign: '▲', words: 'Drive on', className: 'border-2 border-ink' },
  'hold still': { sign: '■', words: 'Stop. Hold still', className: 'bg-clay text-on-clay' },
  'next axle': { sign: '▲▲', words: 'Taken. Drive on to the next axle', className: 'bg-ink text-paper' },
} as const;

/** The own bridge: a truck whole or axle by axle, its empty weight, its net, its ticket. */
export function WeighStation({
  farm,
  notebook,
  haul,
  bridges,
  live,
}: {
  farm: Farm;
  notebook: Notebook;
  haul: HaulAnswer;
  bridges: readonly DeviceInfo[];
  live: ReadonlyMap<string, LiveDevice>;
}) {
  const trucks = farm.data.places.filter((place) => place.kind === 'truck');
  const loaded = trucks.filter((truck) => farm.held(truck.id).wetKg > 1000);
  const [truckId, setTruck] = useState(() => (loaded[0] ?? trucks[0])?.id ?? '');
  const [bridgeId, setBridge] = useState(bridges[0]?.id ?? '');
  const bridge = bridges.find((device) => device.id === bridgeId);
  const [how, setHow] = useState<How>(bridge ? 'axles' : 'hand');
  const [purpose, setPurpose] = useState<Purpose>('loaded');
  const sheet = notebook.vehicles[truckId]?.sheet;
  const known = [...new Set([...(sheet ? [sheet.combination] : []), ...taresOf(notebook, truckId).map((tare) => tare.combination), farm.placeName(truckId)])];
  const [typed, setTyped] = useState<string | null>(null);
  const [combination, setCombination] = useState<string | null>(null);
  const chosen = (typed ?? combination ?? known[0] ?? '').trim();
  // Another truck, another weighing: what was taken of the one before is not its.
  const key = `${truckId} ${chosen} ${how} ${purpose}`;
  if (trucks.length === 0) return <p className="text-lg text-muted">The farm has no truck yet: places are added in Store.</p>;
  return (
    <div className="lg:grid lg:grid-cols-[1.4fr_1fr] lg:gap-8">
      <div>
        <div className="grid gap-3 sm:grid-cols-2">
          <SelectBox
            label="Truck"
            value={truckId}
            onChange={(event) => {
              setTruck(event.target.value);
              setCombination(null);
              setTyped(null);
            }}
          >
            {trucks.map((truck) => (
              <option key={truck.id} value={truck.id}>
                {truck.name}
                {farm.held(truck.id).wetKg > 1 ? `, ${formatBushels(farm.bushels(farm.held(truck.id).wetLots))} bu by the book` : ', empty by the book'}
              </option>
            ))}
          </SelectBox>
          {typed === null ? (
            <SelectBox label="Tractor and trailer" value={chosen} onChange={(event) => (event.target.value === '+' ? setTyped('') : setCombination(event.target.value))}>
              {known.map((name) => (
                <option key={name}>{name}</option>
              ))}
              <option value="+">another one …</option>
            </SelectBox>
          ) : (
            <TextBox
              label="Tractor and trailer"
              maxLength={60}
              value={typed}
              error={typed.trim() === '' ? 'Which tractor, which trailer?' : undefined}
              onChange={(event) => setTyped(event.target.value)}
            />
          )}
          <Choices
            label="What stands on it"
            value={purpose}
            onChange={setPurpose}
            choices={[
              { value: 'loaded', label: 'Loaded' },
              { value: 'empty', label: 'Empty' },
            ]}
          />
          <Choices
            label="How"
            value={how}
            onChange={setHow}
            choices={[
              ...(bridge
                ? ([
                    { value: 'axles', label: 'By axle' },
                    { value: 'whole', label: 'Whole' },
                  ] as const)
                : []),
              { value: 'hand', label: 'Type it' },
            ]}
          />
        </div>
        {bridges.length > 1 && (
          <div className="mt-3">
            <SelectBox label="Bridge" value={bridgeId} onChange={(event) => setBridge(event.target.value)}>
              {bridges.map((device) => (
                <option key={device.id} value={device.id}>
                  {device.name}
                </option>
              ))}
            </SelectBox>
          </div>
        )}
        {chosen !== '' && (
          <Weighing
            key={key}
            farm={farm}
            notebook={notebook}
            haul={haul}
            truckId={truckId}
            combination={chosen}
            purpose={purpose}
            how={how}
            bridge={bridge}
            live={bridge && live.get(bridge.id)}
            onWeighEmpty={() => setPurpose('empty')}
          />
        )}
      </div>
      <OwnTickets farm={farm} notebook={notebook} haul={haul} />
    </div>
  );
}

interface Given {
  readonly farm: Farm;
  readonly notebook: Notebook;
  readonly haul: HaulAnswer;
  readonly truckId: string;
  readonly combination: string;
  readonly purpose: Purpose;
  readonly how: How;
  readonly bridge: DeviceInfo | undefined;
  readonly live: LiveDevice | undefined;
  readonly onWeighEmpty: () => void;
}

function Weighing(given: Given) {
  const { notebook, how, bridge, live } = given;
  const { unit } = rulesOf(notebook);
  const sheet = notebook.vehicles[given.truckId]?.sheet;
  // The curve from when this weighing began, by the scale's own clock.
  const [fromMs, setFrom] = useState(() => live?.curve.at(-1)?.atMs ?? 0);
  const scale = bridge && scaleSheet(notebook, bridge).sheet;
  const run = useMemo((): AxleRun | null => {
    if (!live || !scale || how === 'hand') return null;
    try {
      return axleByAxle(
        zeroed(
          live.curve.filter((reading) => reading.atMs > fromMs),
          scale.zeroKg,
        ),
        scale,
      );
    } catch (error) {
      if (error instanceof RangeRefusal) return null;
      throw error;
    }
  }, [live, scale, fromMs, how]);
  const [texts, setTexts] = useState<readonly string[]>(['']);
  const silent = useSilent(live);
  if (how === 'hand') {
    const axles = texts.map((text) => parseNumber(text)).map((value) => toKg(value, unit));
    const wrong = texts.map((text, i) =>
      text.trim() === '' || (axles[i]! >= 1 && axles[i]! <= 100_000) ? undefined : unit === 'lb' ? 'Pounds, like 79,840' : 'Tonnes, like 36.2',
    );
    const complete = texts.every((text, i) => text.trim() !== '' && !wrong[i]);
    return (
      <div className="mt-5">
        <div className="grid grid-cols-2 gap-3 sm:grid-cols-3">
          {texts.map((text, i) => (
            <TextBox
              key={i}
              label={texts.length === 1 ? 'What the scale shows' : `Axle ${i + 1}`}
              unit={unit}
              inputMode="decimal"
              value={text}
              error={wrong[i]}
              onChange={(event) => setTexts(texts.map((one, j) => (j === i ? event.target.value : one)))}
            />
          ))}
        </div>
        <p className="mt-2 flex gap-4">
          <Button look="quiet" className="!px-0" disabled={texts.length >= 12} onClick={() => setTexts([...texts, ''])}>
            Another axle
          </Button>
          {texts.length > 1 && (
            <Button look="quiet" className="!px-0" onClick={() => setTexts(texts.slice(0, -1))}>
              One less
            </Button>
          )}
        </p>
        <Result {...given} axlesKg={complete ? axles : []} byHand unit={unit} onAgain={() => setTexts([''])} />
      </div>
    );
  }
  const axles = run?.axles.map((axle) => toDivision(axle.kg)) ?? [];
  const taken = how === 'whole' ? axles.slice(0, 1) : axles;
  const wanted = how === 'whole' ? 1 : sheet?.axles.length;
  const light = run ? LIGHT[how === 'whole' && run.light === 'next axle' ? 'hold still' : run.light] : null;
  const done = how === 'whole' ? taken.length === 1 : wanted !== undefined && taken.length >= wanted;
  return (
    <div className="mt-5">
      {silent ? (
        <p role="status" className="border-2 border-clay p-4 text-xl font-semibold text-clay">
          ○ The bridge is silent. Is its gateway on? The weight can be typed too.
        </p>
      ) : done ? (
        <p role="status" className="bg-ink p-4 text-3xl font-bold text-paper">
          ● {how === 'whole' ? 'Taken' : `All ${taken.length} axles taken`}. Drive off
        </p>
      ) : (
        light && (
          <p role="status" className={`p-4 text-3xl font-bold ${light.className}`}>
            <span aria-hidden="true">{light.sign}</span> {light.words}
          </p>
        )
      )}
      <p className="mt-3 text-6xl leading-none font-bold">
        {divided(run?.liveKg ?? 0)} <span className="text-2xl font-normal text-muted">lb on the platform</span>
      </p>
      {how === 'axles' && (
        <ol aria-label="Axles" className="mt-3 flex flex-wrap gap-x-5 gap-y-1 text-lg">
          {Array.from({ length: Math.max(taken.length, wanted ?? 0) }, (_, i) => i).map((i) => (
            <li key={i}>
              {i + 1}: {taken[i] === undefined ? <span className="text-muted">not yet</span> : <b>{bridgeText(taken[i], unit)}</b>}
            </li>
          ))}
        </ol>
      )}
      {how === 'axles' && wanted === undefined && <p className="mt-1 text-sm text-muted">How many axles it has is said in Legal weight; until then, it is done when you say so.</p>}
      <p className="mt-2">
        <Button look="quiet" className="!px-0" onClick={() => setFrom(live?.curve.at(-1)?.atMs ?? 0)}>
          Begin again
        </Button>
      </p>
      <Result
        {...given}
        axlesKg={done || (how === 'axles' && wanted === undefined && taken.length >= 2) ? taken : []}
        byHand={false}
        unit={unit}
        onAgain={() => setFrom(live?.curve.at(-1)?.atMs ?? 0)}
      />
    </div>
  );
}

function Result({
  farm,
  notebook,
  haul,
  truckId,
  combination,
  purpose,
  axlesKg,
  byHand,
  unit,
  onWeighEmpty,
  onAgain,
}: Given & { axlesKg: readonly number[]; byHand: boolean; unit: 'lb' | 't'; onAgain: () => void }) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  // Sent again after a lost answer, they are the same ticket and the same entry.
  const ids = useRef({ ticket: ulid(), entry: ulid(), note: ulid() });
  const [sure, setSure] = useState(false);
  const [paper, setPaper] = useState('');
  const [printed, setPrinted] = useState<WeighTicketInfo | null>(null);
  const [corrections, setCorrections] = useState<readonly TareCorrection[] | null>(null);
  const { timeZone } = farm.data.farm;
  const rules = rulesOf(notebook);
  const tares = taresOf(notebook, truckId);
  const now = farm.clock();
  const standing = tareStanding(tares, combination, Math.max(now, ...tares.map((tare) => tare.atMs)), { oldAfterDays: rules.tareOldDays, tolerance: rules.tareTolerance });
  const tare = standing && tares.find((one) => one.id === standing.newest.id)!;
  const held = farm.held(truckId);
  const crop = farm.cropOf(held.lots);
  if (printed)
    return (
      <div className="mt-5 border-t border-ink pt-4">
        <p className="text-5xl font-bold">No. {printed.number}</p>
        <p className="text-2xl">
          {bridgeText(printed.netKg, unit)} net{printed.crop ? `, ${formatBushelsFine(printed.netKg / farm.kgPerBu(printed.crop))} wet bu` : ''}
        </p>
        <p className="mt-3 flex flex-wrap gap-3">
          <PrintLink farm={farm} number={printed.number} />
          <Button
            onClick={() => {
              ids.current = { ticket: ulid(), entry: ulid(), note: ulid() };
              setPrinted(null);
              onAgain();
            }}
          >
            The next truck
          </Button>
        </p>
      </div>
    );
  if (corrections)
    return (
      <div className="mt-5 border-t border-ink pt-4">
        <p className="text-2xl font-bold">● Empty weight kept: {bridgeText(weighed(weighingOf(axlesKg)).kg, unit)}</p>
        {corrections.length === 0 ? (
          <p className="mt-1">No load since the last empty weight is touched by it.</p>
        ) : (
          <TareCorrections farm={farm} haul={haul} corrections={corrections} newTare={{ id: ids.current.note, axlesKg, combination }} unit={unit} />
        )}
      </div>
    );
  if (axlesKg.length === 0) return standing || purpose === 'empty' ? null : <NoTare combination={combination} onWeighEmpty={onWeighEmpty} />;
  const gross = weighed(weighingOf(axlesKg)).kg;
  if (purpose === 'empty') {
    const keep = async (): Promise<void> => {
      const body = { id: ids.current.note, at: new Date(now).toISOString(), machineId: truckId, combination, axlesKg };
      if (!(await sending.send(() => post<{ noteId: string }>(`/farms/${farm.id}/notes/tare`, body)))) return;
      const loads = [
        ...haul.tickets
          .filter((ticket) => !ticket.voided && ticket.machineId === truckId)
          .map((ticket) => ({
            id: String(ticket.number),
            atMs: Date.parse(ticket.at),
            combination: ticket.combination,
            grossKg: weighed(weighingOf(ticket.grossKg)).kg,
            tareKg: weighed(weighingOf(ticket.tareKg)).kg,
            legalPounds: farm.kgPerBu(ticket.crop ?? undefined) / 0.45359237,
            pricePerBu: priceOf(haul, ticket.crop),
          })),
        // Loads that the bridge wrote without a ticket of ours: where the truck has only one combination, they are of it.
        ...haul.tared
          .filter((load) => load.truck === truckId && new Set([combination, ...tares.map((one) => one.combination)]).size === 1)
          .map((load) => ({
            id: load.entry.id,
            atMs: Date.parse(load.entry.at),
            combination,
            grossKg: load.grossKg,
            tareKg: load.tareKg,
            legalPounds: farm.kgPerBu(load.crop ?? undefined) / 0.45359237,
            pricePerBu: load.pricePerBu ?? priceOf(haul, load.crop),
          })),
      ];
      setCorrections(tareCorrections(loads, combination, gross, standing?.newest.atMs ?? 0, Math.max(now, standing?.newest.atMs ?? 0), rules.tareTolerance));
      await refresh();
    };
    const before = standing ? gross / standing.kg - 1 : null;
    return (
      <div className="mt-5 border-t border-ink pt-4">
        <p className="text-4xl font-bold">
          {bridgeText(gross, unit)} <span className="text-xl font-normal text-muted">empty</span>
        </p>
        {standing && before !== null && (
          <p className="mt-1">
            {Math.abs(before) <= rules.tareTolerance ? '● ' : '■ '}
            {Math.abs(100 * before).toFixed(1)} % {before < 0 ? 'under' : 'over'} the empty weight of {day(standing.newest.atMs, timeZone)} ({bridgeText(standing.kg, unit)}).
            {Math.abs(before) > rules.tareTolerance ? ' Mud, fuel, a spare wheel, or another trailer: loads in between are looked through.' : ''}
          </p>
        )}
        <Problem>{sending.message}</Problem>
        <Button look="do" className="mt-3 min-h-16 w-full !text-xl" disabled={sending.busy} onClick={() => void keep()}>
          Keep as the empty weight of {combination}
        </Button>
      </div>
    );
  }
  let doubts: AxleDoubt[] = [];
  if (axlesKg.length > 1) doubts = axleDoubts(axlesKg, loadedAxles(haul, combination), tare && tare.axlesKg.length > 1 ? tare.axlesKg : null);
  const paperKg = paper.trim() === '' ? NaN : toKg(parseNumber(paper), unit);
  const paperRight = paperKg >= 1 && paperKg < gross;
  const tareKg = paperRight ? paperKg : standing?.kg;
  const netKg = tareKg === undefined ? null : gross - tareKg;
  const stop = !paperRight && (doubts.length > 0 || standing?.weighEmpty === true || standing?.drifted === true) && !sure;
  const vehicle = haul.vehicles.find((one) => one.place === truckId);
  const record = async (): Promise<void> => {
    if (netKg === null || netKg <= 0) return;
    const at = new Date(now).toISOString();
    // One load on it: the bridge speaks beside the cart. Several: it says what the truck holds.
    const [only, ...others] = vehicle?.loads ?? [];
    const common = { id: ids.current.entry, at, method: 'bridge', wetKg: netKg, device: deviceName(), note: 'own bridge' };
    const entry =
      held.wetKg < 1 ? undefined : only !== undefined && others.length === 0 ? { ...common, type: 'witness', of: only } : { ...common, type: 'measure', place: truckId };
    const body = {
      id: ids.current.ticket,
      at,
      machineId: truckId,
      combination,
      grossKg: axlesKg,
      tareKg: paperRight ? [paperKg] : tare!.axlesKg,
      ...(paperRight ? {} : { tareId: tare!.id }),
      byHand,
      ...(entry ? { entry } : {}),
    };
    const ticket = await sending.send(() => post<WeighTicketInfo>(`/farms/${farm.id}/weigh-tickets`, body));
    if (!ticket) return;
    setPrinted(ticket);
    toast(`Ticket ${ticket.number}`);
    await refresh();
  };
  return (
    <div className="mt-5 border-t border-ink pt-4">
      {netKg !== null && netKg > 0 ? (
        <>
          <p className="text-6xl leading-none font-bold">
            {bridgeText(netKg, unit)} <span className="text-2xl font-normal text-muted">net</span>
          </p>
          <p className="mt-1 text-2xl">{crop ? `${formatBushelsFine(netKg / farm.kgPerBu(crop))} wet bu of ${crop}` : 'the book has nothing on this truck'}</p>
          <p>
            {bridgeText(gross, unit)} gross less {bridgeText(tareKg!, unit)}{' '}
            {paperRight ? 'from paper' : `empty, ${standing!.ageDays < 1 ? 'today' : `${Math.floor(standing!.ageDays)} days old`}`}
            {held.wetKg > 1
              ? `; the book had ${bridgeText(held.wetKg, unit)}, ${(100 * Math.abs(netKg / held.wetKg - 1)).toFixed(1)} % ${netKg < held.wetKg ? 'more' : 'less'}`
              : ''}
            .{axlesKg.length > 1 ? ' A sum of axles is an estimate of 1 to 2 %, not a weight for trade.' : ''}
          </p>
        </>
      ) : netKg !== null ? (
        <p className="text-xl font-semibold text-clay">■ It weighs no more than empty: another truck, or nothing on it.</p>
      ) : (
        <NoTare combination={combination} onWeighEmpty={onWeighEmpty} />
      )}
      {stop && (
        <div role="alert" className="mt-3 border-l-4 border-clay bg-sand px-4 py-3">
          <p className="text-xl font-bold">■ Weigh empty?</p>
          <p>
            {doubts.map((doubt) => `Axle ${doubt.axle + 1} shows ${bridgeText(doubt.kg, unit)} where ${bridgeText(doubt.usualKg, unit)} is usual. `).join('')}
            {doubts.length > 0 ? 'Another tractor before the trailer, or a wheel off the platform? ' : ''}
            {standing?.weighEmpty ? `The empty weight is ${Math.floor(standing.ageDays)} days old. ` : ''}
            {standing?.drifted ? `The last empty weight lies ${(100 * Math.abs(standing.drift!)).toFixed(1)} % off those before it. ` : ''}
          </p>
          <p className="mt-2 flex flex-wrap gap-3">
            <Button onClick={onWeighEmpty}>Weigh it empty</Button>
            <Button look="quiet" onClick={() => setSure(true)}>
              The empty weight is right
            </Button>
          </p>
        </div>
      )}
      <details className="mt-3">
        <summary className="min-h-11 cursor-pointer py-2 font-semibold">Empty weight from paper</summary>
        <div className="w-56">
          <TextBox
            label="Tare"
            unit={unit}
            inputMode="decimal"
            value={paper}
            error={paper.trim() === '' || paperRight ? undefined : 'Less than what stands on the scale'}
            onChange={(event) => setPaper(event.target.value)}
          />
        </div>
      </details>
      <Problem>{sending.message}</Problem>
      <Button look="do" className="mt-3 min-h-16 w-full !text-xl" disabled={sending.busy || stop || netKg === null || netKg <= 0} onClick={() => void record()}>
        {held.wetKg > 1 ? 'Into the book, with a ticket' : 'A ticket only: the book has nothing on it'}
      </Button>
    </div>
  );
}

function NoTare({ combination, onWeighEmpty }: { combination: string; onWeighEmpty: () => void }) {
  return (
    <div className="mt-4 border-l-4 border-clay bg-sand px-4 py-3">
      <p className="text-lg">
        <b>■ Weigh empty?</b> {combination} was never weighed empty here.
      </p>
      <Button className="mt-2" onClick={onWeighEmpty}>
        Weigh it empty
      </Button>
    </div>
  );
}

const priceOf = (haul: HaulAnswer, crop: string | null): number | null =>
  [...haul.unticketed, ...haul.tared].find((load) => load.crop === crop && load.pricePerBu !== null)?.pricePerBu ?? null;

function PrintLink({ farm, number }: { farm: Farm; number: number }) {
  return (
    <a
      href={`/api/farms/${farm.id}/weigh-tickets/${number}/pdf`}
      target="_blank"
      rel="noreferrer"
      className="inline-flex min-h-11 items-center gap-2 rounded-[3px] border border-ink px-4 font-semibold hover:bg-sand"
    >
      <Printer size={18} aria-hidden="true" /> Print
    </a>
  );
}
