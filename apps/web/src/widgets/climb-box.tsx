import { CLIMB } from '@fanega/core';
import { useState } from 'react';
import { ulid } from 'ulid';
import { type Farm, useMe, useRefreshFarm } from '../data/farm';
import { write } from '../data/outbox';
import { logged } from '../data/records';
import { useSend } from '../data/use-send';
import { clock, spanText } from '../quantity/time';
import { Button, TextBox } from '../ui';
import { useFields } from '../ui/form/use-fields';
import { FormDrawer } from '../ui/form-drawer';
import { useTicking } from '../ui/use-ticking';
import { say } from '../words';
import { textBox } from './record-boxes';
import { useSite } from './site';

/** Who is up on a bin, and the way to say so: a second person by name, and fifteen minutes before the others are alarmed. */
export function ClimbBox({ farm, placeId, by }: { farm: Farm; placeId: string; by?: string }) {
  useTicking();
  const site = useSite(farm);
  const [asking, setAsking] = useState(false);
  const sending = useSend();
  const refresh = useRefreshFarm(farm.id);
  const up = (site?.climbing ?? []).filter((one) => one.placeId === placeId);
  const down = async (who: string, second: string): Promise<void> => {
    const body = { id: ulid(), at: new Date(farm.clock()).toISOString(), placeId, who, second, down: true };
    await sending.send(() => write(farm.id, logged(farm.id, 'climb', body), say('isDownAgain', { who })));
    await refresh();
  };
  return (
    <section aria-label={say('climbing')}>
      {up.map(({ who, second, sinceMs, overdue }) => (
        <div key={who} className="mb-2 flex flex-wrap items-center gap-3">
          <p className={overdue ? 'font-bold text-clay' : ''}>
            {say('isUp', {
              who,
              second,
              at: clock(sinceMs, farm.data.farm.timeZone),
              span: spanText(Math.max(0, Math.floor((farm.clock() - sinceMs) / 60_000))),
            })}
          </p>
          <Button look="do" disabled={sending.busy} onClick={() => void down(who, second)}>
            {say('downAgain', { who })}
          </Button>
        </div>
      ))}
      <Button onClick={() => setAsking(true)}>{say('iClimb')}</Button>
      {asking && <ClimbDrawer farm={farm} placeId={placeId} by={by} onClose={() => setAsking(false)} />}
    </section>
  );
}

function ClimbDrawer({
  farm,
  placeId,
  by,
  onClose,
}: {
  farm: Farm;
  placeId: string;
  by: string | undefined;
  onClose: () => void;
}) {
  const me = useMe().data;
  const refresh = useRefreshFarm(farm.id);
  const [id] = useState(ulid);
  const { fields } = CLIMB;
  const form = useFields({
    boxes: { who: textBox(fields.who, say('nameStands')), second: textBox(fields.second, say('secondWanted')) },
    start: () => ({ who: by ?? me?.user?.name ?? me?.job?.driver ?? '', second: '' }),
    together: ({ who, second }): Record<string, string> =>
      who.trim().toLowerCase() === second.trim().toLowerCase() ? { second: say('anotherPerson') } : {},
    close: onClose,
    save: async ({ who, second }) => {
      const body = {
        id,
        at: new Date(farm.clock()).toISOString(),
        placeId,
        who: who.trim(),
        second: second.trim(),
        down: false,
      };
      await write(farm.id, logged(farm.id, 'climb', body), say('climbs', { who }));
      await refresh();
    },
  });
  return (
    <FormDrawer form={form} title={say('climbOf', { place: farm.placeName(placeId) })} button={say('startClimb')}>
      <p className="text-lg">{say('climbRules')}</p>
      <TextBox label={say('whoClimbs')} {...form.box('who')} />
      <TextBox label={say('whoWatches')} {...form.box('second')} />
      <p className="text-sm text-muted">{say('climbTimer')}</p>
    </FormDrawer>
  );
}
