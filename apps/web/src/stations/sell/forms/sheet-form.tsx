import {
  BUYER_SHEET,
  type BuyerSheet,
  calendarDay,
  computeTicket,
  type CropId,
  CROPS,
  FACTOR_WORDS,
  RangeRefusal,
  scheduleOf,
  SHEET_FACTORS,
  SHEET_SCHOOLS,
  type SheetFactor,
} from '@fanega/core';
import { useState } from 'react';
import { ulid } from 'ulid';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { setting } from '../../../data/records';
import { bushelsFine, count, dollarsTyped, money, price, priceText, share } from '../../../quantity/quantity';
import { dayTyped } from '../../../quantity/time';
import { Button, SelectBox, TextBox } from '../../../ui';
import { CheckBox } from '../../../ui/check-box';
import { oneOf, readBoxes, rows, type Values, yesNo } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { AnyCropBox, BuyerBox } from '../../../widgets/buyer-box';
import { DayBox, dayBox } from '../../../widgets/day-box';
import { figureBox, figureOrNone, recordErrors, textBox } from '../../../widgets/record-boxes';

export const SHRINK_WORDS: Readonly<Record<BuyerSheet['shrink'], string>> = {
  flat: 'so many percent a point',
  water: 'the water, by dry matter',
  none: 'none: the price is docked',
};
const SCHOOL_WORDS: Readonly<Record<keyof typeof SHEET_SCHOOLS, string>> = {
  flat: 'Flat shrink',
  water: 'Water and handling',
  priceOnly: 'Price only',
};
const STEP_WORDS = { started: 'each started step', whole: 'whole steps only', proportion: 'in proportion' } as const;
const ROUNDING_WORDS = { halfUp: 'to the nearest', up: 'up', down: 'down' } as const;
type Factors = BuyerSheet['factors'];
type Band = Factors[number]['bands'][number];
const FACTOR = { spec: BUYER_SHEET.fields.factors.spec, optional: false, nullable: false };
/** Fields of a list's record, for their limits. */
const within = (field: typeof FACTOR): Readonly<Record<string, typeof FACTOR>> =>
  field.spec.kind === 'list' && field.spec.of.kind === 'record' ? (field.spec.of.fields as never) : {};
const factorFields = within(FACTOR);
const bandFields = within(factorFields.bands!);

interface Start {
  readonly id: string;
  readonly revision: number;
  readonly value: BuyerSheet;
}

