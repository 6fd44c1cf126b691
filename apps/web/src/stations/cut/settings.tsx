import type { SettingsBody } from '@fanega/contract';
import { bestSettings, changedSettings, cropOf, type RankedSettings, type Setting, SETTINGS, type Settings, type TrailStep, USUAL_SETTINGS } from '@fanega/core';
import { useMemo, useRef, useState } from 'react';
import { ulid } from 'ulid';
import { post } from '../../data/api';
import { type Farm, useRefreshFarm } from '../../data/farm';
import { useSend } from '../../data/use-send';
import { Button, Choices, SelectBox, TextBox } from '../../ui';
import { FormSheet } from '../../ui/form-sheet';
import { formatMoisture, parseNumber, readMoisture } from '../../widgets/quantity';
import { useRecorded } from '../../widgets/take-back';
import { clock, day } from '../../widgets/time';
import { type CutGiven, checksOf, likelyLot, rangesOf, settingText, sheetsOf, SHOWN, valuesOf } from './machine';
import { changeWords, outcomeWords, trailOf } from './trail';

/** How the machine stands, what was best last time, and every change with what it did. */
export function SettingsLog({ farm, notebook, rows, machineId }: CutGiven) {
  const [lotId, setLotId] = useState(() => likelyLot(farm, notebook, rows, machineId));
  const [changing, setChanging] = useState<{ readonly values: Settings; readonly why: string; readonly concaveType?: string | undefined } | null>(null);
  const { timeZone } = farm.data.farm;
  const sheets = sheetsOf(notebook, machineId);
  const current = sheets[0];
  const lot = farm.lot(lotId);
  const row = rows.find((r) => r.lot.id === lotId);
  const profile = notebook.machines[machineId]?.sheet;
  const ranked = useMemo(() => {
    const loss = new Map(
      checksOf(farm, notebook, null)
        .reverse()
        .map(({ body, check }) => [body.settingsId ?? '', check.parts.machine!.bushelsPerAcre]),
    );
    const undone = new Set(notebook.notes.flatMap((note) => (note.kind === 'settings' && !note.voided && note.body.undoes ? [note.body.undoes] : [])));
    return bestSettings(
      notebook.notes.flatMap((note) => {
        if (note.kind !== 'settings' || note.voided || undone.has(note.body.id)) return [];
        const { id, machineId: machine, values, moisture, dirt, lotId: where } = note.body;
        const field = farm.lot(where);
        return [{ id, machine, crop: field?.crop ?? '', variety: field?.variety ?? '', moisture: moisture ?? null, values, loss: loss.get(id) ?? null, dirt: dirt ?? null }];
      }),
      { machine: machineId, crop: lot?.crop ?? '', variety: lot?.variety ?? '', moisture: row?.lastMoisture?.moisture ?? null },
    ).slice(0, 3);
  }, [farm, notebook, machineId, lot, row]);
  const trail = trailOf(farm, notebook, machineId, lotId);
  return (
    <div>
      <div className="grid lg:grid-cols-2">
        <section aria-label="Now set" className="px-5 py-5 lg:px-6">
          <div className="flex flex-wrap items-center justify-between gap-3">
            <h2 className="text-xl">Now set</h2>
            <Button look="do" onClick={() => setChanging({ values: current?.body.values ?? {}, why: '', concaveType: current?.body.concaveType })}>
              {current ? 'Change a setting' : 'Write the first sheet'}
            </Button>
          </div>
          {current ? (
            <>
              <Values values={current.body.values} profileRanges={rangesOf(profile)} />
              <p className="mt-2 text-sm text-muted">
                {current.body.concaveType ? `${current.body.concaveType} concave; ` : ''}
                {farm.lot(current.body.lotId)?.fieldName}, {day(current.body.at, timeZone)} {clock(current.body.at, timeZone)}, {current.by}:{' '}
                {current.body.why || 'no reason given'}
              </p>
            </>
          ) : (
            <p className="mt-2 text-muted">Nobody wrote down how this machine is set.</p>
          )}
        </section>
        <section aria-label="Last time" className="border-t border-ink px-5 py-5 lg:border-t-0 lg:border-l lg:px-6">
          <SelectBox label="Best so far for" value={lotId} onChange={(event) => setLotId(event.target.value)}>
            {[...farm.data.lots].reverse().map((one) => (
              <option key={one.id} value={one.id}>
                {one.fieldName}: {cropOf(one.crop)?.short ?? one.crop} {one.variety} {one.season}
              </option>
            ))}
          </SelectBox>
          {ranked.length > 0 ? (
            <ol className="mt-3 divide-y divide-rule border-y border-rule">
              {ranked.map((one, i) => (
                <Best
                  key={one.record.id}
                  farm={farm}
                  one={one}
                  place={i}
                  now={current?.body.values}
                  onTake={() => setChanging({ values: one.record.values, why: 'as it was best last time' })}
                  body={bodyOf(notebook, one.record.id)}
                  timeZone={timeZone}
                />
              ))}
            </ol>
          ) : (
            <Usual crop={lot?.crop ?? ''} onTake={(values) => setChanging({ values, why: 'usual range; nothing of our own yet' })} />
          )}
        </section>
      </div>
      <section aria-label="Settings log" className="border-t border-ink px-5 py-5 lg:px-6">
        <h2 className="text-xl">The log in {lot?.fieldName ?? 'this field'}</h2>
        {trail.length === 0 ? <p className="mt-1 text-muted">Nothing was set here yet.</p> : <LogTable farm={farm} notebook={notebook} trail={trail} timeZone={timeZone} />}
      </section>
      {changing && (
        <ChangeSheet
          farm={farm}
          machineId={machineId}
          lotId={lotId}
          start={changing}
          profile={profile}
          moisture={row?.lastMoisture?.moisture ?? null}
          onClose={() => setChanging(null)}
        />
      )}
    </div>
  );
}

