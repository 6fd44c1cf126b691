import { PLACE_STATE, type PlaceState, type SettingEntry } from '@fanega/core';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { setting } from '../../../data/records';
import { momentTyped } from '../../../quantity/time';
import { readMoment } from '../../../quantity/time-typed';
import { TextBox } from '../../../ui';
import type { Box } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { recordErrors, textBox } from '../../../widgets/record-boxes';

/** What whoever fills or empties a place should know: out of service from and until, why, and what is odd about it. */
export function PlaceStateDrawer({
  farm,
  placeId,
  kept,
  onClose,
}: {
  farm: Farm;
  placeId: string;
  kept: SettingEntry<'placeState'> | undefined;
  onClose: () => void;
}) {
  const refresh = useRefreshFarm(farm.id);
  const { timeZone } = farm.data.farm;
  const now = farm.clock();
  const { fields } = PLACE_STATE;
  /** An instant, or nothing where it stays empty. */
  const momentOrNone: Box<string | undefined> = {
    read: (typed) => {
      if (typed.trim() === '') return { value: undefined };
      const { value, error } = readMoment(typed, timeZone, now);
      return value === undefined ? { error } : { value: new Date(value).toISOString() };
    },
  };
  const shown = (at: string | undefined): string => (at === undefined ? '' : momentTyped(Date.parse(at), timeZone));
  const form = useFields({
    keptAs: `place-state.${farm.id}.${placeId}`,
    boxes: {
      outFrom: momentOrNone,
      outUntil: momentOrNone,
      why: textBox(fields.why),
      note: textBox(fields.note),
    },
    start: () => ({
      outFrom: shown(kept?.value.outFrom),
      outUntil: shown(kept?.value.outUntil),
      why: kept?.value.why ?? '',
      note: kept?.value.note ?? '',
    }),
    together: (values) => recordErrors(PLACE_STATE, stateOf(values)),
    close: onClose,
    save: async (values) => {
      await write(
        farm.id,
        setting(farm.id, 'placeState', placeId, { revision: kept?.revision ?? 0, value: stateOf(values) }),
      );
      await refresh();
    },
  });
  return (
    <FormDrawer form={form} title={`${farm.placeName(placeId)}: its state`} button="Keep it">
      <TextBox label="Note" hint="whoever pulls from it sees this" {...form.box('note')} />
      <fieldset className="space-y-3 border-t border-rule pt-4">
        <legend className="font-semibold">Out of service</legend>
        <div className="grid grid-cols-2 gap-3">
          <TextBox label="From" hint="blank: it serves" {...form.box('outFrom')} />
          <TextBox label="Until" hint="blank: not known yet" {...form.box('outUntil')} />
        </div>
        <TextBox label="Why" {...form.box('why')} />
        {form.texts.outFrom === '' && (
          <button
            type="button"
            className="min-h-11 underline decoration-rule underline-offset-4"
            onClick={() => form.set('outFrom', momentTyped(now, timeZone))}
          >
            From now on
          </button>
        )}
      </fieldset>
    </FormDrawer>
  );
}

const stateOf = (values: {
  readonly outFrom: string | undefined;
  readonly outUntil: string | undefined;
  readonly why: string;
  readonly note: string;
}): PlaceState => ({
  ...(values.outFrom === undefined ? {} : { outFrom: values.outFrom }),
  ...(values.outUntil === undefined ? {} : { outUntil: values.outUntil }),
  ...(values.why.trim() === '' ? {} : { why: values.why.trim() }),
  ...(values.note.trim() === '' ? {} : { note: values.note.trim() }),
});
