import {
  cropOf,
  FARM_PRICES,
  HAUL_TIMES,
  USUAL_HARVEST_COSTS,
  USUAL_HAUL_TIMES,
  USUAL_INTEREST,
  windowFor,
} from '@fanega/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { type Farm, useContracts, useNotebook, useRefreshFarm, useRole } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { setting } from '../../../data/records';
import {
  dollars,
  dollarsTyped,
  fuelPrice,
  money,
  percent,
  priceText,
  runningCost,
  share,
} from '../../../quantity/quantity';
import { Button, TextBox } from '../../../ui';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { Section } from '../../../ui/page';
import { figureOrNone } from '../../../widgets/record-boxes';

const LINK = 'font-semibold underline decoration-rule underline-offset-4 hover:decoration-ink';

/** What everything costs here: the first figure wherever a page asks for it. */
export default function Prices({ farm }: { farm: Farm }) {
  const role = useRole();
  const may = role === 'manager' || role === 'owner';
  const [editing, setEditing] = useState<'hauling' | 'rest' | null>(null);
  const notebook = useNotebook().data;
  const sell = useContracts().data;
  if (!notebook || !sell) return null;
  const times = notebook.settings.haulTimes.farm?.value ?? USUAL_HAUL_TIMES;
  const prices = sell.settings.farmPrices.farm?.value;
  const dryers = farm.data.places.filter(({ id }) => notebook.settings.dryerSetup[id] !== undefined);
  const crops = [...new Set(farm.data.lots.map(({ crop }) => crop))];
  const line = (name: string, value: string, assumed: boolean) => (
    <div key={name} className="flex justify-between gap-4 py-1.5">
      <dt>{name}</dt>
      <dd className="text-right font-semibold">
        {value}
        {assumed && <span className="font-normal text-muted"> ◐ assumed, not set here</span>}
      </dd>
    </div>
  );
  const list = 'mt-2 divide-y divide-rule border-y border-rule';
  return (
    <div className="lg:grid lg:grid-cols-2">
      <Section title="Hands, trucks and money">
        <dl className={list} aria-label="Hands, trucks and money">
          {line('A truck with its driver', `${dollars(times.truckCostPerHour ?? USUAL_HARVEST_COSTS.truckPerHour)} an hour`, times.truckCostPerHour === undefined)}
          {line('A truck on the road', times.truckCostPerKm === undefined ? 'in its hour' : runningCost(times.truckCostPerKm).text, false)}
          {line('A combine with its driver and its part of the cart', `${dollars(times.combineCostPerHour ?? USUAL_HARVEST_COSTS.combinePerHour)} an hour`, times.combineCostPerHour === undefined)}
          {line('An hour of labor', prices?.laborPerHour === undefined ? 'not set' : dollars(prices.laborPerHour), false)}
          {line('Interest on grain that is kept', `${percent(prices?.interest ?? USUAL_INTEREST)} a year`, prices?.interest === undefined)}
          {line('Diesel', prices?.dieselPerGallon === undefined ? 'not set' : fuelPrice(prices.dieselPerGallon).text, false)}
        </dl>
        {may && (
          <div className="mt-3 flex flex-wrap gap-3">
            <Button onClick={() => setEditing('hauling')}>Change trucks and combine</Button>
            <Button onClick={() => setEditing('rest')}>Change labor, interest, diesel</Button>
          </div>
        )}
        <p className="mt-3 text-sm text-muted">
          Haul, Where it brings most, Hold or sell, Wear part and Heads begin with these; a figure typed on one of those pages counts there instead.
        </p>
      </Section>
      <Section title="Grain and drying" className="border-t border-ink lg:border-t-0 lg:border-l">
        <dl className={list} aria-label="Grain">
          {crops.map((crop) => {
            const window = windowFor(notebook, crop, null)?.value;
            const per = farm.kgPerBu(crop);
            return line(cropOf(crop)?.name ?? crop, window ? priceText(window.price, per) : 'not set', false);
          })}
        </dl>
        <p className="mt-2">
          A crop&rsquo;s price stands with its window:{' '}
          <Link to="/fields" className={LINK}>
            Fields, a field of it
          </Link>
          . What a buyer bids stands under{' '}
          <Link to="/sell/buyers" className={LINK}>
            Sell, Buyers
          </Link>
          .
        </p>
        <dl className={list} aria-label="Drying">
          {dryers.length === 0 && <p className="py-1.5 text-muted">No dryer has its sheet yet.</p>}
          {dryers.flatMap(({ id, name }) => {
            const { fuel, fuelPrice: price, powerPrice } = notebook.settings.dryerSetup[id]!.value;
            return [
              line(`${name}: ${fuel === 'naturalGas' ? 'natural gas' : fuel}`, fuel === 'propane' ? fuelPrice(price).text : `${money(price)} a therm`, false),
              line(`${name}: power`, `${money(powerPrice)} a kWh`, false),
            ];
          })}
        </dl>
        <p className="mt-2">
          Changed with the dryer:{' '}
          <Link to="/dry" className={LINK}>
            Dry
          </Link>
          .
        </p>
      </Section>
      {editing === 'hauling' && <Hauling farm={farm} onClose={() => setEditing(null)} />}
      {editing === 'rest' && <Rest farm={farm} onClose={() => setEditing(null)} />}
    </div>
  );
} // prettier-ignore

