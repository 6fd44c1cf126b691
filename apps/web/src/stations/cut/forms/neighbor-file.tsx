import {
  type LogEntry,
  matchHeads,
  NEIGHBOR_SHEETS,
  planSheets,
  sameSheets,
  SETTING_NAMES,
  SHEET_COLUMNS,
  SHEET_HEADS,
  type SheetColumn,
  type SheetProblem,
} from '@fanega/core';
import { useMemo, useState } from 'react';
import { ulid } from 'ulid';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { logged } from '../../../data/records';
import { number } from '../../../quantity/quantity';
import { useSend } from '../../../data/use-send';
import { Button, Problem, TextBox } from '../../../ui';
import { Drawer } from '../../../ui/drawer';
import { ColumnsMatched, FileBox, Unreadable } from '../../../widgets/file-parts';
import { type FileTable, readTable } from '../../../data/read-table';
import { useRecorded } from '../../../widgets/take-back';
import { SHOWN } from '../words';

const COLUMNS = [...SHEET_COLUMNS, ...SETTING_NAMES] as const;
const WORDS: Readonly<Record<SheetColumn, string>> = {
  ...{ machine: 'Machine', crop: 'Crop', variety: 'Variety', moisture: 'Moisture', loss: 'Loss', note: 'Note' },
  ...{ fines: 'Fines', cracked: 'Cracked', foreign: 'Foreign material' },
  ...(Object.fromEntries(SETTING_NAMES.map((name) => [name, SHOWN[name].label])) as Record<
    (typeof SETTING_NAMES)[number],
    string
  >),
};
const PROBLEMS: Readonly<Record<SheetProblem['what'], (text: string) => string>> = {
  no_crop: (text) => (text === '' ? 'which crop is missing' : `no crop is called “${text}”`),
  no_figure: (text) => `“${text}” is not a number`,
  out_of_range: (text) => `${text} cannot be: check the number and its unit`,
  no_setting: () => 'no setting stands in it',
};
const { sheets: LIST } = NEIGHBOR_SHEETS.fields;
const MOST = LIST.spec.kind === 'list' ? LIST.spec.most : 0;
const SHOWN_PROBLEMS = 10;

/** Settings of a neighbor's combine out of his file: looked at, taken in as one, taken back as one. */
export function NeighborFile({ farm, known, onClose }: { farm: Farm; known: readonly LogEntry<'neighborSheets'>[]; onClose: () => void }) {
  const refresh = useRefreshFarm(farm.id);
  const recorded = useRecorded();
  const sending = useSend();
  const [id] = useState(ulid);
  const [from, setFrom] = useState('');
  const [file, setFile] = useState<{ readonly name: string; readonly table: FileTable } | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [missing, setMissing] = useState(false);
  const [chosen, setChosen] = useState<Partial<Record<SheetColumn, string | undefined>>>({});
  const take = async (one: File | undefined): Promise<void> => {
    if (!one) return;
    setProblem(null);
    setFile(null);
    setChosen({});
    try {
      const table = await readTable(one);
      if (table === null) setProblem('No table was found in this file: its first line must name the columns.');
      else setFile({ name: one.name.slice(0, 120), table });
    } catch {
      setProblem('This file could not be read. Save it as CSV and try again.');
    }
  };
  const match = useMemo((): Partial<Record<SheetColumn, string>> => {
    if (!file) return {};
    const found = { ...matchHeads(file.table.heads, SHEET_HEADS), ...chosen };
    return Object.fromEntries(Object.entries(found).filter(([, head]) => head !== undefined));
  }, [file, chosen]);
  const plan = useMemo(
    () => (file ? planSheets(file.table.heads, file.table.rows, match, { first: file.table.first, crops: farm.crops }) : null),
    [file, match, farm.crops],
  );
  const sheets = plan?.sheets ?? [];
  const twice = plan !== null && known.some(({ body, voided }) => !voided && sameSheets(body.sheets, sheets));
  const save = async (): Promise<void> => {
    if (from.trim() === '') return setMissing(true);
    const body = { id, at: new Date(farm.clock()).toISOString(), from: from.trim(), file: file!.name, sheets };
    const ok = await sending.send(async () => {
      await write(farm.id, logged(farm.id, 'neighborSheets', body), 'settings of a neighbor');
      return true;
    });
    if (!ok) return;
    await refresh();
    recorded(`${number(sheets.length)} ${sheets.length === 1 ? 'sheet' : 'sheets'} taken in`, 'neighborSheets', id);
    onClose();
  };
  return (
    <Drawer open onClose={onClose} title="A neighbor’s settings" wide>
      <div className="space-y-4 px-5 py-4">
        <TextBox
          label="Whose"
          value={from}
          maxLength={60}
          error={missing && from.trim() === '' ? 'Whose settings are they?' : undefined}
          onChange={(event) => setFrom(event.target.value)}
        />
        <FileBox label="CSV or XLSX, a line for each sheet" accept=".csv,.txt,.xlsx,text/csv" onTake={(one) => void take(one)} />
        <p className="text-sm text-muted">
          A neighbor with this program saves his with “Give ours to a neighbor”. They stand beside your own, with his name, and count for nothing
          else.
        </p>
        {problem !== null && <Problem>{problem}</Problem>}
        {file && plan && (
          <>
            <ColumnsMatched
              narrow
              columns={COLUMNS}
              words={WORDS}
              heads={file.table.heads}
              match={match}
              must={['crop']}
              onChoose={(column, head) => setChosen({ ...chosen, [column]: head })}
            />
            <p className="text-xl" role="status">
              <b>
                {number(sheets.length)} {sheets.length === 1 ? 'sheet' : 'sheets'}
              </b>{' '}
              can be read
              {plan.problems.length > 0 && (
                <>
                  , <b className="text-clay">{number(plan.problems.length)} {plan.problems.length === 1 ? 'line' : 'lines'} cannot</b>
                </>
              )}
              .
            </p>
            <Unreadable
              most={SHOWN_PROBLEMS}
              lines={plan.problems.map(({ row, what, column, text }) => `Line ${number(row)}, ${WORDS[column]}: ${PROBLEMS[what](text)}`)}
            />
            {twice && <Problem>These sheets are here already.</Problem>}
            {sheets.length > MOST && <Problem>At most {number(MOST)} sheets at once: split the file.</Problem>}
            {sending.message !== null && <Problem>{sending.message}</Problem>}
            <Button look="do" disabled={sheets.length === 0 || sheets.length > MOST || twice || sending.busy} onClick={() => void save()}>
              Take them in
            </Button>
          </>
        )}
      </div>
    </Drawer>
  );
} // prettier-ignore
