import { currentSeason } from '@fanega/core';
import { useState } from 'react';
import { ulid } from 'ulid';
import type { Farm } from '../../../data/farm';
import { keepTester, usualTester } from '../../../data/usual-tester';
import type { Command } from '../../../data/api';
import { logged } from '../../../data/records';
import { SelectBox, TextBox } from '../../../ui';
import { typed } from '../../../widgets/number-pad';
import { percent, readMoisture } from '../../../quantity/quantity';
import { PadDrawer } from './pad-drawer';

/** A reading from the cab: the field that is cut, a number, done. */
export function ReadMoisture({
  farm,
  lotId,
  onClose,
  onKeep,
}: {
  farm: Farm;
  lotId: string | undefined;
  onClose: () => void;
  onKeep: (command: Command, what: string) => void;
}) {
  const season = currentSeason(farm.data.lots);
  const lots = farm.data.lots.filter((one) => one.season === season);
  const [fieldId, setField] = useState(farm.lot(lotId ?? '')?.fieldId ?? lots[0]?.fieldId ?? '');
  const [tester, setTester] = useState(usualTester() ?? '');
  const [text, setText] = useState('');
  const [tried, setTried] = useState(false);
  const { value, error } = readMoisture(text);
  const save = (): void => {
    setTried(true);
    if (value === undefined) return;
    keepTester(tester.trim());
    const name = lots.find((lot) => lot.fieldId === fieldId)?.fieldName ?? '';
    const body = {
      id: ulid(),
      fieldId,
      at: new Date(farm.clock()).toISOString(),
      moisture: value,
      source: 'hand' as const,
      ...(tester.trim() === '' ? {} : { tester: tester.trim() }),
    };
    onKeep(logged(farm.id, 'reading', body), `${name} read ${percent(value)}`);
  };
  return (
    <PadDrawer
      title="Moisture reading"
      button="Keep the reading"
      onKey={(key) => setText(typed(text, key, false))}
      onSubmit={save}
      onClose={onClose}
    >
      <SelectBox label="Field" value={fieldId} onChange={(event) => setField(event.target.value)}>
        {lots.map((lot) => (
          <option key={lot.id} value={lot.fieldId}>
            {lot.tag} {lot.fieldName}
          </option>
        ))}
      </SelectBox>
      <div className="grid grid-cols-2 gap-3">
        <TextBox
          label="Moisture"
          unit="%"
          inputMode="none"
          value={text}
          error={tried ? (error ?? (value === undefined ? 'The moisture is missing' : undefined)) : undefined}
          onChange={(event) => setText(event.target.value)}
        />
        <TextBox
          label="Tester"
          maxLength={40}
          hint="which one, if any"
          value={tester}
          onChange={(event) => setTester(event.target.value)}
        />
      </div>
    </PadDrawer>
  );
}
