import { closestCenter, DndContext, type DragEndEvent, KeyboardSensor, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import { arrayMove, SortableContext, sortableKeyboardCoordinates, useSortable, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import type { FieldRow, NextFieldSheet, Notebook, WeatherHourInfo, WindowBody } from '@fanega/contract';
import {
  bushelsPerAcreToKgPerHa,
  cornDrydown,
  CRITERIA,
  type Criterion,
  kilogramsPerBushel,
  milesToMetres,
  type RankedField,
  rankFields,
  rateAt,
  type School,
  SCHOOLS,
} from '@fanega/core';
import { GripVertical } from 'lucide-react';
import { useMemo, useRef, useState } from 'react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import { ulid } from 'ulid';
import { post, put } from '../../data/api';
import { type Farm, useFarm, useFields, useNotebook, useReadings, useRefreshFarm, useWeather } from '../../data/farm';
import { asBuyer, acresToHa, buyerOffset, fieldFacts, type FieldFacts, testersOf, windowFor } from '../../data/field-facts';
import { useSend } from '../../data/use-send';
import { Button, Empty, Problem, SelectBox, Sheet, TextBox } from '../../ui';
import { Answered } from '../../ui/answer';
import { cutLast } from '../../widgets/chain-facts';
import { formatAcres, formatBushels, formatMoisture, parseNumber } from '../../widgets/quantity';
import { toWallTime } from '../../widgets/time';
import { Swatch } from '../../widgets/weave';

const HOUR = 3_600_000;
const DAY = 24 * HOUR;
const CRITERION_NAMES = Object.keys(CRITERIA) as Criterion[];
const START: NextFieldSheet = { school: 'steady', weights: { ...SCHOOLS.steady.weights }, ownOrder: [], facts: {}, mostStep: 2, bushelPointsPerHour: 0, dryTo: 0.15 };

/** Which field next: ranked, with reasons, weights that anybody can see, and the user's own order above them. */
export default function NextField() {
  const farm = useFarm();
  const fields = useFields();
  const notebook = useNotebook();
  const readings = useReadings('');
  const weather = useWeather(0, 3);
  return (
    <div>
      <div className="border-b border-ink px-5 py-3 lg:px-6">
        <h1 className="text-2xl">Which field next?</h1>
      </div>
      <Answered answer={fields} what="Ranking the fields">
        {(rows) => (
          <Answered answer={notebook} what="Ranking the fields">
            {(book) => <Ranking farm={farm} rows={rows} notebook={book} weather={weather.data ?? []} readings={readings.data ?? []} />}
          </Answered>
        )}
      </Answered>
    </div>
  );
}

interface Given {
  readonly farm: Farm;
  readonly rows: readonly FieldRow[];
  readonly notebook: Notebook;
  readonly weather: readonly WeatherHourInfo[];
  readonly readings: readonly { readonly fieldId: string; readonly at: string; readonly moisture: number | null; readonly tester: string; readonly voided?: boolean }[];
}

/** Moisture as the buyer would test it, and points a day: what somebody said, or the field's own readings. */
function moistureOf(facts: FieldFacts, { farm, notebook, readings }: Given): { moisture: number | null; pointsPerDay: number | undefined } {
  const testers = testersOf(notebook);
  const { lot } = facts.row;
  const own = readings
    .flatMap((r) =>
      r.fieldId === lot.fieldId && r.moisture !== null && !r.voided ? [{ at: Date.parse(r.at), moisture: asBuyer(r.moisture, buyerOffset(testers.get(r.tester))) }] : [],
    )
    .filter((r) => r.at <= farm.data.now && r.at > farm.data.now - 30 * DAY)
    .sort((a, b) => a.at - b.at);
  const typed = notebook.nextField?.sheet.facts[lot.fieldId]?.pointsPerDay;
  const newestRead = own.at(-1);
  const cut = facts.row.lastMoisture;
  const newest = cut && (!newestRead || Date.parse(cut.at) > newestRead.at) ? { at: Date.parse(cut.at), moisture: cut.moisture } : newestRead;
  if (typed !== undefined || own.length < 2 || lot.crop === 'soybean') return { moisture: newest?.moisture ?? null, pointsPerDay: typed };
  const dayOfYear = Math.min(366, 1 + Math.floor((farm.data.now - Date.UTC(lot.season, 0, 1)) / DAY));
  const curve = cornDrydown(
    own.map((r) => ({ day: r.at / DAY, moisture: r.moisture })),
    dayOfYear,
  );
  const today = (farm.data.now - own[0]!.at) / DAY;
  return { moisture: newest?.moisture ?? null, pointsPerDay: Math.min(5, Math.max(0, 100 * (curve.moistureAt(today) - curve.moistureAt(today + 1)))) };
}

/** Hours until a window closes today, 0 outside of its hours; null where none are set. */
function closesIn(window: WindowBody | undefined, nowMs: number, timeZone: string): number | null {
  if (window?.closesAt === undefined && window?.opensAt === undefined) return null;
  const wall = toWallTime(nowMs, timeZone);
  const hour = Number(wall.slice(11, 13)) + Number(wall.slice(14, 16)) / 60;
  const [opens, closes] = [window.opensAt ?? 0, window.closesAt ?? 24];
  return hour < opens ? 0 : Math.max(0, closes - hour);
}

const textsOf = (sheet: NextFieldSheet) => ({
  points: sheet.bushelPointsPerHour ? String(sheet.bushelPointsPerHour) : '',
  dryTo: formatMoisture(sheet.dryTo),
  step: String(sheet.mostStep),
  rate: sheet.combineBushelsPerHour === undefined ? '' : String(sheet.combineBushelsPerHour),
});

function Ranking(given: Given) {
  const { farm, rows, notebook, weather } = given;
  const refresh = useRefreshFarm(farm.id);
  const saved = notebook.nextField?.sheet ?? START;
  const revision = notebook.nextField?.revision ?? 0;
  const [sheet, setSheet] = useState<NextFieldSheet>(saved);
  const [typed, setTyped] = useState(() => textsOf(saved));
  // What somebody else saved is taken over, unless something here waits to be saved.
  const [base, setBase] = useState(saved);
  if (JSON.stringify(saved) !== JSON.stringify(base)) {
    setBase(saved);
    if (JSON.stringify(sheet) === JSON.stringify(base)) {
      setSheet(saved);
      setTyped(textsOf(saved));
    }
  }
  const [editing, setEditing] = useState<string | null>(null);
  const sending = useSend();
  const changed = JSON.stringify(sheet) !== JSON.stringify(saved);
  const nowMs = farm.data.now;

  const standing = useMemo(() => fieldFacts(farm, rows, { ...notebook, nextField: { revision, sheet } }).filter((f) => f.acresLeft > 0), [farm, rows, notebook, revision, sheet]);
  // Where the combines stand: the field of the last load.
  const last = cutLast(rows);
  const lastCrop = last?.lot.crop;
  const machines = Object.values(notebook.machines).map(({ sheet: profile }) => profile);
  const byProfile = machines.reduce((sum, m) => sum + m.goodRate * m.fieldEfficiency, 0) / farm.kgPerBu(lastCrop);
  const combineBushelsPerHour = sheet.combineBushelsPerHour ?? byProfile;
  const wetBins = farm.data.places.filter((place) => place.kind === 'wetBin');
  const roomBushels = wetBins.reduce((sum, bin) => sum + Math.max(0, (bin.capacityBu ?? 0) - farm.bushels(farm.held(bin.id).wetLots)), 0);
  const wetLoads = last?.lastMoisture?.source === 'combine' ? last.lastMoisture.moisture : null;
  const dryer =
    sheet.bushelPointsPerHour > 0 && combineBushelsPerHour > 0 && wetLoads !== null
      ? { bushelPointsPerHour: sheet.bushelPointsPerHour, dryTo: sheet.dryTo, combineBushelsPerHour, roomBushels, lastMoisture: wetLoads, mostStep: sheet.mostStep }
      : null;
  const rain = weather.find((hour) => Date.parse(hour.at) > nowMs && hour.rainChance >= 0.4);

  const { ranked, error } = useMemo((): { ranked: RankedField[]; error: string | null } => {
    try {
      return {
        ranked: rankFields({
          fields: standing.map((facts) => {
            const { moisture, pointsPerDay } = moistureOf(facts, given);
            const own = sheet.facts[facts.row.lot.fieldId];
            const kgPerHa = bushelsPerAcreToKgPerHa(facts.expected ?? 0, facts.crop.legalPounds);
            // Thin crops are cut no faster than the ground allows.
            const bySpeed = machines.reduce((sum, m) => sum + rateAt(m.speedLimit, m.headWidth, kgPerHa) * m.fieldEfficiency, 0);
            const kgPerHour = Math.min(combineBushelsPerHour * kilogramsPerBushel(facts.crop.legalPounds), bySpeed > 0 ? bySpeed : Infinity);
            return {
              id: facts.row.lot.id,
              moisture,
              ...(pointsPerDay === undefined ? {} : { pointsPerDay }),
              base: facts.crop.baseMoisture,
              standability: own?.standability ?? 0,
              ...(own?.maturity === undefined ? {} : { maturity: own.maturity }),
              closesIn: closesIn(windowFor(notebook, facts.crop.id, null)?.sheet, nowMs, farm.data.farm.timeZone),
              distance: own?.distance ?? 0,
              area: acresToHa(facts.acresLeft),
              hours: kgPerHour > 0 ? (kgPerHa * acresToHa(facts.acresLeft)) / kgPerHour : 0,
            };
          }),
          weights: sheet.weights as Record<Criterion, number>,
          // Another crop goes another way than through today's dryer setting.
          dryer,
          rainIn: rain ? Math.max(0, (Date.parse(rain.at) - nowMs) / HOUR) : null,
          ownOrder: sheet.ownOrder,
        }),
        error: null,
      };
    } catch (problem) {
      return { ranked: [], error: problem instanceof Error ? problem.message : String(problem) };
    }
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [standing, sheet, combineBushelsPerHour, roomBushels, wetLoads, rain?.at, given.readings]);

  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }), useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }));
  const order = ranked.map((field) => field.id);
  const drop = ({ active, over }: DragEndEvent): void => {
    if (!over || active.id === over.id) return;
    const moved = arrayMove(order, order.indexOf(String(active.id)), order.indexOf(String(over.id)));
    // What stands above the one that was moved is the user's order; what lies below is ranked again.
    const reach = Math.max(moved.indexOf(String(active.id)), ...sheet.ownOrder.filter((id) => moved.includes(id)).map((id) => moved.indexOf(id)));
    setSheet({ ...sheet, ownOrder: moved.slice(0, reach + 1) });
  };
  const save = async (): Promise<void> => {
    if (await sending.send(() => put<{ revision: number }>(`/farms/${farm.id}/sheets/next-field`, { revision, sheet }))) {
      toast('Saved for everybody');
      await refresh();
    }
  };
  const number = (key: keyof typeof typed, apply: (value: number | undefined) => Partial<NextFieldSheet>) => (text: string) => {
    setTyped({ ...typed, [key]: text });
    const value = parseNumber(text);
    if (text.trim() === '' || !Number.isNaN(value)) setSheet({ ...sheet, ...apply(text.trim() === '' ? undefined : value) });
  };
  if (standing.length === 0) return <Empty title="Nothing stands any more." />;
  const school = SCHOOLS[sheet.school as School];
  const own = school && CRITERION_NAMES.every((name) => school.weights[name] === sheet.weights[name]);
  return (
    <div className="xl:grid xl:grid-cols-[1fr_22rem]">
      <section aria-label="Order of the fields" className="min-w-0">
        {error && (
          <p role="alert" className="px-5 py-4 font-semibold text-clay lg:px-6">
            {error}
          </p>
        )}
        <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={drop}>
          <SortableContext items={order} strategy={verticalListSortingStrategy}>
            <ol>
              {ranked.map((field, i) => (
                <Ranked
                  key={field.id}
                  farm={farm}
                  field={field}
                  place={i}
                  facts={standing.find((f) => f.row.lot.id === field.id)!}
                  moisture={
                    moistureOf(
                      standing.find((f) => f.row.lot.id === field.id)!,
                      given,
                    ).moisture
                  }
                  isOwn={sheet.ownOrder.includes(field.id)}
                  onFacts={() => setEditing(field.id)}
                />
              ))}
            </ol>
          </SortableContext>
        </DndContext>
        {sheet.ownOrder.length > 0 && (
          <div className="px-5 py-3 lg:px-6">
            <Button look="quiet" className="!px-0" onClick={() => setSheet({ ...sheet, ownOrder: [] })}>
              Drop my own order
            </Button>
          </div>
        )}
      </section>
      <section aria-label="What counts" className="border-t border-ink px-5 py-4 lg:px-6 xl:border-t-0 xl:border-l">
        <SelectBox
          label="School"
          value={own ? sheet.school : ''}
          onChange={(event) => {
            const chosen = event.target.value as School;
            if (Object.hasOwn(SCHOOLS, chosen)) setSheet({ ...sheet, school: chosen, weights: { ...SCHOOLS[chosen].weights } });
          }}
        >
          {!own && <option value="">our own weights</option>}
          {(Object.keys(SCHOOLS) as School[]).map((name) => (
            <option key={name} value={name}>
              {SCHOOLS[name].name}
            </option>
          ))}
        </SelectBox>
        <fieldset className="mt-4 space-y-1">
          <legend className="mb-1 text-sm font-semibold">Weights, 0 to 5</legend>
          {CRITERION_NAMES.map((name) => (
            <label key={name} className="grid grid-cols-[1fr_7.5rem_1.5rem] items-center gap-2">
              <span>{CRITERIA[name]}</span>
              <input
                type="range"
                min={0}
                max={5}
                step={1}
                value={sheet.weights[name] ?? 0}
                onChange={(event) => setSheet({ ...sheet, weights: { ...sheet.weights, [name]: Number(event.target.value) } })}
                className="h-9 accent-[var(--ink)]"
              />
              <b className="text-right">{sheet.weights[name] ?? 0}</b>
            </label>
          ))}
        </fieldset>
        <div className="mt-4 grid grid-cols-2 gap-3 border-t border-rule pt-4">
          <TextBox
            label="Dryer takes"
            unit="bu·pt/h"
            inputMode="decimal"
            className="pr-20"
            value={typed.points}
            onChange={(event) => number('points', (value) => ({ bushelPointsPerHour: value ?? 0 }))(event.target.value)}
          />
          <TextBox
            label="down to"
            unit="%"
            inputMode="decimal"
            value={typed.dryTo}
            onChange={(event) => number('dryTo', (value) => (value !== undefined && value >= 5 && value <= 30 ? { dryTo: value / 100 } : {}))(event.target.value)}
          />
          <TextBox
            label="Step it may jump"
            unit="points"
            inputMode="decimal"
            value={typed.step}
            onChange={(event) => number('step', (value) => (value !== undefined && value <= 20 ? { mostStep: value } : {}))(event.target.value)}
          />
          <TextBox
            label="Combines bring"
            unit="bu/h"
            inputMode="decimal"
            hint={sheet.combineBushelsPerHour === undefined && byProfile > 0 ? `${formatBushels(byProfile)} by profile` : undefined}
            value={typed.rate}
            onChange={(event) =>
              number('rate', (value) => {
                const { combineBushelsPerHour: _, ...rest } = sheet;
                return value === undefined ? { ...rest, combineBushelsPerHour: undefined as never } : { combineBushelsPerHour: value };
              })(event.target.value)
            }
          />
        </div>
        <p className="mt-2 text-sm text-muted">
          {wetLoads === null ? 'No load is in the book yet, so the dryer has nothing to compare with.' : `Last loads ${formatMoisture(wetLoads)} %. `}
          {wetBins.length > 0 ? `Room in the wet bin ${formatBushels(roomBushels)} bu. ` : 'No wet bin. '}
          {rain ? '' : 'No rain in the forecast.'}
        </p>
        <Problem className="mt-2">{sending.message}</Problem>
        <Button className="mt-4 w-full" disabled={!changed || sending.busy} onClick={() => void save()}>
          Save for everybody
        </Button>
      </section>
      {editing && <FactsSheet farm={farm} lotId={editing} sheet={sheet} onClose={() => setEditing(null)} onChange={setSheet} />}
    </div>
  );
}

