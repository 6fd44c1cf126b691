import {
  CAUTIOUS_LIFE,
  type Crop,
  cropOf,
  CROPS,
  type CropId,
  fahrenheitToCelsius,
  GERMINATION_LIFE,
  moistureMultiplier,
  temperatureMultiplier,
  KEEPING_RULES,
  type KeepingRules,
  type KeepingSchool,
  RangeRefusal,
  safeDaysLeft,
  type SafeDays,
  SELF_HEATING,
  selfHeating,
  STORAGE_LIFE,
  storageLifeBasis,
  UnknownRefusal,
  WARM_FROM,
} from '@fanega/core';
import { useState } from 'react';
import { type Farm, useBinSetups, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { setting } from '../../../data/records';
import { useSend } from '../../../data/use-send';
import { count, moisture, number, percent, share, temperature } from '../../../quantity/quantity';
import { Choices, Problem, SelectBox, TextBox } from '../../../ui';
import { Callout } from '../../../ui/callout';
import { Section } from '../../../ui/page';
import { toast } from '../../../ui/toast';
import { Verdict } from '../../../ui/verdict';
import { USUAL_RULES } from '../../../widgets/use-deadlines';
import { CropBox } from '../../../widgets/crop-box';
import { Working } from '../../../widgets/working';

/** Where grain stands wet: the first of these that holds some is what is asked about. */
const WET = ['wetBin', 'dryer', 'truck', 'cart', 'bin', 'overhead', 'pile'];
/** Rows of the little table: about what harvest and winter bring. */
const WARMTHS = [40, 50, 60, 70, 80].map(fahrenheitToCelsius);
const DAY_H = 24;

/** "7 days", "14 hours", "over 300 days", "under 2 days". */
function keptText({ days, bound }: Pick<SafeDays, 'days' | 'bound'>): { figure: string; unit: string } {
  const hours = days < 2;
  const value = hours ? Math.floor(days * DAY_H) : Math.floor(days);
  const figure =
    days > 999 ? 'over 999' : `${bound === 'at least' ? 'over ' : bound === 'at most' ? 'under ' : ''}${number(value)}`;
  return { figure, unit: hours ? (value === 1 ? 'hour' : 'hours') : value === 1 ? 'day' : 'days' };
}
const said = (kept: Pick<SafeDays, 'days' | 'bound'>): string => {
  const { figure, unit } = keptText(kept);
  return `${figure} ${unit}`;
};

const MEASURE: Readonly<Record<SafeDays['table'], string>> = {
  cautious: 'Then half a percent of its dry matter is gone, about one grade.',
  standard: 'Then half a percent of its dry matter is gone, about one grade.',
  germination: 'Then 5 in 100 fewer kernels will sprout.',
};
const TABLE: Readonly<Record<SafeDays['table'], string>> = {
  cautious: 'By the cautious table.',
  standard: 'By the standard’s formula.',
  germination: 'By the germination formula for wheat.',
};
const borrowedWords = ({ like }: Crop, shift: number): string =>
  like === 'soybean'
    ? `Beans are read as corn ${shift} points wetter.`
    : 'It is read as the crop that the table is for.';

/** How long grain keeps as wet and warm as it is: one answer by the tables that count here, the others beside it as figures. */
export default function Keeps({ farm }: { farm: Farm }) {
  const rules = useRules(farm);
  const holders = farm.data.places
    .filter((place) => WET.includes(place.kind) && farm.bushels(farm.held(place.id).wetLots) >= 1)
    .sort((a, b) => WET.indexOf(a.kind) - WET.indexOf(b.kind));
  const [from, setFrom] = useState(() => holders[0]?.id ?? '');
  const held = from === '' ? null : farm.held(from);
  const heldCrop = held ? farm.cropOf(held.lots) : undefined;
  const [crop, setCrop] = useState<CropId>('corn');
  const [text, setText] = useState<{
    moisture?: string;
    warm?: string;
    been?: string;
    broken?: string;
    other?: string;
  }>({});
  const usedCrop = cropOf(heldCrop ?? crop) ?? CROPS.corn;
  const shownMoisture = text.moisture ?? moisture.text(Math.round(1000 * (held?.moisture ?? 0.2)) / 1000);
  const shownWarm = text.warm ?? temperature.text(fahrenheitToCelsius(70));
  const shownBeen = text.been ?? '0';
  const m = moisture.read(shownMoisture, { least: 0.05, most: 0.6, wanted: true });
  const t = temperature.read(shownWarm, { least: -20, most: 60, wanted: true });
  const been = count.read(shownBeen, { least: 0, most: 5000, wanted: true });
  // Both are of the standard's formula; left empty it is as the printed tables have it.
  const broken = share.read(text.broken ?? '', { least: 0, most: 0.5 });
  const other = count.read(text.other ?? '', { least: 0.2, most: 5 });
  const ask = (celsius: number, school: KeepingSchool = rules.value, hours = been.value ?? 0): SafeDays | string => {
    if (m.value === undefined) return '';
    try {
      return safeDaysLeft(
        usedCrop,
        { moisture: m.value, temperature: celsius },
        hours > 0 ? [{ hours, moisture: m.value, temperature: celsius }] : [],
        {
          school,
          soybeanShift: rules.value.soybeanShift,
          ...(broken.value === undefined ? {} : { damage: 100 * broken.value }),
          ...(other.value === undefined ? {} : { other: other.value }),
        },
      );
    } catch (error) {
      // No table for this crop, or none that goes so far; anything else is a fault and shows itself.
      if (error instanceof RangeRefusal || error instanceof UnknownRefusal) return error.message;
      throw error;
    }
  };
  const kept = t.value === undefined ? '' : ask(t.value);
  const wrong = m.error ?? t.error ?? been.error ?? broken.error ?? other.error;
  const asCorn = usedCrop.like === 'corn' || usedCrop.like === 'sorghum' || usedCrop.like === 'soybean';
  const still = ((): ReturnType<typeof selfHeating> | null => {
    if (!asCorn || m.value === undefined || t.value === undefined) return null;
    const basis = storageLifeBasis(usedCrop, rules.value.soybeanShift);
    const wetter = basis.kind === 'as corn' ? basis.pointsWetter / 100 : 0;
    try {
      return selfHeating(m.value + wetter, t.value);
    } catch (error) {
      if (error instanceof RangeRefusal) return null;
      throw error;
    }
  })();
  return (
    <div className="lg:grid lg:grid-cols-[1.35fr_1fr]">
      <Section label="How long it keeps">
        {wrong !== undefined ? (
          <p className="text-lg text-muted">A number on the right needs fixing.</p>
        ) : typeof kept === 'string' ? (
          <>
            <Verdict small bad figure="No table says" unit={`for ${usedCrop.short} like this`}>
              Too wet or too warm for any of them: dry or cool it today.
            </Verdict>
            <p className="mt-1 text-sm text-muted">{kept}</p>
          </>
        ) : (
          <>
            <Verdict
              about={`${usedCrop.name} at ${percent(m.value!)} and ${temperature(t.value!).text}, aired`}
              figure={keptText(kept).figure}
              unit={keptText(kept).unit}
              bad={kept.days < 2}
            >
              {kept.lifeUsed > 0 && <>{percent(Math.min(1, kept.lifeUsed), 0)} of its life is used. </>}
              {MEASURE[kept.table]} {TABLE[kept.table]}
              {kept.borrowed && ` ${borrowedWords(usedCrop, rules.value.soybeanShift)}`}
            </Verdict>
            {still && (
              <Callout className="mt-3 px-3 py-2">
                <b>Standing still, without air</b>, it heats itself: about {said({ days: still.days, bound: 'about' })},
                and {temperature(still.celsius).text} in the middle by then. The tables are for grain with air through
                it.
              </Callout>
            )}
            <Working
              what={`Keeps ${said(kept)}`}
              formulas={asCorn ? [CAUTIOUS_LIFE, STORAGE_LIFE, SELF_HEATING] : [GERMINATION_LIFE]}
              inputs={[
                {
                  name: 'Moisture',
                  value: percent(m.value!),
                  from: text.moisture === undefined && held ? `the book, ${farm.placeName(from)}` : 'typed',
                },
                { name: 'Temperature of the grain', value: temperature(t.value!).text, from: 'typed' },
                { name: 'Already so', value: `${number(been.value!)} h`, from: 'typed' },
                {
                  name: 'Table',
                  value: t.value! > WARM_FROM ? rules.value.warm : rules.value.cool,
                  from: rules.kept ? 'chosen for this farm' : 'the usual one',
                },
                ...(broken.value === undefined
                  ? []
                  : [
                      {
                        name: 'Broken, by weight',
                        value: percent(broken.value),
                        from: 'typed; for the standard’s formula',
                      },
                    ]),
                ...(other.value === undefined
                  ? []
                  : [
                      {
                        name: 'Treated',
                        value: `× ${number(other.value, 2)}`,
                        from: 'typed; for the standard’s formula',
                      },
                    ]),
              ]}
              worked={workedWords(kept, m.value!, t.value!, rules.value)}
              not="mold, insects, or what the middle of a heap does without air."
            />
          </>
        )}
        {asCorn && m.value !== undefined && (
          <table className="mt-4 w-full" aria-label="Days by temperature">
            <thead className="border-y border-ink text-left text-sm">
              <tr>
                <th className="py-1.5 pr-2">Grain at</th>
                <th className="px-2 text-right">Keeps here</th>
                <th className="px-2 text-right">Cautious table</th>
                <th className="py-1.5 pl-2 text-right">Standard</th>
              </tr>
            </thead>
            <tbody>
              {WARMTHS.map((celsius) => {
                const cell = (school: KeepingSchool): string => {
                  const one = ask(celsius, school, 0);
                  return typeof one === 'string' ? '–' : said(one);
                };
                return (
                  <tr key={celsius} className="border-b border-rule">
                    <td className="py-1 pr-2">{temperature(celsius).text}</td>
                    <td className="px-2 text-right font-semibold">{cell(rules.value)}</td>
                    <td className="px-2 text-right">{cell({ ...rules.value, warm: 'cautious', cool: 'cautious' })}</td>
                    <td className="py-1 pl-2 text-right">
                      {cell({ ...rules.value, warm: 'standard', cool: 'standard' })}
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </table>
        )}
      </Section>
      <section
        aria-label="What is asked about"
        className="space-y-4 border-t border-ink px-5 py-5 lg:border-t-0 lg:border-l lg:px-6"
      >
        <SelectBox
          label="Grain in"
          value={from}
          onChange={(event) => {
            setFrom(event.target.value);
            setText({ ...text, moisture: undefined as never });
          }}
        >
          {holders.map((place) => (
            <option key={place.id} value={place.id}>
              {place.name}
            </option>
          ))}
          <option value="">not from the book</option>
        </SelectBox>
        {heldCrop === undefined && (
          <CropBox
            value={crop}
            onChange={(chosen) => setCrop(chosen as CropId)}
            also={farm.data.lots.map((lot) => lot.crop)}
          />
        )}
        <div className="grid grid-cols-2 gap-3">
          <TextBox
            label="Moisture"
            unit={moisture.unit}
            inputMode="decimal"
            value={shownMoisture}
            error={m.error}
            hint={text.moisture === undefined && held ? 'as the book has it' : undefined}
            onChange={(event) => setText({ ...text, moisture: event.target.value })}
          />
          <TextBox
            label="Grain temperature"
            unit={temperature.unit}
            inputMode="decimal"
            value={shownWarm}
            error={t.error}
            onChange={(event) => setText({ ...text, warm: event.target.value })}
          />
          <TextBox
            label="Already so for"
            unit="h"
            inputMode="decimal"
            value={shownBeen}
            error={been.error}
            hint="a day on a hot truck counts"
            onChange={(event) => setText({ ...text, been: event.target.value })}
          />
          {asCorn && (
            <>
              <TextBox
                label="Broken, by weight"
                unit={share.unit}
                inputMode="decimal"
                value={text.broken ?? ''}
                error={broken.error}
                hint="blank: as combined corn is"
                onChange={(event) => setText({ ...text, broken: event.target.value })}
              />
              <TextBox
                label="Treated: keeps longer by"
                unit="×"
                inputMode="decimal"
                value={text.other ?? ''}
                error={other.error}
                hint="fungicide or hybrid; blank: 1"
                onChange={(event) => setText({ ...text, other: event.target.value })}
              />
            </>
          )}
        </div>
        {asCorn && (broken.value !== undefined || other.value !== undefined) && (
          <p className="text-sm text-muted">
            The cautious table knows neither: where it counts, they change nothing. In the standard’s formula each
            multiplies the days.
          </p>
        )}
        <Schools rules={rules} soybeans={usedCrop.like === 'soybean'} />
      </section>
    </div>
  );
}

/** The days with these very figures in the rule. */
function workedWords(kept: SafeDays, wet: number, celsius: number, rules: KeepingRules): string[] {
  const after = kept.lifeUsed > 0 ? [`× (1 − ${percent(Math.min(1, kept.lifeUsed), 0)} used) = ${said(kept)}`] : [];
  if (kept.table === 'cautious')
    return [`table at ${percent(wet)} and ${temperature(celsius).text}: ${said(kept)}`, ...after];
  if (kept.table === 'germination' || wet < 0.1 || kept.borrowed) return after;
  const [mm, mt] = [moistureMultiplier(wet), temperatureMultiplier(celsius, wet, rules.slope)];
  return [
    `230 h × ${number(mm, 2)} for ${percent(wet)} × ${number(mt, 2)} for ${temperature(celsius).text} ÷ 24 = ${number((230 * mm * mt) / 24, 1)} days`,
    ...after,
  ];
}

/** The tables that count on this farm. */
function useRules(farm: Farm) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const kept = useBinSetups().data?.settings.keepingRules.farm;
  const value = (kept?.value ?? USUAL_RULES) as KeepingRules;
  return {
    value: { ...USUAL_RULES, ...value },
    kept: kept !== undefined,
    busy: sending.busy,
    message: sending.message,
    set: async (change: Partial<KeepingRules>): Promise<void> => {
      const next = { ...USUAL_RULES, ...value, ...change };
      const saved = await sending.send(() =>
        write(farm.id, setting(farm.id, 'keepingRules', 'farm', { revision: kept?.revision ?? 0, value: next })),
      );
      if (!saved) return;
      toast('These tables count for this farm');
      await refresh();
    },
  };
}

/** Two families of tables are in print; which counts is the farm's choice, and both are shown. */
function Schools({ rules, soybeans }: { rules: ReturnType<typeof useRules>; soybeans: boolean }) {
  const tables = [
    { value: 'cautious' as const, label: 'cautious' },
    { value: 'standard' as const, label: 'standard' },
  ];
  const { spec } = KEEPING_RULES.fields.soybeanShift;
  return (
    <fieldset className="space-y-3 border-t border-rule pt-4">
      <legend className="font-bold">Tables that count here</legend>
      <Choices
        label={`Above ${temperature(WARM_FROM).text}`}
        value={rules.value.warm}
        onChange={(warm) => void rules.set({ warm })}
        choices={tables}
      />
      <Choices
        label={`At ${temperature(WARM_FROM).text} and below`}
        value={rules.value.cool}
        onChange={(cool) => void rules.set({ cool })}
        choices={tables}
      />
      <Choices
        label="Standard in the cold"
        value={rules.value.slope}
        onChange={(slope) => void rules.set({ slope })}
        choices={[
          { value: 'B', label: 'shorter' },
          { value: 'A', label: 'longer' },
        ]}
      />
      {soybeans && spec.kind === 'number' && (
        <Choices
          label="Beans keep like corn"
          value={String(rules.value.soybeanShift)}
          onChange={(points) => void rules.set({ soybeanShift: Number(points) })}
          choices={[
            { value: '3', label: '3 points wetter' },
            { value: '2', label: '2 points wetter' },
          ]}
        />
      )}
      <p className="text-sm text-muted">
        Two sets of tables are in print. They agree in cool grain; in heat the cautious one gives far fewer days. Until
        chosen otherwise it counts above {temperature(WARM_FROM).text}.
      </p>
      <Problem>{rules.message}</Problem>
    </fieldset>
  );
}
