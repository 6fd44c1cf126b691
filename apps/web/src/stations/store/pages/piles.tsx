import {
  BIN_VOLUME,
  bulkDensity,
  coneDiameterFor,
  kgPerM3ToTestWeight,
  cropOf,
  CROPS,
  type Crop,
  type Pile,
  type PileSize,
  pileSize,
  type PlaceInfo,
  placeHistory,
  type PlaceHistory,
  RangeRefusal,
  windrowLengthFor,
  windowFor,
  keepsFor,
} from '@fanega/core';
import { useState } from 'react';
import { useSearchParams } from 'react-router';
import { type Farm, useBinSetups, useNotebook, useRefreshFarm, useTapePage } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { bookCommand } from '../../../data/outbox/book-command';
import { useSend } from '../../../data/use-send';
import {
  bushels,
  count,
  dollars,
  grain,
  length,
  number,
  percent,
  space,
  surface,
  temperature,
  testWeight,
} from '../../../quantity/quantity';
import { day } from '../../../quantity/time';
import { Button, Choices, Empty, Loading, Problem, SelectBox, TextBox } from '../../../ui';
import { Callout } from '../../../ui/callout';
import { Section } from '../../../ui/page';
import { toast } from '../../../ui/toast';
import { Verdict } from '../../../ui/verdict';
import { Hazard } from '../../../widgets/hazard';
import { useRecorder } from '../../../widgets/record';
import { useKeepingRules } from '../../../widgets/use-deadlines';
import { useWarmth } from '../../../widgets/use-warmth';
import { Working } from '../../../widgets/working';
import { restated } from '../../../widgets/restated';
import { BASE_WORDS, PileSetupDrawer } from '../forms/pile-setup';

/** Lines of a pile that are read: a pile is some hundred loads. */
const LINES = 500;
/** A tape over a pile and its slope are off by as much; common practice, no source. */
const SHAPE_ERROR = 0.08;

/** What lies in a pile, what came and went, and how large a place a pile takes. */
export default function Piles({ farm }: { farm: Farm }) {
  const piles = farm.data.places.filter(({ kind }) => kind === 'pile');
  const [params, setParams] = useSearchParams();
  const fullest = [...piles].sort((a, b) => farm.held(b.id).wetKg - farm.held(a.id).wetKg)[0];
  const pile = piles.find(({ id }) => id === params.get('pile')) ?? fullest;
  if (!pile)
    return (
      <Empty title="No pile is in the book.">
        <p>Add a place of the kind “Ground pile”, and loads into it and out of it are counted here.</p>
      </Empty>
    );
  return (
    <OnePile
      key={pile.id}
      farm={farm}
      pile={pile}
      piles={piles}
      onPile={(id) => setParams({ pile: id }, { replace: true })}
    />
  );
}

