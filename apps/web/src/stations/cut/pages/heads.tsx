import {
  BORROWED_HEAD,
  borrowedHead,
  type BorrowedHeadInput,
  type BorrowedHeadResult,
  checksOf,
  cropOf,
  CROPS,
  DEW_OR_DRY,
  dewOrDry,
  fieldFacts,
  instantOf,
  likelyLot,
  machineRate,
  RangeRefusal,
  USUAL_HARVEST_COSTS,
  windowFor,
} from '@fanega/core';
import { useMemo } from 'react';
import { useShed, useWeather } from '../../../data/farm';
import {
  anArea,
  area,
  areaRate,
  dollars,
  dollarsTyped,
  hours,
  loss,
  moneyOfArea,
  moneyPerArea,
  number,
  percent,
  price,
  priceText,
} from '../../../quantity/quantity';
import { HOUR_MS } from '../../../quantity/time';
import { TextBox } from '../../../ui';
import { useFields } from '../../../ui/form/use-fields';
import { Section } from '../../../ui/page';
import { Verdict } from '../../../ui/verdict';
import { between, figureBox } from '../../../widgets/record-boxes';
import { Working } from '../../../widgets/working';
import type { CutGiven } from '../words';
import { DollarLines } from '../dollar-lines';

/** Straw from this humidity on is damp, until the farm draws its own line (Shed, Crew). Common practice, no source. */
const USUAL_DEW = 0.85;
/** Days that counts are looked for in. */
const DAYS = 60;
const missing = 'This number is missing';
const DEW_WORDS = {
  'dew costs': { shape: '■', figure: 'Dew costs grain' },
  'dry costs': { shape: '■', figure: 'Dry straw costs grain' },
  'not shown to differ': { shape: '◐', figure: 'Not shown to differ' },
  'count more': { shape: '○', figure: 'Count more' },
} as const;
const HEAD_WORDS = {
  borrow: { shape: '●', figure: 'Borrow it' },
  'keep the own': { shape: '■', figure: 'Keep your own' },
  even: { shape: '◐', figure: 'As good as even' },
} as const;

/** What the head loses in dew and in the dry by the own counts, and whether somebody else's head pays. */
export default function Heads(given: CutGiven) {
  return (
    <div>
      <Dew {...given} />
      <Borrowed {...given} />
    </div>
  );
}

function Dew({ farm, notebook, rows, machineId }: CutGiven) {
  const weather = useWeather(DAYS, 0).data;
  const line = useShed().data?.settings.crew.farm?.value.dewLine;
  const dewLine = line ?? USUAL_DEW;
  const crop = cropOf(farm.lot(likelyLot(farm, notebook, rows, machineId))?.crop ?? '') ?? CROPS.corn;
  const per = farm.kgPerBu(crop.id);
  const counts = useMemo(() => {
    const hoursOf = new Map((weather ?? []).map(({ at, humidity }) => [Math.floor(instantOf(at) / HOUR_MS), humidity]));
    return checksOf(farm, notebook, machineId).flatMap(({ body, check }) => {
      const header = check.parts.header?.bushelsPerAcre;
      const humidity = hoursOf.get(Math.floor(instantOf(body.at) / HOUR_MS));
      if (farm.lot(body.lotId)?.crop !== crop.id || check.noResult !== null || header === undefined || humidity === undefined) return [];
      return [{ loss: Math.max(0, header), humidity }];
    });
  }, [farm, notebook, machineId, weather, crop.id]);
  const found = dewOrDry(counts, dewLine);
  const { dew, dry, difference, uncertainty, verdict } = found;
  const words = DEW_WORDS[verdict];
  const worth = windowFor(notebook, crop.id, null)?.value.price;
  const said = (side: typeof dew): string => (side.loss === null ? 'no count' : `${loss(side.loss, per).text} in ${number(side.counts)} ${side.counts === 1 ? 'count' : 'counts'}`);
  return (
    <Section label="In dew or in the dry" className="px-5 py-5 lg:px-6">
      <Verdict small about={`The head in ${crop.short}, in dew or in the dry`} shape={words.shape} figure={words.figure} bad={verdict === 'dew costs' || verdict === 'dry costs'}>
        {difference === null || uncertainty === null
          ? `At the head: ${said(dew)} with damp straw, ${said(dry)} with dry. It takes at least two counts of each: in Loss check, count at the header too, early and in the afternoon.`
          : `${loss(Math.abs(difference), per).text} ${difference >= 0 ? 'more in dew' : 'less in dew'}, give or take ${loss(uncertainty, per).text}: ${said(dew)} damp, ${said(dry)} dry.${worth === undefined ? '' : ` At ${priceText(worth, per)} that is ${moneyPerArea(Math.abs(difference) * worth)}.`}`}
      </Verdict>
      <p className="mt-2 text-sm text-muted">
        Damp is from {percent(dewLine)} humidity of the hour on{line === undefined ? ', until the farm draws its own line (Shed, Crew)' : ', the farm’s own line'}.
      </p>
      <Working
        what="In dew or in the dry"
        formulas={[DEW_OR_DRY]}
        inputs={[
          { name: 'Damp', value: said(dew), from: 'loss checks with a count at the header' },
          { name: 'Dry', value: said(dry), from: 'loss checks with a count at the header' },
          { name: 'Line', value: percent(dewLine), from: line === undefined ? 'assumed, not set here' : 'Shed, Crew' },
        ]}
        worked={difference === null || uncertainty === null ? ['Too few counts on one side'] : [`${loss(difference, per).text} ± ${loss(uncertainty, per).text}`]}
        not="Speed, field and time of day, which change with the dew."
      />
    </Section>
  );
} // prettier-ignore

