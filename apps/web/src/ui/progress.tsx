import { Progress as Bar } from 'radix-ui';
import type { ReactNode } from 'react';

/** Something that takes more than a second: how far it is, and what is being done. */
export function Progress({ label, done, children }: { label: string; done: number; children: ReactNode }) {
  const percent = Math.round(100 * Math.min(1, Math.max(0, done)));
  return (
    <div className="mb-3 flex items-center gap-3 text-sm text-muted">
      <Bar.Root aria-label={label} value={percent} className="h-2 w-40 shrink-0 border border-ink">
        <Bar.Indicator className="h-full bg-clay" style={{ width: `${percent}%` }} />
      </Bar.Root>
      <span>{children}</span>
    </div>
  );
}
