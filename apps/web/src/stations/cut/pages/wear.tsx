import {
  checksOf,
  compareLoss,
  cropOf,
  CROPS,
  fieldFacts,
  likelyLot,
  RangeRefusal,
  WEAR_PART,
  wearPart,
  type WearPartInput,
  type WearPartResult,
  windowFor,
} from '@fanega/core';
import { useContracts } from '../../../data/farm';
import { Loading, SelectBox, TextBox } from '../../../ui';
import { oneOf } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { Section } from '../../../ui/page';
import { Verdict } from '../../../ui/verdict';
import { between, figureBox } from '../../../widgets/record-boxes';
import { Working } from '../../../widgets/working';
import { area, count, dollars, dollarsTyped, hours, loss, price, priceText } from '../../../quantity/quantity';
import { moment } from '../../../quantity/time';
import type { CutGiven } from '../words';
import { DollarLines } from '../dollar-lines';

const TYPED = 'typed';
const missing = 'This number is missing';
const VERDICTS: Readonly<Record<WearPartResult['verdict'], { readonly shape: string; readonly figure: string }>> = {
  'this season': { shape: '●', figure: 'It pays this season' },
  'over its life': { shape: '●', figure: 'It pays over its life' },
  'does not pay': { shape: '■', figure: 'It does not pay' },
  'not shown to differ': { shape: '◐', figure: 'Not shown to differ' },
};

/** Grain that a new part saves, against what the part costs: by counted loss, with both schools in dollars. */
export default function WearPartPage(given: CutGiven) {
  const sell = useContracts().data;
  // What an hour costs here stands in the form from the start.
  return sell ? (
    <Wear {...given} labor={sell.settings.farmPrices.farm?.value.laborPerHour} />
  ) : (
    <Loading what="Looking up prices" />
  );
}

/** An hour of labor, until the farm says it. Common practice, no source. */
const USUAL_LABOR = 30;

