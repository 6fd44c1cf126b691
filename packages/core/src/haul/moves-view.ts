import { getTimes } from 'suncalc';
import type { Point } from '../kernel/index.js';
import type { CutRecords } from '../cut/index.js';
import { cuttableAcres, type FieldFacts, fieldFacts, type FieldRow, zonesOf, zonesStanding } from '../fields/index.js';
import { type FarmView, instantOf } from '../ledger/index.js';
import { type Crew, living, type RecordsOf } from '../records/index.js';
import { combineRates, type HaulRecords, standingBushels } from './chain-view.js';
import {
  cutForBy,
  type CrewSpot,
  type FieldMove,
  movesOfDay,
  type MoveStop,
  type Rig,
  type SunOfDay,
  unhindered,
  USUAL_RIG,
} from './moves.js';

export type MoveRecords = CutRecords & HaulRecords & RecordsOf<'rowsLeft' | 'rigMove', 'fieldZone' | 'rigRoad'>;

/** Sunrise and sunset of the day of a moment; null beyond the polar circles on days without them. By the library suncalc, within a minute or two. */
export function sunAt(ms: number, [lon, lat]: Point): SunOfDay | null {
  const { sunrise, sunset } = getTimes(new Date(ms), lat, lon);
  return sunrise === null || sunset === null ? null : { riseMs: sunrise.getTime(), setMs: sunset.getTime() };
}

/** "Bea (Oona)": she who recorded it, on the account of another. */
const personOf = (by: string | undefined): string => (by ?? '').replace(/ \([^)]*\)$/, '');

interface LastSeen {
  readonly lot: string;
  readonly by: string;
}

/** The lot that each machine and each person was in last, and first today, by the tape (newest first). */
function seenOn(farm: FarmView): { readonly machines: Map<string, LastSeen>; readonly people: Map<string, string>; readonly first: Map<string, string>; readonly cartBy: Map<string, string> } {
  const machines = new Map<string, LastSeen>();
  const people = new Map<string, string>();
  const first = new Map<string, string>();
  const cartBy = new Map<string, string>();
  const combines = farm.data.places.filter(({ kind }) => kind === 'combine');
  const note = (id: string, lot: string, by: string): void => void (machines.has(id) || machines.set(id, { lot, by }));
  for (const { entry, voided, wetLots } of farm.data.tape) {
    if (voided) continue;
    const by = personOf(entry.by);
    if (entry.type === 'harvest') {
      const combine = combines.find(({ id }) => entry.to === id || entry.device?.startsWith(`${id}-`));
      if (combine) note(combine.id, entry.lot, by);
      note(entry.to, entry.lot, by);
      if (by !== '') {
        if (!people.has(by)) people.set(by, entry.lot);
        first.set(by, entry.lot);
      }
    } else if (entry.type === 'move') {
      const kind = farm.place(entry.from)?.kind;
      const lot = Object.entries(wetLots).sort((a, b) => b[1] - a[1])[0]?.[0];
      if (kind === 'cart' && by !== '' && !cartBy.has(entry.from)) cartBy.set(entry.from, by);
      if (kind === 'combine' && lot !== undefined) note(entry.to, lot, by);
      if (kind === 'combine' || kind === 'cart') {
        if (lot !== undefined && by !== '' && !people.has(by)) people.set(by, lot);
        if (lot !== undefined && by !== '') first.set(by, lot);
      }
    }
  }
  return { machines, people, first, cartBy };
} // prettier-ignore

export interface MovesView {
  /** The one that leaves first stands first; those without a time last. */
  readonly moves: readonly FieldMove[];
  readonly rigs: readonly Rig[];
  /** Fields that stand and go into no move of today. */
  readonly others: readonly string[];
  /** People who are in a field without any pickup. */
  readonly strandedNow: readonly CrewSpot[];
  readonly sunsetMs: number | null;
}

/** Moves that are planned ahead for those who are in one field: what comes after is another day. */
const AHEAD = 3;
const DAY_MS = 24 * 3_600_000;

/** Those who cut one field together, from where they stand on. */
interface Crewed {
  readonly rigs: readonly Rig[];
  readonly stops: MoveStop[];
  crop: string;
  /** when its last field is cut, ms; null: nobody knows */
  doneMs: number | null;
}

/**
 * Today's moves from the fields that are cut now: whoever is done first takes the first field of the order, of his own crop where one stands.
 * @param order lots that can be cut, the next one first (see `nextFields`) @param spotOf middle of a field, where its boundary is drawn
 * @param today day of the farm's calendar
 */
