import type { ReactNode } from 'react';
import { number } from '../quantity/quantity';
import { SelectBox, TextBox } from '../ui';

/** Where a file is chosen. @param accept endings, with commas */
export const FileBox = ({
  label,
  accept,
  onTake,
}: {
  label: string;
  accept: string;
  onTake: (file: File | undefined) => void;
}) => (
  <TextBox
    type="file"
    label={label}
    accept={accept}
    onChange={(event) => onTake((event.target as HTMLInputElement).files?.[0])}
  />
);

/** Which column of a file is what: matched already, or chosen here. */
export function ColumnsMatched<C extends string>({
  columns,
  words,
  heads,
  match,
  must,
  onChoose,
  narrow = false,
  children,
}: {
  columns: readonly C[];
  words: Readonly<Record<C, string>>;
  heads: readonly string[];
  match: Readonly<Partial<Record<C, string>>>;
  /** Columns without which nothing can be read. */
  must: readonly C[];
  onChoose: (column: C, head: string | undefined) => void;
  narrow?: boolean;
  children?: ReactNode;
}) {
  return (
    <fieldset>
      <legend className="font-semibold">Which column is what</legend>
      <div className={`mt-2 grid grid-cols-2 gap-3 ${narrow ? 'sm:grid-cols-3' : 'sm:grid-cols-4'}`}>
        {columns.map((column) => (
          <SelectBox
            key={column}
            label={words[column]}
            value={match[column] ?? ''}
            error={must.includes(column) && !match[column] ? 'Which column?' : undefined}
            onChange={(event) => onChoose(column, event.target.value || undefined)}
          >
            <option value="">none</option>
            {heads.map((head, i) => (
              <option key={i} value={head}>
                {head}
              </option>
            ))}
          </SelectBox>
        ))}
      </div>
      {children}
    </fieldset>
  );
}

/** What of a file cannot be read, each at its place; how many more where there are many. @param lines with their place, or the first `most` of `count` */
export function Unreadable({
  lines,
  most,
  count = lines.length,
}: {
  lines: readonly string[];
  most: number;
  count?: number;
}) {
  if (lines.length === 0) return null;
  return (
    <ul className="list-disc pl-5" aria-label="What cannot be read">
      {lines.slice(0, most).map((line, i) => (
        <li key={i}>{line}</li>
      ))}
      {count > most && <li>and {number(count - most)} more</li>}
    </ul>
  );
}
