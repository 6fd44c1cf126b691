import type { ImportState } from '@fanega/contract';
import { type ReactNode, useState } from 'react';
import { ulid } from 'ulid';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { MOST_ROWS } from '../../../data/read-table';
import { useSend } from '../../../data/use-send';
import { ask } from '../../../data/worker';
import type { OpenTable } from '../../../data/worker/table-file';
import { number } from '../../../quantity/quantity';
import { Button, Problem } from '../../../ui';
import { Progress } from '../../../ui/progress';
import { toast } from '../../../ui/toast';
import { Unreadable } from '../../../widgets/file-parts';

/** A file whose lines lie in the worker. */
export interface OpenFile extends OpenTable {
  readonly name: string;
  readonly token: string;
  /** ms since 1970, when it was chosen: a plan does not change with each minute */
  readonly now: number;
}

/** The file that is chosen, or why it cannot be read. @param onNew what was decided for the file before is forgotten */
export function useOpenFile(farm: Farm, onNew: () => void) {
  const [file, setFile] = useState<OpenFile | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [reading, setReading] = useState(false);
  const take = async (one: File | undefined): Promise<void> => {
    if (!one) return;
    setProblem(null);
    setFile(null);
    onNew();
    setReading(true);
    try {
      const token = ulid();
      const table = await ask('openTable', { token, file: one });
      if (table === null) setProblem('No table was found in this file: its first line must name the columns.');
      else if (table.count > MOST_ROWS)
        setProblem(`It has ${number(table.count)} lines; at most ${number(MOST_ROWS)} at once: split it.`); // prettier-ignore
      else setFile({ ...table, token, name: one.name.slice(0, 120), now: farm.clock() });
    } catch {
      setProblem('This file could not be read. Save it as CSV and try again.');
    }
    setReading(false);
  };
  return { file, problem, reading, take };
}

/** The first lines' words under one head, by which its unit or its dates are guessed. */
export function wordsUnder(file: OpenFile | null, head: string | undefined): string[] {
  const at = head === undefined || !file ? -1 : file.heads.indexOf(head);
  return at < 0 ? [] : file!.sample.map((row) => row[at] ?? '');
}

/** What the server said of the lines, before any of them is taken in. */
export interface Looked {
  readonly counts: Readonly<Partial<Record<ImportState, number>>>;
  /** of the first lines */
  readonly first: readonly ImportState[];
  /** lines of the file for which something else is recorded; the first of them */
  readonly different: readonly number[];
}

const NAMED = 5;
const FIRST = 12;
const NAMED_UNREAD = 10;

/** Sends a file's lines in pieces, so that a season of them goes over a thin line: first to look which are new, then to take them in. */
export function useTaking<Row extends { readonly row: number }>({
  farm,
  file,
  count,
  atOnce,
  piece,
  sendPiece,
  before,
  said,
  onClose,
}: {
  farm: Farm;
  file: OpenFile | null;
  count: number;
  atOnce: number;
  piece: (from: number, to: number) => Promise<readonly Row[]>;
  sendPiece: (
    rows: readonly Row[],
    common: { importId: string; file: string; look: boolean },
  ) => Promise<{ readonly states: readonly ImportState[] }>;
  /** What is kept for the next file before this one is taken in. */
  before: () => Promise<void>;
  /** What they are called, after a number. */
  said: string;
  onClose: () => void;
}) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const [looked, setLooked] = useState<Looked | null>(null);
  const [done, setDone] = useState<number | null>(null);
  const inPieces = async (look: boolean): Promise<Looked> => {
    const importId = ulid();
    const counts: Partial<Record<ImportState, number>> = {};
    const first: ImportState[] = [];
    const different: number[] = [];
    for (let i = 0; i < count; i += atOnce) {
      setDone(i);
      const rows = await piece(i, i + atOnce);
      const { states } = await sendPiece(rows, { importId, file: file!.name, look });
      states.forEach((state, at) => {
        counts[state] = (counts[state] ?? 0) + 1;
        if (first.length < FIRST) first.push(state);
        if (state === 'different' && different.length < NAMED) different.push(rows[at]!.row);
      });
    }
    return { counts, first, different };
  };
  return {
    looked,
    done,
    sending,
    forget: () => setLooked(null),
    look: async (): Promise<void> => {
      const found = await sending.send(() => inPieces(true));
      setDone(null);
      setLooked(found ?? null);
    },
    takeIn: async (): Promise<void> => {
      const taken = await sending.send(async () => {
        await before();
        return inPieces(false);
      });
      setDone(null);
      await refresh();
      if (!taken) return;
      toast.success(`${number(taken.counts.new ?? 0)} ${said} taken in; they can be undone as one below.`);
      onClose();
    },
  };
}

