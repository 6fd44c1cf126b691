import {
  compareScales,
  type FieldRecords,
  METHODS,
  OWN_TRUCK_SCALE,
  RangeRefusal,
  type ScaleStanding,
  SEVERAL_CARTS,
  weightRulesOf,
  WEIGHT_RULES,
  type WeightRulesSetting,
  type WeighedView,
} from '@fanega/core';
import { ArrowUp } from 'lucide-react';
import { useMemo, useState } from 'react';
import { CartesianGrid, ComposedChart, Line, ReferenceLine, XAxis, YAxis } from 'recharts';
import { Below } from '../../../ui/below';
import { toast } from '../../../ui/toast';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { useSend } from '../../../data/use-send';
import { Button, Problem, TextBox } from '../../../ui';
import { Verdict } from '../../../ui/verdict';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { figureBox } from '../../../widgets/record-boxes';
import { METHOD_WORDS, methodWords } from '../../../widgets/method-words';
import { count, mass, number, percent, share, signedPercent } from '../../../quantity/quantity';
import { Restate } from '../../../widgets/restate';
import { day } from '../../../quantity/time';
import { type Column, DataTable } from '../../../ui/table';
import { figureColumn, momentColumn, wordColumn } from '../../../widgets/columns';
import { revision, setting } from '../../../data/records';
import { write } from '../../../data/outbox';
import { AXIS, ChartFrame, MARGIN, timeAxis } from '../../../ui/chart-frame';

/** A dot for each load, in one stroke: a season's thousand as parts of their own hold the page up for half a second. */
const Dots = ({ points = [] }: { points?: readonly { readonly x: number | null; readonly y: number | null }[] }) => (
  <path
    d={points.map(({ x, y }) => (x === null || y === null ? '' : `M${x} ${y}h0`)).join('')}
    stroke="var(--ink)"
    strokeWidth="8"
    strokeLinecap="round"
    fill="none"
  />
);

const signed = (fraction: number): string => signedPercent(fraction, 2);
const MARK = 'restated: scale ';

/** What the farm's scales are worth: monitor, cart, own truck scale and buyer for the same grain, side by side. */
export default function Weights({ farm, notebook, haul }: { farm: Farm; notebook: FieldRecords; haul: WeighedView }) {
  const rules = weightRulesOf(notebook);
  const { trust } = farm.data.farm.defaults;
  const standings = useMemo(() => {
    try {
      return compareScales(haul.weighed, trust, rules.tolerance);
    } catch (error) {
      if (error instanceof RangeRefusal) return [];
      throw error;
    }
  }, [haul.weighed, trust, rules.tolerance]);
  const [open, setOpen] = useState<string | null>(null);
  const [editing, setEditing] = useState(false);
  const shown = standings.find((one) => key(one) === open) ?? standings[0];
  const out = standings.filter((one) => one.outOfTolerance);
  const fraction = (
    id: string,
    head: string,
    of: (one: ScaleStanding) => number | null,
    more: Partial<Column<ScaleStanding>> = {},
  ) =>
    wordColumn(id, head, (one: ScaleStanding) => (of(one) === null ? '' : signed(of(one)!)), {
      right: true,
      by: of,
      ...more,
    });
  const columns: Column<ScaleStanding>[] = [
    wordColumn('scale', 'Scale', (one) => scaleName(farm, one), {
      phone: 'title',
      as: (words, one) => (
        <Button
          look="quiet"
          className="!justify-start !px-0 text-left"
          aria-pressed={one === shown}
          onClick={() => setOpen(key(one))}
        >
          {words}
        </Button>
      ),
    }),
    wordColumn('loads', 'Loads', ({ loads }) => number(loads), { right: true, value: ({ loads }) => loads }),
    fraction('against', 'Against the trusted one', ({ difference }) => difference, {
      phone: 'verdict',
      show: ({ outOfTolerance, loads, difference }) => (
        <span className={outOfTolerance ? 'font-semibold text-clay' : ''}>
          {outOfTolerance ? '■ ' : loads < 3 ? '◐ ' : '● '}
          {signed(difference)}
        </span>
      ),
    }),
    fraction('scatter', 'Scatter', ({ scatter }) => scatter, {
      show: ({ scatter }) => (scatter === null ? '–' : percent(scatter, 2)),
    }),
    fraction('newest', 'Newest five', ({ newest }) => newest),
    fraction('drift', 'Drift in 10 days', ({ driftIn10Days }) => driftIn10Days, {
      show: ({ driftIn10Days, driftShown }) =>
        driftIn10Days === null ? '–' : `${signed(driftIn10Days)}${driftShown ? ' ■ drifts' : ', not shown'}`,
    }),
    wordColumn('times', 'Times', ({ factor }) => number(factor, 4), { right: true, value: ({ factor }) => factor }),
  ];
  return (
    <div className="px-5 py-5 lg:px-6">
      {standings.length === 0 ? (
        <p className="max-w-2xl text-lg">
          No load has two weights in the book yet. A ticket beside the cart&rsquo;s scale, the display beside either:
          open a load and put the other figure beside it.
        </p>
      ) : (
        <>
          <Verdict
            small
            figure={
              out.length === 0
                ? 'All scales agree'
                : out.length === 1
                  ? 'One scale is off'
                  : `${out.length} scales are off`
            }
            unit={`${out.length === 0 ? 'within' : 'by more than'} ${percent(rules.tolerance)}`}
          />
          <div className="mt-3">
            <DataTable
              name="Scales side by side"
              one="scale"
              many="scales"
              rows={standings}
              columns={columns}
              rowId={key}
              rowClass={(one) => (one === shown ? 'bg-sand' : '')}
              flush
            />
          </div>
        </>
      )}
      <div className="mt-6 lg:grid lg:grid-cols-[1.4fr_1fr] lg:gap-8">
        <div>
          <Below>{shown && <OneScale key={key(shown)} farm={farm} haul={haul} standing={shown} />}</Below>
        </div>
        <Trust farm={farm} rules={rules} onEdit={() => setEditing(true)} />
      </div>
      {editing && (
        <RulesForm
          farm={farm}
          revision={notebook.settings.weightRules.farm?.revision ?? 0}
          rules={rules}
          onClose={() => setEditing(false)}
        />
      )}
    </div>
  );
}

