import type { AssetBody, ItemBody, Shed, ServiceBody, WearBody } from '@fanega/contract';
import { type ItemStanding, MACHINE_KINDS, type MachineKind, serviceStanding, wearStanding } from '@fanega/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { ulid } from 'ulid';
import { type Farm, useFields, useNotebook } from '../../data/farm';
import { fieldFacts } from '../../data/field-facts';
import { Button, Choices, Empty, TextBox } from '../../ui';
import { FormSheet } from '../../ui/form-sheet';
import { formatBushels, parseNumber } from '../../widgets/quantity';
import { Hazard, isCard, useAcknowledged } from '../../widgets/hazard';
import { BreakdownSheet } from './breakdowns';
import { Photo, PhotoBox } from './photo-box';
import { alternativesFor, type Asset, cropWords, days, dayWords, farmDay, useSheetChange } from './shed-data';

/** One machine: its list, its services by the counter, what wears on it. */
export function AssetPage({ farm, shed, assets, assetId }: { farm: Farm; shed: Shed; assets: readonly Asset[]; assetId: string }) {
  const kept = shed.assets[assetId];
  const sending = useSheetChange<AssetBody>('asset', assetId, (now) => now.assets[assetId]);
  const [open, setOpen] = useState<'item' | 'counters' | 'service' | 'wear' | 'breakdown' | { readonly item: ItemStanding } | null>(null);
  const asset = assets.find(({ id }) => id === assetId);
  if (!kept || !asset) return <Empty title={kept ? 'This machine has left the shed.' : 'There is no such machine in the shed.'} />;
  const { sheet, by, readiness } = asset;
  const today = farmDay(farm);
  const edit = (make: (sheet: AssetBody) => AssetBody): Promise<boolean> => sending.change(make, kept);
  const editItem = (id: string, change: Partial<ItemBody>): Promise<boolean> =>
    edit((now) => ({ ...now, items: now.items.map((item) => (item.id === id ? { ...item, ...change } : item)) }));
  const line = (standing: ItemStanding) => (
    <Item
      key={standing.item.id}
      standing={standing}
      before={`${sheet.name}: ${standing.item.what}`.slice(0, 120)}
      others={standing.daysShort > 0 ? alternativesFor(asset, assets, standing, shed.season?.sheet.firstDays ?? {}) : []}
      busy={sending.busy}
      onDone={(done) => void editItem(standing.item.id, { doneOn: done ? today : null, skipped: null })}
      onOpen={() => setOpen({ item: standing })}
    />
  );
  return (
    <div>
      <div className="flex flex-wrap items-start justify-between gap-4 px-5 py-5 lg:px-6">
        <div>
          <h2 className="text-3xl">
            {sheet.name} <span className="text-base font-normal text-muted">{MACHINE_KINDS[sheet.kind as MachineKind]}</span>
          </h2>
          <p className="text-xl">
            {asset.down !== null && <b className="text-clay">■ down: {asset.down}, </b>}
            {readiness.daysShort > 0 ? <b className="text-clay">■ {days(readiness.daysShort)} short</b> : readiness.ready ? <b>● ready</b> : <b>◐ {readiness.open} open</b>}
            {', '}
            {by.crop === null ? 'harvest runs' : `${cropWords(by.crop)} from ${dayWords(by.day)}`}
          </p>
        </div>
        <div className="flex flex-wrap gap-3">
          {sheet.kind === 'combine' && (
            <Link to={`/shed/${assetId}/changeover`} className="inline-flex min-h-11 items-center rounded-[3px] border border-ink px-4 font-semibold hover:bg-sand">
              Change of crop
            </Link>
          )}
          <Button onClick={() => setOpen('breakdown')}>It broke</Button>
          <Button onClick={() => setOpen('item')}>Add a line</Button>
        </div>
      </div>
      {sending.message && (
        <p role="alert" className="px-5 pb-3 font-semibold text-clay lg:px-6">
          {sending.message}
        </p>
      )}
      <ol aria-label="Readiness" className="border-t border-ink">
        {readiness.items.filter(isOpen).map(line)}
        {readiness.items.length === 0 && <li className="px-5 py-4 text-muted lg:px-6">Nothing stands on its list.</li>}
      </ol>
      {readiness.items.some((standing) => !isOpen(standing)) && (
        <details className="border-b border-rule" open={readiness.open === 0 && readiness.items.length < 4}>
          <summary className="min-h-11 cursor-pointer px-5 py-3 font-semibold lg:px-6">{readiness.items.length - readiness.open} done or left out</summary>
          <ol aria-label="Done">{readiness.items.filter((standing) => !isOpen(standing)).map(line)}</ol>
        </details>
      )}
      <div className="border-t border-ink lg:grid lg:grid-cols-2">
        <Services sheet={sheet} onEdit={edit} onAdd={() => setOpen('service')} onCounters={() => setOpen('counters')} />
        <Wear farm={farm} shed={shed} sheet={sheet} onEdit={edit} onAdd={() => setOpen('wear')} />
      </div>
      {(open === 'item' || (open !== null && typeof open === 'object')) && (
        <ItemSheet
          start={open === 'item' ? null : (sheet.items.find((item) => item.id === open.item.item.id) ?? null)}
          today={today}
          onClose={() => setOpen(null)}
          message={sending.message}
          onSave={async (item) => {
            const done = await edit((now) => ({
              ...now,
              items: now.items.some((one) => one.id === item.id) ? now.items.map((one) => (one.id === item.id ? item : one)) : [...now.items, item],
            }));
            if (done) setOpen(null);
          }}
          onRemove={async (id) => {
            if (await edit((now) => ({ ...now, items: now.items.filter((one) => one.id !== id) }))) setOpen(null);
          }}
        />
      )}
      {open === 'counters' && <CountersSheet sheet={sheet} onClose={() => setOpen(null)} onEdit={edit} message={sending.message} />}
      {open === 'service' && <ServiceSheet sheet={sheet} onClose={() => setOpen(null)} onEdit={edit} message={sending.message} />}
      {open === 'wear' && <WearSheet sheet={sheet} onClose={() => setOpen(null)} onEdit={edit} message={sending.message} />}
      {open === 'breakdown' && <BreakdownSheet farm={farm} shed={shed} assetId={assetId} onClose={() => setOpen(null)} />}
    </div>
  );
}

