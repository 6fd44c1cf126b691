import {
  BIN_PLAN,
  type BinPlan,
  type BinSetup,
  type BinWay,
  bookLevel,
  CROPS,
  cropOf,
  DRIES_FROM_CFM,
  type FallAir,
  FAN,
  type FieldRecords,
  IN_BIN,
  type PlaceInfo,
  STORAGE_LIFE,
} from '@fanega/core';
import { useMemo, useState } from 'react';
import { CartesianGrid, Line, LineChart, XAxis, YAxis } from 'recharts';
import { type Farm, useBinSetups, useNotebook, useWeather } from '../../../data/farm';
import { useWorker } from '../../../data/worker';
import {
  airflow,
  airOfBushel,
  dollars,
  length,
  moisture,
  number,
  percent,
  pressure,
  temperature,
  warmer,
} from '../../../quantity/quantity';
import { system } from '../../../quantity/system';
import { day } from '../../../quantity/time';
import { Button, Empty, Loading, Problem, SelectBox, TextBox } from '../../../ui';
import { AXIS, ChartFrame, MARGIN, SeriesMark, seriesLine } from '../../../ui/chart-frame';
import { Section } from '../../../ui/page';
import { Progress } from '../../../ui/progress';
import { Verdict } from '../../../ui/verdict';
import { strataOf } from '../../../widgets/core-sample';
import { Hazard } from '../../../widgets/hazard';
import { useKeepingRules } from '../../../widgets/use-deadlines';
import { useWarmth } from '../../../widgets/use-warmth';
import { CropBox } from '../../../widgets/crop-box';
import { Working } from '../../../widgets/working';
import { BinFanDrawer, FallAirDrawer, FAN_WORDS, USUAL_FAN } from '../../../widgets/bin-fan';

const HOUR = 3_600_000;
const DAY_H = 24;
/** K cooler each week, where the farm has not entered its own; common practice, no source. */
const COOLS_A_WEEK = 1.5;
const USUAL_AIR: FallAir = { mean: 13, swing: 6, humidity: 0.65, fallsPerWeek: COOLS_A_WEEK };

/** Whether grain dries in a bin with its own fan before its top spoils. */
export default function InBin({ farm }: { farm: Farm }) {
  const notebook = useNotebook().data;
  const setups = useBinSetups().data?.settings.binSetup;
  const bins = farm.data.places.filter((place) => place.kind === 'bin' && setups?.[place.id]);
  const [chosen, setChosen] = useState('');
  if (!notebook || !setups) return <Loading what="Opening" />;
  const wettest = [...bins].sort((a, b) => (farm.held(b.id).moisture ?? 0) - (farm.held(a.id).moisture ?? 0))[0];
  const bin = bins.find(({ id }) => id === chosen) ?? wettest;
  if (!bin)
    return <Empty title="No bin has its size yet: in Store, Places, open one and type its diameter and its wall." />;
  const setup = setups[bin.id]!.value;
  return <Plan key={bin.id} farm={farm} bin={bin} bins={bins} onBin={setChosen} notebook={notebook} setup={setup} />;
}

