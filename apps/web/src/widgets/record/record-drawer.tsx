import { useGates } from '../site';
import { cropOf, CROPS, type EarlierTicket, type Entry, METHODS } from '@fanega/core';
import { type FormEvent, useEffect, useMemo, useRef, useState } from 'react';
import { ulid } from 'ulid';
import { ApiError } from '../../data/api';
import { type Farm, useBinSetups, useDeliveries, useDown, useFarm } from '../../data/farm';
import { Button, Choices, Problem, SelectBox, TextBox } from '../../ui';
import { Drawer } from '../../ui/drawer';
import {
  bushels,
  grain,
  mass,
  percent,
  price,
  scaleUnit,
  weightText,
  weightUnits,
  heldText,
} from '../../quantity/quantity';
import { dropAt, waits, write } from '../../data/outbox';
import { bookCommand } from '../../data/outbox/book-command';
import { headline } from '../headline';
import { METHOD_WORDS } from '../method-words';
import { ZoneBox } from '../zone-box';
import {
  isLongAgo,
  type Amount,
  type Draft,
  draftCrop,
  type DraftErrors,
  emptyDraft,
  fieldOf,
  KINDS,
  likelyMethod,
  readDraft,
} from './draft';
import { keepDraft } from './kept';
import { firstEntries, sendDraft, stamped, triedEntries } from './send';
import { clock, momentTyped } from '../../quantity/time';
import { readMoment } from '../../quantity/time-typed';
import { CheckBox } from '../../ui/check-box';
import { Dictate } from '../dictate';
import { Callout } from '../../ui/callout';
import { ANYWAY, intakeWords, withReason } from '../intake';
import { sideDrawGives } from '../side-draw-gives';

