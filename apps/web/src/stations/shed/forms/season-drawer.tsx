import {
  calendarDay,
  CROPS,
  type CardId,
  FIRE_STOP,
  isCrop,
  SAFETY_CARDS,
  SEASON_PLAN,
  type ShedRecords,
} from '@fanega/core';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { setting } from '../../../data/records';
import { count } from '../../../quantity/quantity';
import { dayTyped } from '../../../quantity/time';
import { TextBox } from '../../../ui';
import { CheckBox } from '../../../ui/check-box';
import { rows, yesNo } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { DayBox, dayBox } from '../../../widgets/day-box';
import { figureOrNone } from '../../../widgets/record-boxes';

const CARDS = Object.keys(SAFETY_CARDS) as CardId[];

/** When each crop's harvest is expected to begin, the fire index at which it stops, and which cards are acknowledged. */
export function SeasonDrawer({ farm, shed, onClose }: { farm: Farm; shed: ShedRecords; onClose: () => void }) {
  const refresh = useRefreshFarm(farm.id);
  const kept = shed.settings.seasonPlan.farm;
  const season = kept?.value ?? { firstDays: {}, acknowledge: [] };
  const today = calendarDay(farm.clock(), farm.data.farm.timeZone);
  const crops = [...new Set([...farm.data.lots.map((lot) => lot.crop), ...Object.keys(season.firstDays)])].filter(
    isCrop,
  );
  const form = useFields({
    boxes: {
      firstDays: rows(() => ({ day: dayBox(today) })),
      fireStopAt: figureOrNone(SEASON_PLAN.fields.fireStopAt, count),
      cards: rows(() => ({ on: yesNo })),
    },
    start: () => ({
      firstDays: crops.map((crop) => ({ day: dayTyped(season.firstDays[crop]) })),
      fireStopAt: count.text(season.fireStopAt),
      cards: CARDS.map((card) => ({ on: season.acknowledge.includes(card) })),
    }),
    close: onClose,
    save: async ({ firstDays, fireStopAt, cards }) => {
      const value = {
        firstDays: Object.fromEntries(
          crops.flatMap((crop, i) => (firstDays[i]!.day === '' ? [] : [[crop, firstDays[i]!.day]])),
        ),
        acknowledge: CARDS.filter((_, i) => cards[i]!.on),
        ...(fireStopAt === undefined ? {} : { fireStopAt }),
      };
      await write(farm.id, setting(farm.id, 'seasonPlan', 'farm', { revision: kept?.revision ?? 0, value }));
      await refresh();
    },
  });
  return (
    <FormDrawer form={form} title="First days and cards" button="Save">
      {crops.map((crop, i) => (
        <DayBox key={crop} label={`First day of ${CROPS[crop].short}`} {...form.picked(`firstDays.${i}.day`)} />
      ))}
      <TextBox
        label="Fire index at which we stop"
        hint={`the local authority’s limit; blank: ${FIRE_STOP}`}
        {...form.box('fireStopAt')}
      />
      <fieldset className="border-t border-rule pt-4">
        <legend className="font-semibold">Cards that are acknowledged before their step</legend>
        {CARDS.map((card, i) => (
          <CheckBox
            key={card}
            checked={form.texts.cards[i]!.on}
            onChange={(on) =>
              form.set(
                'cards',
                form.texts.cards.map((one, k) => (k === i ? { on } : one)),
              )
            }
          >
            {SAFETY_CARDS[card].title}
          </CheckBox>
        ))}
      </fieldset>
    </FormDrawer>
  );
}
