import type { Delivery } from '@fanega/contract';
import { cropOf, dryBushels } from '@fanega/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { type Farm, useDeliveries, useFarm } from '../../data/farm';
import { useRecorder } from '../../record';
import { Button, Empty } from '../../ui';
import { Answered } from '../../ui/answer';
import { ownersOf } from '../../widgets/owners';
import { Bushels, formatBushels, formatMoisture, formatMoney, formatPounds } from '../../widgets/quantity';
import { rowKeys } from '../../widgets/row-keys';
import { clock, day } from '../../widgets/time';
import { Swatch } from '../../widgets/weave';

/** Tickets shown before somebody asks for older ones. */
const AT_ONCE = 200;

interface Sold {
  readonly bushels: number;
  readonly dollars: number | null;
}

/** Dry bushels at the crop's base, and what they bring at the ticket's price before the buyer's discounts. */
function soldOf(farm: Farm, delivery: Delivery): Sold & { crop: string | undefined } {
  const id = farm.cropOf(delivery.lots);
  const crop = cropOf(id ?? '');
  const bushels = crop ? dryBushels(delivery.dryKg, crop.legalPounds, crop.baseMoisture) : delivery.netKg / farm.kgPerBu(undefined);
  // Buyers pay no premium for over-dry grain: then it is the wet weight that is paid.
  const paid = Math.min(bushels, delivery.netKg / farm.kgPerBu(id));
  return { bushels, dollars: delivery.pricePerBu === null ? null : paid * delivery.pricePerBu, crop: id };
}

/** Every delivery with its ticket. */
export default function Sell() {
  const farm = useFarm();
  const recorder = useRecorder();
  const deliveries = useDeliveries();
  return (
    <div>
      <div className="flex flex-wrap items-center justify-between gap-3 border-b border-ink px-5 py-3 lg:px-6">
        <h1 className="text-2xl">Sell</h1>
        <Button onClick={() => recorder.open({ kind: 'move', amount: 'gross', emptied: true })}>Record a ticket</Button>
      </div>
      <Answered answer={deliveries} what="Collecting the tickets">
        {(rows) =>
          rows.length === 0 ? (
            <Empty title="Nothing is sold yet.">
              <p>A load into a buyer is a delivery; its ticket comes in here.</p>
            </Empty>
          ) : (
            <Tickets farm={farm} rows={rows} />
          )
        }
      </Answered>
    </div>
  );
}

