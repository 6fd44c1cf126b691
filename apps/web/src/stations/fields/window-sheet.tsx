import type { WindowBody } from '@fanega/contract';
import type { Crop } from '@fanega/core';
import { useState } from 'react';
import { put } from '../../data/api';
import { useFarm, useRefreshFarm } from '../../data/farm';
import { useSend } from '../../data/use-send';
import { TextBox } from '../../ui';
import { FormSheet } from '../../ui/form-sheet';
import { parseNumber } from '../../widgets/quantity';

interface Line {
  readonly key: keyof WindowBody;
  readonly label: string;
  readonly unit: string;
  /** What people type for one of the body's. */
  readonly scale: number;
  readonly hint?: string;
  readonly optional?: boolean;
}

const MOISTURES: readonly Line[] = [
  { key: 'tooDryBelow', label: 'Too dry below', unit: '%', scale: 100 },
  { key: 'bestFrom', label: 'Best from', unit: '%', scale: 100 },
  { key: 'bestTo', label: 'Best to', unit: '%', scale: 100 },
  { key: 'refuseAbove', label: 'Refused above', unit: '%', scale: 100 },
];
const MONEY: readonly Line[] = [
  { key: 'price', label: 'Price at base', unit: '$/bu', scale: 1 },
  { key: 'shrinkPerPoint', label: 'Shrink a point', unit: '%', scale: 1 },
  { key: 'dockPerPoint', label: 'Dock a point', unit: '$/bu', scale: 1 },
  { key: 'dockStep', label: 'Dock counts each started', unit: 'points', scale: 1, optional: true },
  { key: 'opensAt', label: 'Takes grain from', unit: 'h', scale: 1, optional: true },
  { key: 'closesAt', label: 'until', unit: 'h', scale: 1, optional: true },
];
const STANDING: readonly Line[] = [
  { key: 'shatterPerPoint', label: 'Shatters a point below best', unit: '%', scale: 100, optional: true, hint: 'your own count at the header' },
  { key: 'standingRisk', label: 'Lost standing a day', unit: '%', scale: 100, optional: true, hint: 'what a day’s risk is worth to you' },
];
const ALL = [...MOISTURES, ...MONEY, ...STANDING];
const START: WindowBody = { tooDryBelow: 0.1, bestFrom: 0.12, bestTo: 0.15, refuseAbove: 0.2, price: 0, shrinkPerPoint: 1.4, dockPerPoint: 0.04 };

const shown = (value: number | undefined, scale: number): string => (value === undefined ? '' : String(Math.round(value * scale * 1000) / 1000));

/** The limits and terms for a crop: the farm's own, or those of one buyer. */
export function WindowSheet({
  crop,
  buyerId,
  start,
  revision,
  onClose,
}: {
  crop: Crop;
  buyerId: string | null;
  start: WindowBody | undefined;
  revision: number;
  onClose: () => void;
}) {
  const farm = useFarm();
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const [typed, setTyped] = useState<Record<string, string>>(() => Object.fromEntries(ALL.map(({ key, scale }) => [key, shown((start ?? START)[key], scale)])));
  const [wrong, setWrong] = useState<Record<string, string>>({});
  const save = async (): Promise<void> => {
    const errors: Record<string, string> = {};
    const sheet: Record<string, number> = {};
    for (const { key, scale, optional, label } of ALL) {
      const text = typed[key] ?? '';
      if (text.trim() === '' && optional) continue;
      const value = parseNumber(text);
      if (Number.isNaN(value)) errors[key] = `${label}: a number`;
      else sheet[key] = Math.round((value / scale) * 1e8) / 1e8;
    }
    setWrong(errors);
    if (Object.keys(errors).length > 0) return;
    const saved = await sending.send(() => put(`/farms/${farm.id}/sheets/window/${crop.id}${buyerId === null ? '' : `/${buyerId}`}`, { revision, sheet }).then(() => true));
    if (!saved) return;
    await refresh();
    onClose();
  };
  const box = ({ key, label, unit, hint }: Line) => (
    <TextBox
      key={key}
      label={label}
      unit={unit}
      hint={hint}
      inputMode="decimal"
      value={typed[key] ?? ''}
      error={wrong[key] ?? sending.at[key]}
      onChange={(event) => setTyped({ ...typed, [key]: event.target.value })}
    />
  );
  return (
    <FormSheet
      title={`Window: ${crop.name}${buyerId === null ? '' : `, ${farm.placeName(buyerId)}`}`}
      button="Save the window"
      busy={sending.busy}
      problem={sending.message}
      onSubmit={save}
      onClose={onClose}
    >
      <div className="grid grid-cols-2 gap-3">{MOISTURES.map(box)}</div>
      <div className="grid grid-cols-2 gap-3 border-t border-rule pt-4">{MONEY.map(box)}</div>
      <div className="grid grid-cols-2 gap-3 border-t border-rule pt-4">{STANDING.map(box)}</div>
    </FormSheet>
  );
}