function Wear({ farm, notebook, rows, machineId, labor }: CutGiven & { labor: number | undefined }) {
  const lotId = likelyLot(farm, notebook, rows, machineId);
  const lot = farm.lot(lotId);
  const crop = cropOf(lot?.crop ?? '') ?? CROPS.corn;
  const per = farm.kgPerBu(crop.id);
  const checks = checksOf(farm, notebook, machineId)
    .filter(({ body, check }) => check.noResult === null && farm.lot(body.lotId)?.crop === crop.id)
    .sort((a, b) => Date.parse(b.body.at) - Date.parse(a.body.at));
  const left = fieldFacts(farm, rows, notebook)
    .filter((fact) => fact.crop.id === crop.id && fact.row.lot.season === lot?.season)
    .reduce((sum, fact) => sum + fact.acresLeft, 0);
  const window = windowFor(notebook, crop.id, null)?.value;
  const boxes = {
    oldCount: oneOf<string>(),
    newCount: oneOf<string>(),
    gain: figureBox(between(-100, 100), loss, { per, missing: 'How much less is lost?' }),
    uncertainty: figureBox(between(0, 100), loss, { per, missing: 'How sure is it?' }),
    acresLeft: figureBox(between(0, 1_000_000), area, { missing }),
    acresLife: figureBox(between(1, 1_000_000), area, { missing }),
    price: figureBox(between(0, 1000), price, { per, missing }),
    part: figureBox(between(0, 10_000_000), dollarsTyped, { missing }),
    hours: figureBox(between(0, 10_000), hours, { missing }),
    hourly: figureBox(between(0, 100_000), dollarsTyped, { missing }),
    breaks: figureBox(between(0, 100), count, { missing }),
    standsHours: figureBox(between(0, 10_000), hours, { missing }),
    standsHourly: figureBox(between(0, 1_000_000), dollarsTyped, { missing }),
  };
  /** The two loss counts that are compared; null where they are typed. */
  const comparedBy = ({ oldCount, newCount }: { oldCount: string; newCount: string }) => {
    const [before, after] = [oldCount, newCount].map((id) => checks.find(({ body }) => body.id === id));
    return before && after && before !== after ? compareLoss(before.check, after.check, { pricePerBu: 1, areaLeft: 1 }) : null; // prettier-ignore
  };
  const form = useFields({
    keptAs: `wear.${farm.id}.${machineId}.${crop.id}`,
    boxes,
    unasked: (typed) => (comparedBy(typed) ? ['gain', 'uncertainty'] : []),
    start: () => ({
      oldCount: checks[1]?.body.id ?? TYPED,
      newCount: checks[1] ? checks[0]!.body.id : TYPED,
      gain: loss.text(0.75, per),
      uncertainty: loss.text(0.3, per),
      acresLeft: area.text(Math.round(left)),
      acresLife: area.text(2500),
      price: price.text(window?.price, per),
      part: '1500',
      hours: '6',
      hourly: dollarsTyped.text(labor ?? USUAL_LABOR),
      breaks: '10',
      standsHours: '8',
      standsHourly: '250',
    }),
    save: () => Promise.resolve(false),
  });
  const { texts } = form;
  const counted = comparedBy(texts);
  const { values, errors } = form.read();
  let input: WearPartInput | null = null;
  let found: WearPartResult | null = null;
  let refused: string | null = null;
  if (values) {
    input = {
      gain: counted ? counted.gain : values.gain,
      uncertainty: counted ? counted.uncertainty : values.uncertainty,
      acresLeft: values.acresLeft,
      acresLife: values.acresLife,
      price: values.price,
      part: values.part,
      hours: values.hours,
      hourly: values.hourly,
      breaks: values.breaks / 100,
      standsHours: values.standsHours,
      standsHourly: values.standsHourly,
    };
    try {
      found = wearPart(input);
    } catch (error) {
      if (!(error instanceof RangeRefusal)) throw error;
      refused = error.message;
    }
  }
  const shown = (name: keyof typeof boxes) => ({ ...form.box(name), error: errors[name] });
  const choices = checks.map(({ body, check }) => (
    <option key={body.id} value={body.id}>
      {moment(body.at, farm.data.farm.timeZone)}, {farm.lot(body.lotId)?.fieldName}:{' '}
      {loss(check.parts.machine!.bushelsPerAcre, per).text}
    </option>
  ));
  return (
    <div className="lg:grid lg:grid-cols-2">
      <Section label="Does the part pay?" className="px-5 py-5 lg:order-2 lg:px-6">
        {found && input ? (
          <>
            <Verdict
              small
              about={`A wear part in ${crop.short}`}
              shape={VERDICTS[found.verdict].shape}
              figure={VERDICTS[found.verdict].figure}
              bad={found.verdict === 'does not pay'}
            >
              {found.verdict === 'not shown to differ'
                ? `${loss(Math.abs(input.gain), per).text} ${input.gain < 0 ? 'more' : 'less'} lost with the new one, give or take ${loss(input.uncertainty, per).text}: count more frames, or cut strips, before you buy.`
                : found.breakEvenAcres === null
                  ? `The new one loses ${loss(-input.gain, per).text} more.`
                  : `It has paid after ${area(found.breakEvenAcres).text}${found.breakEvenFrom !== null ? ` (between ${area(found.breakEvenFrom).text} and ${found.breakEvenTo === null ? 'never' : area(found.breakEvenTo).text}, as sure as the counts are)` : ''}; ${area(input.acresLeft).text} are left.`}
            </Verdict>
            <DollarLines
              lines={[
                ['Part and hands', found.cost],
                [`Grain saved on what is left, at ${priceText(input.price, per)}`, found.savedSeason],
                ['Grain saved over its life', found.savedLife],
                ['Changed at the first sign, until the season ends', -found.now],
                ['Run until it breaks, until the season ends', -found.untilItBreaks],
              ]}
            />
            <p className="mt-2 text-sm text-muted">
              The last two lines are the two ways farmers do it: what this season wears off the new part, against the
              grain lost with the old one and its breaking as often as you say, part and standing. The operator’s manual
              rules on what must not run worn.
            </p>
            <Working
              what="Does the part pay?"
              formulas={[WEAR_PART]}
              inputs={[
                {
                  name: 'Loss saved',
                  value: loss(input.gain, per).text,
                  from: counted ? 'the two counts chosen' : 'typed',
                },
                {
                  name: 'Give or take',
                  value: loss(input.uncertainty, per).text,
                  from: counted ? '95 of 100, by the scatter of the frames' : 'typed',
                },
                {
                  name: 'Left to cut',
                  value: area(input.acresLeft).text,
                  from: 'fields of this crop less what was cut',
                },
                {
                  name: 'Price',
                  value: priceText(input.price, per),
                  from: window ? 'the window of this crop' : 'typed',
                },
                { name: 'Part and hands', value: dollars(found.cost), from: 'typed' },
              ]}
              worked={[
                `${loss(input.gain, per).text} × ${area(input.acresLeft).text} × ${priceText(input.price, per)} = ${dollars(found.savedSeason)}`,
                ...(found.breakEvenAcres === null
                  ? []
                  : [
                      `${dollars(found.cost)} / (${loss(input.gain, per).text} × ${priceText(input.price, per)}) = ${area(found.breakEvenAcres).text}`,
                    ]),
              ]}
              not="What the part does to the sample, to fuel or to the speed."
            />
          </>
        ) : (
          <p className="text-xl text-muted">{refused ?? 'With every figure typed, the answer stands here.'}</p>
        )}
      </Section>
      <form
        className="space-y-3 px-5 py-5 lg:border-r lg:border-ink lg:px-6"
        noValidate
        onSubmit={(event) => event.preventDefault()}
      >
        <h2 className="text-xl">Does a wear part pay?</h2>
        <p className="text-muted">
          Loss counted with the old one and with the new one, in the same crop on like ground. Two machines side by side
          do too: type the counts.
        </p>
        <SelectBox label="Counted with the old one" {...form.box('oldCount')}>
          <option value={TYPED}>not counted here: typed below</option>
          {choices}
        </SelectBox>
        <SelectBox label="Counted with the new one" {...form.box('newCount')}>
          <option value={TYPED}>not counted here: typed below</option>
          {choices}
        </SelectBox>
        {!counted && (
          <div className="grid gap-3 sm:grid-cols-2">
            <TextBox label="Less lost with the new one" {...shown('gain')} />
            <TextBox label="Give or take" {...shown('uncertainty')} />
          </div>
        )}
        <div className="grid gap-3 sm:grid-cols-2">
          <TextBox label="Left to cut" {...shown('acresLeft')} />
          <TextBox label="The part lasts" {...shown('acresLife')} />
          <TextBox label="Price" {...shown('price')} />
          <TextBox label="The part costs" {...shown('part')} />
          <TextBox label="Time to put it on" {...shown('hours')} />
          <TextBox label="An hour of labor" {...shown('hourly')} />
          <TextBox label="The old one breaks this season" hint="of 100 like it" {...shown('breaks')} unit="%" />
          <TextBox label="Then harvest is down for" {...shown('standsHours')} />
          <TextBox label="An hour of downtime" {...shown('standsHourly')} />
        </div>
      </form>
    </div>
  );
}
