import { useState } from 'react';
import useSWR from 'swr';
import { type ApiError, get, post, send } from '../data/api';
import { keepLastFarm, lastFarm } from '../data/early';
import { useMe } from '../data/farm';
import { setFarmSystem } from '../quantity/system';
import { dated, setFarmClock } from '../quantity/time';
import { Button, Loading, Problem } from '../ui';
import { Verdict } from '../ui/verdict';
import { OwnersGrainTable, sumsOf } from '../widgets/owners-grain';
import { NothingToShow } from '../widgets/nothing-to-show';

const ask = (secret: string) => get('/api/grain/{secret}', { path: { secret } });

/** What somebody sees who owns a part of what lies in a farm's bins: his part, as it stands now, and nothing else of the farm. */
export default function SharedGrain({ secret }: { secret: string }) {
  const { data, error } = useSWR<Awaited<ReturnType<typeof ask>>, ApiError>(['grain', secret], () => ask(secret), {
    shouldRetryOnError: false,
  });
  if (error) return <NothingToShow why={error.message} />;
  if (!data) return <Loading what="Opening" />;
  setFarmSystem(data.units);
  setFarmClock(data.clock);
  const { grain } = data;
  const [first, ...rest] = sumsOf(grain.lies);
  return (
    <main className="mx-auto max-w-5xl pb-10">
      <header className="border-b border-ink px-5 py-4 lg:px-6">
        <p className="text-sm text-muted">
          {data.farm}, for {data.givenTo}
        </p>
        <h1 className="mt-1 text-3xl">
          {grain.owner}: your grain at {data.farm}
        </h1>
        <div className="mt-4">
          <Verdict about={dated(data.at, data.timeZone)} figure={first?.text ?? 'nothing lies there'}>
            {rest.length > 0 ? `and ${rest.map(({ text }) => text).join(', ')}` : undefined}
          </Verdict>
        </div>
      </header>
      <section aria-label="Grain" className="px-5 py-5 lg:px-6">
        <OwnersGrainTable grain={grain} />
        {grain.lies.length + grain.delivered.length === 0 && <p className="text-lg">None of it is in the book yet.</p>}
        <p className="mt-4 max-w-2xl text-sm text-muted">
          Each field’s grain by its owners’ shares, as the farm’s book divides a bin in which fields lie together. It is
          as wet as it lies; what a buyer pays for is on his ticket.
        </p>
      </section>
      <Keep secret={secret} farm={data.farm} />
    </main>
  );
}

/** Who has a farm here himself sees it there among his own bins. */
function Keep({ secret, farm }: { secret: string; farm: string }) {
  const me = useMe().data;
  const [problem, setProblem] = useState<string | null>(null);
  const own = (me?.farms ?? []).filter(({ role, name, demo }) => (role === 'owner' || role === 'manager') && name !== farm && !demo); // prettier-ignore
  const into = own.find(({ id }) => id === lastFarm()) ?? own[0];
  if (!into) return null;
  const keep = (): void => {
    send(post('/api/farms/{farmId}/kept-shares', { path: { farmId: into.id } }, { secret })).then(
      () => {
        keepLastFarm(into.id);
        window.location.assign('/store');
      },
      (error: Error) => setProblem(error.message),
    );
  };
  return (
    <section aria-label="Keep it" className="border-t border-ink px-5 py-5 lg:px-6">
      <Button onClick={keep}>Show it in {into.name}’s Store</Button>
      <Problem>{problem}</Problem>
    </section>
  );
}
