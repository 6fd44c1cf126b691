import {
  acresToHectares,
  checksOf,
  type FieldRecords,
  settingsEntriesOf,
  settingsTrail,
  type TrailStep,
} from '@fanega/core';
import type { Farm } from '../../../data/farm';
import { dollars, loss } from '../../../quantity/quantity';
import { SHOWN, settingText } from '../words';

/** The trail of a machine's settings in a field, oldest first, at the newest check's price and acres. */
export function trailOf(farm: Farm, notebook: FieldRecords, machineId: string, lotId: string): TrailStep[] {
  const checks = checksOf(farm, notebook, machineId).filter(({ body }) => body.lotId === lotId);
  const newest = checks[0]?.body;
  return settingsTrail(
    settingsEntriesOf(notebook, machineId)
      .filter(({ body }) => body.lotId === lotId)
      .map(({ body }) => ({
        id: body.id,
        atMs: Date.parse(body.at),
        values: body.values,
        ...(body.undoes === undefined ? {} : { undoes: body.undoes }),
      })),
    checks.map(({ body, check }) => ({
      id: body.id,
      atMs: Date.parse(body.at),
      entryId: body.settingsId ?? null,
      check,
    })),
    { pricePerBu: newest?.pricePerBu ?? 0, areaLeft: acresToHectares(newest?.acresLeft ?? 0) },
  );
}

/** "Rotor 380 rpm → 410 rpm". */
export function changeWords(step: TrailStep): string {
  if (step.changed.length === 0) return 'first sheet here';
  return step.changed
    .map(
      ({ setting, from, to }) => `${SHOWN[setting].label} ${settingText(setting, from)} → ${settingText(setting, to)}`,
    )
    .join(', ');
}

/** What a change did, with its shape and word. */
export function outcomeWords(step: TrailStep, kgPerBu: number) {
  const { result, verdict } = step;
  const gain = result
    ? `${result.gain >= 0 ? 'saves' : 'costs'} ${loss(Math.abs(result.gain), kgPerBu)}${result.money === 0 ? '' : `, ${dollars(Math.abs(result.money))} on what is left`}`
    : '';
  const unsure = result ? ` (± ${loss.figure(result.uncertainty, kgPerBu)})` : '';
  switch (verdict) {
    case 'keep':
      return (
        <>
          <b>● better</b>: {gain}
          {unsure}
        </>
      );
    case 'go back':
      return (
        <>
          <b className="text-clay">■ {result?.verdict === 'worse' ? 'worse' : 'not shown to help'}</b>: {gain}
          {unsure}. Go back.
        </>
      );
    case 'taken back':
      return (
        <>
          <b>↩ taken back</b>
          {gain && `: ${gain}`}
        </>
      );
    case 'nothing learnt':
      return (
        <>
          <b>◐ {step.changed.length} changes at once</b>: {gain}, and no telling which did it
        </>
      );
    case 'count again':
      return (
        <>
          <b>◐ no result</b>: one of the counts says nothing, count again
        </>
      );
    case 'count first':
      return <span className="text-muted">not counted yet</span>;
    case null:
      return step.entry.undoes ? <span>↩ back to the sheet before</span> : null;
  }
}
