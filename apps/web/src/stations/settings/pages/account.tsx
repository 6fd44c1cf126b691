import { PEOPLE_NAMES } from '@fanega/core';
import type { ProfileAnswer } from '@fanega/contract';
import { useState } from 'react';
import { post, put, send } from '../../../data/api';
import { keepLastFarm } from '../../../data/early';
import { type Farm, useMe, useProfile } from '../../../data/farm';
import { useSend } from '../../../data/use-send';
import { day } from '../../../quantity/time';
import { Button, Problem, TextBox } from '../../../ui';
import { Form } from '../../../ui/form/form';
import { NewPasswordBox } from '../../../widgets/password/new-password';
import { PasswordBox } from '../../../widgets/password/password-box';
import { words } from '../../../ui/form/box';
import { newSecret, secret } from '../../../widgets/password/secret';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { Section } from '../../../ui/page';
import { QueryBoundary } from '../../../ui/query-boundary';
import { toast } from '../../../ui/toast';
import { Ago } from '../../../widgets/ago';
import { textBox } from '../../../widgets/record-boxes';
import { ROLE_NAMES } from '../../../widgets/role-words';

/** One's own name, password, farms, and where one is signed in. */
export default function Account({ farm }: { farm: Farm }) {
  const profile = useProfile();
  const again = (): void => void profile.mutate();
  return (
    <QueryBoundary answer={profile} what="Opening">
      {(data) => (
        <div className="lg:grid lg:grid-cols-2">
          <Section label="Name and password">
            <Name profile={data} onDone={again} />
            {data.hasPassword && <Password profile={data} onDone={again} />}
            <Farms farm={farm} />
          </Section>
          <Section title="Signed in on" className="border-t border-ink lg:border-t-0 lg:border-l">
            <Sessions farm={farm} profile={data} onDone={again} />
          </Section>
        </div>
      )}
    </QueryBoundary>
  );
}

function Name({ profile, onDone }: { profile: ProfileAnswer; onDone: () => void }) {
  const me = useMe();
  const form = useFields({
    boxes: { name: textBox(PEOPLE_NAMES.name, 'Your name') },
    start: () => ({ name: profile.name }),
    close: onDone,
    save: async (values) => {
      await send(put('/api/profile/name', {}, values));
      await me.mutate();
      toast.success('Saved: it goes with what you record from now on.');
    },
  });
  return (
    <Form form={form} button="Keep the name" small className="space-y-4">
      <p className="text-muted">{profile.email}</p>
      <TextBox label="Your name" autoComplete="name" {...form.box('name')} />
    </Form>
  );
}

function Password({ profile, onDone }: { profile: ProfileAnswer; onDone: () => void }) {
  const [round, setRound] = useState(0);
  const form = useFields({
    boxes: {
      old: secret('The old password is missing'),
      password: newSecret('The new password is missing'),
    },
    start: () => ({ old: '', password: '' }),
    close: onDone,
    save: async (values) => {
      await send(post('/api/profile/password', {}, values));
      toast.success('Changed. Everywhere else you are signed out.');
      setRound(round + 1);
    },
  });
  return (
    <Form
      key={round}
      form={form}
      button="Change the password"
      small
      className="mt-6 space-y-4 border-t border-rule pt-4"
    >
      <PasswordBox label="Old password" autoComplete="current-password" {...form.box('old')} />
      <NewPasswordBox
        label="New password"
        typed={form.texts.password}
        own={[profile.name, profile.email]}
        {...form.box('password')}
      />
    </Form>
  );
}

function Farms({ farm }: { farm: Farm }) {
  const farms = useMe().data?.farms ?? [];
  const [beginning, setBeginning] = useState(false);
  const owns = farms.some(({ role, demo }) => role === 'owner' && !demo);
  if (farms.length < 2 && !owns) return null;
  return (
    <section aria-label="Your farms" className="mt-6 border-t border-rule pt-4">
      <h2 className="text-xl">Your farms</h2>
      <ul>
        {farms.map((one) => (
          <li key={one.id} className="flex min-h-11 flex-wrap items-center gap-x-4 border-b border-rule">
            <b>{one.name}</b> <span className="text-muted">{ROLE_NAMES[one.role]}</span>
            {one.id === farm.id ? (
              <span className="ml-auto">open now</span>
            ) : (
              <Button
                look="quiet"
                className="ml-auto !px-0"
                onClick={() => {
                  keepLastFarm(one.id);
                  window.location.assign('/');
                }}
              >
                Open it
              </Button>
            )}
          </li>
        ))}
      </ul>
      {owns && (
        <Button className="mt-3" onClick={() => setBeginning(true)}>
          Begin another farm
        </Button>
      )}
      {beginning && <BeginFarm farm={farm} onClose={() => setBeginning(false)} />}
    </section>
  );
}

/** Another farm of the same owner, with a book of its own. */
function BeginFarm({ farm, onClose }: { farm: Farm; onClose: () => void }) {
  const form = useFields({
    boxes: {
      farm: textBox(PEOPLE_NAMES.farm, 'The farm needs a name'),
      timeZone: words(60, 'The time zone is missing'),
    },
    start: () => ({ farm: '', timeZone: farm.data.farm.timeZone }),
    close: onClose,
    save: async (values) => {
      const { id } = await send(post('/api/profile/farms', {}, values));
      keepLastFarm(id);
      window.location.assign('/');
    },
  });
  return (
    <FormDrawer form={form} title="Begin another farm" button="Begin it">
      <p className="text-muted">A book of its own, with people of its own. You switch between the two here.</p>
      <TextBox label="Name of the farm" {...form.box('farm')} />
      <TextBox label="Time zone" hint="like America/Chicago" {...form.box('timeZone')} />
    </FormDrawer>
  );
}

function Sessions({ farm, profile, onDone }: { farm: Farm; profile: ProfileAnswer; onDone: () => void }) {
  const sending = useSend();
  const does = async (work: () => Promise<unknown>): Promise<void> => {
    if (await sending.send(async () => (await work(), true))) onDone();
  };
  return (
    <>
      <ul aria-label="Sessions">
        {profile.sessions.map((one) => (
          <li
            key={one.id || one.device}
            className="flex min-h-11 flex-wrap items-center gap-x-4 border-b border-rule py-1"
          >
            <b>{one.device || 'unknown device'}</b>
            <span className="text-muted">
              {one.madeAt !== null && `since ${day(one.madeAt, farm.data.farm.timeZone)}`}
              {one.seenAt !== null && (
                <>
                  , seen <Ago at={one.seenAt} wall />
                </>
              )}
            </span>
            {one.here ? (
              <span className="ml-auto">this one</span>
            ) : (
              one.id !== '' && (
                <Button
                  look="quiet"
                  className="ml-auto !px-0"
                  disabled={sending.busy}
                  onClick={() =>
                    void does(() =>
                      send(post('/api/profile/sessions/{sessionId}/end', { path: { sessionId: one.id } })),
                    )
                  }
                >
                  Sign out there
                </Button>
              )
            )}
          </li>
        ))}
      </ul>
      <Problem>{sending.message}</Problem>
      {profile.sessions.length > 1 && (
        <Button
          className="mt-3"
          disabled={sending.busy}
          onClick={() => void does(() => send(post('/api/profile/sessions/end-others', {})))}
        >
          Sign out everywhere else
        </Button>
      )}
    </>
  );
}
