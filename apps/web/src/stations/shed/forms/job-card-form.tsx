import { JOB_CARD, JOB_STEP, type JobCardId, type SettingEntry } from '@fanega/core';
import { useFieldArray } from 'react-hook-form';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { setting } from '../../../data/records';
import { Button, TextBox } from '../../../ui';
import { oneOf, rows } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { Photo, PhotoBox } from '../../../widgets/photo-box';
import { recordErrors, textBox } from '../../../widgets/record-boxes';

const NEXT = { text: '', photo: '' };
const MOST = 30;

/** How a job is done here: its steps in plain words, each with a picture where one helps. */
export function JobCardForm({
  farm,
  job,
  name,
  kept,
  onClose,
}: {
  farm: Farm;
  job: JobCardId;
  name: string;
  kept: SettingEntry<'jobCard'> | undefined;
  onClose: () => void;
}) {
  const refresh = useRefreshFarm(farm.id);
  const cardOf = (steps: readonly { readonly text: string; readonly photo: string }[]) => ({
    steps: steps.map(({ text, photo }) => ({ text: text.trim(), ...(photo === '' ? {} : { photo }) })),
  });
  const form = useFields({
    keptAs: `job-card.${farm.id}.${job}`,
    boxes: {
      steps: rows(
        () => ({ text: textBox(JOB_STEP.text), photo: oneOf<string>() }),
        (row) => String(row.text ?? '').trim() === '',
      ),
    },
    start: () => ({ steps: [...(kept?.value.steps ?? []).map(({ text, photo = '' }) => ({ text, photo })), NEXT] }),
    together: ({ steps }): Record<string, string> =>
      steps.length === 0 ? { 'steps.0.text': 'The first step is missing' } : recordErrors(JOB_CARD, cardOf(steps)),
    close: onClose,
    save: async ({ steps }) => {
      await write(farm.id, setting(farm.id, 'jobCard', job, { revision: kept?.revision ?? 0, value: cardOf(steps) }));
      await refresh();
    },
  });
  const { fields, append } = useFieldArray({ control: form.control, name: 'steps' });
  return (
    <FormDrawer form={form} title={`How it is done here: ${name}`} button="Keep the card">
      <p className="text-muted">
        One thing at a time, as you would say it from the next seat. A step that is left blank is taken out.
      </p>
      <ol className="space-y-4">
        {fields.map((step, i) => {
          const photo = form.texts.steps[i]?.photo ?? '';
          return (
            <li key={step.id} className="space-y-2 border-t border-rule pt-3">
              <TextBox label={`Step ${i + 1}`} {...form.box(`steps.${i}.text`)} />
              <div className="flex flex-wrap items-center gap-3">
                {photo !== '' && <Photo photoId={photo} alt={`Step ${i + 1}`} size={72} />}
                <PhotoBox
                  label={photo === '' ? 'Photograph it' : 'Another picture'}
                  about={`${name}, step ${i + 1}`}
                  onTaken={(id) =>
                    form.set(
                      'steps',
                      form.texts.steps.map((one, k) => (k === i ? { ...one, photo: id } : one)),
                    )
                  }
                />
              </div>
            </li>
          );
        })}
      </ol>
      <Button disabled={fields.length >= MOST} onClick={() => append(NEXT)}>
        One more step
      </Button>
    </FormDrawer>
  );
}
