import { cropOf, CROPS, RangeRefusal, type SeenSurface, tapeCheck, type TapeCheck } from '@fanega/core';
import { type Farm, useBinSetups } from '../../../data/farm';
import { grain, length } from '../../../quantity/quantity';
import { Choices, SelectBox, TextBox } from '../../../ui';
import { oneOf } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { say } from '../../../words';
import { PadDrawer } from './pad-drawer';
import { usePad } from './use-pad';

const SEEN = ['level', 'peaked', 'cored', 'empty'] as const satisfies readonly SeenSurface[];

/** The tape at a bin, held against the book at once; the book is restated only by the second tap. */
export function LevelPad({
  farm,
  start,
  onClose,
  onRestate,
}: {
  farm: Farm;
  start: string | undefined;
  onClose: () => void;
  onRestate: (placeId: string, wetKg: number) => void;
}) {
  const setups = useBinSetups().data?.settings.binSetup ?? {};
  const bins = farm.data.places.filter(({ id }) => (setups[id]?.value.eave ?? 0) >= 1);
  const form = useFields({
    boxes: {
      bin: oneOf<string>(),
      seen: oneOf<SeenSurface>(),
      below: { read: (typed: string) => length.read(typed, { least: 0, most: 40 }), control: { unit: length.unit } },
    },
    start: () => ({
      bin: bins.find(({ id }) => id === start)?.id ?? bins[0]?.id ?? '',
      seen: 'level' as SeenSurface,
      below: '',
    }),
    close: onClose,
    save: ({ bin }) => {
      const { found } = check();
      if (found && found.answer !== 'agrees') onRestate(bin, found.kg);
      else onClose();
      return Promise.resolve(false);
    },
  });
  const { bin, seen, below } = form.texts;
  const pad = usePad(form, 'below');
  const held = farm.held(bin);
  const crop = cropOf(farm.cropOf(held.lots) ?? setups[bin]?.value.crop ?? '') ?? CROPS.corn;
  const per = farm.kgPerBu(crop.id);
  function check(): { readonly found: TapeCheck | null; readonly problem: string | null } {
    const setup = setups[bin]?.value;
    const read = length.read(below, { least: 0, most: (setup?.eave ?? 0) + (setup?.hopper ?? 0), wanted: true });
    if (!setup || (seen !== 'empty' && below.trim() === '')) return { found: null, problem: null };
    if (seen !== 'empty' && read.value === undefined) return { found: null, problem: read.error ?? null };
    try {
      const found = tapeCheck({
        setup,
        crop,
        moisture: held.moisture ?? crop.baseMoisture,
        seen,
        belowEave: read.value ?? 0,
        bookKg: held.wetKg,
      });
      return { found, problem: null };
    } catch (error) {
      if (!(error instanceof RangeRefusal)) throw error;
      return { found: null, problem: error.message };
    }
  }
  const { found, problem } = check();
  const differs = found !== null && found.answer !== 'agrees';
  return (
    <PadDrawer
      form={form}
      title={say('readLevel')}
      disabled={found === null}
      button={differs ? say('restateTo', { much: grain(found.kg, per).text }) : say(found ? 'leaveBook' : 'typeLevel')}
      onKey={pad.onKey}
    >
      <SelectBox label={say('which')} {...form.box('bin')}>
        {bins.map((one) => (
          <option key={one.id} value={one.id}>
            {one.name}
          </option>
        ))}
      </SelectBox>
      <Choices
        label={say('itLooks')}
        {...form.choice('seen')}
        choices={SEEN.map((value) => ({ value, label: say(`seen_${value}`) }))}
      />
      {seen !== 'empty' && <TextBox label={say('downFromEave')} {...pad.box('below')} />}
      {problem && <p className="text-lg text-clay">{problem}</p>}
      {found && (
        <p className="text-xl" role="status">
          {say(differs ? (found.answer === 'more' ? 'moreThanBook' : 'lessThanBook') : 'bookAgrees', {
            much: grain(found.kg, per).text,
            book: grain(held.wetKg, per).text,
            by: grain(Math.abs(found.differenceKg), per).text,
          })}
        </p>
      )}
    </PadDrawer>
  );
}
