import type { OriginLinkInfo } from '@fanega/contract';
import type { OriginSubject } from '@fanega/core';
import { post } from '../../../data/api';
import { type Farm, useOriginLinks, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { useSend } from '../../../data/use-send';
import { day } from '../../../quantity/time';
import { Button, Problem, TextBox } from '../../../ui';
import { Drawer } from '../../../ui/drawer';
import { oneOf, words } from '../../../ui/form/box';
import { Form } from '../../../ui/form/form';
import { useFields } from '../../../ui/form/use-fields';
import { QueryBoundary } from '../../../ui/query-boundary';
import { LinkOpened } from '../../../widgets/link-opened';
import { DaysBox, useToldOnce } from '../../../widgets/told-once';

const DAYS = { '30': 'for 30 days', '365': 'for a year', '1100': 'for three years', '': 'until I cut it off' } as const;
type Days = keyof typeof DAYS;

/** A link that shows one origin to whoever has it, without an account; and those that were given before. */
export function LinkDrawer({ farm, subject, onClose }: { farm: Farm; subject: OriginSubject; onClose: () => void }) {
  const links = useOriginLinks();
  const [secret, tell] = useToldOnce(farm);
  const form = useFields({
    boxes: { givenTo: words(120, 'Who is it for?'), days: oneOf<Days>() },
    start: () => ({ givenTo: '', days: '365' as Days }),
    close: onClose,
    save: async ({ givenTo, days }) => {
      const body = { kind: subject.kind, subject: subject.id, givenTo, ...(days === '' ? {} : { days: Number(days) }) };
      const sent = await write(farm.id, post('/api/farms/{farmId}/origin-links', { path: { farmId: farm.id } }, body));
      return tell(sent.waits ? null : sent.answer.secret);
    },
  });
  const address = secret === null ? '' : `${window.location.origin}/origin/${secret}`;
  return (
    <Drawer open title="A link for the buyer" onClose={form.close}>
      {secret === null ? (
        <Form form={form} button="Make the link">
          <p className="text-muted">
            Anyone with the link sees where this grain came from, as the book has it now, and nothing else on the farm.
            No account is needed.
          </p>
          <TextBox label="For whom" {...form.box('givenTo')} />
          <DaysBox label="It opens" days={DAYS} {...form.box('days')} />
        </Form>
      ) : (
        <div className="space-y-4 px-5 py-4">
          <p className="text-lg font-semibold">The link, shown this once:</p>
          <p className="border border-ink bg-tape p-3 font-mono break-all select-all" aria-label="Link">
            {address}
          </p>
          <Button
            look="do"
            className="min-h-14 w-full text-lg"
            onClick={() => void navigator.clipboard?.writeText(address)}
          >
            Copy it
          </Button>
        </div>
      )}
      <section aria-label="Links given before" className="border-t border-ink px-5 py-4">
        <h3 className="font-semibold">Given before</h3>
        <QueryBoundary answer={links} what="Looking for links">
          {(all) => {
            const own = all.filter((link) => link.kind === subject.kind && link.subject === subject.id);
            return own.length === 0 ? (
              <p className="text-muted">None yet.</p>
            ) : (
              <ul>
                {own.map((link) => (
                  <Given key={link.id} farm={farm} link={link} />
                ))}
              </ul>
            );
          }}
        </QueryBoundary>
      </section>
    </Drawer>
  );
}

function Given({ farm, link }: { farm: Farm; link: OriginLinkInfo }) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const revoke = async (): Promise<void> => {
    const params = { path: { farmId: farm.id, linkId: link.id } };
    if (await sending.send(() => write(farm.id, post('/api/farms/{farmId}/origin-links/{linkId}/revoke', params))))
      await refresh();
  };
  const { timeZone } = farm.data.farm;
  return (
    <li className="border-b border-rule py-2">
      <b className={link.revoked ? 'text-muted line-through' : ''}>{link.givenTo}</b>, {day(link.madeAt, timeZone)}
      {link.endsAt !== null && `, until ${day(link.endsAt, timeZone)}`}; <LinkOpened link={link} />
      {link.revoked ? (
        '; cut off'
      ) : (
        <Button look="quiet" className="!px-2" disabled={sending.busy} onClick={() => void revoke()}>
          Cut it off
        </Button>
      )}
      <Problem>{sending.message}</Problem>
    </li>
  );
}