const isOpen = ({ state }: ItemStanding): boolean => state !== 'done' && state !== 'skipped';

type Edit = (make: (sheet: AssetBody) => AssetBody) => Promise<boolean>;

const STATE_WORDS: Record<ItemStanding['state'], string> = { 'part too late': '■', overdue: '■', due: '◐', open: '○', skipped: '–', done: '●' };

function Item({
  standing,
  before,
  others,
  busy,
  onDone,
  onOpen,
}: {
  standing: ItemStanding;
  before: string;
  others: readonly string[];
  busy: boolean;
  onDone: (done: boolean) => void;
  onOpen: () => void;
}) {
  const { item, state, partOn, daysShort, orderWithin, dueIn } = standing;
  const [showCard, setShowCard] = useState(false);
  const { needed, done } = useAcknowledged(item.card, before);
  const finished = state === 'done' || state === 'skipped';
  return (
    <li aria-label={item.what} className="border-b border-rule px-5 py-3 lg:px-6">
      <div className="flex flex-wrap items-start gap-x-4 gap-y-2">
        <span aria-hidden="true" className={`w-6 text-2xl leading-none ${state === 'part too late' || state === 'overdue' ? 'text-clay' : ''}`}>
          {STATE_WORDS[state]}
        </span>
        <div className="min-w-0 flex-1 basis-72">
          <p className={finished ? 'text-muted' : 'text-lg font-semibold'}>{item.what}</p>
          <p className="text-sm text-muted">
            {[
              item.owner,
              state === 'done'
                ? `done ${dayWords(item.doneOn!)}`
                : state === 'skipped'
                  ? `left out: ${item.skipped}`
                  : item.due
                    ? dueIn! < 0
                      ? `was due ${dayWords(item.due)}, ${days(-dueIn!)} ago`
                      : `due ${dayWords(item.due)}`
                    : '',
              item.needed ? '' : 'not needed to work',
            ]
              .filter((words) => words !== '')
              .join(', ')}
          </p>
          {item.part && !finished && (
            <p className={daysShort > 0 ? 'font-semibold text-clay' : ''}>
              {item.part.onHand
                ? `● ${item.part.name} is on the shelf.`
                : `${item.part.name}: ${days(item.part.leadDays)} of lead time, there on ${dayWords(partOn!)}${daysShort > 0 ? `, ${days(daysShort)} too late` : ''}. ${
                    item.part.orderedOn
                      ? `Ordered ${dayWords(item.part.orderedOn)}.`
                      : orderWithin !== null && orderWithin >= 0
                        ? `Order within ${days(orderWithin)}.`
                        : 'Not ordered.'
                  }`}
            </p>
          )}
          {others.length > 0 && (
            <ul className="list-disc pl-6 text-sm">
              {others.map((words) => (
                <li key={words}>{words}</li>
              ))}
            </ul>
          )}
          {isCard(item.card) && !finished && (needed || showCard) && (
            <div className="mt-2 max-w-lg">
              <Hazard card={item.card} before={before} />
            </div>
          )}
        </div>
        <div className="flex flex-wrap items-center gap-3">
          {isCard(item.card) && !finished && !needed && (
            <Button look="quiet" className="!px-0 text-sm" aria-expanded={showCard} onClick={() => setShowCard(!showCard)}>
              {showCard ? 'Caution read' : 'Caution'}
            </Button>
          )}
          <Button look="quiet" className="!px-0 text-sm" onClick={onOpen}>
            Change
          </Button>
          <Button disabled={busy || (needed && !done && !finished)} onClick={() => onDone(!finished)}>
            {finished ? 'Open again' : 'Done'}
          </Button>
        </div>
      </div>
      {needed && !done && !finished && <p className="mt-1 pl-10 text-sm text-muted">Done can be said once the caution is acknowledged.</p>}
    </li>
  );
}

