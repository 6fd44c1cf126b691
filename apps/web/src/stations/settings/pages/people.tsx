import type { InviteInfo, MemberInfo, Role } from '@fanega/contract';
import { useState } from 'react';
import { post, put } from '../../../data/api';
import { toast } from '../../../ui/toast';
import { type Farm, useInvites, useMail, useMembers, useRefreshFarm, useRole } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { useSend } from '../../../data/use-send';
import { day } from '../../../quantity/time';
import { Button, Empty, Problem, SelectBox, TextBox } from '../../../ui';
import { oneOf, words } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { Section } from '../../../ui/page';
import { QueryBoundary } from '../../../ui/query-boundary';
import { Ago } from '../../../widgets/ago';
import { OwnersLinks } from './owners-links';
import { Phones } from './phones';
import { ROLE_NAMES, ROLE_WORDS, ROLES } from '../../../widgets/role-words';
import { ShownOnce } from '../../../widgets/shown-once';
import { DaysBox, daysBox, linkTold, OnceDrawer, useToldOnce } from '../../../widgets/told-once';

/** Members of the farm, and the doors into it that are open. */
export default function People({ farm }: { farm: Farm }) {
  const role = useRole();
  const [inviting, setInviting] = useState(false);
  if (role !== 'manager' && role !== 'owner')
    return (
      <Empty title="A manager sees who works here.">
        <p>Your own name, password and sessions are on My account.</p>
      </Empty>
    );
  return (
    <>
      <div className="flex flex-wrap items-center justify-between gap-3 px-5 py-4 lg:px-6">
        <p className="max-w-xl text-muted">
          Everybody records under his own name. A link lets one person in, once; no mail is sent.
        </p>
        <Button look="do" onClick={() => setInviting(true)}>
          Invite somebody
        </Button>
      </div>
      <Members farm={farm} own={role} />
      <Invites farm={farm} />
      <Phones farm={farm} />
      <OwnersLinks farm={farm} />
      {inviting && <Invite farm={farm} own={role} onClose={() => setInviting(false)} />}
    </>
  );
}

function Members({ farm, own }: { farm: Farm; own: Role }) {
  return (
    <QueryBoundary answer={useMembers()} what="Getting the list of people">
      {(members) => (
        <ul aria-label="Members" className="border-t border-ink">
          {members.map((member) => (
            <Member key={member.userId} farm={farm} member={member} own={own} />
          ))}
        </ul>
      )}
    </QueryBoundary>
  );
}

function Member({ farm, member, own }: { farm: Farm; member: MemberInfo; own: Role }) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const [open, setOpen] = useState(false);
  const [sure, setSure] = useState<string | null>(null);
  const [link, setLink] = useState<string | null>(null);
  const path = { farmId: farm.id, userId: member.userId };
  const above = ROLES.indexOf(member.role) > ROLES.indexOf(own);
  const does = async (work: () => Promise<unknown>): Promise<void> => {
    setSure(null);
    if (await sending.send(async () => (await work(), true))) await refresh();
  };
  const ask = (what: string, work: () => Promise<unknown>) => () => (sure === what ? void does(work) : setSure(what));
  return (
    <li className="border-b border-rule px-5 py-3 lg:px-6">
      <div className="flex flex-wrap items-center gap-x-5 gap-y-1">
        <span className="min-w-48 flex-1">
          <b>{member.name}</b>
          {member.self && <span className="text-muted"> (you)</span>} <span className="text-muted">{member.email}</span>
        </span>
        <span className="text-sm text-muted">
          {member.seenAt === null ? (
            'not seen yet'
          ) : (
            <>
              seen <Ago at={member.seenAt} wall />
            </>
          )}
          {member.sessions > 1 && `, on ${member.sessions} devices`}
        </span>
        <span className="font-semibold">{ROLE_NAMES[member.role]}</span>
        {!above && (
          <Button look="quiet" className="!px-0" aria-expanded={open} onClick={() => setOpen(!open)}>
            Change
          </Button>
        )}
      </div>
      {open && (
        <div className="mt-2 flex flex-wrap items-end gap-x-5 gap-y-2">
          <div className="w-64">
            <SelectBox
              label={`Role of ${member.name}`}
              value={member.role}
              onChange={(event) =>
                void does(() =>
                  write(
                    farm.id,
                    put('/api/farms/{farmId}/members/{userId}/role', { path }, { role: event.target.value as Role }),
                  ),
                )
              }
            >
              {ROLES.filter((role) => ROLES.indexOf(role) <= ROLES.indexOf(own)).map((role) => (
                <option key={role} value={role}>
                  {ROLE_NAMES[role]}
                </option>
              ))}
            </SelectBox>
          </div>
          <Button
            disabled={sending.busy}
            onClick={ask('sign-out', () =>
              write(farm.id, post('/api/farms/{farmId}/members/{userId}/sign-out', { path })),
            )}
          >
            {sure === 'sign-out' ? 'Yes, sign out everywhere' : 'Sign out everywhere'}
          </Button>
          {own === 'owner' && !member.self && (
            <Button
              disabled={sending.busy}
              onClick={() =>
                void does(async () => {
                  const sent = await write(
                    farm.id,
                    post('/api/farms/{farmId}/members/{userId}/password-link', { path }),
                  );
                  if (!sent.waits) setLink(`${window.location.origin}/join/${sent.answer.secret}`);
                })
              }
            >
              Forgot the password
            </Button>
          )}
          <Button
            disabled={sending.busy}
            onClick={ask('remove', () => write(farm.id, post('/api/farms/{farmId}/members/{userId}/remove', { path })))}
          >
            {sure === 'remove' ? `Yes, remove ${member.name}` : 'Remove'}
          </Button>
          <p className="w-full text-sm text-muted">
            {ROLE_WORDS[member.role]}. What was recorded stays under the name.
          </p>
          {link !== null && (
            <div className="w-full max-w-md">
              <ShownOnce label="A link to a new password, for two days, shown this once:" text={link} code />
            </div>
          )}
        </div>
      )}
      <Problem>{sending.message}</Problem>
    </li>
  );
}

