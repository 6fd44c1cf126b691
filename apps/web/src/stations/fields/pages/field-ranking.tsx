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
  calendarDay,
  CRITERIA,
  type Criterion,
  cutLast,
  type FieldRecords,
  type FieldRow,
  type NextFieldPlan,
  nextFields,
  type NextFields,
  type School,
  SCHOOLS,
  USUAL_NEXT_FIELD,
} from '@fanega/core';
import { useMemo, useRef, useState } from 'react';
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

const CRITERION_NAMES = Object.keys(CRITERIA) as Criterion[];

interface Given {
  readonly farm: Farm;
  readonly rows: readonly FieldRow[];
  readonly notebook: FieldRecords;
  readonly weather: readonly WeatherHourInfo[];
}

const textsOf = (sheet: NextFieldPlan, per: number) => ({
  points: sheet.bushelPointsPerHour ? dryingRate.text(sheet.bushelPointsPerHour, per) : '',
  dryTo: moistureKind.text(sheet.dryTo),
  step: String(sheet.mostStep),
  rate: grainRate.text(sheet.combineBushelsPerHour, per),
});

const NOTHING: NextFields = {
  ranked: [],
  left: [],
  standing: new Map(),
  combineBushelsPerHour: 0,
  byProfile: false,
  dryer: null,
  wetLoads: null,
  roomBushels: null,
  rainComes: false,
};

export function Ranking({ farm, rows, notebook, weather }: Given) {
  const refresh = useRefreshFarm(farm.id);
  const saved = notebook.settings.nextFieldPlan.farm?.value ?? USUAL_NEXT_FIELD;
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
  const today = calendarDay(farm.data.now, farm.data.farm.timeZone);
  const { found, error } = useMemo((): { found: NextFields | null; error: string | null } => {
    try {
      return { found: nextFields(farm, notebook, rows, sheet, { today, weather }), error: null };
    } catch (problem) {
      return { found: null, error: problem instanceof Error ? problem.message : String(problem) };
    }
  }, [farm, notebook, rows, sheet, today, weather]);
  const kept = useRef(found);
  // What was typed last may rank nothing: the order before it stands beside what is said of it.
  kept.current = found ?? kept.current;
  const {
    ranked,
    left,
    standing,
    combineBushelsPerHour,
    byProfile,
    dryer: sheeted,
    wetLoads,
    roomBushels,
    rainComes,
  } = kept.current ?? NOTHING;

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
                const { facts, waiting, moisture } = standing.get(field.id)!;
                return (
                  <Ranked
                    key={field.id}
                    farm={farm}
                    field={field}
                    place={i}
                    facts={facts}
                    moisture={moisture}
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
          {roomBushels === null ? 'No wet bin. ' : `Room in the wet bin ${bushels(roomBushels, per)}. `}
          {rainComes ? '' : 'No rain in the forecast.'}
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
