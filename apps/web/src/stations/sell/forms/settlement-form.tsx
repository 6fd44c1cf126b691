import { calendarDay, DEDUCTIONS, SETTLEMENT, type Settlement, type Settled } from '@fanega/core';
import { useState } from 'react';
import { ulid } from 'ulid';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { logged } from '../../../data/records';
import { bushelsFine, dollarsTyped, money, price } from '../../../quantity/quantity';
import { dayTyped } from '../../../quantity/time';
import { Button, SelectBox, TextBox } from '../../../ui';
import { oneOf, readBoxes, rows } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { BuyerBox } from '../../../widgets/buyer-box';
import { DayBox, dayBox } from '../../../widgets/day-box';
import { figureBox, figureOrNone, recordErrors, textBox } from '../../../widgets/record-boxes';

export const DEDUCTION_WORDS: Readonly<Record<(typeof DEDUCTIONS)[number], string>> = {
  checkoff: 'Checkoff',
  storage: 'Storage',
  freight: 'Freight',
  drying: 'Drying',
  advance: 'Advance paid before',
  other: 'Other',
};
const LINES = SETTLEMENT.fields.lines.spec;
const lineFields = (LINES.kind === 'list' && LINES.of.kind === 'record' ? LINES.of.fields : {}) as Record<
  'ticket' | 'contract' | 'bushels' | 'price' | 'taken' | 'money',
  typeof SETTLEMENT.fields.net
>;

interface LineTexts {
  ticket: string;
  kind: 'ticket' | 'correction';
  contract: string;
  bushels: string;
  price: string;
  taken: string;
  money: string;
}

