import { asBuyer, buyerOffset, type CuttingWindow, type FieldRow, fitToCut, type Tester } from '@fanega/core';

export const FIT_LOOK = { go: ['●', 'go'], wait: ['◐', 'wait'], stop: ['■', 'stop'] } as const;

/** Beans in a drying wind are another crop three hours later; standing corn and milo keep their moisture for days. */
export const OLD_AFTER_HOURS: Readonly<Record<string, number>> = { soybean: 3 };

/** Go, wait or stop by the farm's own window, with the limit that decided. */
export function Fitness({
  row,
  window,
  now,
  tester,
}: {
  row: FieldRow;
  window: CuttingWindow | undefined;
  now: number;
  tester: Tester | undefined;
}) {
  if (!window) return <span className="text-sm text-muted">no window set</span>;
  const { lastMoisture, lot } = row;
  const verdict = fitToCut({
    moisture: lastMoisture ? asBuyer(lastMoisture.moisture, buyerOffset(tester)) : null,
    window,
    ageHours: lastMoisture ? Math.max(0, Math.min(9999, (now - Date.parse(lastMoisture.at)) / 3_600_000)) : 0,
    oldAfterHours: OLD_AFTER_HOURS[lot.crop] ?? 72,
  });
  const [shape, word] = FIT_LOOK[verdict.verdict];
  return (
    <>
      <b className={verdict.verdict === 'stop' ? 'text-clay' : undefined}>
        <span aria-hidden="true">{shape}</span> {word}
      </b>{' '}
      <span className="text-sm text-muted">{verdict.because}</span>
    </>
  );
}
