import type { PlaceInfo } from '@fanega/contract';
import { useState } from 'react';
import { toast } from 'sonner';
import { put } from '../../data/api';
import { type Farm, useRefreshFarm } from '../../data/farm';
import { useSend } from '../../data/use-send';
import { Sheet, TextBox } from '../../ui';
import { FormSheet } from '../../ui/form-sheet';
import { formatBushels, parseNumber } from '../../widgets/quantity';
import { KIND_WORDS } from './words';

/** All places with what each holds; a tap changes it. */
export function PlacesSheet({ farm, onClose }: { farm: Farm; onClose: () => void }) {
  const [place, setPlace] = useState<PlaceInfo | null>(null);
  if (place) return <PlaceSheet farm={farm} place={place} onClose={() => setPlace(null)} />;
  return (
    <Sheet open title="Names and sizes" onClose={onClose}>
      <ul className="px-5 py-2">
        {farm.data.places.map((one) => (
          <li key={one.id} className="border-b border-rule">
            <button type="button" className="flex min-h-12 w-full items-baseline justify-between gap-4 py-2 text-left" onClick={() => setPlace(one)}>
              <span>
                <b>{one.name}</b> <span className="text-sm text-muted">{KIND_WORDS[one.kind as keyof typeof KIND_WORDS]}</span>
              </span>
              <span className={one.capacityBu === null ? 'text-sm text-muted' : ''}>
                {one.kind === 'buyer' ? '' : one.capacityBu === null ? 'size not known' : `${formatBushels(one.capacityBu)} bu`}
              </span>
            </button>
          </li>
        ))}
      </ul>
    </Sheet>
  );
}

/** What a place is called and holds. Its kind stays: what was recorded was mixed by it. */
function PlaceSheet({ farm, place, onClose }: { farm: Farm; place: PlaceInfo; onClose: () => void }) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const [name, setName] = useState(place.name);
  const [holds, setHolds] = useState(place.capacityBu === null ? '' : String(place.capacityBu));
  const [tried, setTried] = useState(false);
  const capacityBu = holds.trim() === '' ? undefined : parseNumber(holds);
  const wrong = {
    name: name.trim() === '' ? 'The place needs a name' : undefined,
    holds: capacityBu !== undefined && !(capacityBu > 0) ? 'A number of bushels, like 18,000' : undefined,
  };
  const save = async (): Promise<void> => {
    setTried(true);
    if (wrong.name || wrong.holds) return;
    const body = { name: name.trim(), ...(capacityBu === undefined ? {} : { capacityBu }) };
    if (!(await sending.send(() => put<{ placeId: string }>(`/farms/${farm.id}/places/${place.id}`, body)))) return;
    toast(`${body.name} is kept`);
    await refresh();
    onClose();
  };
  return (
    <FormSheet title={place.name} button="Keep it" busy={sending.busy} problem={sending.message} onSubmit={save} onClose={onClose}>
      <TextBox label="Name" maxLength={60} value={name} error={(tried ? wrong.name : undefined) ?? sending.at.name} onChange={(event) => setName(event.target.value)} />
      {place.kind !== 'buyer' && (
        <TextBox
          label="Holds"
          unit="bu"
          inputMode="decimal"
          hint="struck; leave empty where nobody knows"
          value={holds}
          error={(tried ? wrong.holds : undefined) ?? sending.at.capacityBu}
          onChange={(event) => setHolds(event.target.value)}
        />
      )}
      <p className="text-sm text-muted">
        {KIND_WORDS[place.kind as keyof typeof KIND_WORDS]}: what it is, and how grain comes out of it, stays; what was recorded was mixed by it.
      </p>
    </FormSheet>
  );
}