function Plan({
  farm,
  bin,
  bins,
  onBin,
  notebook,
  setup,
}: {
  farm: Farm;
  bin: PlaceInfo;
  bins: readonly PlaceInfo[];
  onBin: (id: string) => void;
  notebook: FieldRecords;
  setup: BinSetup;
}) {
  const { timeZone } = farm.data.farm;
  const { diameter, eave, crop: reserved } = setup;
  const weather = useWeather(7, 10).data;
  const rules = useKeepingRules();
  const warmth = useWarmth(farm, notebook).of(bin.id);
  const [text, setText] = useState<{
    depth?: string;
    moisture?: string;
    warm?: string;
    target?: string;
    crop?: string;
  }>({});
  const [open, setOpen] = useState<'fan' | 'air' | null>(null);
  const held = farm.held(bin.id);
  const strata = strataOf(farm, bin.id);
  const heldCrop = farm.cropOf(held.lots);
  const cropId = (heldCrop ?? text.crop ?? reserved ?? 'corn') as keyof typeof CROPS;
  const crop = cropOf(cropId) ?? CROPS.corn;
  const kg = strata.reduce((sum, { wetLots }) => sum + Object.values(wetLots).reduce((a, b) => a + b, 0), 0);
  const byBook = kg > 0 ? bookLevel(setup, crop, held.moisture ?? crop.baseMoisture, kg) : null;

  const shownDepth = text.depth ?? length.text(Math.round(100 * (byBook ?? Math.max(1, eave))) / 100);
  const shownMoisture = text.moisture ?? moisture.text(Math.round(1000 * (held.moisture ?? 0.2)) / 1000);
  const shownWarm = text.warm ?? temperature.text(Math.round(warmth.celsius));
  const shownTarget = text.target ?? moisture.text(crop.baseMoisture + 0.005);
  const depth = length.read(shownDepth, { least: 0.3, most: Math.max(0.5, Math.min(20, eave * 1.3)), wanted: true });
  const wet = moisture.read(shownMoisture, { least: 0.05, most: 0.4, wanted: true });
  const warm = temperature.read(shownWarm, { least: -20, most: 50, wanted: true });
  const target = moisture.read(shownTarget, { least: 0.06, most: 0.2, wanted: true });

  const keptFan = notebook.settings.binFan[bin.id];
  const keptAir = notebook.settings.fallAir.farm;
  const fan = keptFan?.value ?? USUAL_FAN;
  const lately = useMemo(
    () => (weather ?? []).filter(({ at }) => Date.parse(at) <= farm.data.now),
    [weather, farm.data.now],
  );
  const air = keptAir?.value ?? airOf(lately);
  const input = useMemo(() => {
    if (
      depth.value === undefined ||
      wet.value === undefined ||
      warm.value === undefined ||
      target.value === undefined ||
      weather === undefined
    )
      return null;
    const ahead = weather.filter(({ at }) => Date.parse(at) > farm.data.now).slice(0, DAY_H * 10);
    return {
      crop: cropId,
      diameter,
      depth: depth.value,
      eave: Math.max(0.31, eave),
      // As the book has it layered, unless somebody said otherwise.
      layers:
        text.moisture === undefined && strata.length > 0
          ? strata.map(({ bushels, moisture: m }) => ({ share: bushels, moisture: m ?? wet.value! }))
          : [{ share: 1, moisture: wet.value }],
      celsius: warm.value,
      target: target.value,
      fan,
      air,
      known: { temperature: ahead.map((hour) => hour.temperature), humidity: ahead.map((hour) => hour.humidity) },
      keeping: { variant: rules.slope, soybeanShift: rules.soybeanShift },
    };
  }, [
    depth.value,
    wet.value,
    warm.value,
    target.value,
    weather,
    farm.data.now,
    cropId,
    diameter,
    eave,
    text.moisture,
    strata,
    fan,
    air,
    rules,
  ]);
  const already = input !== null && Math.max(...input.layers.map((layer) => layer.moisture)) <= input.target;
  const { data, error, isValidating, done } = useWorker('inBin', already ? null : input);
  const wrong = depth.error ?? wet.error ?? warm.error ?? target.error;
  const date = (hours: number): string => day(farm.clock() + hours * HOUR, timeZone);

  return (
    <div className="lg:grid lg:grid-cols-[1.35fr_1fr]">
      <Section label="Dry in the bin">
        {wrong !== undefined ? (
          <p className="text-lg text-muted">A number on the right needs fixing.</p>
        ) : already ? (
          <Verdict small shape="●" figure="Dry enough" about={bin.name}>
            All of it is at {percent(target.value!)} or below. Cool it, and keep it cool.
          </Verdict>
        ) : error ? (
          <Problem>{error.message}</Problem>
        ) : isValidating || !data ? (
          <Progress label="Simulated" done={done}>
            Ten falls, hour by hour
          </Progress>
        ) : (
          <>
            <Answer
              plan={data}
              bin={bin.name}
              about={{ wet: wet.value!, target: target.value!, depth: depth.value!, crop: crop.short }}
              date={date}
            />
            <p className="mt-2 text-lg">
              The fan meets this grain at <b>{pressure(data.point.pressure).text}</b> and moves{' '}
              <b>{airflow(data.point.flow).text}</b>: {airOfBushel(data.point.cfmPerBushel).text}.
              {data.point.cfmPerBushel > 2 && ' That is more than this rule is for: count on a little longer.'}
            </p>
            {data.usual && (
              <>
                <Ways plan={data} />
                <Front plan={data} depth={depth.value!} date={date} />
              </>
            )}
            <Working
              what={data.usual?.hours ? `Dry in ${number(data.usual.hours / DAY_H)} days` : `${bin.name} in the bin`}
              formulas={[BIN_PLAN, IN_BIN, FAN, STORAGE_LIFE]}
              inputs={[
                { name: 'Bin', value: `${length(diameter).text} across`, from: 'Store, Places' },
                {
                  name: 'Grain',
                  value: `${length(depth.value!).text} deep at ${percent(wet.value!)}`,
                  from: text.depth === undefined && byBook !== null ? 'the book' : 'typed',
                },
                {
                  name: 'Fan',
                  value: `${airflow(fan.lowFlow).text} at ${pressure(fan.lowPressure).text}, ${airflow(fan.highFlow).text} at ${pressure(fan.highPressure).text}`,
                  from: keptFan ? 'its maker’s table' : 'assumed: a fan of about 15 hp',
                },
                {
                  name: 'Air after the forecast',
                  value: `${temperature(air.mean).text}, ${percent(air.humidity, 0)}`,
                  from: keptAir ? 'typed for this farm' : 'last week’s here',
                },
              ]}
              worked={[
                `heat of the fan: ${pressure(data.point.pressure).text} ÷ (${percent(fan.efficiency, 0)} × 1.2 × 1006) = ${warmer(data.point.heatKelvin).text}`,
                ...(data.usual?.hours
                  ? [
                      `${number(data.usual.hours / 1.2 / DAY_H, 1)} ideal days × 1.2 = ${number(data.usual.hours / DAY_H, 1)} days`,
                      `${number(data.usual.fanHours)} h × ${number(data.point.shaftWatts / 1000, 1)} kW × $${number(fan.powerPrice, 3)} = ${dollars(data.usual.kWh * fan.powerPrice)}`,
                    ]
                  : []),
              ]}
              not="fines in the middle, a peak, and the heat that wet grain makes while a fan is off."
            />
          </>
        )}
        <Hazard card="binEntry" before={`in ${bin.id}`} />
      </Section>
      <section
        aria-label="What is asked about"
        className="space-y-4 border-t border-ink px-5 py-5 lg:border-t-0 lg:border-l lg:px-6"
      >
        <SelectBox label="Bin" value={bin.id} onChange={(event) => onBin(event.target.value)}>
          {bins.map((one) => (
            <option key={one.id} value={one.id}>
              {one.name}
            </option>
          ))}
        </SelectBox>
        {heldCrop === undefined && <CropBox value={cropId} onChange={(chosen) => setText({ ...text, crop: chosen })} />}
        <div className="grid grid-cols-2 gap-3">
          <TextBox
            label="Grain is deep"
            unit={length.unit}
            inputMode="decimal"
            value={shownDepth}
            error={depth.error}
            hint={text.depth === undefined && byBook !== null ? 'by the book, level' : undefined}
            onChange={(event) => setText({ ...text, depth: event.target.value })}
          />
          <TextBox
            label="Moisture"
            unit={moisture.unit}
            inputMode="decimal"
            value={shownMoisture}
            error={wet.error}
            hint={text.moisture === undefined && strata.length > 0 ? 'by the book, each layer its own' : undefined}
            onChange={(event) => setText({ ...text, moisture: event.target.value })}
          />
          <TextBox
            label="Grain temperature"
            unit={temperature.unit}
            inputMode="decimal"
            value={shownWarm}
            error={warm.error}
            hint={text.warm === undefined ? (warmth.measuredMs === null ? 'as the air' : 'as measured') : undefined}
            onChange={(event) => setText({ ...text, warm: event.target.value })}
          />
          <TextBox
            label="Dry when the wettest is at"
            unit={moisture.unit}
            inputMode="decimal"
            value={shownTarget}
            error={target.error}
            onChange={(event) => setText({ ...text, target: event.target.value })}
          />
        </div>
        <div className="space-y-2 border-t border-rule pt-4">
          <p>
            <b>Fan:</b> {FAN_WORDS[fan.control]}
            {fan.heater > 0 && `, with ${number(fan.heater)} kW of heat`}
            {fan.stirHours !== undefined && `, stirred every ${number(fan.stirHours)} h`}.
            {!keptFan && ' This bin’s fan is not entered: one of about 15 hp is assumed.'}
          </p>
          <Button onClick={() => setOpen('fan')}>{keptFan ? 'Change the fan' : 'Enter its fan'}</Button>
          <p>
            <b>Air after the forecast:</b> {temperature(air.mean).text} and {percent(air.humidity, 0)} day and night,{' '}
            {warmer(air.fallsPerWeek).text} cooler each week
            {keptAir ? '.' : ', from last week’s air here.'}
          </p>
          <Button onClick={() => setOpen('air')}>Change the fall</Button>
        </div>
        <p className="text-sm text-muted">
          Wiring, burners and gas lines are a licensed trade’s work; the manuals of fan and heater come first.
        </p>
      </section>
      {open === 'fan' && <BinFanDrawer placeId={bin.id} kept={keptFan} onClose={() => setOpen(null)} />}
      {open === 'air' && <FallAirDrawer start={air} revision={keptAir?.revision ?? 0} onClose={() => setOpen(null)} />}
    </div>
  );
}

