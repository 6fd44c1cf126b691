import type { AssetBody, SeasonBody, Shed, TemplateBody } from '@fanega/contract';
import { type CardId, CROP_IDS, CROPS, FIRE_STOP, MACHINE_KINDS, type MachineKind, SAFETY_CARDS } from '@fanega/core';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { ulid } from 'ulid';
import { put } from '../../data/api';
import { type Farm, useRefreshFarm } from '../../data/farm';
import { useSend } from '../../data/use-send';
import { Button, Empty, SelectBox, TextBox } from '../../ui';
import { FormSheet } from '../../ui/form-sheet';
import { parseNumber } from '../../widgets/quantity';
import { rowKeys } from '../../widgets/row-keys';
import { alternativesFor, type Asset, assetsOf, cropWords, days, dayWords, farmDay, itemsOf, templateOf } from './shed-data';

/** What keeps harvest from beginning, worst first: a part that comes too late stands large on top. */
export function Overview({ farm, shed, assets }: { farm: Farm; shed: Shed; assets: readonly Asset[] }) {
  const [open, setOpen] = useState<'season' | 'add' | 'template' | null>(null);
  const season = shed.season?.sheet ?? { firstDays: {}, acknowledge: [] };
  const worst = assets.find((asset) => asset.readiness.daysShort > 0);
  const ready = assets.filter((asset) => asset.readiness.ready && asset.down === null).length;
  const today = farmDay(farm);
  return (
    <div>
      <section aria-label="Ready for harvest?" className="grid gap-x-10 gap-y-4 px-5 py-5 lg:grid-cols-[1.4fr_1fr] lg:px-6">
        <div>
          {assets.length === 0 ? (
            <Empty title="No machine stands in the shed yet.">
              <p>Add the combine, its heads, carts and augers; each comes with the usual list, and the first day of harvest says what is late.</p>
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
                    <span className="text-muted">{day < today ? 'begun' : day === today ? 'today' : `in ${days((Date.parse(day) - Date.parse(today)) / 86_400_000)}`}</span>
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
        <div className="overflow-x-auto border-t border-ink">
          <table className="w-full min-w-[44rem]" onKeyDown={rowKeys} aria-label="Machines">
            <thead className="border-b border-ink text-left text-sm">
              <tr>
                <th className="py-2 pr-2 pl-5 lg:pl-6">Machine</th>
                <th className="px-2">Ready?</th>
                <th className="px-2">Next</th>
                <th className="px-2">Who</th>
                <th className="py-2 pr-5 pl-2 text-right lg:pr-6">Due</th>
              </tr>
            </thead>
            <tbody>
              {assets.map((asset) => (
                <Row key={asset.id} asset={asset} />
              ))}
            </tbody>
          </table>
        </div>
      )}
      {open === 'season' && <SeasonSheet farm={farm} shed={shed} onClose={() => setOpen(null)} />}
      {open === 'add' && <AddMachine farm={farm} shed={shed} onClose={() => setOpen(null)} />}
      {open === 'template' && <TemplateSheet farm={farm} shed={shed} onClose={() => setOpen(null)} />}
    </div>
  );
}

/** "Twelve days for the part, harvest in nine." */
function Late({ asset, assets, firstDays }: { asset: Asset; assets: readonly Asset[]; firstDays: Readonly<Record<string, string>> }) {
  const item = asset.readiness.items[0]!;
  const part = item.item.part!;
  return (
    <>
      <p className="text-6xl leading-none font-bold text-clay">
        {days(item.daysShort)} <span className="text-2xl font-normal">short</span>
      </p>
      <p className="mt-2 text-xl">
        <Link to={`/shed/${asset.id}`} className="font-bold underline decoration-rule underline-offset-4">
          {asset.sheet.name}
        </Link>
        : {part.name} {part.orderedOn === null ? `takes ${days(part.leadDays)} from the order` : `was ordered ${dayWords(part.orderedOn)} and takes ${days(part.leadDays)}`}, so it
        is there on {dayWords(item.partOn!)}; {cropWords(asset.by.crop)} begin{asset.by.crop === 'corn' || asset.by.crop === null ? 's' : ''} on {dayWords(asset.by.day)}.
        {part.orderedOn === null && <b> It is not ordered yet.</b>}
      </p>
      <ul className="mt-2 list-disc pl-6" aria-label="Alternatives">
        {alternativesFor(asset, assets, item, firstDays).map((words) => (
          <li key={words}>{words}</li>
        ))}
      </ul>
    </>
  );
}

