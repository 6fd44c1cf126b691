import * as highsPackage from 'highs';
import type { LinearProgram, LinearSolver } from '../src/index.js';

/** The program in the text form that the solver reads; columns are x0, x1, …, rows r0, r1, …, whatever their names are. */
export function lpText(program: LinearProgram): string {
  const sum = (terms: readonly (readonly [number, number])[]): string =>
    terms.map(([column, factor]) => `${factor < 0 ? '-' : '+'} ${number(Math.abs(factor))} x${column}`).join(' ');
  const rows = program.rows.flatMap(({ terms, least, most }, i) => [
    ...(most === undefined ? [] : [` r${i}: ${sum(terms)} <= ${number(most)}`]),
    ...(least === undefined ? [] : [` r${i}l: ${sum(terms)} >= ${number(least)}`]),
  ]);
  const objective = sum(program.objective.map((value, i) => [i, value] as const));
  const choices = program.binary?.length ? `Binary\n ${program.binary.map((column) => `x${column}`).join(' ')}\n` : '';
  return `Maximize\n obj: ${objective}\nSubject To\n${rows.join('\n')}\n${choices}End\n`;
}

/** What we use of the package. Its types are written for CommonJS and hide the default export from ES modules, so it is named here. */
interface HighsSolve {
  solve(
    problem: string,
    options: { output_flag: boolean; mip_rel_gap: number; mip_abs_gap: number },
  ): { Status: string; ObjectiveValue: number; Columns: Readonly<Record<string, { Primal: number }>> };
}
const load = (
  highsPackage as unknown as { default: (options: { locateFile?: (file: string) => string }) => Promise<HighsSolve> }
).default;

/** One bushel more is told from none: a plan that is only nearly the best would not do. */
const EXACT = { output_flag: false, mip_rel_gap: 0, mip_abs_gap: 1e-7 };

/** Never in exponents: 1e-7 next to a name could be read as part of it. */
const number = (value: number): string => {
  const text = String(value);
  return text.includes('e') ? value.toFixed(15) : text;
};

/**
 * Loads the HiGHS solver (WebAssembly) once; what it returns is synchronous and pure.
 * @param locateFile where a browser finds `highs.wasm`
 */
export async function loadSolver(locateFile?: (file: string) => string): Promise<LinearSolver> {
  const highs = await load(locateFile ? { locateFile } : {});
  return (program) => {
    const solution = highs.solve(lpText(program), EXACT);
    if (solution.Status === 'Optimal') {
      const columns = solution.Columns;
      return {
        status: 'optimal',
        objective: solution.ObjectiveValue,
        values: program.objective.map((_, i) => columns[`x${i}`]?.Primal ?? 0),
      };
    }
    return {
      status:
        solution.Status === 'Unbounded' || solution.Status === 'Primal infeasible or unbounded'
          ? 'unbounded'
          : 'infeasible',
    };
  };
}
