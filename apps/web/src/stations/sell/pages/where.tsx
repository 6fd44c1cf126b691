import {
  baseMoistureOf,
  dryBushels,
  dryerOf,
  fieldFacts,
  quickDryingCost,
  type FieldRecords,
  type KnownGrade,
  legalView,
  cropOf,
  CROPS,
  type Offers,
  ownerParts,
  type PlaceInfo,
  USUAL_HARVEST_COSTS,
  USUAL_HAUL_TIMES,
  WHERE_MOST,
  type WhereRow,
  USUAL_INTEREST,
  roadKm,
  timesFrom,
  type HaulView,
} from '@fanega/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { type Farm, useFields, useHaul, useNotebook } from '../../../data/farm';
import { useOffers } from '../../../widgets/use-offers';
import { lineAt, waysOf } from '../../../widgets/use-next-load';
import { type SellBook, useSellBook } from '../../../widgets/use-sell-book';
import {
  bushels,
  dollars,
  dollarsTyped,
  mass,
  money,
  moneyPerArea,
  moisture,
  number,
  percent,
  price,
  priceText,
  share,
  testWeight,
} from '../../../quantity/quantity';
import { spanText } from '../../../quantity/time';
import { Empty, Loading, SelectBox, TextBox } from '../../../ui';
import { Section } from '../../../ui/page';
import { Verdict } from '../../../ui/verdict';
import { Working } from '../../../widgets/working';
import { type Column, DataTable } from '../../../ui/table';
import { figureColumn, moneyColumn, wordColumn } from '../../../widgets/columns';

const FROM = ['bin', 'truck', 'cart', 'pile', 'wetBin', 'overhead'];

/** All buyers for this grain as it lies: what is in hand after their own terms and the road both ways. */
export default function Where({ farm }: { farm: Farm }) {
  const notebook = useNotebook().data;
  const offers = useOffers(farm);
  const book = useSellBook(farm);
  const haul = useHaul().data;
  const holders = farm.data.places
    .filter(({ id, kind }) => FROM.includes(kind) && farm.bushels(farm.held(id).wetLots) >= 1)
    .sort((a, b) => FROM.indexOf(a.kind) - FROM.indexOf(b.kind));
  const [chosen, setChosen] = useState('');
  const from = holders.find(({ id }) => id === chosen) ?? holders[0];
  if (!notebook || !offers || !book || !haul) return <Loading what="Opening" />;
  if (!from)
    return (
      <Empty title="No grain is in the book.">
        <p>As soon as some lies in a bin or a truck, all buyers for it are held against each other.</p>
      </Empty>
    );
  return (
    <Compare
      key={from.id}
      farm={farm}
      offers={offers}
      book={book}
      haul={haul}
      from={from}
      holders={holders}
      onFrom={setChosen}
    />
  );
}

const ON_WHEELS = ['combine', 'cart', 'truck'];

