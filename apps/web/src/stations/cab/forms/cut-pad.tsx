import { CROPS, type LotInfo } from '@fanega/core';
import { useState } from 'react';
import { ulid } from 'ulid';
import type { Farm } from '../../../data/farm';
import { Choices, SelectBox, TextBox } from '../../../ui';
import { typed } from '../../../widgets/number-pad';
import {
  displayUnit,
  guessText,
  moisture as wetness,
  readMoisture,
  readWeight,
  type WeightUnit,
  weightUnits,
} from '../../../quantity/quantity';
import { PadDrawer } from './pad-drawer';

type Box = 'weight' | 'moisture';

export interface CutEntry {
  readonly lot: string;
  readonly to: string;
  readonly wetKg: number;
  readonly moisture: number;
  readonly method: 'cartScale' | 'monitor' | 'estimate';
  /** Left out: now. */
  readonly at?: string;
}

/** Rows of somebody else that the farm has no field for yet. */
export interface NewRows {
  readonly id: string;
  readonly owner: string;
  readonly crop: string;
  readonly season: number;
}

/** Is all of it somebody else's? */
const isOthers = (farm: Farm, lot: LotInfo): boolean =>
  lot.shares.length > 0 && lot.shares.every(({ owner }) => owner !== farm.data.farm.name);
const SOMEBODY = 'somebody';

/** A dump off the field: two figures on a pad that gloves can hit, filled in as the last one was. */
export function CutPad({
  farm,
  start,
  onClose,
  onRecord,
  neighbor = false,
}: {
  farm: Farm;
  /** Rows of somebody else, cut in an emergency. */
  neighbor?: boolean;
  start: { readonly lot: string; readonly to: string; readonly wetKg: number; readonly moisture: number };
  onClose: () => void;
  onRecord: (entry: CutEntry, rows?: NewRows) => void;
}) {
  const season = Math.max(...farm.data.lots.map((one) => one.season));
  const lots = farm.data.lots.filter((one) => one.season === season && (!neighbor || isOthers(farm, one)));
  const [lot, setLot] = useState(neighbor ? (lots[0]?.id ?? SOMEBODY) : start.lot);
  const [whose, setWhose] = useState('');
  const [crop, setCrop] = useState(farm.lot(start.lot)?.crop ?? 'corn');
  const isNew = lot === SOMEBODY;
  const kgPerBu = farm.kgPerBu(isNew ? crop : farm.lot(lot)?.crop);
  const [unit, setUnit] = useState<WeightUnit>(displayUnit());
  const [texts, setTexts] = useState<Record<Box, string>>({
    weight: guessText(start.wetKg, displayUnit(), kgPerBu),
    moisture: wetness.figure(start.moisture),
  });
  const [box, setBox] = useState<Box>('weight');
  // What stands there is a guess: the first digit replaces it.
  const [fresh, setFresh] = useState(true);
  const [method, setMethod] = useState<CutEntry['method']>(
    farm.place(start.to)?.kind === 'combine' ? 'monitor' : 'cartScale',
  );
  const [wrong, setWrong] = useState<Partial<Record<Box | 'whose', string>>>({});
  const type = (key: string): void => {
    setTexts({ ...texts, [box]: typed(texts[box], key, fresh) });
    setFresh(false);
    setWrong({});
  };
  const choose = (next: Box): void => {
    setBox(next);
    setFresh(true);
  };
  const save = (): void => {
    const weight = readWeight(texts.weight, unit, kgPerBu);
    const moisture = readMoisture(texts.moisture);
    const errors = {
      ...(weight.kg === undefined ? { weight: weight.error ?? 'How much?' } : {}),
      ...(moisture.value === undefined ? { moisture: moisture.error ?? 'The moisture is missing' } : {}),
      ...(isNew && whose.trim() === '' ? { whose: 'Whose rows? A name or a word will do' } : {}),
    };
    setWrong(errors);
    if (weight.kg === undefined || moisture.value === undefined || errors.whose) return;
    const rows = isNew ? { id: ulid(), owner: whose.trim(), crop, season } : undefined;
    onRecord({ lot: rows?.id ?? lot, to: start.to, wetKg: weight.kg, moisture: moisture.value, method }, rows);
  };
  return (
    <PadDrawer title={`Into ${farm.placeName(start.to)}`} onKey={type} onSubmit={save} onClose={onClose}>
      {(!neighbor || lots.length > 0) && (
        <SelectBox
          label={neighbor ? 'Whose rows' : 'Field'}
          value={lot}
          onChange={(event) => setLot(event.target.value)}
        >
          {lots.map((one) => (
            <option key={one.id} value={one.id}>
              {one.tag} {one.fieldName}
              {one.shares.some(({ owner }) => owner !== farm.data.farm.name)
                ? ` (${one.shares.map(({ owner }) => owner).join(', ')})`
                : ''}
            </option>
          ))}
          {neighbor && <option value={SOMEBODY}>somebody else …</option>}
        </SelectBox>
      )}
      {isNew && (
        <div className="grid grid-cols-[1fr_9rem] gap-3">
          <TextBox
            label={lots.length > 0 ? 'Who' : 'Whose rows'}
            maxLength={60}
            hint="theirs in every load, never the farm’s own"
            value={whose}
            error={wrong.whose}
            onChange={(event) => setWhose(event.target.value)}
          />
          <SelectBox label="Crop" value={crop} onChange={(event) => setCrop(event.target.value)}>
            {Object.values(CROPS).map((one) => (
              <option key={one.id} value={one.id}>
                {one.name}
              </option>
            ))}
          </SelectBox>
        </div>
      )}
      <div className="grid grid-cols-[1fr_8rem] gap-3">
        <TextBox
          label="How much"
          unit={unit}
          inputMode="none"
          value={texts.weight}
          error={wrong.weight}
          onFocus={() => choose('weight')}
          onChange={(event) => setTexts({ ...texts, weight: event.target.value })}
        />
        <TextBox
          label="Moisture"
          unit="%"
          inputMode="none"
          value={texts.moisture}
          error={wrong.moisture}
          onFocus={() => choose('moisture')}
          onChange={(event) => setTexts({ ...texts, moisture: event.target.value })}
        />
      </div>
      <div className="grid grid-cols-2 gap-3">
        <Choices
          label="Unit"
          hidden
          value={unit}
          onChange={setUnit}
          choices={[...weightUnits()].reverse().map((one) => ({ value: one, label: one }))}
        />
        <Choices
          label="Weighed by"
          hidden
          value={method}
          onChange={setMethod}
          choices={[
            { value: 'cartScale', label: 'Cart' },
            { value: 'monitor', label: 'Display' },
            { value: 'estimate', label: 'Guess' },
          ]}
        />
      </div>
      <p className="text-sm text-muted">
        The pad types into <b>{box === 'weight' ? 'how much' : 'the moisture'}</b>.
      </p>
    </PadDrawer>
  );
}
