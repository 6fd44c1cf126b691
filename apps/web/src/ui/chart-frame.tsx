import { type ReactNode, useDeferredValue, useState } from 'react';
import { ResponsiveContainer } from 'recharts';
import { useBox } from './use-box';

/**
 * How every axis is drawn. Its marks are few enough to be named each: to find out which of them have room, every name would be laid out on the
 * page and measured, over and over.
 */
export const AXIS = { stroke: 'var(--ink)', tick: { fill: 'var(--ink)', fontSize: 13 }, interval: 0 } as const;

/** Room about a chart: the last mark below stands at its right end, and half of its name beyond it. */
export const MARGIN = { top: 8, right: 28, bottom: 4, left: 0 };

/** Few enough to stand beside one another on a phone. */
const TIME_MARKS = 4;

/** An axis of time from the first moment to the last, each mark named once, the first and the last at the ends. */
export function timeAxis(all: readonly number[], say: (atMs: number) => string) {
  const [from, to] = [Math.min(...all), Math.max(...all)];
  const marks = Array.from({ length: TIME_MARKS }, (_, i) => from + ((to - from) * i) / (TIME_MARKS - 1));
  return {
    ...AXIS,
    type: 'number' as const,
    domain: ['dataMin', 'dataMax'],
    ticks: marks.filter((at, i) => i === 0 || say(at) !== say(marks[i - 1]!)),
    tickFormatter: say,
  };
}

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
  children,
}: {
  label: string;
  /** Of the table: what is drawn. */
  heads: readonly string[];
  /** Written out once somebody opens the table: a season has a thousand. */
  rows: () => readonly (readonly string[])[];
  /** Its height. */
  className: string;
  children: ReactNode;
}) {
  const [open, setOpen] = useState(false);
  // Drawn once it is known how large, and not for a guess before; in slices, behind what the reader sees already.
  const [frame, known] = useBox<HTMLDivElement>();
  const box = useDeferredValue(known);
  return (
    <figure>
      <div ref={frame} role="img" aria-label={label} aria-busy={!box} className={`w-full overflow-hidden ${className}`}>
        {box && box.width > 0 && box.height > 0 && <ResponsiveContainer {...box}>{children}</ResponsiveContainer>}
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
