import { FIELD_NAMES, type LotInfo } from '@fanega/core';
import { ulid } from 'ulid';
import { type Farm, useNotebook } from '../../../data/farm';
import { Choices, SelectBox, TextBox } from '../../../ui';
import { oneOf, words } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { moistureBox, textBox, weightBox } from '../../../widgets/record-boxes';
import { displayUnit, guessText, moisture as wetness, type WeightUnit, weightUnits } from '../../../quantity/quantity';
import { ZoneBox } from '../../../widgets/zone-box';
import { PadDrawer } from './pad-drawer';
import { usePad } from './use-pad';
import { say } from '../../../words';

export interface CutEntry {
  readonly lot: string;
  readonly zone?: string;
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
  start: {
    readonly lot: string;
    readonly zone?: string;
    readonly to: string;
    readonly wetKg: number;
    readonly moisture: number;
  };
  onClose: () => void;
  onRecord: (entry: CutEntry, rows?: NewRows) => void;
}) {
  const season = Math.max(...farm.data.lots.map((one) => one.season));
  const lots = farm.data.lots.filter((one) => one.season === season && (!neighbor || isOthers(farm, one)));
  const parts = useNotebook().data?.settings.fieldZone ?? {};
  // A part of another field that was chosen before is none of this one.
  const isPart = (lotId: string, zone: string): boolean =>
    parts[zone] !== undefined && parts[zone].value.fieldId === farm.lot(lotId)?.fieldId;
  const kgPerBuOf = (lot: string, crop: string): number => farm.kgPerBu(lot === SOMEBODY ? crop : farm.lot(lot)?.crop);
  const form = useFields({
    boxes: {
      lot: oneOf<string>(),
      zone: oneOf<string>(),
      whose: textBox(FIELD_NAMES.owner, say('whoseRowsMissing')),
      crop: oneOf<string>(),
      // Read by the unit that is chosen beside it.
      weight: words(20, say('howMuchQ')),
      unit: oneOf<WeightUnit>(),
      moisture: moistureBox(say('moistureMissing')),
      method: oneOf<CutEntry['method']>(),
    },
    unasked: ({ lot }) => (lot === SOMEBODY ? [] : ['whose']),
    start: () => {
      const lot = neighbor ? (lots[0]?.id ?? SOMEBODY) : start.lot;
      const crop = farm.lot(start.lot)?.crop ?? 'corn';
      return {
        lot,
        zone: start.zone ?? '',
        whose: '',
        crop,
        weight: guessText(start.wetKg, displayUnit(), kgPerBuOf(lot, crop)),
        unit: displayUnit(),
        moisture: wetness.figure(start.moisture),
        method: farm.place(start.to)?.kind === 'combine' ? ('monitor' as const) : ('cartScale' as const),
      };
    },
    together: ({ weight, unit, lot, crop }): Record<string, string> => {
      const { error } = weightBox(unit, kgPerBuOf(lot, crop), say('howMuchQ')).read(weight);
      return error === undefined ? {} : { weight: error };
    },
    close: onClose,
    save: ({ lot, zone, whose, crop, weight, unit, moisture, method }) => {
      const wetKg = weightBox(unit, kgPerBuOf(lot, crop), '').read(weight).value!;
      const rows = lot === SOMEBODY ? { id: ulid(), owner: whose, crop, season } : undefined;
      const part = isPart(lot, zone) ? { zone } : {};
      onRecord({ lot: rows?.id ?? lot, ...part, to: start.to, wetKg, moisture: moisture!, method }, rows);
      return Promise.resolve(false);
    },
  });
  const pad = usePad(form, 'weight');
  const { lot, zone, unit } = form.texts;
  return (
    <PadDrawer form={form} title={say('into', { place: farm.placeName(start.to) })} onKey={pad.onKey}>
      {(!neighbor || lots.length > 0) && (
        <SelectBox label={neighbor ? say('whoseRows') : say('field')} {...form.box('lot')}>
          {lots.map((one) => (
            <option key={one.id} value={one.id}>
              {one.tag} {one.fieldName}
              {one.shares.some(({ owner }) => owner !== farm.data.farm.name)
                ? ` (${one.shares.map(({ owner }) => owner).join(', ')})`
                : ''}
            </option>
          ))}
          {neighbor && <option value={SOMEBODY}>{say('somebodyElse')}</option>}
        </SelectBox>
      )}
      <ZoneBox farm={farm} lotId={lot} value={zone} onChange={(id) => form.set('zone', id)} locate />
      {lot === SOMEBODY && (
        <div className="grid grid-cols-[1fr_9rem] gap-3">
          <TextBox
            label={lots.length > 0 ? say('whoShort') : say('whoseRows')}
            hint={say('theirs')}
            {...form.box('whose')}
          />
          <SelectBox label={say('crop')} {...form.box('crop')}>
            {farm.crops.map((one) => (
              <option key={one.id} value={one.id}>
                {one.name}
              </option>
            ))}
          </SelectBox>
        </div>
      )}
      <div className="grid grid-cols-[1fr_8rem] gap-3">
        <TextBox label={say('howMuch')} {...pad.box('weight')} unit={unit} />
        <TextBox label={say('moisture')} {...pad.box('moisture')} />
      </div>
      <div className="grid grid-cols-2 gap-3">
        <Choices
          label={say('unit')}
          hidden
          {...form.choice('unit')}
          choices={[...weightUnits()].reverse().map((one) => ({ value: one, label: one }))}
        />
        <Choices
          label={say('weighedBy')}
          hidden
          {...form.choice('method')}
          choices={[
            { value: 'cartScale', label: say('byCart') },
            { value: 'monitor', label: say('byDisplay') },
            { value: 'estimate', label: say('byGuess') },
          ]}
        />
      </div>
      <p className="text-sm text-muted">
        {say('padInto')} <b>{pad.into === 'weight' ? say('padHowMuch') : say('padMoisture')}</b>.
      </p>
    </PadDrawer>
  );
}
