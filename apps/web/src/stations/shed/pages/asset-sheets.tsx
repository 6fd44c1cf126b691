import type { Machine } from '@fanega/core';
import { useState } from 'react';
import { areaWhole, hours, type Kind } from '../../../quantity/quantity';
import { Choices, TextBox } from '../../../ui';
import { FormDrawer } from '../../../ui/form-drawer';
import { ulid } from 'ulid';

export type Edit = (make: (sheet: Machine) => Machine) => Promise<boolean>;

interface SheetProps {
  sheet: Machine;
  onClose: () => void;
  onEdit: Edit;
  message: string | null;
}
interface FieldText<K extends string> {
  readonly key: K;
  readonly label: string;
  readonly unit?: string;
  readonly number?: {
    readonly least: number;
    readonly most: number;
    readonly optional?: boolean;
    readonly kind?: Kind;
    /** What the box was opened with. */
    readonly was?: number;
  };
}
/** A short form of named boxes: numbers are checked at their place, and nothing typed is lost. */
function Boxes<K extends string>({
  title,
  boxes,
  start,
  button,
  message,
  onClose,
  onSave,
  children,
}: {
  title: string;
  boxes: readonly FieldText<K>[];
  start: Record<K, string>;
  button: string;
  message: string | null;
  onClose: () => void;
  onSave: (texts: Record<K, string>, numbers: Record<K, number>) => Promise<boolean>;
  children?: React.ReactNode;
}) {
  const [texts, setTexts] = useState(start);
  const [wrong, setWrong] = useState<Partial<Record<K, string>>>({});
  const save = async (): Promise<void> => {
    const errors: Partial<Record<K, string>> = {};
    const numbers = {} as Record<K, number>;
    for (const { key, label, number } of boxes) {
      if (!number) {
        if (texts[key].trim() === '') errors[key] = `${label}?`;
        continue;
      }
      const { least, most, optional = false, kind = hours, was } = number;
      const { value, error } = kind.read(texts[key], { least, most, wanted: !optional, was });
      if (error) errors[key] = error;
      numbers[key] = value ?? NaN;
    }
    setWrong(errors);
    if (Object.keys(errors).length === 0 && (await onSave(texts, numbers))) onClose();
  };
  return (
    <FormDrawer title={title} button={button} problem={message} onSubmit={save} onClose={onClose}>
      {children}
      {boxes.map(({ key, label, unit, number }) => (
        <TextBox
          key={key}
          label={label}
          unit={unit}
          inputMode={number ? 'decimal' : undefined}
          value={texts[key]}
          error={wrong[key]}
          onChange={(event) => setTexts({ ...texts, [key]: event.target.value })}
        />
      ))}
    </FormDrawer>
  );
}
export function CountersSheet({ sheet, onClose, onEdit, message }: SheetProps) {
  return (
    <Boxes
      title="Counters"
      button="Save the counters"
      message={message}
      onClose={onClose}
      boxes={[
        { key: 'engine', label: 'Engine', unit: 'h', number: { least: 0, most: 100000 } },
        { key: 'separator', label: 'Separator', unit: 'h', number: { least: 0, most: 100000 } },
        {
          key: 'acres',
          label: 'Cut in all',
          unit: areaWhole.unit,
          number: { least: 0, most: 1000000, kind: areaWhole, was: sheet.acres },
        },
      ]}
      start={{
        engine: String(sheet.engineHours),
        separator: String(sheet.separatorHours),
        acres: areaWhole.text(sheet.acres),
      }}
      onSave={(_, { engine, separator, acres }) =>
        onEdit((now) => ({ ...now, engineHours: engine, separatorHours: separator, acres }))
      }
    />
  );
}
export function ServiceSheet({ sheet, onClose, onEdit, message }: SheetProps) {
  const [by, setBy] = useState<'engine' | 'separator'>('engine');
  return (
    <Boxes
      title="Add a service"
      button="Add the service"
      message={message}
      onClose={onClose}
      boxes={[
        { key: 'what', label: 'What' },
        { key: 'every', label: 'Every', unit: 'h', number: { least: 1, most: 10000 } },
        { key: 'last', label: 'Last done at', unit: 'h', number: { least: 0, most: 100000 } },
      ]}
      start={{ what: '', every: '', last: String(sheet.engineHours) }}
      onSave={({ what }, { every, last }) =>
        onEdit((now) => ({
          ...now,
          services: [
            ...now.services,
            { id: ulid().toLowerCase(), what: what.trim(), by, everyHours: every, lastAt: last, skipped: 0 },
          ],
        }))
      }
    >
      <Choices
        label="Counted by"
        value={by}
        onChange={setBy}
        choices={[
          { value: 'engine', label: 'Engine hours' },
          { value: 'separator', label: 'Separator hours' },
        ]}
      />
    </Boxes>
  );
}
export function WearSheet({ sheet, onClose, onEdit, message }: SheetProps) {
  return (
    <Boxes
      title="Add a wear part"
      button="Add the part"
      message={message}
      onClose={onClose}
      boxes={[
        { key: 'name', label: 'Part' },
        { key: 'position', label: 'Where on the machine' },
        { key: 'hours', label: 'Separator hours when it was fitted', unit: 'h', number: { least: 0, most: 100000 } },
        {
          key: 'acres',
          label: 'The machine had cut then',
          unit: areaWhole.unit,
          number: { least: 0, most: 1000000, kind: areaWhole, was: sheet.acres },
        },
        {
          key: 'lastsHours',
          label: 'Lasts, hours (empty: not known)',
          unit: 'h',
          number: { least: 1, most: 100000, optional: true },
        },
        {
          key: 'lastsAcres',
          label: 'Lasts, area (empty: not known)',
          unit: areaWhole.unit,
          number: { least: 1, most: 1000000, optional: true, kind: areaWhole },
        },
      ]}
      start={{
        name: '',
        position: '',
        hours: String(sheet.separatorHours),
        acres: areaWhole.text(sheet.acres),
        lastsHours: '',
        lastsAcres: '',
      }}
      onSave={({ name, position }, { hours, acres, lastsHours, lastsAcres }) =>
        onEdit((now) => ({
          ...now,
          wear: [
            ...now.wear,
            {
              id: ulid().toLowerCase(),
              name: name.trim(),
              position: position.trim(),
              hoursAtFit: hours,
              acresAtFit: acres,
              lastsHours: Number.isNaN(lastsHours) ? null : lastsHours,
              lastsAcres: Number.isNaN(lastsAcres) ? null : lastsAcres,
              photos: [],
            },
          ],
        }))
      }
    />
  );
}
