import type { ReactNode } from 'react';
import { ResponsiveContainer } from 'recharts';

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
  rows: readonly (readonly string[])[];
  /** Its height. */
  className: string;
  /** Pixels until it knows its own. */
  size: { readonly width: number; readonly height: number };
  children: ReactNode;
}) {
  return (
    <figure>
      <div role="img" aria-label={label} className={`w-full overflow-hidden ${className}`}>
        <ResponsiveContainer width="100%" height="100%" initialDimension={size}>
          {children}
        </ResponsiveContainer>
      </div>
      <details className="no-print text-sm">
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
              {rows.map((row, i) => (
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
