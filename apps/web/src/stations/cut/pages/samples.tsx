import {
  type GivenSheet,
  ledBack,
  type LogEntry,
  SAMPLE_FACTORS,
  type SampleQuality,
  sheetRows,
  type Settings,
  type SettingsEntry,
} from '@fanega/core';
import { useState } from 'react';
import type { Farm } from '../../../data/farm';
import { number, percent } from '../../../quantity/quantity';
import { day } from '../../../quantity/time';
import { Button } from '../../../ui';
import { csvFile, csvOf, saveFile } from '../../../ui/table/csv';
import { Section } from '../../../ui/page';
import { Verdict } from '../../../ui/verdict';
import { TakeBack } from '../../../widgets/take-back';
import { GrainSampleForm } from '../forms/grain-sample';
import { NeighborFile } from '../forms/neighbor-file';
import { ADVICE_CAUTION, SAMPLE_WORDS, settingText, SHOWN } from '../words';

/** "4.1 % fines, 0.6 % foreign". */
export const qualityText = ({ figures }: Pick<SampleQuality, 'figures'>): string =>
  SAMPLE_FACTORS.flatMap((factor) =>
    figures[factor] === undefined ? [] : [`${percent(figures[factor] / 100)} ${SAMPLE_WORDS[factor].toLowerCase()}`],
  ).join(', ');

/** What the samples and the buyers' tickets say of how the machine is set, and which setting a bad one leads back to. */
export function Samples({
  farm,
  machineId,
  lotId,
  current,
  sheets,
  quality,
  given,
  neighbors,
  onTake,
}: {
  farm: Farm;
  machineId: string;
  lotId: string;
  current: SettingsEntry | undefined;
  /** of all machines in this crop, newest first */
  sheets: readonly SettingsEntry[];
  quality: ReadonlyMap<string, SampleQuality>;
  /** own sheets as a neighbor is given them */
  given: readonly GivenSheet[];
  neighbors: readonly LogEntry<'neighborSheets'>[];
  onTake: (values: Settings, why: string) => void;
}) {
  const [open, setOpen] = useState<'sample' | 'neighbor' | null>(null);
  const { timeZone } = farm.data.farm;
  const now = current && quality.get(current.id);
  const [worst, ...others] = current ? ledBack(current, sheets, quality) : [];
  const save = (): void => {
    const [heads = [], ...rows] = sheetRows(given);
    const columns = heads.map((head, i) => ({ head, text: (row: readonly string[]) => row[i] ?? '' }));
    saveFile('combine-settings.csv', csvFile(csvOf(columns, rows)));
  };
  return (
    <Section label="What the samples say" className="border-t border-ink px-5 py-5 lg:px-6">
      <div className="flex flex-wrap items-start justify-between gap-4">
        <h2 className="text-xl">What the samples say</h2>
        <Button onClick={() => setOpen('sample')}>Record a sample</Button>
      </div>
      {worst ? (
        <div className="mt-2 max-w-4xl">
          <Verdict small bad about={`${SAMPLE_WORDS[worst.factor]} as it is set now`} figure={percent(worst.now / 100)} unit={`${SAMPLE_WORDS[worst.factor].toLowerCase()}; it was ${percent(worst.then / 100)}`}>
            {`On ${day(worst.sheet.at, timeZone)} in ${farm.lot(worst.sheet.lotId)?.fieldName ?? 'another field'} with ${worst.changed.map(({ setting, to }) => `${SHOWN[setting].label.toLowerCase()} ${settingText(setting, to)}`).join(', ')}.`}
            {worst.changed.length > 1 ? ' Several things were set otherwise: no telling which of them did it, so change one at a time.' : ''}
          </Verdict>
          <p className="mt-2 text-sm text-muted">{ADVICE_CAUTION}</p>
          <Button className="mt-2" onClick={() => onTake({ ...current!.values, ...(worst.changed.length === 1 ? { [worst.changed[0]!.setting]: worst.changed[0]!.to } : worst.sheet.values) }, `${SAMPLE_WORDS[worst.factor].toLowerCase()} ${percent(worst.now / 100)}`)}>
            Set it like this
          </Button>
          {others.map(({ factor, now: own, then, sheet }) => (
            <p key={factor} className="mt-2">
              ◐ {SAMPLE_WORDS[factor]} {percent(own / 100)} now, {percent(then / 100)} on {day(sheet.at, timeZone)}.
            </p>
          ))}
        </div>
      ) : (
        <p className="mt-1 max-w-4xl">
          {now && qualityText(now) !== ''
            ? `● As it is set now: ${qualityText(now)} (${number(now.samples)} ${now.samples === 1 ? 'sample' : 'samples'}, ${number(now.tickets)} ${now.tickets === 1 ? 'ticket' : 'tickets'}); no other sheet in this crop was cleaner.`
            : 'No sample and no ticket with foreign material, splits or broken of what was cut as it is set now. A handful out of the tank, sieved, takes two minutes.'}
        </p>
      )}
      <p className="mt-2 text-sm text-muted">
        A ticket counts for each sheet by the grain in it. Damage and heat are of the field and the bin, and are left out.
      </p>
      <div className="mt-4 border-t border-rule pt-3">
        <h3 className="font-semibold">Neighbors</h3>
        {neighbors.length > 0 && (
          <ul aria-label="Neighbors’ settings" className="divide-y divide-rule">
            {neighbors.map(({ body }) => (
              <li key={body.id} className="py-1.5">
                <b>{body.from}</b>: {number(body.sheets.length)} {body.sheets.length === 1 ? 'sheet' : 'sheets'} from {body.file}, {day(body.at, timeZone)} <TakeBack of="neighborSheets" id={body.id} />
              </li>
            ))}
          </ul>
        )}
        <div className="mt-2 flex flex-wrap gap-3">
          <Button onClick={() => setOpen('neighbor')}>Take in a neighbor’s settings</Button>
          <Button disabled={given.length === 0} onClick={save}>
            Give ours to a neighbor
          </Button>
        </div>
      </div>
      {open === 'sample' && <GrainSampleForm farm={farm} machineId={machineId} lotId={lotId} onClose={() => setOpen(null)} />}
      {open === 'neighbor' && <NeighborFile farm={farm} known={neighbors} onClose={() => setOpen(null)} />}
    </Section>
  );
} // prettier-ignore