function OnePile({
  farm,
  pile,
  piles,
  onPile,
}: {
  farm: Farm;
  pile: PlaceInfo;
  piles: readonly PlaceInfo[];
  onPile: (id: string) => void;
}) {
  const recorder = useRecorder();
  const lines = useTapePage(LINES, 'harvest,move,loss,measure', [pile.id]).data;
  const kept = useBinSetups().data?.settings.pileSetup[pile.id];
  const notebook = useNotebook().data;
  const rules = useKeepingRules();
  const warmth = useWarmth(farm, notebook).of(pile.id);
  const [open, setOpen] = useState(false);
  const held = farm.held(pile.id);
  const crop = cropOf(farm.cropOf(held.lots) ?? '') ?? CROPS.corn;
  const per = farm.kgPerBu(crop.id);
  if (!lines || !notebook) return <Loading what="Reading the book" />;
  const history = placeHistory(lines, pile.id, held.wetKg);
  const price = windowFor(notebook, crop.id, null)?.value.price ?? null;
  const said = (kg: number): string => grain(kg, per).text;
  const days =
    held.moisture === null || held.wetKg < 1
      ? null
      : (keepsFor(crop, held.moisture, warmth.celsius, rules, rules.soybeanShift)?.days ?? null);
  return (
    <div className="lg:grid lg:grid-cols-[1.35fr_1fr]">
      <div className="min-w-0">
        <Section label="What is in it">
          {held.wetKg < 1 ? (
            <Verdict small shape="●" figure="Nothing" about={pile.name}>
              {history.sinceMs === null ? 'There is no pile there.' : 'It is hauled away.'}
            </Verdict>
          ) : (
            <Verdict
              about={`${pile.name}, ${crop.short}${held.moisture === null ? '' : ` at ${percent(held.moisture)}`}`}
              figure={grain(held.wetKg, per).figure}
              unit={`${grain(held.wetKg, per).unit} left by the book`}
            >
              {days === null
                ? ''
                : `As warm as ${warmth.measuredMs === null ? 'the air was' : 'it is'} (${temperature(Math.round(warmth.celsius)).text}) it keeps ${days > 999 ? 'over 999' : number(Math.floor(days))} days from dry; a pile in rain far less.`}
            </Verdict>
          )}
          <Course farm={farm} history={history} per={per} price={price} />
          <div className="mt-4 flex flex-wrap gap-3">
            <Button onClick={() => recorder.open({ kind: 'move', to: pile.id })}>Onto it</Button>
            <Button disabled={held.wetKg < 1} onClick={() => recorder.open({ kind: 'move', from: pile.id })}>
              Take from it
            </Button>
            <Button disabled={held.wetKg < 1} onClick={() => recorder.open({ kind: 'loss', place: pile.id })}>
              Spoiled or spilled
            </Button>
            {held.wetKg >= 1 && <Swept farm={farm} pile={pile} what={said(held.wetKg)} />}
          </div>
        </Section>
        <Measured
          farm={farm}
          pile={pile}
          crop={crop}
          bookKg={held.wetKg}
          moisture={held.moisture ?? crop.baseMoisture}
        />
      </div>
      <section
        aria-label="The place of the pile"
        className="space-y-4 border-t border-ink px-5 py-5 lg:border-t-0 lg:border-l lg:px-6"
      >
        {piles.length > 1 && (
          <SelectBox label="Pile" value={pile.id} onChange={(event) => onPile(event.target.value)}>
            {piles.map((one) => (
              <option key={one.id} value={one.id}>
                {one.name}
              </option>
            ))}
          </SelectBox>
        )}
        <p>
          {kept
            ? `On ${BASE_WORDS[kept.value.base]}, ${kept.value.cover === 'tarp' ? 'under a tarp' : 'without a cover'}, ${kept.value.aired ? 'with air drawn through it' : 'without air'}.${kept.value.note ? ` ${kept.value.note}` : ''}`
            : 'What it lies on is not entered yet.'}
        </p>
        {kept && (kept.value.cover === 'none' || kept.value.base === 'ground') && held.wetKg >= 1 && (
          <Callout className="px-3 py-2 text-sm">
            {kept.value.cover === 'none' && 'An inch of rain wets the top foot of an open pile: haul it first. '}
            {kept.value.base === 'ground' && 'On bare ground the lowest inches are lost: count on it when it is swept.'}
          </Callout>
        )}
        <Button onClick={() => setOpen(true)}>What it lies on</Button>
        <SizeFor crop={crop} per={per} start={held.wetKg >= 1 ? held.wetKg / per : 20_000} width={kept?.value.width} />
        <Hazard card="binEntry" before={`pile ${pile.id}`} />
      </section>
      {open && <PileSetupDrawer farm={farm} placeId={pile.id} kept={kept} onClose={() => setOpen(false)} />}
    </div>
  );
}

