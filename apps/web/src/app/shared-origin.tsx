import { fingerprintOf, kgPerBushelOf } from '@fanega/core';
import useSWR from 'swr';
import { type ApiError, get } from '../data/api';
import { bushels, mass, number, percent } from '../quantity/quantity';
import { setFarmSystem } from '../quantity/system';
import { dated, setFarmClock } from '../quantity/time';
import { Loading } from '../ui';
import { Verdict } from '../ui/verdict';
import { cropWord, OriginFields, OriginLoads, sureSentence } from '../widgets/origin-view';
import { NothingToShow } from '../widgets/nothing-to-show';

const STANDS = {
  same: 'The farm’s book says the same today.',
  changed: 'The farm’s book has been corrected since: it says otherwise today. What you see is what was given to you.',
  gone: 'The farm has taken this delivery back since. What you see is what was given to you.',
} as const;

/** What somebody sees who was given a link: where one ticket's grain came from, and nothing else of the farm. */
export default function SharedOrigin({ secret }: { secret: string }) {
  const { data, error } = useSWR<Awaited<ReturnType<typeof ask>>, ApiError>(['origin', secret], () => ask(secret), {
    revalidateOnFocus: false,
    shouldRetryOnError: false,
  });
  if (error) return <NothingToShow why={error.message} />;
  if (!data) return <Loading what="Opening" />;
  setFarmSystem(data.units);
  setFarmClock(data.clock);
  const { file, stands } = data;
  const { origin, timeZone } = file;
  const isTicket = origin.subject.kind === 'delivery';
  const save = (): void => {
    const link = document.createElement('a');
    link.href = URL.createObjectURL(new Blob([JSON.stringify(file)], { type: 'application/json' }));
    link.download = `origin-${origin.name.replace(/[^A-Za-z0-9-]+/g, '-') || 'load'}.json`;
    link.click();
    setTimeout(() => URL.revokeObjectURL(link.href), 1000);
  };
  return (
    <main className="mx-auto max-w-6xl pb-10">
      <header className="border-b border-ink px-5 py-4 lg:px-6">
        <p className="text-sm text-muted">
          {file.farm}, for {data.givenTo}
        </p>
        <h1 className="mt-1 text-3xl">
          {isTicket ? `Where ticket ${origin.ticket ?? ''} came from` : `Where the grain in ${origin.to} came from`}
        </h1>
        <div className="mt-4">
          <Verdict
            about={`${isTicket ? `${origin.to}, ` : ''}${dated(origin.at, timeZone)}`}
            figure={mass(origin.wetKg).text}
            unit={`${cropWord(origin).toLowerCase()}${origin.moisture === null ? '' : ` at ${percent(origin.moisture)}`}, ${bushels(origin.wetKg / kgPerBushelOf(origin.crop ?? undefined), kgPerBushelOf(origin.crop ?? undefined)).text}`}
          >
            {sureSentence(origin)}
          </Verdict>
        </div>
        <p className={`mt-2 ${stands === 'same' ? 'text-muted' : 'font-semibold text-clay'}`}>{STANDS[stands]}</p>
      </header>
      <section aria-label="Fields" className="py-4">
        <OriginFields origin={origin} timeZone={timeZone} />
        {origin.maybe.length > 0 && (
          <p className="px-5 pt-2 text-muted lg:px-6">
            By another way of emptying it may also hold grain of {origin.maybe.map(({ name }) => name).join(', ')}.
          </p>
        )}
      </section>
      <section aria-label="Loads" className="border-t border-ink py-4">
        <h2 className="px-5 pb-2 text-xl lg:px-6">
          {origin.loads.length === 1 ? 'One load' : `${origin.loads.length} loads`} off the field
        </h2>
        <OriginLoads origin={origin} timeZone={timeZone} />
        {origin.through.length > 0 && (
          <p className="px-5 pt-3 lg:px-6">It lay in {origin.through.map(({ name }) => name).join(', ')} on its way.</p>
        )}
      </section>
      <footer className="border-t border-ink px-5 pt-4 text-sm text-muted lg:px-6">
        <p>
          Given on {dated(data.madeAt, timeZone)} out of the farm’s grain book at record {number(file.seq)}, fingerprint{' '}
          {fingerprintOf(file.link)}.
        </p>
        <button type="button" onClick={save} className="mt-1 min-h-11 font-semibold underline underline-offset-4">
          Save it as a file
        </button>{' '}
        that can be checked without this page: fanega-book verify.
      </footer>
    </main>
  );
}

const ask = (secret: string) => get('/api/origin/{secret}', { path: { secret } });
