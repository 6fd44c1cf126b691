import type { DeviceInfo } from '@fanega/contract';
import {
  currentSeason,
  deviceAt,
  type FieldRecords,
  POOR_METERS,
  type SelfRecording as Rule,
  TRUCK_YARD,
} from '@fanega/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { type Farm, useRefreshFarm, useTraceRecords } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { setting } from '../../../data/records';
import { useSend } from '../../../data/use-send';
import { degrees, ground } from '../../../quantity/quantity';
import { Button, Problem, SelectBox, TextBox } from '../../../ui';
import { oneOf } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { SwitchBox } from '../../../ui/switch-box';
import { useHere } from '../../../ui/use-here';
import { figureBox } from '../../../widgets/record-boxes';
import SeenQuestions from '../../../widgets/seen-questions';

const USUAL_RADIUS = 60;

/** Whether loads that machines are sure of enter the book by themselves; what each of them needs for it, and what is missing. */
export function SelfRecording({
  farm,
  notebook,
  devices,
}: {
  farm: Farm;
  notebook: FieldRecords;
  devices: readonly DeviceInfo[];
}) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const drawn = new Set(Object.values(useTraceRecords().data?.settings.fieldBoundary ?? {}).map(({ value }) => value.field)); // prettier-ignore
  const [adding, setAdding] = useState(false);
  const kept = notebook.settings.selfRecording.farm;
  const rule: Rule = kept?.value ?? { on: false, yards: [] };
  const save = async (value: Rule): Promise<boolean> => {
    const sent = await sending.send(() => write(farm.id, setting(farm.id, 'selfRecording', 'farm', { revision: kept?.revision ?? 0, value }))); // prettier-ignore
    if (sent) await refresh();
    return sent !== undefined;
  };
  const has = (kind: DeviceInfo['kind'], placeId: string): boolean => deviceAt(devices, notebook, kind, placeId) !== undefined; // prettier-ignore
  const of = (kind: string) => farm.data.places.filter((place) => place.kind === kind);
  const season = currentSeason(farm.data.lots);
  const missing = [
    ...of('cart').filter(({ id }) => !has('cartScale', id)).map(({ name }) => `${name} has no scale on the wire: its loads are tapped as before.`),
    ...of('combine').filter(({ id }) => !has('monitor', id)).map(({ name }) => `${name} has no display on the wire: how wet a load is will be asked.`),
    ...of('truck').filter(({ id }) => !has('tracker', id) && !has('cartScale', id)).map(({ name }) => `${name} has no tracker: which truck it was will be asked.`),
    ...farm.data.lots.filter((lot) => lot.season === season && !drawn.has(lot.fieldId)).map(({ fieldName }) => `${fieldName} has no edge drawn: a load off it will be asked about.`),
    ...(devices.some(({ kind, revoked }) => kind === 'truckScale' && !revoked) ? [] : ['No truck scale on the wire: a truck emptied at home will be asked about.']),
  ]; // prettier-ignore
  return (
    <div className="max-w-3xl space-y-5">
      <SwitchBox on={rule.on} onChange={(on) => void save({ ...rule, on })} className="text-xl font-semibold">
        Loads that the machines are sure of record themselves
      </SwitchBox>
      <Problem>{sending.message}</Problem>
      <p>
        A cart’s scale says how much, the display how wet, and where combine, cart and truck stood says from where to
        where. What is sure enters the book, marked so, and is taken back by a tap; of the rest you are asked once.
        Nothing is entered by guess.
      </p>
      <SeenQuestions farm={farm} place={null} />
      <section aria-label="Where trucks are emptied">
        <div className="flex flex-wrap items-center justify-between gap-3">
          <h2 className="text-xl">Where trucks are emptied</h2>
          <Button onClick={() => setAdding(true)}>Add a place</Button>
        </div>
        {rule.yards.length === 0 ? (
          <p className="text-muted">None told yet: a truck that was emptied at home is not noticed.</p>
        ) : (
          <ul className="divide-y divide-rule">
            {rule.yards.map((yard, i) => (
              <li key={i} className="flex flex-wrap items-center gap-x-4 py-2">
                <span className="flex-1">
                  <b>{farm.placeName(yard.placeId)}</b>, within {ground(yard.radius).text} of {degrees(yard.lat).text},{' '}
                  {degrees(yard.lon).text}
                </span>
                <Button
                  look="quiet"
                  className="!px-0"
                  onClick={() => void save({ ...rule, yards: rule.yards.filter((_, k) => k !== i) })}
                >
                  Take it out
                </Button>
              </li>
            ))}
          </ul>
        )}
      </section>
      <section aria-label="What is missing for it">
        <h2 className="text-xl">{missing.length === 0 ? 'Nothing is missing for it' : 'What is missing for it'}</h2>
        <ul className="list-disc space-y-1 pl-5">
          {missing.map((words) => (
            <li key={words}>{words}</li>
          ))}
        </ul>
        {missing.length > 0 && (
          <p className="mt-2 text-muted">
            Devices are added in{' '}
            <Link to="/shed/devices" className="underline decoration-rule underline-offset-4">
              Shed, Devices
            </Link>
            , a field’s edge on its own page.
          </p>
        )}
      </section>
      {adding && (
        <YardDrawer
          farm={farm}
          onClose={() => setAdding(false)}
          onKeep={(yard) => save({ ...rule, yards: [...rule.yards, yard] })}
        />
      )}
    </div>
  );
}

