import type { WeighTicketInfo } from '@fanega/contract';
import { useRef, useState } from 'react';
import { ulid } from 'ulid';
import { addressOf, post } from '../../data/api';
import { write } from '../../data/outbox';
import { type Farm, type HaulAtScale, useRefreshFarm } from '../../data/farm';
import { useSend } from '../../data/use-send';
import { deviceName } from '../record';
import { Button, Problem } from '../../ui';
import { clock, day } from '../../quantity/time';
import { mass } from '../../quantity/quantity';

/** Tickets of the own truck scale, newest first: printed again, or voided. */
export function OwnTickets({ farm, haul }: { farm: Farm; haul: HaulAtScale }) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const [sure, setSure] = useState<number | null>(null);
  const { timeZone } = farm.data.farm;
  const voidIds = useRef(new Map<number, string>());
  const voidIt = async ({ number, entryId }: WeighTicketInfo): Promise<void> => {
    if (sure !== number) return setSure(number);
    setSure(null);
    const id = voidIds.current.get(number) ?? ulid();
    voidIds.current.set(number, id);
    // What it said in the book goes with it.
    const undone = {
      id,
      type: 'void' as const,
      at: new Date(farm.clock()).toISOString(),
      voids: entryId!,
      note: `ticket ${number} is void`,
      device: deviceName(),
    };
    const command = post(
      '/api/farms/{farmId}/weigh-tickets/{number}/void',
      { path: { farmId: farm.id, number } },
      entryId === null ? {} : { void: undone },
    );
    const done = await sending.send(() => write(farm.id, command, `ticket ${number} void`));
    if (done) await refresh();
  };
  return (
    <section aria-label="Own tickets" className="mt-8 lg:mt-0 lg:border-l lg:border-rule lg:pl-6">
      <h2 className="text-xl">Own tickets</h2>
      {haul.tickets.length === 0 && (
        <p className="mt-1 text-muted">None yet. A loaded truck on the scale makes number 1.</p>
      )}
      <ul className="mt-1">
        {haul.tickets.slice(0, 14).map((ticket) => (
          <li key={ticket.number} className="border-b border-rule py-1.5">
            <p className={`flex justify-between gap-3 ${ticket.voided ? 'text-muted line-through' : ''}`}>
              <b>
                No. {ticket.number} <span className="font-normal">{farm.placeName(ticket.machineId)}</span>
              </b>
              <b>{mass(ticket.netKg).text}</b>
            </p>
            <p className="flex flex-wrap items-center justify-between gap-x-3 text-sm text-muted">
              <span>
                {day(ticket.at, timeZone)} {clock(ticket.at, timeZone)},{' '}
                {ticket.byHand ? 'typed' : ticket.grossKg.length > 1 ? `${ticket.grossKg.length} axles` : 'whole'}
                {ticket.voided ? ', void' : ''}
              </span>
              <span className="flex items-center gap-3">
                <a
                  className="py-2 font-semibold text-ink underline decoration-rule underline-offset-4"
                  href={addressOf('/api/farms/{farmId}/weigh-tickets/{number}/pdf', {
                    farmId: farm.id,
                    number: ticket.number,
                  })}
                  target="_blank"
                  rel="noreferrer"
                >
                  Print
                </a>
                {!ticket.voided && (
                  <Button
                    look="quiet"
                    className="!px-0 text-sm"
                    disabled={sending.busy}
                    onClick={() => void voidIt(ticket)}
                  >
                    {sure === ticket.number ? 'Yes, void it' : 'Void'}
                  </Button>
                )}
              </span>
            </p>
          </li>
        ))}
      </ul>
      <Problem>{sending.message}</Problem>
    </section>
  );
}