function Compare({
  farm,
  offers,
  book,
  haul,
  from,
  holders,
  onFrom,
}: {
  farm: Farm;
  offers: Offers;
  book: SellBook;
  haul: HaulView;
  from: PlaceInfo;
  holders: readonly PlaceInfo[];
  onFrom: (id: string) => void;
}) {
  const notebook = useNotebook().data!;
  const rows = useFields().data;
  const [text, setText] = useState<Readonly<Partial<Record<'moisture' | 'load' | 'truck' | GradeBox, string>>>>({});
  const held = farm.held(from.id);
  const crop = cropOf(farm.cropOf(held.lots) ?? '') ?? CROPS.corn;
  const per = farm.kgPerBu(crop.id);
  const base = baseMoistureOf(crop.id, farm.data.farm.defaults);
  // Grain on wheels goes from its field; what lies in a bin from the yard.
  const [main] = Object.entries(held.lots).sort((a, b) => b[1] - a[1])[0] ?? [];
  const fieldId = ON_WHEELS.includes(from.kind) ? farm.lot(main ?? '')?.fieldId : undefined;
  const times = timesFrom(notebook.settings.haulTimes.farm?.value ?? USUAL_HAUL_TIMES, notebook, fieldId);
  const interest = book.records.settings.farmPrices.farm?.value.interest ?? USUAL_INTEREST;
  const trucks = farm.data.places.filter(({ kind, capacityBu }) => kind === 'truck' && capacityBu !== null);
  const usual =
    trucks.length === 0 ? 900 : trucks.reduce((sum, { capacityBu }) => sum + capacityBu!, 0) / trucks.length;
  const seen = gradeSeen(book, held.lots);
  const shown = {
    testWeight: text.testWeight ?? testWeight.text(seen?.factors.testWeight),
    damage: text.damage ?? share.text(fraction(seen?.factors.damage)),
    foreignMaterial: text.foreignMaterial ?? share.text(fraction(seen?.factors.foreignMaterial)),
    moisture: text.moisture ?? moisture.text(Math.round(1000 * (held.moisture ?? base)) / 1000),
    load: text.load ?? bushels.text(Math.round(Math.min(usual, farm.bushels(held.wetLots))), per),
    truck: text.truck ?? dollarsTyped.text(times.truckCostPerHour ?? USUAL_HARVEST_COSTS.truckPerHour),
  };
  const read = {
    testWeight: testWeight.read(shown.testWeight, { least: 20, most: 80 }),
    damage: share.read(shown.damage, { least: 0, most: 1 }),
    foreignMaterial: share.read(shown.foreignMaterial, { least: 0, most: 0.4 }),
    moisture: moisture.read(shown.moisture, { least: 0.03, most: 0.5, wanted: true }),
    load: bushels.read(shown.load, { least: 1, most: 5000, per, wanted: true }),
    truck: dollarsTyped.read(shown.truck, { least: 0, most: 2000, wanted: true }),
  };
  const wanted = read.moisture.value !== undefined && read.load.value !== undefined && read.truck.value !== undefined;
  const fits = wanted && Object.values(read).every(({ error }) => error === undefined);
  const factors = {
    ...(read.testWeight.value === undefined ? {} : { testWeight: read.testWeight.value }),
    ...(read.damage.value === undefined ? {} : { damage: 100 * read.damage.value }),
    ...(read.foreignMaterial.value === undefined ? {} : { foreignMaterial: 100 * read.foreignMaterial.value }),
  };
  const graded = Object.keys(factors).length > 0;
  // The yield of the field that most of it came from.
  const [mainLot] = Object.entries(held.lots).sort((a, b) => b[1] - a[1])[0] ?? [];
  const field = rows && fieldFacts(farm, rows, notebook).find(({ row }) => row.lot.id === mainLot);
  const cutAcres = field ? field.row.lot.acres - field.acresLeft : 0;
  const yieldBu =
    field && cutAcres > 0.5 ? dryBushels(field.row.cutDryKg, field.crop.legalPounds, base) / cutAcres : undefined;
  const kg = (read.load.value ?? 0) * per;
  const found = fits
    ? waysOf(
        farm,
        book,
        offers,
        crop,
        {
          bushels: dryBushels(kg * (1 - read.moisture.value!), crop.legalPounds, base),
          kg,
          moisture: read.moisture.value!,
          ownPart: farm.ownPart(held.lots),
          owners: ownerParts(farm, held.lots),
          ...(graded ? { grade: gradeOf(factors) } : {}),
          ...(yieldBu === undefined || yieldBu < 0.1 ? {} : { yield: yieldBu }),
        },
        times,
        (buyerId) => lineAt(farm, notebook, haul, buyerId).minutes,
        read.truck.value!,
        undefined,
        (buyerId) => roadKm(notebook, buyerId, fieldId),
      )
    : null;
  const answer = found?.where ?? null;
  const onContract = new Map(found?.ways.flatMap(({ buyerId, contract }) => (contract ? [[buyerId, contract.contract.number]] : []))); // prettier-ignore
  const known = found === null || found.ways.some(({ money: brings }) => brings !== null);
  const best = answer?.rows.find(({ refused }) => !refused);
  const next = answer?.rows.filter(({ refused }) => !refused)[1];
  const unknownRoads = (answer?.rows ?? []).filter(({ roadUnknown }) => roadUnknown);
  const unposted = (answer?.rows ?? []).filter(({ id }) => offers(crop.id, id)?.by !== 'sheet');
  const saved = fits ? dryingSaved(notebook, read.moisture.value!, kg / per) : null;
  const gradeHint = (name: GradeBox): string =>
    text[name] === undefined && seen?.factors[name] !== undefined ? `ticket ${seen.ticket}` : 'blank: not counted';
  const box = (name: keyof typeof shown, label: string, unit: string, hint?: string) => (
    <TextBox
      label={label}
      unit={unit}
      inputMode="decimal"
      value={shown[name]}
      error={read[name].error}
      {...(hint ? { hint } : {})}
      onChange={(event) => setText({ ...text, [name]: event.target.value })}
    />
  );
  return (
    <div className="lg:grid lg:grid-cols-[1.55fr_1fr]">
      <Section label="Where it brings most">
        {!known ? (
          <p className="text-lg text-muted">
            No buyer’s terms are known for {crop.short}: <Link to="/fields">set the window in Fields</Link>.
          </p>
        ) : !answer ? (
          <p className="text-lg text-muted">A number on the right needs fixing.</p>
        ) : !best ? (
          <Verdict small bad figure="No buyer takes it">
            At {percent(read.moisture.value!)} every buyer refuses it: dry it first.
          </Verdict>
        ) : (
          <>
            <Verdict
              about={`${from.name}, a load of ${bushels(read.load.value!, per).text} ${crop.short} at ${percent(read.moisture.value!)}`}
              figure={farm.placeName(best.id)}
              unit={`${money(best.net!)} in hand`}
            >
              {answer.ahead === null || !next ? (
                'No other buyer takes it.'
              ) : (
                <>
                  <b>{dollars(answer.ahead)}</b> a load more than {farm.placeName(next.id)}
                  {answer.turnsAt === null ? '' : `; ${priceText(answer.turnsAt, per)} more there would turn it`}.
                </>
              )}{' '}
              {answer.notTheHighestBid && (
                <b>The highest bid is not the best: road and dock take more than it is ahead.</b>
              )}
            </Verdict>
            <Working
              what={`${farm.placeName(best.id)}: ${money(best.net!)}`}
              formulas={[WHERE_MOST]}
              inputs={[
                {
                  name: 'Moisture',
                  value: percent(read.moisture.value!),
                  from: text.moisture === undefined ? 'the book' : 'typed',
                },
                {
                  name: 'Load',
                  value: bushels(read.load.value!, per).text,
                  from: text.load === undefined ? 'the mean of the trucks' : 'typed',
                },
                {
                  name: 'Price',
                  value: priceText(best.price, per),
                  from: onContract.has(best.id)
                    ? `contract ${onContract.get(best.id)}, the rest at the day’s`
                    : offers(crop.id, best.id)?.from === 'bid'
                      ? 'his newest bid'
                      : 'his window in Fields',
                },
                {
                  name: 'His terms',
                  value: offers(crop.id, best.id)?.by === 'sheet' ? 'his posted sheet' : 'his window',
                  from: offers(crop.id, best.id)?.by === 'sheet' ? 'Sell, Buyers' : 'Fields',
                },
                {
                  name: 'Road, one way',
                  value: best.roadUnknown ? 'not known' : spanText(times.roadMin[best.id] ?? 0),
                  from:
                    fieldId !== undefined &&
                    times.roadMin[best.id] !== notebook.settings.haulTimes.farm?.value.roadMin[best.id]
                      ? `its own road from ${farm.lot(main ?? '')?.fieldName ?? ''}`
                      : 'hauling times (Haul)',
                  ...(best.roadUnknown ? { enter: '/haul/trucks' } : {}),
                },
                { name: 'Line there', ...lineText(lineAt(farm, notebook, haul, best.id)) },
                {
                  name: 'Truck and driver',
                  value: `${dollars(read.truck.value!)} an hour`,
                  from:
                    text.truck === undefined && times.truckCostPerHour !== undefined
                      ? 'hauling times'
                      : 'typed, or usual',
                },
              ]}
              worked={[
                `paid ${money(best.paid)} − ${number(best.hours, 2)} h × ${dollars(read.truck.value!)}${best.running > 0 ? ` − ${money(best.running)} on the road` : ''} = ${money(best.net!)}`,
              ]}
              not={`${graded ? 'grade at buyers without a posted sheet' : 'test weight, damage and foreign material, which you can type beside'}, and waiting longer than usual.`}
            />
          </>
        )}
        {answer && answer.rows.length > 0 && <Rows farm={farm} rows={answer.rows} onContract={onContract} per={per} />}
        {best && <Permit farm={farm} notebook={notebook} crop={crop.id} best={best} loadKg={kg} />}
        {graded && unposted.length > 0 && (
          <p className="mt-2 text-sm text-muted">
            {unposted.map(({ id }) => farm.placeName(id)).join(', ')}: no posted sheet, so grade is not docked there.{' '}
            <Link to="/sell/buyers">Enter it under Buyers.</Link>
          </p>
        )}
        {saved && (
          <p className="mt-2">
            Sold as it is, your own dryer saves <b>{dollars(saved.money)}</b> on this load: {number(saved.points, 1)}{' '}
            points down to {percent(saved.dryTo)}. <Link to="/dry/cost">Dry it or sell it wet</Link> holds both against
            each other.
          </p>
        )}
        {best && (
          <p className="mt-2 text-sm text-muted">
            Sold now, it saves {dollars((best.paid * interest) / 12)} of interest for each month that this load is not
            kept, at {percent(interest, 0)} a year; fans and shrink come on top.{' '}
            <Link to="/sell/hold">Hold or sell</Link> takes your own rate, storage and price.
          </p>
        )}
        {unknownRoads.length > 0 && (
          <p className="mt-2 text-sm text-muted">
            The road to {unknownRoads.map(({ id }) => farm.placeName(id)).join(', ')} is not known: nothing is taken off
            for it. <Link to="/haul/trucks">Type it in Haul.</Link>
          </p>
        )}
      </Section>
      <section
        aria-label="What is asked about"
        className="space-y-4 border-t border-ink px-5 py-5 lg:border-t-0 lg:border-l lg:px-6"
      >
        <SelectBox label="Grain in" value={from.id} onChange={(event) => onFrom(event.target.value)}>
          {holders.map((place) => (
            <option key={place.id} value={place.id}>
              {place.name}, {cropOf(farm.cropOf(farm.held(place.id).lots) ?? '')?.short ?? 'unknown'}
            </option>
          ))}
        </SelectBox>
        <div className="grid grid-cols-2 gap-3">
          {box('moisture', 'Moisture', moisture.unit, text.moisture === undefined ? 'by the book' : undefined)}
          {box('load', 'A load', bushels.unit)}
          {box('truck', 'Truck and driver', '$/h')}
          {box('testWeight', 'Test weight', testWeight.unit, gradeHint('testWeight'))}
          {box('damage', 'Damage', '%', gradeHint('damage'))}
          {box('foreignMaterial', 'Foreign material', '%', gradeHint('foreignMaterial'))}
        </div>
      </section>
    </div>
  );
}