function Borrowed({ farm, notebook, rows, machineId }: CutGiven) {
  const lotId = likelyLot(farm, notebook, rows, machineId);
  const lot = farm.lot(lotId);
  const crop = cropOf(lot?.crop ?? '') ?? CROPS.corn;
  const per = farm.kgPerBu(crop.id);
  const facts = fieldFacts(farm, rows, notebook).filter((fact) => fact.crop.id === crop.id && fact.row.lot.season === lot?.season);
  const left = facts.reduce((sum, fact) => sum + fact.acresLeft, 0);
  const expected = facts.find(({ expected: bushels }) => bushels !== null)?.expected ?? null;
  const rate = machineRate(farm, notebook, rows, machineId, crop.id);
  const acresPerHour = rate && expected ? rate.inField / per / expected : null;
  const header = checksOf(farm, notebook, machineId).find(({ body, check }) => check.noResult === null && check.parts.header !== null && farm.lot(body.lotId)?.crop === crop.id)?.check.parts.header?.bushelsPerAcre;
  const worth = windowFor(notebook, crop.id, null)?.value.price;
  const hourly = notebook.settings.haulTimes.farm?.value.combineCostPerHour;
  const boxes = {
    acres: figureBox(between(0, 1_000_000), area, { missing }),
    ownRate: figureBox(between(0.01, 500), areaRate, { missing }),
    otherRate: figureBox(between(0.01, 500), areaRate, { missing }),
    ownLoss: figureBox(between(0, 1000), loss, { per, missing }),
    otherLoss: figureBox(between(0, 1000), loss, { per, missing }),
    price: figureBox(between(0, 1000), price, { per, missing }),
    hourly: figureBox(between(0, 100_000), dollarsTyped, { missing }),
    rent: figureBox(between(0, 1_000_000), dollarsTyped, { missing }),
    rentPerAcre: figureBox(between(0, 1000), moneyOfArea, { missing }),
    fetchHours: figureBox(between(0, 1000), hours, { missing }),
  };
  const form = useFields({
    keptAs: `head.${farm.id}.${machineId}.${crop.id}`,
    boxes,
    start: () => ({
      acres: area.text(Math.round(left)),
      ownRate: acresPerHour === null ? '' : areaRate.text(Math.round(10 * acresPerHour) / 10),
      otherRate: '',
      ownLoss: header === undefined ? '' : loss.text(Math.max(0, Math.round(100 * header) / 100), per),
      otherLoss: '',
      price: price.text(worth, per),
      hourly: dollarsTyped.text(hourly ?? USUAL_HARVEST_COSTS.combinePerHour),
      rent: '0',
      rentPerAcre: moneyOfArea.text(5),
      fetchHours: '3',
    }),
    save: () => Promise.resolve(false),
  });
  const { values, errors } = form.read();
  let input: BorrowedHeadInput | null = null;
  let found: BorrowedHeadResult | null = null;
  let refused: string | null = null;
  if (values) {
    input = { ...values, own: { acresPerHour: values.ownRate, loss: values.ownLoss }, other: { acresPerHour: values.otherRate, loss: values.otherLoss } };
    try {
      found = borrowedHead(input);
    } catch (error) {
      if (!(error instanceof RangeRefusal)) throw error;
      refused = error.message;
    }
  }
  const shown = (name: keyof typeof boxes) => ({ ...form.box(name), error: form.texts[name] === '' ? undefined : errors[name] });
  return (
    <div className="border-t border-ink lg:grid lg:grid-cols-2">
      <Section label="Does a borrowed head pay?" className="px-5 py-5 lg:order-2 lg:px-6">
        {found && input ? (
          <>
            <Verdict small about={`A borrowed head in ${crop.short}`} shape={HEAD_WORDS[found.verdict].shape} figure={HEAD_WORDS[found.verdict].figure} unit={dollars(found.saved)} bad={found.verdict === 'keep the own'}>
              {`${hours(found.hoursOther).text} of cutting instead of ${hours(found.hoursOwn).text} for ${area(input.acres).text}. ${found.breakEvenAcres === null ? 'Each acre costs more than it saves, however many there are.' : `It pays from ${area(found.breakEvenAcres).text} on.`}`}
            </Verdict>
            <DollarLines lines={[
                  ['Hours of the combine', found.time],
                  [`Grain, at ${priceText(input.price, per)}`, found.grain],
                  ['Rent and fetching', -found.cost],
                ]} />
            <Working
              what="Does a borrowed head pay?"
              formulas={[BORROWED_HEAD]}
              inputs={[
                { name: 'Own', value: `${areaRate(input.own.acresPerHour).text}, ${loss(input.own.loss, per).text}`, from: acresPerHour === null ? 'typed' : 'the machine’s rate and its newest count' },
                { name: 'The other', value: `${areaRate(input.other.acresPerHour).text}, ${loss(input.other.loss, per).text}`, from: 'typed' },
                { name: 'An hour', value: dollars(input.hourly), from: hourly === undefined ? 'assumed, not set here' : 'Haul, How many trucks' },
              ]}
              worked={[`${dollars(found.time)} + ${dollars(found.grain)} − ${dollars(found.cost)} = ${dollars(found.saved)}`]}
              not="What the head does to the sample, and whether the combine and its trucks keep up with it (Haul says what stops first)."
            />
          </>
        ) : (
          <p className="text-xl text-muted">{refused ?? 'Type what the other head does, and the answer stands here.'}</p>
        )}
      </Section>
      <form className="space-y-3 px-5 py-5 lg:border-r lg:border-ink lg:px-6" noValidate onSubmit={(event) => event.preventDefault()}>
        <h2 className="text-xl">Does a borrowed head pay?</h2>
        <p className="text-muted">A wider head, a draper, one that picks up down corn: what the neighbor’s does here, against your own.</p>
        <div className="grid gap-3 sm:grid-cols-2">
          <TextBox label="Left to cut" {...shown('acres')} />
          <TextBox label="Price" {...shown('price')} />
          <TextBox label="Own head cuts" {...shown('ownRate')} />
          <TextBox label="The other cuts" {...shown('otherRate')} />
          <TextBox label="Own head loses" hint="at the head" {...shown('ownLoss')} />
          <TextBox label="The other loses" hint="at the head" {...shown('otherLoss')} />
          <TextBox label="An hour of the combine" hint="driver, and its part of the cart" {...shown('hourly')} />
          <TextBox label="Fetching it and back" {...shown('fetchHours')} />
          <TextBox label="Rent" hint="for having it" {...shown('rent')} />
          <TextBox label={`Rent for ${anArea()}`} {...shown('rentPerAcre')} />
        </div>
      </form>
    </div>
  );
} // prettier-ignore
