import { FACTOR_WORDS, PAPER_FACTORS, TICKET_PAPER, type TicketPaper } from '@fanega/core';
import { useState } from 'react';
import { ulid } from 'ulid';
import { addressOf } from '../../../data/api';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { logged } from '../../../data/records';
import { bushelsFine, count, dollarsTyped, price, testWeight } from '../../../quantity/quantity';
import { TextBox } from '../../../ui';
import { Form } from '../../../ui/form/form';
import { useFields } from '../../../ui/form/use-fields';
import { figureOrNone, recordErrors, textBox } from '../../../widgets/record-boxes';
import { PhotoBox } from '../../../widgets/photo-box';
import { capital } from '../../../words';

type Factor = (typeof PAPER_FACTORS)[number];
const wordOf = (factor: Factor): string => (factor === 'dockage' ? 'dockage' : FACTOR_WORDS[factor].words);
const FACTOR = { spec: { kind: 'number', least: 0, most: 200, unit: '', whole: false } as const, optional: true, nullable: false }; // prettier-ignore

/** What the ticket's paper says: its factors and what it prints, with its photograph beside. */
export function PaperForm({
  farm,
  entryId,
  crop,
  needsNumber,
  kept,
  photographed,
  onDone,
}: {
  farm: Farm;
  entryId: string;
  crop: string | undefined;
  /** The book has no number for it. */
  needsNumber: boolean;
  kept: TicketPaper | undefined;
  /** A photograph that waited to be typed. */
  photographed?: string | undefined;
  onDone: () => void;
}) {
  const refresh = useRefreshFarm(farm.id);
  const per = farm.kgPerBu(crop);
  const [photo, setPhoto] = useState(photographed ?? kept?.photo);
  const { fields } = TICKET_PAPER;
  const form = useFields({
    keptAs: `paper.${farm.id}.${entryId}`,
    boxes: {
      ticket: textBox(fields.ticket),
      ...(Object.fromEntries(
        PAPER_FACTORS.map((factor) => [factor, figureOrNone(FACTOR, factor === 'testWeight' ? testWeight : count)]),
      ) as Record<Factor, ReturnType<typeof figureOrNone>>),
      paidBushels: figureOrNone(fields.paidBushels, bushelsFine, { per, was: kept?.paidBushels }),
      pricePaid: figureOrNone(fields.pricePaid, price, { per, was: kept?.pricePaid }),
      drying: figureOrNone(fields.drying, dollarsTyped),
      money: figureOrNone(fields.money, dollarsTyped),
    },
    start: () => ({
      ticket: kept?.ticket ?? '',
      ...(Object.fromEntries(
        PAPER_FACTORS.map((factor) => [
          factor,
          (factor === 'testWeight' ? testWeight : count).text(kept?.factors[factor]),
        ]),
      ) as Record<Factor, string>),
      paidBushels: bushelsFine.text(kept?.paidBushels, per),
      pricePaid: price.text(kept?.pricePaid, per),
      drying: dollarsTyped.text(kept?.drying),
      money: dollarsTyped.text(kept?.money),
    }),
    together: (values) => recordErrors(TICKET_PAPER, paperOf(values)),
    close: onDone,
    save: async (values) => {
      await write(farm.id, logged(farm.id, 'ticketPaper', paperOf(values)), 'the paper of a ticket');
      await refresh();
    },
  });
  const [id] = useState(ulid);
  function paperOf(values: { readonly [name: string]: string | number | undefined }): TicketPaper {
    const { ticket, paidBushels, pricePaid, drying, money } = values;
    const some = (more: Record<string, unknown>): object =>
      Object.fromEntries(Object.entries(more).filter(([, value]) => value !== undefined && value !== ''));
    return {
      id,
      at: new Date(farm.clock()).toISOString(),
      entryId,
      factors: some(Object.fromEntries(PAPER_FACTORS.map((factor) => [factor, values[factor]]))),
      ...some({
        ticket: typeof ticket === 'string' ? ticket.trim() : '',
        paidBushels,
        pricePaid,
        drying,
        money,
        photo,
      }),
    } as TicketPaper;
  }
  return (
    <Form form={form} button="Keep what it says" className="space-y-4 py-4">
      {photo !== undefined && (
        <img
          src={addressOf('/api/farms/{farmId}/photos/{photoId}', { farmId: farm.id, photoId: photo })}
          alt="The ticket’s paper"
          className="max-h-96 w-full border border-rule object-contain"
        />
      )}
      {needsNumber && <TextBox label="Ticket number" {...form.box('ticket')} />}
      <div className="grid grid-cols-2 gap-3 sm:grid-cols-3">
        {PAPER_FACTORS.map((factor) => (
          <TextBox
            key={factor}
            label={capital(wordOf(factor))}
            {...form.box(factor)}
            unit={factor === 'testWeight' ? testWeight.unit : '%'}
          />
        ))}
      </div>
      <div className="grid grid-cols-2 gap-3 border-t border-rule pt-3">
        <TextBox label="Paid bushels" {...form.box('paidBushels')} />
        <TextBox label="Price after discounts" {...form.box('pricePaid')} />
        <TextBox label="Drying" {...form.box('drying')} />
        <TextBox label="Money" {...form.box('money')} />
      </div>
      <PhotoBox
        label={photo === undefined ? 'Photograph it' : 'Another photograph'}
        about="a ticket"
        onTaken={setPhoto}
      />
    </Form>
  );
}
