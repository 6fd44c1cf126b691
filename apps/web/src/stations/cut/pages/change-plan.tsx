import {
  baseMoistureOf,
  CHANGE_PLAN,
  changePlan,
  type ChangePlanInput,
  cropOf,
  CROPS,
  cuttableAcres,
  bushelPointsAt,
  dryerOf,
  fieldFacts,
  type FieldFacts,
  fieldNow,
  buyerSaid,
  likelyLot,
  machineRate,
  type SwitchOutcome,
  rainBegins,
  RangeRefusal,
  calendarDay,
  termsOf,
  testersOf,
  valueOfMoisture,
  windowFor,
  zonesOf,
  zonesStanding,
} from '@fanega/core';
import { useWeather } from '../../../data/farm';
import {
  area,
  areaRate,
  bushels,
  count,
  cropYield,
  dollars,
  grain,
  grainRate,
  hours,
  price,
  priceText,
} from '../../../quantity/quantity';
import { clock, HOUR_MS, spanText } from '../../../quantity/time';
import { Empty, SelectBox, TextBox } from '../../../ui';
import { type Box, oneOf, readBoxes } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { Section } from '../../../ui/page';
import { Verdict } from '../../../ui/verdict';
import { between, figureBox, figureOrNone } from '../../../widgets/record-boxes';
import { Working } from '../../../widgets/working';
import type { CutGiven } from '../words';

const missing = 'This number is missing';
/** Head, sieves and cleaning out, where nobody timed it, h. Common practice, no source. */
const CHANGE_HOURS = 1.5;
const ROAD_HOURS = 0.4;
const NO_RAIN_HOURS = 6;
const SIDES = ['stay', 'other'] as const;
type Side = (typeof SIDES)[number];

