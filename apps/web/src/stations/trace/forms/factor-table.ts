import type { Box } from '../../../ui/form/box';

/** Two figures a line, as a table is copied out of a policy: "15.1 0.9988". */
export interface FactorLine {
  readonly of: number;
  readonly factor: number;
}

/** A policy's own table as it is pasted or typed: a line a row, rising; empty where there is none. */
export const factorBox = (what: string): Box<readonly FactorLine[]> => ({
  read: (typed) => {
    const lines = typed.split(/\r\n|\r|\n/).map((line) => line.trim());
    const rows: FactorLine[] = [];
    for (const [i, line] of lines.entries()) {
      if (line === '') continue;
      const figures = line.split(/[\s;|]+|,\s+/).filter(Boolean).map((text) => Number(text.replace(',', '.').replace(/[%×]$/, ''))); // prettier-ignore
      const [of, factor] = figures;
      if (figures.length !== 2 || figures.some((figure) => !Number.isFinite(figure)))
        return { error: `Line ${i + 1}: ${what} and factor, like “15.1 0.9988”` };
      if (factor! <= 0 || factor! > 1.2) return { error: `Line ${i + 1}: ${factor} is no factor; 0.9988 is one` };
      if (rows.length > 0 && of! <= rows.at(-1)!.of)
        return { error: `Line ${i + 1}: ${of} must be above the line before` };
      rows.push({ of: of!, factor: factor! });
    }
    return { value: rows };
  },
});

export const factorText = (rows: readonly FactorLine[]): string =>
  rows.map(({ of, factor }) => `${of} ${factor}`).join('\n');