/** In, out, lost by reason with its value, restated: what remains. */
function Course({
  farm,
  history,
  per,
  price,
}: {
  farm: Farm;
  history: PlaceHistory;
  per: number;
  price: number | null;
}) {
  const { inKg, loadsIn, outKg, loadsOut, lost, restatedKg, remainsKg, sinceMs } = history;
  if (sinceMs === null) return null;
  const rows: readonly (readonly [string, number, string])[] = [
    [
      'Came in',
      inKg,
      `${number(loadsIn)} ${loadsIn === 1 ? 'load' : 'loads'} since ${day(sinceMs, farm.data.farm.timeZone)}`,
    ],
    ['Went out', -outKg, `${number(loadsOut)} ${loadsOut === 1 ? 'load' : 'loads'}`],
    ...lost.map(
      ({ reason, kg }) =>
        [`Lost: ${reason}`, -kg, price === null ? '' : `worth ${dollars((kg / per) * price)}`] as const,
    ),
    ...(Math.abs(restatedKg) > per ? [['Restated', restatedKg, 'by a level or a scale'] as const] : []),
    ['Remains', remainsKg, ''],
  ];
  return (
    <table className="mt-3 w-full max-w-2xl" aria-label="In and out">
      <tbody>
        {rows.map(([name, kg, note]) => (
          <tr key={name} className={`border-b border-rule ${name === 'Remains' ? 'font-bold' : ''}`}>
            <td className="py-1 pr-2">{name}</td>
            <td className="px-2 text-right whitespace-nowrap">
              {kg < 0 ? '−' : ''}
              {grain(Math.abs(kg), per).text}
            </td>
            <td className="py-1 pl-2 text-sm text-muted">{note}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Nothing is left on the floor: whatever the book still has is restated to nothing, after a second tap. */
function Swept({ farm, pile, what }: { farm: Farm; pile: PlaceInfo; what: string }) {
  const [sure, setSure] = useState(false);
  const sending = useSend();
  const refresh = useRefreshFarm(farm.id);
  const sweep = async (): Promise<void> => {
    const entry = restated(farm, pile.id, 0, { note: 'swept clean' });
    if (await sending.send(() => write(farm.id, bookCommand(farm.id, [entry]), 'swept clean'))) {
      toast(`${pile.name} is swept clean`);
      await refresh();
    }
  };
  return (
    <>
      <Button disabled={sending.busy} onClick={() => (sure ? void sweep() : setSure(true))}>
        {sure ? `Yes: ${what} go off the book` : 'Swept clean'}
      </Button>
      {sending.message && <Problem>{sending.message}</Problem>}
    </>
  );
}

type Shape = Pile['kind'];
const SHAPES: readonly { readonly value: Shape; readonly label: string }[] = [
  { value: 'cone', label: 'round' },
  { value: 'taped', label: 'round, taped around' },
  { value: 'windrow', label: 'long' },
];

/** The pile as a tape sees it, against the book: a question first, restated only when somebody accepts it. */
function Measured({
  farm,
  pile,
  crop,
  bookKg,
  moisture,
}: {
  farm: Farm;
  pile: PlaceInfo;
  crop: Crop;
  bookKg: number;
  moisture: number;
}) {
  const [shape, setShape] = useState<Shape>('cone');
  const [text, setText] = useState<{ a?: string; b?: string; degrees?: string }>({});
  const sending = useSend();
  const refresh = useRefreshFarm(farm.id);
  const per = farm.kgPerBu(crop.id);
  const a = length.read(text.a ?? '', { least: 1, most: 900 });
  const b = length.read(text.b ?? '', { least: 0.3, most: 900 });
  const degrees = count.read(text.degrees ?? count.text(crop.reposeDegrees), { least: 5, most: 60, wanted: true });
  let size: PileSize | null = null;
  let problem: string | null = null;
  try {
    if (shape === 'cone' && a.value !== undefined && degrees.value !== undefined)
      size = pileSize({ kind: 'cone', diameter: a.value, degrees: degrees.value });
    if (shape === 'taped' && a.value !== undefined && b.value !== undefined)
      size = pileSize({ kind: 'taped', circumference: a.value, height: b.value });
    if (shape === 'windrow' && a.value !== undefined && b.value !== undefined && degrees.value !== undefined)
      size = pileSize({ kind: 'windrow', length: a.value, width: b.value, degrees: degrees.value });
  } catch (error) {
    if (!(error instanceof RangeRefusal)) throw error;
    problem = error.message;
  }
  const density = bulkDensity(crop, moisture);
  const kg = size === null ? null : size.cubicMetres * density;
  const differs = kg !== null && Math.abs(kg - bookKg) > SHAPE_ERROR * Math.max(kg, bookKg);
  const restate = async (): Promise<void> => {
    const entry = restated(farm, pile.id, kg!);
    if (await sending.send(() => write(farm.id, bookCommand(farm.id, [entry]), 'a measured pile'))) {
      toast(`${pile.name} restated to ${grain(kg!, per).text}`);
      setText({});
      await refresh();
    }
  };
  const box = (name: 'a' | 'b' | 'degrees', label: string, unit: string, error: string | undefined, value?: string) => (
    <TextBox
      label={label}
      unit={unit}
      inputMode="decimal"
      value={text[name] ?? value ?? ''}
      error={error}
      onChange={(event) => setText({ ...text, [name]: event.target.value })}
    />
  );
  return (
    <section aria-label="Measure it" className="border-t border-ink px-5 py-5 lg:px-6">
      <h2 className="font-semibold">Measure it against the book</h2>
      <div className="mt-2 max-w-2xl space-y-3">
        <Choices label="Its shape" value={shape} onChange={(value) => setShape(value as Shape)} choices={[...SHAPES]} />
        <div className="grid grid-cols-3 gap-3">
          {shape === 'cone' && box('a', 'Across', length.unit, a.error)}
          {shape === 'taped' && box('a', 'Around', length.unit, a.error)}
          {shape === 'taped' && box('b', 'High', length.unit, b.error)}
          {shape === 'windrow' && box('a', 'Long over all', length.unit, a.error)}
          {shape === 'windrow' && box('b', 'Wide', length.unit, b.error)}
          {shape !== 'taped' && box('degrees', 'Slope', '°', degrees.error, count.text(crop.reposeDegrees))}
        </div>
      </div>
      {problem && <p className="mt-2 text-clay">{problem}</p>}
      {kg !== null && size !== null && (
        <div className="mt-3">
          <Verdict
            small
            figure={grain(kg, per).figure}
            unit={`${grain(kg, per).unit} by its shape`}
            bad={differs && bookKg > 1}
          >
            {bookKg <= 1
              ? 'The book has it empty.'
              : differs
                ? `The book has ${grain(bookKg, per).text}: ${grain(Math.abs(kg - bookKg), per).text} (${percent(Math.abs(kg - bookKg) / bookKg, 0)}) ${kg > bookKg ? 'more' : 'less'} lies there.`
                : `The book has ${grain(bookKg, per).text} and agrees within the ${percent(SHAPE_ERROR, 0)} that a shape can be off.`}{' '}
            {length(size.height).text} high.
          </Verdict>
          {differs && (
            <Button className="mt-3" disabled={sending.busy} onClick={() => void restate()}>
              Restate the book to {grain(kg, per).text}
            </Button>
          )}
          {sending.message && <Problem>{sending.message}</Problem>}
          <Working
            what={`${pile.name} by its shape`}
            formulas={[BIN_VOLUME]}
            inputs={[
              {
                name: 'Slope',
                value: `${degrees.value ?? '–'}°`,
                from: text.degrees === undefined ? 'usual of the crop' : 'typed',
              },
              {
                name: 'Density',
                value: testWeight(kgPerM3ToTestWeight(density)).text,
                from: `${crop.short} at ${percent(moisture)}, loose`,
              },
            ]}
            worked={[
              `${space(size.cubicMetres).text} at ${testWeight(kgPerM3ToTestWeight(density)).text} = ${grain(kg, per).text}`,
            ]}
            not="packing, a hollow top, and what has slid away at the foot."
          />
        </div>
      )}
    </section>
  );
}

/** How much ground so many bushels take, and how much tarp. */
function SizeFor({ crop, per, start, width }: { crop: Crop; per: number; start: number; width: number | undefined }) {
  const [text, setText] = useState<{ much?: string; width?: string }>({});
  const much = bushels.read(text.much ?? bushels.text(Math.round(start), per), {
    least: 1,
    most: 2e6,
    per,
    wanted: true,
  });
  const strip = length.read(text.width ?? length.text(width), { least: 2, most: 200 });
  let answer: string | null = null;
  let problem: string | null = null;
  if (much.value !== undefined && strip.error === undefined) {
    const volume = (much.value * per) / bulkDensity(crop, crop.baseMoisture);
    try {
      const shape: Pile =
        strip.value === undefined
          ? { kind: 'cone', diameter: coneDiameterFor(volume, crop.reposeDegrees), degrees: crop.reposeDegrees }
          : {
              kind: 'windrow',
              width: strip.value,
              length: windrowLengthFor(volume, strip.value, crop.reposeDegrees),
              degrees: crop.reposeDegrees,
            };
      const size = pileSize(shape);
      answer = `${shape.kind === 'cone' ? `${length(shape.diameter).text} across` : `${length(shape.length).text} long, ${length(shape.width).text} wide`}, ${length(size.height).text} high; ${surface(size.ground).text} of ground, ${surface(size.surface).text} to cover before overlap.`;
    } catch (error) {
      if (!(error instanceof RangeRefusal)) throw error;
      problem = 'So much does not lie on a strip of this width: wider, or a round pile.';
    }
  }
  return (
    <section aria-label="Room for a pile" className="border-t border-rule pt-4">
      <h2 className="font-semibold">How much room a pile takes</h2>
      <div className="mt-2 grid grid-cols-2 gap-3">
        <TextBox
          label="Bushels"
          unit={bushels.unit}
          inputMode="decimal"
          value={text.much ?? bushels.text(Math.round(start), per)}
          error={much.error}
          onChange={(event) => setText({ ...text, much: event.target.value })}
        />
        <TextBox
          label="Strip, wide"
          hint="blank: round"
          unit={length.unit}
          inputMode="decimal"
          value={text.width ?? length.text(width)}
          error={strip.error}
          onChange={(event) => setText({ ...text, width: event.target.value })}
        />
      </div>
      {answer && <p className="mt-2 text-lg">{answer}</p>}
      {problem && <p className="mt-2 text-clay">{problem}</p>}
      <p className="mt-1 text-sm text-muted">
        At {crop.reposeDegrees}°, as dry {crop.short} lies. Away from ditches and power lines, and where trucks can
        turn.
      </p>
    </section>
  );
}
