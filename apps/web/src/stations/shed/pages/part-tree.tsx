import { commonCause, HANGING_PART, hangOn, type PartHeat, type PartTree, type SettingEntry } from '@fanega/core';
import { useState } from 'react';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { setting } from '../../../data/records';
import { useSend } from '../../../data/use-send';
import { Button, Problem, TextBox } from '../../../ui';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { textBox } from '../../../widgets/record-boxes';

const WORST_MS = 48 * 3_600_000;
const NONE: PartTree = { hangs: [] };

/** Which part hangs on which, and one part that explains what was noticed on several. */
export function PartTreeList({
  farm,
  placeId,
  kept,
  heats,
}: {
  farm: Farm;
  placeId: string;
  kept: SettingEntry<'partTree'> | undefined;
  heats: readonly PartHeat[];
}) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const [adding, setAdding] = useState(false);
  const tree = kept?.value ?? NONE;
  const keep = async (value: PartTree): Promise<boolean> => {
    const sent = await sending.send(() => write(farm.id, setting(farm.id, 'partTree', placeId, { revision: kept?.revision ?? 0, value }))); // prettier-ignore
    if (sent) await refresh();
    return sent !== undefined;
  };
  const lately = heats.filter(({ at, noticed, feels }) => farm.clock() - Date.parse(at) < WORST_MS && (noticed.trim() !== '' || feels === 'tooHotToHold')); // prettier-ignore
  const cause = commonCause(tree, lately.map(({ part }) => part)); // prettier-ignore
  const known = [...new Set([...tree.hangs.flatMap(({ part, on }) => [part, on]), ...heats.map(({ part }) => part)])];
  return (
    <div className="mt-4 border-t border-rule pt-3">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h4 className="text-lg">What drives what</h4>
        <Button onClick={() => setAdding(true)}>Add a part</Button>
      </div>
      {cause && (
        <p role="status" className="mt-1 text-lg font-semibold">
          ◐ {cause.explains.join(' and ')}: look at {cause.part} first: it drives them.
        </p>
      )}
      <Problem>{sending.message}</Problem>
      {tree.hangs.length === 0 ? (
        <p className="text-muted">
          The shaft drives the belt, the bearing carries the shaft: told once, two small signs point to one part.
        </p>
      ) : (
        <ul aria-label="What drives what" className="mt-1 max-w-2xl divide-y divide-rule">
          {tree.hangs.map(({ part, on }, i) => (
            <li key={`${part} ${on}`} className="flex flex-wrap items-center gap-x-4 py-1">
              <span className="flex-1">
                <b>{part}</b> on {on}
                {hangOn(tree, part).length > 0 && (
                  <span className="text-muted">, with {hangOn(tree, part).join(', ')} on it</span>
                )}
              </span>
              <Button
                look="quiet"
                className="!px-0"
                onClick={() => void keep({ hangs: tree.hangs.filter((_, k) => k !== i) })}
              >
                Take it out
              </Button>
            </li>
          ))}
        </ul>
      )}
      {adding && (
        <AddPart
          known={known}
          onClose={() => setAdding(false)}
          onKeep={(one) => keep({ hangs: [...tree.hangs, one] })}
        />
      )}
    </div>
  );
}

function AddPart({
  known,
  onClose,
  onKeep,
}: {
  known: readonly string[];
  onClose: () => void;
  onKeep: (one: PartTree['hangs'][number]) => Promise<boolean>;
}) {
  const form = useFields({
    boxes: { part: textBox(HANGING_PART.part, 'Which part?'), on: textBox(HANGING_PART.on, 'What drives it?') },
    start: () => ({ part: '', on: '' }),
    together: ({ part, on }): Record<string, string> =>
      part.trim().toLowerCase() === on.trim().toLowerCase() ? { on: 'A part does not drive itself' } : {},
    close: onClose,
    save: ({ part, on }) => onKeep({ part, on }),
  });
  return (
    <FormDrawer form={form} title="What drives what" button="Keep it">
      <TextBox label="This part" list="tree-parts" {...form.box('part')} />
      <TextBox label="is driven or carried by" list="tree-parts" {...form.box('on')} />
      <datalist id="tree-parts">
        {known.map((part) => (
          <option key={part} value={part} />
        ))}
      </datalist>
    </FormDrawer>
  );
}
