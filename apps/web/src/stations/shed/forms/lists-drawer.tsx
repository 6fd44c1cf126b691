import {
  type CardId,
  MACHINE_KINDS,
  type MachineKind,
  READINESS_LINE,
  type ReadinessTemplate,
  type ShedRecords,
  templateOf,
} from '@fanega/core';
import { useFieldArray } from 'react-hook-form';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { setting } from '../../../data/records';
import { count } from '../../../quantity/quantity';
import { Button, SelectBox, TextBox } from '../../../ui';
import { CheckBox } from '../../../ui/check-box';
import { oneOf, rows, yesNo } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { figureBox, textBox } from '../../../widgets/record-boxes';

const NO_CARD = '';

/** The farm's own list for a kind of machine. */
export function ListsDrawer({ farm, shed, onClose }: { farm: Farm; shed: ShedRecords; onClose: () => void }) {
  const refresh = useRefreshFarm(farm.id);
  const linesOf = (kind: MachineKind) =>
    templateOf(shed, kind).map((line) => ({
      what: line.what,
      daysBefore: count.text(line.daysBefore),
      needed: line.needed,
      card: (line.card ?? NO_CARD) as CardId | '',
    }));
  const form = useFields({
    boxes: {
      kind: oneOf<MachineKind>(),
      lines: rows(() => ({
        what: textBox(READINESS_LINE.what, 'What is to be done?'),
        daysBefore: figureBox(READINESS_LINE.daysBefore, count, { missing: 'How many days before harvest?' }),
        needed: yesNo,
        card: oneOf<CardId | ''>(),
      })),
    },
    start: () => ({ kind: 'combine' as MachineKind, lines: linesOf('combine') }),
    close: onClose,
    save: async ({ kind, lines }) => {
      const value: ReadinessTemplate = {
        lines: lines.map(({ card, ...line }) => ({ ...line, ...(card === NO_CARD ? {} : { card }) })),
      };
      const revision = shed.settings.readinessTemplate[kind]?.revision ?? 0;
      await write(farm.id, setting(farm.id, 'readinessTemplate', kind, { revision, value }));
      await refresh();
    },
  });
  const { fields, append, remove, replace } = useFieldArray({ control: form.control, name: 'lines' });
  return (
    <FormDrawer form={form} title="Lists by kind of machine" button="Save the list">
      <SelectBox
        label="Kind"
        value={form.texts.kind}
        onChange={(event) => {
          const next = event.target.value as MachineKind;
          form.set('kind', next);
          replace(linesOf(next));
        }}
      >
        {(Object.keys(MACHINE_KINDS) as MachineKind[]).map((one) => (
          <option key={one} value={one}>
            {MACHINE_KINDS[one]}
          </option>
        ))}
      </SelectBox>
      <p className="text-sm text-muted">
        A machine that is added takes this list. Machines that are in the shed keep theirs.
      </p>
      {fields.map((line, i) => (
        <div key={line.id} className="border-t border-rule pt-3">
          <TextBox label={`Line ${i + 1}`} {...form.box(`lines.${i}.what`)} />
          <div className="mt-2 flex items-end gap-4">
            <div className="w-32">
              <TextBox label="Days before" {...form.box(`lines.${i}.daysBefore`)} />
            </div>
            <CheckBox
              checked={form.texts.lines[i]?.needed ?? false}
              onChange={(on) =>
                form.set(
                  'lines',
                  form.texts.lines.map((one, k) => (k === i ? { ...one, needed: on } : one)),
                )
              }
            >
              cannot work without
            </CheckBox>
            <Button look="quiet" className="ml-auto !px-0 text-sm" onClick={() => remove(i)}>
              Take it out
            </Button>
          </div>
        </div>
      ))}
      <Button onClick={() => append({ what: '', daysBefore: '7', needed: true, card: NO_CARD })}>One more line</Button>
    </FormDrawer>
  );
}
