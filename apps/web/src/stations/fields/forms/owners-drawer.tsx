import { FIELD_NAMES, type LotInfo, REVISION_REASON } from '@fanega/core';
import { useState } from 'react';
import { useFieldArray } from 'react-hook-form';
import { ulid } from 'ulid';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { revision } from '../../../data/records';
import { share } from '../../../quantity/quantity';
import { Button, TextBox } from '../../../ui';
import { rows } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { toast } from '../../../ui/toast';
import { figureBox, textBox } from '../../../widgets/record-boxes';

/** Whose a field's grain is: a landlord's share, a neighbor's rows, a family member's part. What was recorded is split again by it. */
export function OwnersDrawer({ farm, lot, onClose }: { farm: Farm; lot: LotInfo; onClose: () => void }) {
  const refresh = useRefreshFarm(farm.id);
  const own = farm.data.farm.name;
  const [id] = useState(ulid);
  const others = lot.shares.filter(({ owner }) => owner !== own);
  const form = useFields({
    keptAs: `owners.${farm.id}.${lot.id}`,
    boxes: {
      owners: rows((i) => ({
        owner: textBox(FIELD_NAMES.owner, 'Whose part?'),
        part: figureBox(FIELD_NAMES.part, share, { was: others[i]?.part }),
      })),
      reason: textBox(REVISION_REASON, 'Say why: it stays in the book for good'),
    },
    start: () => ({
      owners: others.map(({ owner, part }) => ({ owner, part: share.text(part) })),
      reason: '',
    }),
    together: ({ owners }): Record<string, string> =>
      sumOf(owners) > 1.00001 ? { '': 'Together they have more than all of it' } : {},
    close: onClose,
    save: async ({ owners, reason }) => {
      const rest = Math.max(0, 1 - sumOf(owners));
      const shares = [
        ...(rest > 0.0001 ? [{ owner: own, part: rest }] : []),
        // What rounding leaves goes to the last: the parts come to the whole.
        ...owners.map(({ owner, part }, i) => ({
          owner,
          part: rest <= 0.0001 && i === owners.length - 1 ? 1 - sumOf(owners.slice(0, -1)) : part,
        })),
      ];
      await write(
        farm.id,
        revision(farm.id, reason, { what: 'shares', lot: lot.id, shares }, id),
        `owners of ${lot.fieldName}`,
      );
      toast('Its grain is split so');
      await refresh();
    },
  });
  const { fields, append, remove } = useFieldArray({ control: form.control, name: 'owners' });
  const typed = form.texts.owners.map(({ part }) => share.read(part).value ?? NaN);
  const left = Math.max(0, 1 - typed.reduce((sum, part) => sum + part, 0));
  return (
    <FormDrawer form={form} title={`Whose is ${lot.fieldName}?`} button="Keep it">
      <p>
        The farm&rsquo;s own: <b>{Number.isNaN(left) ? '–' : share.text(left)} %</b>
      </p>
      {fields.map((row, i) => (
        <div key={row.id} className="grid grid-cols-[1fr_7rem] gap-3">
          <TextBox label="Owner" {...form.box(`owners.${i}.owner`)} />
          <TextBox label="Part" {...form.box(`owners.${i}.part`)} />
        </div>
      ))}
      <p className="flex gap-4">
        <Button
          look="quiet"
          className="!px-0"
          disabled={fields.length >= 10}
          onClick={() => append({ owner: '', part: '' })}
        >
          Another owner
        </Button>
        {fields.length > 0 && (
          <Button look="quiet" className="!px-0" onClick={() => remove(fields.length - 1)}>
            One less
          </Button>
        )}
      </p>
      <TextBox label="Why" hint="a lease signed, a share that was wrong" {...form.box('reason')} />
      <p className="text-sm text-muted">
        Grain of others is never counted as the farm&rsquo;s own: it is split at every delivery by these parts.
      </p>
    </FormDrawer>
  );
}

const sumOf = (owners: readonly { readonly part: number }[]): number => owners.reduce((sum, { part }) => sum + part, 0);
