import { type CrewSpot, type Rig, RIG_MOVE, RIG_ROAD } from '@fanega/core';
import { useState } from 'react';
import { ulid } from 'ulid';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { logged, setting } from '../../../data/records';
import { length, minutes, speed, system } from '../../../quantity/quantity';
import { momentTyped } from '../../../quantity/time';
import { SelectBox, TextBox } from '../../../ui';
import { CheckBox } from '../../../ui/check-box';
import { oneOf, rows, yesNo } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { figureBox, momentBox, recordErrors } from '../../../widgets/record-boxes';
import { useRecorded } from '../../../widgets/take-back';

/** How a machine goes on the road. */
export function RigForm({ farm, rig, revision, onClose }: { farm: Farm; rig: Rig; revision: number; onClose: () => void }) {
  const refresh = useRefreshFarm(farm.id);
  const { fields } = RIG_ROAD;
  const { road } = rig;
  const form = useFields({
    keptAs: `rig.${farm.id}.${rig.placeId}.${system()}`,
    boxes: {
      width: figureBox(fields.width, length, { was: road.width, missing: 'How wide is it on the road?' }),
      speed: figureBox(fields.speed, speed, { was: road.speed, missing: 'How fast does it go?' }),
      readyMin: figureBox(fields.readyMin, minutes, { missing: 'How long does it take?' }),
      headOnCart: yesNo,
      escort: yesNo,
    },
    start: () => ({
      width: length.text(road.width),
      speed: speed.text(road.speed),
      readyMin: minutes.text(road.readyMin),
      headOnCart: road.headOnCart,
      escort: road.escort,
    }),
    close: onClose,
    save: async (value) => {
      await write(farm.id, setting(farm.id, 'rigRoad', rig.placeId, { revision, value }));
      await refresh();
    },
  });
  return (
    <FormDrawer form={form} title={`${farm.placeName(rig.placeId)} on the road`} button="Save">
      <TextBox label="Widest point" hint="as it goes there" {...form.box('width')} />
      <TextBox label="Road speed" {...form.box('speed')} />
      <TextBox label="To make it ready" hint="for the road and for the field again, both together" {...form.box('readyMin')} />
      {rig.kind === 'combine' && (
        <CheckBox checked={form.texts.headOnCart} onChange={(on) => form.set('headOnCart', on)}>
          The head comes off and goes on its cart
        </CheckBox>
      )}
      <CheckBox checked={form.texts.escort} onChange={(on) => form.set('escort', on)}>
        A pickup drives ahead or behind
      </CheckBox>
      <p className="text-sm text-muted">Width, lights and escorts on the road: your state&rsquo;s law counts.</p>
    </FormDrawer>
  );
} // prettier-ignore

/** A machine that went from one field to the next: from the first one on, its own minutes stand in the plan. */
export function MoveForm({
  farm,
  rigs,
  rig,
  fromLotId,
  toLotId,
  crew,
  onClose,
}: {
  farm: Farm;
  rigs: readonly Rig[];
  rig: string;
  fromLotId: string | null;
  toLotId: string;
  crew: readonly Pick<CrewSpot, 'vehicle'>[];
  onClose: () => void;
}) {
  const refresh = useRefreshFarm(farm.id);
  const recorded = useRecorded();
  const [id] = useState(ulid);
  const { timeZone } = farm.data.farm;
  const now = farm.clock();
  const pickups = [...new Set(crew.flatMap(({ vehicle }) => vehicle ?? []))];
  const lots = farm.data.lots.filter(({ season }) => season === farm.lot(toLotId)?.season);
  const form = useFields({
    boxes: {
      placeId: oneOf<string>(),
      fromLot: oneOf<string>(),
      toLot: oneOf<string>(),
      leftAt: momentBox(timeZone, now),
      at: momentBox(timeZone, now),
      along: rows(() => ({ is: yesNo })),
    },
    start: () => ({
      placeId: rig,
      fromLot: fromLotId ?? '',
      toLot: toLotId,
      leftAt: momentTyped(now - 20 * 60_000, timeZone),
      at: momentTyped(now, timeZone),
      along: pickups.map(() => ({ is: false })),
    }),
    together: ({ placeId, fromLot, toLot, leftAt, at }): Record<string, string> => ({
      ...(fromLot === toLot ? { toLot: 'It is the field that it left' } : {}),
      ...recordErrors(RIG_MOVE, { id, placeId, toLot, at: new Date(at).toISOString(), leftAt: new Date(leftAt).toISOString(), along: [] }), // prettier-ignore
    }),
    close: onClose,
    save: async ({ placeId, fromLot, toLot, leftAt, at, along }) => {
      const body = {
        id,
        at: new Date(at).toISOString(),
        leftAt: new Date(leftAt).toISOString(),
        placeId,
        ...(fromLot ? { fromLot } : {}),
        toLot,
        along: pickups.filter((_, i) => along[i]?.is),
      };
      await write(farm.id, logged(farm.id, 'rigMove', body), 'a move');
      recorded('Move recorded', 'rigMove', id);
      await refresh();
    },
  });
  const fields = lots.map(({ id: lotId, fieldName }) => (
    <option key={lotId} value={lotId}>
      {fieldName}
    </option>
  ));
  return (
    <FormDrawer form={form} title="A machine moved" button="Record the move">
      <SelectBox label="Machine" {...form.box('placeId')}>
        {rigs.map(({ placeId }) => (
          <option key={placeId} value={placeId}>
            {farm.placeName(placeId)}
          </option>
        ))}
      </SelectBox>
      <div className="grid grid-cols-2 gap-3">
        <SelectBox label="From" {...form.box('fromLot')}>
          <option value="">the yard</option>
          {fields}
        </SelectBox>
        <SelectBox label="To" {...form.box('toLot')}>
          {fields}
        </SelectBox>
        <TextBox label="Left" {...form.box('leftAt')} />
        <TextBox label="There" {...form.box('at')} />
      </div>
      {pickups.length > 0 && (
        <fieldset>
          <legend className="text-sm text-muted">Went along</legend>
          {pickups.map((name, i) => (
            <CheckBox
              key={name}
              checked={form.texts.along[i]?.is ?? false}
              onChange={(on) => form.set('along', form.texts.along.map((one, k) => (k === i ? { is: on } : one)))} // prettier-ignore
            >
              {name}
            </CheckBox>
          ))}
        </fieldset>
      )}
    </FormDrawer>
  );
}
