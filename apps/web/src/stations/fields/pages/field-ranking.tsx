import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import {
  arrayMove,
  SortableContext,
  sortableKeyboardCoordinates,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import type { WeatherHourInfo } from '@fanega/contract';
import {
  acresToHectares,
  asBuyer,
  bushelsPerAcreToKgPerHa,
  buyerOffset,
  buyerSaid,
  calendarDay,
  combineRate,
  cornDrydown,
  CRITERIA,
  type Criterion,
  cuttableAcres,
  cutLast,
  bushelPointsAt,
  dryerOf,
  type CuttingWindow,
  fieldFacts,
  fieldNow,
  type FieldFacts,
  type FieldRecords,
  type FieldRow,
  kilogramsPerBushel,
  type NextFieldPlan,
  type RankedField,
  rankFields,
  rateAt,
  type School,
  SCHOOLS,
  testersFor,
  testersOf,
  toWallTime,
  windowFor,
  zonesOf,
  zonesStanding,
} from '@fanega/core';
import { useMemo, useState } from 'react';
import { toast } from '../../../ui/toast';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { useSend } from '../../../data/use-send';
import { Button, Empty, Problem, SelectBox, TextBox } from '../../../ui';
import {
  bushels,
  dryingRate,
  grainRate,
  moisture as moistureKind,
  parseNumber,
  percent,
  type Kind,
} from '../../../quantity/quantity';
import { setting } from '../../../data/records';
import { write } from '../../../data/outbox';
import { FactsSheet } from '../forms/field-facts';
import { Ranked, waitWords } from './ranked-field';
import { DAY_MS, HOUR_MS } from '../../../quantity/time';

export const START: NextFieldPlan = {
  school: 'steady',
  weights: { ...SCHOOLS.steady.weights },
  ownOrder: [],
  facts: {},
  mostStep: 2,
  bushelPointsPerHour: 0,
  dryTo: 0.15,
};

const CRITERION_NAMES = Object.keys(CRITERIA) as Criterion[];

interface Given {
  readonly farm: Farm;
  readonly rows: readonly FieldRow[];
  readonly notebook: FieldRecords;
  readonly weather: readonly WeatherHourInfo[];
  readonly readings: readonly {
    readonly fieldId: string;
    readonly at: string;
    readonly moisture: number | null;
    readonly tester: string;
    readonly voided?: boolean;
  }[];
}

/** Moisture as the buyer would test it, and points a day: what somebody said, or the field's own readings. */
function moistureOf(
  facts: FieldFacts,
  { farm, notebook, readings }: Given,
): { moisture: number | null; pointsPerDay: number | undefined } {
  const all = testersOf(notebook);
  const testers = testersFor(all, facts.crop.id, buyerSaid(notebook));
  const { lot } = facts.row;
  const own = readings
    .flatMap((r) =>
      r.fieldId === lot.fieldId && r.moisture !== null && !r.voided
        ? [{ at: Date.parse(r.at), moisture: asBuyer(r.moisture, buyerOffset(testers.get(r.tester))) }]
        : [],
    )
    .filter((r) => r.at <= farm.data.now && r.at > farm.data.now - 30 * DAY_MS)
    .sort((a, b) => a.at - b.at);
  const typed = notebook.settings.nextFieldPlan.farm?.value.facts[lot.fieldId]?.pointsPerDay;
  const newest = fieldNow(facts.row, all, buyerSaid(notebook));
  if (typed !== undefined || own.length < 2 || lot.crop === 'soybean')
    return { moisture: newest?.moisture ?? null, pointsPerDay: typed };
  const dayOfYear = Math.min(366, 1 + Math.floor((farm.data.now - Date.UTC(lot.season, 0, 1)) / DAY_MS));
  const curve = cornDrydown(
    own.map((r) => ({ day: r.at / DAY_MS, moisture: r.moisture })),
    dayOfYear,
  );
  const today = (farm.data.now - own[0]!.at) / DAY_MS;
  return {
    moisture: newest?.moisture ?? null,
    pointsPerDay: Math.min(5, Math.max(0, 100 * (curve.moistureAt(today) - curve.moistureAt(today + 1)))),
  };
}

/** Hours until a window closes today, 0 outside of its hours; null where none are set. */
function closesIn(window: CuttingWindow | undefined, nowMs: number, timeZone: string): number | null {
  if (window?.closesAt === undefined && window?.opensAt === undefined) return null;
  const wall = toWallTime(nowMs, timeZone);
  const hour = Number(wall.slice(11, 13)) + Number(wall.slice(14, 16)) / 60;
  const [opens, closes] = [window.opensAt ?? 0, window.closesAt ?? 24];
  return hour < opens ? 0 : Math.max(0, closes - hour);
}

const textsOf = (sheet: NextFieldPlan, per: number) => ({
  points: sheet.bushelPointsPerHour ? dryingRate.text(sheet.bushelPointsPerHour, per) : '',
  dryTo: moistureKind.text(sheet.dryTo),
  step: String(sheet.mostStep),
  rate: grainRate.text(sheet.combineBushelsPerHour, per),
});

export function Ranking(given: Given) {
  const { farm, rows, notebook, weather } = given;
  const refresh = useRefreshFarm(farm.id);
  const saved = notebook.settings.nextFieldPlan.farm?.value ?? START;
  const revision = notebook.settings.nextFieldPlan.farm?.revision ?? 0;
  const [sheet, setSheet] = useState<NextFieldPlan>(saved);
  // Where the combines stand: the field of the last load.
  const last = cutLast(rows);
  const lastCrop = last?.lot.crop;
  const per = farm.kgPerBu(lastCrop);
  const [typed, setTyped] = useState(() => textsOf(saved, per));
  // What somebody else saved is taken over, unless something here waits to be saved.
  const [base, setBase] = useState(saved);
  if (JSON.stringify(saved) !== JSON.stringify(base)) {
    setBase(saved);
    if (JSON.stringify(sheet) === JSON.stringify(base)) {
      setSheet(saved);
      setTyped(textsOf(saved, per));
    }
  }
  const [editing, setEditing] = useState<string | null>(null);
  const sending = useSend();
  const changed = JSON.stringify(sheet) !== JSON.stringify(saved);
  const nowMs = farm.data.now;

  const today = calendarDay(nowMs, farm.data.farm.timeZone);
  const left = useMemo(() => {
    const zones = zonesStanding(notebook.settings.fieldZone, today);
    const plan = { farm: { revision, value: sheet } };
    return fieldFacts(farm, rows, { ...notebook, settings: { ...notebook.settings, nextFieldPlan: plan } })
      .filter(({ acresLeft }) => acresLeft > 0)
      .map((facts) => {
        // Parts that stay until another day: what is left without them is what can be cut.
        const waiting = zonesOf(zones, facts.row.lot).filter(({ waits }) => waits);
        return { facts, waiting, toCut: cuttableAcres(facts, waiting) };
      });
  }, [farm, rows, notebook, revision, sheet, today]);
  // Where all that is left waits, nobody goes today.
  const standing = useMemo(() => new Map(left.filter(({ toCut }) => toCut > 0).map((one) => [one.facts.row.lot.id, one])), [left]); // prettier-ignore
  const machines = Object.values(notebook.settings.combineProfile).map(({ value: profile }) => profile);
  const byProfile = machines.some((m) => m.goodRate > 0);
  // One rate on every page: by the machines' profiles; typed here only while none is written.
  const combineBushelsPerHour = byProfile
    ? combineRate(farm, notebook, rows, lastCrop ?? 'corn')
    : (sheet.combineBushelsPerHour ?? 0);
  const wetBins = farm.data.places.filter((place) => place.kind === 'wetBin');
  const roomBushels = wetBins.reduce(
    (sum, bin) => sum + Math.max(0, (bin.capacityBu ?? 0) - farm.bushels(farm.held(bin.id).wetLots)),
    0,
  );
  const wetLoads = last?.lastMoisture?.source === 'combine' ? last.lastMoisture.moisture : null;
  // One dryer on every page: by its own sheet; typed here only while none is written.
  const sheeted = dryerOf(notebook);
  const able = sheeted?.setup ? sheeted : sheet;
  const dryer =
    able.bushelPointsPerHour > 0 && combineBushelsPerHour > 0 && wetLoads !== null
      ? {
          bushelPointsPerHour: bushelPointsAt(able, Math.max(0, 100 * (wetLoads - able.dryTo))),
          dryTo: able.dryTo,
          combineBushelsPerHour,
          roomBushels,
          lastMoisture: wetLoads,
          mostStep: able.mostStep,
        }
      : null;
  const rain = weather.find((hour) => Date.parse(hour.at) > nowMs && hour.rainChance >= 0.4);

  const { ranked, error } = useMemo((): { ranked: RankedField[]; error: string | null } => {
    try {
      return {
        ranked: rankFields({
          fields: [...standing.values()].map(({ facts, toCut }) => {
            const { moisture, pointsPerDay } = moistureOf(facts, given);
            const own = sheet.facts[facts.row.lot.fieldId];
            const kgPerHa = bushelsPerAcreToKgPerHa(facts.expected ?? 0, facts.crop.legalPounds);
            // Thin crops are cut no faster than the ground allows.
            const bySpeed = machines.reduce(
              (sum, m) => sum + rateAt(m.speedLimit, m.headWidth, kgPerHa) * m.fieldEfficiency,
              0,
            );
            const kgPerHour = Math.min(
              combineBushelsPerHour * kilogramsPerBushel(facts.crop.legalPounds),
              bySpeed > 0 ? bySpeed : Infinity,
            );
            return {
              id: facts.row.lot.id,
              moisture,
              ...(pointsPerDay === undefined ? {} : { pointsPerDay }),
              base: facts.crop.baseMoisture,
              standability: own?.standability ?? 0,
              ...(own?.maturity === undefined ? {} : { maturity: own.maturity }),
              closesIn: closesIn(windowFor(notebook, facts.crop.id, null)?.value, nowMs, farm.data.farm.timeZone),
              distance: own?.distance ?? 0,
              area: acresToHectares(toCut),
              hours: kgPerHour > 0 ? (kgPerHa * acresToHectares(toCut)) / kgPerHour : 0,
            };
          }),
          // What a kept sheet does not weigh, its school does.
          weights: { ...(SCHOOLS[sheet.school as School] ?? SCHOOLS.steady).weights, ...sheet.weights } as Record<
            Criterion,
            number
          >,
          // Another crop goes another way than through today's dryer setting.
          dryer,
          rainIn: rain ? Math.max(0, (Date.parse(rain.at) - nowMs) / HOUR_MS) : null,
          ownOrder: sheet.ownOrder,
        }),
        error: null,
      };
    } catch (problem) {
      return { ranked: [], error: problem instanceof Error ? problem.message : String(problem) };
    }
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [standing, sheet, combineBushelsPerHour, roomBushels, wetLoads, rain?.at, given.readings]);

  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const order = ranked.map((field) => field.id);
  const drop = ({ active, over }: DragEndEvent): void => {
    if (!over || active.id === over.id) return;
    const moved = arrayMove(order, order.indexOf(String(active.id)), order.indexOf(String(over.id)));
    // What stands above the one that was moved is the user's order; what lies below is ranked again.
    const reach = Math.max(
      moved.indexOf(String(active.id)),
      ...sheet.ownOrder.filter((id) => moved.includes(id)).map((id) => moved.indexOf(id)),
    );
    setSheet({ ...sheet, ownOrder: moved.slice(0, reach + 1) });
  };
  const save = async (): Promise<void> => {
    if (
      await sending.send(() => write(farm.id, setting(farm.id, 'nextFieldPlan', 'farm', { revision, value: sheet })))
    ) {
      toast('Saved for everybody');
      await refresh();
    }
  };
  const number =
    (key: keyof typeof typed, kind: Kind | null, apply: (value: number | undefined) => Partial<NextFieldPlan>) =>
    (text: string) => {
      setTyped({ ...typed, [key]: text });
      const value = kind ? (kind.read(text, { per }).value ?? NaN) : parseNumber(text);
      if (text.trim() === '' || !Number.isNaN(value))
        setSheet({ ...sheet, ...apply(text.trim() === '' ? undefined : value) });
    };
  if (left.length === 0) return <Empty title="Nothing stands any more." />;
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
              {ranked.map((field, i) => {
                const { facts, waiting } = standing.get(field.id)!;
                return (
                  <Ranked
                    key={field.id}
                    farm={farm}
                    field={field}
                    place={i}
                    facts={facts}
                    moisture={moistureOf(facts, given).moisture}
                    waiting={waiting}
                    isOwn={sheet.ownOrder.includes(field.id)}
                    onFacts={() => setEditing(field.id)}
                  />
                );
              })}
            </ol>
          </SortableContext>
        </DndContext>
        {left
          .filter(({ facts }) => !standing.has(facts.row.lot.id))
          .map(({ facts, waiting }) => (
            <p key={facts.row.lot.id} className="border-b border-rule px-5 py-3 lg:px-6">
              <b>{facts.row.lot.fieldName}</b>: {waitWords(waiting)}, nothing else is left.
            </p>
          ))}
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
            if (Object.hasOwn(SCHOOLS, chosen))
              setSheet({ ...sheet, school: chosen, weights: { ...SCHOOLS[chosen].weights } });
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
                onChange={(event) =>
                  setSheet({ ...sheet, weights: { ...sheet.weights, [name]: Number(event.target.value) } })
                }
                className="h-9 accent-[var(--ink)]"
              />
              <b className="text-right">{sheet.weights[name] ?? 0}</b>
            </label>
          ))}
        </fieldset>
        <div className="mt-4 grid grid-cols-2 gap-3 border-t border-rule pt-4">
          {sheeted?.setup ? (
            <p className="col-span-2">
              <span className="block text-sm text-muted">The dryer</span>
              <b>{dryingRate(sheeted.bushelPointsPerHour, per).text}</b> down to {percent(sheeted.dryTo)}, at most{' '}
              {sheeted.mostStep} points of change <span className="text-sm text-muted">by its own sheet (Dry)</span>
            </p>
          ) : (
            <>
              <TextBox
                label="Dryer takes"
                unit={dryingRate.unit}
                inputMode="decimal"
                className="pr-20"
                value={typed.points}
                onChange={(event) =>
                  number('points', dryingRate, (value) => ({ bushelPointsPerHour: value ?? 0 }))(event.target.value)
                }
              />
              <TextBox
                label="down to"
                unit="%"
                inputMode="decimal"
                value={typed.dryTo}
                onChange={(event) =>
                  number('dryTo', moistureKind, (value) =>
                    value !== undefined && value >= 0.05 && value <= 0.3 ? { dryTo: value } : {},
                  )(event.target.value)
                }
              />
              <TextBox
                label="Max moisture change between fields"
                unit="points"
                inputMode="decimal"
                value={typed.step}
                onChange={(event) =>
                  number('step', null, (value) => (value !== undefined && value <= 20 ? { mostStep: value } : {}))(
                    event.target.value,
                  )
                }
              />
            </>
          )}
          {byProfile ? (
            <p>
              <span className="block text-sm text-muted">Combines cut</span>
              <b>{grainRate(combineBushelsPerHour, per).text}</b>{' '}
              <span className="text-sm text-muted">by their profiles (Cut, Speed)</span>
            </p>
          ) : (
            <TextBox
              label="Combines cut"
              unit={grainRate.unit}
              inputMode="decimal"
              value={typed.rate}
              onChange={(event) =>
                number('rate', grainRate, (value) => {
                  const { combineBushelsPerHour: _, ...rest } = sheet;
                  return value === undefined
                    ? { ...rest, combineBushelsPerHour: undefined as never }
                    : { combineBushelsPerHour: value };
                })(event.target.value)
              }
            />
          )}
        </div>
        <p className="mt-2 text-sm text-muted">
          {wetLoads === null
            ? 'No load is in the book yet, so the dryer has nothing to compare with.'
            : `Last loads ${percent(wetLoads)}. `}
          {wetBins.length > 0 ? `Room in the wet bin ${bushels(roomBushels, per)}. ` : 'No wet bin. '}
          {rain ? '' : 'No rain in the forecast.'}
        </p>
        <Problem className="mt-2">{sending.message}</Problem>
        <Button className="mt-4 w-full" disabled={!changed || sending.busy} onClick={() => void save()}>
          Save for everybody
        </Button>
      </section>
      {editing && (
        <FactsSheet farm={farm} lotId={editing} sheet={sheet} onClose={() => setEditing(null)} onChange={setSheet} />
      )}
    </div>
  );
}
