import type { CropId } from '@fanega/core';
import type { ComponentProps } from 'react';
import { type Farm, useFarm } from '../data/farm';
import { SelectBox } from '../ui';

/** One of the farm's buyers. */
export function BuyerBox({
  farm,
  ...box
}: { farm: Farm } & Omit<ComponentProps<typeof SelectBox>, 'label' | 'children'>) {
  return (
    <SelectBox label="Buyer" {...box}>
      {farm.data.places
        .filter(({ kind }) => kind === 'buyer')
        .map((buyer) => (
          <option key={buyer.id} value={buyer.id}>
            {buyer.name}
          </option>
        ))}
    </SelectBox>
  );
}

/** One of all crops that the farm can grow. */
export function AnyCropBox({ value, onChange }: { value: CropId; onChange: (crop: CropId) => void }) {
  const farm = useFarm();
  return (
    <SelectBox label="Crop" value={value} onChange={(event) => onChange(event.target.value as CropId)}>
      {farm.crops.map((one) => (
        <option key={one.id} value={one.id}>
          {one.name}
        </option>
      ))}
    </SelectBox>
  );
}