const key = (one: { method: string; scale: string }): string => `${one.method} ${one.scale}`;
const scaleName = (farm: Farm, { method, scale }: { method: string; scale: string }): string =>
  scale === OWN_TRUCK_SCALE
    ? 'Own truck scale'
    : scale === SEVERAL_CARTS
      ? `Several ${scale}: ${methodWords(method)}`
      : `${farm.placeName(scale)}: ${methodWords(method)}`;

function OneScale({ farm, haul, standing }: { farm: Farm; haul: WeighedView; standing: ScaleStanding }) {
  const [restating, setRestating] = useState(false);
  const { timeZone } = farm.data.farm;
  const alone = haul.alone.filter(
    ({ entry, method, scale }) =>
      method === standing.method && scale === standing.scale && !(entry.note ?? '').startsWith('restated: '),
  );
  const columns: Column<ScaleStanding['pairs'][number]>[] = [
    momentColumn('when', 'Load', ({ atMs }) => atMs, timeZone, { phone: 'title' }),
    figureColumn('here', 'here', mass, ({ ownKg }) => ownKg),
    figureColumn('trusted', 'trusted', mass, ({ trustedKg }) => trustedKg, {
      show: ({ trustedKg, trusted }) => (
        <>
          {mass.figure(trustedKg)} <span className="text-sm text-muted">{farm.placeName(trusted)}</span>
        </>
      ),
    }),
    figureColumn('difference', 'difference', share, ({ difference }) => difference, {
      phone: 'verdict',
      show: ({ difference }) => signed(difference),
    }),
  ];
  const points = standing.pairs.map((pair) => ({ at: pair.atMs, difference: 100 * pair.difference }));
  return (
    <section aria-label={scaleName(farm, standing)}>
      <h2 className="text-xl">{scaleName(farm, standing)}</h2>
      {points.length >= 2 && (
        <ChartFrame
          label={`Difference over time, ${points.length} loads`}
          heads={['Day', 'Difference, %']}
          rows={() => points.map((point) => [day(point.at, timeZone), number(point.difference, 2)])}
          className="mt-2 h-52"
        >
          <ComposedChart data={points} margin={MARGIN} accessibilityLayer={false}>
            <CartesianGrid stroke="var(--rule)" vertical={false} />
            <XAxis
              dataKey="at"
              {...timeAxis(
                points.map(({ at }) => at),
                (at) => day(at, timeZone),
              )}
            />
            <YAxis
              type="number"
              dataKey="difference"
              unit=" %"
              width={60}
              tickFormatter={(v: number) => number(v, 1)}
              {...AXIS}
            />
            <ReferenceLine y={0} stroke="var(--ink)" />
            <Line dataKey="difference" dot={false} activeDot={false} isAnimationActive={false} shape={Dots} />
          </ComposedChart>
        </ChartFrame>
      )}
      <DataTable
        name="Load by load"
        one="load"
        many="loads"
        rows={standing.pairs}
        columns={columns}
        rowId={({ id }) => id}
        sortedBy={{ id: 'when', down: true }}
        pageSize={10}
      />
      {alone.length > 0 && (
        <p className="mt-3">
          {alone.length} loads off the field were weighed by this scale alone:{' '}
          {mass(alone.reduce((sum, { entry }) => sum + entry.wetKg, 0)).text}.{' '}
          {standing.outOfTolerance ? (
            <Button className="ml-2" onClick={() => setRestating(true)}>
              Restate them …
            </Button>
          ) : (
            'It is within tolerance: they stand as they are.'
          )}
        </p>
      )}
      {restating && (
        <Restate
          farm={farm}
          loads={alone.map(({ entry }) => ({ entry, kg: entry.wetKg, factor: standing.factor }))}
          mark={MARK}
          why="restated by the scale that is trusted"
          caution={
            standing.loads < 5
              ? '◐ Few loads say so. It can be done again later, with a better factor, only by hand.'
              : undefined
          }
          onClose={() => setRestating(false)}
        />
      )}
    </section>
  );
}

