import {
  acresOfRing,
  calendarDay,
  FIELD_ZONE,
  type FieldZone,
  type LotInfo,
  type SettingEntry,
  ZONE_KINDS,
  type ZoneKind,
  zoneProblem,
} from '@fanega/core';
import { ZONE_WRONG } from '@fanega/contract/words';
import { useState } from 'react';
import { ulid } from 'ulid';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { setting } from '../../../data/records';
import { area } from '../../../quantity/quantity';
import { dayTyped } from '../../../quantity/time';
import { SelectBox, TextBox } from '../../../ui';
import { CheckBox } from '../../../ui/check-box';
import { oneOf } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { DayBox, dayBox } from '../../../widgets/day-box';
import { figureBox, textBox } from '../../../widgets/record-boxes';

export const ZONE_WORDS: Readonly<Record<ZoneKind, string>> = {
  wet: 'wet',
  replanted: 'replanted',
  lodged: 'gone down',
  headland: 'headland',
  strip: 'strip',
  other: 'other',
};
/** A part of a field: with or without a line around it. */
export function ZoneForm({
  farm,
  lot,
  id,
  was: kept,
  ring,
  onClose,
  onKept,
}: {
  farm: Farm;
  lot: LotInfo;
  id: string | null;
  was: SettingEntry<'fieldZone'> | undefined;
  ring: FieldZone['ring'];
  onClose: () => void;
  onKept: () => void;
}) {
  const refresh = useRefreshFarm(farm.id);
  const was = kept?.value;
  const { fields } = FIELD_ZONE;
  const drawn = acresOfRing(ring);
  const today = calendarDay(farm.clock(), farm.data.farm.timeZone);
  /** The typed acres stand, whatever the line says. */
  const [sure, setSure] = useState(false);
  const boxes = {
    name: textBox(fields.name, 'What is it called?'),
    kind: oneOf<ZoneKind>(),
    acres: figureBox(fields.acres, area, { was: was?.acres, missing: 'How large is it?' }),
    variety: textBox(fields.variety),
    leaveUntil: dayBox(today),
    retestOn: dayBox(today),
    why: textBox(fields.why),
  };
  const form = useFields({
    boxes,
    start: () => ({
      name: was?.name ?? '',
      kind: was?.kind ?? ('wet' as ZoneKind),
      acres: area.text(was?.acres ?? drawn ?? undefined),
      variety: was?.variety ?? '',
      leaveUntil: dayTyped(was?.leaveUntil),
      retestOn: dayTyped(was?.retestOn),
      why: was?.why ?? '',
    }),
    together: ({ acres }): Record<string, string> => {
      const problem = zoneProblem({ ring, acres }, lot.acres);
      if (problem === null || (problem === 'acres_differ' && sure)) return {};
      return problem === 'acres_differ'
        ? { acres: `The line around it says ${area(drawn!).text}: which is right?` }
        : { [problem === 'larger_than_field' ? 'acres' : '']: ZONE_WRONG[problem] };
    },
    close: onClose,
    save: async ({ name, kind, acres, variety, leaveUntil, retestOn, why }) => {
      const value: FieldZone = {
        fieldId: lot.fieldId,
        season: lot.season,
        name,
        kind,
        acres,
        ring,
        why,
        ...(variety === '' ? {} : { variety }),
        ...(leaveUntil === '' ? {} : { leaveUntil }),
        ...(retestOn === '' ? {} : { retestOn }),
        ...(was?.cutOn === undefined ? {} : { cutOn: was.cutOn }),
      };
      await write(farm.id, setting(farm.id, 'fieldZone', id ?? ulid(), { revision: kept?.revision ?? 0, value }));
      onKept();
      await refresh();
    },
  });
  const { value: acres } = boxes.acres.read(form.texts.acres);
  const differ = acres !== undefined && zoneProblem({ ring, acres }, lot.acres) === 'acres_differ';
  return (
    <FormDrawer form={form} title={id === null ? `A part of ${lot.fieldName}` : was!.name} button="Keep it">
      <TextBox label="Called" {...form.box('name')} />
      <SelectBox label="Why by itself" {...form.box('kind')}>
        {ZONE_KINDS.map((kind) => (
          <option key={kind} value={kind}>
            {ZONE_WORDS[kind]}
          </option>
        ))}
      </SelectBox>
      <TextBox
        label="Size"
        {...(drawn === null ? {} : { hint: `the line: ${area(drawn).text}` })}
        {...form.box('acres')}
      />
      {((differ && form.errorAt('acres') !== undefined) || sure) && (
        <CheckBox checked={sure} onChange={setSure}>
          the typed size is right
        </CheckBox>
      )}
      <DayBox label="Leave it until" hint="blank: it can be cut" {...form.picked('leaveUntil')} />
      <DayBox label="Read it again" {...form.picked('retestOn')} />
      <TextBox label="Variety" hint="where it is another" {...form.box('variety')} />
      <TextBox label="Why" {...form.box('why')} />
    </FormDrawer>
  );
}