/** A fall like last week, cooling as falls do; a usual one where no weather was kept. */
function airOf(lately: readonly { readonly temperature: number; readonly humidity: number }[]): FallAir {
  if (lately.length < DAY_H) return USUAL_AIR;
  const mean = (of: (hour: (typeof lately)[number]) => number): number =>
    lately.reduce((sum, hour) => sum + of(hour), 0) / lately.length;
  const warm = mean((hour) => hour.temperature);
  // Of a wave, the spread about its mean is its height over the root of two.
  const spread = Math.sqrt(mean((hour) => (hour.temperature - warm) ** 2));
  return {
    mean: Math.min(40, Math.max(-20, warm)),
    swing: Math.min(20, spread * Math.SQRT2),
    humidity: Math.min(
      0.95,
      Math.max(
        0.1,
        mean((hour) => hour.humidity),
      ),
    ),
    fallsPerWeek: COOLS_A_WEEK,
  };
}

function Answer({
  plan,
  bin,
  about,
  date,
}: {
  plan: BinPlan;
  bin: string;
  about: { wet: number; target: number; depth: number; crop: string };
  date: (hours: number) => string;
}) {
  const what = `${bin}: ${about.crop} at ${percent(about.wet)} to ${percent(about.target)}`;
  const deepest =
    plan.deepest === null ? (
      'At this moisture no depth is safe with it: dry it another way.'
    ) : (
      <>
        Safe in nine years in ten: no deeper than <b>{length(plan.deepest).text}</b>.
      </>
    );
  if (plan.tooWeak)
    return (
      <Verdict bad figure="Only cools" about={what}>
        A bushel gets {airOfBushel(plan.point.cfmPerBushel).text}; drying takes {airOfBushel(DRIES_FROM_CFM).text} at
        the very least, wet grain far more. This fan holds grain cool and does not dry it.
      </Verdict>
    );
  const { usual, nineOfTen } = plan;
  if (!usual || !nineOfTen) return null;
  const life = nineOfTen.life;
  if (life !== null && life > 1)
    return (
      <Verdict bad figure="Spoils first" about={what}>
        In the slow fall of ten the top layer uses {percent(life, 0)} of its storage life before the drying front gets
        there. {deepest}
      </Verdict>
    );
  if (nineOfTen.hours === null || usual.hours === null)
    return (
      <Verdict bad figure="Not this fall" about={what}>
        {usual.hours === null
          ? 'In 120 days its wettest layer does not get there in a usual fall: the air is too damp or too little of it.'
          : `In a usual fall by ${date(usual.hours)}; in the slowest year in ten not within 120 days.`}{' '}
        {deepest}
      </Verdict>
    );
  return (
    <Verdict figure={date(usual.hours)} unit={`dry, ${number(usual.hours / DAY_H)} days`} about={what}>
      In nine years in ten by {date(nineOfTen.hours)}.{' '}
      {life !== null && <>Its worst layer has used {percent(life, 0)} of its storage life by then. </>}
      {plan.overdriedPoints > 0.5 && (
        <>The floor is then {number(plan.overdriedPoints, 1)} points too dry: weight given away. </>
      )}
      {plan.deepest !== null && plan.deepest > about.depth + 0.3 && (
        <>Filled to {length(plan.deepest).text} it would still be safe.</>
      )}
    </Verdict>
  );
}

