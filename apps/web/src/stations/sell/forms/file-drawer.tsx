import {
  calendarDay,
  FILE_COLUMNS,
  type FileColumn,
  type FileProblem,
  inOrder,
  living,
  matchColumns,
  readBuyerFile,
  type SellRecords,
  settlementsOf,
} from '@fanega/core';
import { useMemo, useState } from 'react';
import { ulid } from 'ulid';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { logged, setting } from '../../../data/records';
import { useSend } from '../../../data/use-send';
import { bushelsFine, money, number } from '../../../quantity/quantity';
import { Button, Problem, TextBox } from '../../../ui';
import { Drawer } from '../../../ui/drawer';
import { ColumnsMatched, FileBox, Unreadable } from '../../../widgets/file-parts';
import { Progress } from '../../../ui/progress';
import { toast } from '../../../ui/toast';
import { type FileTable, readTable } from '../../../data/read-table';
import { BuyerBox } from '../../../widgets/buyer-box';

const COLUMN_WORDS: Readonly<Record<FileColumn, string>> = {
  ticket: 'Ticket number',
  check: 'Check or sheet number',
  paidOn: 'Paid on',
  contract: 'Contract',
  bushels: 'Paid bushels',
  price: 'Price',
  taken: 'Taken off',
  money: 'Money',
};
const MUST: readonly FileColumn[] = ['ticket', 'bushels', 'money'];
const SHOWN = 12;

function problemWords({ what, column, text }: FileProblem): string {
  const name = column === null ? '' : COLUMN_WORDS[column].toLowerCase();
  switch (what) {
    case 'missing_column':
      return `say which column is the ${name}`;
    case 'no_ticket':
      return 'it has no ticket number';
    case 'no_figure':
      return `“${text}” is not a number for the ${name}`;
    case 'no_day':
      return `“${text}” is not a day`;
    case 'twice':
      return `ticket ${text} stands twice on this check`;
  }
}

