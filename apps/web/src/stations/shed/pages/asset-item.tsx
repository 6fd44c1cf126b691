import type { ItemStanding, MachineItem } from '@fanega/core';
import { dayWords, days } from '../words';
import { useAcknowledged, isCard, Hazard } from '../../../widgets/hazard';
import { Button, TextBox } from '../../../ui';
import { useState } from 'react';
import { ulid } from 'ulid';
import { parseNumber } from '../../../quantity/quantity';
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
        <p className="mt-1 pl-10 text-sm text-muted">Done can be said once the caution is acknowledged.</p>
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
  message,
}: {
  start: MachineItem | null;
  today: string;
  onClose: () => void;
  onSave: (item: MachineItem) => Promise<void>;
  onRemove: (id: string) => Promise<void>;
  message: string | null;
}) {
  const [text, setText] = useState({
    what: start?.what ?? '',
    owner: start?.owner ?? '',
    due: start?.due ?? '',
    skipped: start?.skipped ?? '',
    part: start?.part?.name ?? '',
    lead: start?.part ? String(start.part.leadDays) : '',
    ordered: start?.part?.orderedOn ?? '',
  });
  const [needed, setNeeded] = useState(start?.needed ?? true);
  const [onHand, setOnHand] = useState(start?.part?.onHand ?? false);
  const [wrong, setWrong] = useState<Record<string, string>>({});
  const set = (change: Partial<typeof text>) => setText({ ...text, ...change });
  const save = (): void => {
    const lead = parseNumber(text.lead);
    const errors = {
      ...(text.what.trim() === '' ? { what: 'What is to be done?' } : {}),
      ...(text.part.trim() !== '' && !onHand && !(lead >= 0 && lead <= 730)
        ? { lead: 'Days from the order to the shelf, from 0 to 730' }
        : {}),
    };
    setWrong(errors);
    if (Object.keys(errors).length > 0) return;
    void onSave({
      id: start?.id ?? ulid().toLowerCase(),
      what: text.what.trim(),
      owner: text.owner.trim(),
      due: text.due || null,
      doneOn: start?.doneOn ?? null,
      skipped: text.skipped.trim() || null,
      needed,
      part:
        text.part.trim() === ''
          ? null
          : {
              name: text.part.trim(),
              onHand,
              leadDays: Number.isNaN(lead) ? 0 : lead,
              orderedOn: text.ordered || null,
            },
      ...(start?.card ? { card: start.card } : {}),
    });
  };
  return (
    <FormDrawer
      title={start ? 'Change the line' : 'Add a line'}
      button="Save the line"
      problem={message}
      onSubmit={save}
      onClose={onClose}
      after={
        <>
          {start && (
            <Button look="quiet" className="w-full" onClick={() => void onRemove(start.id)}>
              Take it off the list
            </Button>
          )}
        </>
      }
    >
      <TextBox
        label="What is to be done"
        maxLength={160}
        value={text.what}
        error={wrong.what}
        onChange={(event) => set({ what: event.target.value })}
      />
      <div className="grid grid-cols-2 gap-3">
        <TextBox
          label="Who"
          maxLength={60}
          value={text.owner}
          onChange={(event) => set({ owner: event.target.value })}
        />
        <TextBox label="Due" type="date" value={text.due} onChange={(event) => set({ due: event.target.value })} />
      </div>
      <CheckBox checked={needed} onChange={(on) => setNeeded(on)}>
        The machine cannot work without it
      </CheckBox>
      <fieldset className="space-y-3 border-t border-rule pt-4">
        <legend className="font-semibold">Part</legend>
        <TextBox
          label="Which part, if any"
          maxLength={80}
          value={text.part}
          onChange={(event) => set({ part: event.target.value })}
        />
        {text.part.trim() !== '' && (
          <>
            <CheckBox checked={onHand} onChange={(on) => setOnHand(on)}>
              It is on the shelf
            </CheckBox>
            {!onHand && (
              <div className="grid grid-cols-2 gap-3">
                <TextBox
                  label="Lead time"
                  unit="days"
                  inputMode="numeric"
                  value={text.lead}
                  error={wrong.lead}
                  onChange={(event) => set({ lead: event.target.value })}
                />
                <TextBox
                  label="Ordered on"
                  type="date"
                  hint="empty: not yet"
                  max={today}
                  value={text.ordered}
                  onChange={(event) => set({ ordered: event.target.value })}
                />
              </div>
            )}
          </>
        )}
      </fieldset>
      <TextBox
        label="Left out this year, because"
        maxLength={200}
        hint="empty: it is not left out"
        value={text.skipped}
        onChange={(event) => set({ skipped: event.target.value })}
      />
    </FormDrawer>
  );
}
