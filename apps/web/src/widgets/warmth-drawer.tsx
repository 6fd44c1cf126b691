import { GRAIN_TEMPERATURE } from '@fanega/core';
import { useState } from 'react';
import { ulid } from 'ulid';
import { useFarm, useRefreshFarm } from '../data/farm';
import { write } from '../data/outbox';
import { logged } from '../data/records';
import { temperature } from '../quantity/quantity';
import { TextBox } from '../ui';
import { useFields } from '../ui/form/use-fields';
import { FormDrawer } from '../ui/form-drawer';
import { figureBox, textBox } from './record-boxes';
import { useRecorded } from './take-back';

/** How warm the grain of a place is: by a probe, a cable, or a hand in it. */
export function WarmthDrawer({ placeId, onClose }: { placeId: string; onClose: () => void }) {
  const farm = useFarm();
  const refresh = useRefreshFarm(farm.id);
  const recorded = useRecorded();
  const [id] = useState(ulid);
  const { fields } = GRAIN_TEMPERATURE;
  const form = useFields({
    keptAs: `warmth.${farm.id}.${placeId}`,
    boxes: {
      celsius: figureBox(fields.celsius, temperature, { missing: 'How warm is it?' }),
      spot: textBox(fields.spot),
    },
    start: () => ({ celsius: '', spot: '' }),
    close: onClose,
    save: async ({ celsius, spot }) => {
      const body = {
        id,
        at: new Date(farm.clock()).toISOString(),
        placeId,
        celsius,
        ...(spot === '' ? {} : { spot }),
      };
      await write(farm.id, logged(farm.id, 'grainTemperature', body), 'how warm grain is');
      recorded('Temperature recorded', 'grainTemperature', id);
      await refresh();
    },
  });
  return (
    <FormDrawer form={form} title={`Grain in ${farm.placeName(placeId)}`} button="Record it">
      <p className="text-muted">
        From the hatch or through a probe hole, the warmest spot counts. Nobody goes in to measure.
      </p>
      <TextBox label="It is" {...form.box('celsius')} />
      <TextBox label="Where in it" {...form.box('spot')} />
    </FormDrawer>
  );
}
