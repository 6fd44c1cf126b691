import {
  alternativesFor,
  type CardId,
  CROP_IDS,
  type CropId,
  CROPS,
  FIRE_STOP,
  isCrop,
  itemsOf,
  type Machine,
  MACHINE_KINDS,
  type MachineKind,
  machinesOf,
  type MachineView,
  type ReadinessTemplate,
  SAFETY_CARDS,
  type SeasonPlan,
  type ShedRecords,
  templateOf,
} from '@fanega/core';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { ulid } from 'ulid';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { useSend } from '../../../data/use-send';
import { Button, Empty, SelectBox, TextBox } from '../../../ui';
import { FormDrawer } from '../../../ui/form-drawer';
import { parseNumber } from '../../../quantity/quantity';
import { type Column, DataTable } from '../../../ui/table';
import { wordColumn } from '../../../widgets/columns';
import { alternativeWords, cropWords, dayWords, days, farmDay } from '../words';
import { setting } from '../../../data/records';
import { write } from '../../../data/outbox';
import { CheckBox } from '../../../ui/check-box';

/** What keeps harvest from beginning, worst first: a part that comes too late stands large on top. */
export function Overview({ farm, shed, assets }: { farm: Farm; shed: ShedRecords; assets: readonly MachineView[] }) {
  const [open, setOpen] = useState<'season' | 'add' | 'template' | null>(null);
  const season = shed.settings.seasonPlan.farm?.value ?? { firstDays: {}, acknowledge: [] };
  const worst = assets.find((asset) => asset.readiness.daysShort > 0);
  const ready = assets.filter((asset) => asset.readiness.ready && asset.down === null).length;
  const today = farmDay(farm);
  return (
    <div>
      <section
        aria-label="Ready for harvest?"
        className="grid gap-x-10 gap-y-4 px-5 py-5 lg:grid-cols-[1.4fr_1fr] lg:px-6"
      >
        <div>
          {assets.length === 0 ? (
            <Empty title="No machine stands in the shed yet.">
              <p>
                Add the combine, its heads, carts and augers; each comes with the usual list, and the first day of
                harvest says what is late.
              </p>
            </Empty>
          ) : worst ? (
            <Late asset={worst} assets={assets} firstDays={season.firstDays} />
          ) : (
            <>
              <p className="text-6xl leading-none font-bold">
                {ready} <span className="text-2xl font-normal text-muted">of {assets.length} machines ready</span>
              </p>
              <p className="mt-2 text-lg">No part that is waited for comes too late.</p>
            </>
          )}
        </div>
        <div>
          <h2 className="text-sm text-muted">First days</h2>
          <ul className="mt-1">
            {Object.entries(season.firstDays)
              .sort((a, b) => (a[1] < b[1] ? -1 : 1))
              .map(([crop, day]) => (
                <li key={crop} className="flex justify-between gap-4 border-b border-rule py-1">
                  <span className="font-semibold">{CROPS[crop as keyof typeof CROPS]?.name ?? crop}</span>
                  <span>
                    {dayWords(day)}{' '}
                    <span className="text-muted">
                      {day < today
                        ? 'begun'
                        : day === today
                          ? 'today'
                          : `in ${days((Date.parse(day) - Date.parse(today)) / 86_400_000)}`}
                    </span>
                  </span>
                </li>
              ))}
          </ul>
          <div className="mt-2 flex flex-wrap gap-3">
            <Button onClick={() => setOpen('season')}>First days and cards</Button>
            <Button onClick={() => setOpen('template')}>Lists</Button>
            <Button onClick={() => setOpen('add')}>Add a machine</Button>
          </div>
        </div>
      </section>
      {assets.length > 0 && (
        <div className="border-t border-ink">
          <DataTable
            name="Machines"
            one="machine"
            many="machines"
            rows={assets}
            columns={MACHINES}
            rowId={({ id }) => id}
          />
        </div>
      )}
      {open === 'season' && <SeasonSheet farm={farm} shed={shed} onClose={() => setOpen(null)} />}
      {open === 'add' && <AddMachine farm={farm} shed={shed} onClose={() => setOpen(null)} />}
      {open === 'template' && <TemplateSheet farm={farm} shed={shed} onClose={() => setOpen(null)} />}
    </div>
  );
}

