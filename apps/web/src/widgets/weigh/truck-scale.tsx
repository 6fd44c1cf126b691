import type { DeviceInfo } from '@fanega/contract';
import {
  axleByAxle,
  type AxleRun,
  emptyWeightsOf,
  type FieldRecords,
  RangeRefusal,
  scaleSetupOf,
  zeroed,
} from '@fanega/core';
import { useMemo, useState } from 'react';
import type { Farm, HaulAtScale } from '../../data/farm';
import type { LiveDevice } from '../../data/live';
import { Button, Choices, SelectBox, TextBox } from '../../ui';
import { Verdict } from '../../ui/verdict';
import { divided, toDivision, useSilent } from '../live-weight';
import { mass, heldText } from '../../quantity/quantity';
import { OwnTickets } from './own-tickets';
import { type How, type Purpose, Result, type WeighingOf } from './weighing-result';

const LIGHT = {
  'drive on': { sign: '▲', words: 'Drive on', className: 'border-2 border-ink' },
  'hold still': { sign: '■', words: 'Stop. Hold still', className: 'bg-clay text-on-clay' },
  'next axle': { sign: '▲▲', words: 'Taken. Drive on to the next axle', className: 'bg-ink text-paper' },
} as const;

/** The own truck scale: a truck whole or axle by axle, its empty weight, its net, its ticket. */
export function WeighStation({
  farm,
  notebook,
  haul,
  bridges,
  live,
}: {
  farm: Farm;
  notebook: FieldRecords;
  haul: HaulAtScale;
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
  const sheet = notebook.settings.truckSetup[truckId]?.value;
  const known = [
    ...new Set([
      ...(sheet ? [sheet.combination] : []),
      ...emptyWeightsOf(notebook, truckId).map((one) => one.combination),
      farm.placeName(truckId),
    ]),
  ];
  const [typed, setTyped] = useState<string | null>(null);
  const [combination, setCombination] = useState<string | null>(null);
  const chosen = (typed ?? combination ?? known[0] ?? '').trim();
  // Another truck, another weighing: what was taken of the one before is not its.
  const key = `${truckId} ${chosen} ${how} ${purpose}`;
  if (trucks.length === 0)
    return <p className="text-lg text-muted">The farm has no truck yet: places are added in Store.</p>;
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
                {farm.held(truck.id).wetKg > 1
                  ? `, ${heldText(farm, farm.held(truck.id).wetLots)} by the book`
                  : ', empty by the book'}
              </option>
            ))}
          </SelectBox>
          {typed === null ? (
            <SelectBox
              label="Tractor and trailer"
              value={chosen}
              onChange={(event) => (event.target.value === '+' ? setTyped('') : setCombination(event.target.value))}
            >
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
            <SelectBox label="Scale" value={bridgeId} onChange={(event) => setBridge(event.target.value)}>
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
      <OwnTickets farm={farm} haul={haul} />
    </div>
  );
}

function Weighing(given: WeighingOf) {
  const { notebook, how, bridge, live } = given;
  const sheet = notebook.settings.truckSetup[given.truckId]?.value;
  // The curve from when this weighing began, by the scale's own clock.
  const [fromMs, setFrom] = useState(() => live?.curve.at(-1)?.atMs ?? 0);
  const scale = bridge && scaleSetupOf(notebook, bridge).value;
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
    const reads = texts.map((text) => mass.read(text, { least: 1, most: 100_000 }));
    const axles = reads.map(({ value = NaN }) => value);
    const wrong = reads.map(({ error }) => error);
    const complete = texts.every((text, i) => text.trim() !== '' && !wrong[i]);
    return (
      <div className="mt-5">
        <div className="grid grid-cols-2 gap-3 sm:grid-cols-3">
          {texts.map((text, i) => (
            <TextBox
              key={i}
              label={texts.length === 1 ? 'What the scale shows' : `Axle ${i + 1}`}
              unit={mass.unit}
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
        <Result {...given} axlesKg={complete ? axles : []} byHand onAgain={() => setTexts([''])} />
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
          ○ The scale is silent. Is its gateway on? The weight can be typed too.
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
      <div className="mt-3">
        <Verdict figure={divided(run?.liveKg ?? 0).figure} unit={`${mass.unit} on the platform`} />
      </div>
      {how === 'axles' && (
        <ol aria-label="Axles" className="mt-3 flex flex-wrap gap-x-5 gap-y-1 text-lg">
          {Array.from({ length: Math.max(taken.length, wanted ?? 0) }, (_, i) => i).map((i) => (
            <li key={i}>
              {i + 1}:{' '}
              {taken[i] === undefined ? <span className="text-muted">not yet</span> : <b>{mass(taken[i]).text}</b>}
            </li>
          ))}
        </ol>
      )}
      {how === 'axles' && wanted === undefined && (
        <p className="mt-1 text-sm text-muted">
          How many axles it has is said in Legal weight; until then, it is done when you say so.
        </p>
      )}
      <p className="mt-2">
        <Button look="quiet" className="!px-0" onClick={() => setFrom(live?.curve.at(-1)?.atMs ?? 0)}>
          Begin again
        </Button>
      </p>
      <Result
        {...given}
        axlesKg={done || (how === 'axles' && wanted === undefined && taken.length >= 2) ? taken : []}
        byHand={false}
        onAgain={() => setFrom(live?.curve.at(-1)?.atMs ?? 0)}
      />
    </div>
  );
}
