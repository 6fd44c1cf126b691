import { describe, expect, it } from 'vitest';
import * as core from '../src/index.js';
import type { Formula } from '../src/index.js';
import { airAndKeeping } from './checks/air-and-storage-life.js';
import { cropsAndMoisture } from './checks/crops-and-moisture.js';
import { dryingAndStorage } from './checks/dry-and-store.js';
import { harvestHaulingSelling } from './checks/cut-haul-sell.js';
import { type CheckTable, deviation } from './checks/table.js';
import * as crops from '../src/crops/index.js';
import * as grain from '../src/grain/index.js';
import * as fields from '../src/fields/index.js';
import * as cut from '../src/cut/index.js';
import * as haul from '../src/haul/index.js';
import * as dry from '../src/dry/index.js';
import * as store from '../src/store/index.js';
import * as sell from '../src/sell/index.js';
import * as trace from '../src/trace/index.js';
import * as cab from '../src/cab/index.js';

const CHECKS: readonly CheckTable[] = [
  ...cropsAndMoisture,
  ...airAndKeeping,
  ...dryingAndStorage,
  ...harvestHaulingSelling,
];
const FOLDERS = { crops, grain, fields, cut, haul, cab, dry, store, sell, trace };
const isFormula = (value: unknown): value is Formula =>
  typeof value === 'object' && value !== null && 'equation' in value && 'standing' in value;
const formulasOf = (folder: object): Formula[] => Object.values(folder).filter(isFormula);

/** These are shown by behavior, not by numbers: the specs beside them say how. */
const BY_BEHAVIOR = [
  'settings-ladder',
  'bean-day',
  'waiting',
  'next-field',
  'still-weight',
  'axle-by-axle',
  'curve-loads',
  'scale-comparison',
  'chain-ahead',
  'self-heating',
  'loss-by-rate',
  'trucks-worth',
  'average-flow',
  'dryer-now',
  'cables',
  'routes',
  'level-watch',
  'where-most',
  'dryer-down',
  'bin-plan',
  'tape-check',
  'year-costs',
];

describe('every number that somebody else worked out', () => {
  it.each(
    CHECKS.map((check) => [`${check.formula.id}: ${check.title} [${check.standing}: ${check.source}]`, check] as const),
  )('%s', (_, check) => {
    expect(check.rows.length).toBeGreaterThan(0);
    for (const row of check.rows)
      expect(deviation(check, row), `${row.given}: expected ${row.expected}, got ${row.got}`).toBeLessThanOrEqual(
        check.allowed,
      );
  });
});

describe('docs/science.md', () => {
  it('has a check for every formula', () => {
    const all = Object.values(core).filter(isFormula);
    const listed = Object.values(FOLDERS).flatMap(formulasOf);
    expect(new Set(listed)).toEqual(new Set(all));
    const without = all.filter(
      (formula) => !BY_BEHAVIOR.includes(formula.id) && !CHECKS.some((check) => check.formula === formula),
    );
    expect(without.map((formula) => formula.id)).toEqual([]);
    expect(new Set(all.map((formula) => formula.id)).size).toBe(all.length);
  });

  it('is what the tables say (npm run science writes it again)', async () => {
    await expect(markdown()).toMatchFileSnapshot('../../../docs/science.md');
  });
});

function markdown(): string {
  const out: string[] = [
    '# The science of Fanega',
    '',
    'Every formula of `packages/core`, its source, its range, and how far it is from the values that somebody else worked out. This page is written by `npm run science` from the tables in the code; `npm test` fails when it is not what they say.',
    '',
    'Standing: **published** (the source was opened), **published, from memory** (printed somewhere, remembered, not looked up), **common practice** (a fact of the trade without a printed source), **computed** (another formula, program or hand), **assumed** (needs the user’s own figure). Where the trade’s own unit makes the rule (a bushel-point, a price a bushel, a bridge table), parameters carry that unit in their names; everything else is SI, moisture a wet-basis fraction.',
  ];
  for (const [folder, exports] of Object.entries(FOLDERS)) {
    const formulas = formulasOf(exports);
    if (formulas.length === 0) continue;
    out.push('', `## ${folder}`);
    for (const formula of formulas) {
      out.push(
        '',
        `### ${formula.title}`,
        '',
        `\`${formula.equation}\``,
        '',
        `- Source: ${formula.source} (${formula.standing})`,
      );
      if (formula.inputs.length > 0)
        out.push(
          `- Range: ${formula.inputs.map((q) => `${q.name} ${q.least} to ${q.most}${q.unit ? ` ${q.unit}` : ''}`).join('; ')}`,
        );
      if (formula.note) out.push(`- ${formula.note}`);
      const checks = CHECKS.filter((check) => check.formula === formula);
      if (checks.length === 0) {
        out.push('- Shown by behavior: see the specs.');
        continue;
      }
      out.push('', '| check | source | standing | values | worst deviation | allowed |', '|---|---|---|---|---|---|');
      for (const check of checks) {
        const worst = Math.max(...check.rows.map((row) => deviation(check, row)));
        const unit = check.relative ? '' : check.unit === '' ? '' : ` ${check.unit}`;
        out.push(
          `| ${check.title} | ${check.source} | ${check.standing} | ${check.rows.length} | ${figure(worst, check.relative)}${worst < 1e-9 ? '' : unit} | ${check.allowed === 0 ? 'exact' : `${figure(check.allowed, check.relative)}${unit}`} |`,
        );
      }
    }
  }
  return out.join('\n') + '\n';
}

/** Two digits, so that the last bit of an exponential on another machine does not rewrite the page. */
function figure(value: number, relative = false): string {
  if (value < 1e-9) return 'none';
  return relative ? `${Number((100 * value).toPrecision(2))} %` : String(Number(value.toPrecision(2)));
}
