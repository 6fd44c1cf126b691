import {
  baseMoistureOf,
  cropOf,
  CROPS,
  bushelPointsAt,
  dryerOf,
  dryingCost,
  type DryingJob,
  dryOrDock,
  dryTo,
  energyOfFuelPerPointBushel,
  FUELS,
  HIGH_TEMPERATURE_DRYING,
  moistureSchedule,
  quickDryingCost,
  RangeRefusal,
  windowFor,
  termsOf,
} from '@fanega/core';
import { useState } from 'react';
import { type Farm, useNotebook } from '../../../data/farm';
import {
  fuelText,
  bushels,
  dollars,
  grainRate,
  money,
  moisture,
  number,
  percent,
  price,
} from '../../../quantity/quantity';
import { spanText } from '../../../quantity/time';
import { Choices, Loading, SelectBox, TextBox } from '../../../ui';
import { Section } from '../../../ui/page';
import { Verdict } from '../../../ui/verdict';
import { CropBox } from '../../../widgets/crop-box';
import { useOffers } from '../../../widgets/use-offers';
import { Working } from '../../../widgets/working';
import { FUEL_WORDS, USUAL_DRYER } from '../forms/dryer-setup';

/** How far to dry for the time it will lie, what each point costs, and whether the dock is cheaper than the dryer. */
export default function Cost({ farm }: { farm: Farm }) {
  const notebook = useNotebook().data;
  const offers = useOffers(farm);
  const wet = farm.data.places
    .filter(({ kind }) => ['wetBin', 'dryer', 'truck', 'cart'].includes(kind))
    .find(({ id }) => farm.bushels(farm.held(id).wetLots) >= 1);
  const heldCrop = wet ? farm.cropOf(farm.held(wet.id).lots) : undefined;
  const [picked, setPicked] = useState<string | null>(null);
  const crop = cropOf(picked ?? heldCrop ?? 'corn') ?? CROPS.corn;
  // What lies wet is asked about, unless it is of another crop.
  const held = wet && crop.id === heldCrop ? farm.held(wet.id) : null;
  const per = farm.kgPerBu(crop.id);
  const buyers = farm.data.places.filter(({ kind }) => kind === 'buyer');
  const [months, setMonths] = useState('0');
  const [buyerId, setBuyerId] = useState<string>('');
  const [text, setText] = useState<{ moisture?: string; much?: string; price?: string }>({});
  if (!notebook || !offers) return <Loading what="Opening" />;
  const able = dryerOf(notebook);
  const setup = able?.setup ?? { ...USUAL_DRYER, ...(able ? { bushelPointsPerHour: able.bushelPointsPerHour } : {}) };
  const window = (windowFor(notebook, crop.id, buyerId === '' ? null : buyerId) ?? windowFor(notebook, crop.id, null))
    ?.value;
  const base = baseMoistureOf(crop.id, farm.data.farm.defaults);
  const offer = buyerId === '' ? null : offers(crop.id, buyerId);
  const shownMoisture = text.moisture ?? moisture.text(Math.round(1000 * (held?.moisture ?? 0.2)) / 1000);
  const shownMuch = text.much ?? bushels.text(Math.round(held ? farm.bushels(held.wetLots) : 1000), per);
  const shownPrice = text.price ?? price.text(offer?.price ?? window?.price ?? 4.4, per);
  const m = moisture.read(shownMoisture, { least: 0.05, most: 0.4, wanted: true });
  const much = bushels.read(shownMuch, { least: 1, most: 1e6, per, wanted: true });
  const paid = price.read(shownPrice, { least: 0, most: 1000, per, wanted: true });
  const fits = m.value !== undefined && much.value !== undefined && paid.value !== undefined;
  const advice = fits ? dryTo(crop, { moisture: m.value!, months: Number(months), buyerBase: base }) : null;
  const answer = fits && advice ? compare(m.value!, advice.target, much.value!, paid.value!) : null;
  const points = advice && m.value !== undefined ? Math.max(0, 100 * (m.value - advice.target)) : 0;
  const hours = points > 0 && fits ? (much.value! * points) / bushelPointsAt(setup, points) : 0;
  const aPoint = quickDryingCost(
    1,
    setup.fuelPerPointBushel,
    setup.fuelPrice,
    setup.kWhPerPointBushel,
    setup.powerPrice,
  );

  function compare(from: number, to: number, bu: number, pricePerBu: number) {
    const joulesPerKgWater =
      from > to + 0.001
        ? energyOfFuelPerPointBushel({
            fuel: setup.fuel,
            unitsPerPointBushel: setup.fuelPerPointBushel,
            from,
            to,
            legalPounds: crop.legalPounds,
            basis: 'wet bushel',
          })
        : 5e6;
    const job: DryingJob = {
      wetKg: bu * per,
      from,
      to,
      joulesPerKgWater: Math.min(12e6, Math.max(2.5e6, joulesPerKgWater)),
      fuel: setup.fuel,
      pricePerUnit: setup.fuelPrice,
      kWhPerPointBushel: setup.kWhPerPointBushel,
      pricePerKWh: setup.powerPrice,
      legalPounds: crop.legalPounds,
    };
    try {
      const terms = offer?.terms ?? (window && termsOf(window, crop.legalPounds, base));
      return {
        cost: dryingCost(job),
        dock: terms
          ? dryOrDock({
              job,
              pricePerBu,
              buyer: moistureSchedule(terms).shrink,
              dockPerPoint: terms.dockPerPoint,
              ...(terms.dockStep === undefined ? {} : { dockStep: terms.dockStep }),
            })
          : null,
        refused: terms !== undefined && from > terms.refuseAbove,
        problem: null,
      };
    } catch (error) {
      if (!(error instanceof RangeRefusal)) throw error;
      return { cost: null, dock: null, refused: false, problem: error.message };
    }
  }

  return (
    <div className="lg:grid lg:grid-cols-[1.35fr_1fr]">
      <Section label="Dry it or sell it wet">
        {!answer || !advice ? (
          <p className="text-lg text-muted">A number on the right needs fixing.</p>
        ) : answer.problem !== null ? (
          <p className="text-lg text-clay">{answer.problem}</p>
        ) : (
          <>
            {advice.because === 'already dry enough' ? (
              <Verdict small shape="●" figure="Dry enough">
                {percent(m.value!)} keeps that long, and the buyer pays it in full.
              </Verdict>
            ) : answer.dock === null ? (
              <Verdict figure={percent(advice.target)} unit="dry to">
                {BECAUSE[advice.because]} No buyer’s terms are known for {crop.short}: set the window in Fields, and
                selling wet is compared.
              </Verdict>
            ) : answer.refused ? (
              <Verdict figure="Dry it" unit={`to ${percent(advice.target)}`}>
                At {percent(m.value!)} this buyer refuses it. {BECAUSE[advice.because]}
              </Verdict>
            ) : (
              <Verdict
                figure={
                  answer.dock.better === 'sell wet' ? 'Sell it wet' : answer.dock.better === 'even' ? 'Even' : 'Dry it'
                }
                unit={answer.dock.better === 'dry at home' ? `to ${percent(advice.target)}` : undefined}
              >
                {answer.dock.better === 'even' ? (
                  'Both come out the same.'
                ) : (
                  <>
                    That brings <b>{dollars(Math.abs(answer.dock.difference))}</b> more,{' '}
                    {money(Math.abs(answer.dock.differencePerWetBushel))} for each bushel as it is.
                  </>
                )}{' '}
                {BECAUSE[advice.because]}
              </Verdict>
            )}
            <table className="mt-4 w-full" aria-label="Both ways">
              <thead className="border-y border-ink text-left text-sm">
                <tr>
                  <th className="py-1.5 pr-2" />
                  <th className="px-2 text-right">Dry to {percent(advice.target)} at home</th>
                  <th className="py-1.5 pl-2 text-right">Sell wet</th>
                </tr>
              </thead>
              <tbody>
                <Row
                  name="Paid bushels"
                  home={answer.dock ? bushels(answer.dock.homePaidBushels, per).text : '–'}
                  away={answer.dock ? bushels(answer.dock.wetPaidBushels, per).text : '–'}
                />
                <Row name="Fuel and power" home={answer.cost ? `−${dollars(answer.cost.money)}` : '–'} away="none" />
                <Row
                  name="Brings"
                  home={answer.dock ? dollars(answer.dock.dryAtHome) : '–'}
                  away={answer.dock ? dollars(answer.dock.sellWet) : '–'}
                  strong
                />
              </tbody>
            </table>
            <p className="mt-3">
              A point costs <b>{money(aPoint)}</b> a bushel here:{' '}
              {fuelText(setup.fuelPerPointBushel, FUELS[setup.fuel].unit, 4)} of {FUEL_WORDS[setup.fuel].toLowerCase()}{' '}
              and {setup.kWhPerPointBushel} kWh. {number(points, 1)} points take the dryer <b>{spanText(60 * hours)}</b>
              {hours > 0 ? ` at ${grainRate(much.value! / hours, per).text}` : ''}
              {answer.cost ? `, ${fuelText(answer.cost.fuelUnits, FUELS[setup.fuel].unit)}` : ''}.
            </p>
            <Working
              what={advice.because === 'already dry enough' ? 'Dry enough' : `Dry to ${percent(advice.target)}`}
              formulas={[HIGH_TEMPERATURE_DRYING]}
              inputs={[
                {
                  name: 'Moisture',
                  value: percent(m.value!),
                  from: text.moisture === undefined && wet ? `the book, ${wet.name}` : 'typed',
                },
                {
                  name: 'Bushels as they are',
                  value: bushels(much.value!, per).text,
                  from: text.much === undefined && wet ? `the book, ${wet.name}` : 'typed',
                },
                {
                  name: 'Price at base',
                  value: `${price(paid.value!, per).text}`,
                  from: text.price === undefined && window ? 'the window of the crop' : 'typed',
                },
                {
                  name: 'Shrink and dock',
                  value: window
                    ? `${number(window.shrinkPerPoint, 1)} % and ${money(window.dockPerPoint)} a point`
                    : 'not known',
                  from: window ? 'the window of the crop (Fields)' : 'set it in Fields',
                  ...(window ? {} : { enter: '/fields' }),
                },
                {
                  name: 'Fuel',
                  value: `${setup.fuelPerPointBushel} ${FUELS[setup.fuel].unit} at ${money(setup.fuelPrice)}`,
                  from: able?.setup ? 'the dryer’s own sheet' : 'usual; enter the farm’s own',
                  ...(able?.setup ? {} : { enter: '/dry' }),
                },
              ]}
              worked={[
                `${number(points, 1)} points × ${money(aPoint)} × ${bushels(much.value!, per).text} = ${dollars(points * aPoint * much.value!)}`,
                ...(answer.dock
                  ? [
                      `${bushels(answer.dock.homePaidBushels, per).text} × ${price(paid.value!, per).text} − ${dollars(answer.cost!.money)} = ${dollars(answer.dock.dryAtHome)}`,
                      `wet: ${dollars(answer.dock.sellWet)} after shrink and dock`,
                    ]
                  : []),
              ]}
              not="the dryer’s hours that another field may need, and what the price does meanwhile."
            />
          </>
        )}
      </Section>
      <section
        aria-label="What is asked about"
        className="space-y-4 border-t border-ink px-5 py-5 lg:border-t-0 lg:border-l lg:px-6"
      >
        <Choices
          label="It will lie"
          value={months}
          onChange={setMonths}
          choices={[
            { value: '0', label: 'sold now' },
            { value: '4', label: 'till March' },
            { value: '10', label: 'till summer' },
          ]}
        />
        <CropBox value={crop.id} onChange={setPicked} />
        <SelectBox label="Buyer" value={buyerId} onChange={(event) => setBuyerId(event.target.value)}>
          <option value="">the farm’s own window</option>
          {buyers.map((buyer) => (
            <option key={buyer.id} value={buyer.id}>
              {buyer.name}
            </option>
          ))}
        </SelectBox>
        <div className="grid grid-cols-2 gap-3">
          <TextBox
            label="Moisture"
            unit={moisture.unit}
            inputMode="decimal"
            value={shownMoisture}
            error={m.error}
            onChange={(event) => setText({ ...text, moisture: event.target.value })}
          />
          <TextBox
            label="Bushels as they are"
            unit={bushels.unit}
            inputMode="decimal"
            value={shownMuch}
            error={much.error}
            onChange={(event) => setText({ ...text, much: event.target.value })}
          />
          <TextBox
            label="Price at base"
            unit={price.unit}
            inputMode="decimal"
            value={shownPrice}
            error={paid.error}
            onChange={(event) => setText({ ...text, price: event.target.value })}
          />
        </div>
        <p className="text-sm text-muted">
          Weight lost to water is lost either way. Drier than the base is weight given away; wetter is dock, or does not
          keep.
        </p>
      </section>
    </div>
  );
}

const BECAUSE = {
  'sold now: the buyer’s base': 'Sold now: the buyer’s base, and no drier.',
  'sold later: the buyer’s base keeps that long': 'The buyer’s base keeps that long.',
  'storage time': 'To keep that long it must be drier than the buyer’s base.',
  'already dry enough': 'It is dry enough.',
} as const;

function Row({ name, home, away, strong = false }: { name: string; home: string; away: string; strong?: boolean }) {
  return (
    <tr className={`border-b border-rule ${strong ? 'bg-sand font-semibold' : ''}`}>
      <td className="py-1 pr-2">{name}</td>
      <td className="px-2 text-right">{home}</td>
      <td className="py-1 pl-2 text-right">{away}</td>
    </tr>
  );
}
