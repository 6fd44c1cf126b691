import type { Notebook } from '@fanega/contract';
import { settingsTrail, type TrailStep } from '@fanega/core';
import { acresToHa } from '../../data/field-facts';
import type { Farm } from '../../data/farm';
import { formatDollars } from '../../widgets/quantity';
import { checksOf, settingText, sheetsOf, SHOWN } from './machine';

/** The trail of a machine's settings in a field, oldest first, at the newest check's price and acres. */
export function trailOf(farm: Farm, notebook: Notebook, machineId: string, lotId: string): TrailStep[] {
  const checks = checksOf(farm, notebook, machineId).filter(({ body }) => body.lotId === lotId);
  const newest = checks[0]?.body;
  return settingsTrail(
    sheetsOf(notebook, machineId)
      .filter(({ body }) => body.lotId === lotId)
      .map(({ body }) => ({ id: body.id, atMs: Date.parse(body.at), values: body.values, ...(body.undoes === undefined ? {} : { undoes: body.undoes }) })),
    checks.map(({ body, check }) => ({ id: body.id, atMs: Date.parse(body.at), sheetId: body.settingsId ?? null, check })),
    { pricePerBu: newest?.pricePerBu ?? 0, areaLeft: acresToHa(newest?.acresLeft ?? 0) },
  );
}

/** "Rotor 380 rpm → 410 rpm". */
export function changeWords(step: TrailStep): string {
  if (step.changed.length === 0) return 'first sheet here';
  return step.changed.map(({ setting, from, to }) => `${SHOWN[setting].label} ${settingText(setting, from)} → ${settingText(setting, to)}`).join(', ');
}

/** What a change did, with its shape and word. */
export function outcomeWords(step: TrailStep) {
  const { result, verdict } = step;
  const gain = result
    ? `${result.gain >= 0 ? 'saves' : 'costs'} ${Math.abs(result.gain).toFixed(2)} bu/ac${result.money === 0 ? '' : `, ${formatDollars(Math.abs(result.money))} on what is left`}`
    : '';
  const unsure = result ? ` (± ${result.uncertainty.toFixed(2)})` : '';
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
    case 'count first':
      return <span className="text-muted">not counted yet</span>;
    case null:
      return step.sheet.undoes ? <span>↩ back to the sheet before</span> : null;
  }
}