export function movesView(
  farm: FarmView,
  records: MoveRecords,
  rows: readonly FieldRow[],
  crew: Crew | undefined,
  at: {
    readonly today: string;
    readonly nowMs: number;
    readonly order: readonly string[];
    readonly spotOf: (fieldId: string) => Point | null;
    /** hours of cutting that the chain lets through by minute from now on; left out: nobody knows what holds the combines back */
    readonly cutting?: readonly number[];
  },
): MovesView {
  const { machines, people, first, cartBy } = seenOn(farm);
  const cutFor = at.cutting ? cutForBy(at.cutting, at.nowMs) : unhindered;
  const after = (fromMs: number | null, hours: number | null): number | null =>
    fromMs === null || hours === null ? null : cutFor(fromMs, hours);
  const facts = new Map(fieldFacts(farm, rows, records).map((fact) => [fact.row.lot.id, fact]));
  const zones = zonesStanding(records.settings.fieldZone, at.today);
  const acresOf = (fact: FieldFacts): number => cuttableAcres(fact, zonesOf(zones, fact.row.lot));
  const rigs = farm.data.places.flatMap(({ id, kind }): Rig[] => {
    if (kind !== 'combine' && kind !== 'cart') return [];
    const said = records.settings.rigRoad[id]?.value;
    const seen = machines.get(id);
    const driver = kind === 'cart' ? (cartBy.get(id) ?? null) : seen?.by || null;
    return [
      {
        placeId: id,
        kind,
        road: said ?? USUAL_RIG[kind],
        assumed: said === undefined,
        lotId: seen?.lot ?? null,
        driver,
        head: kind === 'combine' ? (records.settings.combineProfile[id]?.value.headOn ?? null) : null,
      },
    ];
  });
  const all = farm.data.places.filter(({ kind }) => kind === 'combine');
  /** A field with the hours that some combines need for what can be cut of it. */
  const stopOf = (fact: FieldFacts, of: readonly Rig[]): MoveStop => {
    const { lot } = fact.row;
    const own = of.filter(({ kind }) => kind === 'combine').map(({ placeId }) => placeId);
    const rates = combineRates(farm, records, rows, all, lot.crop);
    const rate = all.reduce((sum, { id }, i) => sum + (own.includes(id) ? rates[i]! : 0), 0);
    const bushels = standingBushels(farm, fact, acresOf(fact));
    return {
      lotId: lot.id,
      hours: bushels === null || rate <= 0 ? null : bushels / rate,
      spot: at.spotOf(lot.fieldId),
    };
  };
  const combines = rigs.filter(({ kind }) => kind === 'combine');
  const fields = [...new Set(combines.map(({ lotId }) => lotId))].filter((lotId) => lotId !== null && facts.has(lotId));
  const groups = (fields.length === 0 ? [null] : fields).map((lotId, i): Crewed => {
    // A cart that was with none of them goes with the first.
    const own = rigs.filter((rig) => rig.lotId === lotId || (i === 0 && !fields.includes(rig.lotId)));
    const fact = lotId === null ? undefined : facts.get(lotId);
    const stop = fact ? stopOf(fact, own) : { lotId: '', hours: 0, spot: null };
    return { rigs: own, stops: [stop], crop: fact?.crop.id ?? '', doneMs: after(at.nowMs, stop.hours) };
  });
  const waiting = at.order.filter((id) => facts.has(id) && !fields.includes(id));
  const soonest = (a: Crewed, b: Crewed): number => (a.doneMs ?? Infinity) - (b.doneMs ?? Infinity);
  for (let n = 0; n < AHEAD * groups.length && waiting.length > 0; n++) {
    const able = groups.filter(({ stops, doneMs }) => stops.length <= AHEAD && (doneMs ?? 0) < at.nowMs + DAY_MS);
    const next = [...able].sort(soonest)[0];
    if (!next) break;
    const alike = waiting.find((id) => facts.get(id)!.crop.id === next.crop);
    const [id] = waiting.splice(waiting.indexOf(alike ?? waiting[0]!), 1);
    const fact = facts.get(id!)!;
    const stop = stopOf(fact, next.rigs);
    next.stops.push(stop);
    next.crop = fact.crop.id;
    next.doneMs = after(next.doneMs, stop.hours);
  }
  const spot = groups.flatMap(({ stops }) => stops).find((stop) => stop.spot !== null)?.spot ?? null;
  const sunOf = (ms: number): SunOfDay | null => (spot === null ? null : sunAt(ms, spot));
  const own = living<'rigMove'>(records.logs.rigMove).map(({ body }) => body);
  const spots = (crew?.people ?? []).map(({ name, vehicle = null }): CrewSpot => {
    // Where the pickup was driven to last, today; else where he began.
    const driven = own.find(({ along, at: when }) => vehicle !== null && along.includes(vehicle) && instantOf(when) > at.nowMs - DAY_MS); // prettier-ignore
    return {
      name,
      lotId: people.get(name) ?? rigs.find(({ driver }) => driver === name)?.lotId ?? null,
      vehicle,
      vehicleLotId: vehicle === null ? null : (driven?.toLot ?? first.get(name) ?? null),
    };
  });
  const moves = groups.flatMap(({ rigs: of, stops }) =>
    movesOfDay({ rigs: of, stops, own, crew: spots, nowMs: at.nowMs, sunOf, cutFor }),
  );
  const withPickup = new Set(spots.flatMap(({ vehicleLotId }) => vehicleLotId ?? []));
  return {
    moves: moves.sort((a, b) => (a.doneMs ?? Infinity) - (b.doneMs ?? Infinity)),
    rigs,
    others: waiting,
    strandedNow: spots.filter(({ lotId, vehicle }) => lotId !== null && vehicle !== null && !withPickup.has(lotId)),
    sunsetMs: sunOf(at.nowMs)?.setMs ?? null,
  };
}