function Row({ asset }: { asset: Asset }) {
  const { readiness, sheet } = asset;
  const next = readiness.items.find(({ state }) => state !== 'done' && state !== 'skipped');
  const state =
    asset.down !== null
      ? '■ down'
      : readiness.daysShort > 0
        ? `■ ${days(readiness.daysShort)} short`
        : readiness.ready
          ? readiness.open > 0
            ? `● ready, ${readiness.open} open`
            : '● ready'
          : `◐ ${readiness.open} open`;
  return (
    <tr className="border-b border-rule hover:bg-sand">
      <td className="py-2 pr-2 pl-5 lg:pl-6">
        <Link to={`/shed/${asset.id}`} className="font-semibold underline decoration-rule underline-offset-4">
          {sheet.name}
        </Link>
        <span className="ml-2 text-sm text-muted">{MACHINE_KINDS[sheet.kind as MachineKind]}</span>
      </td>
      <td className={`px-2 font-semibold whitespace-nowrap ${readiness.daysShort > 0 || asset.down !== null ? 'text-clay' : ''}`}>{state}</td>
      <td className="px-2">{asset.down ?? next?.item.what ?? <span className="text-muted">nothing</span>}</td>
      <td className="px-2">{next?.item.owner}</td>
      <td className="py-2 pr-5 pl-2 text-right whitespace-nowrap lg:pr-6">
        {next?.item.due ? next.dueIn! < 0 ? <b className="text-clay">■ {days(-next.dueIn!)} ago</b> : dayWords(next.item.due) : ''}
      </td>
    </tr>
  );
}

function SeasonSheet({ farm, shed, onClose }: { farm: Farm; shed: Shed; onClose: () => void }) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const [season, setSeason] = useState<SeasonBody>(() => ({ firstDays: { ...shed.season?.sheet.firstDays }, acknowledge: [...(shed.season?.sheet.acknowledge ?? [])] }));
  const [limit, setLimit] = useState(shed.season?.sheet.fireStopAt === undefined ? '' : String(shed.season.sheet.fireStopAt));
  const [wrong, setWrong] = useState<string | undefined>();
  const crops = [...new Set([...farm.data.lots.map((lot) => lot.crop), ...Object.keys(season.firstDays)])].filter((crop) => (CROP_IDS as readonly string[]).includes(crop));
  const save = async (): Promise<void> => {
    const fireStopAt = parseNumber(limit);
    if (limit.trim() !== '' && !(fireStopAt >= 5 && fireStopAt <= 100)) return setWrong('An index from 5 to 100');
    const firstDays = Object.fromEntries(Object.entries(season.firstDays).filter(([, day]) => day !== ''));
    if (
      !(await sending.send(() =>
        put<{ revision: number }>(`/farms/${farm.id}/sheets/season`, {
          revision: shed.season?.revision ?? 0,
          sheet: { ...season, firstDays, ...(limit.trim() === '' ? {} : { fireStopAt }) },
        }),
      ))
    )
      return;
    await refresh();
    onClose();
  };
  return (
    <FormSheet title="First days and cards" button="Save" busy={sending.busy} problem={sending.message} onSubmit={save} onClose={onClose}>
      {crops.map((crop) => (
        <TextBox
          key={crop}
          type="date"
          label={`First day of ${CROPS[crop as keyof typeof CROPS].short}`}
          value={season.firstDays[crop] ?? ''}
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
          <label key={card} className="flex min-h-11 items-center gap-3">
            <input
              type="checkbox"
              className="size-6 accent-[var(--clay)]"
              checked={season.acknowledge.includes(card)}
              onChange={(event) => setSeason({ ...season, acknowledge: event.target.checked ? [...season.acknowledge, card] : season.acknowledge.filter((one) => one !== card) })}
            />
            {SAFETY_CARDS[card].title}
          </label>
        ))}
      </fieldset>
    </FormSheet>
  );
}

