import {
  calendarDay,
  FEDERAL_RULES,
  KG_PER_LB,
  M_PER_FT,
  TRUCK_BODIES,
  type TruckBody,
  TRUCK_AXLE,
  TRUCK_PERMIT,
  TRUCK_SETUP,
  type TruckSetup,
} from '@fanega/core';
import { useFieldArray } from 'react-hook-form';
import { toast } from '../../../ui/toast';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { Button, SelectBox, TextBox } from '../../../ui';
import { oneOf, rows, yesNo } from '../../../ui/form/box';
import { CheckBox } from '../../../ui/check-box';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { count, length, mass, percent, share, system } from '../../../quantity/quantity';
import { dayTyped } from '../../../quantity/time';
import { setting } from '../../../data/records';
import { write } from '../../../data/outbox';
import { BODY_WORDS } from '../../../widgets/body-words';
import { DayBox, dayBox } from '../../../widgets/day-box';
import { figureBox, recordErrors, textBox } from '../../../widgets/record-boxes';

/** A tractor with a hopper trailer, as many are: to be put right for the truck that it is. */
export function usualSheet(name: string): TruckSetup {
  return {
    combination: name,
    axles: [0, 14, 18.3, 47, 51.3].map((feet, i) => ({
      at: feet * M_PER_FT,
      share: [0.04, 0.23, 0.23, 0.25, 0.25][i]!,
    })),
    singleLb: FEDERAL_RULES.single,
    tandemLb: FEDERAL_RULES.tandem,
    grossLb: FEDERAL_RULES.gross,
  };
}