function YardDrawer({
  farm,
  onClose,
  onKeep,
}: {
  farm: Farm;
  onClose: () => void;
  onKeep: (yard: Rule['yards'][number]) => Promise<boolean>;
}) {
  const [looking, setLooking] = useState(false);
  const here = useHere(looking);
  const places = farm.data.places.filter(({ kind }) => ['pit', 'wetBin', 'bin', 'pile', 'buyer', 'dryer'].includes(kind)); // prettier-ignore
  const form = useFields({
    boxes: {
      placeId: oneOf<string>(),
      lat: figureBox(TRUCK_YARD.lat, degrees, { missing: 'How far north?' }),
      lon: figureBox(TRUCK_YARD.lon, degrees, { missing: 'How far east?' }),
      radius: figureBox(TRUCK_YARD.radius, ground, { missing: 'How wide around?' }),
    },
    start: () => ({ placeId: places[0]?.id ?? '', lat: '', lon: '', radius: ground.text(USUAL_RADIUS) }),
    close: onClose,
    save: ({ placeId, lat, lon, radius }) => onKeep({ placeId, lat: lat!, lon: lon!, radius: radius! }),
  });
  const good = typeof here === 'object' && here.accuracy <= POOR_METERS;
  return (
    <FormDrawer form={form} title="Where trucks are emptied" button="Keep it">
      <SelectBox label="It goes into" {...form.box('placeId')}>
        {places.map((place) => (
          <option key={place.id} value={place.id}>
            {place.name}
          </option>
        ))}
      </SelectBox>
      <div className="grid grid-cols-2 gap-3">
        <TextBox label="North" {...form.box('lat')} />
        <TextBox label="East" {...form.box('lon')} />
      </div>
      <TextBox label="Within" {...form.box('radius')} />
      {good ? (
        <Button
          onClick={() => {
            form.set('lat', degrees.text(here.lat));
            form.set('lon', degrees.text(here.lon));
          }}
        >
          I stand there: take this position
        </Button>
      ) : (
        <Button onClick={() => setLooking(true)}>
          {looking
            ? here === 'none'
              ? 'This device does not say where it is'
              : typeof here === 'object'
                ? `Only good to ${ground(here.accuracy).text}`
                : 'Looking for the position'
            : 'I stand there'}
        </Button>
      )}
    </FormDrawer>
  );
}