function ItemSheet({
  start,
  today,
  onClose,
  onSave,
  onRemove,
  message,
}: {
  start: ItemBody | null;
  today: string;
  onClose: () => void;
  onSave: (item: ItemBody) => Promise<void>;
  onRemove: (id: string) => Promise<void>;
  message: string | null;
}) {
  const [text, setText] = useState({
    what: start?.what ?? '',
    owner: start?.owner ?? '',
    due: start?.due ?? '',
    skipped: start?.skipped ?? '',
    part: start?.part?.name ?? '',
    lead: start?.part ? String(start.part.leadDays) : '',
    ordered: start?.part?.orderedOn ?? '',
  });
  const [needed, setNeeded] = useState(start?.needed ?? true);
  const [onHand, setOnHand] = useState(start?.part?.onHand ?? false);
  const [wrong, setWrong] = useState<Record<string, string>>({});
  const set = (change: Partial<typeof text>) => setText({ ...text, ...change });
  const save = (): void => {
    const lead = parseNumber(text.lead);
    const errors = {
      ...(text.what.trim() === '' ? { what: 'What is to be done?' } : {}),
      ...(text.part.trim() !== '' && !onHand && !(lead >= 0 && lead <= 730) ? { lead: 'Days from the order to the shelf, from 0 to 730' } : {}),
    };
    setWrong(errors);
    if (Object.keys(errors).length > 0) return;
    void onSave({
      id: start?.id ?? ulid().toLowerCase(),
      what: text.what.trim(),
      owner: text.owner.trim(),
      due: text.due || null,
      doneOn: start?.doneOn ?? null,
      skipped: text.skipped.trim() || null,
      needed,
      part: text.part.trim() === '' ? null : { name: text.part.trim(), onHand, leadDays: Number.isNaN(lead) ? 0 : lead, orderedOn: text.ordered || null },
      ...(start?.card ? { card: start.card } : {}),
    });
  };
  return (
    <FormSheet
      title={start ? 'Change the line' : 'Add a line'}
      button="Save the line"
      problem={message}
      onSubmit={save}
      onClose={onClose}
      after={
        <>
          {start && (
            <Button look="quiet" className="w-full" onClick={() => void onRemove(start.id)}>
              Take it off the list
            </Button>
          )}
        </>
      }
    >
      <TextBox label="What is to be done" maxLength={160} value={text.what} error={wrong.what} onChange={(event) => set({ what: event.target.value })} />
      <div className="grid grid-cols-2 gap-3">
        <TextBox label="Who" maxLength={60} value={text.owner} onChange={(event) => set({ owner: event.target.value })} />
        <TextBox label="Due" type="date" value={text.due} onChange={(event) => set({ due: event.target.value })} />
      </div>
      <label className="flex min-h-11 items-center gap-3">
        <input type="checkbox" className="size-6 accent-[var(--clay)]" checked={needed} onChange={(event) => setNeeded(event.target.checked)} /> The machine cannot work without it
      </label>
      <fieldset className="space-y-3 border-t border-rule pt-4">
        <legend className="font-semibold">Part</legend>
        <TextBox label="Which part, if any" maxLength={80} value={text.part} onChange={(event) => set({ part: event.target.value })} />
        {text.part.trim() !== '' && (
          <>
            <label className="flex min-h-11 items-center gap-3">
              <input type="checkbox" className="size-6 accent-[var(--clay)]" checked={onHand} onChange={(event) => setOnHand(event.target.checked)} /> It is on the shelf
            </label>
            {!onHand && (
              <div className="grid grid-cols-2 gap-3">
                <TextBox label="Lead time" unit="days" inputMode="numeric" value={text.lead} error={wrong.lead} onChange={(event) => set({ lead: event.target.value })} />
                <TextBox label="Ordered on" type="date" hint="empty: not yet" max={today} value={text.ordered} onChange={(event) => set({ ordered: event.target.value })} />
              </div>
            )}
          </>
        )}
      </fieldset>
      <TextBox
        label="Left out this year, because"
        maxLength={200}
        hint="empty: it is not left out"
        value={text.skipped}
        onChange={(event) => set({ skipped: event.target.value })}
      />
    </FormSheet>
  );
}