/** Which scale counts: the farm's own order, the certified one first. */
function Trust({ farm, rules, onEdit }: { farm: Farm; rules: WeightRulesSetting; onEdit: () => void }) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const { trust } = farm.data.farm.defaults;
  const order = [...trust, ...METHODS.filter((method) => !trust.includes(method))];
  const up = async (i: number): Promise<void> => {
    const next = [...order];
    [next[i - 1], next[i]] = [next[i]!, next[i - 1]!];
    if (
      !(await sending.send(() =>
        write(
          farm.id,
          revision(farm.id, 'the order of trust was changed on the Scales page', { what: 'trust', trust: next }),
          'the order of trust',
        ),
      ))
    )
      return;
    toast('The book is weighed again by this order');
    await refresh();
  };
  return (
    <section aria-label="Which scale counts" className="mt-8 lg:mt-0 lg:border-l lg:border-rule lg:pl-6">
      <h2 className="text-xl">Which scale counts</h2>
      <p className="text-muted">
        Where a load has several weights, the first of these counts in the book; all of them stay visible.
      </p>
      <ol className="mt-1">
        {order.map((method, i) => (
          <li key={method} className="flex min-h-11 items-center justify-between border-b border-rule">
            <span>
              <b>{i + 1}</b> {METHOD_WORDS[method as keyof typeof METHOD_WORDS] ?? method}
            </span>
            {i > 0 && (
              <Button
                look="quiet"
                aria-label={`Trust ${methodWords(method)} more`}
                disabled={sending.busy}
                onClick={() => void up(i)}
              >
                <ArrowUp size={18} aria-hidden="true" />
              </Button>
            )}
          </li>
        ))}
      </ol>
      <Problem>{sending.message}</Problem>
      <p className="mt-3">
        Two scales agree within <b>{percent(rules.tolerance, 2)}</b>. An empty weight is old after{' '}
        <b>{rules.tareOldDays} days</b> and may drift by <b>{percent(rules.tareTolerance)}</b>.
      </p>
      <Button className="mt-2" onClick={onEdit}>
        Change these
      </Button>
    </section>
  );
}

function RulesForm({
  farm,
  revision,
  rules,
  onClose,
}: {
  farm: Farm;
  revision: number;
  rules: WeightRulesSetting;
  onClose: () => void;
}) {
  const refresh = useRefreshFarm(farm.id);
  const { fields } = WEIGHT_RULES;
  const form = useFields({
    boxes: {
      tolerance: figureBox(fields.tolerance, share, { was: rules.tolerance }),
      tareOldDays: figureBox(fields.tareOldDays, count, { missing: 'How many days?' }),
      tareTolerance: figureBox(fields.tareTolerance, share, { was: rules.tareTolerance }),
    },
    start: () => ({
      tolerance: share.text(rules.tolerance),
      tareOldDays: count.text(rules.tareOldDays),
      tareTolerance: share.text(rules.tareTolerance),
    }),
    close: onClose,
    save: async (value) => {
      await write(farm.id, setting(farm.id, 'weightRules', 'farm', { revision, value }));
      await refresh();
    },
  });
  return (
    <FormDrawer form={form} title="How weights are judged" button="Keep it">
      <TextBox label="Two scales agree within" {...form.box('tolerance')} />
      <TextBox label="An empty weight is old after" {...form.box('tareOldDays')} unit="days" />
      <TextBox label="It may drift by" {...form.box('tareTolerance')} />
    </FormDrawer>
  );
}
