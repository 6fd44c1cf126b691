import {
  baseMoistureOf,
  BLEND,
  type BlendFor,
  blendToTarget,
  comesOutFirst,
  cropOf,
  CROPS,
  type PlaceInfo,
  RangeRefusal,
  type TwoBinBlend,
} from '@fanega/core';
import { useState } from 'react';
import { type Farm, useBinSetups } from '../../../data/farm';
import { bushels, grainRate, type Kind, moisture, percent, share, testWeight } from '../../../quantity/quantity';
import { Button, Choices, Empty, SelectBox, TextBox } from '../../../ui';
import { Callout } from '../../../ui/callout';
import { CheckBox } from '../../../ui/check-box';
import { Section } from '../../../ui/page';
import { Verdict } from '../../../ui/verdict';
import { Working } from '../../../widgets/working';
import { sideDrawGives } from '../../../widgets/side-draw-gives';

const KINDS = ['bin', 'overhead', 'pile', 'wetBin'];

/** What comes out of a place first, by the way it empties. */
const comesOut = (farm: Farm, { id, withdrawal }: PlaceInfo, sideDraw = false): number | null =>
  comesOutFirst({ withdrawal, layers: farm.data.layers[id] ?? [], moisture: farm.held(id).moisture }, sideDraw);

const SIDE: Readonly<Record<BlendFor, { readonly both_wetter: string; readonly both_drier: string }>> = {
  moisture: { both_wetter: 'wetter', both_drier: 'drier' },
  testWeight: { both_wetter: 'heavier', both_drier: 'lighter' },
  foreignMaterial: { both_wetter: 'dirtier', both_drier: 'cleaner' },
};

/** "4 min 20 s" */
const gateText = (seconds: number): string =>
  seconds < 90 ? `${Math.round(seconds)} s` : `${Math.floor(seconds / 60)} min ${Math.round(seconds % 60)} s`;

/** What a blend can be made for, each with its own quantity and its limits. */
const FOR: Readonly<
  Record<BlendFor, { readonly label: string; readonly kind: Kind; readonly limits: { least: number; most: number } }>
> = {
  moisture: { label: 'Moisture', kind: moisture, limits: { least: 0.03, most: 0.5 } },
  testWeight: { label: 'Test weight', kind: testWeight, limits: { least: 20, most: 80 } },
  foreignMaterial: { label: 'Foreign material', kind: share, limits: { least: 0, most: 0.4 } },
};

