import type { LotInfo } from '@fanega/contract';
import { CROPS, cropOf } from '@fanega/core';
import { useState } from 'react';
import { toast } from 'sonner';
import { put } from '../../data/api';
import { type Farm, useRefreshFarm } from '../../data/farm';
import { useSend } from '../../data/use-send';
import { TextBox } from '../../ui';
import { FormSheet } from '../../ui/form-sheet';
import { parseNumber } from '../../widgets/quantity';

/** A field's name, tag and acres: entered wrong, or not measured when its first load was cut. What was recorded stays where it is. */
export function FieldSheet({ farm, lot, onClose }: { farm: Farm; lot: LotInfo; onClose: () => void }) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const [text, setText] = useState({ name: lot.fieldName, tag: lot.tag, acres: lot.acres > 0 ? String(lot.acres) : '', variety: lot.variety });
  const [tried, setTried] = useState(false);
  const acres = text.acres.trim() === '' ? undefined : parseNumber(text.acres);
  const wrong = {
    ...(text.name.trim() === '' ? { name: 'The field needs a name' } : {}),
    ...(text.tag.trim() === '' ? { tag: 'The tag is missing' } : {}),
    ...(acres !== undefined && !(acres > 0) ? { acres: 'Acres is a number like 62.5' } : {}),
  } as Partial<Record<keyof typeof text, string>>;
  const save = async (): Promise<void> => {
    setTried(true);
    if (Object.keys(wrong).length > 0) return;
    const body = { name: text.name.trim(), tag: text.tag.trim(), variety: text.variety.trim(), ...(acres === undefined ? {} : { acres }) };
    if (!(await sending.send(() => put<{ lotId: string }>(`/farms/${farm.id}/lots/${lot.id}`, body)))) return;
    toast(`${body.name} is kept`);
    await refresh();
    onClose();
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
    <FormSheet title={lot.fieldName} button="Keep it" busy={sending.busy} problem={sending.message} onSubmit={save} onClose={onClose}>
      {box('name', 'Name', { maxLength: 60 })}
      <div className="grid grid-cols-2 gap-3">
        {box('acres', 'Acres', { inputMode: 'decimal' })}
        {box('tag', 'Tag', { maxLength: 4, hint: 'two or three letters' })}
      </div>
      {box('variety', 'Variety', { maxLength: 40 })}
      <p className="text-sm text-muted">
        {cropOf(lot.crop)?.name ?? CROPS.corn.name}, {lot.season}: crop and season stay, what was recorded hangs on them.
      </p>
    </FormSheet>
  );
}
