import type { PlaceInfo } from '@fanega/core';
import { useState } from 'react';
import type { Farm } from '../../../data/farm';
import { Button, SelectBox, TextBox } from '../../../ui';
import { Drawer } from '../../../ui/drawer';
import { typed } from '../../../widgets/number-pad';
import { bushels, displayUnit, grainOf, guessText } from '../../../quantity/quantity';
import { PadDrawer } from './pad-drawer';

/** What is not the usual load, each with its own way in. */
export type QuickWay =
  | 'split'
  | 'some'
  | 'second'
  | 'filledUp'
  | 'otherBuyer'
  | 'spilled'
  | 'ranOver'
  | 'neighbor'
  | 'reading'
  | 'late'
  | 'else';

const WORDS: Readonly<Record<QuickWay, string>> = {
  split: 'Split over two places',
  some: 'Only some of it',
  second: 'A second field on top',
  filledUp: 'Filled up elsewhere',
  otherBuyer: 'To another buyer',
  spilled: 'Spilled',
  ranOver: 'Ran over',
  neighbor: 'Neighbor’s rows',
  reading: 'Moisture reading',
  late: 'Report a delay',
  else: 'Something else',
};

const WAYS: Readonly<Record<string, readonly QuickWay[]>> = {
  combine: ['some', 'second', 'neighbor', 'ranOver', 'spilled', 'reading', 'late', 'else'],
  cart: ['split', 'some', 'second', 'neighbor', 'ranOver', 'spilled', 'reading', 'late', 'else'],
  truck: ['filledUp', 'split', 'some', 'otherBuyer', 'ranOver', 'spilled', 'late', 'else'],
  dryer: ['split', 'some', 'spilled', 'late', 'else'],
};

export function ChooseWay({
  kind,
  loaded,
  onClose,
  onPick,
}: {
  kind: string;
  loaded: boolean;
  onClose: () => void;
  onPick: (way: QuickWay) => void;
}) {
  const needsGrain: readonly QuickWay[] = ['split', 'some', 'second', 'otherBuyer', 'spilled'];
  return (
    <Drawer open title="Not the usual" onClose={onClose}>
      <div className="grid gap-3 px-4 py-4">
        {(WAYS[kind] ?? []).map((way) => (
          <Button
            key={way}
            className="min-h-16 w-full !text-xl"
            disabled={!loaded && needsGrain.includes(way)}
            onClick={() => onPick(way)}
          >
            {WORDS[way]}
          </Button>
        ))}
      </div>
    </Drawer>
  );
}

/** Where grain of a vessel can go, the likely ones first. */
export function targetsOf(farm: Farm, me: PlaceInfo): PlaceInfo[] {
  const crop = farm.cropOf(farm.held(me.id).lots);
  const order: Readonly<Record<string, readonly string[]>> = {
    combine: ['cart', 'truck'],
    cart: ['truck', 'pit', 'wetBin', 'bin', 'pile'],
    truck: ['pit', 'wetBin', 'bin', 'overhead', 'pile', 'buyer', 'truck'],
    dryer: ['bin', 'overhead', 'pile', 'truck'],
  };
  const kinds = order[me.kind] ?? [];
  return farm.data.places
    .filter((place) => place.id !== me.id && kinds.includes(place.kind))
    .filter((place) => place.kind === 'buyer' || [undefined, crop].includes(farm.cropOf(farm.held(place.id).lots)))
    .sort((a, b) => kinds.indexOf(a.kind) - kinds.indexOf(b.kind));
}

const roomOf = (farm: Farm, place: PlaceInfo): number | null =>
  place.capacityBu === null ? null : Math.max(0, place.capacityBu - farm.bushels(farm.held(place.id).wetLots));

export interface Part {
  readonly to: string;
  /** Left out: all of the rest. */
  readonly wetKg?: number;
}

