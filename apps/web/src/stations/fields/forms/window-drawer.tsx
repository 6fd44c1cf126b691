import { type Crop, CUTTING_WINDOW, type CuttingWindow } from '@fanega/core';
import { write } from '../../../data/outbox';
import { setting } from '../../../data/records';
import { useFarm, useRefreshFarm } from '../../../data/farm';
import { TextBox } from '../../../ui';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { count, discount, hours, type Kind, price, share, system } from '../../../quantity/quantity';
import { figureBox, figureOrNone, recordErrors } from '../../../widgets/record-boxes';

type Key = keyof CuttingWindow;
interface Line {
  readonly label: string;
  readonly kind: Kind;
  /** What a plain number counts. */
  readonly counts?: string;
  readonly hint?: string;
}

const MOISTURES = {
  tooDryBelow: { label: 'Too dry below', kind: share },
  bestFrom: { label: 'Best from', kind: share },
  bestTo: { label: 'Best to', kind: share },
  refuseAbove: { label: 'Refused above', kind: share },
} satisfies Partial<Record<Key, Line>>;
const MONEY = {
  price: { label: 'Price at base', kind: price },
  shrinkPerPoint: { label: 'Shrink per point', kind: count, counts: '%' },
  dockPerPoint: { label: 'Discount per point', kind: discount },
  dockPercent: { label: 'Or percent of price per point', kind: count, counts: '%' },
  dockStep: { label: 'Discount step', kind: count, counts: 'points' },
  opensAt: { label: 'Takes grain from', kind: hours },
  closesAt: { label: 'until', kind: hours },
} satisfies Partial<Record<Key, Line>>;
const STANDING = {
  shatterPerPoint: { label: 'Shatter loss per point below best', kind: share, hint: 'your own count at the header' },
  standingRisk: { label: 'Field loss per day', kind: share, hint: 'what a day of standing costs you' },
} satisfies Partial<Record<Key, Line>>;
const ALL: Record<Key, Line> = { ...MOISTURES, ...MONEY, ...STANDING };
const KEYS = Object.keys(ALL) as Key[];
const START: CuttingWindow = {
  tooDryBelow: 0.1,
  bestFrom: 0.12,
  bestTo: 0.15,
  refuseAbove: 0.2,
  price: 0,
  shrinkPerPoint: 1.4,
  dockPerPoint: 0.04,
};

/** The limits and terms for a crop: the farm's own, or those of one buyer. */
export function WindowDrawer({
  crop,
  buyerId,
  start: kept,
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
  const per = farm.kgPerBu(crop.id);
  const start = kept ?? START;
  const form = useFields({
    keptAs: `window.${farm.id}.${crop.id}.${buyerId ?? 'farm'}.${system()}`,
    boxes: Object.fromEntries(
      KEYS.map((key) => {
        const field = CUTTING_WINDOW.fields[key];
        const box = field.optional ? figureOrNone : figureBox;
        return [key, box(field, ALL[key].kind, { per, was: start[key] })];
      }),
    ) as Record<Key, ReturnType<typeof figureOrNone>>,
    start: () =>
      Object.fromEntries(KEYS.map((key) => [key, ALL[key].kind.text(start[key], per)])) as Record<Key, string>,
    together: (values) => recordErrors(CUTTING_WINDOW, settled(values)),
    close: onClose,
    save: async (values) => {
      await write(
        farm.id,
        setting(farm.id, 'cuttingWindow', buyerId === null ? crop.id : `${crop.id}@${buyerId}`, {
          revision,
          value: settled(values),
        }),
      );
      await refresh();
    },
  });
  const boxes = (lines: Partial<Record<Key, Line>>) =>
    (Object.entries(lines) as [Key, Line][]).map(([key, { label, counts, hint }]) => (
      <TextBox key={key} label={label} hint={hint} {...form.box(key)} {...(counts ? { unit: counts } : {})} />
    ));
  return (
    <FormDrawer
      form={form}
      title={`Window: ${crop.name}${buyerId === null ? '' : `, ${farm.placeName(buyerId)}`}`}
      button="Save the window"
    >
      <div className="grid grid-cols-2 gap-3">{boxes(MOISTURES)}</div>
      <div className="grid grid-cols-2 gap-3 border-t border-rule pt-4">{boxes(MONEY)}</div>
      <div className="grid grid-cols-2 gap-3 border-t border-rule pt-4">{boxes(STANDING)}</div>
    </FormDrawer>
  );
}

/** As it is recorded: without what was left empty, in as many digits as a person can mean. */
const settled = (values: Partial<Record<Key, number | undefined>>): CuttingWindow =>
  Object.fromEntries(
    Object.entries(values).flatMap(([key, value]) =>
      value === undefined ? [] : [[key, Math.round(value * 1e8) / 1e8]],
    ),
  ) as unknown as CuttingWindow;