/** How many lines can be read, which cannot, which are new; and the button that looks or takes them in. */
export function FileTaken({
  taking: { looked, done, sending, look, takeIn },
  count,
  unread,
  problems,
  one,
  many,
  reading,
  different,
  children,
  first,
}: {
  taking: ReturnType<typeof useTaking>;
  count: number;
  unread: number;
  /** the first lines that cannot be read, each with its place */
  problems: readonly string[];
  one: string;
  many: string;
  /** 0 to 1 while the lines are being read, else null */
  reading: number | null;
  /** what stands there for the same */
  different: string;
  children?: ReactNode;
  /** the first lines as they would be taken in; the state of each goes behind it */
  first: readonly { readonly key: number; readonly cells: readonly ReactNode[] }[];
}) {
  const of = (n: number): string => (n === 1 ? one : many);
  const wanted = looked?.counts.new ?? 0;
  const others = looked?.counts.different ?? 0;
  return (
    <>
      <p className="text-xl" role="status">
        <b>
          {number(count)} {of(count)}
        </b>{' '}
        can be read
        {unread > 0 && (
          <>
            ,{' '}
            <b className="text-clay">
              {number(unread)} {unread === 1 ? 'line' : 'lines'} cannot
            </b>
          </>
        )}
        .
        {looked && (
          <>
            {' '}
            <b>{number(wanted)} new</b>, {number(looked.counts.known ?? 0)} known already, {number(others)} different.
          </>
        )}
      </p>
      {reading !== null && (
        <Progress label="Reading the lines" done={reading}>
          Reading the lines
        </Progress>
      )}
      <Unreadable lines={problems} most={NAMED_UNREAD} count={unread} />
      {children}
      {looked && others > 0 && (
        <p className="text-sm">
          Different: {different} They stay as they are; correct them where they stand:{' '}
          {looked.different.map((row) => `line ${number(row)}`).join(', ')}
          {others > looked.different.length && ' …'}
        </p>
      )}
      {first.length > 0 && (
        <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={`The first ${many}`}>
          <table className="w-full text-sm">
            <tbody>
              {first.map(({ key, cells }, i) => (
                <tr key={key} className="border-b border-rule">
                  {cells.map((cell, at) => (
                    <td key={at} className={at === 0 ? 'py-1 pr-2 whitespace-nowrap' : 'px-2'}>
                      {cell}
                    </td>
                  ))}
                  <td className="py-1 pl-2">{looked?.first[i] ?? ''}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      <Problem>{sending.message}</Problem>
      {done !== null && (
        <Progress label="Going through the file" done={count > 0 ? done / count : 1}>
          {number(done)} of {number(count)} {many}
        </Progress>
      )}
      {looked === null ? (
        <Button look="do" disabled={count === 0 || sending.busy || reading !== null} onClick={() => void look()}>
          Look which are new
        </Button>
      ) : (
        <Button look="do" disabled={wanted === 0 || sending.busy} onClick={() => void takeIn()}>
          {wanted === 0 ? 'Nothing new to take in' : `Take in ${number(wanted)} ${of(wanted)}`}
        </Button>
      )}
    </>
  );
}