/** How long the line likely is, and who says so. */
const lineText = ({ minutes, by }: ReturnType<typeof lineAt>): { readonly value: string; readonly from: string } => ({
  value: by === null ? 'not known' : spanText(minutes),
  from:
    by === null
      ? 'fewer than three own loads there'
      : by === 'said'
        ? 'as somebody said for today (Haul)'
        : `${number(by.loads)} own loads${by.ofHour ? ' at about that hour' : ''}, less the dump`,
});

type GradeBox = 'testWeight' | 'damage' | 'foreignMaterial';
const fraction = (percentOf: number | undefined): number | undefined =>
  percentOf === undefined ? undefined : percentOf / 100;

/** A load's grade in the units of a ticket: what is taken off the weight apart from what is docked. */
function gradeOf(factors: Readonly<Partial<Record<GradeBox, number>>>): KnownGrade {
  const { foreignMaterial } = factors;
  return { factors, ...(foreignMaterial === undefined ? {} : { foreignMaterial: foreignMaterial / 100 }) };
}

/** The grade on the newest ticket of grain from the same fields; null where no paper says one. */
function gradeSeen(
  book: SellBook,
  lots: Readonly<Record<string, number>>,
): { readonly ticket: string; readonly factors: Readonly<Partial<Record<GradeBox, number>>> } | null {
  const newest = [...book.sold].sort((a, b) => Date.parse(b.delivery.entry.at) - Date.parse(a.delivery.entry.at));
  for (const { delivery } of newest) {
    if (!Object.keys(delivery.lots).some((lot) => (lots[lot] ?? 0) > 0)) continue;
    const factors = book.papers.papers.get(delivery.entry.id)?.factors ?? {};
    if (factors.testWeight !== undefined || factors.damage !== undefined || factors.foreignMaterial !== undefined)
      return { ticket: delivery.ticket ?? '', factors };
  }
  return null;
}

