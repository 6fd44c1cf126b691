import {
  acresOfRing,
  calendarDay,
  type FieldPin,
  type FieldRecords,
  type FieldRow,
  type FieldZone,
  living,
  type PinKind,
  POOR_METERS,
  ringsOf,
  zonesOf,
  zonesStanding,
} from '@fanega/core';
import { useState } from 'react';
import { ulid } from 'ulid';
import { type Farm, useRefreshFarm, useTraceRecords } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { useSend } from '../../../data/use-send';
import { setting } from '../../../data/records';
import { area, ground, groundScales, percent } from '../../../quantity/quantity';
import { dayText, since } from '../../../quantity/time';
import { Button, Problem } from '../../../ui';
import { GroundMap, type MapPin, type MapShape, type Spot } from '../../../ui/ground-map';
import { Section } from '../../../ui/page';
import { useHere } from '../../../ui/use-here';
import { TakeBack } from '../../../widgets/take-back';
import { say } from '../../../words';
import { PinForm } from '../forms/pin-form';
import { TakeReading } from '../../../widgets/take-reading';
import { ZONE_WORDS, ZoneForm } from '../forms/zone-form';
import { PartsTable } from './parts-table';
import { useWalk } from './use-walk';
import { type AskedCourse, ZoneCourse } from './zone-course';

const LETTERS: Readonly<Record<PinKind, string>> = {
  softSpot: 'S',
  rock: 'R',
  washout: 'W',
  lowWire: 'L',
  doublePlanted: 'D',
  other: '!',
};

type Sheet =
  | { readonly what: 'zone'; readonly id: string | null; readonly ring: FieldZone['ring'] }
  | { readonly what: 'pin'; readonly at: Spot }
  | { readonly what: 'read'; readonly id: string; readonly name: string };
const cornersOf = (ring: readonly Spot[]): FieldZone['ring'] => ring.map(([lon, lat]) => ({ lon, lat }));

