import {
  bushelsPerAcreToKgPerHa,
  type CombineProfile,
  kgPerHaToBushelsPerAcre,
  kilogramsPerBushel,
  type Setting,
  type SettingEntry,
  SETTINGS,
  widthOfRows,
} from '@fanega/core';
import { useState } from 'react';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { useSend } from '../../../data/use-send';
import { Button, Choices, TextBox } from '../../../ui';
import { useKept } from '../../../ui/use-kept';
import { FormDrawer } from '../../../ui/form-drawer';
import {
  bushels,
  grainRate,
  length,
  loss as lossOf,
  parseNumber,
  plain,
  share,
  spacing,
  speed,
  type Kind,
  type Limits,
  system,
} from '../../../quantity/quantity';
import { SHOWN } from '../words';
import { setting } from '../../../data/records';
import { write } from '../../../data/outbox';

interface HeadText {
  name: string;
  width: string;
  rows: string;
  apart: string;
}

const one = (value: number): string => plain(value, 1);
/** The loss that is accepted is kept for corn, kg of a bushel. */
const CORN = kilogramsPerBushel(56);

/** What the machine is and can do; the heads by width, or by rows and their spacing. */
export function ProfileDrawer({
  farm,
  machineId,
  kept,
  kgPerBu,
  onClose,
}: {
  farm: Farm;
  machineId: string;
  kept: SettingEntry<'combineProfile'>;
  kgPerBu: number;
  onClose: () => void;
}) {
  const { value: sheet } = kept;
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const [kind, setKind] = useState(sheet.kind);
  const wasLoss = sheet.acceptableLoss === undefined ? 1 : kgPerHaToBushelsPerAcre(sheet.acceptableLoss, 56);
  const about = `profile.${farm.id}.${machineId}.${system()}`;
  const [text, setText, forgetText] = useKept(
    about,
    () => ({
      rate: sheet.goodRate > 0 ? grainRate.text(sheet.goodRate / kgPerBu, kgPerBu) : '',
      limit: speed.text(sheet.speedLimit),
      tank: bushels.text(sheet.tankBu, kgPerBu),
      efficiency: share.text(sheet.fieldEfficiency),
      loss: lossOf.text(wasLoss, CORN),
      concaves: (sheet.concaves ?? []).join(', '),
      sieves: (sheet.sieves ?? []).join(', '),
    }),
    onClose,
  );
  const [heads, setHeads, close] = useKept<HeadText[]>(
    `${about}.heads`,
    () =>
      (sheet.heads ?? []).map((head) => ({
        name: head.name,
        width: head.rows ? '' : length.text(head.width),
        rows: head.rows ? String(head.rows) : '',
        apart: head.rows ? spacing.text(head.width / head.rows) : '',
      })),
    forgetText,
  );
  const [ranges, setRanges] = useState<Record<string, [string, string]>>(() =>
    Object.fromEntries(
      Object.entries(sheet.ranges).map(([name, range]) => [
        name,
        range.map((v) => one(SHOWN[name as Setting].show(v))) as [string, string],
      ]),
    ),
  );
  const [wrong, setWrong] = useState<Record<string, string>>({});

  const save = async (): Promise<void> => {
    const errors: Record<string, string> = {};
    const need = (key: keyof typeof text, kind: Kind, limits: Limits): number => {
      const { value, error } = kind.read(text[key], { ...limits, wanted: true });
      if (error) errors[key] = error;
      return value ?? NaN;
    };
    const rate = need('rate', grainRate, {
      least: 1,
      most: 20_000,
      per: kgPerBu,
      was: sheet.goodRate > 0 ? sheet.goodRate / kgPerBu : null,
    });
    const limit = need('limit', speed, { least: 0.2, most: 7.6, was: sheet.speedLimit });
    const tank = need('tank', bushels, { least: 1, most: 2000, per: kgPerBu, was: sheet.tankBu });
    const efficiency = need('efficiency', share, { least: 0.05, most: 1, was: sheet.fieldEfficiency });
    const loss = need('loss', lossOf, { least: 0, most: 50, per: CORN, was: wasLoss });
    const built = heads.map((head, i) => {
      const was = sheet.heads?.[i];
      const rows = parseNumber(head.rows);
      if (head.name.trim() === '') errors[`name${i}`] = 'The head needs a name';
      if (head.rows.trim() !== '') {
        if (!(Number.isInteger(rows) && rows >= 1 && rows <= 40)) errors[`rows${i}`] = 'Rows, from 1 to 40';
        const apart = spacing.read(head.apart, {
          least: 0.127,
          most: 1.524,
          wanted: true,
          was: was?.rows ? was.width / was.rows : null,
        });
        if (apart.error) errors[`apart${i}`] = apart.error;
        return {
          name: head.name.trim(),
          rows,
          width: Object.keys(errors).length > 0 ? 1 : widthOfRows(rows, apart.value!),
        };
      }
      const width = length.read(head.width, { least: 0.3, most: 29.9, wanted: true, was: was?.width });
      if (width.error) errors[`width${i}`] = `${width.error}, or rows`;
      return { name: head.name.trim(), width: width.value ?? 1 };
    });
    const builtRanges: Record<string, [number, number]> = {};
    for (const [name, pair] of Object.entries(ranges)) {
      if (pair[0].trim() === '' && pair[1].trim() === '') continue;
      const [least, most] = pair.map((v) => SHOWN[name as Setting].read(parseNumber(v))) as [number, number];
      if (!(least <= most)) errors[`range ${name}`] = 'Its least and its most';
      else builtRanges[name] = [least, most];
    }
    setWrong(errors);
    if (Object.keys(errors).length > 0) return;
    const words = (list: string): string[] =>
      list
        .split(',')
        .map((word) => word.trim())
        .filter((word) => word !== '');
    // The head that was confirmed stays on where it still is the same one.
    const on = built.find((head) => head.name === sheet.headOn);
    const unchanged = on && Math.abs(on.width - sheet.headWidth) < 1e-6;
    const body: CombineProfile = {
      kind,
      headWidth: on?.width ?? built[0]?.width ?? sheet.headWidth,
      headConfirmed: unchanged || built.length === 0 ? sheet.headConfirmed : '',
      goodRate: rate * kgPerBu,
      speedLimit: limit,
      tankBu: tank,
      fieldEfficiency: efficiency,
      ranges: builtRanges,
      acceptableLoss: bushelsPerAcreToKgPerHa(loss, 56),
      heads: built,
      concaves: words(text.concaves),
      sieves: words(text.sieves),
      ...(on ? { headOn: on.name } : {}),
    };
    if (
      !(await sending.send(() =>
        write(farm.id, setting(farm.id, 'combineProfile', machineId, { revision: kept.revision, value: body })),
      ))
    )
      return;
    await refresh();
    close();
  };
  const box = (key: keyof typeof text, label: string, unit: string) => (
    <TextBox
      label={label}
      unit={unit}
      inputMode="decimal"
      value={text[key]}
      error={wrong[key]}
      onChange={(event) => setText({ ...text, [key]: event.target.value })}
    />
  );
  return (
    <FormDrawer
      title={farm.placeName(machineId)}
      button="Save the profile"
      busy={sending.busy}
      problem={sending.message}
      onSubmit={save}
      onClose={close}
    >
      <Choices
        label="It threshes with a"
        value={kind}
        onChange={setKind}
        choices={[
          { value: 'rotary', label: 'Rotor' },
          { value: 'conventional', label: 'Cylinder and walkers' },
        ]}
      />
      <div className="grid grid-cols-2 gap-3">
        {box('rate', 'Good rate', grainRate.unit)}
        {box('limit', 'Fastest on rough ground', speed.unit)}
        {box('tank', 'Tank', bushels.unit)}
        {box('efficiency', 'Cutting, of field time', '%')}
        {box('loss', 'Loss you accept, corn', lossOf.unit)}
      </div>
      <fieldset className="space-y-3 border-t border-rule pt-4">
        <legend className="font-semibold">Heads: width, or rows and how far apart</legend>
        {heads.map((head, i) => {
          const set = (change: Partial<HeadText>) =>
            setHeads(heads.map((other, k) => (k === i ? { ...other, ...change } : other)));
          return (
            <div key={i} className="grid grid-cols-[1fr_4.5rem_4rem_4.5rem] gap-2">
              <TextBox
                label="Name"
                maxLength={40}
                value={head.name}
                error={wrong[`name${i}`]}
                onChange={(event) => set({ name: event.target.value })}
              />
              <TextBox
                label={length.unit}
                inputMode="decimal"
                value={head.width}
                error={wrong[`width${i}`]}
                onChange={(event) => set({ width: event.target.value, rows: '', apart: '' })}
              />
              <TextBox
                label="rows"
                inputMode="numeric"
                value={head.rows}
                error={wrong[`rows${i}`]}
                onChange={(event) => set({ rows: event.target.value, width: '' })}
              />
              <TextBox
                label={spacing.unit}
                inputMode="decimal"
                value={head.apart}
                error={wrong[`apart${i}`]}
                onChange={(event) => set({ apart: event.target.value, width: '' })}
              />
            </div>
          );
        })}
        <Button onClick={() => setHeads([...heads, { name: '', width: '', rows: '', apart: '' }])}>Add a head</Button>
      </fieldset>
      <fieldset className="space-y-2 border-t border-rule pt-4">
        <legend className="font-semibold">What its settings can do</legend>
        {(Object.keys(SETTINGS) as Setting[]).map((name) => {
          const pair = ranges[name] ?? ['', ''];
          const set = (at: 0 | 1, value: string) =>
            setRanges({ ...ranges, [name]: at === 0 ? [value, pair[1]] : [pair[0], value] });
          return (
            <div key={name} className="grid grid-cols-[1fr_5rem_5rem_2.5rem] items-center gap-2">
              <span>{SHOWN[name].label}</span>
              {([0, 1] as const).map((at) => (
                <input
                  key={at}
                  aria-label={`${SHOWN[name].label}, ${at === 0 ? 'least' : 'most'}`}
                  aria-invalid={wrong[`range ${name}`] !== undefined}
                  inputMode="decimal"
                  className="min-h-11 rounded-[3px] border border-ink px-2 aria-[invalid=true]:border-2 aria-[invalid=true]:border-clay"
                  value={pair[at]}
                  onChange={(event) => set(at, event.target.value)}
                />
              ))}
              <span className="text-sm text-muted">{SHOWN[name].unit}</span>
              {wrong[`range ${name}`] && (
                <p role="alert" className="col-span-4 text-sm font-semibold text-clay">
                  {wrong[`range ${name}`]}
                </p>
              )}
            </div>
          );
        })}
      </fieldset>
      <TextBox
        label="Concaves and cover plates"
        hint="with commas between"
        value={text.concaves}
        onChange={(event) => setText({ ...text, concaves: event.target.value })}
      />
      <TextBox
        label="Chaffers and sieves"
        hint="with commas between"
        value={text.sieves}
        onChange={(event) => setText({ ...text, sieves: event.target.value })}
      />
    </FormDrawer>
  );
}
