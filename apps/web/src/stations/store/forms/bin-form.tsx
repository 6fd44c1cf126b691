import { BIN_FLOORS, type BinSetup, CROPS, kilogramsPerBushel } from '@fanega/core';
import { useFarm } from '../../../data/farm';
import { bushels } from '../../../quantity/quantity';
import { SelectBox, TextBox } from '../../../ui';
import { bushelsOfBin, type BinTexts } from './bin-boxes';

type BoxProps = Partial<Parameters<typeof TextBox>[0]> & Partial<Parameters<typeof SelectBox>[0]>;

/** Size, roof, hopper, floor and crop of a bin; what it holds follows from them. */
export function BinForm({
  box,
  hasSideDraw,
  setup,
}: {
  box: (name: keyof BinTexts) => BoxProps;
  hasSideDraw: boolean;
  /** As it is typed just now, where it is one. */
  setup: BinSetup | undefined;
}) {
  const farm = useFarm();
  const holds = bushelsOfBin(setup);
  const crop = setup?.crop ? CROPS[setup.crop] : CROPS.corn;
  return (
    <fieldset className="space-y-3 border-t border-rule pt-4">
      <legend className="font-semibold">Its geometry</legend>
      <div className="grid grid-cols-2 gap-3">
        <TextBox label="Diameter" {...box('diameter')} />
        <TextBox label="Wall to the eave" hint="blank for a pile" {...box('eave')} />
        <TextBox label="Roof" hint="its pitch" {...box('roofDegrees')} unit="°" />
        <TextBox label="Hopper, deep" hint="blank: flat floor" {...box('hopper')} />
      </div>
      <div className="grid grid-cols-2 gap-3">
        <SelectBox label="Floor" {...box('floor')}>
          <option value="">not known</option>
          {BIN_FLOORS.map((floor) => (
            <option key={floor}>{floor}</option>
          ))}
        </SelectBox>
        <SelectBox label="Kept for" {...box('crop')}>
          <option value="">any crop</option>
          {farm.crops.map((one) => (
            <option key={one.id} value={one.id}>
              {one.name}
            </option>
          ))}
        </SelectBox>
      </div>
      <div className="grid grid-cols-2 gap-3">
        <TextBox label="Packs by" hint="measured here; blank: by depth and crop" {...box('packFactor')} unit="×" />
        <TextBox label="Unloads" hint="its gate or auger" {...box('unloadPerHour')} />
      </div>
      <div className="grid grid-cols-2 gap-3">
        <SelectBox label="Side draw" {...box('sideDraw')}>
          <Told />
        </SelectBox>
        {hasSideDraw && <TextBox label="Its height" hint="of the spout above the floor" {...box('sideDrawAt')} />}
        <SelectBox label="Sweep auger" {...box('sweep')}>
          <Told />
        </SelectBox>
      </div>
      {holds !== null && (
        <p aria-label="By its geometry">
          Level with the eave, packed: <b>{bushels(holds, kilogramsPerBushel(crop.legalPounds)).text}</b>
        </p>
      )}
    </fieldset>
  );
}

const Told = () => (
  <>
    <option value="">not known</option>
    <option value="yes">yes</option>
    <option value="no">no</option>
  </>
);
