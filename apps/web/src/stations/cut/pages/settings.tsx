import {
  bestSettings,
  changedSettings,
  checksOf,
  type CombineProfile,
  cropOf,
  likelyLot,
  living,
  rangesOf,
  type RankedSettings,
  type Setting,
  SETTING_NAMES,
  type Settings,
  SETTINGS_ENTRY,
  settingsEntriesOf,
  type SettingsEntry,
  type TrailStep,
  USUAL_SETTINGS,
  valuesOf,
  valuesOfSheet,
} from '@fanega/core';
import { useMemo, useState } from 'react';
import { ulid } from 'ulid';
import { type Farm, useRefreshFarm, useSheetQuality } from '../../../data/farm';
import { Below } from '../../../ui/below';
import { Button, Choices, SelectBox, TextBox } from '../../../ui';
import { type Column, DataTable } from '../../../ui/table';
import { figureColumn, momentColumn, wordColumn } from '../../../widgets/columns';
import { oneOf, rows } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { moistureBox, textBox } from '../../../widgets/record-boxes';
import { settingBox, settingTyped } from '../forms/setting-box';
import { loss, moisture as wetness, percent, system } from '../../../quantity/quantity';
import { useRecorded } from '../../../widgets/take-back';
import { clock, day } from '../../../quantity/time';
import { qualityText, Samples } from './samples';
import { changeWords, outcomeWords, trailOf } from './trail';
import { type CutGiven, SHOWN, settingText } from '../words';
import { logged } from '../../../data/records';
import { write } from '../../../data/outbox';
import { Section } from '../../../ui/page';

