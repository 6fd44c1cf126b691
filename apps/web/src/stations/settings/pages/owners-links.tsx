import type { OwnerLinkInfo } from '@fanega/contract';
import { landOwners } from '@fanega/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { post } from '../../../data/api';
import { type Farm, useOwnerLinks, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { useSend } from '../../../data/use-send';
import { day } from '../../../quantity/time';
import { Button, Problem, SelectBox, TextBox } from '../../../ui';
import { oneOf, words } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { Section } from '../../../ui/page';
import { QueryBoundary } from '../../../ui/query-boundary';
import { LinkOpened } from '../../../widgets/link-opened';
import { DaysBox, linkTold, OnceDrawer, useToldOnce } from '../../../widgets/told-once';

const DAYS = { '365': 'for a year', '30': 'for a month', '': 'until I cut it off' } as const;
type Days = keyof typeof DAYS;

/** Owners of fields who look at what is theirs in the bins, by a link: a landlord, the other family of a shared bin site. */
export function OwnersLinks({ farm }: { farm: Farm }) {
  const [giving, setGiving] = useState(false);
  // The farm itself needs none.
  const owners = landOwners(farm.data.lots).filter((owner) => owner !== farm.data.farm.name);
  return (
    <Section title="Owners who see their grain here">
      <div className="flex flex-wrap items-center justify-between gap-3 pb-3">
        <p className="max-w-xl text-muted">
          A landlord, or the other family of a shared bin site, sees by a link which grain in the bins is his, and
          nothing else of the farm.
          {owners.length === 0 && (
            <>
              {' '}
              All fields are the farm’s own: shares are set in{' '}
              <Link to="/fields" className="underline decoration-rule underline-offset-4">
                Fields
              </Link>
              .
            </>
          )}
        </p>
        {owners.length > 0 && <Button onClick={() => setGiving(true)}>Give a link</Button>}
      </div>
      <QueryBoundary answer={useOwnerLinks()} what="Getting the links">
        {(links) =>
          links.length === 0 ? null : (
            <ul aria-label="Links of owners" className="border-t border-rule">
              {links.map((link) => (
                <Given key={link.id} farm={farm} link={link} />
              ))}
            </ul>
          )
        }
      </QueryBoundary>
      {giving && <Give farm={farm} owners={owners} onClose={() => setGiving(false)} />}
    </Section>
  );
}

function Given({ farm, link }: { farm: Farm; link: OwnerLinkInfo }) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const { timeZone } = farm.data.farm;
  const over = link.revoked || (link.endsAt !== null && Date.parse(link.endsAt) < Date.now());
  const revoke = async (): Promise<void> => {
    const params = { path: { farmId: farm.id, linkId: link.id } };
    if (await sending.send(() => write(farm.id, post('/api/farms/{farmId}/owner-links/{linkId}/revoke', params)))) await refresh(); // prettier-ignore
  };
  return (
    <li className="flex flex-wrap items-center gap-x-5 border-b border-rule py-2">
      <span className="min-w-48 flex-1">
        <b className={over ? 'text-muted' : ''}>{link.owner}</b>, for {link.givenTo}
      </span>
      <span className="text-sm text-muted">
        <LinkOpened link={link} wall />
      </span>
      <span className={over ? 'text-muted' : ''}>
        {link.revoked
          ? 'cut off'
          : link.endsAt === null
            ? 'open'
            : `${over ? 'ended' : 'until'} ${day(link.endsAt, timeZone)}`}
      </span>
      {!over && (
        <Button look="quiet" className="!px-0" disabled={sending.busy} onClick={() => void revoke()}>
          Cut it off
        </Button>
      )}
      <Problem>{sending.message}</Problem>
    </li>
  );
}

function Give({ farm, owners, onClose }: { farm: Farm; owners: readonly string[]; onClose: () => void }) {
  const [secret, tell] = useToldOnce(farm);
  const form = useFields({
    boxes: { owner: oneOf<string>(), givenTo: words(120, 'Who is it for?'), days: oneOf<Days>() },
    start: () => ({ owner: owners[0] ?? '', givenTo: '', days: '365' as Days }),
    close: onClose,
    save: async ({ owner, givenTo, days }) => {
      const body = { owner, givenTo, ...(days === '' ? {} : { days: Number(days) }) };
      const sent = await write(farm.id, post('/api/farms/{farmId}/owner-links', { path: { farmId: farm.id } }, body));
      return tell(sent.waits ? null : sent.answer.secret);
    },
  });
  return (
    <OnceDrawer title="A link for an owner" form={form} button="Make the link" told={linkTold(secret, 'grain')}>
      <SelectBox label="Whose grain" {...form.box('owner')}>
        {owners.map((owner) => (
          <option key={owner}>{owner}</option>
        ))}
      </SelectBox>
      <TextBox label="For whom" {...form.box('givenTo')} />
      <DaysBox label="It opens" days={DAYS} {...form.box('days')} />
    </OnceDrawer>
  );
}
