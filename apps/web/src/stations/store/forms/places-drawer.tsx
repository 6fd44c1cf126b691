import {
  BIN_SETUP,
  type BinSetup,
  PLACE_NAMES,
  type PlaceInfo,
  REVISION_REASON,
  type SettingEntry,
  type Withdrawal,
  WITHDRAWALS,
} from '@fanega/core';
import { useState } from 'react';
import { toast } from '../../../ui/toast';
import { ulid } from 'ulid';
import { put } from '../../../data/api';
import { type Farm, useBinSetups, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { revision, setting } from '../../../data/records';
import { useSend } from '../../../data/use-send';
import { bushels, length, system } from '../../../quantity/quantity';
import { Button, SelectBox, TextBox } from '../../../ui';
import { Drawer } from '../../../ui/drawer';
import { oneOf, readBoxes } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { QueryBoundary } from '../../../ui/query-boundary';
import { recordErrors, textBox } from '../../../widgets/record-boxes';
import { KIND_WORDS, ORDERED_PLACES, OUT_WORDS } from '../../../widgets/place-words';
import { BinForm } from './bin-form';
import { binBoxes, binOf, binTexts, bushelsOfBin } from './bin-boxes';
import { capacityBox, capacityHint } from '../../../widgets/capacity';

const BINS = ['bin', 'wetBin', 'pile'];

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
  const used = farm.data.places;
  const away = farm.everyPlace.filter(({ id }) => !used.some((one) => one.id === id));
  return (
    <Drawer open title="Names and sizes" onClose={onClose}>
      <ul className="px-5 py-2">
        {used.map((one) => (
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
      {away.length > 0 && (
        <section className="px-5 pb-4" aria-label="Put away">
          <h3 className="pt-2 font-semibold">Put away</h3>
          <p className="text-sm text-muted">Not offered any more. What was recorded of them stays in the book.</p>
          <ul>
            {away.map((one) => (
              <li key={one.id} className="flex min-h-14 items-center justify-between gap-4 border-b border-rule py-2">
                <span>
                  <b>{one.name}</b>{' '}
                  <span className="text-sm text-muted">{KIND_WORDS[one.kind as keyof typeof KIND_WORDS]}</span>
                </span>
                <InUse farm={farm} place={one} inUse />
              </li>
            ))}
          </ul>
        </section>
      )}
    </Drawer>
  );
}

/** Puts a place away, or brings it back. What stands against it is said by the server, in its words. */
function InUse({ farm, place, inUse, onDone }: { farm: Farm; place: PlaceInfo; inUse: boolean; onDone?: () => void }) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const set = async () => {
    const params = { path: { farmId: farm.id, placeId: place.id } };
    const command = put('/api/farms/{farmId}/places/{placeId}/in-use', params, { inUse });
    if (!(await sending.send(() => write(farm.id, command, '', { keep: false })))) return;
    toast(inUse ? `${place.name} is back` : `${place.name} is put away`);
    onDone?.();
    await refresh();
  };
  return (
    <div>
      <Button onClick={() => void set()} disabled={sending.busy}>
        {inUse ? 'Bring it back' : 'Put it away'}
      </Button>
      {sending.message !== null && (
        <p role="alert" className="mt-1 max-w-[40ch] text-sm font-semibold text-clay">
          {sending.message}
        </p>
      )}
    </div>
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
  const [id] = useState(ulid);
  const isBin = BINS.includes(place.kind);
  const form = useFields({
    keptAs: `place.${farm.id}.${place.id}.${system()}`,
    boxes: {
      name: textBox(PLACE_NAMES.name, 'The place needs a name'),
      ...binBoxes(bin?.value),
      capacityBu: capacityBox(farm, place.capacityBu),
      withdrawal: oneOf<Withdrawal>(),
      reason: textBox(REVISION_REASON, 'Say why: it stays in the book for good'),
    },
    unasked: ({ withdrawal, sideDraw }) => [
      ...(withdrawal === place.withdrawal ? (['reason'] as const) : []),
      ...(sideDraw === 'yes' ? [] : (['sideDrawAt'] as const)),
    ],
    start: () => ({
      name: place.name,
      ...binTexts(bin?.value),
      capacityBu: place.capacityByGeometry ? '' : bushels.text(place.capacityBu, farm.kgPerBu(undefined)),
      withdrawal: place.withdrawal as Withdrawal,
      reason: '',
    }),
    together: (values): Record<string, string> => {
      const setup = binOf(values);
      if (setup) return recordErrors(BIN_SETUP, setup);
      const measured = values.eave ?? values.hopper ?? values.roofDegrees ?? values.packFactor ?? values.unloadPerHour;
      return isBin && measured !== undefined ? { diameter: `How many ${length.unit}?` } : {};
    },
    close: onClose,
    save: async ({ name, capacityBu, withdrawal, reason, ...values }) => {
      const body = { name, ...(capacityBu === undefined ? {} : { capacityBu }) };
      const setup = isBin ? binOf(values, bin?.value.note) : undefined;
      try {
        if (setup !== undefined && !same(setup, bin?.value))
          await write(farm.id, setting(farm.id, 'binSetup', place.id, { revision: bin?.revision ?? 0, value: setup }));
        if (withdrawal !== place.withdrawal)
          await write(
            farm.id,
            revision(farm.id, reason, { what: 'withdrawal', place: place.id, withdrawal }, id),
            `how grain comes out of ${name}`,
          );
        const params = { path: { farmId: farm.id, placeId: place.id } };
        await write(farm.id, put('/api/farms/{farmId}/places/{placeId}', params, body));
      } finally {
        await refresh();
      }
      toast(`${name} is kept`);
    },
  });
  const { texts } = form;
  const typedBin = isBin ? readBoxes(binBoxes(bin?.value), texts) : null;
  const setup = typedBin && Object.keys(typedBin.errors).length === 0 ? binOf(typedBin.values) : undefined;
  return (
    <FormDrawer form={form} title={place.name} button="Keep it">
      <TextBox label="Name" {...form.box('name')} />
      {isBin && <BinForm box={form.box} hasSideDraw={texts.sideDraw === 'yes'} setup={setup} />}
      {place.kind !== 'buyer' && (
        <TextBox
          label="Holds"
          hint={
            bushelsOfBin(setup) === null
              ? ['struck level; leave blank if not known', capacityHint()].filter(Boolean).join('; ')
              : texts.capacityBu.trim() === ''
                ? 'by its geometry; a figure typed here stands above it'
                : 'typed: it stands above the geometry'
          }
          {...form.box('capacityBu')}
        />
      )}
      {ORDERED_PLACES.includes(place.kind) && (
        <SelectBox label="Grain comes out" {...form.box('withdrawal')}>
          {WITHDRAWALS.map((value) => (
            <option key={value} value={value}>
              {OUT_WORDS[value]}
            </option>
          ))}
        </SelectBox>
      )}
      {texts.withdrawal !== place.withdrawal && <TextBox label="Why" {...form.box('reason')} />}
      <p className="text-sm text-muted">
        {KIND_WORDS[place.kind as keyof typeof KIND_WORDS]}: what it is stays; what was recorded was mixed by it.
      </p>
      <div className="flex flex-wrap items-center justify-between gap-3 border-t border-rule pt-4">
        <p className="max-w-[40ch] text-sm text-muted">
          {place.kind === 'buyer'
            ? 'Not selling there any more? What was sold there stays in the book.'
            : 'Sold, torn down or given up? It must be empty; what was recorded of it stays in the book.'}
        </p>
        <InUse farm={farm} place={place} inUse={false} onDone={onClose} />
      </div>
    </FormDrawer>
  );
}

/** The same in every figure: nothing of it was changed. */
const same = (a: BinSetup, b: BinSetup | undefined): boolean =>
  b !== undefined &&
  [...new Set([...Object.keys(a), ...Object.keys(b)] as (keyof BinSetup)[])].every((key) => a[key] === b[key]);