/** "Twelve days for the part, harvest in nine." */
function Late({
  asset,
  assets,
  firstDays,
}: {
  asset: MachineView;
  assets: readonly MachineView[];
  firstDays: Readonly<Record<string, string>>;
}) {
  const item = asset.readiness.items[0]!;
  const part = item.item.part!;
  return (
    <>
      <p className="text-6xl leading-none font-bold text-clay">
        {days(item.daysShort)} <span className="text-2xl font-normal">short</span>
      </p>
      <p className="mt-2 text-xl">
        <Link to={`/shed/${asset.id}`} className="font-bold underline decoration-rule underline-offset-4">
          {asset.machine.name}
        </Link>
        : {part.name}{' '}
        {part.orderedOn === null
          ? `takes ${days(part.leadDays)} from the order`
          : `was ordered ${dayWords(part.orderedOn)} and takes ${days(part.leadDays)}`}
        , so it is there on {dayWords(item.partOn!)}; {cropWords(asset.by.crop)} begin
        {asset.by.crop === 'corn' || asset.by.crop === null ? 's' : ''} on {dayWords(asset.by.day)}.
        {part.orderedOn === null && <b> It is not ordered yet.</b>}
      </p>
      <ul className="mt-2 list-disc pl-6" aria-label="Alternatives">
        {alternativesFor(asset, assets, item, firstDays)
          .map(alternativeWords)
          .map((words) => (
            <li key={words}>{words}</li>
          ))}
      </ul>
    </>
  );
}

const standing = ({ down, readiness }: MachineView): string =>
  down !== null
    ? '■ down'
    : readiness.daysShort > 0
      ? `■ ${days(readiness.daysShort)} short`
      : readiness.ready
        ? readiness.open > 0
          ? `● ready, ${readiness.open} open`
          : '● ready'
        : `◐ ${readiness.open} open`;
const nextOf = ({ readiness }: MachineView) =>
  readiness.items.find(({ state }) => state !== 'done' && state !== 'skipped');

const MACHINES: readonly Column<MachineView>[] = [
  wordColumn('machine', 'Machine', ({ machine }) => machine.name, {
    phone: 'title',
    as: (name, { id, machine }) => (
      <>
        <Link to={`/shed/${id}`} className="font-semibold underline decoration-rule underline-offset-4">
          {name}
        </Link>
        <span className="ml-2 text-sm text-muted">{MACHINE_KINDS[machine.kind as MachineKind]}</span>
      </>
    ),
  }),
  wordColumn('ready', 'Ready?', standing, {
    phone: 'verdict',
    as: (words, { down, readiness }) => (
      <span
        className={`font-semibold whitespace-nowrap ${readiness.daysShort > 0 || down !== null ? 'text-clay' : ''}`}
      >
        {words}
      </span>
    ),
  }),
  wordColumn('next', 'Next', (asset) => asset.down ?? nextOf(asset)?.item.what ?? 'nothing'),
  wordColumn('who', 'Who', (asset) => nextOf(asset)?.item.owner ?? '', { choice: true }),
  {
    id: 'due',
    head: 'Due',
    right: true,
    value: (asset) => nextOf(asset)?.item.due ?? null,
    show: (asset) => {
      const next = nextOf(asset);
      if (!next?.item.due) return '';
      return next.dueIn! < 0 ? <b className="text-clay">■ {days(-next.dueIn!)} ago</b> : dayWords(next.item.due);
    },
  },
];

