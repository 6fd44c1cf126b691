import { type CropId, CROPS } from '@fanega/core';
import { useForm } from 'react-hook-form';
import { ApiError, post } from '../../../data/api';
import { useFarm, useRefreshFarm } from '../../../data/farm';
import { Button, SelectBox, TextBox } from '../../../ui';
import { Drawer } from '../../../ui/drawer';
import { area } from '../../../quantity/quantity';
import { write } from '../../../data/outbox';

export const AREA = { least: 0.01, most: 100_000, wanted: true } as const;

export function AddField({ open, onClose }: { open: boolean; onClose: () => void }) {
  const farm = useFarm();
  const refresh = useRefreshFarm(farm.id);
  const { register, handleSubmit, formState, setError, reset } = useForm({
    defaultValues: {
      name: '',
      acres: '',
      crop: 'corn',
      variety: '',
      tag: '',
      season: String(new Date(farm.data.now).getUTCFullYear()),
    },
  });
  const { errors } = formState;
  const submit = handleSubmit(async ({ acres, season, ...values }) => {
    try {
      await write(
        farm.id,
        post(
          '/api/farms/{farmId}/fields',
          { path: { farmId: farm.id } },
          { ...values, crop: values.crop as CropId, acres: area.read(acres).value!, season: Number(season) },
        ),
      );
      await refresh();
      reset();
      onClose();
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      for (const issue of error.issues)
        if (issue.field && issue.field in values) setError(issue.field as 'name', { message: issue.message });
      setError('root', { message: error.message });
    }
  });
  return (
    <Drawer open={open} title="Add a field" onClose={onClose}>
      <form className="space-y-4 px-5 py-4" noValidate onSubmit={(e) => void submit(e)}>
        <TextBox
          label="Name"
          {...register('name', { required: 'The field needs a name' })}
          error={errors.name?.message}
        />
        <div className="grid grid-cols-2 gap-3">
          <TextBox
            label="Area"
            unit={area.unit}
            inputMode="decimal"
            {...register('acres', { validate: (text) => area.read(text, AREA).error ?? true })}
            error={errors.acres?.message}
          />
          <TextBox
            label="Tag"
            maxLength={4}
            hint="two or three letters"
            {...register('tag', { required: 'The tag is missing' })}
            error={errors.tag?.message}
          />
        </div>
        <SelectBox label="Crop" {...register('crop')}>
          {Object.values(CROPS).map((crop) => (
            <option key={crop.id} value={crop.id}>
              {crop.name}
            </option>
          ))}
        </SelectBox>
        <div className="grid grid-cols-2 gap-3">
          <TextBox label="Variety" {...register('variety')} error={errors.variety?.message} />
          <TextBox
            label="Season"
            inputMode="numeric"
            {...register('season', { pattern: { value: /^20\d\d$/, message: 'A year like 2026' } })}
            error={errors.season?.message}
          />
        </div>
        {errors.root && (
          <p role="alert" className="font-semibold text-clay">
            {errors.root.message}
          </p>
        )}
        <Button look="do" type="submit" className="min-h-14 w-full text-lg" disabled={formState.isSubmitting}>
          Add the field
        </Button>
      </form>
    </Drawer>
  );
}
