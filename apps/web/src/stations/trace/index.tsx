import type { Delivery, DeliveryTraceAnswer, LotTraceAnswer, TraceLoad } from '@fanega/contract';
import { type Account, cropOf, CROPS, dryBushels } from '@fanega/core';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { type Farm, useDeliveries, useDeliveryTrace, useFarm, useFields, useLotTrace } from '../../data/farm';
import { Button, Empty } from '../../ui';
import { Answered } from '../../ui/answer';
import { EntrySheet } from '../../widgets/entry-sheet';
import { headline } from '../../widgets/headline';
import { Bushels, formatBushels, formatBushelsFine, formatMoney, formatPounds, formatShare, Moisture, Pounds } from '../../widgets/quantity';
import { methodWords } from '../../widgets/method-words';
import { rowKeys } from '../../widgets/row-keys';
import { Owners } from '../../widgets/owners';
import { ShareList } from '../../widgets/share-list';
import { clock, day } from '../../widgets/time';
import { Swatch } from '../../widgets/weave';
import { WayDrawing } from './way-drawing';

/** From a field to its tickets and back: the reason for the whole program. */
export default function Trace() {
  const { lotId, entryId } = useParams();
  if (entryId) return <DeliveryPage key={entryId} entryId={entryId} />;
  if (lotId) return <LotPage key={lotId} lotId={lotId} />;
  return <Start />;
}

const dryAtBase = (cropId: string | undefined, dryKg: number): number => {
  const crop = cropOf(cropId ?? '') ?? CROPS.corn;
  return dryBushels(dryKg, crop.legalPounds, crop.baseMoisture);
};
const baseOf = (cropId: string | undefined): string => ((cropOf(cropId ?? '') ?? CROPS.corn).baseMoisture * 100).toFixed(1);

function Start() {
  const farm = useFarm();
  const fields = useFields();
  const deliveries = useDeliveries();
  return (
    <div>
      <div className="border-b border-ink px-5 py-3 lg:px-6">
        <h1 className="text-2xl">Trace</h1>
        <p className="text-muted">Pick a field to see where its grain went, or a ticket to see which fields it came from.</p>
      </div>
      <div className="xl:grid xl:grid-cols-[1.4fr_1fr]">
        <section aria-label="Accounts of the fields" className="border-b border-ink px-5 py-4 lg:px-6 xl:border-r xl:border-b-0">
          <h2 className="text-xl">Accounts, dry bushels</h2>
          <Answered answer={fields} what="Adding up the accounts">
            {(rows) => {
              const cut = rows.filter((row) => row.account.harvestedDryKg !== 0 || row.account.restatedDryKg !== 0);
              if (cut.length === 0) return <Empty title="No grain is in the book yet." />;
              return (
                <div className="relative overflow-x-auto">
                  <table className="mt-2 w-full" onKeyDown={rowKeys}>
                    <thead className="border-b border-ink text-right text-sm">
                      <tr>
                        <th className="py-1.5 text-left">Field</th>
                        <th className="px-2">Cut</th>
                        <th className="px-2">Restated</th>
                        <th className="px-2">Lost</th>
                        <th className="px-2">In stock</th>
                        <th className="px-2">Delivered</th>
                        <th className="pl-2">
                          <span className="sr-only">balances</span>
                        </th>
                      </tr>
                    </thead>
                    <tbody>
                      {cut.map(({ lot, account, balance }) => {
                        const bu = (kg: number) => formatBushels(dryAtBase(lot.crop, kg));
                        return (
                          <tr key={lot.id} className="border-b border-rule text-right hover:bg-sand">
                            <td className="py-1.5 text-left whitespace-nowrap">
                              <Link to={`/trace/lot/${lot.id}`} className="font-semibold">
                                <Swatch index={farm.lotIndex(lot.id)} /> {lot.tag} <span className="underline decoration-rule underline-offset-4">{lot.fieldName}</span>
                              </Link>
                            </td>
                            <td className="px-2">{bu(balance.harvested)}</td>
                            <td className="px-2">{signed(dryAtBase(lot.crop, account.restatedDryKg))}</td>
                            <td className="px-2">{bu(balance.lost)}</td>
                            <td className="px-2">{bu(balance.inStock)}</td>
                            <td className="px-2">{bu(balance.delivered)}</td>
                            <td className="pl-2">{balance.balances ? '=' : '≠'}</td>
                          </tr>
                        );
                      })}
                    </tbody>
                  </table>
                </div>
              );
            }}
          </Answered>
        </section>
        <section aria-label="Tickets" className="px-5 py-4 lg:px-6">
          <h2 className="text-xl">Tickets</h2>
          <Answered answer={deliveries} what="Collecting the tickets">
            {(rows) =>
              rows.length === 0 ? (
                <p className="mt-2 text-muted">Nothing is delivered yet.</p>
              ) : (
                <div className="relative overflow-x-auto">
                  <table className="mt-2 w-full" onKeyDown={rowKeys}>
                    <tbody>
                      {rows.slice(0, 60).map((row) => (
                        <tr key={row.entry.id} className="border-b border-rule hover:bg-sand">
                          <td className="py-1.5 font-semibold">
                            <Link to={`/trace/delivery/${row.entry.id}`} className="underline decoration-rule underline-offset-4">
                              {row.ticket ?? 'no ticket'}
                            </Link>
                          </td>
                          <td className="px-2 whitespace-nowrap text-muted">{day(row.entry.at, farm.data.farm.timeZone)}</td>
                          <td className="px-2">{farm.placeName(row.to)}</td>
                          <td className="px-2 text-sm">{Object.keys(row.lots).map(farm.tag).slice(0, 5).join(' ')}</td>
                          <td className="pl-2 text-right">
                            <Bushels value={farm.bushels(row.wetLots)} />
                          </td>
                        </tr>
                      ))}
                    </tbody>
                  </table>
                </div>
              )
            }
          </Answered>
        </section>
      </div>
    </div>
  );
}

