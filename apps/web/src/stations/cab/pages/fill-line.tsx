import { cropOf, CROPS, fillsFirst, type FillLimit, heapedKg, legalView, machineRate } from '@fanega/core';
import { useMemo } from 'react';
import { type Farm, useDevices, useFields, useNotebook } from '../../../data/farm';
import { grain } from '../../../quantity/quantity';
import { spanText } from '../../../quantity/time';
import { say } from '../../../words';

/** Straight into a truck: how much still goes on until its box, its tarp or the law is first, and how long cutting takes for it. */
export default function FillLine({
  farm,
  truckId,
  machineId,
  cropId,
}: {
  farm: Farm;
  truckId: string;
  machineId: string;
  cropId: string;
}) {
  const notebook = useNotebook().data;
  const rows = useFields().data;
  const devices = useDevices().data;
  const found = useMemo(() => {
    const truck = farm.place(truckId);
    if (!notebook || !rows || !truck) return null;
    const crop = cropOf(cropId) ?? CROPS.corn;
    const view = legalView(farm, notebook, devices ?? [], () => undefined, truckId, crop.id, crop.testWeight);
    const limits: FillLimit[] = [];
    if (truck.capacityBu !== null) limits.push({ name: 'box', kg: heapedKg(Math.min(10_000, truck.capacityBu), crop.testWeight) }); // prettier-ignore
    const cover = notebook.settings.cover[truckId]?.value.closesUpTo;
    if (cover !== undefined) limits.push({ name: 'cover', kg: heapedKg(Math.min(10_000, cover), crop.testWeight) });
    if (view.legal) limits.push({ name: 'law', kg: Math.max(0, view.legal.mostKg) });
    if (limits.length === 0) return null;
    return fillsFirst(view.onKg, limits, machineRate(farm, notebook, rows, machineId, crop.id)?.inField ?? 0);
  }, [farm, notebook, rows, devices, truckId, machineId, cropId]);
  if (!found) return null;
  const put = { place: farm.placeName(truckId), what: say(`fill_${found.by}`), much: grain(Math.abs(found.roomKg), farm.kgPerBu(cropId)).text }; // prettier-ignore
  return found.roomKg < 0 ? (
    <p className="text-xl font-bold text-clay">■ {say('fillOver', put)}</p>
  ) : (
    <p className="text-xl">
      <b>{say('fillMore', put)}</b>
      {found.seconds !== null && `, ${say('fillTime', { span: spanText(Math.max(1, found.seconds / 60)) })}`}
    </p>
  );
}