/** A dump that goes to one place in part, or over two: one figure, the rest follows. */
export function SplitPad({
  farm,
  me,
  two,
  onClose,
  onRecord,
}: {
  farm: Farm;
  me: PlaceInfo;
  two: boolean;
  onClose: () => void;
  onRecord: (parts: readonly Part[]) => void;
}) {
  const targets = targetsOf(farm, me).filter((place) => place.kind !== 'buyer');
  const held = farm.held(me.id);
  const kgPerBu = farm.kgPerBu(farm.cropOf(held.lots));
  const all = held.wetKg / kgPerBu;
  const [first, setFirst] = useState(targets[0]?.id ?? '');
  const [second, setSecond] = useState(targets[1]?.id ?? '');
  const room = (id: string): number | null => {
    const place = farm.place(id);
    return place ? roomOf(farm, place) : null;
  };
  const likely = Math.min(room(first) ?? all / 2, all);
  const [text, setText] = useState(guessText(likely * kgPerBu, displayUnit(), kgPerBu));
  const [fresh, setFresh] = useState(true);
  const [tried, setTried] = useState(false);
  const read = bushels.read(text, { per: kgPerBu, wanted: true });
  const much = read.value ?? NaN;
  const wrong = !(much > 0)
    ? (read.error ?? `How many ${bushels.unit}?`)
    : much >= all - 0.5
      ? `There are ${bushels(all, kgPerBu)} in it: that is all of it`
      : undefined;
  const same = two && first === second ? 'Two different places' : undefined;
  // Said, not refused: the book may not know that there is room.
  const overflow = Math.max(much - (room(first) ?? Infinity), two ? all - much - (room(second) ?? Infinity) : 0);
  const save = (): void => {
    setTried(true);
    if (wrong || same || first === '' || (two && second === '')) return;
    onRecord([{ to: first, wetKg: much * kgPerBu }, ...(two ? [{ to: second }] : [])]);
  };
  return (
    <PadDrawer
      title={two ? WORDS.split : WORDS.some}
      onKey={(key) => {
        setText(typed(text, key, fresh));
        setFresh(false);
      }}
      onSubmit={save}
      onClose={onClose}
    >
      {targets.length < (two ? 2 : 1) && (
        <p className="text-lg text-muted">The farm has no other place that takes it: places are added in Store.</p>
      )}
      <PlacePick farm={farm} label={two ? 'First' : 'To'} value={first} targets={targets} onChange={setFirst} />
      <TextBox
        label={two ? 'Into the first' : 'How much'}
        unit={bushels.unit}
        inputMode="none"
        value={text}
        error={tried ? wrong : undefined}
        onChange={(event) => setText(event.target.value)}
      />
      {two && (
        <PlacePick
          farm={farm}
          label="The rest"
          value={second}
          targets={targets}
          error={tried ? same : undefined}
          onChange={setSecond}
        />
      )}
      <p className="text-lg">
        {wrong
          ? ''
          : `${bushels(all - much, kgPerBu)} ${two ? `into ${farm.placeName(second)}` : `stay in ${me.name}`}`}
        {overflow > 0.5 && !wrong && <b> ■ {bushels(overflow, kgPerBu).text} more than fits</b>}
      </p>
    </PadDrawer>
  );
}

function PlacePick({
  farm,
  label,
  value,
  targets,
  error,
  onChange,
}: {
  farm: Farm;
  label: string;
  value: string;
  targets: readonly PlaceInfo[];
  error?: string | undefined;
  onChange: (id: string) => void;
}) {
  return (
    <SelectBox label={label} value={value} error={error} onChange={(event) => onChange(event.target.value)}>
      {targets.map((place) => {
        const room = roomOf(farm, place);
        return (
          <option key={place.id} value={place.id}>
            {place.name}
            {room === null ? '' : `, room for ${bushels(room, farm.kgPerBu(farm.cropOf(farm.held(place.id).lots)))}`}
          </option>
        );
      })}
    </SelectBox>
  );
}

