import type { DeviceInfo, DeviceKind, NewDevice } from '@fanega/contract';
import { DEVICE_NAMES } from '@fanega/core';
import { useState } from 'react';
import { post } from '../../../data/api';
import { type Farm, useDevices, useNotebook, useRefreshFarm } from '../../../data/farm';
import { useSend } from '../../../data/use-send';
import { Button, Empty, Problem, SelectBox, TextBox } from '../../../ui';
import { Drawer } from '../../../ui/drawer';
import { oneOf } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { QueryBoundary } from '../../../ui/query-boundary';
import { textBox } from '../../../widgets/record-boxes';
import { StandsIn } from '../../../widgets/stands-in';
import { Ago } from '../../../widgets/ago';
import { write } from '../../../data/outbox';

const KINDS: Readonly<Record<DeviceKind, string>> = {
  weather: 'Weather station',
  cartScale: 'Cart scale',
  truckScale: 'Truck scale',
  monitor: 'Combine display',
  tester: 'Moisture tester',
  elevator: 'Elevator',
  dryer: 'Dryer',
  binCables: 'Bin cables',
  motors: 'Leg and auger motors',
  bids: 'Buyers’ bids',
  level: 'Level sensor',
  tracker: 'Position tracker',
};

/** What writes by itself: stations, scales, testers, each with a token of its own. */
export function Devices({ farm }: { farm: Farm }) {
  const devices = useDevices();
  const [adding, setAdding] = useState(false);
  return (
    <div>
      <div className="flex flex-wrap items-center justify-between gap-3 px-5 py-4 lg:px-6">
        <p className="max-w-xl text-muted">
          A device writes to the farm over the network with its own token, and only what its kind may: docs/devices.md
          says how.
        </p>
        <Button onClick={() => setAdding(true)}>Add a device</Button>
      </div>
      <QueryBoundary answer={devices} what="Looking for devices">
        {(list) =>
          list.length === 0 ? (
            <Empty title="No device writes by itself yet.">
              <p>Weather, readings and weights are typed until one does.</p>
            </Empty>
          ) : (
            <ul className="border-t border-ink">
              {list.map((device) => (
                <Device key={device.id} farm={farm} device={device} />
              ))}
            </ul>
          )
        }
      </QueryBoundary>
      {adding && <AddDevice farm={farm} onClose={() => setAdding(false)} />}
    </div>
  );
}

function Device({ farm, device }: { farm: Farm; device: DeviceInfo }) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const [sure, setSure] = useState(false);
  const notebook = useNotebook().data;
  const revoke = async (): Promise<void> => {
    if (!sure) return setSure(true);
    if (
      await sending.send(() =>
        write(
          farm.id,
          post('/api/farms/{farmId}/devices/{deviceId}/revoke', { path: { farmId: farm.id, deviceId: device.id } }),
        ),
      )
    )
      await refresh();
  };
  return (
    <li className="flex flex-wrap items-center gap-x-5 gap-y-1 border-b border-rule px-5 py-3 lg:px-6">
      <span className="min-w-48 flex-1">
        <b className={device.revoked ? 'text-muted line-through' : ''}>{device.name}</b>{' '}
        <span className="text-muted">{KINDS[device.kind]}</span>
      </span>
      <span className="text-sm">
        {device.revoked ? (
          'revoked'
        ) : device.lastSeen ? (
          <>
            last heard <Ago at={device.lastSeen} />
          </>
        ) : (
          '◐ never heard yet'
        )}
      </span>
      {notebook &&
        !device.revoked &&
        (['cartScale', 'monitor', 'tracker'] as const).some((kind) => kind === device.kind) && (
          <div className="w-52">
            <StandsIn farm={farm} notebook={notebook} device={device} />
          </div>
        )}
      {!device.revoked && (
        <Button look="quiet" className="!px-0" disabled={sending.busy} onClick={() => void revoke()}>
          {sure ? 'Yes, revoke it' : 'Revoke'}
        </Button>
      )}
      <Problem className="w-full">{sending.message}</Problem>
    </li>
  );
}

function AddDevice({ farm, onClose }: { farm: Farm; onClose: () => void }) {
  const refresh = useRefreshFarm(farm.id);
  const [made, setMade] = useState<NewDevice | null>(null);
  const form = useFields({
    boxes: { kind: oneOf<DeviceKind>(), name: textBox(DEVICE_NAMES.name, 'The device needs a name') },
    start: () => ({ kind: 'weather' as DeviceKind, name: '' }),
    close: onClose,
    save: async (body) => {
      const sent = await write(farm.id, post('/api/farms/{farmId}/devices', { path: { farmId: farm.id } }, body));
      if (!sent.waits) setMade(sent.answer);
      await refresh();
      // The token is read before the drawer goes.
      return sent.waits;
    },
  });
  if (made)
    return (
      <Drawer open title="Add a device" onClose={onClose}>
        <div className="space-y-4 px-5 py-4">
          <p className="text-lg font-semibold">Its token, shown this once:</p>
          <p className="border border-ink bg-tape p-3 font-mono break-all select-all" aria-label="Token">
            {made.token}
          </p>
          <p className="text-muted">
            Copy it into the device now. The farm keeps only its fingerprint; if it is lost, revoke the device and add
            it again.
          </p>
          <Button look="do" className="min-h-14 w-full text-lg" onClick={onClose}>
            It is copied
          </Button>
        </div>
      </Drawer>
    );
  return (
    <FormDrawer form={form} title="Add a device" button="Add the device">
      <SelectBox label="What it is" {...form.box('kind')}>
        {(Object.keys(KINDS) as DeviceKind[]).map((one) => (
          <option key={one} value={one}>
            {KINDS[one]}
          </option>
        ))}
      </SelectBox>
      <TextBox label="Name" {...form.box('name')} />
    </FormDrawer>
  );
}
