import type { WeighTicketBody } from '@fanega/contract';
import type { EmptyWeightCorrection, Entry } from '@fanega/core';
import { useRef, useState } from 'react';
import { toast } from '../../ui/toast';
import { ulid } from 'ulid';
import { get, post } from '../../data/api';
import { write } from '../../data/outbox';
import { bookCommand, MADE_AGAIN } from '../../data/outbox/book-command';
import { type Farm, type HaulAtScale, useRefreshFarm } from '../../data/farm';
import { useSend } from '../../data/use-send';
import { deviceName } from '../record';
import { Button, Problem } from '../../ui';
import { bushels, bushelsFine, dollars, mass } from '../../quantity/quantity';
import { clock, day } from '../../quantity/time';

/** An entry as it is made again: who and when of the old one stay with the old one. */
const bare = ({ id: _, recordedAt: __, by: ___, ...rest }: Entry): object => rest;

/** Loads that were weighed with a tare now known to be wrong: what each correction changes; the old tickets stay, void. */
export function TareCorrections({
  farm,
  haul,
  corrections,
  newTare,
  kgPerBu,
}: {
  farm: Farm;
  haul: HaulAtScale;
  corrections: readonly EmptyWeightCorrection[];
  newTare: { readonly id: string; readonly axlesKg: readonly number[]; readonly combination: string };
  /** kg of a bushel of what these loads are. */
  kgPerBu: number;
}) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const [done, setDone] = useState<ReadonlySet<string>>(new Set());
  const ids = useRef(new Map<string, { ticket: string; entry: string; void: string }>());
  const { timeZone } = farm.data.farm;
  const sum = corrections.reduce((total, one) => total + one.bushels, 0);
  const money = corrections.some((one) => one.money === null)
    ? null
    : corrections.reduce((total, one) => total + one.money!, 0);
  const correct = async (one: EmptyWeightCorrection): Promise<void> => {
    const ticket = haul.tickets.find(({ number }) => String(number) === one.load.id);
    if (!ticket) return correctEntry(one);
    const own = ids.current.get(one.load.id) ?? { ticket: ulid(), entry: ulid(), void: ulid() };
    ids.current.set(one.load.id, own);
    const done = await sending.send(async () => {
      const old =
        ticket.entryId === null
          ? null
          : (await get('/api/farms/{farmId}/entries/{entryId}', { path: { farmId: farm.id, entryId: ticket.entryId } }))
              .entry;
      const note = `ticket ${ticket.number}: wrong empty weight`;
      const made: Omit<WeighTicketBody, 'entry'> = {
        id: own.ticket,
        at: ticket.at,
        machineId: ticket.machineId,
        combination: newTare.combination,
        grossKg: [...ticket.grossKg],
        tareKg: [...newTare.axlesKg],
        tareId: newTare.id,
        byHand: ticket.byHand,
      };
      // The old ticket, what it said in the book and the new one: all of it or nothing.
      const command = post(
        '/api/farms/{farmId}/weigh-tickets/{number}/correction',
        { path: { farmId: farm.id, number: ticket.number } },
        {
          ...(old
            ? {
                void: {
                  id: own.void,
                  type: 'void',
                  at: new Date(farm.clock()).toISOString(),
                  voids: old.id,
                  note,
                  device: deviceName(),
                },
              }
            : {}),
          ticket: {
            ...made,
            ...(old
              ? {
                  entry: {
                    ...bare(old),
                    id: own.entry,
                    wetKg: one.netAfterKg,
                    note: `own truck scale; corrects ticket ${ticket.number}`,
                  },
                }
              : {}),
          },
        } as never,
      );
      return write(farm.id, command, `ticket ${ticket.number} corrected`);
    });
    if (!done) return;
    setDone((before) => new Set(before).add(one.load.id));
    toast(
      done.waits
        ? `The correction of ticket ${ticket.number} waits on this device`
        : `Ticket ${ticket.number} is void; ${done.answer.number} stands for it`,
    );
    await refresh();
  };
  /** A load without a ticket of ours is voided and made again with the right empty weight. */
  const correctEntry = async (one: EmptyWeightCorrection): Promise<void> => {
    const own = ids.current.get(one.load.id) ?? { ticket: ulid(), entry: ulid(), void: ulid() };
    ids.current.set(one.load.id, own);
    const corrected = await sending.send(async () => {
      const { entry: old } = await get('/api/farms/{farmId}/entries/{entryId}', {
        path: { farmId: farm.id, entryId: one.load.id },
      });
      const undone = {
        id: own.void,
        type: 'void',
        at: new Date(farm.clock()).toISOString(),
        voids: old.id,
        note: MADE_AGAIN,
        device: deviceName(),
      };
      const again = {
        ...bare(old),
        id: own.entry,
        tareKg: one.load.grossKg - one.netAfterKg,
        wetKg: one.netAfterKg,
        note: 'own truck scale; wrong empty weight corrected',
      };
      return write(farm.id, bookCommand(farm.id, [undone, again] as Entry[]), 'a load corrected');
    });
    if (!corrected) return;
    setDone((before) => new Set(before).add(one.load.id));
    toast('The load is corrected; the old one stays, crossed out');
    await refresh();
  };
  return (
    <section aria-label="Loads with the wrong tare" className="mt-3">
      <h3 className="text-xl">
        {corrections.length} {corrections.length === 1 ? 'load was' : 'loads were'} weighed with the old one:{' '}
        {bushels.signed(sum, kgPerBu).text}
        {money === null ? '' : `, ${money < 0 ? '−' : '+'}${dollars(Math.abs(money))}`}
      </h3>
      <ul className="mt-1">
        {corrections.map((one) => (
          <li
            key={one.load.id}
            className="flex flex-wrap items-center justify-between gap-x-4 border-b border-rule py-1.5"
          >
            <span>
              {haul.tickets.some(({ number }) => String(number) === one.load.id)
                ? `No. ${one.load.id}, `
                : 'Without a ticket, '}
              {day(one.load.atMs, timeZone)} {clock(one.load.atMs, timeZone)}: {mass(one.netBeforeKg).text} →{' '}
              <b>{mass(one.netAfterKg).text}</b> ({bushelsFine.signed(one.bushels, kgPerBu).text})
            </span>
            {done.has(one.load.id) ? (
              <b>● corrected</b>
            ) : (
              <Button disabled={sending.busy} onClick={() => void correct(one)}>
                Correct
              </Button>
            )}
          </li>
        ))}
      </ul>
      <Problem>{sending.message}</Problem>
      <p className="mt-1 text-sm text-muted">
        A correction voids the old ticket and prints a new one; both stay in the book.
      </p>
    </section>
  );
}