/** Records an entry: likely next ones ready made on top, everything else in one column below. */
export default function RecordDrawer({
  start,
  onClose,
  onRecorded,
  onKept,
}: {
  start: Draft;
  onClose: () => void;
  onRecorded: (id: string, what: string) => void;
  onKept: () => void;
}) {
  const farm = useFarm();
  const down = useDown();
  const gates = useGates();
  const [draft, setDraft] = useState(start);
  const [errors, setErrors] = useState<DraftErrors>({});
  const [problem, setProblem] = useState<string | null>(null);
  const [sending, setSending] = useState(false);
  const form = useRef<HTMLFormElement>(null);

  const set = (change: Partial<Draft>) => {
    setDraft((before) => ({ ...before, ...change }));
    setErrors((before) => Object.fromEntries(Object.entries(before).filter(([field]) => !(field in change))));
  };
  const untouched = draft === start;
  useEffect(() => {
    if (!untouched) keepDraft(draft);
  }, [draft, untouched]);

  // A buyer's number may be from the beginning of the season: all of its tickets are looked through.
  const season = useDeliveries(undefined, farm.place(draft.to)?.kind === 'buyer').data;
  const earlier = useMemo(
    () =>
      season?.map(({ to, ticket, pricePerBu, wetLots }): EarlierTicket => ({
        to,
        ticket,
        pricePerBu,
        crop: farm.cropOf(wetLots),
      })),
    [season, farm],
  );

  const submit = async (event: FormEvent) => {
    event.preventDefault();
    if (sending) return;
    const { entry: read, errors: wrong } = readDraft(draft, farm, farm.clock());
    // Stamped once: what is tried now and what the queue tries later is the same to the letter.
    const against = read && asksOf(draft) ? intakeWords(farm, read, down, earlier, gates) : [];
    if (against.length > 0 && draft.anyway === '') wrong.anyway = 'Say why, or choose another place';
    const entry =
      read && !wrong.anyway ? stamped(against.length > 0 ? withReason(read, draft.anyway) : read) : undefined;
    setErrors(wrong);
    setProblem(null);
    if (!entry) {
      requestAnimationFrame(() => form.current?.querySelector<HTMLElement>('[aria-invalid=true]')?.focus());
      return;
    }
    setSending(true);
    const over = async (): Promise<void> => {
      keepDraft(undefined);
      if (draft.queued !== '') await dropAt(Number(draft.queued));
    };
    const queue = async (entries: readonly Entry[]): Promise<void> => {
      await write(
        farm.id,
        bookCommand(farm.id, entries),
        draft.replaces ? `${headline(entry, farm)}, made again` : headline(entry, farm),
        { wait: true },
      );
      await over();
      onKept();
    };
    // Not past what waits already: entries go out in their order.
    if (waits(farm.id) && draft.tried === '') return queue(firstEntries(farm.id, draft, entry, farm.clock()));
    let tried = draft;
    try {
      const keep = (kept: Draft): void => {
        tried = kept;
        setDraft(kept);
      };
      const id = await sendDraft(farm.id, draft, entry, keep, farm.clock());
      await over();
      onRecorded(id, draft.replaces ? 'Corrected: the old entry is voided' : 'In the book');
    } catch (error) {
      setSending(false);
      if (!(error instanceof ApiError)) throw error;
      if (error.away) {
        // To the letter what was tried: it may have arrived, and must not be doubled. A correction is a void and an entry that go together.
        return queue(triedEntries(tried));
      }
      // An answer, if not the wished one: nothing of it is in the book.
      set({ tried: '', triedAs: '' });
      const atFields: DraftErrors = {};
      for (const issue of error.issues) {
        const field = fieldOf(issue.field, draft);
        if (field) atFields[field] = issue.message;
      }
      setErrors(atFields);
      setProblem(error.message);
    }
  };

  return (
    <Drawer open title={draft.replaces ? 'Make it again' : 'Record'} onClose={onClose}>
      <form ref={form} onSubmit={(event) => void submit(event)} noValidate className="flex min-h-full flex-col">
        <div className="flex-1 space-y-4 px-5 py-4">
          {!draft.replaces && <Likely farm={farm} onPick={(given) => setDraft(emptyDraft(ulid, given))} />}
          <Choices label="What happened" hidden value={draft.kind} onChange={(kind) => set({ kind })} choices={KINDS} />
          <Caution farm={farm} draft={draft} />
          <WhatAndWhere farm={farm} draft={draft} errors={errors} set={set} />
          <HowMuch farm={farm} draft={draft} errors={errors} set={set} />
          <MoreDetails farm={farm} draft={draft} errors={errors} set={set} />
          <Against farm={farm} draft={draft} errors={errors} set={set} earlier={earlier} />
        </div>
        <div className="sticky bottom-0 border-t border-ink bg-paper px-5 py-3">
          <Problem className="mb-2">{problem}</Problem>
          <Preview farm={farm} draft={draft} />
          <Button look="do" type="submit" disabled={sending} className="mt-2 min-h-14 w-full text-lg">
            {sending
              ? 'Sending …'
              : problem
                ? 'Send again'
                : draft.replaces
                  ? 'Void the old one and record this'
                  : 'Record it'}
          </Button>
        </div>
      </form>
    </Drawer>
  );
}

/** The usual caution where the hazard is met; common practice, no source. The program never says that a place is safe. */
function Caution({ farm, draft }: { farm: Farm; draft: Draft }) {
  const kind = farm.place(draft.place)?.kind;
  const words =
    draft.kind === 'measure' && kind !== 'cart' && kind !== 'truck' && kind !== 'combine'
      ? 'Take the level from outside, with somebody on the ground. Lock out the unload first and never step onto grain. Local rules and the bin’s own book decide.'
      : draft.kind === 'loss'
        ? 'Augers, belts and dryer stopped and locked before anybody reaches in or shovels; never work below hung-up grain.'
        : null;
  return words ? (
    <Callout icon className="px-3 py-2 text-sm">
      <b>Caution.</b> {words}
    </Callout>
  ) : null;
}

interface PartProps {
  readonly farm: Farm;
  readonly draft: Draft;
  readonly errors: DraftErrors;
  readonly set: (change: Partial<Draft>) => void;
}

