import { type FieldRecords, offeredLoads, scaleSetupOf } from '@fanega/core';
import type { DeviceInfo } from '@fanega/contract';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Farm, HaulAtScale } from '../../../data/farm';
import { type LiveDevice, useLive } from '../../../data/live';
import { Choices } from '../../../ui';
import { LiveWeight } from '../../../widgets/live-weight';
import { OfferedLoads } from '../../../widgets/offered-loads';
import { StandsIn } from '../../../widgets/stands-in';
import { SelfRecording } from './self-recording';
import { WeighStation } from '../../../widgets/weigh/truck-scale';

/** The farm's own scales, live: the cart's, and the truck scale. */
export default function Scales({
  farm,
  notebook,
  haul,
  devices,
}: {
  farm: Farm;
  notebook: FieldRecords;
  haul: HaulAtScale;
  devices: readonly DeviceInfo[];
}) {
  const live = useLive();
  const carts = devices.filter((device) => device.kind === 'cartScale' && !device.revoked);
  const bridges = devices.filter((device) => device.kind === 'truckScale' && !device.revoked);
  const [part, setPart] = useState<'bridge' | 'carts' | 'itself'>(
    carts.length > 0 && bridges.length === 0 ? 'carts' : 'bridge',
  );
  return (
    <div className="px-5 py-5 lg:px-6">
      <div className="mb-5 w-96 max-w-full">
        <Choices
          label="Scale"
          hidden
          value={part}
          onChange={setPart}
          choices={[
            { value: 'bridge', label: 'Truck scale' },
            { value: 'carts', label: 'Cart scales' },
            { value: 'itself', label: 'By itself' },
          ]}
        />
      </div>
      {part === 'itself' ? (
        <SelfRecording farm={farm} notebook={notebook} devices={devices} />
      ) : part === 'bridge' ? (
        <WeighStation farm={farm} notebook={notebook} haul={haul} bridges={bridges} live={live} />
      ) : carts.length === 0 ? (
        <p className="max-w-xl text-lg text-muted">
          No cart scale is on the wire. A scale with a gateway is added in{' '}
          <Link to="/shed/devices" className="underline decoration-rule underline-offset-4">
            Shed, Devices
          </Link>
          ; until then its figure is typed with the load.
        </p>
      ) : (
        <div className="grid gap-10 lg:grid-cols-2">
          {carts.map((device) => (
            <div key={device.id}>
              <CartScale farm={farm} notebook={notebook} device={device} live={live.get(device.id)} />
            </div>
          ))}
        </div>
      )}
    </div>
  );
}

function CartScale({
  farm,
  notebook,
  device,
  live,
}: {
  farm: Farm;
  notebook: FieldRecords;
  device: DeviceInfo;
  live: LiveDevice | undefined;
}) {
  const { value: setup } = scaleSetupOf(notebook, device);
  const held = setup.placeId === undefined ? undefined : farm.held(setup.placeId);
  const lastLot = farm.data.tape.flatMap(({ entry, voided }) =>
    !voided && entry.type === 'harvest' ? [entry.lot] : [],
  )[0];
  const crop = (held && farm.cropOf(held.lots)) ?? farm.lot(lastLot ?? '')?.crop;
  return (
    <>
      <LiveWeight farm={farm} notebook={notebook} device={device} live={live} crop={crop} />
      <div className="mt-4">
        <StandsIn farm={farm} notebook={notebook} device={device} />
      </div>
      <OfferedLoads
        farm={farm}
        placeId={setup.placeId}
        loads={offeredLoads(farm.data.tape, live?.curve ?? [], setup)}
        by={device.name}
      />
    </>
  );
}