function Ranked({
  farm,
  field,
  place,
  facts,
  moisture,
  isOwn,
  onFacts,
}: {
  farm: Farm;
  field: RankedField;
  place: number;
  facts: FieldFacts;
  moisture: number | null;
  isOwn: boolean;
  onFacts: () => void;
}) {
  const { attributes, listeners, setNodeRef, transform, transition } = useSortable({ id: field.id });
  const { lot } = facts.row;
  const { dryer } = field;
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Transform.toString(transform), transition }}
      aria-label={lot.fieldName}
      className={`flex gap-3 border-b border-rule bg-paper px-3 py-3 lg:px-4 `}
    >
      <button
        type="button"
        {...attributes}
        {...listeners}
        aria-label={`Move ${lot.fieldName}`}
        className="flex min-h-11 w-8 shrink-0 touch-none items-center justify-center self-start text-muted"
      >
        <GripVertical size={20} aria-hidden="true" />
      </button>
      <span className="w-8 shrink-0 text-3xl leading-tight font-bold text-muted">{place + 1}</span>
      <div className="min-w-0 flex-1">
        <div className="flex flex-wrap items-baseline gap-x-4">
          <Link to={`/fields/${lot.id}`} className="text-xl font-bold underline decoration-rule underline-offset-4">
            <Swatch index={farm.lotIndex(lot.id)} size={18} /> {lot.fieldName}
          </Link>
          <span className="text-2xl font-bold">{moisture === null ? 'not read' : `${formatMoisture(moisture)} %`}</span>
          <span className="text-muted">
            {facts.crop.short}, {formatAcres(facts.acresLeft)} ac
          </span>
          {isOwn && <span className="text-sm font-semibold">▲ your order</span>}
          <span className="ml-auto text-sm text-muted">{Math.round(field.score)} of 100</span>
        </div>
        {field.blocked && <p className="font-semibold text-clay">■ {field.blocked}.</p>}
        <p>{field.reasons.join('; ')}.</p>
        {dryer && (
          <p className="text-muted">
            Step {dryer.step > 0 ? '+' : '−'}
            {Math.abs(dryer.step).toFixed(1)}. {dryer.dryerBushelsPerHour === null ? 'Dry enough to pass the burner.' : `Dryer ${formatBushels(dryer.dryerBushelsPerHour)} bu/h, `}
            {dryer.dryerBushelsPerHour !== null && (dryer.wetBinFullHours === null ? 'keeps up.' : `wet bin full after ${dryer.wetBinFullHours.toFixed(1)} h.`)}
            {dryer.daysToMatch !== null && dryer.daysToMatch > 0 && ` ${dryer.daysToMatch.toFixed(1)} days to come down to the last loads, retest then.`}
          </p>
        )}
        <div className="flex flex-wrap items-center gap-x-5">
          <Tell farm={farm} lotId={lot.id} name={lot.fieldName} moisture={moisture} dryer={dryer} first={place === 0} />
          <Button look="quiet" className="!px-0 text-sm" onClick={onFacts}>
            Way, stand, yield
          </Button>
          <details className="text-sm open:w-full">
            <summary className="min-h-11 cursor-pointer py-3 font-semibold">Why it stands here</summary>
            <ul className="grid gap-x-6 sm:grid-cols-2">
              {field.parts.map((part) => (
                <li key={part.criterion} className="flex items-center gap-2">
                  <span className="w-40">{CRITERIA[part.criterion]}</span>
                  <span className="inline-block h-2.5 w-20 border border-ink" aria-hidden="true">
                    <span className="block h-full bg-ink" style={{ width: `${100 * part.value}%` }} />
                  </span>
                  <span className="text-muted">
                    × {part.weight}: {part.why}
                  </span>
                </li>
              ))}
            </ul>
          </details>
        </div>
      </div>
    </li>
  );
}