/** Where the field lies, which parts of it are looked at by themselves, and which spots are warned of. */
export default function Ground({
  farm,
  row,
  done,
  records,
  nowMs,
  courseOf,
}: {
  farm: Farm;
  row: FieldRow;
  /** nothing of it is left */
  done: boolean;
  records: FieldRecords;
  nowMs: number;
  /** What a forecast of a part is worked out from; null: nobody read it. */
  courseOf: (zoneId: string) => AskedCourse | null;
}) {
  const { lot } = row;
  const trace = useTraceRecords().data;
  const refresh = useRefreshFarm(farm.id);
  const [sheet, setSheet] = useState<Sheet | null>(null);
  const [tapping, setTapping] = useState<'zone' | 'pin' | null>(null);
  const [drawn, setDrawn] = useState<readonly Spot[]>([]);
  const [looking, setLooking] = useState(false);
  const sending = useSend();
  const walk = useWalk();
  const here = useHere(looking || walk.on);
  const today = calendarDay(nowMs, farm.data.farm.timeZone);
  const boundary = Object.entries(trace?.settings.fieldBoundary ?? {}).find(([, { value }]) => value.field === lot.fieldId); // prettier-ignore
  const zones = zonesOf(zonesStanding(records.settings.fieldZone, today), lot);
  const cut = Object.entries(records.settings.fieldZone).flatMap(([id, { value: zone }]) => zone.fieldId === lot.fieldId && zone.season === lot.season && zone.cutOn !== undefined && !zone.gone ? [{ id, zone, cutOn: zone.cutOn }] : []); // prettier-ignore
  const pins = living(records.logs.fieldPin).filter(({ body }) => body.fieldId === lot.fieldId);
  // Newest first.
  const readingOf = (zoneId: string) =>
    living(records.logs.reading).find(({ body }) => body.zoneId === zoneId && body.moisture !== undefined)?.body;
  const rings = boundary ? ringsOf(boundary[1].value).flat() : [];
  const marking = [...drawn, ...walk.ring];
  const shapes: MapShape[] = [
    ...rings.map((ring, i): MapShape => ({ key: `field${i}`, ring, look: 'field' })),
    ...zones
      .filter(({ zone }) => zone.ring.length > 0)
      .map(({ id, zone, waits }): MapShape => ({
        key: id,
        ring: zone.ring.map(({ lon, lat }) => [lon, lat]),
        look: waits ? 'waits' : 'zone',
        label: zone.name,
      })),
    ...(marking.length > 0 ? [{ key: 'drawn', ring: marking, look: 'drawn' as const }] : []),
  ];
  const mapPins = pins.map(({ body }): MapPin => ({
    key: body.id,
    at: [body.lon, body.lat],
    letter: LETTERS[body.kind],
    label: `${say(`pin_${body.kind}`)} ${body.note}`,
  }));
  const position = typeof here === 'object' ? here : null;
  const keepZone = async (id: string, value: FieldZone): Promise<void> => {
    const { revision = 0 } = records.settings.fieldZone[id] ?? {};
    if (await sending.send(() => write(farm.id, setting(farm.id, 'fieldZone', id, { revision, value }))))
      await refresh();
  };
  const keepBoundary = async (): Promise<void> => {
    const points = [...walk.ring, walk.ring[0]!].map(([lon, lat]) => ({ part: 0, ring: 0, lon, lat }));
    const [id, revision] = boundary ? [boundary[0], boundary[1].revision] : [ulid(), 0];
    const value = { field: lot.fieldId, points };
    if (!(await sending.send(() => write(farm.id, setting(farm.id, 'fieldBoundary', id, { revision, value }))))) return;
    walk.clear();
    await refresh();
  };
  const walked = acresOfRing(cornersOf(walk.ring));
  return (
    <Section label="Ground" className="border-t border-ink px-5 py-5 lg:px-6">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h2 className="text-xl">Ground</h2>
        <div className="flex flex-wrap gap-3">
          <Button onClick={() => setSheet({ what: 'zone', id: null, ring: [] })}>Add a part of it</Button>
          {(shapes.length > 0 || pins.length > 0) && (
            <>
              <Button onClick={() => (setTapping(tapping === 'zone' ? null : 'zone'), setDrawn([]))}>
                {tapping === 'zone' ? 'Stop drawing' : 'Draw a part'}
              </Button>
              <Button onClick={() => setTapping(tapping === 'pin' ? null : 'pin')}>
                {tapping === 'pin' ? 'No pin' : 'Pin a spot'}
              </Button>
            </>
          )}
          <Button onClick={() => (walk.on ? walk.stop() : walk.start())}>
            {walk.on ? 'I am around' : 'Walk or drive around it'}
          </Button>
          <Button onClick={() => setLooking(!looking)}>{looking ? 'Hide where I am' : 'Where am I'}</Button>
        </div>
      </div>
      <Problem>{sending.message}</Problem>
      {(looking || walk.on) && here === 'waits' && <p role="status">{say('positionWaits')}</p>}
      {(looking || walk.on) && here === 'none' && <p role="alert">{say('positionNone')}.</p>}
      {position && position.accuracy > POOR_METERS && (
        <p className="font-semibold">
          ◐ The position is only good to {ground(position.accuracy).text}: no corner is taken from it.
        </p>
      )}
      {walk.ring.length > 0 && (
        <p role="status" className="flex flex-wrap items-center gap-3">
          {walk.ring.length === 1 ? 'One corner' : `${walk.ring.length} corners`}
          {walked === null ? '' : `, ${area(walked).text} so far`}.
          {!walk.on && walked !== null && (
            <>
              <Button onClick={() => void keepBoundary()}>It is the field’s edge</Button>
              <Button onClick={() => setSheet({ what: 'zone', id: null, ring: cornersOf(walk.ring) })}>
                It is a part of it
              </Button>
              <Button look="quiet" onClick={walk.clear}>
                Throw it away
              </Button>
            </>
          )}
        </p>
      )}
      {tapping === 'zone' && (
        <p role="status" className="flex flex-wrap items-center gap-3">
          Tap its corners, one after the other.
          {drawn.length > 0 && (
            <Button look="quiet" onClick={() => setDrawn(drawn.slice(0, -1))}>
              Take the last one back
            </Button>
          )}
          {drawn.length >= 3 && (
            <Button look="do" onClick={() => setSheet({ what: 'zone', id: null, ring: cornersOf(drawn) })}>
              {`That is it: ${area(acresOfRing(cornersOf(drawn)) ?? 0).text}`}
            </Button>
          )}
        </p>
      )}
      {tapping === 'pin' && <p role="status">Tap the spot.</p>}
      <div className="mt-3 grid gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
        <div>
          {shapes.length === 0 && pins.length === 0 ? (
            <p className="text-muted">
              Not drawn yet: take its edge in from a file (Trace, Data in and out), or walk around it with a phone.
              Without a line, parts and spots can be told all the same.
            </p>
          ) : (
            <GroundMap
              shapes={shapes}
              pins={mapPins}
              here={position ? [position.lon, position.lat] : null}
              label={`${lot.fieldName}, north up: ${zones.length} parts, ${pins.length} spots`}
              bars={groundScales().map((meters) => ({ meters, text: ground(meters).text }))}
              onTap={
                tapping === 'zone'
                  ? (spot) => setDrawn([...drawn, spot])
                  : tapping === 'pin'
                    ? (at) => (setTapping(null), setSheet({ what: 'pin', at }))
                    : undefined
              }
            />
          )}
        </div>
        <div>
          {zones.length + cut.length > 0 && (
            <ul aria-label="Parts of the field" className="divide-y divide-rule">
              {zones.map(({ id, zone, waits, retestDue }) => {
                const read = readingOf(id);
                return (
                  <li key={id} className="py-2">
                    <b>{zone.name}</b>, {ZONE_WORDS[zone.kind]}, {area(zone.acres).text}
                    {zone.variety ? `, ${zone.variety}` : ''}
                    <p>
                      {waits ? `◐ leave until ${dayText(zone.leaveUntil!)}` : 'can be cut'}
                      {zone.why.trim() === '' ? '' : `: ${zone.why}`}
                      {read?.moisture === undefined ? '' : `. Read ${percent(read.moisture)}, ${since(read.at, nowMs)}`}
                      {retestDue
                        ? '. ■ Read it today'
                        : zone.retestOn
                          ? `. Read it again ${dayText(zone.retestOn)}`
                          : ''}
                    </p>
                    <ZoneCourse asked={courseOf(id)} nowMs={nowMs} timeZone={farm.data.farm.timeZone} />
                    <p className="flex flex-wrap gap-x-4">
                      {(
                        [
                          ['Read it', () => setSheet({ what: 'read', id, name: zone.name })],
                          ['Change it', () => setSheet({ what: 'zone', id, ring: zone.ring })],
                          ['It is cut', () => void keepZone(id, { ...zone, cutOn: today })],
                          ['Take it out', () => void keepZone(id, { ...zone, gone: true })],
                        ] as const
                      ).map(([words, act]) => (
                        <Button key={words} look="quiet" className="!px-0" onClick={act}>
                          {words}
                        </Button>
                      ))}
                    </p>
                  </li>
                );
              })}
              {cut.map(({ id, zone, cutOn }) => (
                <li key={id} className="py-2 text-muted">
                  {zone.name}, {area(zone.acres).text}, cut {dayText(cutOn)}
                </li>
              ))}
            </ul>
          )}
          {pins.length > 0 && (
            <ul aria-label="Spots" className="mt-2 divide-y divide-rule border-t border-rule">
              {pins.map(({ body, by }) => (
                <Pin key={body.id} pin={body} by={by} />
              ))}
            </ul>
          )}
        </div>
      </div>
      <PartsTable farm={farm} row={row} zones={records.settings.fieldZone} done={done} />
      {sheet?.what === 'zone' && (
        <ZoneForm
          farm={farm}
          lot={lot}
          id={sheet.id}
          was={sheet.id === null ? undefined : records.settings.fieldZone[sheet.id]}
          ring={sheet.ring}
          onClose={() => setSheet(null)}
          onKept={() => (setDrawn([]), setTapping(null), walk.clear())}
        />
      )}
      {sheet?.what === 'pin' && (
        <PinForm farm={farm} fieldId={lot.fieldId} at={sheet.at} onClose={() => setSheet(null)} />
      )}
      {sheet?.what === 'read' && (
        <TakeReading onClose={() => setSheet(null)} fieldId={lot.fieldId} zone={{ id: sheet.id, name: sheet.name }} />
      )}
    </Section>
  );
}

function Pin({ pin, by }: { pin: FieldPin; by: string }) {
  return (
    <li className="flex flex-wrap items-center gap-x-3 py-1.5">
      <span className="min-w-48 flex-1">
        <b>
          {LETTERS[pin.kind]} {say(`pin_${pin.kind}`)}
        </b>
        {pin.note === '' ? '' : `: ${pin.note}`}{' '}
        <span className="text-sm text-muted">
          warned of within {ground(pin.warnWithin).text}, {by}
        </span>
      </span>
      <TakeBack of="fieldPin" id={pin.id} label="It is gone" />
    </li>
  );
}
