import { SITE_MACHINE, SITE_MACHINE_KINDS, SITE_EQUIPMENT, type SiteEquipment } from '@fanega/core';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { setting } from '../../../data/records';
import { grainRate } from '../../../quantity/quantity';
import { Button, SelectBox, TextBox } from '../../../ui';
import { oneOf, rows } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { figureOrNone, recordErrors, textBox } from '../../../widgets/record-boxes';

export const MACHINE_WORDS: Readonly<Record<(typeof SITE_MACHINE_KINDS)[number], string>> = {
  pit: 'Pit',
  leg: 'Leg',
  distributor: 'Distributor',
  conveyor: 'Conveyor',
  auger: 'Auger',
  gate: 'Gate',
};
type Kind = (typeof SITE_MACHINE_KINDS)[number];

/** Short ids that a motors' device names its machines by: made from the name, once. */
function idFor(name: string, taken: ReadonlySet<string>): string {
  const base =
    name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || 'machine';
  for (let n = 1; ; n++) {
    const id = n === 1 ? base.slice(0, 36) : `${base.slice(0, 34)}-${n}`;
    if (!taken.has(id)) return id;
  }
}

/** The machines of the site and what each feeds. Names are typed; the drawing follows. */
export function EquipmentDrawer({
  farm,
  equipment,
  revision,
  onClose,
}: {
  farm: Farm;
  equipment: SiteEquipment;
  revision: number;
  onClose: () => void;
}) {
  const refresh = useRefreshFarm(farm.id);
  const per = farm.kgPerBu(undefined);
  const places = farm.data.places.filter(({ kind }) => !['buyer', 'combine', 'cart'].includes(kind));
  const form = useFields({
    keptAs: `site.${farm.id}`,
    boxes: {
      machines: rows(() => ({
        id: textBox(SITE_MACHINE.name),
        name: textBox(SITE_MACHINE.name, 'What is it called?'),
        kind: oneOf<Kind>(),
        rate: figureOrNone(SITE_MACHINE.rate, grainRate, { per }),
        /** Names of what it is fed by, one after the other. */
        fedBy: textBox({ spec: { kind: 'text', least: 0, most: 200, form: 'any' }, optional: false, nullable: false }),
        feeds: textBox({ spec: { kind: 'text', least: 0, most: 400, form: 'any' }, optional: false, nullable: false }),
      })),
    },
    start: () => {
      const nameOf = new Map([
        ...places.map(({ id, name }) => [id, name] as const),
        ...equipment.machines.map(({ id, name }) => [id, name] as const),
      ]);
      const isMachine = new Set(equipment.machines.map(({ id }) => id));
      return {
        machines: equipment.machines.map(({ id, name, kind, rate }) => ({
          id,
          name,
          kind,
          rate: grainRate.text(rate, per),
          // Between machines it is written at the first of the two.
          fedBy: equipment.links
            .filter(({ from, to }) => to === id && !isMachine.has(from))
            .map(({ from }) => nameOf.get(from) ?? from)
            .join('; '),
          feeds: equipment.links
            .filter(({ from }) => from === id)
            .map(({ to }) => nameOf.get(to) ?? to)
            .join('; '),
        })),
      };
    },
    together: ({ machines }): Record<string, string> => {
      const { errors, value } = siteOf(machines, places);
      return Object.keys(errors).length > 0 ? errors : recordErrors(SITE_EQUIPMENT, value);
    },
    close: onClose,
    save: async ({ machines }) => {
      const { value } = siteOf(machines, places);
      await write(farm.id, setting(farm.id, 'siteEquipment', 'farm', { revision, value }));
      await refresh();
    },
  });
  const { texts, set } = form;
  return (
    <FormDrawer form={form} title="Machines of the site" button="Keep it">
      <p className="text-sm text-muted">
        In the order of the grain: what each machine feeds, by name, with a semicolon between them. Places:{' '}
        {places.map(({ name }) => name).join('; ')}.
      </p>
      {texts.machines.map((one, i) => (
        <fieldset key={i} className="space-y-3 border-t border-rule pt-3">
          <legend className="font-semibold">{one.name || `Machine ${i + 1}`}</legend>
          <TextBox label="Name" {...form.box(`machines.${i}.name`)} />
          <div className="grid grid-cols-2 gap-3">
            <SelectBox label="Kind" {...form.box(`machines.${i}.kind`)}>
              {SITE_MACHINE_KINDS.map((kind) => (
                <option key={kind} value={kind}>
                  {MACHINE_WORDS[kind]}
                </option>
              ))}
            </SelectBox>
            <TextBox label="Moves" hint="blank: as much as comes" {...form.box(`machines.${i}.rate`)} />
          </div>
          <TextBox label="Feeds" hint="machines and places, with ; between" {...form.box(`machines.${i}.feeds`)} />
          <TextBox
            label="A place that feeds it"
            hint="the dryer, a bin; blank: none"
            {...form.box(`machines.${i}.fedBy`)}
          />
          <Button
            look="quiet"
            className="!px-0"
            onClick={() =>
              set(
                'machines',
                texts.machines.filter((_, k) => k !== i),
              )
            }
          >
            Leave out
          </Button>
        </fieldset>
      ))}
      <Button
        onClick={() =>
          set('machines', [...texts.machines, { id: '', name: '', kind: 'auger', rate: '', fedBy: '', feeds: '' }])
        }
      >
        Another machine
      </Button>
    </FormDrawer>
  );
}

interface Typed {
  readonly id: string;
  readonly name: string;
  readonly kind: Kind;
  readonly rate: number | undefined;
  readonly fedBy: string;
  readonly feeds: string;
}

/** Machines and links as they are typed, with what names nothing at its box. */
function siteOf(
  typed: readonly Typed[],
  places: readonly { readonly id: string; readonly name: string }[],
): { readonly value: SiteEquipment; readonly errors: Record<string, string> } {
  const taken = new Set(typed.map(({ id }) => id).filter((id) => id !== ''));
  const ids = typed.map(({ id, name }) => {
    if (id !== '') return id;
    const made = idFor(name, taken);
    taken.add(made);
    return made;
  });
  const byName = new Map<string, string>([
    ...places.map(({ id, name }) => [name.trim().toLowerCase(), id] as const),
    ...typed.map(({ name }, i) => [name.trim().toLowerCase(), ids[i]!] as const),
  ]);
  const errors: Record<string, string> = {};
  const split = (text: string): string[] =>
    text
      .split(';')
      .map((one) => one.trim())
      .filter((one) => one !== '');
  const links: { from: string; to: string }[] = [];
  typed.forEach(({ feeds, fedBy }, i) => {
    for (const [box, text] of [
      ['feeds', feeds],
      ['fedBy', fedBy],
    ] as const)
      for (const name of split(text)) {
        const other = byName.get(name.toLowerCase());
        if (other === undefined) errors[`machines.${i}.${box}`] = `No machine or place is called “${name}”`;
        else if (other === ids[i]) errors[`machines.${i}.${box}`] = 'It cannot feed itself';
        else {
          const link = box === 'feeds' ? { from: ids[i]!, to: other } : { from: other, to: ids[i]! };
          if (!links.some(({ from, to }) => from === link.from && to === link.to)) links.push(link);
        }
      }
  });
  return {
    errors,
    value: {
      machines: typed.map(({ name, kind, rate }, i) => ({
        id: ids[i]!,
        name: name.trim(),
        kind,
        driven: kind !== 'distributor' && kind !== 'gate',
        ...(rate === undefined ? {} : { rate }),
      })),
      links,
    },
  };
}
