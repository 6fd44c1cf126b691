import type { ReactNode } from 'react';

/** The figure that decides, as large as nothing else on its page, and why. */
export function Verdict({
  about,
  shape,
  figure,
  unit,
  bad = false,
  small = false,
  label,
  children,
}: {
  /** What it is of, small above it. */
  about?: ReactNode;
  /** A mark before it, said again by its words. */
  shape?: string;
  figure: ReactNode;
  /** Its unit, or the words that go on from it. */
  unit?: ReactNode;
  /** Something is wrong. */
  bad?: boolean;
  /** Words instead of a figure, or the second one of a page. */
  small?: boolean;
  label?: string;
  /** The reason. */
  children?: ReactNode;
}) {
  return (
    <div>
      {about && <p className="text-sm text-muted">{about}</p>}
      <p
        aria-label={label}
        // On a phone its unit mostly stands below it, and there by its own height and not by the figure's.
        className={`max-sm:flex max-sm:flex-wrap max-sm:items-baseline max-sm:gap-x-3 max-sm:gap-y-1 ${small ? 'text-5xl' : 'text-6xl sm:text-7xl'} leading-none font-bold ${bad ? 'text-clay' : ''}`}
      >
        <span>
          {shape && (
            <span aria-hidden="true" className="mr-2 text-5xl">
              {shape}
            </span>
          )}
          <span>{figure}</span>
        </span>
        {unit && (
          <>
            {' '}
            <span className="text-2xl leading-tight font-normal text-muted">{unit}</span>
          </>
        )}
      </p>
      {children && <div className="mt-3 text-xl leading-snug">{children}</div>}
    </div>
  );
}
