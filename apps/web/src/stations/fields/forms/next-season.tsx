import { type CropId, cropOf, FIELD_NAMES, nextSeason } from '@fanega/core';
import { useState } from 'react';
import { post } from '../../../data/api';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { area, percent } from '../../../quantity/quantity';
import { SelectBox, TextBox } from '../../../ui';
import { CheckBox } from '../../../ui/check-box';
import { oneOf, rows, yesNo } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { figureOrNone, textBox } from '../../../widgets/record-boxes';

/** The next season on the same fields: the crop by their rotation, owners as they are, everything to be changed in one table. */
export function NextSeason({ farm, onClose }: { farm: Farm; onClose: () => void }) {
  const refresh = useRefreshFarm(farm.id);
  const [{ season, lots }] = useState(() => nextSeason(farm.data.lots));
  const form = useFields({
    keptAs: `season.${farm.id}.${season}`,
    boxes: {
      lots: rows(() => ({
        goesOn: yesNo,
        crop: oneOf<CropId>(),
        acres: figureOrNone(FIELD_NAMES.acres, area),
        variety: textBox(FIELD_NAMES.variety),
        tag: textBox(FIELD_NAMES.tag, 'The tag is missing'),
      })),
    },
    start: () => ({
      lots: lots.map(({ crop, acres, variety, tag }) => ({
        goesOn: true,
        crop,
        acres: acres > 0 ? area.text(acres) : '',
        variety,
        tag,
      })),
    }),
    together: (values): Record<string, string> => {
      const going = values.lots.filter(({ goesOn }) => goesOn);
      if (going.length === 0) return { '': 'At least one field goes on' };
      const seen = new Map<string, number>();
      for (const [i, { goesOn, tag }] of values.lots.entries()) {
        if (!goesOn) continue;
        const plain = tag.trim().toUpperCase();
        if (seen.has(plain)) return { [`lots.${i}.tag`]: `It stands for ${lots[seen.get(plain)!]!.fieldName} already` };
        seen.set(plain, i);
      }
      return {};
    },
    // The server counts those that go on only.
    boxOf: (field, texts) => {
      const of = /^lots\[(\d+)\]\.(\w+)$/.exec(field);
      if (!of) return undefined;
      const going = texts.lots.flatMap(({ goesOn }, i) => (goesOn ? [i] : []));
      return `lots.${going[Number(of[1])]}.${of[2] === 'fieldId' ? 'tag' : of[2]}`;
    },
    close: onClose,
    save: async (values) => {
      const body = {
        season,
        lots: values.lots.flatMap(
          ({ goesOn, crop, acres, variety, tag }, i) =>
          goesOn ? [{ fieldId: lots[i]!.fieldId, crop, ...(acres === undefined || area.text(acres) === area.text(lots[i]!.acres) ? {} : { acres }), variety, tag: tag.trim(), shares: [...lots[i]!.shares] }] : [], // prettier-ignore
        ),
      };
      await write(
        farm.id,
        post('/api/farms/{farmId}/seasons', { path: { farmId: farm.id } }, body),
        `season ${season}`,
      );
      await refresh();
    },
  });
  const { texts, set } = form;
  const box = (at: string) => form.box(at as never);
  return (
    <FormDrawer form={form} title={`Begin ${season}`} button={`Begin ${season}`}>
      <p className="text-sm text-muted">
        The same fields go on; old crop stays in its bins under its own season. The crop follows each field’s rotation
        as the book knows it.
      </p>
      {lots.map((lot, i) => (
        <fieldset key={`${lot.fieldId}${lot.tag}`} className="border-t border-rule pt-2">
          <legend className="sr-only">{lot.fieldName}</legend>
          <CheckBox
            checked={texts.lots[i]!.goesOn}
            onChange={(on) =>
              set(
                'lots',
                texts.lots.map((one, k) => (k === i ? { ...one, goesOn: on } : one)),
              )
            }
          >
            <b>{lot.fieldName}</b>, {area(lot.acres).text}, after {cropOf(lot.lastCrop)?.short ?? lot.lastCrop}
            {lot.shares.some(({ owner }) => owner !== farm.data.farm.name) &&
              `; ${lot.shares.map(({ owner, part }) => `${owner} ${percent(part)}`).join(', ')}`}
          </CheckBox>
          {texts.lots[i]!.goesOn && (
            <div className="grid grid-cols-2 sm:grid-cols-[1.2fr_1fr_1.2fr_0.8fr] gap-3">
              <SelectBox label="Crop" {...box(`lots.${i}.crop`)}>
                {farm.crops.map((crop) => (
                  <option key={crop.id} value={crop.id}>
                    {crop.name}
                  </option>
                ))}
              </SelectBox>
              <TextBox label="Acres" unit={area.unit} inputMode="decimal" {...box(`lots.${i}.acres`)} />
              <TextBox label="Variety" {...box(`lots.${i}.variety`)} />
              <TextBox label="Tag" {...box(`lots.${i}.tag`)} />
            </div>
          )}
        </fieldset>
      ))}
    </FormDrawer>
  );
}
