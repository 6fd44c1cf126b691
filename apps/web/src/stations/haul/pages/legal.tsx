import type { DeviceInfo } from '@fanega/contract';
import {
  cropOf,
  CROPS,
  type DeviceView,
  emptyWeightsOf,
  type FieldRecords,
  legalView,
  likelyCrop,
  scaleSetupOf,
  zeroed,
} from '@fanega/core';
import { useState } from 'react';
import type { Farm } from '../../../data/farm';
import { useLive } from '../../../data/live';
import { Button, SelectBox, TextBox } from '../../../ui';
import { Verdict } from '../../../ui/verdict';
import { bushels, length, mass, percent, space, testWeight } from '../../../quantity/quantity';
import { VehicleForm, usualSheet } from '../forms/vehicle-form';
import { Callout } from '../../../ui/callout';
import { Section } from '../../../ui/page';
import { dayText } from '../../../quantity/time';

const GROUP = (first: number, last: number): string =>
  first === last ? `axle ${first + 1}` : `axles ${first + 1} to ${last + 1}`;

/** What may be on a truck by law and permit, and how much more may go on, before and while it is loaded. */
export default function Legal({
  farm,
  notebook,
  devices,
}: {
  farm: Farm;
  notebook: FieldRecords;
  devices: readonly DeviceInfo[];
}) {
  const trucks = farm.data.places.filter((place) => place.kind === 'truck');
  const live = useLive();
  const loading = trucks.filter((truck) => farm.held(truck.id).wetKg > 1);
  const [truckId, setTruck] = useState((loading[0] ?? trucks[0])?.id ?? '');
  const [cropId, setCrop] = useState<string | null>(null);
  const [typedTestWeight, setTestWeight] = useState<string | null>(null);
  const [editing, setEditing] = useState(false);
  const [road, setRoad] = useState(notebook.settings.haulPlan.farm?.value.buyerId ?? '');
  const chosen = cropId ?? likelyCrop(farm, truckId);
  const crop = cropOf(chosen) ?? CROPS.corn;
  const text = typedTestWeight ?? testWeight.text(crop.legalPounds);
  const { value: tw = NaN, error: twWrong } = testWeight.read(text, {
    least: 20,
    most: 80,
    wanted: true,
    was: crop.legalPounds,
  });
  const kgPerBu = farm.kgPerBu(crop.id);
  if (trucks.length === 0)
    return (
      <p className="px-5 py-5 text-lg text-muted lg:px-6">The farm has no truck yet: places are added in Store.</p>
    );
  const revision = notebook.settings.truckSetup[truckId]?.revision ?? 0;
  const weightOf = (device: DeviceView): number | undefined =>
    zeroed(live.get(device.id)?.curve.slice(-1) ?? [], scaleSetupOf(notebook, device).value.zeroKg)[0]?.kg;
  const view = legalView(farm, notebook, devices, weightOf, truckId, crop.id, twWrong ? null : tw, road);
  const { setup, permit, legal, room, roomByVolume, roomByWeight, onKg } = view;
  const capacity = farm.place(truckId)?.capacityBu ?? null;
  const emptyAxles =
    setup &&
    emptyWeightsOf(notebook, truckId).find(
      (one) => one.combination === setup.combination && one.axlesKg.length === setup.axles.length,
    )?.axlesKg;
  return (
    <div className="lg:grid lg:grid-cols-[1.3fr_1fr]">
      <Section label="What may still go on">
        {room !== null && legal ? (
          <>
            <Verdict
              about={`May still go on ${farm.placeName(truckId)}`}
              bad={room < 0}
              figure={bushels.figure(Math.abs(room), kgPerBu)}
              unit={`${bushels.unit} ${room < 0 ? 'too much' : `of ${crop.name.toLowerCase()}`}`}
            />
            {room < 0 && <p className="mt-1 text-xl font-semibold text-clay">■ Over. Take it off before the road.</p>}
            <p className="mt-2 text-lg">
              {mass(Math.abs(legal.roomKg)).text} {legal.roomKg < 0 ? 'over' : 'left'} by law; of{' '}
              {mass(legal.mostKg).text} of grain in all, {mass(onKg).text} are on it. Limited by{' '}
              <b>{GROUP(legal.decidedBy.first, legal.decidedBy.last)}</b> ({legal.decidedBy.rule},{' '}
              {mass(legal.decidedBy.limitKg).text}).
            </p>
            {roomByVolume !== null && roomByWeight !== null && (
              <p>
                {roomByVolume < roomByWeight
                  ? `The box is full first: ${space(capacity!)} struck at ${testWeight(tw)}.`
                  : `By space ${bushels(Math.max(0, roomByVolume), kgPerBu)} would still fit: the law is full first.`}
              </p>
            )}
            {view.pouring.map(({ cart, kg }) => (
              <p key={cart}>
                ◐ {farm.placeName(cart)} is {mass(kg).text} lighter than the book: counted as on the truck.
              </p>
            ))}
            {!view.emptyByAxle && (
              <p className="mt-1">
                ◐ Its empty weight was taken whole; by axle, the steps between axles would count truly.
              </p>
            )}
            {setup!.permit && (
              <p className="mt-1">
                {permit
                  ? `● ${permit.name}: ${permit.percentAxles} % on axles, ${permit.percentGross} % gross, until ${dayText(permit.until)}.`
                  : view.permitNot === 'road'
                    ? `○ ${setup!.permit!.name} does not name ${road === '' ? 'this road' : `the road to ${farm.placeName(road)}`}: counted without it.`
                    : `○ ${setup!.permit!.name} does not hold today (${dayText(setup!.permit!.from)} to ${dayText(setup!.permit!.until)}): counted without it.`}
              </p>
            )}
            <Callout className="mt-3 px-3 py-2 text-sm">
              <b>Local law, posted bridges and the permit&rsquo;s own text rule.</b> These are federal figures and the
              permit as entered. Brakes and the road decide below that.
            </Callout>
          </>
        ) : (
          <div className="max-w-xl text-lg">
            {view.problem ? (
              <p className="font-semibold text-clay">{view.problem.message}</p>
            ) : !setup ? (
              <p>
                The axles of {farm.placeName(truckId)} are not set up.{' '}
                <b>Enter its axles and limits, then weigh it empty on the truck scale</b>: after that this page tells
                how much it may haul.
              </p>
            ) : (
              <p>
                <b>■ Weigh empty.</b> {setup.combination} was never weighed empty: Scales, Truck scale, Empty.
              </p>
            )}
          </div>
        )}
      </Section>
      <section aria-label="The truck" className="border-t border-ink px-5 py-5 lg:border-t-0 lg:border-l lg:px-6">
        <div className="grid grid-cols-2 gap-3">
          <SelectBox label="Truck" value={truckId} onChange={(event) => setTruck(event.target.value)}>
            {trucks.map((truck) => (
              <option key={truck.id} value={truck.id}>
                {truck.name}
              </option>
            ))}
          </SelectBox>
          <SelectBox
            label="Crop"
            value={crop.id}
            onChange={(event) => {
              setCrop(event.target.value);
              setTestWeight(null);
            }}
          >
            {farm.crops.map((one) => (
              <option key={one.id} value={one.id}>
                {one.name}
              </option>
            ))}
          </SelectBox>
          <SelectBox label="Road to" value={road} onChange={(event) => setRoad(event.target.value)}>
            <option value="">home, the bin site</option>
            {farm.data.places
              .filter(({ kind }) => kind === 'buyer')
              .map((buyer) => (
                <option key={buyer.id} value={buyer.id}>
                  {buyer.name}
                </option>
              ))}
          </SelectBox>
          <TextBox
            label="Test weight"
            unit={testWeight.unit}
            inputMode="decimal"
            value={text}
            error={twWrong}
            onChange={(event) => setTestWeight(event.target.value)}
          />
        </div>
        {setup && (
          <>
            <p className="mt-4 font-semibold">{setup.combination}</p>
            <table className="mt-1 w-full">
              <thead className="border-y border-ink text-left text-sm">
                <tr>
                  <th className="py-1">Axle</th>
                  <th className="text-right">behind the first</th>
                  <th className="text-right">of the load</th>
                  <th className="text-right">empty</th>
                </tr>
              </thead>
              <tbody>
                {setup.axles.map((axle, i) => (
                  <tr key={axle.at} className="border-b border-rule">
                    <td className="py-1">{i + 1}</td>
                    <td className="text-right">{length(axle.at).text}</td>
                    <td className="text-right">{percent(axle.share)}</td>
                    <td className="text-right">{emptyAxles ? mass(emptyAxles[i]!).text : '–'}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </>
        )}
        <Button className="mt-4 w-full" onClick={() => setEditing(true)}>
          {setup ? 'Axles, limits, permit' : 'Set up its axles'}
        </Button>
      </section>
      {editing && (
        <VehicleForm
          farm={farm}
          truckId={truckId}
          revision={revision}
          sheet={setup ?? usualSheet(farm.placeName(truckId))}
          onClose={() => setEditing(false)}
        />
      )}
    </div>
  );
}
