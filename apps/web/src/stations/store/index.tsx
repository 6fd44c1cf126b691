import { cropOf, CROPS, dryBushels, type LayerRun, layerRuns, placeNow, type PlaceInfo } from '@fanega/core';
import { Suspense, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { type Farm, useBinSetups, useFarm } from '../../data/farm';
import { useRecorder } from '../../widgets/record';
import { Button, Empty, Loading } from '../../ui';
import { BoxSample, strataOf } from '../../widgets/core-sample';
import {
  bushels,
  grainOf,
  mass,
  Moisture,
  moisture,
  number,
  percent,
  Shown,
  system,
  Held,
  heldText,
} from '../../quantity/quantity';
import { Owners } from '../../widgets/owners';
import { ShareList } from '../../widgets/share-list';
import { Shares } from '../../widgets/shares';
import { PlacesDrawer } from './forms/places-drawer';
import { AddPlace } from './forms/add-place';
import { PlaceStateDrawer } from './forms/place-state';
import { moment } from '../../quantity/time';
import { Levels } from './pages/levels';
import { shapeOf, YardVessel } from './pages/yard-vessel';
import { Page } from '../../ui/page';
import { EntryLog } from '../../widgets/entry-log';
import { ClimbBox } from '../../widgets/climb-box';
import { StartLink } from '../../widgets/start-link';
import { sideDrawGives } from '../../widgets/side-draw-gives';
import { Below } from '../../ui/below';
import { lazily } from '../../ui/lazily';
import { useBox } from '../../ui/use-box';

const Elsewhere = lazily(() => import('./pages/elsewhere'), '/store');
const Blend = lazily(() => import('./pages/blend'), '/store/blend');
const Tape = lazily(() => import('./pages/tape'), '/store/tape');
const Air = lazily(() => import('./pages/air'), '/store/air');
const Routes = lazily(() => import('./pages/routes'), '/store/routes');
const Piles = lazily(() => import('./pages/piles'), '/store/piles');
const Rest = lazily(() => import('./pages/rest'), '/store/rest');

const PAGES = [
  { path: '', name: 'Bins and yard' },
  { path: 'routes', name: 'Routes' },
  { path: 'air', name: 'Air' },
  { path: 'rest', name: 'Does the rest fit?' },
  { path: 'tape', name: 'Tape a bin' },
  { path: 'blend', name: 'Blend' },
  { path: 'piles', name: 'Piles' },
] as const;

/** Pages by the second part of their address, where a place's id stands else. */
const BODIES = { routes: Routes, air: Air, rest: Rest, tape: Tape, blend: Blend, piles: Piles };

const STANDING = ['wetBin', 'dryer', 'pit', 'bin', 'overhead', 'pile'];
const WHEELS = ['combine', 'cart', 'truck'];

/** What stands in the yard and on wheels, cut open and to scale. */
export default function Store() {
  const farm = useFarm();
  const { placeId = '' } = useParams();
  const [adding, setAdding] = useState(false);
  const [naming, setNaming] = useState(false);
  const Body = Object.hasOwn(BODIES, placeId) ? BODIES[placeId as keyof typeof BODIES] : null;
  const standing = farm.data.places.filter((place) => STANDING.includes(place.kind));
  const wheels = farm.data.places.filter((place) => WHEELS.includes(place.kind));
  const fullest = [...standing].sort((a, b) => farm.held(b.id).wetKg - farm.held(a.id).wetKg)[0];
  const selected = farm.data.places.find((place) => place.id === placeId && place.kind !== 'buyer') ?? fullest;
  return (
    <Page
      title="Store"
      base="/store"
      pages={PAGES}
      actions={
        Body === null && (
          <>
            {farm.data.places.length > 0 && <Button onClick={() => setNaming(true)}>Names and sizes</Button>}
            <Button onClick={() => setAdding(true)}>Add a place</Button>
          </>
        )
      }
    >
      {Body ? (
        <Suspense fallback={<Loading what="Opening" />}>
          <Body farm={farm} />
        </Suspense>
      ) : farm.data.places.length === 0 ? (
        <Empty title="No place holds grain yet.">
          <p>
            Carts, trucks, bins, the dryer, and the buyers where grain leaves: add them in the order of the way of the
            grain.
          </p>
          <StartLink step="bins">Add the bins</StartLink>
        </Empty>
      ) : (
        <>
          <Levels farm={farm} />
          <Yard farm={farm} places={standing} selected={selected} />
          <Below>
            {selected && <Detail key={selected.id} farm={farm} place={selected} />}
            {selected && <History key={`${selected.id} history`} farm={farm} place={selected} />}
          </Below>
          <Below>
            <Wheels farm={farm} places={wheels} selected={selected} />
          </Below>
        </>
      )}
      {Body === null && (
        <Below>
          <Suspense fallback={null}>
            <Elsewhere farm={farm} />
          </Suspense>
        </Below>
      )}
      {naming && <PlacesDrawer farm={farm} onClose={() => setNaming(false)} />}
      {adding && <AddPlace onClose={() => setAdding(false)} />}
    </Page>
  );
}

function useSelect(): (place: PlaceInfo) => void {
  const navigate = useNavigate();
  return (place) => void navigate(`/store/${place.id}`, { replace: true, preventScrollReset: true });
}

function Caption({ farm, place, selected }: { farm: Farm; place: PlaceInfo; selected: boolean }) {
  const held = farm.held(place.id);
  const unknown = (held.lots.unknown ?? 0) > 0;
  return (
    <span className="mt-1 block min-h-[4.2em] px-1 leading-snug">
      <span className={`font-bold ${selected ? 'text-clay' : ''}`}>{place.name}</span>
      <br />
      {held.wetKg > 0 ? (
        <>
          {heldText(farm, held.wetLots)}
          <br />
          {unknown ? <span className="font-semibold text-clay">▲ unknown</span> : percent(held.moisture ?? 0)}
        </>
      ) : (
        <span className="text-muted">empty</span>
      )}
    </span>
  );
}

/** All that stands, to one scale, as wide as the page takes. */
function Yard({
  farm,
  places,
  selected,
}: {
  farm: Farm;
  places: readonly PlaceInfo[];
  selected: PlaceInfo | undefined;
}) {
  const select = useSelect();
  const [frame, box] = useBox<HTMLUListElement>('yard');
  const width = box?.width ?? 0;
  const row = places.filter((place) => !(place.kind === 'pile' && farm.held(place.id).wetKg === 0));
  const meters = row.reduce((sum, place) => sum + shapeOf(place).diameter, 0);
  const scale = Math.max(7, Math.min(15, (width - 92 - row.length * 42) / Math.max(meters, 1)));
  return (
    <ul
      ref={frame}
      className="flex flex-wrap items-end justify-center gap-y-4 border-b border-ink px-3 pt-4 pb-3 lg:justify-start lg:px-5"
    >
      {places.map((place) => (
        <li key={place.id}>
          <button
            type="button"
            aria-pressed={place.id === selected?.id}
            onClick={() => select(place)}
            className="block text-center text-sm"
          >
            <span className="flex justify-center border-b-3 border-ink px-1">
              <YardVessel farm={farm} place={place} scale={scale} selected={place.id === selected?.id} />
            </span>
            <Caption farm={farm} place={place} selected={place.id === selected?.id} />
          </button>
        </li>
      ))}
    </ul>
  );
}

function Wheels({
  farm,
  places,
  selected,
}: {
  farm: Farm;
  places: readonly PlaceInfo[];
  selected: PlaceInfo | undefined;
}) {
  const select = useSelect();
  if (places.length === 0) return null;
  return (
    <section aria-label="On wheels" className="px-5 py-4 lg:px-6">
      <h2 className="text-sm text-muted">On wheels</h2>
      <ul className="mt-2 flex flex-wrap gap-x-5 gap-y-4">
        {places.map((place) => {
          const capacity = place.capacityBu ?? 900;
          return (
            <li key={place.id}>
              <button
                type="button"
                aria-pressed={place.id === selected?.id}
                onClick={() => select(place)}
                className="block text-center"
              >
                <span className="flex justify-center">
                  <BoxSample
                    farm={farm}
                    strata={strataOf(farm, place.id)}
                    capacity={capacity}
                    width={Math.max(46, capacity / 8.5)}
                    height={56}
                    label={place.name}
                  />
                </span>
                <Caption farm={farm} place={place} selected={place.id === selected?.id} />
              </button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

/** Every load into a place and out of it, opened by who wants to read it. */
function History({ farm, place }: { farm: Farm; place: PlaceInfo }) {
  const [open, setOpen] = useState(false);
  return (
    <details
      className="border-b border-ink"
      onToggle={(event) => setOpen((event.currentTarget as HTMLDetailsElement).open)}
    >
      <summary className="min-h-12 cursor-pointer px-5 py-3 font-semibold lg:px-6">Every load of {place.name}</summary>
      {open && <EntryLog farm={farm} types="harvest,move,measure,loss,condition" places={[place.id]} />}
    </details>
  );
}

function Detail({ farm, place }: { farm: Farm; place: PlaceInfo }) {
  const recorder = useRecorder();
  const navigate = useNavigate();
  const settings = useBinSetups().data?.settings;
  const kept = settings?.placeState[place.id];
  const setup = settings?.binSetup[place.id]?.value;
  const state = placeNow(kept?.value, farm.data.now);
  const [stating, setStating] = useState(false);
  const held = farm.held(place.id);
  const layers = farm.data.layers[place.id] ?? [];
  const runs = layerRuns(layers);
  const crop = cropOf(farm.cropOf(held.lots) ?? '') ?? CROPS.corn;
  return (
    <section
      aria-label={place.name}
      className="flex flex-wrap items-start gap-x-8 gap-y-5 border-b border-ink px-5 py-5 lg:px-6"
    >
      <div className="border-b-3 border-ink px-2">
        {STANDING.includes(place.kind) ? (
          <YardVessel
            farm={farm}
            place={place}
            scale={Math.min(24, 250 / shapeOf(place).diameter, 215 / (shapeOf(place).eave + shapeOf(place).hopper + 1))}
            selected={false}
            large
            onLot={(lotId) => void navigate(`/trace/lot/${lotId}`)}
          />
        ) : (
          <BoxSample
            farm={farm}
            strata={strataOf(farm, place.id)}
            capacity={place.capacityBu ?? 900}
            width={240}
            height={130}
            label={place.name}
          />
        )}
      </div>
      <div className="min-w-72 flex-[1.6]">
        {state.out && (
          <p className="mb-2 font-semibold text-clay">
            ■ Out of service
            {state.backMs === null ? '' : ` until ${moment(state.backMs, farm.data.farm.timeZone)}`}: {state.why}
          </p>
        )}
        {state.note !== null && (
          <p className="mb-2">
            <b className="font-semibold">Note:</b> {state.note}
          </p>
        )}
        <h2 className="text-sm font-semibold text-muted">{place.name} holds</h2>
        {held.wetKg > 0 ? (
          <>
            <p className="text-4xl leading-tight font-bold">
              <Shown
                of={bushels(dryBushels(held.dryKg, crop.legalPounds, crop.baseMoisture), farm.kgPerBu(crop.id))}
                basis={`dry at ${percent(crop.baseMoisture)}`}
              />
            </p>
            <p className="mt-1 text-lg">
              <Held farm={farm} wetLots={held.wetLots} /> <span className="text-sm text-muted">as it lies</span> ·{' '}
              {system() === 'us' && (
                <>
                  <Shown of={mass(held.wetKg)} /> ·{' '}
                </>
              )}
              <Moisture value={held.moisture} />
              {place.capacityBu !== null && (
                <span className="whitespace-nowrap text-muted">
                  {' '}
                  · room{' '}
                  {bushels(Math.max(0, place.capacityBu - farm.bushels(held.wetLots)), farm.kgPerBu(crop.id)).text}
                </span>
              )}
            </p>
            <div className="mt-3">
              <ShareList farm={farm} wetLots={held.wetLots} />
            </div>
            <Owners farm={farm} wetLots={held.wetLots} className="mt-2" />
          </>
        ) : (
          <p className="text-4xl leading-tight font-bold">nothing</p>
        )}
        {setup?.sideDraw && <SideDraw above={sideDrawGives(farm, place.id, setup)} per={farm.kgPerBu(crop.id)} />}
        <div className="mt-4 flex flex-wrap gap-3">
          <Button disabled={held.wetKg === 0} onClick={() => recorder.open({ kind: 'move', from: place.id })}>
            Take out
          </Button>
          <Button onClick={() => recorder.open({ kind: 'move', to: place.id })}>Put in</Button>
          <Button onClick={() => recorder.open({ kind: 'measure', place: place.id })}>Check the level</Button>
          {['bin', 'wetBin', 'overhead'].includes(place.kind) && (
            <Button onClick={() => void navigate(`/store/tape?bin=${place.id}`)}>Tape it</Button>
          )}
          <Button onClick={() => setStating(true)}>Note or out of service</Button>
        </div>
        {['bin', 'wetBin', 'overhead', 'dryer'].includes(place.kind) && (
          <div className="mt-3">
            <Link
              to={`/trace/place/${place.id}`}
              className="inline-flex min-h-11 items-center font-semibold underline decoration-rule underline-offset-4"
            >
              Where it came from
            </Link>
            <ClimbBox farm={farm} placeId={place.id} />
          </div>
        )}
        {stating && <PlaceStateDrawer farm={farm} placeId={place.id} kept={kept} onClose={() => setStating(false)} />}
      </div>
      {layers.length > 1 && (
        <div className="min-w-52 flex-1">
          <h2 className="text-sm font-semibold text-muted">
            {runs.length < layers.length && `${number(layers.length)} loads in `}
            {number(runs.length)} {runs.length === 1 ? 'layer' : 'layers'}
            {runs.length > 1 && ', the newest on top'}
          </h2>
          <ol tabIndex={0} aria-label="Layers" className="mt-1 max-h-64 overflow-y-auto border-y border-rule">
            {[...runs].reverse().map((run, i) => (
              <li key={i} className="flex justify-between gap-3 border-b border-rule py-1 last:border-b-0">
                <span className="min-w-0">
                  <Shares farm={farm} lots={Object.entries(run.wetLots)} ofKg={run.wetKg} decimals={0} />
                </span>
                <span className="shrink-0 text-right">
                  <Shown of={grainOf(farm, run.wetLots)} /> <HowWet run={run} />
                  {run.layers > 1 && <span className="block text-sm text-muted">{number(run.layers)} loads</span>}
                </span>
              </li>
            ))}
          </ol>
          <p className="mt-1 text-sm text-muted">
            {place.withdrawal === 'lastIn'
              ? 'Flat floor, center sump: the newest comes out first.'
              : 'Hopper: the oldest comes out first.'}
          </p>
          {setup?.sweep === false && (
            <p className="mt-1 text-sm text-muted">
              No sweep: what stays on the floor is shoveled, with every auger locked out and a second person outside.
            </p>
          )}
        </div>
      )}
      {layers.length === 1 && place.withdrawal === 'mixed' && (
        <p className="text-sm text-muted">
          What is in it is mixed: the staves stand beside each other because no order is left.
        </p>
      )}
    </section>
  );
}

/** From the driest load to the wettest, where they differ as shown. */
function HowWet({ run: { driest, wettest } }: { run: LayerRun }) {
  const differs = driest !== null && wettest !== null && moisture(driest).figure !== moisture(wettest).figure;
  return (
    <span className="whitespace-nowrap">
      {differs && `${moisture(driest).figure} to `}
      <Moisture value={wettest} />
    </span>
  );
}

/** What can leave through the spout in a bin's wall, with the caution where it is met; common practice, no source. */
function SideDraw({ above, per }: { above: number | null; per: number }) {
  return (
    <p className="mt-3 text-sm text-muted">
      {above !== null && above > 0 && (
        <>
          <b className="font-semibold text-ink">{bushels(above / per, per).text} at most by the side draw</b>: what lies
          above its spout.{' '}
        </>
      )}
      {above === 0 && 'Nothing lies above its side draw. '}A side draw lets the newest grain out first and loads one
      side of the wall. Draw the core down first, as the bin&rsquo;s book says.
    </p>
  );
}
