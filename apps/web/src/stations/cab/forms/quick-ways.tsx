import type { PlaceInfo } from '@fanega/core';
import type { Farm } from '../../../data/farm';
import { Button, SelectBox, TextBox } from '../../../ui';
import { Drawer } from '../../../ui/drawer';
import { asTyped, type Box, oneOf } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { grainBox } from '../../../widgets/record-boxes';
import { bushels, displayUnit, guessText, heldText } from '../../../quantity/quantity';
import { PadDrawer } from './pad-drawer';
import { usePad } from './use-pad';
import { say } from '../../../words';

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
  | 'fuel'
  | 'rows'
  | 'pin'
  | 'heat'
  | 'handover'
  | 'else';

const wayWords = (way: QuickWay): string => say(`way_${way}`);

const ANY = ['late', 'fuel', 'heat'] as const;
const WAYS: Readonly<Record<string, readonly QuickWay[]>> = {
  combine: ['some', 'second', 'neighbor', 'ranOver', 'spilled', 'reading', 'rows', ...ANY, 'pin', 'handover', 'else'],
  cart: ['split', 'some', 'second', 'neighbor', 'ranOver', 'spilled', 'reading', ...ANY, 'pin', 'handover', 'else'],
  truck: ['filledUp', 'split', 'some', 'otherBuyer', 'ranOver', 'spilled', ...ANY, 'pin', 'handover', 'else'],
  dryer: ['split', 'some', 'spilled', ...ANY, 'handover', 'else'],
};

