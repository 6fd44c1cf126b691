import { type ReactNode, useState } from 'react';
import { ResponsiveContainer } from 'recharts';

/** How every axis is drawn. */
export const AXIS = { stroke: 'var(--ink)', tick: { fill: 'var(--ink)', fontSize: 13 } } as const;

/** Series told apart by their dashes, and named beside; the first is full. */
const DASHES = ['', '7 5', '3 4', '12 4 3 4', '1 3', '9 3'];

/** How a line of several is drawn, the first being the one that matters most. */
export const seriesLine = (i: number) =>
  ({ stroke: 'var(--ink)', strokeWidth: i === 0 ? 3 : 2, strokeDasharray: DASHES[i % DASHES.length]! }) as const;

/** A piece of the line of a series, to stand before its name. */
export const SeriesMark = ({ i }: { i: number }) => (
  <svg width="34" height="8" aria-hidden="true">
    <line x1="0" x2="34" y1="4" y2="4" {...seriesLine(i)} />
  </svg>
);

/** A chart with its name, and the same figures as a table for a reader who cannot see it, or wants to read them off. */
export function ChartFrame({
  label,
  heads,
  rows,
  className,
  size,
  children,
}: {
  label: string;
  /** Of the table: what is drawn. */
  heads: readonly string[];
  /** Written out once somebody opens the table: a season has a thousand. */
  rows: () => readonly (readonly string[])[];
  /** Its height. */
  className: string;
  /** Pixels until it knows its own. */
  size: { readonly width: number; readonly height: number };
  children: ReactNode;
}) {
  const [open, setOpen] = useState(false);
  return (
    <figure>
      <div role="img" aria-label={label} className={`w-full overflow-hidden ${className}`}>
        <ResponsiveContainer width="100%" height="100%" initialDimension={size}>
          {children}
        </ResponsiveContainer>
      </div>
      <details
        className="no-print text-sm"
        onToggle={(event) => setOpen((event.currentTarget as HTMLDetailsElement).open)}
      >
        <summary className="min-h-9 cursor-pointer py-2 text-muted">The figures</summary>
        <div className="max-h-64 overflow-auto" tabIndex={0} role="region" aria-label={`Figures: ${label}`}>
          <table className="w-full">
            <thead className="border-b border-ink text-left">
              <tr>
                {heads.map((head) => (
                  <th key={head} scope="col" className="pr-4 font-semibold last:pr-0">
                    {head}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {(open ? rows() : []).map((row, i) => (
                <tr key={i} className="border-b border-rule">
                  {row.map((text, k) => (
                    <td key={k} className="pr-4 last:pr-0">
                      {text}
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </details>
    </figure>
  );
}
