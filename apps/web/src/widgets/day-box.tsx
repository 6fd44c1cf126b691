import { CalendarDays } from 'lucide-react';
import { Popover } from 'radix-ui';
import { lazy, Suspense, useState } from 'react';
import { calendarDay } from '@fanega/core';
import { useFarm } from '../data/farm';
import { dayTyped } from '../quantity/time';
import { readDay } from '../quantity/time-typed';
import { TextBox } from '../ui';
import type { Box } from '../ui/form/box';

// The month is drawn only for those who open it.
const Month = lazy(() => import('./month'));

/** A day of the farm's calendar like 2026-10-14; empty where it may be. */
export const dayBox = (today: string, missing?: string): Box<string> => ({
  read: (typed) =>
    typed.trim() === '' ? (missing === undefined ? { value: '' } : { error: missing }) : readDay(typed, today),
});

/** A day is typed, or chosen on a month. */
export function DayBox({
  value,
  onChange,
  label,
  error,
  hint,
}: {
  value: string;
  onChange: (typed: string) => void;
  label: string;
  error?: string | undefined;
  hint?: string;
}) {
  const farm = useFarm();
  const today = calendarDay(farm.clock(), farm.data.farm.timeZone);
  const [open, setOpen] = useState(false);
  return (
    <TextBox
      label={label}
      error={error}
      hint={hint}
      value={value}
      placeholder="month/day/year"
      autoComplete="off"
      onChange={(event) => onChange(event.target.value)}
      // As it was understood: "10/14" is of this year.
      onBlur={() => {
        const read = readDay(value, today);
        if (read.value !== undefined && dayTyped(read.value) !== value) onChange(dayTyped(read.value));
      }}
      beside={
        <Popover.Root open={open} onOpenChange={setOpen}>
          <Popover.Trigger
            aria-label={`${label}: a month to choose from`}
            className="absolute inset-y-0 right-0 flex w-11 items-center justify-center hover:bg-sand"
          >
            <CalendarDays size={18} aria-hidden="true" />
          </Popover.Trigger>
          <Popover.Portal>
            <Popover.Content align="end" sideOffset={4} className="z-50 border border-ink bg-paper p-3 text-ink">
              <Suspense fallback={<p role="status">Drawing the month</p>}>
                <Month
                  chosen={readDay(value, today).value}
                  today={today}
                  onChoose={(day) => {
                    onChange(dayTyped(day));
                    setOpen(false);
                  }}
                />
              </Suspense>
            </Popover.Content>
          </Popover.Portal>
        </Popover.Root>
      }
    />
  );
}