function Tickets({ farm, rows }: { farm: Farm; rows: readonly Delivery[] }) {
  const { timeZone } = farm.data.farm;
  const [shown, setShown] = useState(AT_ONCE);
  const byCrop = new Map<string, Sold>();
  const others = new Map<string, Sold>();
  for (const row of rows) {
    const { crop, bushels, dollars } = soldOf(farm, row);
    // Each owner has his part of the ticket, by the shares of its fields; grain of others is not the farm's own.
    const owners = ownersOf(farm, row.lots);
    const whole = owners.reduce((sum, { kg }) => sum + kg, 0);
    for (const { owner, own, kg } of owners) {
      const part = whole > 0 ? kg / whole : 0;
      const of = own ? byCrop : others;
      const key = own ? (crop ?? 'unknown') : `${owner}, ${cropOf(crop ?? '')?.name.toLowerCase() ?? crop ?? 'unknown crop'}`;
      const before = of.get(key) ?? { bushels: 0, dollars: 0 };
      of.set(key, { bushels: before.bushels + part * bushels, dollars: (before.dollars ?? 0) + part * (dollars ?? 0) });
    }
  }
  return (
    <>
      <div className="flex flex-wrap gap-x-10 gap-y-3 px-5 py-4 lg:px-6">
        {[...byCrop].map(([crop, sold]) => (
          <p key={crop}>
            <span className="block text-sm text-muted">
              {cropOf(crop)?.name ?? crop} delivered, own, dry at {((cropOf(crop)?.baseMoisture ?? 0.15) * 100).toFixed(1)} %
            </span>
            <span className="text-3xl font-bold">
              <Bushels value={sold.bushels} />
            </span>
            <span className="block">{formatMoney(sold.dollars ?? 0)}</span>
          </p>
        ))}
        {others.size > 0 && (
          <div>
            <p className="text-sm text-muted">of others, split by their shares</p>
            <ul>
              {[...others].map(([owner, sold]) => (
                <li key={owner}>
                  <b>{owner}</b> <Bushels value={sold.bushels} /> · {formatMoney(sold.dollars ?? 0)}
                </li>
              ))}
            </ul>
          </div>
        )}
      </div>
      <div className="relative overflow-x-auto">
        <table className="w-full min-w-[56rem] text-[15px]" onKeyDown={rowKeys}>
          <thead className="border-y border-ink text-left text-sm">
            <tr>
              <th className="py-2 pr-2 pl-5 lg:pl-6">Ticket</th>
              <th className="px-2">When</th>
              <th className="px-2">Buyer</th>
              <th className="px-2">Fields</th>
              <th className="px-2 text-right">Gross, lb</th>
              <th className="px-2 text-right">Tare, lb</th>
              <th className="px-2 text-right">Net, lb</th>
              <th className="px-2 text-right">Moist., %</th>
              <th className="px-2 text-right">Dry, bu</th>
              <th className="px-2 text-right">$/bu</th>
              <th className="py-2 pr-5 pl-2 text-right lg:pr-6">Brings</th>
            </tr>
          </thead>
          <tbody>
            {rows.slice(0, shown).map((row) => {
              const sold = soldOf(farm, row);
              return (
                <tr key={row.entry.id} className="border-b border-rule hover:bg-sand">
                  <td className="py-1.5 pr-2 pl-5 font-semibold whitespace-nowrap lg:pl-6">
                    <Link to={`/trace/delivery/${row.entry.id}`} className="underline decoration-rule underline-offset-4">
                      {row.ticket ?? 'no ticket'}
                    </Link>
                    {row.witnesses.length > 0 && (
                      <span className="ml-1 text-sm font-normal text-muted">
                        {row.witnesses.filter((w) => 'wetKg' in w).length + 1}×<span className="sr-only"> weighed</span>
                      </span>
                    )}
                  </td>
                  <td className="px-2 whitespace-nowrap">
                    {day(row.entry.at, timeZone)} {clock(row.entry.at, timeZone)}
                  </td>
                  <td className="px-2 whitespace-nowrap">{farm.placeName(row.to)}</td>
                  <td className="px-2 whitespace-nowrap">
                    {Object.keys(row.lots)
                      .slice(0, 4)
                      .map((lot) => (
                        <span key={lot} className="mr-2">
                          <Swatch index={farm.lotIndex(lot)} size={14} /> {farm.tag(lot)}
                        </span>
                      ))}
                  </td>
                  <td className="px-2 text-right">{row.grossKg === null ? '' : formatPounds(row.grossKg)}</td>
                  <td className="px-2 text-right">{row.tareKg === null ? '' : formatPounds(row.tareKg)}</td>
                  <td className="px-2 text-right font-semibold">{formatPounds(row.netKg)}</td>
                  <td className="px-2 text-right">{formatMoisture(row.moisture)}</td>
                  <td className="px-2 text-right">{formatBushels(sold.bushels)}</td>
                  <td className="px-2 text-right">{row.pricePerBu === null ? '' : row.pricePerBu.toFixed(2)}</td>
                  <td className="py-1.5 pr-5 pl-2 text-right lg:pr-6">{sold.dollars === null ? '' : formatMoney(sold.dollars)}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      {rows.length > shown && (
        <Button className="mx-5 mt-3 lg:mx-6" onClick={() => setShown(shown + 5 * AT_ONCE)}>
          Show older tickets ({rows.length - shown})
        </Button>
      )}
      <p className="px-5 py-3 text-sm text-muted lg:px-6">Brings: dry bushels at the price, before the buyer&rsquo;s discounts; over-dry grain at its own weight.</p>
    </>
  );
}
