import { Command } from 'cmdk';
import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';
import { toast } from '../ui/toast';
import { useSWRConfig } from 'swr';
import { readersSystem, setReadersSystem, system, UNIT_NAMES } from '../quantity/system';
import { clockStyle, setClockStyle } from '../quantity/time';
import { addressOf, ApiError, post, put, send } from '../data/api';
import { useDeliveries, useFarm } from '../data/farm';
import { finderMatch } from './finder-match';
import { KINDS, useRecorder } from '../widgets/record';
import { Swatch } from '../widgets/weave';
import { type Theme, THEMES } from '../ui/stored-theme';

const GO = [
  ['/fields/next', 'Which field next?'],
  ['/cut/loss', 'Loss check'],
  ['/cut/settings', 'Settings of the combine'],
  ['/cut/monitor', 'Display against scales'],
  ['/cut/switch', 'Stay or switch before the rain'],
  ['/cut/heads', 'Heads: dew or dry, borrow one'],
  ['/cut/settings', 'Samples: fines, cracked, foreign; a neighbor’s settings'],
  ['/haul/moves', 'Moves: machines to the next field, escort, ride back'],
  ['/shed', 'Ready for harvest?'],
  ['/sell/settle', 'Settle: what buyers paid'],
  ['/trace/owners', 'Statements for landlords and owners'],
  ['/trace/data', 'Data in and out'],
  ['/trace/book', 'Backups, and the book checked'],
  ['/shed/breakdowns', 'Breakdowns'],
  ['/trace/day', 'The day on one page'],
  ['/trace/years', 'Years side by side: field, variety, moisture, settings'],
  ['/trace/insurance', 'Insurance: production to count'],
  ['/settings', 'People: members, roles, invite'],
  ['/settings', 'Landlord or shared bin site: a link to their grain'],
  ['/settings', 'Pair a phone or tablet: hired driver, trucker'],
  ['/start', 'Set the farm up: fields, machines, bins, buyers'],
  ['/settings/farm', 'Settings: units, time, base moisture'],
  ['/settings/farm', 'Crops of your own: popcorn, rye, rice'],
  ['/settings/prices', 'Prices: truck, labor, interest, diesel, propane'],
  ['/settings/farm', 'Safety in your own words: lockout, whom to call'],
  ['/settings/account', 'My account: name, password, sessions'],
  ['/settings/programs', 'Programs: tokens for scripts'],
  ['/settings/changes', 'Who changed what'],
] as const;

interface Props {
  readonly onClose: () => void;
  readonly onGo: (path: string) => void;
  readonly onTheme: (theme: Theme) => void;
}