const signed = (bushels: number): string => {
  const text = formatBushels(Math.abs(bushels));
  return text === '0' ? '0' : `${bushels < 0 ? '−' : '+'}${text}`;
};

/** Harvested + restated − lost = in stock + delivered, written out. */
function Identity({ account, crop }: { account: Account; crop: string }) {
  const lost = Object.values(account.lostDryKg).reduce((a, b) => a + b, 0);
  const parts: readonly [string, number, string][] = [
    ['', account.harvestedDryKg, 'cut'],
    [account.restatedDryKg < 0 ? '−' : '+', Math.abs(account.restatedDryKg), 'restated'],
    ['−', lost, 'lost'],
    ['=', account.inStockDryKg, 'in stock'],
    ['+', account.deliveredDryKg, 'delivered'],
  ];
  return (
    <div className="flex flex-wrap items-end gap-x-3 gap-y-2">
      <dl aria-label="Balance of the field" className="flex flex-wrap items-end gap-x-3 gap-y-2">
        {parts.map(([sign, kg, word]) => (
          <div key={word}>
            <dt className={`text-sm text-muted ${sign ? 'pl-7' : ''}`}>{word}</dt>
            <dd className="text-2xl font-bold">
              {sign && <span className="inline-block w-7 font-normal text-muted">{sign}</span>}
              {formatBushelsFine(dryAtBase(crop, kg))}
              <span className="text-[0.6em] font-normal text-muted"> bu</span>
            </dd>
          </div>
        ))}
      </dl>
      <span className="pb-1 text-sm text-muted">dry at {baseOf(crop)} %</span>
    </div>
  );
}

function Back() {
  return (
    <Link to="/trace" className="text-sm underline decoration-rule underline-offset-4">
      All fields and tickets
    </Link>
  );
}

function LotPage({ lotId }: { lotId: string }) {
  const farm = useFarm();
  return (
    <Answered answer={useLotTrace(lotId)} what="Following the grain">
      {(data) => <LotFacts farm={farm} data={data} />}
    </Answered>
  );
}

