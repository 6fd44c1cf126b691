import { type ChainLink, DELAY } from '@fanega/core';
import { useState } from 'react';
import { ulid } from 'ulid';
import type { Command } from '../data/api';
import { type Farm, useRefreshFarm } from '../data/farm';
import { SelectBox, TextBox } from '../ui';
import { oneOf } from '../ui/form/box';
import { useFields } from '../ui/form/use-fields';
import { FormDrawer } from '../ui/form-drawer';
import { minutes } from '../quantity/quantity';
import { figureBox, textBox } from './record-boxes';
import { useRecorded } from './take-back';
import { DELAY_LINKS, delayWords } from './chain-words';
import { logged } from '../data/records';
import { write } from '../data/outbox';
import { say } from '../words';

/** Something stands, or will be late: the day is planned again, and everybody sees it. */
export function ReportDelay({
  farm,
  machineId: own,
  link: about,
  onClose,
  onKeep,
}: {
  farm: Farm;
  /** Whose delay it is, where one reports his own. */
  machineId?: string;
  /** What is likely late, where it is no machine. */
  link?: ChainLink;
  onClose: () => void;
  /** Out of reach of a tower it waits on the device. */
  onKeep?: (command: Command, what: string) => void;
}) {
  const refresh = useRefreshFarm(farm.id);
  const recorded = useRecorded();
  const [id] = useState(ulid);
  const form = useFields({
    boxes: {
      link: oneOf<ChainLink>(),
      machineId: oneOf<string>(),
      minutes: figureBox(DELAY.fields.minutes, minutes, { missing: say('howManyMinutes') }),
      reason: textBox(DELAY.fields.reason),
    },
    start: () => ({
      link:
        about ??
        ({ combine: 'combine', cart: 'cart', dryer: 'dryer' } as const)[farm.place(own ?? '')?.kind as 'cart'] ??
        'trucks',
      machineId: own ?? '',
      minutes: '30',
      reason: '',
    }),
    close: onClose,
    save: async ({ link, machineId, minutes: late, reason }) => {
      const body = {
        id,
        at: new Date(farm.clock()).toISOString(),
        link,
        minutes: late,
        ...(machineId === '' ? {} : { machineId }),
        ...(reason === '' ? {} : { reason }),
      };
      const command = logged(farm.id, 'delay', body);
      const what = delayWords(link);
      if (onKeep) {
        onKeep(command, what);
        return false;
      }
      await write(farm.id, command, what);
      recorded(say('plannedAgain', { what }), 'delay', id);
      await refresh();
      return true;
    },
  });
  const { link } = form.texts;
  const kind = link === 'trucks' ? 'truck' : link;
  const machines = farm.data.places.filter((place) => place.kind === kind);
  return (
    <FormDrawer form={form} title={say('way_late')} button={say('planAgain')}>
      <SelectBox
        label={say('what')}
        value={link}
        onChange={(event) => {
          form.set('link', event.target.value as ChainLink);
          form.set('machineId', '');
        }}
      >
        {DELAY_LINKS.map((one) => (
          <option key={one} value={one}>
            {delayWords(one)}
          </option>
        ))}
      </SelectBox>
      {machines.length > 0 && (
        <SelectBox label={say('which')} {...form.box('machineId')}>
          <option value="">{say('allOfThem')}</option>
          {machines.map((machine) => (
            <option key={machine.id} value={machine.id}>
              {machine.name}
            </option>
          ))}
        </SelectBox>
      )}
      <TextBox label={say('howLong')} {...form.box('minutes')} />
      <TextBox label={say('whyIfYouLike')} {...form.box('reason')} />
    </FormDrawer>
  );
}
