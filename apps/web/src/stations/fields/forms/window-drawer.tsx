import type { Crop, CuttingWindow } from '@fanega/core';
import { useState } from 'react';
import { write } from '../../../data/outbox';
import { setting } from '../../../data/records';
import { useFarm, useRefreshFarm } from '../../../data/farm';
import { useSend } from '../../../data/use-send';
import { TextBox } from '../../../ui';
import { useKept } from '../../../ui/use-kept';
import { FormDrawer } from '../../../ui/form-drawer';
import { discount, parseNumber, plain, price, share, type Kind, system } from '../../../quantity/quantity';

interface Line {
  readonly key: keyof CuttingWindow;
  readonly label: string;
  /** Null: a plain number, with a word of what it counts. */
  readonly kind: Kind | null;
  readonly counts?: string;
  readonly hint?: string;
  readonly optional?: boolean;
}

const MOISTURES: readonly Line[] = [
  { key: 'tooDryBelow', label: 'Too dry below', kind: share },
  { key: 'bestFrom', label: 'Best from', kind: share },
  { key: 'bestTo', label: 'Best to', kind: share },
  { key: 'refuseAbove', label: 'Refused above', kind: share },
];
const MONEY: readonly Line[] = [
  { key: 'price', label: 'Price at base', kind: price },
  { key: 'shrinkPerPoint', label: 'Shrink a point', kind: null, counts: '%' },
  { key: 'dockPerPoint', label: 'Dock a point', kind: discount },
  { key: 'dockStep', label: 'Dock counts each started', kind: null, counts: 'points', optional: true },
  { key: 'opensAt', label: 'Takes grain from', kind: null, counts: 'h', optional: true },
  { key: 'closesAt', label: 'until', kind: null, counts: 'h', optional: true },
];
const STANDING: readonly Line[] = [
  {
    key: 'shatterPerPoint',
    label: 'Shatters a point below best',
    kind: share,
    optional: true,
    hint: 'your own count at the header',
  },
  {
    key: 'standingRisk',
    label: 'Lost standing a day',
    kind: share,
    optional: true,
    hint: 'what a day’s risk is worth to you',
  },
];
const ALL = [...MOISTURES, ...MONEY, ...STANDING];
const START: CuttingWindow = {
  tooDryBelow: 0.1,
  bestFrom: 0.12,
  bestTo: 0.15,
  refuseAbove: 0.2,
  price: 0,
  shrinkPerPoint: 1.4,
  dockPerPoint: 0.04,
};

const shown = (value: number | undefined, { kind }: Line, per: number): string =>
  value === undefined ? '' : kind ? kind.text(value, per) : plain(value, 3);

/** The limits and terms for a crop: the farm's own, or those of one buyer. */
export function WindowDrawer({
  crop,
  buyerId,
  start,
  revision,
  onClose,
}: {
  crop: Crop;
  buyerId: string | null;
  start: CuttingWindow | undefined;
  revision: number;
  onClose: () => void;
}) {
  const farm = useFarm();
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const per = farm.kgPerBu(crop.id);
  const [typed, setTyped, close] = useKept<Record<string, string>>(
    `window.${farm.id}.${crop.id}.${buyerId ?? 'farm'}.${system()}`,
    () => Object.fromEntries(ALL.map((line) => [line.key, shown((start ?? START)[line.key], line, per)])),
    onClose,
  );
  const [wrong, setWrong] = useState<Record<string, string>>({});
  const save = async (): Promise<void> => {
    const errors: Record<string, string> = {};
    const sheet: Record<string, number> = {};
    for (const { key, kind, optional, label } of ALL) {
      const text = typed[key] ?? '';
      if (text.trim() === '' && optional) continue;
      const plainly = parseNumber(text);
      const { value, error } = kind
        ? kind.read(text, { per, wanted: true, was: (start ?? START)[key] })
        : { value: plainly, error: Number.isNaN(plainly) ? 'a number' : undefined };
      if (error !== undefined || value === undefined) errors[key] = `${label}: ${error}`;
      else sheet[key] = Math.round(value * 1e8) / 1e8;
    }
    setWrong(errors);
    if (Object.keys(errors).length > 0) return;
    const saved = await sending.send(() =>
      write(
        farm.id,
        setting(farm.id, 'cuttingWindow', buyerId === null ? crop.id : `${crop.id}@${buyerId}`, {
          revision,
          value: sheet as unknown as CuttingWindow,
        }),
      ),
    );
    if (!saved) return;
    await refresh();
    close();
  };
  const box = ({ key, label, kind, counts, hint }: Line) => (
    <TextBox
      key={key}
      label={label}
      unit={kind?.unit ?? counts}
      hint={hint}
      inputMode="decimal"
      value={typed[key] ?? ''}
      error={wrong[key] ?? sending.at[key]}
      onChange={(event) => setTyped({ ...typed, [key]: event.target.value })}
    />
  );
  return (
    <FormDrawer
      title={`Window: ${crop.name}${buyerId === null ? '' : `, ${farm.placeName(buyerId)}`}`}
      button="Save the window"
      busy={sending.busy}
      problem={sending.message}
      onSubmit={save}
      onClose={close}
    >
      <div className="grid grid-cols-2 gap-3">{MOISTURES.map(box)}</div>
      <div className="grid grid-cols-2 gap-3 border-t border-rule pt-4">{MONEY.map(box)}</div>
      <div className="grid grid-cols-2 gap-3 border-t border-rule pt-4">{STANDING.map(box)}</div>
    </FormDrawer>
  );
}
