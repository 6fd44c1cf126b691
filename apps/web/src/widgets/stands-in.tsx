import { type FieldRecords, scaleSetupOf } from '@fanega/core';
import type { DeviceInfo, DeviceKind } from '@fanega/contract';
import { type Farm, useRefreshFarm } from '../data/farm';
import { useSend } from '../data/use-send';
import { Problem, SelectBox } from '../ui';
import { setting } from '../data/records';
import { write } from '../data/outbox';

/** What a kind of device belongs to. */
const BELONGS: Partial<Record<DeviceKind, { readonly label: string; readonly kinds: readonly string[] }>> = {
  cartScale: { label: 'It stands under', kinds: ['cart', 'truck'] },
  monitor: { label: 'It is the display of', kinds: ['combine'] },
  tracker: { label: 'It rides on', kinds: ['combine', 'cart', 'truck'] },
};

/** Which machine a scale or a display belongs to; nothing for devices that belong to none. */
export function StandsIn({ farm, notebook, device }: { farm: Farm; notebook: FieldRecords; device: DeviceInfo }) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const belongs = BELONGS[device.kind];
  if (!belongs) return null;
  const { revision, value } = scaleSetupOf(notebook, device);
  const change = async (placeId: string): Promise<void> => {
    const { placeId: _, ...rest } = value;
    const next = { revision, value: placeId === '' ? rest : { ...rest, placeId } };
    if (await sending.send(() => write(farm.id, setting(farm.id, 'scaleSetup', device.id, next)))) await refresh();
  };
  return (
    <>
      <SelectBox
        label={belongs.label}
        value={value.placeId ?? ''}
        disabled={sending.busy}
        onChange={(event) => void change(event.target.value)}
      >
        <option value="">not said yet</option>
        {farm.data.places
          .filter((place) => belongs.kinds.includes(place.kind))
          .map((place) => (
            <option key={place.id} value={place.id}>
              {place.name}
            </option>
          ))}
      </SelectBox>
      <Problem>{sending.message}</Problem>
    </>
  );
}
