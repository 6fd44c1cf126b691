import { type CuttingWindow, type FieldNow, fitToCut, type FitReason } from '@fanega/core';

/** Beans in a drying wind are another crop three hours later; standing corn and milo keep their moisture for days. */
export const OLD_AFTER_HOURS: Readonly<Record<string, number>> = { soybean: 3 };
export const oldAfterHours = (crop: string): number => OLD_AFTER_HOURS[crop] ?? 72;

const LOOK: Readonly<Record<FitReason, readonly [shape: string, words: string]>> = {
  'in the best window': ['●', 'in the best window'],
  'wetter than best': ['◐', 'wetter than best'],
  'drier than best': ['◐', 'drier than best'],
  'refused above': ['■', 'too wet for the buyer'],
  'too dry': ['■', 'too dry'],
  'dew or rain on it': ['■', 'dew or rain on it'],
  'reading too old': ['○', 'read it again'],
  'too few readings': ['○', 'not read yet'],
};

/** Where a field stands in its window. What to do about it the field's own page says, with its weather and its money. */
export function Fitness({
  crop,
  moisture,
  window,
  now,
}: {
  crop: string;
  moisture: FieldNow | null;
  window: CuttingWindow | undefined;
  now: number;
}) {
  if (!window) return <span className="text-sm text-muted">no limits set</span>;
  const { because, also } = fitToCut({
    moisture: moisture?.moisture ?? null,
    window,
    ageHours: moisture ? Math.max(0, Math.min(9999, (now - moisture.atMs) / 3_600_000)) : 0,
    oldAfterHours: oldAfterHours(crop),
  });
  const reason = also.includes('reading too old') ? 'reading too old' : because;
  const [shape, words] = LOOK[reason];
  return (
    <span className={shape === '■' ? 'font-semibold text-clay' : ''}>
      <span aria-hidden="true">{shape}</span> {words}
    </span>
  );
}