function Services({ sheet, onEdit, onAdd, onCounters }: { sheet: AssetBody; onEdit: Edit; onAdd: () => void; onCounters: () => void }) {
  const hours = { engine: sheet.engineHours, separator: sheet.separatorHours };
  const set = (id: string, change: (service: ServiceBody) => Partial<ServiceBody>): void =>
    void onEdit((now) => ({ ...now, services: now.services.map((one) => (one.id === id ? { ...one, ...change(one) } : one)) }));
  return (
    <section aria-label="Service" className="px-5 py-5 lg:px-6">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h3 className="text-xl">Service</h3>
        <Button look="quiet" className="!px-0" onClick={onCounters}>
          {formatBushels(sheet.engineHours)} h engine, {formatBushels(sheet.separatorHours)} h separator, {formatBushels(sheet.acres)} ac
        </Button>
      </div>
      <ul className="mt-2 divide-y divide-rule">
        {sheet.services.map((service) => {
          const { hoursLeft, missed } = serviceStanding(service, hours);
          return (
            <li key={service.id} className="flex flex-wrap items-center gap-x-4 gap-y-1 py-2">
              <span className="min-w-48 flex-1">
                <b>{service.what}</b>
                <span className="block text-sm text-muted">
                  every {service.everyHours} h by the {service.by}; last at {formatBushels(service.lastAt)} h
                  {service.skipped > 0 ? `; put off ${service.skipped === 1 ? 'once' : `${service.skipped} times`}` : ''}
                </span>
              </span>
              <span className={`whitespace-nowrap ${hoursLeft < 0 ? 'font-bold text-clay' : ''}`}>
                {hoursLeft < 0
                  ? `■ ${Math.round(-hoursLeft)} h over${missed > 1 ? `, ${missed} missed` : ''}`
                  : hoursLeft <= 25
                    ? `◐ in ${Math.round(hoursLeft)} h`
                    : `in ${Math.round(hoursLeft)} h`}
              </span>
              <Button look="quiet" className="!px-0 text-sm" onClick={() => set(service.id, (one) => ({ skipped: one.skipped + 1 }))}>
                Put off
              </Button>
              <Button onClick={() => set(service.id, (one) => ({ lastAt: hours[one.by], skipped: 0 }))}>Done now</Button>
            </li>
          );
        })}
      </ul>
      <Button className="mt-2" onClick={onAdd}>
        Add a service
      </Button>
    </section>
  );
}

