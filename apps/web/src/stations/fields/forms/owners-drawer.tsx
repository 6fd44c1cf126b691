import type { LotInfo } from '@fanega/core';
import { useState } from 'react';
import { toast } from '../../../ui/toast';
import { ulid } from 'ulid';
import { write } from '../../../data/outbox';
import { revision } from '../../../data/records';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { useSend } from '../../../data/use-send';
import { Button, TextBox } from '../../../ui';
import { FormDrawer } from '../../../ui/form-drawer';
import { parseNumber } from '../../../quantity/quantity';

/** Whose a field's grain is: a landlord's share, a neighbor's rows, a family member's part. What was recorded is split again by it. */
export function OwnersDrawer({ farm, lot, onClose }: { farm: Farm; lot: LotInfo; onClose: () => void }) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const own = farm.data.farm.name;
  const [tried, setTried] = useState(false);
  const [reason, setReason] = useState('');
  const [id] = useState(ulid);
  const [rows, setRows] = useState(() =>
    lot.shares
      .filter(({ owner }) => owner !== own)
      .map(({ owner, part }) => ({ owner, percent: String(Math.round(part * 100_000) / 1000) })),
  );
  const parts = rows.map((row) => parseNumber(row.percent));
  const others = parts.reduce((sum, part) => sum + part, 0);
  const wrong = rows.some((row) => row.owner.trim() === '')
    ? 'Whose part?'
    : parts.some((part) => !(part > 0 && part <= 100))
      ? 'A part is more than 0 and at most 100 %'
      : others > 100.001
        ? 'Together they have more than all of it'
        : reason.trim() === ''
          ? 'Say why: it stands in the book for good'
          : null;
  const save = async (): Promise<void> => {
    setTried(true);
    if (wrong) return;
    const rest = Math.max(0, 1 - others / 100);
    const shares = [
      ...(rest > 0.0001 ? [{ owner: own, part: rest }] : []),
      // What rounding leaves goes to the last: the parts come to the whole.
      ...rows.map((row, i) => ({
        owner: row.owner.trim(),
        part:
          rest <= 0.0001 && i === rows.length - 1
            ? 1 - parts.slice(0, -1).reduce((sum, p) => sum + p / 100, 0)
            : parts[i]! / 100,
      })),
    ];
    if (
      !(await sending.send(() =>
        write(
          farm.id,
          revision(farm.id, reason.trim(), { what: 'shares', lot: lot.id, shares }, id),
          `owners of ${lot.fieldName}`,
        ),
      ))
    )
      return;
    toast('Its grain is split so');
    await refresh();
    onClose();
  };
  return (
    <FormDrawer
      title={`Whose is ${lot.fieldName}?`}
      button="Keep it"
      busy={sending.busy}
      problem={(tried && wrong) || sending.message}
      onSubmit={save}
      onClose={onClose}
    >
      <p>
        The farm&rsquo;s own:{' '}
        <b>{Number.isNaN(others) ? '–' : Math.max(0, Math.round((100 - others) * 1000) / 1000)} %</b>
      </p>
      {rows.map((row, i) => (
        <div key={i} className="grid grid-cols-[1fr_7rem] gap-3">
          <TextBox
            label="Owner"
            maxLength={60}
            value={row.owner}
            onChange={(event) => setRows(rows.map((one, j) => (j === i ? { ...one, owner: event.target.value } : one)))}
          />
          <TextBox
            label="Part"
            unit="%"
            inputMode="decimal"
            value={row.percent}
            onChange={(event) =>
              setRows(rows.map((one, j) => (j === i ? { ...one, percent: event.target.value } : one)))
            }
          />
        </div>
      ))}
      <p className="flex gap-4">
        <Button
          look="quiet"
          className="!px-0"
          disabled={rows.length >= 10}
          onClick={() => setRows([...rows, { owner: '', percent: '' }])}
        >
          Another owner
        </Button>
        {rows.length > 0 && (
          <Button look="quiet" className="!px-0" onClick={() => setRows(rows.slice(0, -1))}>
            One less
          </Button>
        )}
      </p>
      <TextBox
        label="Why"
        maxLength={200}
        hint="a lease signed, a share that was wrong"
        value={reason}
        error={sending.at.reason}
        onChange={(event) => setReason(event.target.value)}
      />
      <p className="text-sm text-muted">
        Grain of others is never counted as the farm&rsquo;s own: it is split at every delivery by these parts.
      </p>
    </FormDrawer>
  );
}