function AddMachine({ farm, shed, onClose }: { farm: Farm; shed: Shed; onClose: () => void }) {
  const refresh = useRefreshFarm(farm.id);
  const navigate = useNavigate();
  const sending = useSend();
  const [id] = useState(() => ulid());
  const [kind, setKind] = useState<MachineKind>('combine');
  const [name, setName] = useState('');
  const [owner, setOwner] = useState('');
  const [crops, setCrops] = useState<string[]>([]);
  const [wrong, setWrong] = useState<string | undefined>();
  const grown = [...new Set(farm.data.lots.map((lot) => lot.crop))];
  const save = async (): Promise<void> => {
    if (name.trim() === '') return setWrong('The machine needs a name');
    const sheet: AssetBody = {
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
    const [asset] = assetsOf({ ...shed, assets: { [id]: { revision: 0, sheet } } }, farmDay(farm));
    sheet.items = itemsOf(templateOf(shed, kind), asset!.by.day, owner.trim(), ulid);
    const place = farm.data.places.find((one) => one.name.toLowerCase() === name.trim().toLowerCase());
    if (place) sheet.placeId = place.id;
    if (!(await sending.send(() => put<{ revision: number }>(`/farms/${farm.id}/sheets/asset/${id}`, { revision: 0, sheet })))) return;
    await refresh();
    onClose();
    void navigate(`/shed/${id}`);
  };
  return (
    <FormSheet title="Add a machine" button="Add the machine" busy={sending.busy} problem={sending.message} onSubmit={save} onClose={onClose}>
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
          <label key={crop} className="mr-5 inline-flex min-h-11 items-center gap-2">
            <input
              type="checkbox"
              className="size-5 accent-[var(--clay)]"
              checked={crops.includes(crop)}
              onChange={(event) => setCrops(event.target.checked ? [...crops, crop] : crops.filter((one) => one !== crop))}
            />
            {CROPS[crop as keyof typeof CROPS]?.short ?? crop}
          </label>
        ))}
      </fieldset>
      <p className="text-sm text-muted">It comes with {templateOf(shed, kind).length} usual lines, due before its first day.</p>
    </FormSheet>
  );
}

interface LineText {
  what: string;
  daysBefore: string;
  needed: boolean;
  card?: string;
}

/** The farm's own list for a kind of machine. */
function TemplateSheet({ farm, shed, onClose }: { farm: Farm; shed: Shed; onClose: () => void }) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const texts = (kind: string): LineText[] =>
    templateOf(shed, kind).map((line) => ({ what: line.what, daysBefore: String(line.daysBefore), needed: line.needed, ...(line.card ? { card: line.card } : {}) }));
  const [kind, setKind] = useState<MachineKind>('combine');
  const [lines, setLines] = useState(() => texts('combine'));
  const [wrong, setWrong] = useState<Record<number, string>>({});
  const save = async (): Promise<void> => {
    const errors: Record<number, string> = {};
    const built: TemplateBody['lines'] = lines.map((line, i) => {
      const before = parseNumber(line.daysBefore);
      if (line.what.trim() === '') errors[i] = 'What is to be done?';
      else if (!(before >= 0 && before <= 365)) errors[i] = 'Days before harvest, from 0 to 365';
      return { what: line.what.trim(), needed: line.needed, daysBefore: before, ...(line.card ? { card: line.card } : {}) };
    });
    setWrong(errors);
    if (Object.keys(errors).length > 0) return;
    if (
      !(await sending.send(() =>
        put<{ revision: number }>(`/farms/${farm.id}/sheets/template/${kind}`, { revision: shed.templates[kind]?.revision ?? 0, sheet: { lines: built } }),
      ))
    )
      return;
    await refresh();
    onClose();
  };
  const set = (i: number, change: Partial<LineText>) => setLines(lines.map((line, k) => (k === i ? { ...line, ...change } : line)));
  return (
    <FormSheet title="Lists by kind of machine" button="Save the list" busy={sending.busy} problem={sending.message} onSubmit={save} onClose={onClose}>
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
      <p className="text-sm text-muted">A machine that is added takes this list. Machines that are in the shed keep theirs.</p>
      {lines.map((line, i) => (
        <div key={i} className="border-t border-rule pt-3">
          <TextBox label={`Line ${i + 1}`} maxLength={160} value={line.what} error={wrong[i]} onChange={(event) => set(i, { what: event.target.value })} />
          <div className="mt-2 flex items-end gap-4">
            <div className="w-32">
              <TextBox label="Days before" inputMode="numeric" value={line.daysBefore} onChange={(event) => set(i, { daysBefore: event.target.value })} />
            </div>
            <label className="flex min-h-11 items-center gap-2">
              <input type="checkbox" className="size-5 accent-[var(--clay)]" checked={line.needed} onChange={(event) => set(i, { needed: event.target.checked })} /> cannot work
              without
            </label>
            <Button look="quiet" className="ml-auto !px-0 text-sm" onClick={() => setLines(lines.filter((_, k) => k !== i))}>
              Take it out
            </Button>
          </div>
        </div>
      ))}
      <Button onClick={() => setLines([...lines, { what: '', daysBefore: '7', needed: true }])}>One more line</Button>
    </FormSheet>
  );
}