function Hauling({ farm, onClose }: { farm: Farm; onClose: () => void }) {
  const refresh = useRefreshFarm(farm.id);
  const kept = useNotebook().data?.settings.haulTimes.farm;
  const was = kept?.value ?? USUAL_HAUL_TIMES;
  const { fields } = HAUL_TIMES;
  const form = useFields({
    boxes: {
      truckCostPerHour: figureOrNone(fields.truckCostPerHour, dollarsTyped),
      truckCostPerKm: figureOrNone(fields.truckCostPerKm, runningCost, { was: was.truckCostPerKm }),
      combineCostPerHour: figureOrNone(fields.combineCostPerHour, dollarsTyped),
    },
    start: () => ({
      truckCostPerHour: dollarsTyped.text(was.truckCostPerHour),
      truckCostPerKm: runningCost.text(was.truckCostPerKm),
      combineCostPerHour: dollarsTyped.text(was.combineCostPerHour),
    }),
    close: onClose,
    save: async ({ truckCostPerHour, truckCostPerKm, combineCostPerHour }) => {
      const { truckCostPerHour: _a, truckCostPerKm: _b, combineCostPerHour: _c, ...rest } = was;
      const value = {
        ...rest,
        ...(truckCostPerHour === undefined ? {} : { truckCostPerHour }),
        ...(truckCostPerKm === undefined ? {} : { truckCostPerKm }),
        ...(combineCostPerHour === undefined ? {} : { combineCostPerHour }),
      };
      await write(farm.id, setting(farm.id, 'haulTimes', 'farm', { revision: kept?.revision ?? 0, value }));
      await refresh();
    },
  });
  return (
    <FormDrawer form={form} title="Trucks and combine" button="Save">
      <TextBox label="An hour of a truck with its driver" {...form.box('truckCostPerHour')} />
      <TextBox label="A truck on the road" hint="fuel, tires, wear; blank: they are in its hour" {...form.box('truckCostPerKm')} />
      <TextBox label="An hour of a combine" hint="with its driver and its part of the cart" {...form.box('combineCostPerHour')} />
    </FormDrawer>
  );
} // prettier-ignore

function Rest({ farm, onClose }: { farm: Farm; onClose: () => void }) {
  const refresh = useRefreshFarm(farm.id);
  const kept = useContracts().data?.settings.farmPrices.farm;
  const was = kept?.value;
  const { fields } = FARM_PRICES;
  const form = useFields({
    boxes: {
      laborPerHour: figureOrNone(fields.laborPerHour, dollarsTyped),
      interest: figureOrNone(fields.interest, share),
      dieselPerGallon: figureOrNone(fields.dieselPerGallon, fuelPrice, { was: was?.dieselPerGallon }),
    },
    start: () => ({
      laborPerHour: dollarsTyped.text(was?.laborPerHour),
      interest: share.text(was?.interest),
      dieselPerGallon: fuelPrice.text(was?.dieselPerGallon),
    }),
    close: onClose,
    save: async (typed) => {
      const value = Object.fromEntries(Object.entries(typed).filter(([, one]) => one !== undefined));
      await write(farm.id, setting(farm.id, 'farmPrices', 'farm', { revision: kept?.revision ?? 0, value }));
      await refresh();
    },
  });
  return (
    <FormDrawer form={form} title="Labor, interest, diesel" button="Save">
      <TextBox label="An hour of labor" {...form.box('laborPerHour')} />
      <TextBox label="Interest, a year" {...form.box('interest')} />
      <TextBox label="Diesel" {...form.box('dieselPerGallon')} />
    </FormDrawer>
  );
}