/** $ that drying a load at home would cost; null where it is dry, or nobody said what the dryer burns. */
function dryingSaved(notebook: FieldRecords, wet: number, bushelsOf: number) {
  const setup = dryerOf(notebook)?.setup;
  if (!setup || wet <= setup.dryTo + 0.002) return null;
  const points = 100 * (wet - setup.dryTo);
  const a = quickDryingCost(
    points,
    setup.fuelPerPointBushel,
    setup.fuelPrice,
    setup.kWhPerPointBushel,
    setup.powerPrice,
  );
  return { points, dryTo: setup.dryTo, money: a * bushelsOf };
}

/** What a truck's permit is worth on the best road: the grain that it lets on more, for the same hours. */
function Permit({
  farm,
  notebook,
  crop,
  best,
  loadKg,
}: {
  farm: Farm;
  notebook: FieldRecords;
  crop: string;
  best: WhereRow;
  loadKg: number;
}) {
  const setups = notebook.settings.truckSetup;
  const truck = farm.data.places.find(({ id, kind }) => kind === 'truck' && setups[id]?.value.permit !== undefined);
  if (!truck || loadKg <= 0) return null;
  const { revision, value } = setups[truck.id]!;
  const { permit, ...bare } = value;
  const ask = (records: FieldRecords) => legalView(farm, records, [], () => undefined, truck.id, crop, null, best.id);
  const own = ask(notebook);
  const without = ask({ ...notebook, settings: { ...notebook.settings, truckSetup: { ...setups, [truck.id]: { revision, value: bare } } } }); // prettier-ignore
  if (own.legal === null || without.legal === null) return null;
  const more = own.legal.mostKg - without.legal.mostKg;
  const to = farm.placeName(best.id);
  return (
    <p className="mt-2">
      {own.permit
        ? `With ${permit!.name} ${truck.name} may carry ${mass(own.legal.mostKg).text} to ${to}, without it ${mass(without.legal.mostKg).text}: ${dollars((more * best.paid) / loadKg)} more a load for the same road.`
        : `${permit!.name} of ${truck.name} does not hold ${own.permitNot === 'road' ? `on the road to ${to}` : 'today'}: ${mass(without.legal.mostKg).text} of grain is the most.`}
    </p>
  );
}