function Ways({ plan }: { plan: BinPlan }) {
  const rows: readonly (readonly [string, BinWay | null])[] = [
    ['A usual fall', plan.usual],
    ['Nine years in ten', plan.nineOfTen],
    [system() === 'us' ? 'A foot less grain' : '30 cm less grain', plan.footLess],
    ['A fan a quarter faster', plan.biggerFan],
    ['The stirrer stands', plan.stirrerStopped],
  ];
  return (
    <table className="mt-4 w-full" aria-label="What would change it">
      <thead className="border-y border-ink text-left text-sm">
        <tr>
          <th className="py-1.5 pr-2" />
          <th className="px-2 text-right">Days</th>
          <th className="px-2 text-right">Fan runs</th>
          <th className="px-2 text-right">Life used</th>
          <th className="py-1.5 pl-2 text-right">Costs</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(
          ([name, way]) =>
            way && (
              <tr key={name} className="border-b border-rule">
                <td className="py-1 pr-2">{name}</td>
                <td className="px-2 text-right font-semibold">
                  {way.hours === null ? 'over 120' : number(way.hours / DAY_H)}
                </td>
                <td className="px-2 text-right">{number(way.fanHours)} h</td>
                <td className={`px-2 text-right ${way.life !== null && way.life > 1 ? 'font-bold text-clay' : ''}`}>
                  {way.life === null ? '–' : way.life > 9.99 ? 'all of it' : percent(way.life, 0)}
                </td>
                <td className="py-1 pl-2 text-right">{dollars(way.money)}</td>
              </tr>
            ),
        )}
      </tbody>
    </table>
  );
}

