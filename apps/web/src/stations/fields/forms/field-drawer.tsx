import { cropOf, CROPS, FIELD_NAMES, type LotInfo } from '@fanega/core';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { post, put } from '../../../data/api';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { useSend } from '../../../data/use-send';
import { area, system } from '../../../quantity/quantity';
import { Button, Problem, TextBox } from '../../../ui';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { toast } from '../../../ui/toast';
import { figureOrNone, textBox } from '../../../widgets/record-boxes';

/** A field's name, tag and acres: entered wrong, or not measured when its first load was cut. What was recorded stays where it is. */
export function FieldDrawer({ farm, lot, onClose }: { farm: Farm; lot: LotInfo; onClose: () => void }) {
  const refresh = useRefreshFarm(farm.id);
  const form = useFields({
    keptAs: `field.${farm.id}.${lot.id}.${system()}`,
    boxes: {
      name: textBox(FIELD_NAMES.name, 'The field needs a name'),
      tag: textBox(FIELD_NAMES.tag, 'The tag is missing'),
      acres: figureOrNone(FIELD_NAMES.acres, area, { was: lot.acres }),
      variety: textBox(FIELD_NAMES.variety),
    },
    start: () => ({
      name: lot.fieldName,
      tag: lot.tag,
      acres: lot.acres > 0 ? area.text(lot.acres) : '',
      variety: lot.variety,
    }),
    close: onClose,
    save: async ({ acres, ...names }) => {
      const body = { ...names, ...(acres === undefined ? {} : { acres }) };
      await write(farm.id, put('/api/farms/{farmId}/lots/{lotId}', { path: { farmId: farm.id, lotId: lot.id } }, body));
      toast(`${body.name} is kept`);
      await refresh();
    },
  });
  return (
    <FormDrawer
      form={form}
      title={lot.fieldName}
      button="Keep it"
      after={<TakeOut farm={farm} lot={lot} onDone={form.close} />}
    >
      <TextBox label="Name" {...form.box('name')} />
      <div className="grid grid-cols-2 gap-3">
        <TextBox label="Area" {...form.box('acres')} />
        <TextBox label="Tag" hint="two or three letters" {...form.box('tag')} />
      </div>
      <TextBox label="Variety" {...form.box('variety')} />
      <p className="text-sm text-muted">
        {cropOf(lot.crop)?.name ?? CROPS.corn.name}, {lot.season}: crop and season stay, what was recorded depends on
        them.
      </p>
    </FormDrawer>
  );
}

/** A field that was typed by mistake, or not planted after all; where anything was recorded for it, the other side says so. */
function TakeOut({ farm, lot, onDone }: { farm: Farm; lot: LotInfo; onDone: () => void }) {
  const refresh = useRefreshFarm(farm.id);
  const navigate = useNavigate();
  const sending = useSend();
  const [sure, setSure] = useState(false);
  const out = async (): Promise<void> => {
    if (!sure) return setSure(true);
    const params = { path: { farmId: farm.id, lotId: lot.id } };
    if (!(await sending.send(() => write(farm.id, post('/api/farms/{farmId}/lots/{lotId}/remove', params))))) return;
    toast(`${lot.fieldName} is taken out of ${lot.season}`);
    onDone();
    await navigate('/fields');
    await refresh();
  };
  return (
    <div>
      <Button disabled={sending.busy} onClick={() => void out()}>
        {sure ? `Yes, take ${lot.fieldName} out of ${lot.season}` : 'Take it out'}
      </Button>
      <Problem>{sending.message}</Problem>
    </div>
  );
}
