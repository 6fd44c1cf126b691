import { type Machine, MACHINE, MACHINE_SERVICE, MACHINE_WEAR } from '@fanega/core';
import { ulid } from 'ulid';
import { areaWhole, hours } from '../../../quantity/quantity';
import { Choices, TextBox } from '../../../ui';
import { oneOf } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { figureBox, figureOrNone, textBox } from '../../../widgets/record-boxes';

export type Edit = (make: (sheet: Machine) => Machine) => Promise<boolean>;

interface SheetProps {
  sheet: Machine;
  onClose: () => void;
  /** Throws what was refused. */
  onEdit: Edit;
}

export function CountersSheet({ sheet, onClose, onEdit }: SheetProps) {
  const { fields } = MACHINE;
  const form = useFields({
    boxes: {
      engineHours: figureBox(fields.engineHours, hours),
      separatorHours: figureBox(fields.separatorHours, hours),
      acres: figureBox(fields.acres, areaWhole, { was: sheet.acres }),
    },
    start: () => ({
      engineHours: hours.text(sheet.engineHours),
      separatorHours: hours.text(sheet.separatorHours),
      acres: areaWhole.text(sheet.acres),
    }),
    close: onClose,
    save: (counters) => onEdit((now) => ({ ...now, ...counters })),
  });
  return (
    <FormDrawer form={form} title="Counters" button="Save the counters">
      <TextBox label="Engine" {...form.box('engineHours')} />
      <TextBox label="Separator" {...form.box('separatorHours')} />
      <TextBox label="Cut in all" {...form.box('acres')} />
    </FormDrawer>
  );
}

export function ServiceSheet({ sheet, onClose, onEdit }: SheetProps) {
  const form = useFields({
    boxes: {
      by: oneOf<'engine' | 'separator'>(),
      what: textBox(MACHINE_SERVICE.what, 'What?'),
      everyHours: figureBox(MACHINE_SERVICE.everyHours, hours),
      lastAt: figureBox(MACHINE_SERVICE.lastAt, hours),
    },
    start: () => ({ by: 'engine' as const, what: '', everyHours: '', lastAt: hours.text(sheet.engineHours) }),
    close: onClose,
    save: (service) =>
      onEdit((now) => ({
        ...now,
        services: [...now.services, { id: ulid().toLowerCase(), skipped: 0, ...service }],
      })),
  });
  return (
    <FormDrawer form={form} title="Add a service" button="Add the service">
      <Choices
        label="Counted by"
        {...form.choice('by')}
        choices={[
          { value: 'engine', label: 'Engine hours' },
          { value: 'separator', label: 'Separator hours' },
        ]}
      />
      <TextBox label="What" {...form.box('what')} />
      <TextBox label="Every" {...form.box('everyHours')} />
      <TextBox label="Last done at" {...form.box('lastAt')} />
    </FormDrawer>
  );
}

export function WearSheet({ sheet, onClose, onEdit }: SheetProps) {
  const form = useFields({
    boxes: {
      name: textBox(MACHINE_WEAR.name, 'Part?'),
      position: textBox(MACHINE_WEAR.position, 'Where on the machine?'),
      hoursAtFit: figureBox(MACHINE_WEAR.hoursAtFit, hours),
      acresAtFit: figureBox(MACHINE_WEAR.acresAtFit, areaWhole, { was: sheet.acres }),
      lastsHours: figureOrNone(MACHINE_WEAR.lastsHours, hours),
      lastsAcres: figureOrNone(MACHINE_WEAR.lastsAcres, areaWhole),
    },
    start: () => ({
      name: '',
      position: '',
      hoursAtFit: hours.text(sheet.separatorHours),
      acresAtFit: areaWhole.text(sheet.acres),
      lastsHours: '',
      lastsAcres: '',
    }),
    close: onClose,
    save: ({ lastsHours = null, lastsAcres = null, ...part }) =>
      onEdit((now) => ({
        ...now,
        wear: [...now.wear, { id: ulid().toLowerCase(), photos: [], lastsHours, lastsAcres, ...part }],
      })),
  });
  return (
    <FormDrawer form={form} title="Add a wear part" button="Add the part">
      <TextBox label="Part" {...form.box('name')} />
      <TextBox label="Where on the machine" {...form.box('position')} />
      <TextBox label="Separator hours when it was fitted" {...form.box('hoursAtFit')} />
      <TextBox label="The machine had cut then" {...form.box('acresAtFit')} />
      <TextBox label="Lasts, hours (blank: not known)" {...form.box('lastsHours')} />
      <TextBox label="Lasts, area (blank: not known)" {...form.box('lastsAcres')} />
    </FormDrawer>
  );
}