function SeasonSheet({ farm, shed, onClose }: { farm: Farm; shed: ShedRecords; onClose: () => void }) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const [season, setSeason] = useState<SeasonPlan>(() => ({
    firstDays: { ...shed.settings.seasonPlan.farm?.value.firstDays },
    acknowledge: [...(shed.settings.seasonPlan.farm?.value.acknowledge ?? [])],
  }));
  const [limit, setLimit] = useState(
    shed.settings.seasonPlan.farm?.value.fireStopAt === undefined
      ? ''
      : String(shed.settings.seasonPlan.farm.value.fireStopAt),
  );
  const [wrong, setWrong] = useState<string | undefined>();
  const crops = [...new Set([...farm.data.lots.map((lot) => lot.crop), ...Object.keys(season.firstDays)])].filter(
    (crop) => (CROP_IDS as readonly string[]).includes(crop),
  );
  const save = async (): Promise<void> => {
    const fireStopAt = parseNumber(limit);
    if (limit.trim() !== '' && !(fireStopAt >= 5 && fireStopAt <= 100)) return setWrong('An index from 5 to 100');
    const firstDays = Object.fromEntries(Object.entries(season.firstDays).filter(([, day]) => day !== ''));
    if (
      !(await sending.send(() =>
        write(
          farm.id,
          setting(farm.id, 'seasonPlan', 'farm', {
            revision: shed.settings.seasonPlan.farm?.revision ?? 0,
            value: { ...season, firstDays, ...(limit.trim() === '' ? {} : { fireStopAt }) },
          }),
        ),
      ))
    )
      return;
    await refresh();
    onClose();
  };
  return (
    <FormDrawer
      title="First days and cards"
      button="Save"
      busy={sending.busy}
      problem={sending.message}
      onSubmit={save}
      onClose={onClose}
    >
      {crops.map((crop) => (
        <TextBox
          key={crop}
          type="date"
          label={`First day of ${CROPS[crop as keyof typeof CROPS].short}`}
          value={season.firstDays[crop as CropId] ?? ''}
          onChange={(event) => setSeason({ ...season, firstDays: { ...season.firstDays, [crop]: event.target.value } })}
        />
      ))}
      <TextBox
        label="Fire index at which we stop"
        inputMode="decimal"
        hint={`the local authority’s limit; empty: ${FIRE_STOP}`}
        value={limit}
        error={wrong}
        onChange={(event) => {
          setLimit(event.target.value);
          setWrong(undefined);
        }}
      />
      <fieldset className="border-t border-rule pt-4">
        <legend className="font-semibold">Cards that are acknowledged before their step</legend>
        {(Object.keys(SAFETY_CARDS) as CardId[]).map((card) => (
          <CheckBox
            key={card}
            checked={season.acknowledge.includes(card)}
            onChange={(on) =>
              setSeason({
                ...season,
                acknowledge: on ? [...season.acknowledge, card] : season.acknowledge.filter((one) => one !== card),
              })
            }
          >
            {SAFETY_CARDS[card].title}
          </CheckBox>
        ))}
      </fieldset>
    </FormDrawer>
  );
}

function AddMachine({ farm, shed, onClose }: { farm: Farm; shed: ShedRecords; onClose: () => void }) {
  const refresh = useRefreshFarm(farm.id);
  const navigate = useNavigate();
  const sending = useSend();
  const [id] = useState(() => ulid());
  const [kind, setKind] = useState<MachineKind>('combine');
  const [name, setName] = useState('');
  const [owner, setOwner] = useState('');
  const [crops, setCrops] = useState<CropId[]>([]);
  const [wrong, setWrong] = useState<string | undefined>();
  const grown = [...new Set(farm.data.lots.map((lot) => lot.crop))].filter(isCrop);
  const save = async (): Promise<void> => {
    if (name.trim() === '') return setWrong('The machine needs a name');
    const bare: Machine = {
      kind,
      name: name.trim(),
      retired: false,
      engineHours: 0,
      separatorHours: 0,
      acres: 0,
      items: [],
      services: [],
      wear: [],
      ...(crops.length > 0 ? { crops } : {}),
    };
    const [asset] = machinesOf(
      { ...shed, settings: { ...shed.settings, machine: { [id]: { revision: 0, value: bare } } } },
      farmDay(farm),
    );
    const place = farm.data.places.find((one) => one.name.toLowerCase() === name.trim().toLowerCase());
    const sheet: Machine = {
      ...bare,
      items: itemsOf(templateOf(shed, kind), asset!.by.day, owner.trim(), ulid),
      ...(place ? { placeId: place.id } : {}),
    };
    if (!(await sending.send(() => write(farm.id, setting(farm.id, 'machine', id, { revision: 0, value: sheet })))))
      return;
    await refresh();
    onClose();
    void navigate(`/shed/${id}`);
  };
  return (
    <FormDrawer
      title="Add a machine"
      button="Add the machine"
      busy={sending.busy}
      problem={sending.message}
      onSubmit={save}
      onClose={onClose}
    >
      <SelectBox label="What it is" value={kind} onChange={(event) => setKind(event.target.value as MachineKind)}>
        {(Object.keys(MACHINE_KINDS) as MachineKind[]).map((one) => (
          <option key={one} value={one}>
            {MACHINE_KINDS[one]}
          </option>
        ))}
      </SelectBox>
      <TextBox
        label="Name"
        maxLength={60}
        value={name}
        error={wrong ?? sending.at.name}
        onChange={(event) => {
          setName(event.target.value);
          setWrong(undefined);
        }}
      />
      <TextBox label="Who sees to it" maxLength={60} value={owner} onChange={(event) => setOwner(event.target.value)} />
      <fieldset>
        <legend className="text-sm font-semibold">Only for (none: for all crops)</legend>
        {grown.map((crop) => (
          <CheckBox
            key={crop}
            className="mr-5 !inline-flex"
            checked={crops.includes(crop)}
            onChange={(on) => setCrops(on ? [...crops, crop] : crops.filter((one) => one !== crop))}
          >
            {CROPS[crop as keyof typeof CROPS]?.short ?? crop}
          </CheckBox>
        ))}
      </fieldset>
      <p className="text-sm text-muted">
        It comes with {templateOf(shed, kind).length} usual lines, due before its first day.
      </p>
    </FormDrawer>
  );
}