/** A buyer's file of what he paid: its columns matched once, looked at before anything is taken in, and undone as one. */
export function FileDrawer({
  farm,
  records,
  buyerId: ofBuyer,
  onClose,
}: {
  farm: Farm;
  records: SellRecords;
  buyerId: string;
  onClose: () => void;
}) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const [buyerId, setBuyerId] = useState(ofBuyer);
  const [table, setTable] = useState<FileTable | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [chosen, setChosen] = useState<Partial<Record<FileColumn, string>>>({});
  const [check, setCheck] = useState('');
  const [done, setDone] = useState<{ readonly lines: number; readonly of: number } | null>(null);
  const per = farm.kgPerBu('corn');
  const before = records.settings.columnMatch[buyerId];
  const today = calendarDay(farm.clock(), farm.data.farm.timeZone);
  const match = useMemo(
    () => (table ? { ...matchColumns(table.heads, before?.value.heads), ...chosen } : {}),
    [table, before, chosen],
  );
  const read = useMemo(
    () => (table ? readBuyerFile(table.heads, table.rows, match, buyerId, records.logs.settlement, check) : null),
    [table, match, buyerId, records, check],
  );
  const take = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    setProblem(null);
    try {
      const found = await readTable(file);
      if (found === null) setProblem('No table was found in this file: its first line must name the columns.');
      setTable(found);
      setChosen({});
    } catch {
      setProblem('This file could not be read. Save it as CSV and try again.');
    }
  };
  const lines = read?.lines ?? [];
  const counts = { new: 0, known: 0, different: 0 };
  for (const { state } of lines) counts[state]++;
  const wanted = counts.new + counts.different;
  const needsCheck = lines.some((line) => line.check === '');
  const takeIn = async (): Promise<void> => {
    const importId = ulid();
    const all = settlementsOf(lines, today);
    setDone({ lines: 0, of: wanted });
    const kept = await sending.send(async () => {
      const heads = Object.fromEntries(Object.entries(match).filter(([, head]) => head !== undefined && head !== ''));
      if (JSON.stringify(heads) !== JSON.stringify(before?.value.heads))
        await write(farm.id, setting(farm.id, 'columnMatch', buyerId, { revision: before?.revision ?? 0, value: { heads } as never })); // prettier-ignore
      let count = 0;
      for (const one of all) {
        await write(
          farm.id,
          logged(farm.id, 'settlement', { ...one, id: ulid(), at: new Date(farm.clock()).toISOString(), buyerId, importId }),
          `settlement ${one.number}`,
        ); // prettier-ignore
        count += one.lines.length;
        setDone({ lines: count, of: wanted });
      }
      return { waits: false } as never;
    });
    await refresh();
    setDone(null);
    if (!kept) return;
    toast.success(`${number(wanted)} lines taken in; they can be undone as one on Settle.`);
    onClose();
  };
  return (
    <Drawer open onClose={onClose} title="A buyer’s file" wide>
      <div className="space-y-4 px-5 py-4">
        <div className="grid gap-3 sm:grid-cols-2">
          <BuyerBox farm={farm} value={buyerId} onChange={(event) => setBuyerId(event.target.value)} />
          <FileBox label="CSV or XLSX" accept=".csv,.txt,.xlsx,text/csv" onTake={(one) => void take(one)} />
        </div>
        {problem !== null && <Problem>{problem}</Problem>}
        {table && read && (
          <>
            <ColumnsMatched
              columns={FILE_COLUMNS}
              words={COLUMN_WORDS}
              heads={table.heads}
              match={match}
              must={MUST}
              onChoose={(column, head) => setChosen({ ...chosen, [column]: head })}
            />
            {needsCheck && (
              <TextBox
                label="Check or sheet number of all lines"
                value={check}
                onChange={(event) => setCheck(event.target.value)}
                error={check.trim() === '' ? 'The file names none' : undefined}
              />
            )}
            <p className="text-xl" role="status">
              <b>{number(counts.new)} new</b>, {number(counts.known)} known already, {number(counts.different)}{' '}
              different
              {read.problems.length > 0 && (
                <>
                  , <b className="text-clay">{number(read.problems.length)} that cannot be read</b>
                </>
              )}
              .
            </p>
            <Unreadable
              most={SHOWN}
              lines={read.problems.map(
                (one) => `${one.what === 'missing_column' ? '' : `Line ${number(one.row)}: `}${problemWords(one)}`,
              )}
            />
            {lines.length > 0 && (
              <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="The first lines">
                <table className="w-full text-sm">
                  <thead className="border-b border-ink text-left">
                    <tr>
                      <th className="py-1 pr-2">Ticket</th>
                      <th className="px-2">Check</th>
                      <th className="px-2 text-right">Paid</th>
                      <th className="px-2 text-right">Money</th>
                      <th className="py-1 pl-2">It is</th>
                    </tr>
                  </thead>
                  <tbody>
                    {lines.slice(0, SHOWN).map(({ row, check: of, line, state, before: was }) => (
                      <tr key={row} className="border-b border-rule">
                        <td className="py-1 pr-2">{line.ticket}</td>
                        <td className="px-2">{of}</td>
                        <td className="px-2 text-right">{bushelsFine(line.bushels, per).text}</td>
                        <td className="px-2 text-right">{money(line.money)}</td>
                        <td className="py-1 pl-2">
                          {state === 'new'
                            ? 'new'
                            : state === 'known'
                              ? 'known already'
                              : `different: it was ${money(was!.money)}`}
                        </td>
                      </tr>
                    ))}
                  </tbody>
                </table>
                {lines.length > SHOWN && (
                  <p className="mt-1 text-sm text-muted">and {number(lines.length - SHOWN)} more</p>
                )}
              </div>
            )}
            {counts.different > 0 && (
              <p className="text-sm">
                What is different comes in as a correction: nothing that was taken in is changed.
              </p>
            )}
            {sending.message !== null && <Problem>{sending.message}</Problem>}
            {done !== null && (
              <Progress label="Taking it in" done={done.of > 0 ? done.lines / done.of : 1}>
                {number(done.lines)} of {number(done.of)} lines
              </Progress>
            )}
            <Button
              disabled={wanted === 0 || done !== null || (needsCheck && check.trim() === '')}
              onClick={() => void takeIn()}
            >
              {wanted === 0 ? 'Nothing new to take in' : `Take in ${number(wanted)} ${wanted === 1 ? 'line' : 'lines'}`}
            </Button>
          </>
        )}
      </div>
    </Drawer>
  );
}

/** Imports that can be undone as one, newest first. */
export const importsOf = (
  records: SellRecords,
): { readonly importId: string; readonly ids: readonly string[]; readonly lines: number; readonly at: string }[] => {
  const by = new Map<string, { importId: string; ids: string[]; lines: number; at: string }>();
  for (const { body } of living<'settlement'>(records.logs.settlement)) {
    if (body.importId === undefined) continue;
    const one = by.get(body.importId) ?? { importId: body.importId, ids: [], lines: 0, at: body.at };
    one.ids.push(body.id);
    one.lines += body.lines.length;
    by.set(body.importId, one);
  }
  return [...by.values()].sort((a, b) => inOrder(b.at, a.at));
};