export function VehicleForm({
  farm,
  truckId,
  revision,
  sheet,
  onClose,
}: {
  farm: Farm;
  truckId: string;
  revision: number;
  sheet: TruckSetup;
  onClose: () => void;
}) {
  const refresh = useRefreshFarm(farm.id);
  const today = calendarDay(farm.clock(), farm.data.farm.timeZone);
  const { permit } = sheet;
  const buyers = farm.data.places.filter(({ kind }) => kind === 'buyer');
  /** Limits are kept in pounds, as the law has them. */
  const limit = (key: 'singleLb' | 'tandemLb' | 'grossLb') =>
    figureBox(TRUCK_SETUP.fields[key], mass, { times: 1 / KG_PER_LB, was: sheet[key] });
  const form = useFields({
    keptAs: `truck.${farm.id}.${truckId}.${system()}`,
    boxes: {
      combination: textBox(TRUCK_SETUP.fields.combination, 'Which tractor and trailer?'),
      body: oneOf<TruckBody | ''>(),
      axles: rows((i) => ({
        at: figureBox(TRUCK_AXLE.at, length, { was: sheet.axles[i]?.at }),
        share: figureBox(TRUCK_AXLE.share, share, { was: sheet.axles[i]?.share }),
      })),
      singleLb: limit('singleLb'),
      tandemLb: limit('tandemLb'),
      grossLb: limit('grossLb'),
      permit: textBox(TRUCK_PERMIT.name),
      percentAxles: figureBox(TRUCK_PERMIT.percentAxles, count),
      percentGross: figureBox(TRUCK_PERMIT.percentGross, count),
      from: dayBox(today, 'A permit has a first day'),
      until: dayBox(today, 'A permit has a last day'),
      roads: rows(() => ({ buyer: oneOf<string>(), holds: yesNo })),
    },
    unasked: (typed) => (typed.permit.trim() === '' ? ['percentAxles', 'percentGross', 'from', 'until'] : []),
    start: () => ({
      combination: sheet.combination,
      body: (sheet.body ?? '') as TruckBody | '',
      axles: sheet.axles.map((axle) => ({ at: length.text(axle.at), share: share.text(axle.share) })),
      singleLb: mass.text(sheet.singleLb * KG_PER_LB),
      tandemLb: mass.text(sheet.tandemLb * KG_PER_LB),
      grossLb: mass.text(sheet.grossLb * KG_PER_LB),
      permit: permit?.name ?? '',
      percentAxles: count.text(permit?.percentAxles ?? 0),
      percentGross: count.text(permit?.percentGross ?? 10),
      from: dayTyped(permit?.from),
      until: dayTyped(permit?.until),
      roads: buyers.map(({ id }) => ({ buyer: id, holds: sheet.permitRoads?.includes(id) ?? true })),
    }),
    together: (values): Record<string, string> => {
      const { axles, share: shares, ...errors } = recordErrors(TRUCK_SETUP, setupOf(values));
      if (axles) return { '': `Each axle stands behind the one before, at least ${length(0.5)}; the first at 0` };
      if (shares) {
        const sum = values.axles.reduce((total, axle) => total + axle.share, 0);
        return { '': `The parts of the load come to ${percent(sum)}, not to 100` };
      }
      return errors;
    },
    close: onClose,
    save: async (values) => {
      await write(farm.id, setting(farm.id, 'truckSetup', truckId, { revision, value: setupOf(values) }));
      toast('The truck is kept');
      await refresh();
    },
  });
  const { fields, append, remove } = useFieldArray({ control: form.control, name: 'axles' });
  const last = length.read(form.texts.axles.at(-1)?.at ?? '').value ?? 0;
  return (
    <FormDrawer form={form} title={farm.placeName(truckId)} button="Keep the truck">
      <TextBox label="Tractor and trailer" {...form.box('combination')} />
      <SelectBox label="It is emptied as" {...form.box('body')}>
        <option value="">not known</option>
        {TRUCK_BODIES.map((body) => (
          <option key={body} value={body}>
            {BODY_WORDS[body].one}
          </option>
        ))}
      </SelectBox>
      <fieldset>
        <legend className="mb-1 text-sm font-semibold">Axles, from the front</legend>
        {fields.map((axle, i) => (
          <div key={axle.id} className="mb-2 grid grid-cols-[2rem_1fr_1fr] items-end gap-3">
            <span className="pb-2 font-bold">{i + 1}</span>
            <TextBox label="behind the first" readOnly={i === 0} {...form.box(`axles.${i}.at`)} />
            <TextBox label="of the load" {...form.box(`axles.${i}.share`)} />
          </div>
        ))}
        <p className="flex gap-4">
          <Button
            look="quiet"
            className="!px-0"
            disabled={fields.length >= 12}
            onClick={() => append({ at: length.text(last + 4.3 * M_PER_FT), share: '0' })}
          >
            Another axle
          </Button>
          <Button
            look="quiet"
            className="!px-0"
            disabled={fields.length <= 2}
            onClick={() => remove(fields.length - 1)}
          >
            One less
          </Button>
        </p>
      </fieldset>
      <div className="grid grid-cols-3 gap-3">
        <TextBox label="Single" {...form.box('singleLb')} />
        <TextBox label="Tandem" {...form.box('tandemLb')} />
        <TextBox label="Gross" {...form.box('grossLb')} />
      </div>
      <TextBox label="Permit, as it is headed" hint="leave blank without one" {...form.box('permit')} />
      {form.texts.permit.trim() !== '' && (
        <div className="grid grid-cols-2 gap-3">
          <TextBox label="On axles" {...form.box('percentAxles')} unit="%" />
          <TextBox label="On the gross" {...form.box('percentGross')} unit="%" />
          <DayBox label="From" {...form.picked('from')} />
          <DayBox label="Until" {...form.picked('until')} />
          {form.texts.roads.length > 0 && (
            <fieldset className="col-span-2">
              <legend className="text-sm font-semibold">It holds on the road to</legend>
              {form.texts.roads.map(({ buyer, holds }, i) => (
                <CheckBox
                  key={buyer}
                  checked={holds}
                  onChange={(on) =>
                    form.set(
                      'roads',
                      form.texts.roads.map((one, k) => (k === i ? { ...one, holds: on } : one)),
                    )
                  }
                >
                  {farm.placeName(buyer)}
                </CheckBox>
              ))}
            </fieldset>
          )}
        </div>
      )}
      <p className="text-sm text-muted">
        Federal limits stand here first; put your state&rsquo;s and your permit&rsquo;s own figures in their place. They
        rule.
      </p>
    </FormDrawer>
  );
}

/** The record of what was read; without a name there is no permit. */
function setupOf({
  permit,
  percentAxles,
  percentGross,
  from,
  until,
  roads,
  body,
  ...others
}: Omit<TruckSetup, 'permit' | 'permitRoads' | 'body'> & {
  readonly body: TruckBody | '';
  readonly permit: string;
  readonly percentAxles: number;
  readonly percentGross: number;
  readonly from: string;
  readonly until: string;
  readonly roads: readonly { readonly buyer: string; readonly holds: boolean }[];
}): TruckSetup {
  const rest = { ...others, ...(body === '' ? {} : { body }) };
  if (permit === '') return rest;
  // All of them is as good as none named: a buyer who is added later is not forgotten.
  const named = roads.filter(({ holds }) => holds).map(({ buyer }) => buyer);
  return {
    ...rest,
    permit: { name: permit, percentAxles, percentGross, from, until },
    ...(named.length < roads.length ? { permitRoads: named } : {}),
  };
}
