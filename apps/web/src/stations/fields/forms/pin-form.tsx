import { FIELD_PIN, PIN_KINDS, type PinKind } from '@fanega/core';
import { useState } from 'react';
import { ulid } from 'ulid';
import type { Farm } from '../../../data/farm';
import { useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { logged } from '../../../data/records';
import { ground } from '../../../quantity/quantity';
import { SelectBox, TextBox } from '../../../ui';
import { oneOf } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import type { Spot } from '../../../ui/ground-map';
import { figureBox, textBox } from '../../../widgets/record-boxes';
import { useRecorded } from '../../../widgets/take-back';
import { say } from '../../../words';

const USUAL_METERS = 60;

/** A spot of the map that the cab warns of. */
export function PinForm({
  farm,
  fieldId,
  at,
  onClose,
}: {
  farm: Farm;
  fieldId: string;
  at: Spot;
  onClose: () => void;
}) {
  const refresh = useRefreshFarm(farm.id);
  const recorded = useRecorded();
  const [id] = useState(ulid);
  const { fields } = FIELD_PIN;
  const form = useFields({
    boxes: {
      kind: oneOf<PinKind>(),
      note: textBox(fields.note),
      warnWithin: figureBox(fields.warnWithin, ground, { missing: 'From how far?' }),
    },
    start: () => ({ kind: 'softSpot' as PinKind, note: '', warnWithin: ground.text(USUAL_METERS) }),
    close: onClose,
    save: async ({ kind, note, warnWithin }) => {
      const body = {
        id,
        at: new Date(farm.clock()).toISOString(),
        fieldId,
        kind,
        lon: at[0],
        lat: at[1],
        note,
        warnWithin,
      };
      await write(farm.id, logged(farm.id, 'fieldPin', body), 'a spot');
      recorded(`${say(`pin_${kind}`)} marked`, 'fieldPin', id);
      await refresh();
    },
  });
  return (
    <FormDrawer form={form} title="A spot to warn of" button="Mark it">
      <SelectBox label="What is there" {...form.box('kind')}>
        {PIN_KINDS.map((kind) => (
          <option key={kind} value={kind}>
            {say(`pin_${kind}`)}
          </option>
        ))}
      </SelectBox>
      <TextBox label="A word about it" {...form.box('note')} />
      <TextBox label="Warn from" {...form.box('warnWithin')} />
    </FormDrawer>
  );
}
