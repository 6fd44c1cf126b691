import { type ItemStanding, type MachineItem, READINESS_ITEM, READINESS_PART } from '@fanega/core';
import { dayWords, days } from '../words';
import { useAcknowledged, isCard, Hazard } from '../../../widgets/hazard';
import { Button, TextBox } from '../../../ui';
import { useState } from 'react';
import { ulid } from 'ulid';
import { count } from '../../../quantity/quantity';
import { dayTyped } from '../../../quantity/time';
import { yesNo } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { DayBox, dayBox } from '../../../widgets/day-box';
import { figureBox, textBox } from '../../../widgets/record-boxes';
import { FormDrawer } from '../../../ui/form-drawer';
import { CheckBox } from '../../../ui/check-box';

export const isOpen = ({ state }: ItemStanding): boolean => state !== 'done' && state !== 'skipped';
const STATE_WORDS: Record<ItemStanding['state'], string> = {
  'part too late': '■',
  overdue: '■',
  due: '◐',
  open: '○',
  skipped: '–',
  done: '●',
};
export function Item({
  standing,
  before,
  others,
  busy,
  onDone,
  onOpen,
}: {
  standing: ItemStanding;
  before: string;
  others: readonly string[];
  busy: boolean;
  onDone: (done: boolean) => void;
  onOpen: () => void;
}) {
  const { item, state, partOn, daysShort, orderWithin, dueIn } = standing;
  const [showCard, setShowCard] = useState(false);
  const { needed, done } = useAcknowledged(item.card, before);
  const finished = state === 'done' || state === 'skipped';
  return (
    <li aria-label={item.what} className="border-b border-rule px-5 py-3 lg:px-6">
      <div className="flex flex-wrap items-start gap-x-4 gap-y-2">
        <span
          aria-hidden="true"
          className={`w-6 text-2xl leading-none ${state === 'part too late' || state === 'overdue' ? 'text-clay' : ''}`}
        >
          {STATE_WORDS[state]}
        </span>
        <div className="min-w-0 flex-1 basis-72">
          <p className={finished ? 'text-muted' : 'text-lg font-semibold'}>{item.what}</p>
          <p className="text-sm text-muted">
            {[
              item.owner,
              state === 'done'
                ? `done ${dayWords(item.doneOn!)}`
                : state === 'skipped'
                  ? `left out: ${item.skipped}`
                  : item.due
                    ? dueIn! < 0
                      ? `was due ${dayWords(item.due)}, ${days(-dueIn!)} ago`
                      : `due ${dayWords(item.due)}`
                    : '',
              item.needed ? '' : 'not needed to work',
            ]
              .filter((words) => words !== '')
              .join(', ')}
          </p>
          {item.part && !finished && (
            <p className={daysShort > 0 ? 'font-semibold text-clay' : ''}>
              {item.part.onHand
                ? `● ${item.part.name} is on the shelf.`
                : `${item.part.name}: ${days(item.part.leadDays)} of lead time, there on ${dayWords(partOn!)}${daysShort > 0 ? `, ${days(daysShort)} too late` : ''}. ${
                    item.part.orderedOn
                      ? `Ordered ${dayWords(item.part.orderedOn)}.`
                      : orderWithin !== null && orderWithin >= 0
                        ? `Order within ${days(orderWithin)}.`
                        : 'Not ordered.'
                  }`}
            </p>
          )}
          {others.length > 0 && (
            <ul className="list-disc pl-6 text-sm">
              {others.map((words) => (
                <li key={words}>{words}</li>
              ))}
            </ul>
          )}
          {isCard(item.card) && !finished && (needed || showCard) && (
            <div className="mt-2 max-w-lg">
              <Hazard card={item.card} before={before} />
            </div>
          )}
        </div>
        <div className="flex flex-wrap items-center gap-3">
          {isCard(item.card) && !finished && !needed && (
            <Button
              look="quiet"
              className="!px-0 text-sm"
              aria-expanded={showCard}
              onClick={() => setShowCard(!showCard)}
            >
              {showCard ? 'Caution read' : 'Caution'}
            </Button>
          )}
          <Button look="quiet" className="!px-0 text-sm" onClick={onOpen}>
            Change
          </Button>
          <Button disabled={busy || (needed && !done && !finished)} onClick={() => onDone(!finished)}>
            {finished ? 'Open again' : 'Done'}
          </Button>
        </div>
      </div>
      {needed && !done && !finished && (
        <p className="mt-1 pl-10 text-sm text-muted">Mark it done once the caution is acknowledged.</p>
      )}
    </li>
  );
}
export function ItemSheet({
  start,
  today,
  onClose,
  onSave,
  onRemove,
}: {
  start: MachineItem | null;
  today: string;
  onClose: () => void;
  /** Throws what was refused. */
  onSave: (item: MachineItem) => Promise<unknown>;
  onRemove: (id: string) => Promise<void>;
}) {
  const form = useFields({
    boxes: {
      what: textBox(READINESS_ITEM.what, 'What is to be done?'),
      owner: textBox(READINESS_ITEM.owner),
      due: dayBox(today),
      skipped: textBox(READINESS_ITEM.skipped),
      needed: yesNo,
      part: textBox(READINESS_PART.name),
      onHand: yesNo,
      leadDays: figureBox(READINESS_PART.leadDays, count, { missing: 'How many days from the order to the shelf?' }),
      orderedOn: dayBox(today),
    },
    unasked: ({ part, onHand }) => (part.trim() === '' || onHand ? ['leadDays', 'orderedOn'] : []),
    start: () => ({
      what: start?.what ?? '',
      owner: start?.owner ?? '',
      due: dayTyped(start?.due),
      skipped: start?.skipped ?? '',
      needed: start?.needed ?? true,
      part: start?.part?.name ?? '',
      onHand: start?.part?.onHand ?? false,
      leadDays: count.text(start?.part?.leadDays),
      orderedOn: dayTyped(start?.part?.orderedOn),
    }),
    together: ({ orderedOn }): Record<string, string> =>
      orderedOn > today ? { orderedOn: 'That day is still to come' } : {},
    close: onClose,
    save: ({ what, owner, due, skipped, needed, part, onHand, ...ordered }) =>
      onSave({
        id: start?.id ?? ulid().toLowerCase(),
        what,
        owner,
        due: due || null,
        doneOn: start?.doneOn ?? null,
        skipped: skipped || null,
        needed,
        part:
          part === ''
            ? null
            : {
                name: part,
                onHand,
                // On the shelf it is not asked, and stays as it was.
                leadDays: ordered.leadDays ?? start?.part?.leadDays ?? 0,
                orderedOn: (ordered.orderedOn ?? start?.part?.orderedOn ?? '') || null,
              },
        ...(start?.card ? { card: start.card } : {}),
      }),
  });
  const [needed, onHand] = [form.choice('needed'), form.choice('onHand')];
  return (
    <FormDrawer
      form={form}
      title={start ? 'Change the line' : 'Add a line'}
      button="Save the line"
      after={
        start && (
          <Button look="quiet" className="w-full" onClick={() => void onRemove(start.id)}>
            Take it off the list
          </Button>
        )
      }
    >
      <TextBox label="What is to be done" {...form.box('what')} />
      <div className="grid grid-cols-2 gap-3">
        <TextBox label="Who" {...form.box('owner')} />
        <DayBox label="Due" {...form.picked('due')} />
      </div>
      <CheckBox checked={needed.value} onChange={needed.onChange}>
        The machine cannot work without it
      </CheckBox>
      <fieldset className="space-y-3 border-t border-rule pt-4">
        <legend className="font-semibold">Part</legend>
        <TextBox label="Which part, if any" {...form.box('part')} />
        {form.texts.part.trim() !== '' && (
          <>
            <CheckBox checked={onHand.value} onChange={onHand.onChange}>
              It is on the shelf
            </CheckBox>
            {!onHand.value && (
              <div className="grid grid-cols-2 gap-3">
                <TextBox label="Lead time" {...form.box('leadDays')} unit="days" />
                <DayBox label="Ordered on" hint="blank: not yet" {...form.picked('orderedOn')} />
              </div>
            )}
          </>
        )}
      </fieldset>
      <TextBox label="Left out this year, because" hint="blank: it is not left out" {...form.box('skipped')} />
    </FormDrawer>
  );
}
