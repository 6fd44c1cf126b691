import type { HaulAnswer, TapeLine, WeighTicketInfo } from '@fanega/contract';
import type { TareCorrection } from '@fanega/core';
import { useRef, useState } from 'react';
import { toast } from 'sonner';
import { ulid } from 'ulid';
import { get, post } from '../../data/api';
import { type Farm, useRefreshFarm } from '../../data/farm';
import { useSend } from '../../data/use-send';
import { MADE_AGAIN } from '../../outbox/correction';
import { deviceName } from '../../record';
import { Button, Problem } from '../../ui';
import { formatBushels, formatBushelsFine, formatDollars } from '../../widgets/quantity';
import { clock, day } from '../../widgets/time';
import { bridgeText } from './weigh-facts';

/** Loads that were weighed with a tare now known to be wrong: what each correction changes; the old tickets stay, void. */
export function TareCorrections({
  farm,
  haul,
  corrections,
  newTare,
  unit,
}: {
  farm: Farm;
  haul: HaulAnswer;
  corrections: readonly TareCorrection[];
  newTare: { readonly id: string; readonly axlesKg: readonly number[]; readonly combination: string };
  unit: 'lb' | 't';
}) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const [done, setDone] = useState<ReadonlySet<string>>(new Set());
  const ids = useRef(new Map<string, { ticket: string; entry: string; void: string }>());
  const { timeZone } = farm.data.farm;
  const sum = corrections.reduce((total, one) => total + one.bushels, 0);
  const money = corrections.some((one) => one.money === null) ? null : corrections.reduce((total, one) => total + one.money!, 0);
  const correct = async (one: TareCorrection): Promise<void> => {
    const ticket = haul.tickets.find(({ number }) => String(number) === one.load.id);
    if (!ticket) return correctEntry(one);
    const own = ids.current.get(one.load.id) ?? { ticket: ulid(), entry: ulid(), void: ulid() };
    ids.current.set(one.load.id, own);
    const done = await sending.send(async () => {
      let entry: object | undefined;
      if (ticket.entryId !== null) {
        const { entry: old } = await get<TapeLine>(`/farms/${farm.id}/entries/${ticket.entryId}`);
        await post<object>(`/farms/${farm.id}/entries`, {
          entries: [
            { id: own.void, type: 'void', at: new Date(farm.clock()).toISOString(), voids: old.id, note: `ticket ${ticket.number}: wrong empty weight`, device: deviceName() },
          ],
        });
        const { id: _, recordedAt: __, by: ___, ...rest } = old as typeof old & Record<string, unknown>;
        entry = { ...rest, id: own.entry, wetKg: one.netAfterKg, note: `own bridge; corrects ticket ${ticket.number}` };
      }
      const made = await post<WeighTicketInfo>(`/farms/${farm.id}/weigh-tickets`, {
        id: own.ticket,
        at: ticket.at,
        machineId: ticket.machineId,
        combination: newTare.combination,
        grossKg: ticket.grossKg,
        tareKg: newTare.axlesKg,
        tareId: newTare.id,
        byHand: ticket.byHand,
        ...(entry ? { entry } : {}),
      });
      await post<WeighTicketInfo>(`/farms/${farm.id}/weigh-tickets/${ticket.number}/void`);
      return made;
    });
    if (!done) return;
    setDone((before) => new Set(before).add(one.load.id));
    toast(`Ticket ${ticket.number} is void; ${done.number} stands for it`);
    await refresh();
  };
  /** A load without a ticket of ours is voided and made again with the right empty weight. */
  const correctEntry = async (one: TareCorrection): Promise<void> => {
    const own = ids.current.get(one.load.id) ?? { ticket: ulid(), entry: ulid(), void: ulid() };
    ids.current.set(one.load.id, own);
    const corrected = await sending.send(async () => {
      const { entry: old } = await get<TapeLine>(`/farms/${farm.id}/entries/${one.load.id}`);
      const { recordedAt: _, by: __, ...rest } = old as typeof old & Record<string, unknown>;
      return post<object>(`/farms/${farm.id}/corrections`, {
        void: { id: own.void, type: 'void', at: new Date(farm.clock()).toISOString(), voids: old.id, note: MADE_AGAIN, device: deviceName() },
        entry: { ...rest, id: own.entry, tareKg: one.load.grossKg - one.netAfterKg, wetKg: one.netAfterKg, note: 'own bridge; wrong empty weight corrected' },
      });
    });
    if (!corrected) return;
    setDone((before) => new Set(before).add(one.load.id));
    toast('The load is corrected; the old one stays, crossed out');
    await refresh();
  };
  return (
    <section aria-label="Loads with the wrong tare" className="mt-3">
      <h3 className="text-xl">
        {corrections.length} {corrections.length === 1 ? 'load was' : 'loads were'} weighed with the old one: {sum < 0 ? '−' : '+'}
        {formatBushels(Math.abs(sum))} bu{money === null ? '' : `, ${money < 0 ? '−' : '+'}${formatDollars(Math.abs(money))}`}
      </h3>
      <ul className="mt-1">
        {corrections.map((one) => (
          <li key={one.load.id} className="flex flex-wrap items-center justify-between gap-x-4 border-b border-rule py-1.5">
            <span>
              {haul.tickets.some(({ number }) => String(number) === one.load.id) ? `No. ${one.load.id}, ` : 'Without a ticket, '}
              {day(one.load.atMs, timeZone)} {clock(one.load.atMs, timeZone)}: {bridgeText(one.netBeforeKg, unit)} → <b>{bridgeText(one.netAfterKg, unit)}</b> (
              {one.bushels < 0 ? '−' : '+'}
              {formatBushelsFine(Math.abs(one.bushels))} bu)
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
      <p className="mt-1 text-sm text-muted">A correction voids the old ticket and prints a new one; both stay in the book.</p>
    </section>
  );
}