/** Two bins for a load of a wanted moisture: bushels from each, how long each gate is open, and no old ratio after a retest. */
export default function Blend({ farm }: { farm: Farm }) {
  const setups = useBinSetups().data?.settings.binSetup ?? {};
  const places = farm.data.places.filter(
    (place) => KINDS.includes(place.kind) && farm.bushels(farm.held(place.id).wetLots) >= 1,
  );
  const cropIn = (id: string): string | undefined => farm.cropOf(farm.held(id).lots);
  // Likely: the wettest bin, and the driest of the same crop.
  const wettest = [...places].sort((a, b) => (comesOut(farm, b) ?? 0) - (comesOut(farm, a) ?? 0));
  const pair = wettest
    .map(
      (wet) =>
        [wet, [...wettest].reverse().find((dry) => dry.id !== wet.id && cropIn(dry.id) === cropIn(wet.id))] as const,
    )
    .find(([, dry]) => dry !== undefined);
  const [first, setFirst] = useState(pair?.[0].id ?? places[0]?.id ?? '');
  const [second, setSecond] = useState(pair?.[1]?.id ?? places[1]?.id ?? '');
  const [text, setText] = useState<Readonly<Record<string, string>>>({});
  /** Bins that are let out through the spout in their wall. */
  const [sideDraws, setSideDraws] = useState<readonly string[]>([]);
  const [by, setBy] = useState<BlendFor>('moisture');
  const [third, setThird] = useState('');
  const [begun, setBegun] = useState<{ readonly of: string; readonly share: number } | null>(null);
  if (places.length < 2)
    return (
      <Empty title="A blend takes two places with grain.">
        <p>
          As soon as two bins hold the same crop, this page says how much of each makes the moisture that is wanted.
        </p>
      </Empty>
    );
  const crop = cropOf(cropIn(first) ?? 'corn') ?? CROPS.corn;
  const per = farm.kgPerBu(crop.id);
  const trucks = farm.data.places.filter(({ kind, capacityBu }) => kind === 'truck' && capacityBu !== null);
  const load = trucks.length === 0 ? 900 : trucks.reduce((sum, { capacityBu }) => sum + capacityBu!, 0) / trucks.length;
  /** What a bin can give: through the spout in its wall no more than lies above that. */
  const available = (id: string): number => {
    const { wetKg } = farm.held(id);
    return sideDraws.includes(id) ? (sideDrawGives(farm, id, setups[id]?.value) ?? wetKg) : wetKg;
  };
  const { kind, limits } = FOR[by];
  /** The book knows moistures; weights and foreign material are of somebody's test. */
  const reads = (id: string): string =>
    text[`${by} ${id}`] ??
    (by === 'moisture' && id !== ''
      ? moisture.text(Math.round(1000 * (comesOut(farm, farm.place(id)!, sideDraws.includes(id)) ?? 0.15)) / 1000)
      : '');
  const said = (value: number): string => (by === 'testWeight' ? testWeight(value).text : percent(value));
  const shown = {
    first: reads(first),
    second: reads(second),
    third: reads(third),
    thirdMuch: text[`b ${third}`] ?? '',
    wanted:
      text[`wanted ${by}`] ??
      (by === 'moisture'
        ? moisture.text(baseMoistureOf(crop.id, farm.data.farm.defaults))
        : by === 'testWeight'
          ? testWeight.text(crop.legalPounds)
          : ''),
    load: text.load ?? bushels.text(Math.round(load), per),
    rateFirst: text[`r ${first}`] ?? grainRate.text(setups[first]?.value.unloadPerHour, per),
    rateSecond: text[`r ${second}`] ?? grainRate.text(setups[second]?.value.unloadPerHour, per),
  };
  const read = {
    first: kind.read(shown.first, limits),
    second: kind.read(shown.second, limits),
    wanted: kind.read(shown.wanted, limits),
    third: kind.read(shown.third, limits),
    thirdMuch: bushels.read(shown.thirdMuch, { least: 0, most: 100_000, per }),
    load: bushels.read(shown.load, { least: 1, most: 100_000, per, wanted: true }),
    rateFirst: grainRate.read(shown.rateFirst, { least: 1, most: 60_000, per }),
    rateSecond: grainRate.read(shown.rateSecond, { least: 1, most: 60_000, per }),
  };
  const readings = [read.first, read.second, read.wanted].every(({ value }) => value !== undefined);
  const fits = readings && Object.values(read).every(({ error }) => error === undefined) && first !== second;
  const withThird = third !== '' && third !== first && third !== second && read.third.value !== undefined && (read.thirdMuch.value ?? 0) > 0; // prettier-ignore
  const other = cropIn(first) !== cropIn(second) || (withThird && cropIn(third) !== cropIn(first));
  const perSecond = (perHour: number | undefined) =>
    perHour === undefined ? {} : { rateKgPerSecond: (perHour * per) / 3600 };
  let found: TwoBinBlend | null = null;
  let problem: string | null = null;
  if (fits)
    try {
      found = blendToTarget({
        by,
        first: { reading: read.first.value!, availableKg: available(first), ...perSecond(read.rateFirst.value) },
        second: {
          reading: read.second.value!,
          availableKg: available(second),
          ...perSecond(read.rateSecond.value),
        },
        ...(withThird ? { third: { reading: read.third.value!, kg: read.thirdMuch.value! * per } } : {}),
        wanted: read.wanted.value!,
        loadKg: read.load.value! * per,
        kgPerBu: per,
      });
    } catch (error) {
      if (!(error instanceof RangeRefusal)) throw error;
      problem = error.message;
    }
  const of = `${by} ${first} ${second} ${shown.first} ${shown.second} ${shown.wanted} ${withThird ? `${third} ${shown.third} ${shown.thirdMuch}` : ''}`;
  const stale =
    begun !== null && begun.of !== of && found?.kind === 'blend' && Math.abs(begun.share - found.firstShare) > 5e-4;
  const [nameA, nameB] = [farm.placeName(first), farm.placeName(second)];
  const set = (key: string, value: string): void => setText({ ...text, [key]: value });
  return (
    <div className="lg:grid lg:grid-cols-[1.35fr_1fr]">
      <Section label="The blend">
        {first === second ? (
          <p className="text-lg text-muted">Two different places make a blend.</p>
        ) : other ? (
          <Verdict small bad figure="Not these two">
            {nameA} and {nameB} hold different crops.
          </Verdict>
        ) : !found ? (
          <p className="text-lg text-muted">
            {problem ??
              (readings ? 'A number on the right needs fixing.' : 'Type what each bin tests and what you want.')}
          </p>
        ) : found.kind === 'out_of_reach' ? (
          <Verdict small bad figure="Out of reach">
            {withThird ? 'All' : 'Both'} are {SIDE[by][found.side]} than {said(read.wanted.value!)}: the nearest is{' '}
            {said(found.nearest)}
            {withThird ? '' : ', from one bin alone'}.
          </Verdict>
        ) : (
          <>
            {stale && (
              <Callout icon role="alert" className="mb-4 px-3 py-2 text-lg">
                A retest changed it: the old {percent(begun.share)} of {nameA} no longer makes{' '}
                {said(read.wanted.value!)}. Set the gates again.
              </Callout>
            )}
            <div className="flex flex-wrap gap-x-12 gap-y-4">
              <Verdict about={`from ${nameA}`} figure={bushels.figure(found.firstBu, per)} unit={bushels.unit}>
                {percent(found.firstShare)}
                {found.firstSeconds === null ? '' : `, gate open ${gateText(found.firstSeconds)}`}
              </Verdict>
              <Verdict about={`from ${nameB}`} figure={bushels.figure(found.secondBu, per)} unit={bushels.unit}>
                {percent(found.secondShare)}
                {found.secondSeconds === null ? '' : `, gate open ${gateText(found.secondSeconds)}`}
              </Verdict>
              {withThird && (
                <Verdict
                  small
                  about={`from ${farm.placeName(third)}`}
                  figure={bushels.figure(read.thirdMuch.value!, per)}
                  unit={bushels.unit}
                >
                  as much as was said
                </Verdict>
              )}
            </div>
            {found.limit && (
              <p className="mt-3 font-semibold text-clay">
                ■ {found.limit.by === 'first' ? nameA : nameB} runs out: at this ratio it makes{' '}
                {bushels(found.limit.largestLoadKg / per, per).text} at most.
              </p>
            )}
            <p className="mt-3">
              Makes {said(read.wanted.value!)}.{' '}
              {[first, second].some((id) => sideDraws.includes(id)) &&
                'A side draw loads one side of the wall: draw the core down first, as the bin’s book says. '}
              Test the load: what comes out of a bin is a guess until it is tested.
            </p>
            <Working
              what={`${bushels(found.firstBu, per).text} and ${bushels(found.secondBu, per).text}`}
              formulas={[BLEND]}
              inputs={[
                {
                  name: nameA,
                  value: said(read.first.value!),
                  from:
                    by === 'moisture' && text[`${by} ${first}`] === undefined
                      ? 'what the book has coming out first'
                      : 'tested',
                },
                {
                  name: nameB,
                  value: said(read.second.value!),
                  from:
                    by === 'moisture' && text[`${by} ${second}`] === undefined
                      ? 'what the book has coming out first'
                      : 'tested',
                },
                {
                  name: 'Wanted',
                  value: said(read.wanted.value!),
                  from: text[`wanted ${by}`] === undefined ? 'usual of the crop' : 'typed',
                },
                {
                  name: 'Load',
                  value: bushels(read.load.value!, per).text,
                  from: text.load === undefined ? 'the mean of the trucks' : 'typed',
                },
              ]}
              worked={
                withThird || by === 'testWeight'
                  ? [
                      `${percent(found.firstShare)} of the rest from ${nameA}, ${percent(found.secondShare)} from ${nameB}`,
                      ...(by === 'testWeight'
                        ? ['by space: each bushel counts by the room that its weight takes']
                        : []),
                    ]
                  : [
                      `(${kind.figure(read.wanted.value!)} − ${kind.figure(read.second.value!)}) ÷ (${kind.figure(read.first.value!)} − ${kind.figure(read.second.value!)}) = ${percent(found.firstShare)} of ${nameA}`,
                      `${percent(found.firstShare)} × ${bushels(read.load.value!, per).text} = ${bushels(found.firstBu, per).text}`,
                    ]
              }
              not="what lies deeper in each bin: test again when the color or the smell changes."
            />
            <div className="mt-3">
              <Button look="do" className="min-h-14 text-lg" onClick={() => setBegun({ of, share: found.firstShare })}>
                {begun?.of === of ? '● The gates are set' : 'Set the gates by this'}
              </Button>
            </div>
          </>
        )}
      </Section>
      <section
        aria-label="The two bins"
        className="space-y-4 border-t border-ink px-5 py-5 lg:border-t-0 lg:border-l lg:px-6"
      >
        <Choices
          label="Made for"
          value={by}
          onChange={(value) => setBy(value as BlendFor)}
          choices={(Object.keys(FOR) as BlendFor[]).map((value) => ({ value, label: FOR[value].label }))}
        />
        {(
          [
            ['First', first, setFirst, 'first', 'rateFirst'],
            ['Second', second, setSecond, 'second', 'rateSecond'],
          ] as const
        ).map(([label, id, choose, key, rateKey]) => (
          <fieldset key={key} className="space-y-3">
            <legend className="sr-only">{label}</legend>
            <SelectBox label={`${label} bin`} value={id} onChange={(event) => choose(event.target.value)}>
              {places.map((place) => (
                <option key={place.id} value={place.id}>
                  {place.name}, {cropOf(cropIn(place.id) ?? '')?.short ?? 'unknown'}
                </option>
              ))}
            </SelectBox>
            {setups[id]?.value.sideDraw && (
              <CheckBox
                checked={sideDraws.includes(id)}
                onChange={(on) => setSideDraws(on ? [...sideDraws, id] : sideDraws.filter((one) => one !== id))}
              >
                {farm.placeName(id)} by its side draw <span className="text-muted">(the newest first)</span>
              </CheckBox>
            )}
            <div className="grid grid-cols-2 gap-3">
              <TextBox
                label={`${farm.placeName(id)} reads`}
                unit={kind.unit}
                inputMode="decimal"
                value={shown[key]}
                error={read[key].error}
                hint={by === 'moisture' && text[`${by} ${id}`] === undefined ? 'by the book: test it' : undefined}
                onChange={(event) => set(`${by} ${id}`, event.target.value)}
              />
              <TextBox
                label={`${farm.placeName(id)} unloads`}
                unit={grainRate.unit}
                inputMode="decimal"
                value={shown[rateKey]}
                error={read[rateKey].error}
                hint={shown[rateKey] === '' ? 'for the time of its gate' : undefined}
                onChange={(event) => set(`r ${id}`, event.target.value)}
              />
            </div>
          </fieldset>
        ))}
        <fieldset className="space-y-3">
          <legend className="sr-only">Third</legend>
          <SelectBox label="And some of a third" value={third} onChange={(event) => setThird(event.target.value)}>
            <option value="">none</option>
            {places
              .filter(({ id }) => id !== first && id !== second && cropIn(id) === cropIn(first))
              .map((place) => (
                <option key={place.id} value={place.id}>
                  {place.name}
                </option>
              ))}
          </SelectBox>
          {third !== '' && (
            <div className="grid grid-cols-2 gap-3">
              <TextBox
                label={`${farm.placeName(third)} reads`}
                unit={kind.unit}
                inputMode="decimal"
                value={shown.third}
                error={read.third.error}
                onChange={(event) => set(`${by} ${third}`, event.target.value)}
              />
              <TextBox
                label={`${farm.placeName(third)} gives`}
                unit={bushels.unit}
                inputMode="decimal"
                value={shown.thirdMuch}
                error={read.thirdMuch.error}
                onChange={(event) => set(`b ${third}`, event.target.value)}
              />
            </div>
          )}
        </fieldset>
        <div className="grid grid-cols-2 gap-3">
          <TextBox
            label="Wanted"
            unit={kind.unit}
            inputMode="decimal"
            value={shown.wanted}
            error={read.wanted.error}
            onChange={(event) => set(`wanted ${by}`, event.target.value)}
          />
          <TextBox
            label="The load"
            unit={bushels.unit}
            inputMode="decimal"
            value={shown.load}
            error={read.load.error}
            onChange={(event) => set('load', event.target.value)}
          />
        </div>
        <Callout icon className="px-3 py-2 text-sm">
          No one in a bin while it unloads: locked out first, never alone. A blend hides no musty or hot grain; many
          buyers and rules forbid mixing to hide damage.
        </Callout>
      </section>
    </div>
  );
}