/** Moisture by height on some days: where the drying front is. */
function Front({ plan, depth, date }: { plan: BinPlan; depth: number; date: (hours: number) => string }) {
  const layers = plan.picture[0]?.moisture.length ?? 0;
  const heights = Array.from({ length: layers }, (_, i) => ({
    height: Number(length.text(((i + 0.5) / layers) * depth)),
    ...Object.fromEntries(plan.picture.map(({ moisture: rows }, k) => [`d${k}`, 100 * rows[i]!])),
  }));
  return (
    <>
      <h3 className="mt-4 font-semibold">Moisture by height in a usual fall</h3>
      <ChartFrame
        label={`Moisture by height above the floor on ${plan.picture.length} days of a usual fall`}
        heads={[`Height, ${length.unit}`, ...plan.picture.map(({ day: at }) => date(at * DAY_H))]}
        rows={() =>
          heights.map((row) => [
            number(row.height, 1),
            ...plan.picture.map((_, k) => number((row as unknown as Record<string, number>)[`d${k}`]!, 1)),
          ])
        }
        className="mt-2 h-64"
      >
        <LineChart data={heights} layout="vertical" margin={MARGIN} accessibilityLayer={false}>
          <CartesianGrid stroke="var(--rule)" />
          <XAxis type="number" unit=" %" domain={['auto', 'auto']} {...AXIS} tickFormatter={(v: number) => number(v)} />
          <YAxis
            type="number"
            dataKey="height"
            reversed
            width={52}
            unit={` ${length.unit}`}
            domain={[0, 'dataMax']}
            {...AXIS}
            tickFormatter={(v: number) => number(v)}
          />
          {plan.picture.map((_, k) => (
            <Line key={k} dataKey={`d${k}`} {...seriesLine(k)} dot={false} isAnimationActive={false} />
          ))}
        </LineChart>
      </ChartFrame>
      <ul className="flex flex-wrap gap-x-4 text-sm" aria-label="Days in the picture">
        {plan.picture.map(({ day: at }, k) => (
          <li key={k} className="inline-flex items-center gap-1.5">
            <SeriesMark i={k} />
            {date(at * DAY_H)}
          </li>
        ))}
      </ul>
    </>
  );
}
