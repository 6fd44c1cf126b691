import { type DisplayPhoto, displaysWaiting, type FieldRecords, type TapeLine } from '@fanega/core';
import { useState } from 'react';
import { ulid } from 'ulid';
import { addressOf } from '../../../data/api';
import { type Farm, useRefreshFarm, useTapePage } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { logged } from '../../../data/records';
import { mass, number } from '../../../quantity/quantity';
import { moment } from '../../../quantity/time';
import { Button, Loading } from '../../../ui';
import { Drawer } from '../../../ui/drawer';
import { headline } from '../../../widgets/headline';
import { TakeBack } from '../../../widgets/take-back';
import { TakeReading } from '../../../widgets/take-reading';
import { WeighAgain } from '../../../widgets/weigh-again';

/** Loads nearer than this to the photograph are offered. */
const NEAR_MS = 12 * 3_600_000;
const LOOKED_THROUGH = 200;
const OFFERED = 8;

/** Photographed displays of scales and testers: each is typed with its picture beside the box. */
export default function Photographed({ farm, notebook }: { farm: Farm; notebook: FieldRecords }) {
  const waiting = displaysWaiting(notebook.logs.displayPhoto, notebook.logs.displayTyped);
  const [open, setOpen] = useState<DisplayPhoto | null>(null);
  const { timeZone } = farm.data.farm;
  if (waiting.length === 0) return null;
  return (
    <section aria-label="Photographed displays" className="border-b border-ink px-5 py-4 lg:px-6">
      <h2 className="text-xl">
        {waiting.length === 1 ? 'A photographed display waits' : `${number(waiting.length)} photographed displays wait`}{' '}
        to be typed
      </h2>
      <ul className="mt-1 flex flex-wrap gap-x-6">
        {waiting.map((photo) => (
          <li key={photo.id}>
            <Button look="quiet" className="!px-0" onClick={() => setOpen(photo)}>
              {photo.shows === 'scale' ? 'Scale' : 'Tester'}, {farm.placeName(photo.placeId)},{' '}
              {moment(photo.at, timeZone)}
            </Button>
          </li>
        ))}
      </ul>
      {open && <TypeIt key={open.id} farm={farm} photo={open} onClose={() => setOpen(null)} />}
    </section>
  );
}

function TypeIt({ farm, photo, onClose }: { farm: Farm; photo: DisplayPhoto; onClose: () => void }) {
  const refresh = useRefreshFarm(farm.id);
  const lines = useTapePage(LOOKED_THROUGH, 'harvest,move', [photo.placeId]).data;
  const [load, setLoad] = useState<TapeLine | null>(null);
  const [ofField, setOfField] = useState(false);
  const { timeZone } = farm.data.farm;
  const at = Date.parse(photo.at);
  const typed = async (as: string): Promise<void> => {
    const body = { id: ulid(), at: new Date(farm.clock()).toISOString(), displayId: photo.id, as };
    await write(farm.id, logged(farm.id, 'displayTyped', body), 'a photograph that was typed');
    await refresh();
  };
  const picture = (
    <img
      src={addressOf('/api/farms/{farmId}/photos/{photoId}', { farmId: farm.id, photoId: photo.photo })}
      alt={photo.shows === 'scale' ? 'The scale’s display' : 'The tester’s display'}
      className="max-h-[45vh] w-full border border-rule object-contain"
    />
  );
  if (ofField) return <TakeReading readAt={photo.at} photo={picture} onSaved={typed} onClose={onClose} />;
  const away = (line: TapeLine): number => Math.abs(Date.parse(line.entry.at) - at);
  const near = (lines ?? [])
    .filter((line) => !line.voided && away(line) <= NEAR_MS)
    .sort((a, b) => away(a) - away(b))
    .slice(0, OFFERED);
  return (
    <Drawer open onClose={onClose} title={load ? headline(load.entry, farm) : 'Which load is it?'}>
      <div className="space-y-4 px-5 py-4">
        {picture}
        {load ? (
          <WeighAgain
            farm={farm}
            entry={load.entry}
            crop={farm.cropOf(load.wetLots)}
            onDone={onClose}
            onSaved={typed}
          />
        ) : (
          <>
            {lines === undefined ? (
              <Loading what="Looking for its load" />
            ) : near.length === 0 ? (
              <p>
                No load of {farm.placeName(photo.placeId)} is near it in time: record the load first, then choose it
                here.
              </p>
            ) : (
              <ul aria-label="Loads near it">
                {near.map((line) => (
                  <li key={line.entry.id}>
                    <Button look="quiet" className="!px-0 text-left" onClick={() => setLoad(line)}>
                      {moment(line.entry.at, timeZone)}: {headline(line.entry, farm)}
                      {line.wetKg === null ? '' : `, ${mass(line.wetKg).text}`}
                    </Button>
                  </li>
                ))}
              </ul>
            )}
            {photo.shows === 'tester' && <Button onClick={() => setOfField(true)}>It is a reading of a field</Button>}
            <TakeBack of="displayPhoto" id={photo.id} label="Nothing to read on it: leave it out" />
          </>
        )}
      </div>
    </Drawer>
  );
}