/** Until it rains: go on here, or change over and drive to the other crop? */
export default function ChangePlan({ farm, notebook, rows, machineId }: CutGiven) {
  const weather = useWeather(1, 1).data;
  const nowMs = farm.data.now;
  const today = calendarDay(nowMs, farm.data.farm.timeZone);
  const zones = zonesStanding(notebook.settings.fieldZone, today);
  const standing = fieldFacts(farm, rows, notebook)
    .map((facts) => ({ facts, acres: cuttableAcres(facts, zonesOf(zones, facts.row.lot)) }))
    .filter(({ acres }) => acres > 0);
  const here = likelyLot(farm, notebook, rows, machineId);
  const lotHere = standing.find(({ facts }) => facts.row.lot.id === here)?.facts.row.lot;
  const [first] = standing;
  const stayId = lotHere?.id ?? first?.facts.row.lot.id ?? '';
  const cropHere = farm.lot(stayId)?.crop;
  const otherId = (standing.find(({ facts }) => facts.row.lot.crop !== cropHere) ?? standing.find(({ facts }) => facts.row.lot.id !== stayId))?.facts.row.lot.id ?? ''; // prettier-ignore
  const rainMs = weather ? rainBegins(weather.map((one) => ({ atMs: Date.parse(one.at), chance: one.rainChance })), nowMs) : null; // prettier-ignore
  const testers = testersOf(notebook);
  const per = (id: string): number => farm.kgPerBu(farm.lot(id)?.crop);

  /** What is known of a field, as texts of its boxes. */
  const known = (id: string) => {
    const found = standing.find(({ facts }) => facts.row.lot.id === id);
    const { facts, acres } = found ?? { facts: null as FieldFacts | null, acres: 0 };
    const crop = facts?.crop ?? CROPS.corn;
    const base = baseMoistureOf(crop.id, farm.data.farm.defaults);
    const window = windowFor(notebook, crop.id, null)?.value;
    const wet = facts ? (fieldNow(facts.row, testers, buyerSaid(notebook))?.moisture ?? null) : null;
    // What a kilogram over the scale brings as wet as it is, for the bushel at base that yields are counted in.
    const overScale = window && wet !== null ? valueOfMoisture(termsOf(window, crop.legalPounds, base), window.price)(wet) : null; // prettier-ignore
    const paid = overScale === null || wet === null ? window?.price : (overScale * per(id) * (1 - base)) / (1 - wet);
    const kgPerHour = machineRate(farm, notebook, rows, machineId, crop.id)?.inField;
    const perAcre = facts?.expected ?? undefined;
    const points = wet === null ? 0 : Math.max(0, 100 * (wet - base));
    const dryer = dryerOf(notebook);
    const k = per(id);
    return {
      acres: area.text(Math.round(acres)),
      rate: kgPerHour !== undefined && perAcre ? areaRate.text(kgPerHour / k / perAcre) : '',
      yieldBu: cropYield.text(perAcre, k),
      price: price.text(paid, k),
      lost: '0',
      takes: dryer && points > 0.5 ? grainRate.text(bushelPointsAt(dryer, points) / points, k) : '',
    };
  };
  const boxesOf = (id: string) => ({
    acres: figureBox(between(0, 1_000_000), area, { missing }),
    rate: figureBox(between(0.1, 500), areaRate, { missing }),
    yieldBu: figureBox(between(0.1, 1000), cropYield, { per: per(id), missing }),
    price: figureBox(between(0, 1000), price, { per: per(id), missing }),
    lost: figureBox(between(0, 100), count, { missing }),
    takes: figureOrNone(between(0, 1_000_000), grainRate, { per: per(id) }),
  });
  const named = <T extends object>(side: Side, of: T) =>
    Object.fromEntries(Object.entries(of).map(([name, one]) => [`${side}_${name}`, one]));
  const start = (stay: string, other: string) => ({
    stay,
    other,
    window: hours.text(rainMs === null ? NO_RAIN_HOURS : Math.max(0, (rainMs - nowMs) / HOUR_MS)),
    changeOver: hours.text(farm.lot(stay)?.crop === farm.lot(other)?.crop ? 0 : CHANGE_HOURS),
    road: hours.text(ROAD_HOURS),
    ...named('stay', known(stay)),
    ...named('other', known(other)),
  });
  const boxesFor = (stay: string, other: string): Record<string, Box<number | string | undefined>> => ({
    stay: oneOf<string>(),
    other: oneOf<string>(),
    window: figureBox(between(0, 48), hours, { missing }),
    changeOver: figureBox(between(0, 24), hours, { missing }),
    road: figureBox(between(0, 24), hours, { missing }),
    ...named('stay', boxesOf(stay)),
    ...named('other', boxesOf(other)),
  });
  const form = useFields({
    boxes: boxesFor(stayId, otherId),
    start: () => start(stayId, otherId) as Record<string, string>,
    save: () => Promise.resolve(false),
  });
  if (standing.length < 2) return <Empty title="Fewer than two fields are left: nothing to choose between." />;
  const texts = form.texts as Readonly<Record<string, string>>;
  const [stay, other] = [texts.stay ?? stayId, texts.other ?? otherId];
  const boxes = boxesFor(stay, other);
  const { values, errors } = readBoxes(boxes, texts as never);
  const value = (name: string): number => (values as Readonly<Record<string, number>>)[name]!;
  const sideOf = (side: Side): ChangePlanInput['stay'] => {
    const takes = (values as Readonly<Record<string, number | undefined>>)[`${side}_takes`];
    return {
      acres: value(`${side}_acres`),
      acresPerHour: value(`${side}_rate`),
      yieldBu: value(`${side}_yieldBu`),
      price: value(`${side}_price`),
      lostIfLeft: value(`${side}_lost`) / 100,
      ...(takes === undefined ? {} : { takesPerHour: takes }),
    };
  };
  let input: ChangePlanInput | null = null;
  let found: ReturnType<typeof changePlan> | null = null;
  let refused: string | null = null;
  if (Object.keys(errors).length === 0) {
    try {
      input = { window: value('window'), stay: sideOf('stay'), other: sideOf('other'), changeOver: value('changeOver'), road: value('road') }; // prettier-ignore
      found = changePlan(input);
    } catch (error) {
      if (!(error instanceof RangeRefusal)) throw error;
      refused = error.message;
    }
  }
  const nameOf = (id: string): string => farm.lot(id)?.fieldName ?? '';
  const cropName = (id: string): string => cropOf(farm.lot(id)?.crop ?? '')?.short ?? '';
  /** Another field: what is known of it comes with it. */
  const pick = (side: Side, id: string): void => {
    form.set(side, id);
    for (const [name, text] of Object.entries(known(id))) form.set(`${side}_${name}`, text);
    const [a, b] = side === 'stay' ? [id, other] : [stay, id];
    form.set('changeOver', hours.text(farm.lot(a)?.crop === farm.lot(b)?.crop ? 0 : CHANGE_HOURS));
  };
  const shown = (name: string) => ({ ...form.box(name), ...boxes[name]!.control, error: errors[name] });
  const cut = (id: string, { bushels: much, acres }: SwitchOutcome): string => `${grain(much * per(id), per(id)).text}, ${area(acres).text}`; // prettier-ignore
  return (
    <div className="lg:grid lg:grid-cols-2">
      <Section label="Stay or switch" className="px-5 py-5 lg:order-2 lg:px-6">
        {found && input ? (
          <>
            <Verdict
              small
              about={rainMs === null ? 'No rain is in sight for a day' : `Rain is likely from ${clock(rainMs, farm.data.farm.timeZone)}`} // prettier-ignore
              shape={found.better === 'even' ? '◐' : '●'}
              figure={found.better === 'even' ? 'Either way' : found.better === 'stay' ? 'Stay' : 'Switch'}
              unit={found.better === 'even' ? undefined : found.better === 'stay' ? `in ${nameOf(stay)}` : `to ${nameOf(other)}`} // prettier-ignore
            >
              {found.better === 'even'
                ? 'Both come out the same.'
                : `It brings ${dollars(Math.abs(found.difference))} more in these hours.`}{' '}
              {found.paysFrom === null
                ? 'No matter how long it stays dry, switching does not pay.'
                : found.paysFrom === 0
                  ? 'No matter how soon it rains, switching pays as well.'
                  : `The switch pays from ${spanText(Math.round(60 * found.paysFrom))} of dry hours on.`}
            </Verdict>
            <table className="mt-5 w-full max-w-2xl text-left" aria-label="Both ways">
              <thead className="border-y border-ink text-sm">
                <tr>
                  <th className="py-1.5 pr-2" />
                  <th className="px-2 text-right">
                    Stay: {nameOf(stay)}, {cropName(stay)}
                  </th>
                  <th className="py-1.5 pl-2 text-right">
                    Switch: {nameOf(other)}, {cropName(other)}
                  </th>
                </tr>
              </thead>
              <tbody className="divide-y divide-rule">
                {(
                  [
                    [
                      'Hours of cutting',
                      spanText(Math.round(60 * found.stay.hours)),
                      spanText(Math.round(60 * found.switch.hours)),
                    ],
                    ['Cut', cut(stay, found.stay), cut(other, found.switch)],
                    ['What ends it', found.stay.by, found.switch.by],
                    ['Brings', dollars(found.stay.cut), dollars(found.switch.cut)],
                    ['The rain takes of what is left', dollars(-found.stay.lost), dollars(-found.switch.lost)],
                    ['In all', dollars(found.stay.total), dollars(found.switch.total)],
                  ] as const
                ).map(([name, a, b], i) => (
                  <tr key={name} className={i === 5 ? 'font-semibold' : ''}>
                    <td className="py-1.5 pr-2">{name}</td>
                    <td className="px-2 text-right whitespace-nowrap">{a}</td>
                    <td className="py-1.5 pl-2 text-right whitespace-nowrap">{b}</td>
                  </tr>
                ))}
              </tbody>
            </table>
            <Working
              what="Stay or switch"
              formulas={[CHANGE_PLAN]}
              inputs={[
                { name: 'Dry hours', value: hours(input.window).text, from: rainMs === null ? 'no rain in the forecast: six hours taken' : 'the forecast, until rain is likely' }, // prettier-ignore
                { name: 'Cutting rate', value: `${areaRate(input.stay.acresPerHour).text} and ${areaRate(input.other.acresPerHour).text}`, from: 'the profile of this machine, by the yield' }, // prettier-ignore
                { name: 'Price after moisture', value: `${priceText(input.stay.price, per(stay))} and ${priceText(input.other.price, per(other))}`, from: 'the window of each crop at the field’s moisture' }, // prettier-ignore
                { name: 'Change-over', value: hours(input.changeOver).text, from: 'usual for a change of crop; type your own' }, // prettier-ignore
              ]}
              worked={[
                `${areaRate(input.stay.acresPerHour).text} × ${hours(found.stay.hours).text} × ${cropYield(input.stay.yieldBu, per(stay)).text}: ${bushels(found.stay.bushels, per(stay)).text} × ${priceText(input.stay.price, per(stay))} = ${dollars(found.stay.cut)}`,
                `${areaRate(input.other.acresPerHour).text} × ${hours(found.switch.hours).text} × ${cropYield(input.other.yieldBu, per(other)).text}: ${bushels(found.switch.bushels, per(other)).text} × ${priceText(input.other.price, per(other))} = ${dollars(found.switch.cut)}`,
              ]}
              not="What is cut later still brings its price; a buyer’s line, a tired crew and mud after the rain are not in it."
            />
          </>
        ) : (
          <p className="text-xl text-muted">{refused ?? 'With every figure typed, the answer stands here.'}</p>
        )}
      </Section>
      <form
        className="space-y-4 px-5 py-5 lg:border-r lg:border-ink lg:px-6"
        noValidate
        onSubmit={(event) => event.preventDefault()}
      >
        <h2 className="text-xl">Stay or switch before the rain?</h2>
        <div className="grid gap-3 sm:grid-cols-3">
          <TextBox label="It stays dry" {...shown('window')} />
          <TextBox label="Changing over takes" {...shown('changeOver')} />
          <TextBox label="The road takes" {...shown('road')} />
        </div>
        {SIDES.map((side) => (
          <fieldset key={side} className="space-y-3 border-t border-rule pt-3">
            <legend className="sr-only">{side === 'stay' ? 'Where it cuts now' : 'Where it could cut'}</legend>
            <SelectBox
              label={side === 'stay' ? 'It cuts now' : 'It could cut'}
              value={side === 'stay' ? stay : other}
              onChange={(event) => pick(side, event.target.value)}
            >
              {standing.map(({ facts }) => (
                <option key={facts.row.lot.id} value={facts.row.lot.id}>
                  {facts.row.lot.fieldName}, {facts.crop.name}
                </option>
              ))}
            </SelectBox>
            <div className="grid grid-cols-2 gap-3 sm:grid-cols-3">
              <TextBox label="Left to cut" {...shown(`${side}_acres`)} />
              <TextBox label="It cuts" {...shown(`${side}_rate`)} />
              <TextBox label="Yield" {...shown(`${side}_yieldBu`)} />
              <TextBox label="Price after moisture" {...shown(`${side}_price`)} />
              <TextBox label="Lost if it stands through the rain" {...shown(`${side}_lost`)} unit="%" />
              <TextBox label="Dryer or buyer take" hint="blank: all of it" {...shown(`${side}_takes`)} />
            </div>
          </fieldset>
        ))}
      </form>
    </div>
  );
}