/** Find a field, a place, a ticket or a thing to do by typing. */
export default function CommandPalette(props: Props) {
  return (
    <Dialog.Root open onOpenChange={(open) => !open && props.onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/35" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-[8vh] left-1/2 z-50 w-[min(36rem,94vw)] -translate-x-1/2 border-2 border-ink bg-paper outline-none"
        >
          <Dialog.Title className="sr-only">Find</Dialog.Title>
          <Finder {...props} />
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Finder({ onClose, onGo, onTheme }: Props) {
  const farm = useFarm();
  const recorder = useRecorder();
  const deliveries = useDeliveries();
  const { mutate } = useSWRConfig();
  const go = (path: string) => () => {
    onClose();
    onGo(path);
  };
  const act = (work: () => void) => () => {
    onClose();
    work();
  };
  return (
    <Command label="Find" filter={finderMatch} className="flex max-h-[70vh] flex-col">
      <Command.Input
        placeholder="A field, a bin, a ticket, or what to do …"
        className="min-h-14 w-full border-b border-ink bg-tape px-4 text-lg outline-none"
      />
      <Command.List className="overflow-y-auto p-2">
        <Command.Empty className="p-4 text-muted">Nothing of that name.</Command.Empty>
        <Group title="Record">
          {KINDS.map((kind) => (
            <Item key={kind.value} onSelect={act(() => recorder.open({ kind: kind.value }))} keys={`n ${kind.key}`}>
              {kind.label}
            </Item>
          ))}
        </Group>
        <Group title="Go to">
          {GO.map(([path, name]) => (
            <Item key={name} onSelect={go(path)}>
              {name}
            </Item>
          ))}
        </Group>
        <Group title="Fields">
          {farm.data.lots.map((lot) => (
            <Item
              key={lot.id}
              value={`${lot.fieldName} ${lot.tag} ${lot.crop} ${lot.season} ${lot.id}`}
              onSelect={go(`/trace/lot/${lot.id}`)}
            >
              <Swatch index={farm.lotIndex(lot.id)} /> {lot.fieldName}
              <span className="text-muted">
                {lot.crop} {lot.season}
              </span>
            </Item>
          ))}
        </Group>
        <Group title="Places">
          {farm.data.places
            .filter((place) => place.kind !== 'buyer')
            .map((place) => (
              <Item key={place.id} onSelect={go(`/store/${place.id}`)}>
                {place.name}
              </Item>
            ))}
        </Group>
        <Group title="Tickets">
          {(deliveries.data ?? []).slice(0, 200).map((delivery) => (
            <Item
              key={delivery.entry.id}
              value={`ticket ${delivery.ticket ?? ''} ${farm.placeName(delivery.to)} ${delivery.entry.id}`}
              onSelect={go(`/trace/delivery/${delivery.entry.id}`)}
            >
              {delivery.ticket ? `Ticket ${delivery.ticket}` : 'No ticket'}{' '}
              <span className="text-muted">{farm.placeName(delivery.to)}</span>
            </Item>
          ))}
        </Group>
        <Group title="Screen">
          {THEMES.map((theme) => (
            <Item key={theme} onSelect={act(() => onTheme(theme))}>
              {`Theme: ${theme}`}
            </Item>
          ))}
          <Item onSelect={act(() => setClockStyle(clockStyle() === '12' ? '24' : '12'))}>
            {clockStyle() === '12' ? 'Clock of 24 hours: 14:55' : 'Clock of 12 hours: 2:55 pm'}
          </Item>
          <Item onSelect={act(() => setReadersSystem(system() === 'us' ? 'metric' : 'us'))}>
            {`Units for me: ${UNIT_NAMES[system() === 'us' ? 'metric' : 'us']}`}
          </Item>
          {readersSystem() !== null && (
            <Item onSelect={act(() => setReadersSystem(null))}>
              {`Units as the farm has them: ${UNIT_NAMES[farm.data.farm.units]}`}
            </Item>
          )}
          <Item
            onSelect={act(
              () =>
                void send(
                  put(
                    '/api/farms/{farmId}/settings',
                    { path: { farmId: farm.id } },
                    { units: farm.data.farm.units === 'us' ? 'metric' : 'us', clock: farm.data.farm.clock },
                  ),
                ).catch((error: unknown) =>
                  toast.error(error instanceof ApiError ? error.message : 'This did not work.'),
                ),
            )}
          >
            {`Units of the farm: ${UNIT_NAMES[farm.data.farm.units === 'us' ? 'metric' : 'us']}`}
          </Item>
          <Item
            onSelect={act(() => window.location.assign(addressOf('/api/farms/{farmId}/book', { farmId: farm.id })))}
          >
            Save the whole book as a file
          </Item>
          <Item
            onSelect={act(
              () =>
                void send(post('/api/auth/sign-out', {}))
                  .then(() => ('caches' in window ? caches.delete('fanega-answers') : undefined))
                  .then(() => mutate(() => true)),
            )}
          >
            Sign out
          </Item>
        </Group>
      </Command.List>
    </Command>
  );
}

function Group({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Command.Group
      heading={title}
      className="[&_[cmdk-group-heading]]:px-2 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:text-sm [&_[cmdk-group-heading]]:font-semibold [&_[cmdk-group-heading]]:text-muted"
    >
      {children}
    </Command.Group>
  );
}

function Item({
  children,
  onSelect,
  value,
  keys,
}: {
  children: ReactNode;
  onSelect: () => void;
  value?: string;
  keys?: string;
}) {
  return (
    <Command.Item
      onSelect={onSelect}
      {...(value === undefined ? {} : { value })}
      className="flex min-h-11 cursor-pointer items-center gap-2 px-2 data-[selected=true]:bg-sand"
    >
      {children}
      {keys && <kbd className="ml-auto border border-rule px-1.5 font-mono text-sm text-muted">{keys}</kbd>}
    </Command.Item>
  );
}
