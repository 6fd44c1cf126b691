import { Printer } from 'lucide-react';
import { addressOf } from '../../../data/api';
import type { Farm } from '../../../data/farm';

/** A sheet of the season on paper. */
export function PrintLink({
  farm,
  what,
  season,
  children,
}: {
  farm: Farm;
  what: 'contracts' | 'settlements' | 'deliveries';
  season?: number | undefined;
  children: string;
}) {
  const address = addressOf('/api/farms/{farmId}/sell/print/{what}/pdf', { farmId: farm.id, what });
  return (
    <a
      href={season === undefined ? address : `${address}?season=${season}`}
      target="_blank"
      rel="noreferrer"
      className="inline-flex min-h-11 items-center gap-2 font-semibold underline decoration-rule underline-offset-4 hover:decoration-ink"
    >
      <Printer size={18} aria-hidden="true" /> {children}
    </a>
  );
}
