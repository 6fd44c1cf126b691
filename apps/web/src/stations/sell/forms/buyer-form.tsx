import {
  BUYER_FACTS,
  type BuyerFacts,
  calendarDay,
  inOrder,
  KG_PER_LB,
  type PlaceInfo,
  TRUCK_BODIES,
  type TruckBody,
  type Weekday,
  WEEKDAYS,
} from '@fanega/core';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { setting } from '../../../data/records';
import { hours, mass } from '../../../quantity/quantity';
import { dayTyped } from '../../../quantity/time';
import { Button, TextBox } from '../../../ui';
import { CheckBox } from '../../../ui/check-box';
import { oneOf, rows, yesNo } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { BODY_WORDS } from '../../../widgets/body-words';
import { DayBox, dayBox } from '../../../widgets/day-box';
import { between, figureOrNone, recordErrors, textBox } from '../../../widgets/record-boxes';

export const WEEKDAY_WORDS: Readonly<Record<Weekday, string>> = {
  sun: 'Sunday',
  mon: 'Monday',
  tue: 'Tuesday',
  wed: 'Wednesday',
  thu: 'Thursday',
  fri: 'Friday',
  sat: 'Saturday',
};
const HOUR = between(0, 24);

/** When a buyer takes grain, by weekday and on days that are otherwise; who answers, how he tests, what may be on his scale. */
export function BuyerForm({
  farm,
  buyer,
  kept,
  onClose,
}: {
  farm: Farm;
  buyer: PlaceInfo;
  kept: { readonly revision: number; readonly value: BuyerFacts } | undefined;
  onClose: () => void;
}) {
  const refresh = useRefreshFarm(farm.id);
  const { fields } = BUYER_FACTS;
  const was = kept?.value;
  const today = calendarDay(farm.clock(), farm.data.farm.timeZone);
  const hourBox = figureOrNone(HOUR, hours);
  const form = useFields({
    keptAs: `buyer.${farm.id}.${buyer.id}`,
    boxes: {
      call: textBox(fields.call),
      tester: textBox(fields.tester),
      grossLimitLb: figureOrNone(fields.grossLimitLb, mass, { times: 1 / KG_PER_LB, was: was?.grossLimitLb }),
      takes: rows(() => ({ body: oneOf<TruckBody>(), yes: yesNo })),
      days: rows(() => ({ closed: yesNo, opens: hourBox, closes: hourBox })),
      exceptions: rows(() => ({
        on: dayBox(today, 'Which day?'),
        closed: yesNo,
        opens: hourBox,
        closes: hourBox,
        note: textBox({ spec: { kind: 'text', least: 0, most: 80, form: 'any' }, optional: true, nullable: false }),
      })),
    },
    start: () => ({
      call: was?.call ?? '',
      tester: was?.tester ?? '',
      grossLimitLb: mass.text(was?.grossLimitLb === undefined ? undefined : was.grossLimitLb * KG_PER_LB),
      takes: TRUCK_BODIES.map((body) => ({ body, yes: was?.takes?.includes(body) ?? true })),
      days: WEEKDAYS.map((name) => {
        const day = was?.hours[name];
        return {
          closed: day?.closed ?? false,
          opens: day && !day.closed ? hours.text(day.opens) : '',
          closes: day && !day.closed ? hours.text(day.closes) : '',
        };
      }),
      exceptions: (was?.exceptions ?? []).map(({ on, closed, opens, closes, note }) => ({
        on: dayTyped(on),
        closed,
        opens: closed ? '' : hours.text(opens),
        closes: closed ? '' : hours.text(closes),
        note: note ?? '',
      })),
    }),
    together: (values) => {
      const errors = recordErrors(BUYER_FACTS, factsOf(values));
      // What is said of a weekday stands at that day's box.
      return Object.fromEntries(
        Object.entries(errors).map(([path, message]) => {
          const [list, name, box] = path.split('.');
          if (list === 'takes') return ['', 'His pit takes some kind of truck: choose one at least'];
          return list === 'hours' ? [`days.${WEEKDAYS.indexOf(name as Weekday)}.${box}`, message] : [path, message];
        }),
      );
    },
    close: onClose,
    save: async (values) => {
      await write(
        farm.id,
        setting(farm.id, 'buyerFacts', buyer.id, { revision: kept?.revision ?? 0, value: factsOf(values) }),
        buyer.name,
      );
      await refresh();
    },
  });
  interface Hours {
    readonly closed: boolean;
    readonly opens?: number | undefined;
    readonly closes?: number | undefined;
  }
  function factsOf(values: {
    readonly call: string;
    readonly tester: string;
    readonly grossLimitLb?: number | undefined;
    readonly takes: readonly { readonly body: TruckBody; readonly yes: boolean }[];
    readonly days: readonly Hours[];
    readonly exceptions: readonly (Hours & { readonly on: string; readonly note: string })[];
  }): BuyerFacts {
    const { call, tester, grossLimitLb, takes, days, exceptions } = values;
    const bodies = takes.filter(({ yes }) => yes).map(({ body }) => body);
    const given = ({ closed, opens, closes }: Hours) => ({ closed, opens: closed ? 0 : (opens ?? 0), closes: closed ? 0 : (closes ?? 24) }); // prettier-ignore
    return {
      ...(call === '' ? {} : { call }),
      ...(tester === '' ? {} : { tester }),
      ...(grossLimitLb === undefined ? {} : { grossLimitLb }),
      // All of them is as good as none named.
      ...(bodies.length < takes.length ? { takes: bodies } : {}),
      // A day of which nothing is said is as his window says.
      hours: Object.fromEntries(
        days.flatMap((day, i) =>
          day.closed || day.opens !== undefined || day.closes !== undefined ? [[WEEKDAYS[i]!, given(day)]] : [],
        ),
      ),
      exceptions: [...exceptions]
        .sort((a, b) => inOrder(a.on, b.on))
        .map(({ on, note, ...day }) => ({ on, ...given(day), ...(note === '' ? {} : { note }) })),
    };
  }
  const { texts, set } = form;
  const box = (at: string) => form.box(at as never);
  return (
    <FormDrawer form={form} title={buyer.name} button="Keep it">
      <TextBox label="Whom to call" hint="name and number" {...form.box('call')} />
      <div className="grid grid-cols-2 gap-3">
        <TextBox label="His tester" {...form.box('tester')} />
        <TextBox label="Most on his road or scale" hint="gross; blank: the law" {...form.box('grossLimitLb')} />
      </div>
      <fieldset>
        <legend className="font-semibold">His pit takes</legend>
        <div className="flex flex-wrap gap-x-5">
          {texts.takes.map(({ body, yes }, i) => (
            <CheckBox
              key={body}
              checked={yes}
              onChange={(on) =>
                set(
                  'takes',
                  texts.takes.map((one, k) => (k === i ? { ...one, yes: on } : one)),
                )
              }
            >
              {BODY_WORDS[body].many}
            </CheckBox>
          ))}
        </div>
      </fieldset>
      <fieldset className="space-y-2">
        <legend className="font-semibold">He takes grain</legend>
        <p className="text-sm text-muted">
          Hours of the day, 18.5 is half past six; an empty day is as his window says.
        </p>
        {WEEKDAYS.map((name, i) => (
          <div key={name} className="grid grid-cols-[6.5rem_1fr_1fr_auto] items-end gap-2">
            <span className="pb-2.5">{WEEKDAY_WORDS[name]}</span>
            <TextBox
              label={i === 0 ? 'from' : ''}
              aria-label={`${WEEKDAY_WORDS[name]} from`}
              {...box(`days.${i}.opens`)}
            />
            <TextBox
              label={i === 0 ? 'until' : ''}
              aria-label={`${WEEKDAY_WORDS[name]} until`}
              {...box(`days.${i}.closes`)}
            />
            <CheckBox
              checked={texts.days[i]!.closed}
              onChange={(on) =>
                set(
                  'days',
                  texts.days.map((one, k) => (k === i ? { ...one, closed: on } : one)),
                )
              }
            >
              closed
            </CheckBox>
          </div>
        ))}
      </fieldset>
      {texts.exceptions.map((exception, i) => (
        <fieldset key={i} className="grid grid-cols-2 gap-3 border-t border-rule pt-3">
          <legend className="font-semibold">A day that is otherwise</legend>
          <DayBox label="On" {...form.picked(`exceptions.${i}.on` as never)} />
          <CheckBox
            checked={exception.closed}
            onChange={(on) =>
              set(
                'exceptions',
                texts.exceptions.map((one, k) => (k === i ? { ...one, closed: on } : one)),
              )
            }
          >
            closed
          </CheckBox>
          {!exception.closed && (
            <>
              <TextBox label="from" {...box(`exceptions.${i}.opens`)} />
              <TextBox label="until" {...box(`exceptions.${i}.closes`)} />
            </>
          )}
          <TextBox label="Note" {...box(`exceptions.${i}.note`)} />
          <Button
            look="quiet"
            className="self-end !px-0 text-sm"
            onClick={() =>
              set(
                'exceptions',
                texts.exceptions.filter((_, k) => k !== i),
              )
            }
          >
            Leave it out
          </Button>
        </fieldset>
      ))}
      <Button
        onClick={() =>
          set('exceptions', [...texts.exceptions, { on: '', closed: true, opens: '', closes: '', note: '' }])
        }
      >
        A day that is otherwise
      </Button>
    </FormDrawer>
  );
}