interface LineText {
  what: string;
  daysBefore: string;
  needed: boolean;
  card?: CardId;
}

/** The farm's own list for a kind of machine. */
function TemplateSheet({ farm, shed, onClose }: { farm: Farm; shed: ShedRecords; onClose: () => void }) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const texts = (kind: string): LineText[] =>
    templateOf(shed, kind).map((line) => ({
      what: line.what,
      daysBefore: String(line.daysBefore),
      needed: line.needed,
      ...(line.card ? { card: line.card } : {}),
    }));
  const [kind, setKind] = useState<MachineKind>('combine');
  const [lines, setLines] = useState(() => texts('combine'));
  const [wrong, setWrong] = useState<Record<number, string>>({});
  const save = async (): Promise<void> => {
    const errors: Record<number, string> = {};
    const built: ReadinessTemplate['lines'] = lines.map((line, i) => {
      const before = parseNumber(line.daysBefore);
      if (line.what.trim() === '') errors[i] = 'What is to be done?';
      else if (!(before >= 0 && before <= 365)) errors[i] = 'Days before harvest, from 0 to 365';
      return {
        what: line.what.trim(),
        needed: line.needed,
        daysBefore: before,
        ...(line.card ? { card: line.card } : {}),
      };
    });
    setWrong(errors);
    if (Object.keys(errors).length > 0) return;
    if (
      !(await sending.send(() =>
        write(
          farm.id,
          setting(farm.id, 'readinessTemplate', kind, {
            revision: shed.settings.readinessTemplate[kind]?.revision ?? 0,
            value: { lines: built },
          }),
        ),
      ))
    )
      return;
    await refresh();
    onClose();
  };
  const set = (i: number, change: Partial<LineText>) =>
    setLines(lines.map((line, k) => (k === i ? { ...line, ...change } : line)));
  return (
    <FormDrawer
      title="Lists by kind of machine"
      button="Save the list"
      busy={sending.busy}
      problem={sending.message}
      onSubmit={save}
      onClose={onClose}
    >
      <SelectBox
        label="Kind"
        value={kind}
        onChange={(event) => {
          const next = event.target.value as MachineKind;
          setKind(next);
          setLines(texts(next));
          setWrong({});
        }}
      >
        {(Object.keys(MACHINE_KINDS) as MachineKind[]).map((one) => (
          <option key={one} value={one}>
            {MACHINE_KINDS[one]}
          </option>
        ))}
      </SelectBox>
      <p className="text-sm text-muted">
        A machine that is added takes this list. Machines that are in the shed keep theirs.
      </p>
      {lines.map((line, i) => (
        <div key={i} className="border-t border-rule pt-3">
          <TextBox
            label={`Line ${i + 1}`}
            maxLength={160}
            value={line.what}
            error={wrong[i]}
            onChange={(event) => set(i, { what: event.target.value })}
          />
          <div className="mt-2 flex items-end gap-4">
            <div className="w-32">
              <TextBox
                label="Days before"
                inputMode="numeric"
                value={line.daysBefore}
                onChange={(event) => set(i, { daysBefore: event.target.value })}
              />
            </div>
            <CheckBox checked={line.needed} onChange={(on) => set(i, { needed: on })}>
              cannot work without
            </CheckBox>
            <Button
              look="quiet"
              className="ml-auto !px-0 text-sm"
              onClick={() => setLines(lines.filter((_, k) => k !== i))}
            >
              Take it out
            </Button>
          </div>
        </div>
      ))}
      <Button onClick={() => setLines([...lines, { what: '', daysBefore: '7', needed: true }])}>One more line</Button>
    </FormDrawer>
  );
}