/** Says it to everybody, the dryer keeper first, before the first new load. */
function Tell({ farm, lotId, name, moisture, dryer, first }: { farm: Farm; lotId: string; name: string; moisture: number | null; dryer: RankedField['dryer']; first: boolean }) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const id = useRef(ulid());
  const tell = async (): Promise<void> => {
    const body = {
      id: id.current,
      at: new Date(farm.clock()).toISOString(),
      lotId,
      ...(moisture === null ? {} : { moisture }),
      ...(dryer === null ? {} : { step: Math.round(dryer.step * 100) / 100 }),
      ...(typeof dryer?.dryerBushelsPerHour !== 'number' ? {} : { dryerBushelsPerHour: Math.round(dryer.dryerBushelsPerHour) }),
      ...(typeof dryer?.wetBinFullHours !== 'number' ? {} : { wetBinFullHours: Math.round(dryer.wetBinFullHours * 100) / 100 }),
    };
    if (!(await sending.send(() => post<{ noteId: string }>(`/farms/${farm.id}/notes/next`, body)))) return;
    id.current = ulid();
    toast(`${name} is next: it stands on Dry and Today`);
    await refresh();
  };
  return (
    <>
      <Button look={first ? 'do' : 'quiet'} className={first ? '' : '!px-0 text-sm'} disabled={sending.busy} onClick={() => void tell()}>
        {name} is next: tell the dryer
      </Button>
      <Problem className="w-full">{sending.message}</Problem>
    </>
  );
}