const bodyOf = (notebook: CutGiven['notebook'], id: string): SettingsBody | undefined =>
  notebook.notes.flatMap((note) => (note.kind === 'settings' && note.body.id === id ? [note.body] : []))[0];

function Values({ values, profileRanges }: { values: Settings; profileRanges: Readonly<Partial<Record<Setting, readonly [number, number]>>> }) {
  return (
    <table className="mt-3 w-full" aria-label="Settings now">
      <tbody>
        {valuesOf(values).map(([name, value]) => {
          const range = profileRanges[name];
          const at = range && range[1] > range[0] ? Math.min(1, Math.max(0, (value - range[0]) / (range[1] - range[0]))) : null;
          return (
            <tr key={name} className="border-t border-rule first:border-t-0">
              <th scope="row" className="py-1.5 pr-3 text-left font-normal">
                {SHOWN[name].label}
              </th>
              <td className="text-right text-xl font-bold whitespace-nowrap">{settingText(name, value)}</td>
              <td className="w-36 pl-4">
                {at !== null && (
                  <span className="relative block h-3 border border-ink" title={`${settingText(name, range![0])} to ${settingText(name, range![1])}`}>
                    <span className="absolute -top-1 -bottom-1 w-1 bg-clay" style={{ left: `calc(${100 * at}% - 2px)` }} />
                  </span>
                )}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

function Best({
  farm,
  one,
  place,
  body,
  timeZone,
  now,
  onTake,
}: {
  farm: Farm;
  one: RankedSettings;
  place: number;
  body: SettingsBody | undefined;
  timeZone: string;
  now: Settings | undefined;
  onTake: () => void;
}) {
  const { record } = one;
  const differs = changedSettings(now ?? {}, record.values).filter(({ to }) => to !== null);
  const lot = farm.lot(body?.lotId ?? '');
  return (
    <li className="py-2.5">
      <p className="flex flex-wrap items-baseline gap-x-3">
        <span className={place === 0 ? 'text-2xl font-bold' : 'font-bold'}>{record.loss === null ? 'not counted' : `${record.loss.toFixed(1)} bu/ac lost`}</span>
        <span className="text-muted">
          {lot?.fieldName}, {record.variety || 'variety not known'}
          {record.moisture === null ? '' : `, ${formatMoisture(record.moisture)} %`}
          {body ? `, ${day(body.at, timeZone)}` : ''}. Judged by: {one.judgedBy}
          {record.dirt === null ? '' : ` (tank ${record.dirt} of 5)`}.
        </span>
      </p>
      <p>
        {differs.length === 0
          ? '● As it is set now.'
          : differs.map(({ setting, to }) => `${SHOWN[setting].label.toLowerCase()} ${settingText(setting, to)}`).join(', ') + (now ? '; the rest as now.' : '')}
      </p>
      {differs.length > 0 && (
        <Button look="quiet" className="!px-0 text-sm" onClick={onTake}>
          Set it like this
        </Button>
      )}
    </li>
  );
}

function Usual({ crop, onTake }: { crop: string; onTake: (values: Settings) => void }) {
  const usual = (USUAL_SETTINGS as Readonly<Record<string, Readonly<Partial<Record<Setting, readonly [number, number]>>>>>)[crop];
  if (!usual) return <p className="mt-3 text-muted">Neither this farm nor the trade has ranges for this crop here: the machine&rsquo;s own book.</p>;
  const middle = Object.fromEntries(Object.entries(usual).map(([name, [least, most]]) => [name, Math.round((least + most) / 2)]));
  return (
    <div className="mt-3">
      <p className="font-semibold">◐ Nothing of your own for this crop yet. Usual ranges of the trade, no record of this farm:</p>
      <ul className="mt-1">
        {(Object.entries(usual) as [Setting, readonly [number, number]][]).map(([name, [least, most]]) => (
          <li key={name}>
            {SHOWN[name].label}: {settingText(name, least)} to {settingText(name, most)}
          </li>
        ))}
      </ul>
      <p className="text-sm text-muted">Axial machines; the machine&rsquo;s own book comes first.</p>
      <Button className="mt-2" onClick={() => onTake(middle)}>
        Begin in the middle
      </Button>
    </div>
  );
}

function LogTable({ farm, notebook, trail, timeZone }: { farm: Farm; notebook: CutGiven['notebook']; trail: readonly TrailStep[]; timeZone: string }) {
  return (
    <div className="overflow-x-auto">
      <table className="mt-2 w-full min-w-[46rem]">
        <thead className="border-y border-ink text-left text-sm">
          <tr>
            <th className="py-1.5 pr-2">When</th>
            <th className="px-2">What was changed</th>
            <th className="px-2">Why</th>
            <th className="px-2 text-right">Moisture</th>
            <th className="px-2">Lost</th>
            <th className="py-1.5 pl-2">What it did</th>
          </tr>
        </thead>
        <tbody>
          {[...trail].reverse().map((step) => {
            const body = bodyOf(notebook, step.sheet.id);
            return (
              <tr key={step.sheet.id} className="border-b border-rule align-top">
                <td className="py-1.5 pr-2 whitespace-nowrap">
                  {day(step.sheet.atMs, timeZone)} <b>{clock(step.sheet.atMs, timeZone)}</b>
                </td>
                <td className="px-2">{changeWords(step)}</td>
                <td className="px-2 text-muted">{body?.why}</td>
                <td className="px-2 text-right whitespace-nowrap">{body?.moisture === undefined ? '' : `${formatMoisture(body.moisture)} %`}</td>
                <td className="px-2 whitespace-nowrap">
                  {step.check ? `${step.check.check.parts.machine!.bushelsPerAcre.toFixed(1)} bu/ac` : <span className="text-muted">not counted</span>}
                </td>
                <td className="py-1.5 pl-2">{outcomeWords(step)}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <p className="mt-1 text-sm text-muted">{farm.data.farm.name} judges a change by counts before and after it, never by a jump of the yield on other ground.</p>
    </div>
  );
}

const LOOKS = ['1', '2', '3', '4', '5'] as const;

/** A new sheet: the whole of it each time, so that any of them can be gone back to. */
function ChangeSheet({
  farm,
  machineId,
  lotId,
  start,
  profile,
  moisture,
  onClose,
}: {
  farm: Farm;
  machineId: string;
  lotId: string;
  start: { readonly values: Settings; readonly why: string; readonly concaveType?: string | undefined };
  profile: { readonly concaves?: string[]; readonly ranges: Record<string, [number, number]> } | undefined;
  moisture: number | null;
  onClose: () => void;
}) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const recorded = useRecorded();
  const id = useRef(ulid());
  const [texts, setTexts] = useState<Record<string, string>>(() =>
    Object.fromEntries(valuesOf(start.values).map(([name, value]) => [name, String(Math.round(SHOWN[name].show(value) * 10) / 10)])),
  );
  const [why, setWhy] = useState(start.why);
  const [concave, setConcave] = useState(start.concaveType ?? '');
  const [wet, setWet] = useState(moisture === null ? '' : formatMoisture(moisture));
  const [dirt, setDirt] = useState<'' | (typeof LOOKS)[number]>('');
  const [wrong, setWrong] = useState<Record<string, string>>({});
  const save = async (): Promise<void> => {
    const errors: Record<string, string> = {};
    const values: Record<string, number> = {};
    for (const name of Object.keys(SETTINGS) as Setting[]) {
      const text = texts[name] ?? '';
      if (text.trim() === '') continue;
      const typed = parseNumber(text);
      const was = start.values[name];
      // Rounding for the screen is no change.
      const value = was !== undefined && text === String(Math.round(SHOWN[name].show(was) * 10) / 10) ? was : SHOWN[name].read(typed);
      const [least, most] = profile?.ranges[name] ?? [SETTINGS[name].least, SETTINGS[name].most];
      const slack = 1e-9 + Math.abs(most) * 1e-6;
      if (Number.isNaN(typed) || value < least - slack || value > most + slack) errors[name] = `${settingText(name, least)} to ${settingText(name, most)}`;
      else values[name] = value;
    }
    if (Object.keys(values).length === 0 && Object.keys(errors).length === 0) errors.why = 'At least one setting, and why';
    if (why.trim() === '') errors.why = 'Say why: next year it is the only thing that helps';
    const m = readMoisture(wet);
    if (m.error) errors.moisture = m.error;
    setWrong(errors);
    if (Object.keys(errors).length > 0) return;
    const body = {
      id: id.current,
      at: new Date(farm.clock()).toISOString(),
      machineId,
      lotId,
      values,
      why: why.trim(),
      ...(concave ? { concaveType: concave } : {}),
      ...(m.value === undefined ? {} : { moisture: m.value }),
      ...(dirt ? { dirt: Number(dirt) } : {}),
    };
    if (!(await sending.send(() => post<{ noteId: string }>(`/farms/${farm.id}/notes/settings`, body)))) return;
    recorded('Settings written down', `notes/${id.current}`);
    await refresh();
    onClose();
  };
  return (
    <FormSheet title="Settings" button="Write it down" busy={sending.busy} problem={sending.message} onSubmit={save} onClose={onClose}>
      <p className="text-muted">In {farm.lot(lotId)?.fieldName}. One change at a time, then a count: two at once teach nothing.</p>
      <div className="grid grid-cols-2 gap-3">
        {(Object.keys(SETTINGS) as Setting[]).map((name) => (
          <TextBox
            key={name}
            label={SHOWN[name].label}
            unit={SHOWN[name].unit}
            inputMode="decimal"
            value={texts[name] ?? ''}
            error={wrong[name]}
            onChange={(event) => setTexts({ ...texts, [name]: event.target.value })}
          />
        ))}
        <SelectBox label="Concave or cover plates" value={concave} onChange={(event) => setConcave(event.target.value)}>
          <option value="">not said</option>
          {[...new Set([...(profile?.concaves ?? []), ...(concave ? [concave] : [])])].map((name) => (
            <option key={name}>{name}</option>
          ))}
        </SelectBox>
      </div>
      <TextBox label="Why" maxLength={200} value={why} error={wrong.why ?? sending.at.why} onChange={(event) => setWhy(event.target.value)} />
      <TextBox label="Moisture" unit="%" inputMode="decimal" value={wet} error={wrong.moisture ?? sending.at.moisture} onChange={(event) => setWet(event.target.value)} />
      <Choices
        label="Look of the tank: 1 clean, 5 full of trash"
        value={dirt}
        onChange={setDirt}
        choices={[{ value: '' as const, label: 'not said' }, ...LOOKS.map((look) => ({ value: look, label: look }))]}
      />
    </FormSheet>
  );
}
