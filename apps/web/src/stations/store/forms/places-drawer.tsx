import { type PlaceInfo, type SettingEntry, type Withdrawal, WITHDRAWALS } from '@fanega/core';
import { useState } from 'react';
import { toast } from '../../../ui/toast';
import { ulid } from 'ulid';
import { put } from '../../../data/api';
import { type Farm, useBinSetups, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { revision, setting } from '../../../data/records';
import { useSend } from '../../../data/use-send';
import { bushels } from '../../../quantity/quantity';
import { SelectBox, TextBox } from '../../../ui';
import { Drawer } from '../../../ui/drawer';
import { FormDrawer } from '../../../ui/form-drawer';
import { QueryBoundary } from '../../../ui/query-boundary';
import { KIND_WORDS, OUT_WORDS } from '../words';
import { BinForm, binText, bushelsOfBin, readBin } from './bin-form';
import { capacityHint, readCapacity } from './capacity';

const BINS = ['bin', 'wetBin', 'pile'];
/** Where grain can come out in more than one way. */
const ORDERED = ['bin', 'wetBin', 'pit', 'overhead'];

/** All places with what each holds; a tap changes it. */
export function PlacesDrawer({ farm, onClose }: { farm: Farm; onClose: () => void }) {
  const [place, setPlace] = useState<PlaceInfo | null>(null);
  const setups = useBinSetups();
  if (place)
    return (
      <QueryBoundary answer={setups} what="Looking up its geometry">
        {({ settings }) => (
          <PlaceForm farm={farm} place={place} bin={settings.binSetup[place.id]} onClose={() => setPlace(null)} />
        )}
      </QueryBoundary>
    );
  return (
    <Drawer open title="Names and sizes" onClose={onClose}>
      <ul className="px-5 py-2">
        {farm.data.places.map((one) => (
          <li key={one.id} className="border-b border-rule">
            <button
              type="button"
              className="flex min-h-12 w-full items-baseline justify-between gap-4 py-2 text-left"
              onClick={() => setPlace(one)}
            >
              <span>
                <b>{one.name}</b>{' '}
                <span className="text-sm text-muted">{KIND_WORDS[one.kind as keyof typeof KIND_WORDS]}</span>
              </span>
              <span className={one.capacityBu === null ? 'text-sm text-muted' : ''}>
                {one.kind === 'buyer'
                  ? ''
                  : one.capacityBu === null
                    ? 'size not known'
                    : bushels(one.capacityBu, farm.kgPerBu(undefined)).text}
                {one.capacityByGeometry && <span className="text-sm text-muted"> by its geometry</span>}
              </span>
            </button>
          </li>
        ))}
      </ul>
    </Drawer>
  );
}

/** What a place is called, what it holds, and of a bin how large it is. Its kind stays: what was recorded was mixed by it. */
function PlaceForm({
  farm,
  place,
  bin,
  onClose,
}: {
  farm: Farm;
  place: PlaceInfo;
  bin: SettingEntry<'binSetup'> | undefined;
  onClose: () => void;
}) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const isBin = BINS.includes(place.kind);
  const [name, setName] = useState(place.name);
  const [holds, setHolds] = useState(
    place.capacityByGeometry ? '' : bushels.text(place.capacityBu, farm.kgPerBu(undefined)),
  );
  const [text, setText] = useState(() => binText(bin?.value));
  const [out, setOut] = useState(place.withdrawal);
  const [why, setWhy] = useState('');
  const [id] = useState(ulid);
  const [tried, setTried] = useState(false);
  const { value: capacityBu, error: holdsError } = readCapacity(farm, holds, place.capacityBu);
  const { setup, errors } = isBin ? readBin(text, bin?.value.note) : { setup: undefined, errors: {} };
  const byGeometry = bushelsOfBin(setup);
  const turned = out !== place.withdrawal;
  const wrong = {
    name: name.trim() === '' ? 'The place needs a name' : undefined,
    holds: holdsError,
    why: turned && why.trim() === '' ? 'Say why: it stands in the book for good' : undefined,
  };
  const save = async (): Promise<void> => {
    setTried(true);
    if (wrong.name || wrong.holds || wrong.why || Object.keys(errors).length > 0) return;
    const body = { name: name.trim(), ...(capacityBu === undefined ? {} : { capacityBu }) };
    const changedBin =
      setup !== undefined &&
      JSON.stringify(setup) !== JSON.stringify(readBin(binText(bin?.value), bin?.value.note).setup);
    const done = await sending.send(async () => {
      if (changedBin)
        await write(farm.id, setting(farm.id, 'binSetup', place.id, { revision: bin?.revision ?? 0, value: setup }));
      if (turned)
        await write(
          farm.id,
          revision(farm.id, why.trim(), { what: 'withdrawal', place: place.id, withdrawal: out as Withdrawal }, id),
          `how grain comes out of ${body.name}`,
        );
      return write(
        farm.id,
        put('/api/farms/{farmId}/places/{placeId}', { path: { farmId: farm.id, placeId: place.id } }, body),
      );
    });
    await refresh();
    if (!done) return;
    toast(`${body.name} is kept`);
    onClose();
  };
  return (
    <FormDrawer
      title={place.name}
      button="Keep it"
      busy={sending.busy}
      problem={sending.message}
      onSubmit={save}
      onClose={onClose}
    >
      <TextBox
        label="Name"
        maxLength={60}
        value={name}
        error={(tried ? wrong.name : undefined) ?? sending.at.name}
        onChange={(event) => setName(event.target.value)}
      />
      {isBin && <BinForm text={text} errors={tried ? errors : {}} at={sending.at} onChange={setText} />}
      {place.kind !== 'buyer' && (
        <TextBox
          label="Holds"
          unit={bushels.unit}
          inputMode="decimal"
          hint={
            byGeometry === null
              ? ['struck; leave empty where nobody knows', capacityHint()].filter(Boolean).join('; ')
              : capacityBu === undefined
                ? 'by its geometry; a figure typed here stands above it'
                : 'typed: it stands above the geometry'
          }
          value={holds}
          error={(tried ? wrong.holds : undefined) ?? sending.at.capacityBu}
          onChange={(event) => setHolds(event.target.value)}
        />
      )}
      {ORDERED.includes(place.kind) && (
        <SelectBox label="Grain comes out" value={out} onChange={(event) => setOut(event.target.value)}>
          {WITHDRAWALS.map((value) => (
            <option key={value} value={value}>
              {OUT_WORDS[value]}
            </option>
          ))}
        </SelectBox>
      )}
      {turned && (
        <TextBox
          label="Why"
          maxLength={200}
          value={why}
          error={(tried ? wrong.why : undefined) ?? sending.at.reason}
          onChange={(event) => setWhy(event.target.value)}
        />
      )}
      <p className="text-sm text-muted">
        {KIND_WORDS[place.kind as keyof typeof KIND_WORDS]}: what it is stays; what was recorded was mixed by it.
      </p>
    </FormDrawer>
  );
}
