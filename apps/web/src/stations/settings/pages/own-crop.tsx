import { CROP_IDS, type CropId, CROPS, OWN_CROP, type OwnCropSetting, ownCropId } from '@fanega/core';
import { useState } from 'react';
import { ulid } from 'ulid';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { setting } from '../../../data/records';
import { count, moisture, testWeight } from '../../../quantity/quantity';
import { SelectBox, TextBox } from '../../../ui';
import { CheckBox } from '../../../ui/check-box';
import { oneOf, yesNo } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { toast } from '../../../ui/toast';
import { figureBox, figureOrNone, recordErrors, textBox } from '../../../widgets/record-boxes';

export interface KeptCrop {
  readonly id: string;
  readonly revision: number;
  readonly value: OwnCropSetting;
}

/** A crop that the program does not have: what it is called, what it weighs, and the crop whose drying and keeping it has. */
export function OwnCropForm({ farm, kept, onClose }: { farm: Farm; kept: KeptCrop | null; onClose: () => void }) {
  const refresh = useRefreshFarm(farm.id);
  const { fields } = OWN_CROP;
  const was = kept?.value;
  const [id] = useState(() => kept?.id ?? ownCropId(ulid()));
  const form = useFields({
    keptAs: `own-crop.${farm.id}.${kept?.id ?? 'new'}`,
    boxes: {
      name: textBox(fields.name, 'The crop needs a name'),
      short: textBox(fields.short),
      like: oneOf<CropId>(),
      legalPounds: figureBox(fields.legalPounds, testWeight, { was: was?.legalPounds }),
      baseMoisture: figureBox(fields.baseMoisture, moisture, { was: was?.baseMoisture }),
      testWeight: figureOrNone(fields.testWeight, testWeight, { was: was?.testWeight }),
      insuredMoisture: figureOrNone(fields.insuredMoisture, moisture, { was: was?.insuredMoisture }),
      kernelGrams: figureOrNone(fields.kernelGrams, count, { times: 0.001, was: was?.kernelGrams }),
      putAway: yesNo,
    },
    start: () => ({
      name: was?.name ?? '',
      short: was?.short ?? '',
      like: was?.like ?? ('corn' as CropId),
      legalPounds: testWeight.text(was?.legalPounds),
      baseMoisture: moisture.text(was?.baseMoisture),
      testWeight: testWeight.text(was?.testWeight),
      insuredMoisture: moisture.text(was?.insuredMoisture),
      kernelGrams: count.text(was?.kernelGrams === undefined ? undefined : Math.round(1e6 * was.kernelGrams) / 1e3),
      putAway: was?.putAway ?? false,
    }),
    together: (values): Record<string, string> => {
      const twin = farm.crops.find(
        (one) => one.id !== id && one.name.toLowerCase() === values.name.trim().toLowerCase(),
      );
      if (twin) return { name: `${twin.name} is there already` };
      return recordErrors(OWN_CROP, cropOfValues(values));
    },
    close: onClose,
    save: async (values) => {
      const value = cropOfValues(values);
      await write(farm.id, setting(farm.id, 'ownCrop', id, { revision: kept?.revision ?? 0, value }), value.name);
      await refresh();
      toast(`${value.name} is kept`);
    },
  });
  const like = CROPS[form.texts.like];
  return (
    <FormDrawer form={form} title={was?.name ?? 'A crop of your own'} button="Keep it">
      <div className="grid grid-cols-2 gap-3">
        <TextBox label="Name" hint="as on a contract: Popcorn" {...form.box('name')} />
        <TextBox label="What you call it" hint="blank: its name" {...form.box('short')} />
      </div>
      <SelectBox label="Dries, keeps and airs like" {...form.box('like')}>
        {CROP_IDS.map((one) => (
          <option key={one} value={one}>
            {CROPS[one].name}
          </option>
        ))}
      </SelectBox>
      <p className="text-muted">
        Its drying, keeping, airflow and settings are figured as for {like.short}. Test before you trust them: your own
        book and your buyer&rsquo;s sheet come first.
      </p>
      <div className="grid grid-cols-2 gap-3">
        <TextBox
          label="A bushel is"
          hint={`${like.short}: ${testWeight(like.legalPounds).text}`}
          {...form.box('legalPounds')}
        />
        <TextBox
          label="Dry at"
          hint={`${like.short}: ${moisture(like.baseMoisture).text}`}
          {...form.box('baseMoisture')}
        />
        <TextBox label="Usual test weight" hint="blank: as its bushel" {...form.box('testWeight')} />
        <TextBox label="Insurance counts it at" hint="blank: where it is dry" {...form.box('insuredMoisture')} />
        <TextBox
          label="A thousand kernels weigh"
          hint={`for loss counts; ${like.short}: ${count.text(Math.round(1000 * like.kernelGrams))}`}
          {...form.box('kernelGrams')}
          unit="g"
        />
      </div>
      {kept && (
        <CheckBox checked={form.choice('putAway').value} onChange={form.choice('putAway').onChange}>
          Not grown any more <span className="text-muted">(offered nowhere; what was recorded stays)</span>
        </CheckBox>
      )}
    </FormDrawer>
  );
}

/** The record of what was read; what stays blank follows from the rest. */
function cropOfValues({
  name,
  short,
  testWeight: weight,
  insuredMoisture,
  kernelGrams,
  putAway,
  ...rest
}: Pick<OwnCropSetting, 'name' | 'short' | 'like' | 'legalPounds' | 'baseMoisture'> & {
  readonly testWeight: number | undefined;
  readonly insuredMoisture: number | undefined;
  readonly kernelGrams: number | undefined;
  readonly putAway: boolean;
}): OwnCropSetting {
  return {
    ...rest,
    name: name.trim(),
    short: short.trim() === '' ? name.trim().toLowerCase().slice(0, 20) : short.trim(),
    testWeight: weight ?? rest.legalPounds,
    insuredMoisture: insuredMoisture ?? rest.baseMoisture,
    ...(kernelGrams === undefined ? {} : { kernelGrams }),
    ...(putAway ? { putAway } : {}),
  };
}
