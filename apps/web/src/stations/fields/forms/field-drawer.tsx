import { cropOf, CROPS, type LotInfo } from '@fanega/core';
import { useState } from 'react';
import { toast } from '../../../ui/toast';
import { put } from '../../../data/api';
import { write } from '../../../data/outbox';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { useSend } from '../../../data/use-send';
import { TextBox } from '../../../ui';
import { useKept } from '../../../ui/use-kept';
import { FormDrawer } from '../../../ui/form-drawer';
import { AREA } from './add-field';
import { area, system } from '../../../quantity/quantity';

/** A field's name, tag and acres: entered wrong, or not measured when its first load was cut. What was recorded stays where it is. */
export function FieldDrawer({ farm, lot, onClose }: { farm: Farm; lot: LotInfo; onClose: () => void }) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const [text, setText, close] = useKept(
    `field.${farm.id}.${lot.id}.${system()}`,
    () => ({
      name: lot.fieldName,
      tag: lot.tag,
      acres: lot.acres > 0 ? area.text(lot.acres) : '',
      variety: lot.variety,
    }),
    onClose,
  );
  const [tried, setTried] = useState(false);
  const { value: acres, error } = area.read(text.acres, { ...AREA, wanted: false, was: lot.acres });
  const wrong = {
    ...(text.name.trim() === '' ? { name: 'The field needs a name' } : {}),
    ...(text.tag.trim() === '' ? { tag: 'The tag is missing' } : {}),
    ...(error ? { acres: error } : {}),
  } as Partial<Record<keyof typeof text, string>>;
  const save = async (): Promise<void> => {
    setTried(true);
    if (Object.keys(wrong).length > 0) return;
    const body = {
      name: text.name.trim(),
      tag: text.tag.trim(),
      variety: text.variety.trim(),
      ...(acres === undefined ? {} : { acres }),
    };
    if (
      !(await sending.send(() =>
        write(farm.id, put('/api/farms/{farmId}/lots/{lotId}', { path: { farmId: farm.id, lotId: lot.id } }, body)),
      ))
    )
      return;
    toast(`${body.name} is kept`);
    await refresh();
    close();
  };
  const box = (key: keyof typeof text, label: string, more: Partial<Parameters<typeof TextBox>[0]> = {}) => (
    <TextBox
      label={label}
      value={text[key]}
      error={(tried ? wrong[key] : undefined) ?? sending.at[key]}
      onChange={(event) => setText({ ...text, [key]: event.target.value })}
      {...more}
    />
  );
  return (
    <FormDrawer
      title={lot.fieldName}
      button="Keep it"
      busy={sending.busy}
      problem={sending.message}
      onSubmit={save}
      onClose={close}
    >
      {box('name', 'Name', { maxLength: 60 })}
      <div className="grid grid-cols-2 gap-3">
        {box('acres', 'Area', { inputMode: 'decimal', unit: area.unit })}
        {box('tag', 'Tag', { maxLength: 4, hint: 'two or three letters' })}
      </div>
      {box('variety', 'Variety', { maxLength: 40 })}
      <p className="text-sm text-muted">
        {cropOf(lot.crop)?.name ?? CROPS.corn.name}, {lot.season}: crop and season stay, what was recorded hangs on
        them.
      </p>
    </FormDrawer>
  );
}
