import { cropOf } from '@fanega/core';
import { SelectBox } from '../ui';

const USUAL = ['corn', 'soybean', 'sorghum', 'wheat'];

/** Of which crop it is asked, where the book does not say. @param also crops of the farm beside the usual ones */
export function CropBox({
  value,
  onChange,
  also = [],
}: {
  value: string;
  onChange: (crop: string) => void;
  also?: readonly string[];
}) {
  return (
    <SelectBox label="Crop" value={value} onChange={(event) => onChange(event.target.value)}>
      {[...new Set([...USUAL, ...also])].map((id) => (
        <option key={id} value={id}>
          {cropOf(id)?.name ?? id}
        </option>
      ))}
    </SelectBox>
  );
}
