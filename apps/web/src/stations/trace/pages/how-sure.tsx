import type { Division, DivisionWay, Origin, OriginSubject } from '@fanega/core';
import { Download, Link as LinkIcon, Printer } from 'lucide-react';
import { useState } from 'react';
import { addressOf } from '../../../data/api';
import { type Farm, useDivisions, useOrigin } from '../../../data/farm';
import { bushels, share } from '../../../quantity/quantity';
import { Button } from '../../../ui';
import { QueryBoundary } from '../../../ui/query-boundary';
import { OriginFields, sureSentence } from '../../../widgets/origin-view';
import { LinkDrawer } from '../forms/link-drawer';

const WAYS: Readonly<Record<DivisionWay, string>> = {
  asSet: 'As it is set',
  mixed: 'All mixed through',
  lastIn: 'Last in, first out',
  firstIn: 'First in, first out',
};
const LOOK = 'inline-flex min-h-11 items-center gap-2 font-semibold underline decoration-rule underline-offset-4 hover:decoration-ink'; // prettier-ignore

/** How sure each share of a ticket or of a bin is, what another way of emptying makes of it, and how to hand it out. */
export function HowSure({ farm, subject }: { farm: Farm; subject: OriginSubject }) {
  const of = subject.kind === 'delivery' ? 'deliveries' : 'places';
  const answer = useOrigin(of, subject.id);
  return (
    <section aria-label="How sure" className="border-b border-ink py-4">
      <h2 className="px-5 text-xl lg:px-6">How sure that is</h2>
      <QueryBoundary answer={answer} what="Following the grain">
        {(origin) => <Sure farm={farm} origin={origin} of={of} />}
      </QueryBoundary>
    </section>
  );
}

function Sure({ farm, origin, of }: { farm: Farm; origin: Origin; of: 'deliveries' | 'places' }) {
  const [sharing, setSharing] = useState(false);
  const [compared, setCompared] = useState(false);
  const path = { farmId: farm.id, of, id: origin.subject.id };
  const { timeZone } = farm.data.farm;
  const mixing = origin.fields.some(({ sure }) => sure === 'mixing') || origin.maybe.length > 0;
  return (
    <>
      <p className="px-5 text-lg lg:px-6">{sureSentence(origin)}</p>
      <OriginFields origin={origin} timeZone={timeZone} />
      {origin.maybe.length > 0 && (
        <p className="px-5 pt-2 text-muted lg:px-6">
          By another way of emptying it may also hold grain of {origin.maybe.map(({ name }) => name).join(', ')}.
        </p>
      )}
      <p className="flex flex-wrap items-center gap-x-6 px-5 pt-2 lg:px-6">
        <a
          href={addressOf('/api/farms/{farmId}/origins/{of}/{id}/pdf', path)}
          target="_blank"
          rel="noreferrer"
          className={LOOK}
        >
          <Printer size={18} aria-hidden="true" /> Print the origin
        </a>
        <a href={addressOf('/api/farms/{farmId}/origins/{of}/{id}/file', path)} download className={LOOK}>
          <Download size={18} aria-hidden="true" /> As a file
        </a>
        <button type="button" className={LOOK} onClick={() => setSharing(true)}>
          <LinkIcon size={18} aria-hidden="true" /> A link for the buyer
        </button>
        {mixing && !compared && (
          <Button look="quiet" className="!px-0" onClick={() => setCompared(true)}>
            What if the bins empty another way?
          </Button>
        )}
      </p>
      {compared && <Ways farm={farm} of={of} id={origin.subject.id} />}
      {sharing && <LinkDrawer farm={farm} subject={origin.subject} onClose={() => setSharing(false)} />}
    </>
  );
}

/** The same grain by each way in which bins may be held to empty: what each field, and each owner, has of it. */
function Ways({ farm, of, id }: { farm: Farm; of: 'deliveries' | 'places'; id: string }) {
  const answer = useDivisions(of, id, true);
  return (
    <QueryBoundary answer={answer} what="Dividing it other ways">
      {(ways) => <WaysTable farm={farm} ways={ways} />}
    </QueryBoundary>
  );
}

function WaysTable({ farm, ways }: { farm: Farm; ways: readonly Division[] }) {
  const lots = [...new Set(ways.flatMap((way) => Object.keys(way.lots)))];
  const sums = ways.map((way) => Object.values(way.lots).reduce((a, b) => a + b, 0));
  const owners = [...new Set(ways.flatMap((way) => way.owners.map(({ owner }) => owner)))];
  const per = farm.kgPerBu(farm.cropOf(ways[0]?.wetLots ?? {}));
  return (
    <div className="overflow-x-auto px-5 pt-3 lg:px-6" tabIndex={0} role="region" aria-label="Divided other ways">
      <table className="w-full max-w-3xl">
        <caption className="pb-1 text-left text-sm text-muted">
          The whole book read again with every bin, pit and pile emptying that way; carts and trucks as they are.
        </caption>
        <thead className="border-y border-ink text-sm">
          <tr>
            <th className="py-1 pr-2 text-left">Of</th>
            {ways.map(({ way }) => (
              <th key={way} className="px-2 text-right">
                {WAYS[way]}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {lots.map((lot) => (
            <tr key={lot} className="border-b border-rule">
              <th scope="row" className="py-1 pr-2 text-left font-normal">
                {farm.lot(lot)?.fieldName ?? 'no known field'}
              </th>
              {ways.map((way, i) => (
                <td key={way.way} className="px-2 text-right">
                  {share(sums[i]! > 0 ? (way.lots[lot] ?? 0) / sums[i]! : 0).text}
                </td>
              ))}
            </tr>
          ))}
          {owners.length > 1 &&
            owners.map((owner) => (
              <tr key={owner} className="border-b border-rule">
                <th scope="row" className="py-1 pr-2 text-left">
                  {owner}
                </th>
                {ways.map((way) => (
                  <td key={way.way} className="px-2 text-right font-semibold">
                    {bushels(way.owners.find((one) => one.owner === owner)?.bushels ?? 0, per).text}
                  </td>
                ))}
              </tr>
            ))}
        </tbody>
      </table>
    </div>
  );
}
