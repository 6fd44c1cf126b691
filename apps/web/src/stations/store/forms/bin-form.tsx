import {
  binCapacity,
  BIN_FLOORS,
  type BinSetup,
  CROPS,
  kilogramsPerBushel,
  type CropId,
  RangeRefusal,
} from '@fanega/core';
import { bushels, length, parseNumber } from '../../../quantity/quantity';
import { SelectBox, TextBox } from '../../../ui';

/** What is typed of a bin's geometry, as it is typed. */
export interface BinText {
  readonly diameter: string;
  readonly eave: string;
  readonly roof: string;
  readonly hopper: string;
  readonly floor: string;
  readonly crop: string;
  readonly pack: string;
}

export const binText = (setup: BinSetup | undefined): BinText => ({
  diameter: length.text(setup?.diameter),
  eave: length.text(setup?.eave),
  roof: setup?.roofDegrees === undefined ? '' : String(setup.roofDegrees),
  hopper: setup === undefined || setup.hopper === 0 ? '' : length.text(setup.hopper),
  floor: setup?.floor ?? '',
  crop: setup?.crop ?? '',
  pack: setup?.packFactor === undefined ? '' : String(setup.packFactor),
});

export type BinErrors = Partial<Record<keyof BinText, string>>;

/** The setup that was typed, none where nothing of it was, or what is wrong with it; limits are the record's own. */
export function readBin(text: BinText, note?: string): { readonly setup?: BinSetup; readonly errors: BinErrors } {
  if (Object.values(text).every((value) => value === '')) return { errors: {} };
  const diameter = length.read(text.diameter, { least: 0, wanted: true });
  const eave = length.read(text.eave, { least: 0 });
  const hopper = length.read(text.hopper, { least: 0 });
  const [roof, pack] = [parseNumber(text.roof), parseNumber(text.pack)];
  const errors: BinErrors = {
    ...(diameter.error ? { diameter: diameter.error } : {}),
    ...(eave.error ? { eave: `${eave.error}, or empty for a pile` } : {}),
    ...(text.roof.trim() !== '' && Number.isNaN(roof) ? { roof: 'Degrees' } : {}),
    ...(hopper.error ? { hopper: `${hopper.error}, or empty for a flat floor` } : {}),
    ...(text.pack.trim() !== '' && Number.isNaN(pack) ? { pack: 'A number like 1.06' } : {}),
  };
  if (Object.keys(errors).length > 0) return { errors };
  return {
    errors,
    setup: {
      diameter: diameter.value!,
      eave: eave.value ?? 0,
      hopper: hopper.value ?? 0,
      ...(text.roof.trim() === '' ? {} : { roofDegrees: roof }),
      ...(text.floor === '' ? {} : { floor: text.floor as NonNullable<BinSetup['floor']> }),
      ...(text.crop === '' ? {} : { crop: text.crop as CropId }),
      ...(text.pack.trim() === '' ? {} : { packFactor: pack }),
      ...(note === undefined ? {} : { note }),
    },
  };
}

/** Bushels by the geometry; null where it says none, or is no bin. */
export function bushelsOfBin(setup: BinSetup | undefined): number | null {
  try {
    return setup === undefined ? null : binCapacity(setup);
  } catch (error) {
    if (error instanceof RangeRefusal) return null;
    throw error;
  }
}

/** Size, roof, hopper, floor and crop of a bin; what it holds follows from them. */
export function BinForm({
  text,
  errors,
  at,
  onChange,
}: {
  text: BinText;
  errors: BinErrors;
  at: Readonly<Record<string, string>>;
  onChange: (text: BinText) => void;
}) {
  const box = (key: keyof BinText, label: string, unit: string, server: keyof BinSetup, hint?: string) => (
    <TextBox
      label={label}
      unit={unit}
      inputMode="decimal"
      hint={hint}
      value={text[key]}
      error={errors[key] ?? at[server]}
      onChange={(event) => onChange({ ...text, [key]: event.target.value })}
    />
  );
  const holds = bushelsOfBin(readBin(text).setup);
  return (
    <fieldset className="space-y-3 border-t border-rule pt-4">
      <legend className="font-semibold">Its geometry</legend>
      <div className="grid grid-cols-2 gap-3">
        {box('diameter', 'Diameter', length.unit, 'diameter')}
        {box('eave', 'Wall to the eave', length.unit, 'eave', 'empty for a pile')}
        {box('roof', 'Roof', '°', 'roofDegrees', 'its pitch')}
        {box('hopper', 'Hopper, deep', length.unit, 'hopper', 'empty: flat floor')}
      </div>
      <div className="grid grid-cols-2 gap-3">
        <SelectBox
          label="Floor"
          value={text.floor}
          onChange={(event) => onChange({ ...text, floor: event.target.value })}
        >
          <option value="">not known</option>
          {BIN_FLOORS.map((floor) => (
            <option key={floor}>{floor}</option>
          ))}
        </SelectBox>
        <SelectBox
          label="Kept for"
          value={text.crop}
          onChange={(event) => onChange({ ...text, crop: event.target.value })}
        >
          <option value="">any crop</option>
          {Object.values(CROPS).map((crop) => (
            <option key={crop.id} value={crop.id}>
              {crop.name}
            </option>
          ))}
        </SelectBox>
      </div>
      {box('pack', 'Packs by', '×', 'packFactor', 'measured here; empty: by depth and crop')}
      {holds !== null && (
        <p aria-label="By its geometry">
          Level with the eave, packed:{' '}
          <b>
            {
              bushels(
                holds,
                kilogramsPerBushel((text.crop === '' ? CROPS.corn : CROPS[text.crop as CropId]).legalPounds),
              ).text
            }
          </b>
        </p>
      )}
    </fieldset>
  );
}
