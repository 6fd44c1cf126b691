import { CREW, CREW_MEMBER, type SettingEntry, USUAL_HOURS } from '@fanega/core';
import { useFieldArray } from 'react-hook-form';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { setting } from '../../../data/records';
import { hours, share, wind } from '../../../quantity/quantity';
import { hourText, likeMinute, readMinute } from '../../../quantity/time';
import { Button, SelectBox, TextBox } from '../../../ui';
import { CheckBox } from '../../../ui/check-box';
import { type Box, oneOf, rows, yesNo } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { figureBox, figureOrNone, textBox } from '../../../widgets/record-boxes';

/** An hour of the day, as "10 pm". */
const hourBox: Box<number | undefined> = {
  read: (typed) => {
    if (typed.trim() === '') return { value: undefined };
    const minute = readMinute(typed);
    return Number.isNaN(minute) ? { error: likeMinute() } : { value: minute / 60 };
  },
};
const NOBODY = { name: '', phone: '', vehicle: '', trainee: false };

/** Who works here, who is called, and the farm's own lines. */
export function CrewDrawer({
  farm,
  kept,
  onClose,
}: {
  farm: Farm;
  kept: SettingEntry<'crew'> | undefined;
  onClose: () => void;
}) {
  const refresh = useRefreshFarm(farm.id);
  const was = kept?.value;
  const form = useFields({
    keptAs: `crew.${farm.id}`,
    boxes: {
      people: rows(() => ({ name: textBox(CREW_MEMBER.name), phone: textBox(CREW_MEMBER.phone), vehicle: textBox(CREW_MEMBER.vehicle), trainee: yesNo }), (row) => String(row.name ?? '').trim() === ''), // prettier-ignore
      call: oneOf<string>(),
      mostHours: figureBox(CREW.fields.mostHours, hours, { missing: 'After how many hours?' }),
      quietFrom: hourBox,
      quietTo: hourBox,
      dewLine: figureOrNone(CREW.fields.dewLine, share, { was: was?.dewLine }),
      windLine: figureOrNone(CREW.fields.windLine, wind, { was: was?.windLine }),
    },
    start: () => ({
      people: [...(was?.people ?? []).map((one) => ({ ...one, vehicle: one.vehicle ?? '' })), NOBODY, NOBODY],
      call: was?.call ?? '',
      mostHours: hours.text(was?.mostHours ?? USUAL_HOURS),
      quietFrom: was?.quietFrom === undefined ? '' : hourText(was.quietFrom),
      quietTo: was?.quietTo === undefined ? '' : hourText(was.quietTo),
      windLine: wind.text(was?.windLine),
      dewLine: share.text(was?.dewLine),
    }),
    together: ({ people, quietFrom, quietTo }): Record<string, string> => {
      const names = people.map(({ name }) => name.trim().toLowerCase());
      const twice = names.findIndex((name, i) => names.indexOf(name) !== i);
      if (twice >= 0) return { [`people.${twice}.name`]: 'Somebody already has that name: add a letter' };
      if ((quietFrom === undefined) !== (quietTo === undefined))
        return { [quietFrom === undefined ? 'quietFrom' : 'quietTo']: 'From and to, or neither' };
      return {};
    },
    close: onClose,
    save: async ({ people, call, mostHours, quietFrom, quietTo, windLine, dewLine }) => {
      const value = {
        people: people.map(({ name, phone, vehicle, trainee }) => ({
          name: name.trim(),
          phone: phone.trim(),
          trainee,
          ...(vehicle.trim() === '' ? {} : { vehicle: vehicle.trim() }),
        })),
        call: people.some(({ name }) => name.trim() === call) ? call : '',
        mostHours,
        ...(quietFrom === undefined || quietTo === undefined ? {} : { quietFrom, quietTo }),
        ...(windLine === undefined ? {} : { windLine }),
        ...(dewLine === undefined ? {} : { dewLine }),
      };
      await write(farm.id, setting(farm.id, 'crew', 'farm', { revision: kept?.revision ?? 0, value }));
      await refresh();
    },
  });
  const { fields, append } = useFieldArray({ control: form.control, name: 'people' });
  const named = form.texts.people.map(({ name }) => name.trim()).filter((name) => name !== '');
  return (
    <FormDrawer form={form} title="The crew" button="Keep it">
      <fieldset className="space-y-3">
        <legend className="font-semibold">People, by the name they type in the cab</legend>
        {fields.map((person, i) => (
          <div key={person.id} className="grid grid-cols-2 items-end gap-3 sm:grid-cols-[2fr_2fr_2fr_auto]">
            <TextBox label={`Name ${i + 1}`} {...form.box(`people.${i}.name`)} />
            <TextBox label="Phone" inputMode="tel" {...form.box(`people.${i}.phone`)} />
            <TextBox label="Pickup" {...form.box(`people.${i}.vehicle`)} />
            <CheckBox
              checked={form.texts.people[i]?.trainee ?? false}
              onChange={(on) =>
                form.set(
                  'people',
                  form.texts.people.map((one, k) => (k === i ? { ...one, trainee: on } : one)),
                )
              }
            >
              new here
            </CheckBox>
          </div>
        ))}
        <Button onClick={() => append(NOBODY)}>One more</Button>
      </fieldset>
      <SelectBox label="Called for help" {...form.box('call')}>
        <option value="">nobody</option>
        {[...new Set([...named, ...(was?.call ? [was.call] : [])])].map((name) => (
          <option key={name} value={name}>
            {name}
          </option>
        ))}
      </SelectBox>
      <TextBox label="Think of a rest after" hint="at the wheel, breaks left out" {...form.box('mostHours')} />
      <div className="grid grid-cols-2 gap-3">
        <TextBox label="Quiet from" hint="alarms that can wait" {...form.box('quietFrom')} />
        <TextBox label="Quiet to" {...form.box('quietTo')} />
      </div>
      <div className="grid grid-cols-2 gap-3">
        <TextBox label="Wind line" hint="tarps, sheets and spraying stop" {...form.box('windLine')} />
        <TextBox label="Dew line" hint="humidity at which straw is too tough" {...form.box('dewLine')} />
      </div>
    </FormDrawer>
  );
}
