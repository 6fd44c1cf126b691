import { closedRing, crossesItself, insideRing, metersBetween, type Point, requireInRange, ringArea } from '../kernel/index.js'; // prettier-ignore
import { type FlowMoment, LONGEST_GAP_MS } from '../cut/index.js';
import type { LotInfo } from '../ledger/index.js';
import type { FieldPin, FieldZone } from '../records/index.js';
import { M2_PER_ACRE } from '../units/index.js';

/** Where a phone or display says that it is. */
export interface PhonePosition {
  readonly lon: number;
  readonly lat: number;
  /** m, as the receiver itself says: it is within this with 68 or 95 of 100, by its maker */
  readonly accuracy: number;
}

/** A position that is known no better than this warns of nothing, m. Common practice, no source. */
export const POOR_METERS = 40;

export interface PinNear<P> {
  readonly pin: P;
  readonly meters: number;
}

/**
 * Pins that are warned of here, the nearest first. A position of poor accuracy warns of nothing and says so.
 * @throws RangeRefusal for a place that is none
 */
export function pinsNear<P extends Pick<FieldPin, 'lon' | 'lat' | 'warnWithin'>>(
  pins: readonly P[],
  at: PhonePosition,
): { readonly poor: boolean; readonly near: readonly PinNear<P>[] } {
  requireInRange('longitude', at.lon, -180, 180, '°');
  requireInRange('latitude', at.lat, -90, 90, '°');
  if (!(at.accuracy <= POOR_METERS)) return { poor: true, near: [] };
  return {
    poor: false,
    near: pins
      .map((pin) => ({ pin, meters: metersBetween([pin.lon, pin.lat], [at.lon, at.lat]) }))
      .filter(({ pin, meters }) => meters <= pin.warnWithin)
      .sort((a, b) => a.meters - b.meters),
  };
}

export const ringOf = (ring: FieldZone['ring']): readonly Point[] => closedRing(ring.map(({ lon, lat }) => [lon, lat]));

/** Acres inside of a zone's ring; null where nobody drew one. */
export const acresOfRing = (ring: FieldZone['ring']): number | null =>
  ring.length < 3 ? null : ringArea(ringOf(ring)) / M2_PER_ACRE;

/** The typed acres and the drawn ones differ by more than this share: one of them is asked about. Common practice, no source. */
export const ACRES_DIFFER = 0.1;

export type ZoneProblem = 'too_few_points' | 'crosses_itself' | 'larger_than_field' | 'acres_differ';

/**
 * What is wrong with a zone; null where nothing is. `acres_differ` is a question, the others are refused.
 * @param measured acres of its field; 0: nobody measured it, and nothing is larger
 */
export function zoneProblem({ ring, acres }: Pick<FieldZone, 'ring' | 'acres'>, measured: number): ZoneProblem | null {
  const fieldAcres = requireInRange('acres of the field', measured, 0, 1e6, 'ac') || Infinity;
  if (ring.length > 0 && ring.length < 3) return 'too_few_points';
  if (ring.length >= 3 && crossesItself(ringOf(ring))) return 'crosses_itself';
  const drawn = acresOfRing(ring);
  if (acres > fieldAcres || (drawn !== null && drawn > fieldAcres * (1 + ACRES_DIFFER))) return 'larger_than_field';
  return drawn !== null && Math.abs(drawn - acres) > ACRES_DIFFER * acres ? 'acres_differ' : null;
}

/** Parts of fields as the farm has them, by their ids. */
export type FarmZones = Readonly<Record<string, { readonly value: FieldZone }>>;

/**
 * The part that a machine stands in; null outside of all, or where nobody knows well enough where it is. Of parts that overlap the smallest.
 * @param zones of the field that is cut
 */
export function zoneAt(zones: readonly ZoneNow[], at: PhonePosition): ZoneNow | null {
  if (!(at.accuracy <= POOR_METERS)) return null;
  const around = zones.filter(({ zone }) => zone.ring.length >= 3 && insideRing(ringOf(zone.ring), [at.lon, at.lat]));
  return around.sort((a, b) => a.zone.acres - b.zone.acres)[0] ?? null;
}

/** Fewer figures with a position than this share of a load say nothing of where it was cut. Common practice, no source. */
const LOCATED = 0.5;

/**
 * The part of a field that a load was cut in, by the positions of the display while it counted: the part, or the rest of the field, that most of
 * its grain came from. Null where most of it came from no part, or the display did not say where it was.
 * @param flows in the order of time, of this load alone
 */
export function zoneOfLoad(zones: readonly ZoneNow[], flows: readonly FlowMoment[]): ZoneNow | null {
  const kg = new Map<ZoneNow | null, number>();
  let all = 0;
  for (let i = 1; i < flows.length; i++) {
    const [before, now] = [flows[i - 1]!, flows[i]!];
    if (now.atMs - before.atMs > LONGEST_GAP_MS) continue;
    const came = (((before.flow + now.flow) / 2) * (now.atMs - before.atMs)) / 1000;
    all += came;
    if (now.lon === undefined || now.lat === undefined) continue;
    // A display steers by what it knows: its receiver is as good as any.
    const zone = zoneAt(zones, { lon: now.lon, lat: now.lat, accuracy: 0 });
    kg.set(zone, (kg.get(zone) ?? 0) + came);
  }
  const located = [...kg.values()].reduce((sum, one) => sum + one, 0);
  if (located <= LOCATED * all) return null;
  return [...kg].sort((a, b) => b[1] - a[1])[0]?.[0] ?? null;
}

export interface ZoneNow {
  readonly id: string;
  readonly zone: FieldZone;
  /** it stays standing today */
  readonly waits: boolean;
  /** somebody wanted it read by now */
  readonly retestDue: boolean;
}

/** Zones that still stand, those first that wait. @param zones as the farm set them @param today day of the farm's calendar */
export function zonesStanding(zones: FarmZones, today: string): ZoneNow[] {
  return Object.entries(zones)
    .filter(([, { value }]) => value.cutOn === undefined && !value.gone)
    .map(([id, { value: zone }]) => ({
      id,
      zone,
      waits: zone.leaveUntil !== undefined && zone.leaveUntil > today,
      retestDue: zone.retestOn !== undefined && zone.retestOn <= today,
    }))
    .sort((a, b) => Number(b.waits) - Number(a.waits) || b.zone.acres - a.zone.acres);
}
/** Those of one field in its season. */
export const zonesOf = (zones: readonly ZoneNow[], lot: Pick<LotInfo, 'fieldId' | 'season'>): ZoneNow[] =>
  zones.filter(({ zone }) => zone.fieldId === lot.fieldId && zone.season === lot.season);

/** Acres of a field that can be cut today: what stands, less the zones that wait. */
export const acresToCut = (acresLeft: number, zones: readonly ZoneNow[]): number =>
  Math.max(
    0,
    requireInRange('acres left', acresLeft, 0, 1e6, 'ac') -
      zones.filter(({ waits }) => waits).reduce((sum, { zone }) => sum + zone.acres, 0),
  );