/** A truck that was begun in one place and filled in another: from which vessel, and how much of it. */
export function FillPad({
  farm,
  me,
  onClose,
  onRecord,
}: {
  farm: Farm;
  me: PlaceInfo;
  onClose: () => void;
  onRecord: (from: string, wetKg: number | undefined, filledKg: number) => void;
}) {
  const crop = farm.cropOf(farm.held(me.id).lots);
  const kinds = ['cart', 'combine', 'overhead', 'bin', 'truck', 'pile'];
  const sources = farm.data.places
    .filter((place) => place.id !== me.id && kinds.includes(place.kind) && farm.held(place.id).wetKg > 1)
    .filter((place) => crop === undefined || farm.cropOf(farm.held(place.id).lots) === crop)
    .sort((a, b) => kinds.indexOf(a.kind) - kinds.indexOf(b.kind));
  const [from, setFrom] = useState(sources[0]?.id ?? '');
  const [text, setText] = useState<string | null>(null);
  const [fresh, setFresh] = useState(true);
  const [tried, setTried] = useState(false);
  const held = farm.held(from);
  const kgPerBu = farm.kgPerBu(crop ?? farm.cropOf(held.lots));
  const all = held.wetKg / kgPerBu;
  const shown = text ?? guessText(Math.min(all, roomOf(farm, me) ?? all) * kgPerBu, displayUnit(), kgPerBu);
  const read = bushels.read(shown, { per: kgPerBu, wanted: true });
  const much = read.value ?? NaN;
  const wrong = !(much > 0)
    ? (read.error ?? `How many ${bushels.unit}?`)
    : much > all + 0.5
      ? `The book has ${bushels(all, kgPerBu)} there`
      : undefined;
  return (
    <PadDrawer
      title={`${me.name}, filled up elsewhere`}
      disabled={sources.length === 0}
      onKey={(key) => {
        setText(typed(shown, key, fresh));
        setFresh(false);
      }}
      onSubmit={() => {
        setTried(true);
        if (!wrong && from !== '') onRecord(from, much >= all - 0.5 ? undefined : much * kgPerBu, much * kgPerBu);
      }}
      onClose={onClose}
    >
      {sources.length === 0 && (
        <p className="text-lg text-muted">
          The book has no such grain anywhere it could come from: record it as something else.
        </p>
      )}
      <SelectBox
        label="From"
        value={from}
        onChange={(event) => {
          setFrom(event.target.value);
          setText(null);
          setFresh(true);
        }}
      >
        {sources.map((place) => (
          <option key={place.id} value={place.id}>
            {place.name}, {grainOf(farm, farm.held(place.id).wetLots).text}
          </option>
        ))}
      </SelectBox>
      <TextBox
        label="How much"
        unit={bushels.unit}
        inputMode="none"
        value={shown}
        error={tried ? wrong : undefined}
        onChange={(event) => setText(event.target.value)}
      />
    </PadDrawer>
  );
}

/** Grain on the ground: an estimate on the pad. */
export function LostPad({
  farm,
  me,
  ranOver,
  onClose,
  onRecord,
}: {
  farm: Farm;
  me: PlaceInfo;
  ranOver: boolean;
  onClose: () => void;
  onRecord: (wetKg: number) => void;
}) {
  const held = farm.held(me.id);
  const kgPerBu = farm.kgPerBu(farm.cropOf(held.lots));
  const [text, setText] = useState('');
  const [tried, setTried] = useState(false);
  const read = bushels.read(text, { per: kgPerBu, wanted: true });
  const much = read.value ?? NaN;
  const wrong = !(much > 0)
    ? (read.error ?? `About how many ${bushels.unit}?`)
    : much > Math.max(held.wetKg / kgPerBu, 2000)
      ? 'More than was in it'
      : undefined;
  return (
    <PadDrawer
      title={ranOver ? `${me.name} ran over` : `Spilled from ${me.name}`}
      onKey={(key) => setText(typed(text, key, false))}
      onSubmit={() => {
        setTried(true);
        if (!wrong) onRecord(much * kgPerBu);
      }}
      onClose={onClose}
    >
      <TextBox
        label="On the ground, about"
        unit={bushels.unit}
        inputMode="none"
        value={text}
        error={tried ? wrong : undefined}
        onChange={(event) => setText(event.target.value)}
      />
      <p className="text-muted">
        A pile to the knee, as wide as it is long by a step and a half, is about {bushels(10, kgPerBu).text}. Augers
        stopped and locked before anybody shovels.
      </p>
    </PadDrawer>
  );
}

export function BuyerPick({
  farm,
  onClose,
  onPick,
}: {
  farm: Farm;
  onClose: () => void;
  onPick: (buyerId: string) => void;
}) {
  return (
    <Drawer open title={WORDS.otherBuyer} onClose={onClose}>
      <div className="grid gap-3 px-4 py-4">
        {farm.data.places
          .filter((place) => place.kind === 'buyer')
          .map((buyer) => (
            <Button key={buyer.id} className="min-h-16 w-full !text-xl" onClick={() => onPick(buyer.id)}>
              {buyer.name}
            </Button>
          ))}
      </div>
    </Drawer>
  );
}
