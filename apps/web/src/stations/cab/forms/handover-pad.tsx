import { HANDOVER } from '@fanega/core';
import { ulid } from 'ulid';
import { logged } from '../../../data/records';
import { TextBox } from '../../../ui';
import { Dictate } from '../../../widgets/dictate';
import { useFields } from '../../../ui/form/use-fields';
import { textBox } from '../../../widgets/record-boxes';
import { say } from '../../../words';
import { type MachinePadGiven, PadDrawer } from './pad-drawer';

const TOLD = 300;

/** What the next one at the machine must know; settings, loss and what is in it stand on his screen by themselves. */
export function HandoverPad({ farm, me, from, onClose, onKeep }: MachinePadGiven & { readonly from: string }) {
  const { fields } = HANDOVER;
  const form = useFields({
    keptAs: `handover.${farm.id}.${me.id}`,
    boxes: { to: textBox(fields.to), machine: textBox(fields.machine), promised: textBox(fields.promised) },
    start: () => ({ to: '', machine: '', promised: '' }),
    close: onClose,
    save: ({ to, machine, promised }) => {
      const body = {
        id: ulid(),
        at: new Date(farm.clock()).toISOString(),
        placeId: me.id,
        from,
        to,
        machine,
        promised,
      };
      onKeep(logged(farm.id, 'handover', body), say('handKept', { place: me.name }));
      return Promise.resolve(true);
    },
  });
  return (
    <PadDrawer form={form} title={say('way_handover')}>
      <TextBox label={say('handTo')} {...form.box('to')} />
      <TextBox label={say('handMachine')} {...form.box('machine')} />
      <Dictate text={form.texts.machine} most={TOLD} onText={(text) => form.set('machine', text)} />
      <TextBox label={say('handPromised')} {...form.box('promised')} />
      <Dictate text={form.texts.promised} most={TOLD} onText={(text) => form.set('promised', text)} />
    </PadDrawer>
  );
}