/** How the machine stands, what was best last time, and every change with what it did. */
export function SettingsLog({ farm, notebook, rows, machineId }: CutGiven) {
  const [lotId, setLotId] = useState(() => likelyLot(farm, notebook, rows, machineId));
  const [changing, setChanging] = useState<{
    readonly values: Settings;
    readonly why: string;
    readonly concaveType?: string | undefined;
  } | null>(null);
  const { timeZone } = farm.data.farm;
  const sheets = settingsEntriesOf(notebook, machineId);
  const current = sheets[0];
  const lot = farm.lot(lotId);
  const row = rows.find((r) => r.lot.id === lotId);
  const profile = notebook.settings.combineProfile[machineId]?.value;
  const said = useSheetQuality().data;
  const quality = useMemo(() => new Map((said ?? []).map((one) => [one.sheetId, one])), [said]);
  const lossOf = useMemo(
    () =>
      new Map(
        checksOf(farm, notebook, null)
          .reverse()
          .map(({ body, check }) => [body.settingsId ?? '', check.parts.machine!.bushelsPerAcre]),
      ),
    [farm, notebook],
  );
  const neighbors = useMemo(() => living<'neighborSheets'>(notebook.logs.neighborSheets), [notebook]);
  const sheetsOfCrop = useMemo(
    () =>
      living(notebook.logs.settingsEntry)
        .map(({ body }) => body)
        .filter((body) => farm.lot(body.lotId)?.crop === lot?.crop),
    [farm, notebook, lot],
  );
  const ranked = useMemo(() => {
    const kept = living(notebook.logs.settingsEntry);
    const undone = new Set(kept.flatMap(({ body }) => body.undoes ?? []));
    const theirs = neighbors.flatMap(({ body: { id, from, sheets } }) =>
      sheets.map((sheet, i) => ({
        id: `${id} ${i}`,
        from,
        machine: sheet.machine,
        crop: sheet.crop,
        variety: sheet.variety,
        moisture: sheet.moisture ?? null,
        values: valuesOfSheet(sheet),
        loss: sheet.lossBu ?? null,
        dirt: null,
        sample: { ...(sheet.fines === undefined ? {} : { fines: sheet.fines }), ...(sheet.cracked === undefined ? {} : { cracked: sheet.cracked }), ...(sheet.foreign === undefined ? {} : { foreign: sheet.foreign }) }, // prettier-ignore
      })),
    );
    const own = kept.flatMap(({ body }) => {
      const { id, machineId: machine, values, moisture, dirt, lotId: where } = body;
      if (undone.has(id)) return [];
      const field = farm.lot(where);
      return [
        {
          id,
          machine,
          crop: field?.crop ?? '',
          variety: field?.variety ?? '',
          moisture: moisture ?? null,
          values,
          loss: lossOf.get(id) ?? null,
          dirt: dirt ?? null,
          ...(quality.has(id) ? { sample: quality.get(id)!.figures } : {}),
        },
      ];
    });
    return bestSettings([...own, ...theirs], {
      machine: machineId,
      crop: lot?.crop ?? '',
      variety: lot?.variety ?? '',
      moisture: row?.lastMoisture?.moisture ?? null,
    }).slice(0, 3);
  }, [farm, notebook, machineId, lot, row, neighbors, quality, lossOf]);
  const given = living(notebook.logs.settingsEntry).map(({ body }) => ({
    machine: farm.placeName(body.machineId),
    crop: farm.lot(body.lotId)?.crop ?? '',
    variety: farm.lot(body.lotId)?.variety ?? '',
    moisture: body.moisture ?? null,
    lossBu: lossOf.get(body.id) ?? null,
    figures: quality.get(body.id)?.figures ?? {},
    note: body.why,
    values: body.values,
  }));
  const trail = trailOf(farm, notebook, machineId, lotId);
  return (
    <div>
      <div className="grid lg:grid-cols-2">
        <Section label="Now set">
          <div className="flex flex-wrap items-center justify-between gap-3">
            <h2 className="text-xl">Now set</h2>
            <Button
              look="do"
              onClick={() =>
                setChanging({ values: current?.body.values ?? {}, why: '', concaveType: current?.body.concaveType })
              }
            >
              {current ? 'Change a setting' : 'Write the first sheet'}
            </Button>
          </div>
          {current ? (
            <>
              <Values values={current.body.values} profileRanges={rangesOf(profile)} />
              <p className="mt-2 text-sm text-muted">
                {current.body.concaveType ? `${current.body.concaveType} concave; ` : ''}
                {farm.lot(current.body.lotId)?.fieldName}, {day(current.body.at, timeZone)}{' '}
                {clock(current.body.at, timeZone)}, {current.by}: {current.body.why || 'no reason given'}
              </p>
            </>
          ) : (
            <p className="mt-2 text-muted">No settings recorded for this machine yet.</p>
          )}
        </Section>
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
            <Usual
              crop={lot?.crop ?? ''}
              onTake={(values) => setChanging({ values, why: 'usual range; nothing of our own yet' })}
            />
          )}
        </section>
      </div>
      <Below>
        <Samples
          farm={farm}
          machineId={machineId}
          lotId={lotId}
          current={current?.body}
          sheets={sheetsOfCrop}
          quality={quality}
          given={given}
          neighbors={neighbors}
          onTake={(values, why) => setChanging({ values, why })}
        />
      </Below>
      <Below>
        <section aria-label="Settings log" className="border-t border-ink px-5 py-5 lg:px-6">
          <h2 className="text-xl">The log in {lot?.fieldName ?? 'this field'}</h2>
          {trail.length === 0 ? (
            <p className="mt-1 text-muted">Nothing was set here yet.</p>
          ) : (
            <LogTable farm={farm} notebook={notebook} trail={trail} timeZone={timeZone} />
          )}
        </section>
      </Below>
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

const bodyOf = (notebook: CutGiven['notebook'], id: string): SettingsEntry | undefined =>
  notebook.logs.settingsEntry.find(({ body }) => body.id === id)?.body;

