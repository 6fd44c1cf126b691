import type { ReactNode } from 'react';
import { useFarm, useTapePage } from '../data/farm';
import { Answered } from '../ui/answer';
import { EntryLog } from './entry-log';
import { Vessels } from './vessels';

/** The vessels of a part of the way, how full they are and with what; and the last entries made there. */
export function VesselPage({ question, kinds, types, between }: { question: string; kinds: readonly string[]; types: string; between?: ReactNode }) {
  const farm = useFarm();
  const vessels = farm.data.places.filter((place) => kinds.includes(place.kind));
  const page = useTapePage(
    120,
    types,
    vessels.map((place) => place.id),
  );
  return (
    <>
      <section aria-label={question} className="border-b border-ink px-5 py-5 lg:px-6">
        <h2 className="text-sm text-muted">{question}</h2>
        {vessels.length === 0 && <p className="mt-2 text-muted">The farm has none of these yet; places are added in Store.</p>}
        <Vessels farm={farm} vessels={vessels} />
      </section>
      {between}
      <Answered answer={page} what="Reading the book">
        {(lines) => <EntryLog farm={farm} lines={lines} />}
      </Answered>
    </>
  );
}
