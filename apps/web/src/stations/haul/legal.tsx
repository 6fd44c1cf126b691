import type { DeviceInfo, Notebook, VehicleSheet } from '@fanega/contract';
import { cropOf, CROPS, FEDERAL_RULES, KG_PER_LB, legalLoad, type LegalLoad, M_PER_FT, RangeRefusal, weighed, type WeightRules } from '@fanega/core';
import { useState } from 'react';
import { toast } from 'sonner';
import { put } from '../../data/api';
import { type Farm, useRefreshFarm } from '../../data/farm';
import { scaleSheet, useLive, zeroed } from '../../data/live';
import { useSend } from '../../data/use-send';
import { Button, SelectBox, TextBox } from '../../ui';
import { FormSheet } from '../../ui/form-sheet';
import { formatBushels, formatPounds, parseNumber } from '../../widgets/quantity';
import { calendarDay } from '../../widgets/time';
import { taresOf, weighingOf } from './weigh-facts';

const GROUP = (first: number, last: number): string => (first === last ? `axle ${first + 1}` : `axles ${first + 1} to ${last + 1}`);
/** A cart that is lighter than the book by less than this has only moved. */
const POURED_KG = 100;

/** What may be on a truck by law and permit, and how much more may go on, before and while it is loaded. */
export default function Legal({ farm, notebook, devices }: { farm: Farm; notebook: Notebook; devices: readonly DeviceInfo[] }) {
  const trucks = farm.data.places.filter((place) => place.kind === 'truck');
  const live = useLive();
  const loading = trucks.filter((truck) => farm.held(truck.id).wetKg > 1);
  const [truckId, setTruck] = useState((loading[0] ?? trucks[0])?.id ?? '');
  const lastLot = farm.data.tape.flatMap(({ entry, voided }) => (!voided && entry.type === 'harvest' ? [entry.lot] : []))[0];
  const [cropId, setCrop] = useState<string | null>(null);
  const [testWeight, setTestWeight] = useState<string | null>(null);
  const [editing, setEditing] = useState(false);
  const held = farm.held(truckId);
  const chosen = cropId ?? farm.cropOf(held.lots) ?? farm.lot(lastLot ?? '')?.crop ?? 'corn';
  const crop = cropOf(chosen) ?? CROPS.corn;
  const text = testWeight ?? String(crop.legalPounds);
  const tw = parseNumber(text);
  const twWrong = tw >= 20 && tw <= 80 ? undefined : 'Pounds a bushel, from 20 to 80';
  if (trucks.length === 0) return <p className="px-5 py-5 text-lg text-muted lg:px-6">The farm has no truck yet: places are added in Store.</p>;
  const kept = notebook.vehicles[truckId];
  const sheet = kept?.sheet;
  // While the cart unloads, what it is lighter than the book is on the truck already.
  const pouring = devices.flatMap((device) => {
    if (device.kind !== 'cartScale' || device.revoked) return [];
    const { sheet: scale } = scaleSheet(notebook, device);
    const now = zeroed(live.get(device.id)?.curve.slice(-1) ?? [], scale.zeroKg)[0]?.kg;
    const book = scale.placeId === undefined ? 0 : farm.held(scale.placeId).wetKg;
    return now !== undefined && scale.placeId !== undefined && book - now > POURED_KG ? [{ cart: farm.placeName(scale.placeId), kg: book - Math.max(0, now) }] : [];
  });
  const poured = pouring.reduce((sum, cart) => sum + cart.kg, 0);
  const onKg = held.wetKg + poured;
  const tare = sheet && taresOf(notebook, truckId).find((one) => one.combination === sheet.combination && one.axlesKg.length === sheet.axles.length);
  const whole = sheet && taresOf(notebook, truckId).find((one) => one.combination === sheet.combination);
  const today = calendarDay(farm.data.now, farm.data.farm.timeZone);
  const permit = sheet?.permit && sheet.permit.from <= today && today <= sheet.permit.until ? sheet.permit : null;
  let answer: LegalLoad | null = null;
  let problem: string | null = null;
  if (sheet && (tare || whole)) {
    const emptyKg = tare ? tare.axlesKg : spread(weighed(weighingOf(whole!.axlesKg)).kg, sheet.axles.length);
    const rules: WeightRules = {
      single: sheet.singleLb,
      tandem: sheet.tandemLb,
      gross: sheet.grossLb,
      permitPercent: { axles: permit?.percentAxles ?? 0, gross: permit?.percentGross ?? 0 },
    };
    try {
      answer = legalLoad(
        sheet.axles.map((axle, i) => ({ ...axle, emptyKg: emptyKg[i]! })),
        onKg,
        rules,
      );
    } catch (error) {
      if (!(error instanceof RangeRefusal)) throw error;
      problem = error.message;
    }
  }
  const kgPerBu = farm.kgPerBu(crop.id);
  // Struck capacity is space: what goes in weighs by the test weight.
  const capacity = farm.place(truckId)?.capacityBu ?? null;
  const roomByVolume = capacity === null || twWrong ? null : (capacity * tw * KG_PER_LB - onKg) / kgPerBu;
  const roomByWeight = answer === null ? null : answer.roomKg / kgPerBu;
  const room = roomByWeight === null ? null : Math.min(roomByWeight, roomByVolume ?? Infinity);
  return (
    <div className="lg:grid lg:grid-cols-[1.3fr_1fr]">
      <section aria-label="What may still go on" className="px-5 py-5 lg:px-6">
        {room !== null && answer ? (
          <>
            <p className="text-sm text-muted">May still go on {farm.placeName(truckId)}</p>
            <p className={`text-7xl leading-none font-bold ${room < 0 ? 'text-clay' : ''}`}>
              {room < 0 ? `${formatBushels(-room)}` : formatBushels(room)}{' '}
              <span className="text-2xl font-normal text-muted">{room < 0 ? 'bu too many' : `bu of ${crop.name.toLowerCase()}`}</span>
            </p>
            {room < 0 && <p className="mt-1 text-xl font-semibold text-clay">■ Over. Take it off before the road.</p>}
            <p className="mt-2 text-lg">
              {formatPounds(Math.abs(answer.roomKg))} lb {answer.roomKg < 0 ? 'over' : 'left'} by law; of {formatPounds(answer.mostKg)} lb of grain in all, {formatPounds(onKg)} lb
              are on it. Decided by <b>{GROUP(answer.decidedBy.first, answer.decidedBy.last)}</b> ({answer.decidedBy.rule}, {formatPounds(answer.decidedBy.limitKg)} lb).
            </p>
            {roomByVolume !== null && roomByWeight !== null && (
              <p>
                {roomByVolume < roomByWeight
                  ? `The box is full first: ${formatBushels(capacity!)} struck bu at ${tw} lb test weight.`
                  : `By space ${formatBushels(Math.max(0, roomByVolume))} bu would still fit: the law is full first.`}
              </p>
            )}
            {pouring.map(({ cart, kg }) => (
              <p key={cart}>
                ◐ {cart} is {formatPounds(kg)} lb lighter than the book: counted as on the truck.
              </p>
            ))}
            {!tare && <p className="mt-1">◐ Its empty weight was taken whole; by axle, the steps between axles would count truly.</p>}
            {sheet!.permit && (
              <p className="mt-1">
                {permit
                  ? `● ${permit.name}: ${permit.percentAxles} % on axles, ${permit.percentGross} % gross, until ${permit.until}.`
                  : `○ ${sheet!.permit.name} does not hold today (${sheet!.permit.from} to ${sheet!.permit.until}): counted without it.`}
              </p>
            )}
            <p className="mt-3 border-l-4 border-clay bg-sand px-3 py-2 text-sm">
              <b>Local law and the permit&rsquo;s own text rule.</b> {answer.caution}
            </p>
          </>
        ) : (
          <div className="max-w-xl text-lg">
            {problem ? (
              <p className="font-semibold text-clay">{problem}</p>
            ) : !sheet ? (
              <p>
                Nobody said yet what axles {farm.placeName(truckId)} has. <b>Its axles, its limits, then an empty weight on the bridge</b>: from then on this page says how many
                bushels may go on.
              </p>
            ) : (
              <p>
                <b>■ Weigh empty.</b> {sheet.combination} was never weighed empty: Scales, Own bridge, Empty.
              </p>
            )}
          </div>
        )}
      </section>
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
            {Object.values(CROPS).map((one) => (
              <option key={one.id} value={one.id}>
                {one.name}
              </option>
            ))}
          </SelectBox>
          <TextBox label="Test weight" unit="lb/bu" inputMode="decimal" value={text} error={twWrong} onChange={(event) => setTestWeight(event.target.value)} />
        </div>
        {sheet && (
          <>
            <p className="mt-4 font-semibold">{sheet.combination}</p>
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
                {sheet.axles.map((axle, i) => (
                  <tr key={axle.at} className="border-b border-rule">
                    <td className="py-1">{i + 1}</td>
                    <td className="text-right">{(axle.at / M_PER_FT).toFixed(1)} ft</td>
                    <td className="text-right">{(100 * axle.share).toFixed(1)} %</td>
                    <td className="text-right">{tare ? `${formatPounds(tare.axlesKg[i]!)} lb` : '–'}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </>
        )}
        <Button className="mt-4 w-full" onClick={() => setEditing(true)}>
          {sheet ? 'Axles, limits, permit' : 'Say what axles it has'}
        </Button>
      </section>
      {editing && (
        <VehicleForm farm={farm} truckId={truckId} revision={kept?.revision ?? 0} sheet={sheet ?? usualSheet(farm.placeName(truckId))} onClose={() => setEditing(false)} />
      )}
    </div>
  );
}

/** A whole weight spread evenly: right for the gross, a guess for the axles, and said to be one. */
const spread = (kg: number, axles: number): number[] => Array.from({ length: axles }, () => kg / axles);

/** A tractor with a hopper trailer, as many are: to be put right for the truck that it is. */
function usualSheet(name: string): VehicleSheet {
  return {
    combination: name,
    axles: [0, 14, 18.3, 47, 51.3].map((feet, i) => ({ at: feet * M_PER_FT, share: [0.04, 0.23, 0.23, 0.25, 0.25][i]! })),
    singleLb: FEDERAL_RULES.single,
    tandemLb: FEDERAL_RULES.tandem,
    grossLb: FEDERAL_RULES.gross,
  };
}

function VehicleForm({ farm, truckId, revision, sheet, onClose }: { farm: Farm; truckId: string; revision: number; sheet: VehicleSheet; onClose: () => void }) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const number = (value: number): string => String(Math.round(value * 100) / 100);
  const [text, setText] = useState({
    combination: sheet.combination,
    axles: sheet.axles.map((axle) => ({ at: number(axle.at / M_PER_FT), share: number(100 * axle.share) })),
    single: number(sheet.singleLb),
    tandem: number(sheet.tandemLb),
    gross: number(sheet.grossLb),
    permit: sheet.permit?.name ?? '',
    percentAxles: number(sheet.permit?.percentAxles ?? 0),
    percentGross: number(sheet.permit?.percentGross ?? 10),
    from: sheet.permit?.from ?? '',
    until: sheet.permit?.until ?? '',
  });
  const [tried, setTried] = useState(false);
  const set = (change: Partial<typeof text>) => setText({ ...text, ...change });
  const axles = text.axles.map((axle) => ({ at: parseNumber(axle.at) * M_PER_FT, share: parseNumber(axle.share) / 100 }));
  const sum = axles.reduce((total, axle) => total + axle.share, 0);
  const errors = {
    axles: axles.some((axle, i) => Number.isNaN(axle.at) || (i === 0 ? axle.at !== 0 : axle.at < axles[i - 1]!.at + 0.5))
      ? 'Each axle stands behind the one before, at least 2 ft; the first at 0'
      : Math.abs(sum - 1) > 0.001
        ? `The parts of the load come to ${Number.isNaN(sum) ? 'no number' : `${(100 * sum).toFixed(1)} %`}, not to 100`
        : undefined,
    permit: text.permit.trim() !== '' && (text.from === '' || text.until === '') ? 'A permit has a first and a last day' : undefined,
  };
  const save = async (): Promise<void> => {
    setTried(true);
    if (errors.axles || errors.permit) return;
    const next = {
      combination: text.combination.trim(),
      axles,
      singleLb: parseNumber(text.single),
      tandemLb: parseNumber(text.tandem),
      grossLb: parseNumber(text.gross),
      ...(text.permit.trim() === ''
        ? {}
        : { permit: { name: text.permit.trim(), percentAxles: parseNumber(text.percentAxles), percentGross: parseNumber(text.percentGross), from: text.from, until: text.until } }),
    };
    if (!(await sending.send(() => put<{ revision: number }>(`/farms/${farm.id}/sheets/vehicle/${truckId}`, { revision, sheet: next })))) return;
    toast('The truck is kept');
    await refresh();
    onClose();
  };
  return (
    <FormSheet
      title={farm.placeName(truckId)}
      button="Keep the truck"
      busy={sending.busy}
      problem={(tried && (errors.axles ?? errors.permit)) || sending.message}
      onSubmit={save}
      onClose={onClose}
    >
      <TextBox label="Tractor and trailer" maxLength={60} value={text.combination} error={sending.at.combination} onChange={(event) => set({ combination: event.target.value })} />
      <fieldset>
        <legend className="mb-1 text-sm font-semibold">Axles, from the front</legend>
        {text.axles.map((axle, i) => (
          <div key={i} className="mb-2 grid grid-cols-[2rem_1fr_1fr] items-end gap-3">
            <span className="pb-2 font-bold">{i + 1}</span>
            <TextBox
              label="behind the first"
              unit="ft"
              inputMode="decimal"
              value={axle.at}
              disabled={i === 0}
              onChange={(event) => set({ axles: text.axles.map((one, j) => (j === i ? { ...one, at: event.target.value } : one)) })}
            />
            <TextBox
              label="of the load"
              unit="%"
              inputMode="decimal"
              value={axle.share}
              onChange={(event) => set({ axles: text.axles.map((one, j) => (j === i ? { ...one, share: event.target.value } : one)) })}
            />
          </div>
        ))}
        <p className="flex gap-4">
          <Button
            look="quiet"
            className="!px-0"
            disabled={text.axles.length >= 12}
            onClick={() => set({ axles: [...text.axles, { at: number((axles.at(-1)?.at ?? 0) / M_PER_FT + 4.3), share: '0' }] })}
          >
            Another axle
          </Button>
          <Button look="quiet" className="!px-0" disabled={text.axles.length <= 2} onClick={() => set({ axles: text.axles.slice(0, -1) })}>
            One less
          </Button>
        </p>
      </fieldset>
      <div className="grid grid-cols-3 gap-3">
        <TextBox label="Single" unit="lb" inputMode="decimal" value={text.single} error={sending.at.singleLb} onChange={(event) => set({ single: event.target.value })} />
        <TextBox label="Tandem" unit="lb" inputMode="decimal" value={text.tandem} error={sending.at.tandemLb} onChange={(event) => set({ tandem: event.target.value })} />
        <TextBox label="Gross" unit="lb" inputMode="decimal" value={text.gross} error={sending.at.grossLb} onChange={(event) => set({ gross: event.target.value })} />
      </div>
      <TextBox label="Permit, as it is headed" maxLength={80} hint="leave empty without one" value={text.permit} onChange={(event) => set({ permit: event.target.value })} />
      {text.permit.trim() !== '' && (
        <div className="grid grid-cols-2 gap-3">
          <TextBox
            label="On axles"
            unit="%"
            inputMode="decimal"
            value={text.percentAxles}
            error={sending.at.percentAxles}
            onChange={(event) => set({ percentAxles: event.target.value })}
          />
          <TextBox
            label="On the gross"
            unit="%"
            inputMode="decimal"
            value={text.percentGross}
            error={sending.at.percentGross}
            onChange={(event) => set({ percentGross: event.target.value })}
          />
          <TextBox label="From" type="date" value={text.from} error={sending.at.from} onChange={(event) => set({ from: event.target.value })} />
          <TextBox label="Until" type="date" value={text.until} error={sending.at.until} onChange={(event) => set({ until: event.target.value })} />
        </div>
      )}
      <p className="text-sm text-muted">Federal limits stand here first; put your state&rsquo;s and your permit&rsquo;s own figures in their place. They rule.</p>
    </FormSheet>
  );
}
