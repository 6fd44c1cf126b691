import type { UnitSystem } from '@fanega/contract';
import { baseMoistureOf, type CropId, cropOf, CROPS, REVISION_REASON } from '@fanega/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { put, send } from '../../../data/api';
import { type Farm, useNotebook, useRefreshFarm, useRole } from '../../../data/farm';
import { useSend } from '../../../data/use-send';
import { write } from '../../../data/outbox';
import { revision } from '../../../data/records';
import { moisture, percent, testWeight } from '../../../quantity/quantity';
import { UNIT_NAMES } from '../../../quantity/system';
import { CLOCK_STYLES, type ClockStyle } from '../../../quantity/time';
import { Button, Problem, SelectBox, TextBox } from '../../../ui';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { moistureBox, textBox } from '../../../widgets/record-boxes';
import { Section } from '../../../ui/page';
import { type KeptCrop, OwnCropForm } from './own-crop';
import { SafetyWords } from './safety';
import { methodWords } from '../../../widgets/method-words';

const LINK = 'inline-flex min-h-11 items-center font-semibold underline decoration-rule underline-offset-4 hover:decoration-ink'; // prettier-ignore

/** What the whole farm is read with, and where each of it is set. */
export default function FarmSettings({ farm }: { farm: Farm }) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const role = useRole();
  const may = role === 'manager' || role === 'owner';
  const { units, clock, timeZone, defaults } = farm.data.farm;
  const change = async (next: { units: UnitSystem; clock: ClockStyle }): Promise<void> => {
    if (await sending.send(async () => (await send(put('/api/farms/{farmId}/settings', { path: { farmId: farm.id } }, next)), true))) await refresh(); // prettier-ignore
  };
  const [base, setBase] = useState<CropId | null>(null);
  const [crop, setCrop] = useState<KeptCrop | 'new' | null>(null);
  const kept = useNotebook().data?.settings.ownCrop ?? {};
  const own = Object.entries(kept).map(([id, one]): KeptCrop => ({ id, ...one }));
  const crops = [...new Set(farm.data.lots.map(({ crop }) => crop))];
  return (
    <div className="lg:grid lg:grid-cols-2">
      <Section title="How it is read">
        <div className="max-w-sm space-y-4">
          <SelectBox
            label="Units of the farm"
            value={units}
            disabled={!may || sending.busy}
            onChange={(event) => void change({ units: event.target.value as UnitSystem, clock })}
          >
            {(['us', 'metric'] as const).map((one) => (
              <option key={one} value={one}>
                {UNIT_NAMES[one]}
              </option>
            ))}
          </SelectBox>
          <SelectBox
            label="Clock of the farm"
            value={clock}
            disabled={!may || sending.busy}
            onChange={(event) => void change({ units, clock: event.target.value as ClockStyle })}
          >
            {CLOCK_STYLES.map((one) => (
              <option key={one} value={one}>
                {one === '12' ? '12 hours: 2:55 pm' : '24 hours: 14:55'}
              </option>
            ))}
          </SelectBox>
          <Problem>{sending.message}</Problem>
          <p className="text-muted">
            Time zone: {timeZone}. Each reader may choose other units and another clock with Ctrl-K.
          </p>
        </div>
      </Section>
      <Section title="What it counts by" className="border-t border-ink lg:border-t-0 lg:border-l">
        <dl className="space-y-3">
          <div>
            <dt className="text-sm text-muted">Crops</dt>
            {crops.map((crop) => (
              <dd key={crop} className="flex flex-wrap items-center gap-x-3">
                {cropOf(crop)?.name ?? crop}: dry at {percent(baseMoistureOf(crop, defaults))}
                {may && (
                  <Button look="quiet" className="!px-0" onClick={() => setBase(crop as CropId)}>
                    Change
                  </Button>
                )}
              </dd>
            ))}
          </div>
          <div>
            <dt className="text-sm text-muted">Crops of your own</dt>
            {own.map((one) => (
              <dd key={one.id} className="flex flex-wrap items-center gap-x-3">
                {one.value.name}, like {CROPS[one.value.like].short}: {testWeight(one.value.legalPounds).text}, dry at{' '}
                {percent(one.value.baseMoisture)}
                {one.value.putAway ? ', not grown any more' : ''}
                {may && (
                  <Button look="quiet" className="!px-0" onClick={() => setCrop(one)}>
                    Change
                  </Button>
                )}
              </dd>
            ))}
            {own.length === 0 && (
              <dd className="text-muted">
                None. Popcorn, rye, rice or peas can be added here and then grown like any other.
              </dd>
            )}
            {may && (
              <dd className="mt-1">
                <Button onClick={() => setCrop('new')}>Add a crop</Button>
              </dd>
            )}
          </div>
          <div>
            <dt className="text-sm text-muted">Which weight counts, best first</dt>
            <dd>{defaults.trust.map(methodWords).join(', ')}</dd>
          </div>
        </dl>
        <ul className="mt-4">
          {(
            [
              ['/fields', 'Cutting windows, owners of fields'],
              ['/haul/scales', 'Which weight counts; scales and their tolerance'],
              ['/sell/buyers', 'Buyers: sheets, hours, bids'],
              ['/dry/cost', 'Prices of fuel and electricity, charges of the elevator'],
              ['/shed/devices', 'Devices on the wire'],
              ['/start', 'What is on the farm, step by step'],
              ['/store', 'Places: bins, pits, trucks'],
            ] as const
          ).map(([to, name]) => (
            <li key={to}>
              <Link to={to} className={LINK}>
                {name}
              </Link>
            </li>
          ))}
        </ul>
      </Section>
      <SafetyWords farm={farm} may={may} />
      {crop !== null && <OwnCropForm farm={farm} kept={crop === 'new' ? null : crop} onClose={() => setCrop(null)} />}
      {base !== null && <BaseForm farm={farm} crop={base} onClose={() => setBase(null)} />}
    </div>
  );
}

/** At which moisture a crop is counted dry: a dated change of what the whole book is read with, with its reason. */
function BaseForm({ farm, crop, onClose }: { farm: Farm; crop: CropId; onClose: () => void }) {
  const refresh = useRefreshFarm(farm.id);
  const form = useFields({
    keptAs: `base.${farm.id}.${crop}`,
    boxes: {
      moisture: moistureBox('The moisture is missing'),
      reason: textBox(REVISION_REASON, 'Why? It stands in the book'),
    },
    start: () => ({ moisture: moisture.text(baseMoistureOf(crop, farm.data.farm.defaults)), reason: '' }),
    close: onClose,
    save: async (values) => {
      await write(farm.id, revision(farm.id, values.reason, { what: 'baseMoisture', crop, moisture: values.moisture! }), 'a base moisture'); // prettier-ignore
      await refresh();
    },
  });
  return (
    <FormDrawer form={form} title={`${cropOf(crop)?.name ?? crop}: dry at`} button="Change it">
      <p className="text-muted">
        The whole book is read with it from now on, and says so; what was printed before keeps its number and prints as
        it was. Buyers’ own bases stand on their sheets.
      </p>
      <TextBox label="Counted dry at" unit="%" inputMode="decimal" {...form.box('moisture')} />
      <TextBox label="Why" {...form.box('reason')} />
    </FormDrawer>
  );
}