function Rows({
  farm,
  rows,
  onContract,
  per,
}: {
  farm: Farm;
  rows: readonly WhereRow[];
  onContract: ReadonlyMap<string, string>;
  per: number;
}) {
  const taken = (row: WhereRow, of: () => number | null): number | null => (row.refused ? null : of());
  const columns: Column<WhereRow>[] = [
    wordColumn('buyer', 'Buyer', ({ id }) => farm.placeName(id), { phone: 'title' }),
    figureColumn('bid', 'Bids', price, ({ bid }) => bid, {
      per: () => per,
      show: ({ bid, highestBid }) => (
        <>
          {money(price.shown(bid, per))}
          {highestBid ? <span className="block text-sm text-muted">the highest</span> : null}
        </>
      ),
    }),
    wordColumn('paid', 'Pays', (row) => (row.refused ? 'refuses it: too wet' : dollars(row.paid)), {
      right: true,
      by: (row) => taken(row, () => row.paid),
      show: (row) =>
        row.refused ? (
          <span className="text-clay">■ refuses it: too wet</span>
        ) : (
          <>
            {dollars(row.paid)}
            {onContract.has(row.id) ? (
              <span className="block text-sm text-muted">on {onContract.get(row.id)}</span>
            ) : null}
          </>
        ),
    }),
    wordColumn('road', 'Road', (row) => (row.refused ? '' : row.roadUnknown ? '?' : `−${dollars(row.road)}`), {
      right: true,
      by: (row) => taken(row, () => (row.roadUnknown ? null : row.road)),
      as: (words, row) => (
        <>
          {words}
          {!row.refused && !row.roadUnknown && (
            <span className="block text-sm text-muted">{spanText(Math.round(60 * row.hours))}</span>
          )}
        </>
      ),
    }),
    moneyColumn('net', 'In hand', (row) => taken(row, () => row.net), { phone: 'verdict' }),
    moneyColumn('perBushel', 'A wet bushel', (row) => taken(row, () => row.perWetBushel)),
    wordColumn('perHour', 'An hour', (row) => (row.refused || row.perHour === null ? '' : dollars(row.perHour)), {
      right: true,
      by: (row) => taken(row, () => row.perHour),
      as: (words, row) => (
        <>
          {words === '' ? '–' : words}
          {!row.refused && row.perAcre !== null && (
            <span className="block text-sm whitespace-nowrap text-muted">{moneyPerArea(row.perAcre)}</span>
          )}
        </>
      ),
    }),
  ];
  return (
    <div className="mt-4">
      <DataTable
        name="By buyer"
        one="buyer"
        many="buyers"
        rows={rows}
        columns={columns}
        rowId={({ id }) => id}
        rowClass={(row) => (row === rows[0] && !row.refused ? 'bg-sand font-semibold' : '')}
        flush
      />
    </div>
  );
}