function Invites({ farm }: { farm: Farm }) {
  const invites = useInvites().data ?? [];
  const open = invites.filter((one) => one.usedAt === null && !one.revoked && Date.parse(one.endsAt) > Date.now());
  const over = invites.filter((one) => !open.includes(one)).slice(0, 20);
  if (invites.length === 0) return null;
  return (
    <Section title="Links that were given">
      <ul aria-label="Links that were given">
        {[...open, ...over].map((one) => (
          <Given key={one.id} farm={farm} one={one} />
        ))}
      </ul>
    </Section>
  );
}

function Given({ farm, one }: { farm: Farm; one: InviteInfo }) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const { timeZone } = farm.data.farm;
  const over = one.usedAt !== null || one.revoked || Date.parse(one.endsAt) < Date.now();
  const revoke = async (): Promise<void> => {
    const params = { path: { farmId: farm.id, inviteId: one.id } };
    if (await sending.send(() => write(farm.id, post('/api/farms/{farmId}/members/invites/{inviteId}/revoke', params)))) await refresh(); // prettier-ignore
  };
  return (
    <li className="border-b border-rule py-2">
      <b className={over ? 'text-muted' : ''}>{one.givenTo}</b>,{' '}
      {one.kind === 'password' ? 'a new password' : ROLE_NAMES[one.role]}, by {one.by} {day(one.madeAt, timeZone)};{' '}
      {one.usedAt !== null
        ? `used by ${one.usedBy ?? ''} ${day(one.usedAt, timeZone)}`
        : one.revoked
          ? 'cut off'
          : over
            ? 'ended unused'
            : `opens until ${day(one.endsAt, timeZone)}`}
      {!over && (
        <Button look="quiet" className="!px-2" disabled={sending.busy} onClick={() => void revoke()}>
          Cut it off
        </Button>
      )}
      <Problem>{sending.message}</Problem>
    </li>
  );
}

const DAYS = { '1': 'today', '7': 'for a week', '30': 'for a month' } as const;

function Invite({ farm, own, onClose }: { farm: Farm; own: Role; onClose: () => void }) {
  const [secret, tell] = useToldOnce(farm);
  const mail = useMail().data;
  const form = useFields({
    boxes: { givenTo: words(120, 'Who is it for?'), role: oneOf<Role>(), days: daysBox, email: words(254) },
    start: () => ({ givenTo: '', role: 'operator' as Role, days: '7', email: '' }),
    close: onClose,
    save: async ({ email, ...body }) => {
      const to = email.trim();
      const sent = await write(
        farm.id,
        post('/api/farms/{farmId}/members/invites', { path: { farmId: farm.id } }, { ...body, ...(to === '' ? {} : { email: to }) }), // prettier-ignore
      );
      if (!sent.waits && sent.answer.mailed !== undefined)
        toast(sent.answer.mailed ? `Mailed to ${to}` : `It could not be mailed to ${to}: hand over the link`);
      return tell(sent.waits ? null : sent.answer.secret);
    },
  });
  return (
    <OnceDrawer title="Invite somebody" form={form} button="Make the link" told={linkTold(secret, 'join')}>
      <TextBox label="For whom" {...form.box('givenTo')} />
      <SelectBox label="What he does here" {...form.box('role')}>
        {ROLES.filter((role) => ROLES.indexOf(role) <= ROLES.indexOf(own)).map((role) => (
          <option key={role} value={role}>
            {ROLE_WORDS[role]}
          </option>
        ))}
      </SelectBox>
      <DaysBox label="It opens" days={DAYS} {...form.box('days')} />
      {mail?.on && (
        <TextBox label="Mail it to" type="email" hint="blank: you hand the link over" {...form.box('email')} />
      )}
    </OnceDrawer>
  );
}
