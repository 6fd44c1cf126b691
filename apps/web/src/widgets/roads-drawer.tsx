import { BUYER_ROADS, ROAD_LEG } from '@fanega/core';
import { useFieldArray } from 'react-hook-form';
import { type Farm, useNotebook, useRefreshFarm } from '../data/farm';
import { write } from '../data/outbox';
import { setting } from '../data/records';
import { distance, minutes } from '../quantity/quantity';
import { Button, SelectBox, TextBox } from '../ui';
import { oneOf, rows } from '../ui/form/box';
import { useFields } from '../ui/form/use-fields';
import { FormDrawer } from '../ui/form-drawer';
import { figureBox, figureOrNone, recordErrors } from './record-boxes';

const KM = 1000;
const EMPTY = { from: '', minutes: '', km: '' };

/** The road to a buyer, or home: how far it is, and the fields from which it is another. */
export function RoadsDrawer({ farm, to, name, onClose }: { farm: Farm; to: string; name: string; onClose: () => void }) {
  const refresh = useRefreshFarm(farm.id);
  const kept = useNotebook().data?.settings.buyerRoads[to];
  const was = kept?.value;
  const fields = [...new Map(farm.data.lots.map(({ fieldId, fieldName }) => [fieldId, fieldName]))];
  // Kept in kilometers, typed as a distance.
  const km = { times: 1 / KM };
  const form = useFields({
    keptAs: `roads.${farm.id}.${to}`,
    boxes: {
      km: figureOrNone(BUYER_ROADS.fields.km, distance, { ...km, was: was?.km }),
      legs: rows(
        (i) => ({
          from: oneOf<string>(),
          minutes: figureBox(ROAD_LEG.minutes, minutes, { missing: 'How long does it take?' }),
          km: figureOrNone(ROAD_LEG.km, distance, { ...km, was: was?.legs[i]?.km }),
        }),
        (row) => row.from === '',
      ),
    },
    start: () => ({
      km: distance.text(was?.km === undefined ? undefined : was.km * KM),
      legs: [
        ...(was?.legs ?? []).map((leg) => ({ from: leg.from, minutes: minutes.text(leg.minutes), km: distance.text(leg.km === undefined ? undefined : leg.km * KM) })), // prettier-ignore
        EMPTY,
      ],
    }),
    together: ({ legs }) => recordErrors(BUYER_ROADS, { legs: legs.map(({ from, minutes: typed }) => ({ from, minutes: typed })) }),
    close: onClose,
    save: async ({ km: yard, legs }) => {
      const value = {
        ...(yard === undefined ? {} : { km: yard }),
        legs: legs.map(({ from, minutes: typed, km: far }) => ({ from, minutes: typed, ...(far === undefined ? {} : { km: far }) })),
      };
      await write(farm.id, setting(farm.id, 'buyerRoads', to, { revision: kept?.revision ?? 0, value }));
      await refresh();
    },
  });
  const { fields: lines, append } = useFieldArray({ control: form.control, name: 'legs' });
  return (
    <FormDrawer form={form} title={`The road to ${name}`} button="Save">
      <TextBox label="From the yard" hint="one way; its minutes stand in Haul" {...form.box('km')} />
      <fieldset className="space-y-3">
        <legend className="font-semibold">Fields that are not as far</legend>
        {lines.map((line, i) => (
          <div key={line.id} className="grid grid-cols-[2fr_1fr_1fr] items-end gap-3">
            <SelectBox label={`Field ${i + 1}`} {...form.box(`legs.${i}.from`)}>
              <option value="">none</option>
              {fields.map(([id, field]) => (
                <option key={id} value={id}>
                  {field}
                </option>
              ))}
            </SelectBox>
            <TextBox label="One way" {...form.box(`legs.${i}.minutes`)} />
            <TextBox label="Distance" {...form.box(`legs.${i}.km`)} />
          </div>
        ))}
        <Button onClick={() => append(EMPTY)}>One more</Button>
      </fieldset>
      <p className="text-sm text-muted">
        A truck that was loaded in one of these fields is planned, timed and reckoned by its own road.
      </p>
    </FormDrawer>
  );
} // prettier-ignore
