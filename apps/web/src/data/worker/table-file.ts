import { type LoadPlan, planLoads, type PlannedLoad, type PlannedRow, planRows, type RowPlan } from '@fanega/core';
import { type FileTable, readTable } from '../read-table';

type Tell = (done: number) => void;
type RowsAsked = Parameters<typeof planRows>;
type LoadsAsked = Parameters<typeof planLoads>;

/** What the page needs of a table: its lines themselves stay here. */
export interface OpenTable {
  readonly heads: readonly string[];
  /** its first lines, by which columns and units are guessed */
  readonly sample: FileTable['rows'];
  readonly count: number;
}

/** A plan as the page shows it: how many, the first of them, and the first of what cannot be read with how many there are. */
export interface PlanShown<Row, Problem> {
  readonly token: string;
  readonly count: number;
  readonly first: readonly Row[];
  readonly problems: readonly Problem[];
  readonly unread: number;
}

const SAMPLE = 500;
const SHOWN = 12;
/** The file that was opened last, and how its lines were read last: a season's tickets are hundreds of thousands. */
let open: {
  readonly token: string;
  readonly table: FileTable;
  planned?: { readonly key: string; readonly plan: unknown };
} | null = null;

function opened(token: string): NonNullable<typeof open> {
  if (open?.token !== token) throw new Error('This file is not open any more. Choose it again.');
  return open;
}

/** Reads a file and keeps its lines; null where it holds no table. */
export async function openTable({
  token,
  file,
}: {
  readonly token: string;
  readonly file: File;
}): Promise<OpenTable | null> {
  open = null;
  const table = await readTable(file);
  if (table === null) return null;
  open = { token, table };
  return { heads: table.heads, sample: table.rows.slice(0, SAMPLE), count: table.rows.length };
}

const shown = <Row, Problem>(
  token: string,
  rows: readonly Row[],
  problems: readonly Problem[],
): PlanShown<Row, Problem> => ({
  token,
  count: rows.length,
  first: rows.slice(0, SHOWN),
  problems: problems.slice(0, SHOWN),
  unread: problems.length,
});

/** The lines as this question reads them; read again only where the last question was another. */
function planned<Input extends { readonly token: string }, Plan>(input: Input, read: (table: FileTable) => Plan): Plan {
  const own = opened(input.token);
  const key = JSON.stringify(input);
  if (own.planned?.key !== key) own.planned = { key, plan: read(own.table) };
  return own.planned.plan as Plan;
}

interface RowsInput {
  readonly token: string;
  readonly kind: RowsAsked[0];
  readonly match: RowsAsked[3];
  readonly farm: RowsAsked[4];
  readonly options: Omit<RowsAsked[5], 'first' | 'tell'>;
}

const rowsBy = (input: RowsInput, tell?: Tell): RowPlan =>
  planned(input, ({ heads, rows, first }) =>
    planRows(input.kind, heads, rows, input.match, input.farm, { ...input.options, first, ...(tell && { tell }) }),
  );

/** The open file's lines as rows of one kind. */
export function rowsPlan(input: RowsInput, tell: Tell): PlanShown<PlannedRow, RowPlan['problems'][number]> {
  const { rows, problems } = rowsBy(input, tell);
  return shown(input.token, rows, problems);
}

interface LoadsInput {
  readonly token: string;
  readonly match: LoadsAsked[2];
  readonly farm: LoadsAsked[3];
  readonly options: Omit<LoadsAsked[4], 'first' | 'tell'>;
}

const loadsBy = (input: LoadsInput, tell?: Tell): LoadPlan =>
  planned(input, ({ heads, rows, first }) =>
    planLoads(heads, rows, input.match, input.farm, { ...input.options, first, ...(tell && { tell }) }),
  );

/** The open file's lines as loads. */
export function loadsPlan(
  input: LoadsInput,
  tell: Tell,
): PlanShown<PlannedLoad, LoadPlan['problems'][number]> & Pick<LoadPlan, 'missing'> {
  const { loads, problems, missing } = loadsBy(input, tell);
  return { ...shown(input.token, loads, problems), missing };
}

interface Piece<Input> {
  readonly plan: Input;
  readonly from: number;
  readonly to: number;
}

/** Some of the rows that the plan reads. */
export const rowsOf = ({ plan, from, to }: Piece<RowsInput>): readonly PlannedRow[] =>
  rowsBy(plan).rows.slice(from, to);

/** Some of the loads that the plan reads. */
export const loadsOf = ({ plan, from, to }: Piece<LoadsInput>): readonly PlannedLoad[] =>
  loadsBy(plan).loads.slice(from, to);