function Wear({ farm, shed, sheet, onEdit, onAdd }: { farm: Farm; shed: Shed; sheet: AssetBody; onEdit: Edit; onAdd: () => void }) {
  const fields = useFields();
  const notebook = useNotebook();
  // What still stands, shared by the machines of this kind.
  const mates = Object.values(shed.assets).filter((one) => !one.sheet.retired && one.sheet.kind === sheet.kind).length;
  const standing = fields.data ? fieldFacts(farm, fields.data, notebook.data).reduce((sum, f) => sum + (!sheet.crops || sheet.crops.includes(f.crop.id) ? f.acresLeft : 0), 0) : 0;
  const share = standing / Math.max(1, mates);
  const change = (id: string, make: (part: WearBody) => Partial<WearBody>) =>
    onEdit((now) => ({ ...now, wear: now.wear.map((part) => (part.id === id ? { ...part, ...make(part) } : part)) }));
  return (
    <section aria-label="Wear parts" className="border-t border-ink px-5 py-5 lg:border-t-0 lg:border-l lg:px-6">
      <h3 className="text-xl">What wears</h3>
      <ul className="mt-2 divide-y divide-rule">
        {sheet.wear.map((part) => {
          const now = { separator: Math.max(sheet.separatorHours, part.hoursAtFit), acres: Math.max(sheet.acres, part.acresAtFit) };
          const { hours, acres, used, acresLeft, wornBeforeTheEnd } = wearStanding(part, now, share);
          return (
            <li key={part.id} className="py-3">
              <p className="flex flex-wrap items-baseline justify-between gap-x-4">
                <b>{part.name}</b>
                <span className="text-sm text-muted">{part.position}</span>
                <span className={`ml-auto text-xl font-bold ${used !== null && used >= 1 ? 'text-clay' : ''}`}>{used === null ? '–' : `${Math.round(100 * used)} % gone`}</span>
              </p>
              <p className="text-sm text-muted">
                {formatBushels(hours)} h and {formatBushels(acres)} ac on {part.name.toLowerCase()}
                {acresLeft === null ? '' : `; ${formatBushels(acresLeft)} ac left in it, about ${formatBushels(share)} to cut`}
              </p>
              {wornBeforeTheEnd && <p className="font-semibold">◐ Worn before the season is done: have the next set on the shelf.</p>}
              <div className="mt-2 flex flex-wrap items-center gap-3">
                {part.photos.map((photoId, i) => (
                  <Photo key={photoId} photoId={photoId} alt={`${part.name}, picture ${i + 1} of ${part.photos.length}`} size={72} />
                ))}
                <PhotoBox
                  label="Photograph"
                  about={`${sheet.name}: ${part.name}`.slice(0, 120)}
                  onTaken={(photoId) => change(part.id, (one) => ({ photos: [...one.photos, photoId] }))}
                />
                <Button
                  look="quiet"
                  className="!px-0 text-sm"
                  onClick={() => void change(part.id, () => ({ hoursAtFit: sheet.separatorHours, acresAtFit: sheet.acres, photos: [] }))}
                >
                  New ones fitted
                </Button>
              </div>
            </li>
          );
        })}
      </ul>
      <Button className="mt-2" onClick={onAdd}>
        Add a wear part
      </Button>
    </section>
  );
}

interface SheetProps {
  sheet: AssetBody;
  onClose: () => void;
  onEdit: Edit;
  message: string | null;
}

interface FieldText<K extends string> {
  readonly key: K;
  readonly label: string;
  readonly unit?: string;
  readonly number?: { readonly least: number; readonly most: number; readonly optional?: boolean };
}

/** A short form of named boxes: numbers are checked at their place, and nothing typed is lost. */
function Boxes<K extends string>({
  title,
  boxes,
  start,
  button,
  message,
  onClose,
  onSave,
  children,
}: {
  title: string;
  boxes: readonly FieldText<K>[];
  start: Record<K, string>;
  button: string;
  message: string | null;
  onClose: () => void;
  onSave: (texts: Record<K, string>, numbers: Record<K, number>) => Promise<boolean>;
  children?: React.ReactNode;
}) {
  const [texts, setTexts] = useState(start);
  const [wrong, setWrong] = useState<Partial<Record<K, string>>>({});
  const save = async (): Promise<void> => {
    const errors: Partial<Record<K, string>> = {};
    const numbers = {} as Record<K, number>;
    for (const { key, label, number } of boxes) {
      numbers[key] = parseNumber(texts[key]);
      if (!number) {
        if (texts[key].trim() === '') errors[key] = `${label}?`;
      } else if (!(number.optional && texts[key].trim() === '') && !(numbers[key] >= number.least && numbers[key] <= number.most)) {
        errors[key] = `A number from ${number.least} to ${number.most.toLocaleString('en-US')}`;
      }
    }
    setWrong(errors);
    if (Object.keys(errors).length === 0 && (await onSave(texts, numbers))) onClose();
  };
  return (
    <FormSheet title={title} button={button} problem={message} onSubmit={save} onClose={onClose}>
      {children}
      {boxes.map(({ key, label, unit, number }) => (
        <TextBox
          key={key}
          label={label}
          unit={unit}
          inputMode={number ? 'decimal' : undefined}
          value={texts[key]}
          error={wrong[key]}
          onChange={(event) => setTexts({ ...texts, [key]: event.target.value })}
        />
      ))}
    </FormSheet>
  );
}