function LotFacts({ farm, data }: { farm: Farm; data: LotTraceAnswer }) {
  const { row, way, deliveries } = data;
  const { lot } = row;
  return (
    <div>
      <div className="border-b border-ink px-5 py-4 lg:px-6">
        <Back />
        <h1 className="mt-1 flex flex-wrap items-center gap-3 text-3xl">
          <Swatch index={farm.lotIndex(lot.id)} size={30} /> {lot.fieldName}
          <span className="text-lg font-normal text-muted">
            {[lot.tag, `${cropOf(lot.crop)?.name ?? lot.crop} ${lot.season}`, lot.variety, lot.acres > 0 ? `${lot.acres} ac` : ''].filter(Boolean).join(' · ')}
          </span>
        </h1>
        <div className="mt-4">
          <Identity account={row.account} crop={lot.crop} />
        </div>
        {lot.shares.some((share) => share.owner !== farm.data.farm.name) && (
          <p className="mt-3 text-muted">
            {lot.shares
              .map(
                (share) =>
                  `${share.owner}: ${formatShare(share.part)} % of every bushel, ${formatBushels(dryAtBase(lot.crop, row.account.deliveredDryKg) * share.part)} bu delivered`,
              )
              .join(' · ')}
          </p>
        )}
      </div>
      <section aria-label="Its way" className="border-b border-ink px-5 py-4 lg:px-6">
        <h2 className="text-sm text-muted">Its way, dry bushels</h2>
        {way.links.length === 0 ? <p className="mt-2 text-muted">No grain has come off this field yet.</p> : <WayDrawing farm={farm} way={way} crop={lot.crop} />}
      </section>
      <section aria-label="Its tickets" className="px-5 py-4 lg:px-6">
        <h2 className="text-xl">On {deliveries.length} tickets</h2>
        {deliveries.length > 0 && (
          <div className="relative overflow-x-auto">
            <table className="mt-2 w-full min-w-[36rem]" onKeyDown={rowKeys}>
              <thead className="border-b border-ink text-left text-sm">
                <tr>
                  <th className="py-1.5">Ticket</th>
                  <th className="px-2">When</th>
                  <th className="px-2">Buyer</th>
                  <th className="px-2 text-right">Of this field</th>
                  <th className="px-2 text-right">Share by weight</th>
                  <th className="pl-2 text-right">Dry</th>
                </tr>
              </thead>
              <tbody>
                {deliveries.map(({ delivery, dryKg, wetKg }) => (
                  <tr key={delivery.entry.id} className="border-b border-rule hover:bg-sand">
                    <td className="py-1.5 font-semibold">
                      <Link to={`/trace/delivery/${delivery.entry.id}`} className="underline decoration-rule underline-offset-4">
                        {delivery.ticket ?? 'no ticket'}
                      </Link>
                    </td>
                    <td className="px-2 whitespace-nowrap">{day(delivery.entry.at, farm.data.farm.timeZone)}</td>
                    <td className="px-2">{farm.placeName(delivery.to)}</td>
                    <td className="px-2 text-right">
                      <Pounds kg={wetKg} />
                    </td>
                    <td className="px-2 text-right">{formatShare(wetKg / delivery.netKg)} %</td>
                    <td className="pl-2 text-right">
                      <Bushels value={dryAtBase(lot.crop, dryKg)} />
                    </td>
                  </tr>
                ))}
              </tbody>
              <tfoot>
                <tr className="border-t border-ink font-bold">
                  <td className="py-1.5" colSpan={3}>
                    To the pound
                  </td>
                  <td className="px-2 text-right">
                    <Pounds kg={deliveries.reduce((sum, d) => sum + d.wetKg, 0)} />
                  </td>
                  <td />
                  <td className="pl-2 text-right">
                    <Bushels value={dryAtBase(lot.crop, row.account.deliveredDryKg)} />
                  </td>
                </tr>
              </tfoot>
            </table>
          </div>
        )}
      </section>
    </div>
  );
}

function DeliveryPage({ entryId }: { entryId: string }) {
  const farm = useFarm();
  return (
    <Answered answer={useDeliveryTrace(entryId)} what="Following the load back to the fields">
      {(data) => <DeliveryFacts farm={farm} data={data} />}
    </Answered>
  );
}

