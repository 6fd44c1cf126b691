import { type DisplayPhoto, displaysWaiting, type FieldRecords, type TapeLine } from '@fanega/core';
import { useState } from 'react';
import { ulid } from 'ulid';
import { type Farm, useRefreshFarm, useTapePage } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { logged } from '../../../data/records';
import { mass } from '../../../quantity/quantity';
import { moment } from '../../../quantity/time';
import { Button, Loading } from '../../../ui';
import { Drawer } from '../../../ui/drawer';
import { headline } from '../../../widgets/headline';
import { LoadsNear, PhotosToType, PhotoToType } from '../../../widgets/photos-to-type';
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
    <>
      <PhotosToType
        what="display"
        photos={waiting}
        said={(photo) => `${photo.shows === 'scale' ? 'Scale' : 'Tester'}, ${farm.placeName(photo.placeId)}, ${moment(photo.at, timeZone)}`} // prettier-ignore
        onOpen={setOpen}
        className="border-b border-ink px-5 py-4 lg:px-6"
      />
      {open && <TypeIt key={open.id} farm={farm} photo={open} onClose={() => setOpen(null)} />}
    </>
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
    <PhotoToType
      farmId={farm.id}
      photoId={photo.photo}
      alt={photo.shows === 'scale' ? 'The scale’s display' : 'The tester’s display'}
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
            ) : (
              <LoadsNear
                loads={near.map((line) => ({
                  id: line.entry.id,
                  text: `${moment(line.entry.at, timeZone)}: ${headline(line.entry, farm)}${line.wetKg === null ? '' : `, ${mass(line.wetKg).text}`}`,
                  choose: () => setLoad(line),
                }))}
                none={`No load of ${farm.placeName(photo.placeId)} is near it in time: record the load first, then choose it here.`}
              />
            )}
            {photo.shows === 'tester' && <Button onClick={() => setOfField(true)}>It is a reading of a field</Button>}
            <TakeBack of="displayPhoto" id={photo.id} label="Nothing to read on it: leave it out" />
          </>
        )}
      </div>
    </Drawer>
  );
}