function Values({
  values,
  profileRanges,
}: {
  values: Settings;
  profileRanges: Readonly<Partial<Record<Setting, readonly [number, number]>>>;
}) {
  return (
    <table className="mt-3 w-full" aria-label="Settings now">
      <tbody>
        {valuesOf(values).map(([name, value]) => {
          const range = profileRanges[name];
          const at =
            range && range[1] > range[0] ? Math.min(1, Math.max(0, (value - range[0]) / (range[1] - range[0]))) : null;
          return (
            <tr key={name} className="border-t border-rule first:border-t-0">
              <th scope="row" className="py-1.5 pr-3 text-left font-normal">
                {SHOWN[name].label}
              </th>
              <td className="text-right text-xl font-bold whitespace-nowrap">{settingText(name, value)}</td>
              <td className="w-36 pl-4">
                {at !== null && (
                  <span
                    className="relative block h-3 border border-ink"
                    title={`${settingText(name, range![0])} to ${settingText(name, range![1])}`}
                  >
                    <span
                      className="absolute -top-1 -bottom-1 w-1 bg-clay"
                      style={{ left: `calc(${100 * at}% - 2px)` }}
                    />
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
  body: SettingsEntry | undefined;
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
        <span className={place === 0 ? 'text-2xl font-bold' : 'font-bold'}>
          {record.loss === null ? 'not counted' : `${loss(record.loss, farm.kgPerBu(lot?.crop ?? record.crop))} lost`}
        </span>
        <span className="text-muted">
          {record.from === undefined ? lot?.fieldName : `${record.from}’s ${record.machine || 'combine'}`},{' '}
          {record.variety || 'variety not known'}
          {record.moisture === null ? '' : `, ${percent(record.moisture)}`}
          {body ? `, ${day(body.at, timeZone)}` : ''}. Judged by: {one.judgedBy}
          {record.sample && qualityText({ figures: record.sample }) !== ''
            ? ` (${qualityText({ figures: record.sample })})`
            : record.dirt === null
              ? ''
              : ` (tank ${record.dirt} of 5)`}
          .
        </span>
      </p>
      <p>
        {differs.length === 0
          ? '● As it is set now.'
          : differs
              .map(({ setting, to }) => `${SHOWN[setting].label.toLowerCase()} ${settingText(setting, to)}`)
              .join(', ') + (now ? '; the rest as now.' : '')}
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
  const usual = (
    USUAL_SETTINGS as Readonly<Record<string, Readonly<Partial<Record<Setting, readonly [number, number]>>>>>
  )[crop];
  if (!usual)
    return (
      <p className="mt-3 text-muted">
        Neither this farm nor the trade has ranges for this crop here: the machine&rsquo;s own book.
      </p>
    );
  const middle = Object.fromEntries(
    Object.entries(usual).map(([name, [least, most]]) => [name, Math.round((least + most) / 2)]),
  );
  return (
    <div className="mt-3">
      <p className="font-semibold">
        ◐ Nothing of your own for this crop yet. Usual ranges of the trade, no record of this farm:
      </p>
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

function LogTable({
  farm,
  notebook,
  trail,
  timeZone,
}: {
  farm: Farm;
  notebook: CutGiven['notebook'];
  trail: readonly TrailStep[];
  timeZone: string;
}) {
  const perOf = (entryId: string): number => farm.kgPerBu(farm.lot(bodyOf(notebook, entryId)?.lotId ?? '')?.crop);
  const columns: Column<TrailStep>[] = [
    momentColumn('when', 'When', ({ entry }) => entry.atMs, timeZone, { phone: 'title' }),
    wordColumn('changed', 'What was changed', changeWords),
    wordColumn('why', 'Why', ({ entry }) => bodyOf(notebook, entry.id)?.why ?? '', {
      as: (words) => <span className="text-muted">{words}</span>,
    }),
    figureColumn('moisture', 'Moisture', wetness, ({ entry }) => bodyOf(notebook, entry.id)?.moisture),
    figureColumn('loss', 'Lost', loss, ({ check }) => check?.check.parts.machine?.bushelsPerAcre, {
      per: ({ entry }) => perOf(entry.id),
      phone: 'verdict',
      show: ({ check, entry }) =>
        check ? (
          loss(check.check.parts.machine!.bushelsPerAcre, perOf(entry.id)).text
        ) : (
          <span className="text-muted">not counted</span>
        ),
    }),
    {
      id: 'did',
      head: 'What it did',
      value: ({ verdict }) => verdict,
      show: (step) => outcomeWords(step, perOf(step.entry.id)),
    },
  ];
  return (
    <DataTable
      name="Changes of settings"
      one="change"
      many="changes"
      rows={[...trail].reverse()}
      columns={columns}
      rowId={({ entry }) => entry.id}
    />
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
  profile: CombineProfile | undefined;
  moisture: number | null;
  onClose: () => void;
}) {
  const refresh = useRefreshFarm(farm.id);
  const recorded = useRecorded();
  const [id] = useState(ulid);
  const { fields } = SETTINGS_ENTRY;
  const ranges = rangesOf(profile);
  const form = useFields({
    keptAs: `settings.${farm.id}.${machineId}.${lotId}.${system()}`,
    boxes: {
      values: rows((i) => {
        const name = SETTING_NAMES[i]!;
        return { is: settingBox(name, { was: start.values[name], range: ranges[name] }) };
      }),
      concaveType: oneOf<string>(),
      why: textBox(fields.why, 'Say why: next year it is the only thing that helps'),
      moisture: moistureBox(),
      dirt: oneOf<'' | (typeof LOOKS)[number]>(),
    },
    start: () => ({
      values: SETTING_NAMES.map((name) => ({ is: settingTyped(name, start.values[name]) })),
      concaveType: start.concaveType ?? '',
      why: start.why,
      moisture: wetness.text(moisture),
      dirt: '' as const,
    }),
    together: ({ values }): Record<string, string> =>
      values.every(({ is }) => is === undefined) ? { why: 'At least one setting, and why' } : {},
    close: onClose,
    save: async ({ values, concaveType, why, moisture: wet, dirt }) => {
      const body = {
        id,
        at: new Date(farm.clock()).toISOString(),
        machineId,
        lotId,
        values: Object.fromEntries(
          SETTING_NAMES.flatMap((name, i) => (values[i]!.is === undefined ? [] : [[name, values[i]!.is]])),
        ),
        why,
        ...(concaveType ? { concaveType } : {}),
        ...(wet === undefined ? {} : { moisture: wet }),
        ...(dirt ? { dirt: Number(dirt) } : {}),
      };
      await write(farm.id, logged(farm.id, 'settingsEntry', body), 'combine settings');
      recorded('Settings written down', 'settingsEntry', id);
      await refresh();
    },
  });
  const concaves = [...new Set([...(profile?.concaves ?? []), ...(start.concaveType ? [start.concaveType] : [])])];
  return (
    <FormDrawer form={form} title="Settings" button="Write it down">
      <p className="text-muted">
        In {farm.lot(lotId)?.fieldName}. One change at a time, then a count: two at once teach nothing.
      </p>
      <div className="grid grid-cols-2 gap-3">
        {SETTING_NAMES.map((name, i) => (
          <TextBox key={name} label={SHOWN[name].label} {...form.box(`values.${i}.is`)} />
        ))}
        <SelectBox label="Concave or cover plates" {...form.box('concaveType')}>
          <option value="">not said</option>
          {concaves.map((name) => (
            <option key={name}>{name}</option>
          ))}
        </SelectBox>
      </div>
      <TextBox label="Why" {...form.box('why')} />
      <TextBox label="Moisture" {...form.box('moisture')} />
      <Choices
        label="Look of the tank: 1 clean, 5 full of trash"
        {...form.choice('dirt')}
        choices={[{ value: '' as const, label: 'not said' }, ...LOOKS.map((look) => ({ value: look, label: look }))]}
      />
    </FormDrawer>
  );
}