function DeliveryFacts({ farm, data }: { farm: Farm; data: DeliveryTraceAnswer }) {
  const { delivery, loads, moves, way } = data;
  const crop = farm.cropOf(delivery.lots);
  const { timeZone } = farm.data.farm;
  const [open, setOpen] = useState<string | null>(null);
  const unknown = delivery.lots.unknown ?? 0;
  return (
    <div>
      <div className="grid gap-x-10 gap-y-4 border-b border-ink px-5 py-4 lg:grid-cols-[auto_1fr] lg:px-6">
        <div>
          <Back />
          <h1 className="mt-1 text-3xl">
            {delivery.ticket ? `Ticket ${delivery.ticket}` : 'Delivery'}
            <span className="block text-lg font-normal text-muted">
              {farm.placeName(delivery.to)} · {day(delivery.entry.at, timeZone)} {clock(delivery.entry.at, timeZone)}
            </span>
          </h1>
          <p className="mt-3 text-4xl font-bold">
            <Pounds kg={delivery.netKg} /> <span className="text-lg font-normal text-muted">net</span>
          </p>
          <p className="mt-1">
            {delivery.grossKg !== null && delivery.tareKg !== null && (
              <>
                {formatPounds(delivery.grossKg)} gross − {formatPounds(delivery.tareKg)} tare ·{' '}
              </>
            )}
            <Moisture value={delivery.moisture} />
            {delivery.pricePerBu !== null && ` · ${formatMoney(delivery.pricePerBu)} a bushel`}
          </p>
          <p className="mt-1">
            <Bushels value={farm.bushels(delivery.wetLots)} basis="by weight" /> · <Bushels value={dryAtBase(crop, delivery.dryKg)} basis={`dry at ${baseOf(crop)}`} />
          </p>
        </div>
        <div>
          <h2 className="text-sm text-muted">Whose grain it was</h2>
          <ShareList farm={farm} wetLots={delivery.wetLots} />
          <Owners farm={farm} wetLots={delivery.wetLots} className="mt-2 text-lg" />
          <p className="mt-1 text-sm text-muted">
            The shares sum to {formatPounds(Object.values(delivery.wetLots).reduce((a, b) => a + b, 0))} lb.
            {unknown > 0 && ` ${formatPounds(unknown)} lb of dry matter came from grain that no field is known for.`}
          </p>
          {delivery.witnesses.length > 0 && (
            <p className="mt-1 text-sm">
              Also weighed: {delivery.witnesses.map((w) => ('wetKg' in w && w.wetKg !== undefined ? `${formatPounds(w.wetKg)} lb by ${methodWords(w.method)}` : '')).join(', ')}
            </p>
          )}
        </div>
      </div>
      <section aria-label="Its way" className="border-b border-ink px-5 py-4 lg:px-6">
        <h2 className="text-sm text-muted">Its way, dry bushels of this ticket</h2>
        <WayDrawing farm={farm} way={way} crop={crop} />
      </section>
      <div className="xl:grid xl:grid-cols-2">
        <Steps
          title={`Down to ${loads.length === 1 ? 'one load' : `${loads.length} loads`} off the field`}
          farm={farm}
          steps={loads}
          delivery={delivery}
          crop={crop}
          onOpen={setOpen}
        />
        <Steps title="Every move on the way" farm={farm} steps={moves} delivery={delivery} crop={crop} onOpen={setOpen} />
      </div>
      <EntrySheet entryId={open} onClose={() => setOpen(null)} />
    </div>
  );
}

const SHOWN = 25;

function Steps({
  title,
  farm,
  steps,
  delivery,
  crop,
  onOpen,
}: {
  title: string;
  farm: Farm;
  steps: readonly TraceLoad[];
  delivery: Delivery;
  crop: string | undefined;
  onOpen: (id: string) => void;
}) {
  const [all, setAll] = useState(false);
  const { timeZone } = farm.data.farm;
  const sorted = [...steps].sort((a, b) => b.dryKg - a.dryKg);
  const shown = all ? sorted : sorted.slice(0, SHOWN);
  return (
    <section aria-label={title} className="px-5 py-4 lg:px-6 xl:border-r xl:border-rule">
      <h2 className="text-xl">{title}</h2>
      <div className="relative overflow-x-auto">
        <table className="mt-2 w-full" onKeyDown={rowKeys}>
          <tbody>
            {shown.map(({ entry, dryKg }) => (
              <tr key={entry.id} className="border-b border-rule hover:bg-sand">
                <td className="py-1 whitespace-nowrap text-muted">
                  {day(entry.at, timeZone)} {clock(entry.at, timeZone)}
                </td>
                <td className="px-2">
                  <button type="button" onClick={() => onOpen(entry.id)} className="text-left font-semibold underline decoration-rule underline-offset-4">
                    {headline(entry, farm)}
                  </button>
                </td>
                <td className="px-2 text-right">
                  <Bushels value={dryAtBase(crop, dryKg)} />
                </td>
                <td className="pl-2 text-right whitespace-nowrap">{formatShare(dryKg / delivery.dryKg)} %</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {sorted.length > shown.length && (
        <Button look="quiet" className="mt-2 px-0" onClick={() => setAll(true)}>
          Show the other {sorted.length - shown.length}, {formatPounds(sorted.slice(SHOWN).reduce((sum, s) => sum + s.dryKg, 0))} lb dry
        </Button>
      )}
    </section>
  );
}
