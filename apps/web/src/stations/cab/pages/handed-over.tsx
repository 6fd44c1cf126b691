import { checksOf, living, type PlaceInfo, type Setting, settingsEntriesOf } from '@fanega/core';
import { useState } from 'react';
import { type Farm, useNotebook, useShed } from '../../../data/farm';
import { Button } from '../../../ui';
import { Drawer } from '../../../ui/drawer';
import { heldText, loss } from '../../../quantity/quantity';
import { clock, HOUR_MS, moment } from '../../../quantity/time';
import { settingText } from '../../../widgets/setting-words';
import { say } from '../../../words';

/** An older one was of another shift. */
const SHIFT_MS = 36 * HOUR_MS;
const READ = 'fanega.handover';

/** One screen for who takes over: what was said, how it is set, what it loses, what is in it. Gone once it is read on this device. */
export default function HandedOver({ farm, me, name }: { farm: Farm; me: PlaceInfo; name: string }) {
  const shed = useShed().data;
  const notebook = useNotebook().data;
  const [read, setRead] = useState(() => localStorage.getItem(READ));
  const newest = living<'handover'>(shed?.logs.handover ?? []).find(
    ({ body: { placeId, at, from } }) => placeId === me.id && from !== name && farm.clock() - Date.parse(at) < SHIFT_MS,
  )?.body;
  if (!newest || newest.id === read) return null;
  const done = (): void => {
    localStorage.setItem(READ, newest.id);
    setRead(newest.id);
  };
  const { timeZone } = farm.data.farm;
  const set = notebook && settingsEntriesOf(notebook, me.id)[0]?.body;
  const counted = notebook && checksOf(farm, notebook, me.id)[0];
  const machineLoss = counted?.check.noResult === null ? counted.check.parts.machine : null;
  const per = farm.kgPerBu(farm.lot(counted?.body.lotId ?? '')?.crop);
  const line = (head: string, words: string) => (
    <div>
      <dt className="text-sm text-muted">{head}</dt>
      <dd className="text-lg">{words}</dd>
    </div>
  );
  return (
    <Drawer open title={say('handFrom', { who: newest.from, time: moment(newest.at, timeZone) })} onClose={done}>
      <div className="space-y-4 px-4 py-4">
        <p className="text-xl font-semibold">{newest.machine.trim() === '' ? say('handNothing') : newest.machine}</p>
        <dl className="grid gap-2 sm:grid-cols-2">
          {newest.promised.trim() !== '' && line(say('handPromised'), newest.promised)}
          {line(say('handInIt'), farm.held(me.id).wetKg < 1 ? say('empty') : heldText(farm, farm.held(me.id).wetLots))}
          {set &&
            line(
              `${say('handSet')} (${clock(set.at, timeZone)})`,
              (Object.entries(set.values) as [Setting, number][])
                .map(([setting, value]) => `${say(`set_${setting}`)} ${settingText(setting, value)}`)
                .join(', '),
            )}
          {counted &&
            machineLoss &&
            line(
              say('handLoss', { time: moment(counted.body.at, timeZone) }),
              loss(machineLoss.bushelsPerAcre, per).text,
            )}
        </dl>
        <Button className="!min-h-16 w-full !text-xl" onClick={done}>
          {say('handThanks')}
        </Button>
      </div>
    </Drawer>
  );
}
