import type { HaulAnswer, Notebook, WeightRulesSheet } from '@fanega/contract';
import { KG_PER_LB, TARE_RULES, type TareTaken, type Weighing } from '@fanega/core';
import { formatPounds } from '../../widgets/quantity';

export const USUAL_RULES: WeightRulesSheet = { tolerance: 0.005, tareOldDays: TARE_RULES.oldAfterDays, tareTolerance: TARE_RULES.tolerance, unit: 'lb' };
export const rulesOf = (notebook: Notebook): WeightRulesSheet => notebook.weightRules?.sheet ?? USUAL_RULES;

/** A weight of the bridge in the farm's unit. */
export const bridgeText = (kg: number, unit: 'lb' | 't'): string => (unit === 'lb' ? `${formatPounds(kg)} lb` : `${(kg / 1000).toFixed(2)} t`);
/** What is typed in the farm's unit to kg. */
export const toKg = (value: number, unit: 'lb' | 't'): number => (unit === 'lb' ? value * KG_PER_LB : value * 1000);

export const weighingOf = (axlesKg: readonly number[]): Weighing => (axlesKg.length === 1 ? { kind: 'whole', kg: axlesKg[0]! } : { kind: 'axles', kg: axlesKg });

/** Empty weights of a truck, of all its combinations. */
export function taresOf(notebook: Notebook, machineId: string): (TareTaken & { readonly axlesKg: readonly number[]; readonly by: string })[] {
  return notebook.notes.flatMap((note) =>
    note.kind === 'tare' && !note.voided && note.body.machineId === machineId
      ? [{ id: note.body.id, atMs: Date.parse(note.body.at), combination: note.body.combination, axlesKg: note.body.axlesKg, weighing: weighingOf(note.body.axlesKg), by: note.by }]
      : [],
  );
}

/** Loaded weighings of a combination, axle by axle, newest first. */
export const loadedAxles = (haul: HaulAnswer, combination: string): number[][] =>
  haul.tickets.filter((ticket) => !ticket.voided && ticket.combination === combination && ticket.grossKg.length > 1).map((ticket) => [...ticket.grossKg]);