/** What a buyer posts for a crop from a day on; what a load would come to by it stands below while it is typed. */
export function SheetForm({
  farm,
  kept,
  from,
  buyerId,
  crop: ofCrop,
  onClose,
}: {
  farm: Farm;
  kept: Start | null;
  /** An older sheet that a new one begins from. */
  from?: BuyerSheet | undefined;
  buyerId: string;
  crop: CropId;
  onClose: () => void;
}) {
  const refresh = useRefreshFarm(farm.id);
  const [id] = useState(() => kept?.id ?? ulid());
  const { fields } = BUYER_SHEET;
  const [crop, setCrop] = useState<CropId>(kept?.value.crop ?? from?.crop ?? ofCrop);
  const today = calendarDay(farm.clock(), farm.data.farm.timeZone);
  const per = farm.kgPerBu(crop);
  const base = CROPS[crop].baseMoisture;
  const was: BuyerSheet = kept?.value ?? from ?? { ...SHEET_SCHOOLS.flat, buyerId, crop, from: today, base };
  const textsOf = (sheet: BuyerSheet) => ({
    base: share.text(sheet.base),
    shrink: sheet.shrink,
    shrinkPerPoint: count.text(sheet.shrinkPerPoint),
    handling: share.text(sheet.handling),
    moistureStep: share.text(sheet.moistureStep),
    moistureRounding: sheet.moistureRounding,
    refuseAbove: share.text(sheet.refuseAbove),
    dryingPerPoint: dollarsTyped.text(sheet.dryingPerPoint),
    dryingStep: count.text(sheet.dryingStep),
    dockage: sheet.dockage,
    foreignMaterialFree: share.text(sheet.foreignMaterialFree),
    discountsOn: sheet.discountsOn,
    feePerBu: price.text(sheet.feePerBu, per),
    checkoffPercent: count.text(sheet.checkoffPercent),
    factors: sheet.factors.map(({ factor, steps, cumulative, refuseBeyond, bands }) => ({
      factor,
      steps,
      cumulative,
      refuseBeyond: count.text(refuseBeyond),
      bands: bands.map((band) => ({
        from: count.text(band.from),
        per: band.per,
        amount: count.text(band.amount),
        step: count.text(band.step),
      })),
    })),
  });
  const boxes = {
    buyerId: oneOf<string>(),
    from: dayBox(today, 'From which day on?'),
    base: figureBox(fields.base, share, { was: was.base }),
    shrink: oneOf<BuyerSheet['shrink']>(),
    shrinkPerPoint: figureOrNone(fields.shrinkPerPoint, count),
    handling: figureOrNone(fields.handling, share, { was: was.handling }),
    moistureStep: figureOrNone(fields.moistureStep, share, { was: was.moistureStep }),
    moistureRounding: oneOf<BuyerSheet['moistureRounding']>(),
    refuseAbove: figureOrNone(fields.refuseAbove, share, { was: was.refuseAbove }),
    dryingPerPoint: figureOrNone(fields.dryingPerPoint, dollarsTyped),
    dryingStep: figureOrNone(fields.dryingStep, count),
    dockage: yesNo,
    foreignMaterialFree: figureOrNone(fields.foreignMaterialFree, share, { was: was.foreignMaterialFree }),
    discountsOn: oneOf<BuyerSheet['discountsOn']>(),
    feePerBu: figureOrNone(fields.feePerBu, price, { per, was: was.feePerBu }),
    checkoffPercent: figureOrNone(fields.checkoffPercent, count),
    note: textBox(fields.note),
    factors: rows(() => ({
      factor: oneOf<SheetFactor>(),
      steps: oneOf<Factors[number]['steps']>(),
      cumulative: yesNo,
      refuseBeyond: figureOrNone(factorFields.refuseBeyond!, count),
      bands: rows(() => ({
        from: figureBox(bandFields.from!, count, { missing: 'From where on?' }),
        per: oneOf<Band['per']>(),
        amount: figureBox(bandFields.amount!, count, { missing: 'How much?' }),
        step: figureOrNone(bandFields.step!, count),
      })),
    })),
  };
  const unasked = ({ shrink }: { readonly shrink: BuyerSheet['shrink'] }): ('shrinkPerPoint' | 'handling')[] =>
    shrink === 'none' ? ['shrinkPerPoint', 'handling'] : shrink === 'water' ? ['shrinkPerPoint'] : [];
  const form = useFields({
    keptAs: `sheet.${farm.id}.${kept?.id ?? 'new'}.${crop}`,
    boxes,
    unasked,
    start: () => ({
      buyerId: was.buyerId,
      from: dayTyped(kept ? was.from : today),
      note: was.note ?? '',
      ...textsOf(was),
    }),
    together: (values) => recordErrors(BUYER_SHEET, sheetOf(values)),
    close: onClose,
    save: async (values) => {
      const value = sheetOf(values);
      await write(
        farm.id,
        setting(farm.id, 'buyerSheet', id, { revision: kept?.revision ?? 0, value }),
        `sheet of ${farm.placeName(value.buyerId)}`,
      );
      await refresh();
    },
  });

  function sheetOf({ note, factors, ...values }: Values<typeof boxes>): BuyerSheet {
    const given = <T extends object>(of: T): T =>
      Object.fromEntries(Object.entries(of).filter(([, value]) => value !== undefined)) as T;
    return given({
      ...values,
      crop,
      bushelDecimals: was.bushelDecimals,
      factors: factors.map(({ bands, ...one }) => ({ ...given(one), bands: bands.map((band) => given(band)) })),
      ...(note.trim() === '' ? {} : { note: note.trim() }),
    }) as unknown as BuyerSheet;
  }
  const { texts, set } = form;
  const box = (at: string) => form.box(at as never);
  const now = readBoxes(boxes, texts, unasked(texts));
  const typed = Object.keys(now.errors).length > 0 ? null : sheetOf(now.values);
  return (
    <FormDrawer form={form} title={kept ? 'A posted sheet' : 'A new posted sheet'} button="Keep the sheet">
      <div className="grid grid-cols-2 gap-3">
        <BuyerBox farm={farm} {...form.box('buyerId')} />
        <AnyCropBox value={crop} onChange={setCrop} />
        <DayBox label="Posted from" {...form.picked('from')} />
        <TextBox label="Base moisture" {...form.box('base')} />
      </div>
      {!kept && (
        <div className="flex flex-wrap items-baseline gap-x-3 text-sm">
          <span className="text-muted">Begin from a usual one (figures are examples):</span>
          {(Object.keys(SHEET_SCHOOLS) as (keyof typeof SHEET_SCHOOLS)[]).map((school) => (
            <Button
              key={school}
              look="quiet"
              className="!px-0"
              onClick={() => {
                for (const [name, text] of Object.entries(
                  textsOf({ ...SHEET_SCHOOLS[school], buyerId, crop, from: today, base }),
                ))
                  // prettier-ignore
                  if (name !== 'base') set(name as never, text as never);
              }}
            >
              {SCHOOL_WORDS[school]}
            </Button>
          ))}
        </div>
      )}
      <fieldset className="space-y-3 border-t border-rule pt-3">
        <legend className="font-semibold">Moisture</legend>
        <SelectBox label="Shrink" {...form.box('shrink')}>
          {Object.entries(SHRINK_WORDS).map(([way, words]) => (
            <option key={way} value={way}>
              {words}
            </option>
          ))}
        </SelectBox>
        <div className="grid grid-cols-2 gap-3">
          {texts.shrink === 'flat' && <TextBox label="Shrink a point" {...form.box('shrinkPerPoint')} unit="%" />}
          {texts.shrink !== 'none' && <TextBox label="Handling besides" {...form.box('handling')} />}
          <TextBox label="Drying a point" hint="on wet bushels; blank: none" {...form.box('dryingPerPoint')} />
          <TextBox label="in steps of" hint="each started one counts" {...form.box('dryingStep')} unit="points" />
          <TextBox label="Moisture is rounded to" {...form.box('moistureStep')} />
          <SelectBox label="rounded" {...form.box('moistureRounding')}>
            {Object.entries(ROUNDING_WORDS).map(([way, words]) => (
              <option key={way} value={way}>
                {words}
              </option>
            ))}
          </SelectBox>
          <TextBox label="Refused above" {...form.box('refuseAbove')} />
        </div>
      </fieldset>
      <fieldset className="space-y-3 border-t border-rule pt-3">
        <legend className="font-semibold">Off the weight, and for all bushels</legend>
        <CheckBox checked={texts.dockage} onChange={(on) => set('dockage', on)}>
          Dockage comes off the weight first
        </CheckBox>
        <div className="grid grid-cols-2 gap-3">
          <TextBox
            label="Foreign material free to"
            hint="beyond it, off the weight"
            {...form.box('foreignMaterialFree')}
          />
          <SelectBox label="Discounts count on" {...form.box('discountsOn')}>
            <option value="paid">paid bushels</option>
            <option value="gross">gross bushels</option>
          </SelectBox>
          <TextBox label="Fee" {...form.box('feePerBu')} />
          <TextBox label="Checkoff" hint="of the net value" {...form.box('checkoffPercent')} unit="%" />
        </div>
      </fieldset>
      {texts.factors.map((factor, i) => (
        <fieldset key={i} className="space-y-3 border-t border-rule pt-3">
          <legend className="font-semibold">Discount for {FACTOR_WORDS[factor.factor].words}</legend>
          <div className="grid grid-cols-2 gap-3">
            <SelectBox label="Factor" {...box(`factors.${i}.factor`)}>
              {SHEET_FACTORS.map((one) => (
                <option key={one} value={one}>
                  {FACTOR_WORDS[one].words}
                </option>
              ))}
            </SelectBox>
            <SelectBox label="Parts of a step" {...box(`factors.${i}.steps`)}>
              {Object.entries(STEP_WORDS).map(([way, words]) => (
                <option key={way} value={way}>
                  {words}
                </option>
              ))}
            </SelectBox>
            <TextBox label="Refused beyond" {...box(`factors.${i}.refuseBeyond`)} />
          </div>
          <CheckBox
            checked={factor.cumulative}
            onChange={(on) =>
              set(
                'factors',
                texts.factors.map((one, k) => (k === i ? { ...one, cumulative: on } : one)),
              )
            }
          >
            Bands passed on the way count too
          </CheckBox>
          {factor.bands.map((band, k) => (
            <div key={k} className="grid grid-cols-2 gap-3 border-l-2 border-rule pl-3">
              <TextBox
                label={FACTOR_WORDS[factor.factor].worse === 'below' ? 'Below' : 'Above'}
                {...box(`factors.${i}.bands.${k}.from`)}
              />
              <TextBox label="Takes" {...box(`factors.${i}.bands.${k}.amount`)} />
              <SelectBox label="of" {...box(`factors.${i}.bands.${k}.per`)}>
                <option value="bushel">$ a bushel</option>
                <option value="percentOfPrice">% of the price</option>
              </SelectBox>
              <TextBox
                label="each"
                hint={band.step === '' ? 'blank: once' : undefined}
                {...box(`factors.${i}.bands.${k}.step`)}
              />
            </div>
          ))}
          <div className="flex flex-wrap gap-x-4">
            <Button
              look="quiet"
              className="!px-0"
              onClick={() => set('factors', texts.factors.map((one, k) => (k === i ? { ...one, bands: [...one.bands, { from: '', per: 'bushel' as const, amount: '', step: '1' }] } : one)))} // prettier-ignore
            >
              Another band
            </Button>
            {factor.bands.length > 1 && (
              <Button
                look="quiet"
                className="!px-0"
                onClick={() => set('factors', texts.factors.map((one, k) => (k === i ? { ...one, bands: one.bands.slice(0, -1) } : one)))} // prettier-ignore
              >
                Leave the last band out
              </Button>
            )}
            <Button
              look="quiet"
              className="!px-0"
              onClick={() =>
                set(
                  'factors',
                  texts.factors.filter((_, k) => k !== i),
                )
              }
            >
              Leave this discount out
            </Button>
          </div>
        </fieldset>
      ))}
      <Button
        onClick={() =>
          set('factors', [
            ...texts.factors,
            {
              factor: SHEET_FACTORS.find((one) => !texts.factors.some(({ factor }) => factor === one)) ?? 'testWeight',
              steps: 'started' as const,
              cumulative: true,
              refuseBeyond: '',
              bands: [{ from: '', per: 'bushel' as const, amount: '', step: '1' }],
            },
          ])
        }
      >
        Another discount
      </Button>
      <TextBox label="Note" {...form.box('note')} />
      <Sample farm={farm} crop={crop} sheet={typed} />
    </FormDrawer>
  );
}

/** 50,000 pounds three points above the base, by the sheet as it is typed: what a slip of a digit shows at. */
function Sample({ farm, crop, sheet }: { farm: Farm; crop: CropId; sheet: BuyerSheet | null }) {
  if (sheet === null) return null;
  const per = farm.kgPerBu(crop);
  const SAMPLE = { price: 4.5, points: 0.03, kg: 22_680 };
  try {
    const ticket = computeTicket(
      { grossKg: SAMPLE.kg, tareKg: 0, moisture: sheet.base + SAMPLE.points, price: SAMPLE.price },
      scheduleOf(sheet, CROPS[crop].legalPounds),
    );
    return (
      <p className="border-t border-rule pt-3 text-sm" aria-label="By this sheet">
        By this sheet {bushelsFine(ticket.wetBushels, per).text} three points above the base are{' '}
        <b>{bushelsFine(ticket.paidBushels, per).text} paid</b>; at {priceText(SAMPLE.price, per)} they bring{' '}
        <b>{money(ticket.money)}</b>, {money(ticket.docked + ticket.drying + ticket.fees + ticket.checkoff)} taken off.
      </p>
    );
  } catch (error) {
    if (!(error instanceof RangeRefusal)) throw error;
    return null;
  }
}