export function ChooseWay({
  kind,
  loaded,
  all,
  onClose,
  onPick,
}: {
  kind: string;
  loaded: boolean;
  /** also what opens the office's sheet */
  all: boolean;
  onClose: () => void;
  onPick: (way: QuickWay) => void;
}) {
  const needsGrain: readonly QuickWay[] = ['split', 'some', 'second', 'otherBuyer', 'spilled'];
  return (
    <Drawer open title={say('notUsual')} onClose={onClose}>
      <div className="grid gap-3 px-4 py-4">
        {(WAYS[kind] ?? [])
          .filter((way) => all || way !== 'else')
          .map((way) => (
            <Button
              key={way}
              className="min-h-16 w-full !text-xl"
              disabled={!loaded && needsGrain.includes(way)}
              onClick={() => onPick(way)}
            >
              {wayWords(way)}
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
  const room = (id: string): number | null => {
    const place = farm.place(id);
    return place ? roomOf(farm, place) : null;
  };
  const form = useFields({
    boxes: {
      first: oneOf<string>(),
      wetKg: grainBox(kgPerBu, (much) =>
        much >= all - 0.5 ? say('allOfIt', { much: bushels(all, kgPerBu).text }) : undefined,
      ),
      second: oneOf<string>(),
    },
    start: () => {
      const first = targets[0]?.id ?? '';
      const likely = Math.min(room(first) ?? all / 2, all);
      return { first, wetKg: guessText(likely * kgPerBu, displayUnit(), kgPerBu), second: targets[1]?.id ?? '' };
    },
    together: ({ first, second }): Record<string, string> =>
      two && first === second && first !== '' ? { second: say('twoPlaces') } : {},
    close: onClose,
    save: ({ first, wetKg, second }) => {
      if (first !== '' && !(two && second === '')) onRecord([{ to: first, wetKg }, ...(two ? [{ to: second }] : [])]);
      return Promise.resolve(false);
    },
  });
  const pad = usePad(form, 'wetKg');
  const { first, second } = form.texts;
  const typed = bushels.read(form.texts.wetKg, { per: kgPerBu, wanted: true }).value;
  const much = typed !== undefined && typed > 0 && typed < all - 0.5 ? typed : null;
  // Said, not refused: the book may not know that there is room.
  const overflow =
    much === null ? 0 : Math.max(much - (room(first) ?? Infinity), two ? all - much - (room(second) ?? Infinity) : 0);
  return (
    <PadDrawer form={form} title={wayWords(two ? 'split' : 'some')} onKey={pad.onKey}>
      {targets.length < (two ? 2 : 1) && <p className="text-lg text-muted">{say('noOtherPlace')}</p>}
      <SelectBox label={two ? say('first') : say('to')} {...form.box('first')}>
        <Targets farm={farm} targets={targets} />
      </SelectBox>
      <TextBox label={two ? say('intoFirst') : say('howMuch')} {...pad.box('wetKg')} />
      {two && (
        <SelectBox label={say('theRest')} {...form.box('second')}>
          <Targets farm={farm} targets={targets} />
        </SelectBox>
      )}
      <p className="text-lg">
        {much !== null &&
          say(two ? 'intoPlace' : 'stayIn', {
            much: bushels(all - much, kgPerBu).text,
            place: two ? farm.placeName(second) : me.name,
          })}
        {overflow > 0.5 && <b> ■ {say('moreThanFits', { much: bushels(overflow, kgPerBu).text })}</b>}
      </p>
    </PadDrawer>
  );
}

/** Where it can go, each with its room. */
function Targets({ farm, targets }: { farm: Farm; targets: readonly PlaceInfo[] }) {
  return targets.map((place) => {
    const room = roomOf(farm, place);
    return (
      <option key={place.id} value={place.id}>
        {place.name}
        {room === null
          ? ''
          : `, ${say('roomFor', { much: bushels(room, farm.kgPerBu(farm.cropOf(farm.held(place.id).lots))).text })}`}
      </option>
    );
  });
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
  const perOf = (from: string): number => farm.kgPerBu(crop ?? farm.cropOf(farm.held(from).lots));
  const allOf = (from: string): number => farm.held(from).wetKg / perOf(from);
  const guess = (from: string): string =>
    guessText(Math.min(allOf(from), roomOf(farm, me) ?? Infinity) * perOf(from), displayUnit(), perOf(from));
  const boxOf = (from: string): Box<number> =>
    grainBox(perOf(from), (much) =>
      much > allOf(from) + 0.5 ? say('bookHas', { much: bushels(allOf(from), perOf(from)).text }) : undefined,
    );
  const form = useFields({
    // Read when it is known from where: bushels are of what lies there.
    boxes: { from: oneOf<string>(), much: asTyped(bushels.unit) },
    start: () => ({ from: sources[0]?.id ?? '', much: guess(sources[0]?.id ?? '') }),
    together: ({ from, much }): Record<string, string> => {
      const { error } = boxOf(from).read(much);
      return error === undefined ? {} : { much: error };
    },
    close: onClose,
    save: ({ from, much }) => {
      const wetKg = boxOf(from).read(much).value!;
      if (from !== '') onRecord(from, wetKg >= (allOf(from) - 0.5) * perOf(from) ? undefined : wetKg, wetKg);
      return Promise.resolve(false);
    },
  });
  const pad = usePad(form, 'much');
  return (
    <PadDrawer
      form={form}
      title={say('filledTitle', { place: me.name })}
      disabled={sources.length === 0}
      onKey={pad.onKey}
    >
      {sources.length === 0 && <p className="text-lg text-muted">{say('noSuchGrain')}</p>}
      <SelectBox
        label={say('from')}
        value={form.texts.from}
        onChange={(event) => {
          form.set('from', event.target.value);
          form.set('much', guess(event.target.value));
        }}
      >
        {sources.map((place) => (
          <option key={place.id} value={place.id}>
            {place.name}, {heldText(farm, farm.held(place.id).wetLots)}
          </option>
        ))}
      </SelectBox>
      <TextBox label={say('howMuch')} {...pad.box('much')} />
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
  const form = useFields({
    boxes: {
      wetKg: grainBox(kgPerBu, (much) => (much > Math.max(held.wetKg / kgPerBu, 2000) ? say('moreThanIn') : undefined)),
    },
    start: () => ({ wetKg: '' }),
    close: onClose,
    save: ({ wetKg }) => {
      onRecord(wetKg);
      return Promise.resolve(false);
    },
  });
  const pad = usePad(form, 'wetKg');
  return (
    <PadDrawer form={form} title={say(ranOver ? 'ranOverTitle' : 'spilledTitle', { place: me.name })} onKey={pad.onKey}>
      <TextBox label={say('onGround')} {...pad.box('wetKg')} />
      <p className="text-muted">{say('pileSize', { much: bushels(10, kgPerBu).text })}</p>
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
    <Drawer open title={wayWords('otherBuyer')} onClose={onClose}>
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