function Likely({ farm, onPick }: { farm: Farm; onPick: (given: Partial<Draft>) => void }) {
  const loads = farm.data.steps.flatMap((step) => ('load' in step && step.load ? [step.load] : [])).slice(0, 3);
  if (loads.length === 0) return null;
  return (
    <div>
      <p className="mb-1 text-sm font-semibold">Likely next</p>
      <ul className="divide-y divide-rule border-y border-rule">
        {loads.map((load) => (
          <li key={load.from + load.to}>
            <button
              type="button"
              onClick={() =>
                onPick({
                  kind: 'move',
                  from: load.from,
                  to: load.to,
                  ...(load.wetKg === undefined
                    ? { amount: 'all' }
                    : { amount: 'net', unit: scaleUnit(), weight: weightText(load.wetKg, scaleUnit()) }),
                })
              }
              className="flex min-h-12 w-full items-center justify-between gap-3 px-1 text-left font-mono hover:bg-sand"
            >
              <span>
                {farm.placeName(load.from)} → {farm.placeName(load.to)}
              </span>
              <span>
                {
                  grain(load.wetKg ?? farm.held(load.from).wetKg, farm.kgPerBu(farm.cropOf(farm.held(load.from).lots)))
                    .text
                }
              </span>
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}

function PlaceOptions({
  farm,
  chosen,
  exclude,
  buyers = false,
  holdingFirst = false,
}: {
  farm: Farm;
  /** Offered also where it was put away: an entry of before is made again with the places it named. */
  chosen: string;
  exclude?: string;
  buyers?: boolean;
  holdingFirst?: boolean;
}) {
  const offered = [
    ...farm.data.places,
    ...farm.everyPlace.filter(({ id }) => id === chosen && !farm.data.places.some((place) => place.id === id)),
  ];
  const places = offered.filter((place) => place.id !== exclude && (buyers || place.kind !== 'buyer'));
  const full = (id: string) => farm.held(id).wetKg > 0;
  const sorted = holdingFirst ? [...places].sort((a, b) => Number(full(b.id)) - Number(full(a.id))) : places;
  return sorted.map((place) => {
    const held = farm.held(place.id);
    return (
      <option key={place.id} value={place.id}>
        {place.name}
        {place.kind === 'buyer' ? ' (buyer)' : held.wetKg > 0 ? `, ${heldText(farm, held.wetLots)}` : ', empty'}
      </option>
    );
  });
}

/** What somebody wrote of a place, for whoever pulls from it. */
function PlaceNote({ placeId }: { placeId: string }) {
  const note = useBinSetups().data?.settings.placeState[placeId]?.value.note;
  return note ? (
    <Callout className="px-3 py-2">
      <b className="font-semibold">Note:</b> {note}
    </Callout>
  ) : null;
}

/** A bin with a spout in its wall: by that the newest grain leaves first, and none from below it. */
function SideDrawBox({ farm, draft, set }: Omit<PartProps, 'errors'>) {
  const setup = useBinSetups().data?.settings.binSetup[draft.from]?.value;
  if (!setup?.sideDraw && !draft.sideDraw) return null;
  const held = farm.held(draft.from);
  const crop = cropOf(farm.cropOf(held.lots) ?? '') ?? CROPS.corn;
  const above = sideDrawGives(farm, draft.from, setup);
  return (
    <CheckBox checked={draft.sideDraw} onChange={(sideDraw) => set({ sideDraw })}>
      By its side draw{' '}
      <span className="text-muted">
        (the newest first{above === null ? '' : `; ${grain(above, farm.kgPerBu(crop.id)).text} lie above it`})
      </span>
    </CheckBox>
  );
}

function WhatAndWhere({ farm, draft, errors, set }: PartProps) {
  const choose = <option value="">choose …</option>;
  if (draft.kind === 'harvest' || draft.kind === 'move') {
    return (
      <>
        {draft.kind === 'harvest' ? (
          <SelectBox
            label="Field"
            value={draft.lot}
            error={errors.lot}
            onChange={(e) => set({ lot: e.target.value, zone: '' })}
          >
            {choose}
            {[...farm.data.lots].reverse().map((lot) => (
              <option key={lot.id} value={lot.id}>
                {lot.fieldName}, {lot.crop} {lot.season}
              </option>
            ))}
          </SelectBox>
        ) : (
          <SelectBox
            label="From"
            value={draft.from}
            error={errors.from}
            onChange={(e) => set({ from: e.target.value, sideDraw: false })}
          >
            {choose}
            <PlaceOptions farm={farm} chosen={draft.from} holdingFirst />
          </SelectBox>
        )}
        {draft.kind === 'harvest' && (
          <ZoneBox farm={farm} lotId={draft.lot} value={draft.zone} onChange={(zone) => set({ zone })} />
        )}
        {draft.kind === 'move' && <PlaceNote placeId={draft.from} />}
        {draft.kind === 'move' && <SideDrawBox farm={farm} draft={draft} set={set} />}
        <SelectBox
          label="To"
          value={draft.to}
          error={errors.to}
          onChange={(e) => {
            const buyer = farm.place(e.target.value)?.kind === 'buyer';
            // A ticket has a weight, and the truck comes home empty.
            set({
              to: e.target.value,
              ...(buyer && draft.kind === 'move' && draft.amount === 'all' ? { amount: 'gross', emptied: true } : {}),
            });
          }}
        >
          {choose}
          <PlaceOptions
            farm={farm}
            chosen={draft.to}
            buyers={draft.kind === 'move'}
            exclude={draft.kind === 'move' ? draft.from : ''}
          />
        </SelectBox>
      </>
    );
  }
  return (
    <>
      <SelectBox
        label="Place"
        value={draft.place}
        error={errors.place}
        onChange={(e) => set({ place: e.target.value })}
      >
        {choose}
        <PlaceOptions farm={farm} chosen={draft.place} holdingFirst />
      </SelectBox>
      {draft.kind === 'loss' && (
        <SelectBox
          label="Reason"
          value={draft.reason}
          error={errors.reason}
          onChange={(e) => set({ reason: e.target.value })}
        >
          {['spill', 'spoilage', 'fines', 'cleanout'].map((reason) => (
            <option key={reason}>{reason}</option>
          ))}
        </SelectBox>
      )}
    </>
  );
}

const AMOUNTS: readonly { value: Amount; label: string }[] = [
  { value: 'all', label: 'All of it' },
  { value: 'net', label: 'Net' },
  { value: 'gross', label: 'Gross and tare' },
];

function HowMuch({ farm, draft, errors, set }: PartProps) {
  const digits = { inputMode: 'decimal', autoComplete: 'off' } as const;
  const withWeight = draft.kind !== 'condition' && (draft.kind !== 'move' || draft.amount === 'net');
  const gross = readDraft({ ...draft, lot: 'x', from: draft.from || 'x', to: draft.to || 'x' }, farm, Infinity);
  const net = gross.entry && 'wetKg' in gross.entry ? gross.entry.wetKg : undefined;
  const moistureLabel =
    draft.kind === 'condition' ? 'Moisture after' : draft.kind === 'harvest' ? 'Moisture' : 'Moisture, if measured';
  return (
    <>
      {draft.kind === 'move' && (
        <Choices label="How much" value={draft.amount} onChange={(amount) => set({ amount })} choices={AMOUNTS} />
      )}
      {withWeight && (
        <div className="grid grid-cols-[1fr_7.5rem] items-start gap-3">
          <TextBox
            {...digits}
            label={draft.kind === 'measure' ? 'What is there' : 'Weight'}
            value={draft.weight}
            error={errors.weight}
            onChange={(e) => set({ weight: e.target.value })}
          />
          <Choices
            label="Unit"
            value={draft.unit}
            onChange={(unit) => set({ unit })}
            choices={weightUnits().map((one) => ({ value: one, label: one }))}
          />
        </div>
      )}
      {draft.kind === 'move' && draft.amount === 'gross' && (
        <div className="grid grid-cols-2 gap-3">
          <TextBox
            {...digits}
            label="Gross"
            unit={mass.unit}
            value={draft.gross}
            error={errors.gross}
            onChange={(e) => set({ gross: e.target.value })}
          />
          <TextBox
            {...digits}
            label="Tare"
            unit={mass.unit}
            value={draft.tare}
            error={errors.tare}
            hint={net === undefined ? undefined : `net ${mass(net)}`}
            onChange={(e) => set({ tare: e.target.value })}
          />
        </div>
      )}
      {draft.kind === 'move' && draft.amount !== 'all' && (
        <CheckBox checked={draft.emptied} onChange={(on) => set({ emptied: on })}>
          <span>
            {draft.from ? farm.placeName(draft.from) : 'It'} is empty now{' '}
            <span className="text-muted">(this weight is all that was in it)</span>
          </span>
        </CheckBox>
      )}
      <TextBox
        {...digits}
        label={moistureLabel}
        unit="%"
        value={draft.moisture}
        error={errors.moisture}
        onChange={(e) => set({ moisture: e.target.value })}
      />
      {draft.kind === 'move' && farm.place(draft.to)?.kind === 'buyer' && (
        <div className="grid grid-cols-2 gap-3">
          <TextBox
            label="Ticket number"
            value={draft.ticket}
            error={errors.ticket}
            autoComplete="off"
            onChange={(e) => set({ ticket: e.target.value })}
          />
          <TextBox
            {...digits}
            label="Price"
            unit={price.unit}
            value={draft.price}
            error={errors.price}
            onChange={(e) => set({ price: e.target.value })}
          />
        </div>
      )}
    </>
  );
}

function MoreDetails({ farm, draft, errors, set }: PartProps) {
  const { timeZone } = farm.data.farm;
  const when = draft.time.trim() === '' ? undefined : readMoment(draft.time, timeZone, farm.clock()).value;
  const open = draft.time !== '' || draft.note !== '' || draft.method !== '' || Boolean(errors.time);
  return (
    <details open={open || undefined} className="border-t border-rule pt-2">
      <summary className="min-h-11 cursor-pointer py-2 font-semibold">
        When and how{' '}
        <span className="font-normal text-muted">
          now,{' '}
          {draft.kind === 'move' && draft.amount === 'all' ? 'not weighed' : METHOD_WORDS[likelyMethod(draft, farm)]}
        </span>
      </summary>
      <div className="space-y-4 pt-1">
        <TextBox
          label="Time on the farm"
          hint={`leave blank for now; “${clock(farm.clock(), timeZone)}” or “${momentTyped(farm.clock(), timeZone)}” for another time`}
          autoComplete="off"
          value={draft.time}
          error={errors.time}
          onChange={(e) => set({ time: e.target.value })}
        />
        {when !== undefined && isLongAgo(when, farm.clock()) && (
          <CheckBox checked={draft.longAgo} onChange={(on) => set({ longAgo: on })}>
            It was that long ago
          </CheckBox>
        )}
        {draft.kind !== 'condition' && !(draft.kind === 'move' && draft.amount === 'all') && (
          <SelectBox
            label="Weighed by"
            value={draft.method}
            error={errors.method}
            onChange={(e) => set({ method: e.target.value as Draft['method'] })}
          >
            <option value="">{METHOD_WORDS[likelyMethod(draft, farm)]} (likely)</option>
            {METHODS.map((method) => (
              <option key={method} value={method}>
                {METHOD_WORDS[method]}
              </option>
            ))}
          </SelectBox>
        )}
        <TextBox
          label="Note"
          value={draft.note}
          error={errors.note}
          maxLength={500}
          onChange={(e) => set({ note: e.target.value })}
        />
        <Dictate text={draft.note} most={500} onText={(note) => set({ note })} />
      </div>
    </details>
  );
}

/** What is asked is about now: of what lay there yesterday the page knows nothing, and a correction was asked when it was made. */
const asksOf = ({ time, replaces }: Draft): boolean => time.trim() === '' && !replaces;

/** What speaks against the place, said while it is chosen and not afterwards. */
function Against({
  farm,
  draft,
  errors,
  set,
  earlier,
}: PartProps & { readonly earlier: readonly EarlierTicket[] | undefined }) {
  const down = useDown();
  const gates = useGates();
  const words = useMemo(() => {
    if (!asksOf(draft)) return [];
    const { entry } = readDraft(draft, farm, Infinity);
    return entry ? intakeWords(farm, entry, down, earlier, gates) : [];
  }, [farm, draft, down, earlier, gates]);
  if (words.length === 0) return null;
  return (
    <Callout icon role="alert" className="px-3 py-2">
      {words.map((sentence) => (
        <p key={sentence}>{sentence}</p>
      ))}
      <SelectBox
        label="Record it all the same, because"
        value={draft.anyway}
        error={errors.anyway}
        onChange={(e) => set({ anyway: e.target.value })}
      >
        <option value="">choose …</option>
        {ANYWAY.map((reason) => (
          <option key={reason}>{reason}</option>
        ))}
      </SelectBox>
    </Callout>
  );
}

/** What the book will say, before it says it. */
function Preview({ farm, draft }: { farm: Farm; draft: Draft }) {
  const words = useMemo(() => preview(farm, draft), [farm, draft]);
  return words ? <p className="text-sm text-muted">{words}</p> : null;
}

function preview(farm: Farm, draft: Draft): string | null {
  const { entry } = readDraft(draft, farm, Infinity);
  if (!entry) return null;
  const kgPerBu = farm.kgPerBu(draftCrop(draft, farm));
  const bu = (kg: number) => grain(kg, kgPerBu).text;
  if (entry.type === 'move') {
    const held = farm.held(entry.from);
    const takesAll = entry.wetKg === undefined || entry.emptied === true || entry.wetKg >= held.wetKg;
    const kg = entry.wetKg ?? held.wetKg;
    const shares = Object.entries(held.wetLots)
      .sort((a, b) => b[1] - a[1])
      .slice(0, 3)
      .map(([lot, wet]) => `${farm.tag(lot)} ${percent(wet / held.wetKg)}`);
    const target = farm.place(entry.to);
    const over = target?.capacityBu ? farm.bushels(farm.held(entry.to).wetLots) + kg / kgPerBu - target.capacityBu : 0;
    const spills = over > 0.5 ? ` ${bushels(over, kgPerBu)} more than ${target!.name} holds.` : '';
    const rest = takesAll ? 'nothing stays' : `${bu(held.wetKg - kg)} stay`;
    const off =
      held.wetKg > 0 && takesAll && entry.wetKg !== undefined
        ? `, ${percent(Math.abs(kg / held.wetKg - 1))} ${kg >= held.wetKg ? 'over' : 'under'} the book`
        : '';
    if (held.wetKg === 0)
      return `The book has nothing in ${farm.placeName(entry.from)}: ${bu(kg)} will stand as grain of an unknown field.`;
    return `${bu(kg)} go, ${rest}${off}. In it now: ${shares.join(', ')}, ${held.moisture === null ? '' : percent(held.moisture)}.${spills}`;
  }
  if (entry.type === 'harvest')
    return `${bu(entry.wetKg)} of ${farm.lot(entry.lot)?.fieldName ?? ''} into ${farm.placeName(entry.to)}`;
  if (entry.type === 'measure') {
    const held = farm.held(entry.place);
    return `The book has ${bu(held.wetKg)}; the difference of ${bu(entry.wetKg - held.wetKg)} will be restated, shown and not hidden.`;
  }
  if (entry.type === 'condition') {
    const held = farm.held(entry.place);
    return held.moisture === null
      ? `The book has nothing in ${farm.placeName(entry.place)}.`
      : `${percent(held.moisture)} to ${percent(entry.moisture)}: ${mass(held.wetKg - held.dryKg / (1 - entry.moisture))} of water`;
  }
  return null;
}