function CountersSheet({ sheet, onClose, onEdit, message }: SheetProps) {
  return (
    <Boxes
      title="Counters"
      button="Save the counters"
      message={message}
      onClose={onClose}
      boxes={[
        { key: 'engine', label: 'Engine', unit: 'h', number: { least: 0, most: 100_000 } },
        { key: 'separator', label: 'Separator', unit: 'h', number: { least: 0, most: 100_000 } },
        { key: 'acres', label: 'Acres in all', unit: 'ac', number: { least: 0, most: 1_000_000 } },
      ]}
      start={{ engine: String(sheet.engineHours), separator: String(sheet.separatorHours), acres: String(sheet.acres) }}
      onSave={(_, { engine, separator, acres }) => onEdit((now) => ({ ...now, engineHours: engine, separatorHours: separator, acres }))}
    />
  );
}

function ServiceSheet({ sheet, onClose, onEdit, message }: SheetProps) {
  const [by, setBy] = useState<'engine' | 'separator'>('engine');
  return (
    <Boxes
      title="Add a service"
      button="Add the service"
      message={message}
      onClose={onClose}
      boxes={[
        { key: 'what', label: 'What' },
        { key: 'every', label: 'Every', unit: 'h', number: { least: 1, most: 10_000 } },
        { key: 'last', label: 'Last done at', unit: 'h', number: { least: 0, most: 100_000 } },
      ]}
      start={{ what: '', every: '', last: String(sheet.engineHours) }}
      onSave={({ what }, { every, last }) =>
        onEdit((now) => ({ ...now, services: [...now.services, { id: ulid().toLowerCase(), what: what.trim(), by, everyHours: every, lastAt: last, skipped: 0 }] }))
      }
    >
      <Choices
        label="Counted by"
        value={by}
        onChange={setBy}
        choices={[
          { value: 'engine', label: 'Engine hours' },
          { value: 'separator', label: 'Separator hours' },
        ]}
      />
    </Boxes>
  );
}

function WearSheet({ sheet, onClose, onEdit, message }: SheetProps) {
  return (
    <Boxes
      title="Add a wear part"
      button="Add the part"
      message={message}
      onClose={onClose}
      boxes={[
        { key: 'name', label: 'Part' },
        { key: 'position', label: 'Where on the machine' },
        { key: 'hours', label: 'Separator hours when it was fitted', unit: 'h', number: { least: 0, most: 100_000 } },
        { key: 'acres', label: 'Acres on the machine then', unit: 'ac', number: { least: 0, most: 1_000_000 } },
        { key: 'lastsHours', label: 'Lasts, hours (empty: not known)', unit: 'h', number: { least: 1, most: 100_000, optional: true } },
        { key: 'lastsAcres', label: 'Lasts, acres (empty: not known)', unit: 'ac', number: { least: 1, most: 1_000_000, optional: true } },
      ]}
      start={{ name: '', position: '', hours: String(sheet.separatorHours), acres: String(sheet.acres), lastsHours: '', lastsAcres: '' }}
      onSave={({ name, position }, { hours, acres, lastsHours, lastsAcres }) =>
        onEdit((now) => ({
          ...now,
          wear: [
            ...now.wear,
            {
              id: ulid().toLowerCase(),
              name: name.trim(),
              position: position.trim(),
              hoursAtFit: hours,
              acresAtFit: acres,
              lastsHours: Number.isNaN(lastsHours) ? null : lastsHours,
              lastsAcres: Number.isNaN(lastsAcres) ? null : lastsAcres,
              photos: [],
            },
          ],
        }))
      }
    />
  );
}