/** A buyer's settlement sheet as it is typed: its tickets, what is taken off, the check. A correction changes what came before by a new line. */
export function SettlementForm({
  farm,
  settled,
  buyerId: ofBuyer,
  corrects,
  onClose,
}: {
  farm: Farm;
  settled: Settled;
  buyerId: string;
  /** Ticket and what is missing of it, where a correction is entered. */
  corrects?: { readonly ticket: string; readonly money: number } | undefined;
  onClose: () => void;
}) {
  const refresh = useRefreshFarm(farm.id);
  const [id] = useState(ulid);
  const { fields } = SETTLEMENT;
  const today = calendarDay(farm.clock(), farm.data.farm.timeZone);
  const per = farm.kgPerBu('corn');
  const empty: LineTexts = { ticket: '', kind: 'ticket', contract: '', bushels: '', price: '', taken: '', money: '' }; // prettier-ignore
  const boxes = {
    number: textBox(fields.number, 'The number of the check or the sheet'),
    buyerId: oneOf<string>(),
    paidOn: dayBox(today, 'When was it paid?'),
    deferredTo: dayBox(today),
    lines: rows(() => ({
      ticket: textBox(lineFields.ticket as never, 'Which ticket?'),
      kind: oneOf<'ticket' | 'correction'>(),
      contract: textBox(lineFields.contract as never),
      bushels: figureBox(lineFields.bushels, bushelsFine, { per, missing: 'How much is paid?' }),
      price: figureOrNone(lineFields.price, price, { per }),
      taken: figureOrNone(lineFields.taken, dollarsTyped),
      money: figureBox(lineFields.money, dollarsTyped, { missing: 'How many dollars?' }),
    })),
    deductions: rows(() => ({
      kind: oneOf<(typeof DEDUCTIONS)[number]>(),
      amount: figureBox(fields.net, dollarsTyped, { missing: 'How many dollars?' }),
    })),
    net: figureOrNone(fields.net, dollarsTyped),
  };
  const form = useFields({
    keptAs: `settlement.${farm.id}.${corrects?.ticket ?? 'new'}`,
    boxes,
    start: () => ({
      number: '',
      buyerId: ofBuyer,
      paidOn: dayTyped(today),
      deferredTo: '',
      lines: [
        corrects
          ? { ...empty, ticket: corrects.ticket, kind: 'correction' as const, bushels: '0', money: dollarsTyped.text(corrects.money) } // prettier-ignore
          : empty,
      ],
      deductions: [],
      net: '',
    }),
    together: (values) => recordErrors(SETTLEMENT, settlementOf(values)),
    close: onClose,
    save: async (values) => {
      await write(farm.id, logged(farm.id, 'settlement', settlementOf(values)), `settlement ${values.number}`);
      await refresh();
    },
  });
  const sumOf = (values: Values): number =>
    Math.round(
      100 *
        (values.lines.reduce((sum, line) => sum + line.money, 0) -
          values.deductions.reduce((sum, { amount }) => sum + amount, 0)),
    ) / 100;
  interface Values {
    readonly number: string;
    readonly buyerId: string;
    readonly paidOn: string;
    readonly deferredTo: string;
    readonly lines: readonly {
      readonly ticket: string;
      readonly kind: 'ticket' | 'correction';
      readonly contract: string;
      readonly bushels: number;
      readonly price?: number | undefined;
      readonly taken?: number | undefined;
      readonly money: number;
    }[];
    readonly deductions: readonly { readonly kind: (typeof DEDUCTIONS)[number]; readonly amount: number }[];
    readonly net?: number | undefined;
  }
  function settlementOf(values: Values): Settlement {
    const { deferredTo, lines, net, number, ...rest } = values;
    return {
      ...rest,
      id,
      at: new Date(farm.clock()).toISOString(),
      number: number.trim(),
      ...(deferredTo === '' ? {} : { deferredTo }),
      lines: lines.map(({ contract, price: at, taken, ...line }) => ({
        ...line,
        ...(contract === '' ? {} : { contract }),
        ...(at === undefined ? {} : { price: at }),
        ...(taken === undefined ? {} : { taken }),
      })),
      net: net ?? sumOf(values),
    };
  }
  const { texts, set } = form;
  const read = readBoxes(boxes, texts);
  const added = Object.keys(read.errors).some((path) => /^(lines|deductions)\./.test(path)) ? null : sumOf(read.values);
  const unpaid = settled.accounts.filter(
    ({ due, sheets }) => due.buyerId === texts.buyerId && sheets.length === 0 && due.ticketNo !== null,
  );
  const box = (at: string) => form.box(at as never);
  return (
    <FormDrawer
      form={form}
      title={corrects ? `A correction of ${corrects.ticket}` : 'A settlement'}
      button="Take it in"
    >
      <div className="grid grid-cols-2 gap-3">
        <TextBox label="Check or sheet number" {...form.box('number')} />
        <BuyerBox farm={farm} {...form.box('buyerId')} />
        <DayBox label="Paid on" {...form.picked('paidOn')} />
        <DayBox label="Deferred until" hint="blank: paid at once" {...form.picked('deferredTo')} />
      </div>
      {!corrects && unpaid.length > 0 && (
        <p className="text-sm">
          <Button
            look="quiet"
            className="!px-0 text-sm"
            onClick={() =>
              set(
                'lines',
                unpaid
                  .filter(({ due }) => due.ticket !== null)
                  .map(({ due }) => ({
                    ...empty,
                    ticket: due.ticketNo!,
                    bushels: bushelsFine.text(due.ticket!.paidBushels, per),
                    price: price.text(Math.round(due.price! * 1e4) / 1e4, per),
                    taken: dollarsTyped.text(Math.round(100 * (due.ticket!.value - due.ticket!.money)) / 100),
                    money: dollarsTyped.text(due.money!),
                  })),
              )
            }
          >
            Begin with his {unpaid.length} unpaid tickets as they are due
          </Button>{' '}
          <span className="text-muted">and type over what his sheet says otherwise.</span>
        </p>
      )}
      {texts.lines.map((line, i) => (
        <fieldset key={i} className="border-t border-rule pt-3">
          <legend className="font-semibold">
            {line.ticket.trim() === '' ? `Line ${i + 1}` : `Ticket ${line.ticket}`}
          </legend>
          <div className="grid grid-cols-2 gap-3 sm:grid-cols-3">
            <TextBox label="Ticket" {...box(`lines.${i}.ticket`)} />
            <SelectBox label="It is" {...box(`lines.${i}.kind`)}>
              <option value="ticket">a ticket</option>
              <option value="correction">a correction</option>
            </SelectBox>
            <TextBox label="Contract" hint="where it names one" {...box(`lines.${i}.contract`)} />
            <TextBox label="Paid" {...box(`lines.${i}.bushels`)} />
            <TextBox label="Price" {...box(`lines.${i}.price`)} />
            <TextBox label="Taken off" {...box(`lines.${i}.taken`)} />
            <TextBox label="Money" {...box(`lines.${i}.money`)} />
          </div>
          {texts.lines.length > 1 && (
            <Button
              look="quiet"
              className="!px-0 text-sm"
              onClick={() =>
                set(
                  'lines',
                  texts.lines.filter((_, k) => k !== i),
                )
              }
            >
              Leave this line out
            </Button>
          )}
        </fieldset>
      ))}
      <Button onClick={() => set('lines', [...texts.lines, empty])}>Another line</Button>
      <fieldset className="space-y-3 border-t border-ink pt-3">
        <legend className="font-semibold">Taken off the sheet as a whole</legend>
        {texts.deductions.map((_, i) => (
          <div key={i} className="grid grid-cols-2 gap-3">
            <SelectBox label="What for" {...box(`deductions.${i}.kind`)}>
              {DEDUCTIONS.map((one) => (
                <option key={one} value={one}>
                  {DEDUCTION_WORDS[one]}
                </option>
              ))}
            </SelectBox>
            <TextBox label="Amount" {...box(`deductions.${i}.amount`)} />
          </div>
        ))}
        <Button
          look="quiet"
          className="!px-0"
          onClick={() => set('deductions', [...texts.deductions, { kind: 'checkoff', amount: '' }])}
        >
          Something is taken off
        </Button>
      </fieldset>
      <TextBox
        label="The check"
        hint={added === null ? 'blank: what its lines come to' : `its lines come to ${money(added)}; blank: that`}
        {...form.box('net')}
      />
    </FormDrawer>
  );
}