const RIPE = ['still filling', 'just mature', 'ripe', 'ripe for long'];
const STANDS = ['sound', 'some weak stalks', 'weak stalks', 'going down'];

function FactsSheet({
  farm,
  lotId,
  sheet,
  onClose,
  onChange,
}: {
  farm: Farm;
  lotId: string;
  sheet: NextFieldSheet;
  onClose: () => void;
  onChange: (sheet: NextFieldSheet) => void;
}) {
  const lot = farm.lot(lotId)!;
  const legal = farm.kgPerBu(lot.crop);
  const facts = sheet.facts[lot.fieldId];
  const perHa = (bushels: number): number => (bushels * legal) / acresToHa(1);
  const [miles, setMiles] = useState(facts ? String(Math.round((facts.distance / milesToMetres(1)) * 10) / 10) : '');
  const [stand, setStand] = useState(facts?.standability ?? 0);
  const [ripe, setRipe] = useState(facts?.maturity === undefined ? '' : String(facts.maturity));
  const [expected, setExpected] = useState(facts?.yieldKgPerHa === undefined ? '' : String(Math.round(facts.yieldKgPerHa / perHa(1))));
  const [points, setPoints] = useState(facts?.pointsPerDay === undefined ? '' : String(facts.pointsPerDay));
  const [wrong, setWrong] = useState<Record<string, string>>({});
  return (
    <Sheet open title={lot.fieldName} onClose={onClose}>
      <form
        className="space-y-4 px-5 py-4"
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          const [way, bring, loses] = [miles.trim() === '' ? 0 : parseNumber(miles), parseNumber(expected), parseNumber(points)];
          const errors = {
            ...(!(way >= 0 && way <= 120) ? { miles: 'Miles from 0 to 120' } : {}),
            ...(expected.trim() !== '' && !(bring >= 1 && bring <= 400) ? { expected: 'Bushels an acre from 1 to 400' } : {}),
            ...(points.trim() !== '' && !(loses >= 0 && loses <= 5) ? { points: 'Points a day from 0 to 5' } : {}),
          };
          setWrong(errors);
          if (Object.keys(errors).length > 0) return;
          onChange({
            ...sheet,
            facts: {
              ...sheet.facts,
              [lot.fieldId]: {
                standability: stand,
                distance: milesToMetres(way),
                ...(ripe === '' ? {} : { maturity: Number(ripe) }),
                ...(expected.trim() === '' ? {} : { yieldKgPerHa: perHa(bring) }),
                ...(points.trim() === '' ? {} : { pointsPerDay: loses }),
              },
            },
          });
          onClose();
        }}
      >
        <TextBox label="Way from the yard" unit="miles" inputMode="decimal" value={miles} error={wrong.miles} onChange={(event) => setMiles(event.target.value)} />
        <SelectBox label="How it stands" value={stand} onChange={(event) => setStand(Number(event.target.value))}>
          {STANDS.map((word, i) => (
            <option key={word} value={i}>
              {word}
            </option>
          ))}
        </SelectBox>
        <SelectBox label="How ripe it is" value={ripe} onChange={(event) => setRipe(event.target.value)}>
          <option value="">nobody looked</option>
          {RIPE.map((word, i) => (
            <option key={word} value={i}>
              {word}
            </option>
          ))}
        </SelectBox>
        <TextBox
          label="Expected yield"
          unit="bu/ac"
          className="pr-20"
          inputMode="decimal"
          value={expected}
          error={wrong.expected}
          onChange={(event) => setExpected(event.target.value)}
        />
        <TextBox
          label="Dries standing"
          unit="points/day"
          inputMode="decimal"
          hint="leave empty to go by its readings"
          value={points}
          error={wrong.points}
          onChange={(event) => setPoints(event.target.value)}
        />
        <Button look="do" type="submit" className="min-h-14 w-full text-lg">
          Take it
        </Button>
        <p className="text-sm text-muted">“Save for everybody” in the list keeps it.</p>
      </form>
    </Sheet>
  );
}
