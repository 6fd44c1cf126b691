import { FUEL_FILL } from '@fanega/core';
import { ulid } from 'ulid';
import { useFuel, useShed } from '../../../data/farm';
import { logged } from '../../../data/records';
import { gaugeText, volume } from '../../../quantity/quantity';
import { TextBox } from '../../../ui';
import { yesNo } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { SwitchBox } from '../../../ui/switch-box';
import { figureBox } from '../../../widgets/record-boxes';
import { say } from '../../../words';
import { type MachinePadGiven, PadDrawer } from './pad-drawer';
import { usePad } from './use-pad';

/** A gauge at the pump and a tank's plate agree no better. Common practice, no source. */
const OVER = 1.05;

/** Fuel into the machine: what it likely took stands there already, and from a full tank on its hours are counted. */
export function FuelPad({ farm, me, onClose, onKeep }: MachinePadGiven) {
  const tank = useShed().data?.settings.fuelTank[me.id]?.value.gallons;
  const state = useFuel().data?.find(({ placeId }) => placeId === me.id)?.state;
  const likely = tank !== undefined && state ? Math.round(tank - state.leftGallons) : null;
  const form = useFields({
    boxes: { gallons: figureBox(FUEL_FILL.fields.gallons, volume, { missing: say('fuelHowMuch') }), full: yesNo },
    start: () => ({ gallons: likely !== null && likely >= 1 ? volume.text(likely) : '', full: true as boolean }),
    together: ({ gallons }): Record<string, string> =>
      tank !== undefined && gallons > tank * OVER ? { gallons: say('fuelTooMuch', { much: gaugeText(tank) }) } : {},
    close: onClose,
    save: ({ gallons, full }) => {
      const body = { id: ulid(), at: new Date(farm.clock()).toISOString(), placeId: me.id, gallons, full };
      onKeep(logged(farm.id, 'fuelFill', body), say('fuelFilled', { place: me.name, much: gaugeText(gallons) }));
      return Promise.resolve(false);
    },
  });
  const pad = usePad(form, 'gallons');
  return (
    <PadDrawer form={form} title={say('way_fuel')} onKey={pad.onKey}>
      <TextBox label={say('fuelIn')} {...pad.box('gallons')} />
      <SwitchBox large className="text-lg" on={form.texts.full} onChange={(on) => form.set('full', on)}>
        {say('fuelFull')}
      </SwitchBox>
    </PadDrawer>
  );
}
