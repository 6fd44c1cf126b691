import type { ReactNode } from 'react';
import { useFarm } from '../data/farm';
import { Below } from '../ui/below';
import { EntryLog } from './entry-log';
import { Vessels } from './vessels';
import { StartLink } from './start-link';

/** The vessels of a part of the way, how full they are and with what; and the last entries made there. */
export function VesselPage({
  question,
  kinds,
  types,
  between,
}: {
  question: string;
  kinds: readonly string[];
  types: string;
  between?: ReactNode;
}) {
  const farm = useFarm();
  const vessels = farm.data.places.filter((place) => kinds.includes(place.kind));
  return (
    <>
      <section aria-label={question} className="border-b border-ink px-5 py-5 lg:px-6">
        <h2 className="text-sm text-muted">{question}</h2>
        {vessels.length === 0 && (
          <div className="mt-2 flex flex-wrap items-center gap-4 text-muted">
            <p>The farm has none of these yet.</p>
            <StartLink step={kinds.includes('bin') ? 'bins' : 'machines'}>Add them</StartLink>
          </div>
        )}
        <Vessels farm={farm} vessels={vessels} />
      </section>
      {between}
      <Below>
        <EntryLog farm={farm} types={types} places={vessels.map((place) => place.id)} />
      </Below>
    </>
  );
}
