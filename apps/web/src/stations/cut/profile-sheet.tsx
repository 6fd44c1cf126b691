import type { MachineProfile, SheetOf } from '@fanega/contract';
import {
  bushelsPerAcreToKgPerHa,
  feetToMetres,
  inchesToMetres,
  kgPerHaToBushelsPerAcre,
  metresPerSecondToMph,
  metresToFeet,
  mphToMetresPerSecond,
  type Setting,
  SETTINGS,
  widthOfRows,
} from '@fanega/core';
import { useState } from 'react';
import { put } from '../../data/api';
import { type Farm, useRefreshFarm } from '../../data/farm';
import { useSend } from '../../data/use-send';
import { Button, Choices, TextBox } from '../../ui';
import { FormSheet } from '../../ui/form-sheet';
import { formatBushels, parseNumber } from '../../widgets/quantity';
import { SHOWN } from './machine';

interface HeadText {
  name: string;
  feet: string;
  rows: string;
  inches: string;
}

const one = (value: number): string => String(Math.round(value * 10) / 10);

/** What the machine is and can do; the heads by width, or by rows and their spacing. */
export function ProfileSheet({ farm, machineId, kept, kgPerBu, onClose }: { farm: Farm; machineId: string; kept: SheetOf<MachineProfile>; kgPerBu: number; onClose: () => void }) {
  const { sheet } = kept;
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const [kind, setKind] = useState(sheet.kind);
  const [heads, setHeads] = useState<HeadText[]>(() =>
    (sheet.heads ?? []).map((head) => ({
      name: head.name,
      feet: head.rows ? '' : one(metresToFeet(head.width)),
      rows: head.rows ? String(head.rows) : '',
      inches: head.rows ? one((metresToFeet(head.width) * 12) / head.rows) : '',
    })),
  );
  const [text, setText] = useState({
    rate: sheet.goodRate > 0 ? formatBushels(sheet.goodRate / kgPerBu) : '',
    limit: one(metresPerSecondToMph(sheet.speedLimit)),
    tank: formatBushels(sheet.tankBu),
    efficiency: one(sheet.fieldEfficiency * 100),
    loss: one(sheet.acceptableLoss === undefined ? 1 : kgPerHaToBushelsPerAcre(sheet.acceptableLoss, 56)),
    concaves: (sheet.concaves ?? []).join(', '),
    sieves: (sheet.sieves ?? []).join(', '),
  });
  const [ranges, setRanges] = useState<Record<string, [string, string]>>(() =>
    Object.fromEntries(Object.entries(sheet.ranges).map(([name, range]) => [name, range.map((v) => one(SHOWN[name as Setting].show(v))) as [string, string]])),
  );
  const [wrong, setWrong] = useState<Record<string, string>>({});

  const save = async (): Promise<void> => {
    const errors: Record<string, string> = {};
    const need = (key: keyof typeof text, least: number, most: number, words: string): number => {
      const value = parseNumber(text[key]);
      if (!(value >= least && value <= most)) errors[key] = words;
      return value;
    };
    const rate = need('rate', 1, 20_000, 'Bushels an hour, from 1 to 20,000');
    const limit = need('limit', 0.5, 17, 'Miles an hour, from 0.5 to 17');
    const tank = need('tank', 1, 2000, 'Bushels, from 1 to 2,000');
    const efficiency = need('efficiency', 5, 100, 'Per cent, from 5 to 100');
    const loss = need('loss', 0, 50, 'Bushels an acre, from 0 to 50');
    const built = heads.map((head, i) => {
      const [feet, rows, inches] = [parseNumber(head.feet), parseNumber(head.rows), parseNumber(head.inches)];
      if (head.name.trim() === '') errors[`name${i}`] = 'The head needs a name';
      if (head.rows.trim() !== '') {
        if (!(Number.isInteger(rows) && rows >= 1 && rows <= 40)) errors[`rows${i}`] = 'Rows, from 1 to 40';
        if (!(inches >= 5 && inches <= 60)) errors[`inches${i}`] = 'Inches between rows, from 5 to 60';
        return { name: head.name.trim(), rows, width: Object.keys(errors).length > 0 ? 1 : widthOfRows(rows, inchesToMetres(inches)) };
      }
      if (!(feet >= 1 && feet <= 98)) errors[`feet${i}`] = 'Feet, from 1 to 98, or rows';
      return { name: head.name.trim(), width: feetToMetres(feet) };
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
    const body: MachineProfile = {
      kind,
      headWidth: on?.width ?? built[0]?.width ?? sheet.headWidth,
      headConfirmed: unchanged || built.length === 0 ? sheet.headConfirmed : '',
      goodRate: rate * kgPerBu,
      speedLimit: mphToMetresPerSecond(limit),
      tankBu: tank,
      fieldEfficiency: efficiency / 100,
      ranges: builtRanges,
      acceptableLoss: bushelsPerAcreToKgPerHa(loss, 56),
      heads: built,
      concaves: words(text.concaves),
      sieves: words(text.sieves),
      ...(on ? { headOn: on.name } : {}),
    };
    if (!(await sending.send(() => put<{ revision: number }>(`/farms/${farm.id}/sheets/machine/${machineId}`, { revision: kept.revision, sheet: body })))) return;
    await refresh();
    onClose();
  };
  const box = (key: keyof typeof text, label: string, unit: string) => (
    <TextBox label={label} unit={unit} inputMode="decimal" value={text[key]} error={wrong[key]} onChange={(event) => setText({ ...text, [key]: event.target.value })} />
  );
  return (
    <FormSheet title={farm.placeName(machineId)} button="Save the profile" busy={sending.busy} problem={sending.message} onSubmit={save} onClose={onClose}>
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
        {box('rate', 'Good rate', 'bu/h')}
        {box('limit', 'Fastest on rough ground', 'mph')}
        {box('tank', 'Tank', 'bu')}
        {box('efficiency', 'Cutting, of field time', '%')}
        {box('loss', 'Loss you accept', 'bu/ac')}
      </div>
      <fieldset className="space-y-3 border-t border-rule pt-4">
        <legend className="font-semibold">Heads: width, or rows and inches</legend>
        {heads.map((head, i) => {
          const set = (change: Partial<HeadText>) => setHeads(heads.map((other, k) => (k === i ? { ...other, ...change } : other)));
          return (
            <div key={i} className="grid grid-cols-[1fr_4.5rem_4rem_4.5rem] gap-2">
              <TextBox label="Name" maxLength={40} value={head.name} error={wrong[`name${i}`]} onChange={(event) => set({ name: event.target.value })} />
              <TextBox label="ft" inputMode="decimal" value={head.feet} error={wrong[`feet${i}`]} onChange={(event) => set({ feet: event.target.value, rows: '', inches: '' })} />
              <TextBox label="rows" inputMode="numeric" value={head.rows} error={wrong[`rows${i}`]} onChange={(event) => set({ rows: event.target.value, feet: '' })} />
              <TextBox label="in" inputMode="decimal" value={head.inches} error={wrong[`inches${i}`]} onChange={(event) => set({ inches: event.target.value, feet: '' })} />
            </div>
          );
        })}
        <Button onClick={() => setHeads([...heads, { name: '', feet: '', rows: '', inches: '' }])}>Add a head</Button>
      </fieldset>
      <fieldset className="space-y-2 border-t border-rule pt-4">
        <legend className="font-semibold">What its settings can do</legend>
        {(Object.keys(SETTINGS) as Setting[]).map((name) => {
          const pair = ranges[name] ?? ['', ''];
          const set = (at: 0 | 1, value: string) => setRanges({ ...ranges, [name]: at === 0 ? [value, pair[1]] : [pair[0], value] });
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
      <TextBox label="Concaves and cover plates" hint="with commas between" value={text.concaves} onChange={(event) => setText({ ...text, concaves: event.target.value })} />
      <TextBox label="Chaffers and sieves" hint="with commas between" value={text.sieves} onChange={(event) => setText({ ...text, sieves: event.target.value })} />
    </FormSheet>
  );
}
