import { PEOPLE_NAMES } from '@fanega/core';
import { useState } from 'react';
import useSWR from 'swr';
import { type ApiError, get, post, send } from '../data/api';
import { keepLastFarm } from '../data/early';
import { useMe } from '../data/farm';
import { ROLE_WORDS } from '../widgets/role-words';
import { Button, Loading, Problem, TextBox } from '../ui';
import { words } from '../ui/form/box';
import { Form } from '../ui/form/form';
import { useFields } from '../ui/form/use-fields';
import { NewPasswordBox } from '../widgets/password/new-password';
import { newSecret } from '../widgets/password/secret';
import { textBox } from '../widgets/record-boxes';

const ADDRESS = 254;
const ask = (secret: string) => get('/api/invites/{secret}', { path: { secret } });
const enter = (): void => window.location.assign('/');

/** Somebody opens a link that he was given: into a farm, or to a new password. */
export default function Join({ secret }: { secret: string }) {
  const { data, error } = useSWR<Awaited<ReturnType<typeof ask>>, ApiError>(['invite', secret], () => ask(secret), {
    revalidateOnFocus: false,
    shouldRetryOnError: false,
  });
  const me = useMe();
  if (error)
    return (
      <main className="mx-auto max-w-xl px-5 py-16">
        <h1 className="text-3xl">This link opens nothing</h1>
        <p className="mt-3 text-lg">{error.message}</p>
        <Button className="mt-5" onClick={enter}>
          Go to the farm
        </Button>
      </main>
    );
  if (!data || !me.data) return <Loading what="Opening" />;
  const { user } = me.data;
  return (
    <main className="mx-auto max-w-xl px-5 py-12">
      <p className="text-sm text-muted">
        {data.by} gave this to {data.givenTo}
      </p>
      {data.kind === 'password' ? (
        <>
          <h1 className="mt-1 text-4xl">A new password</h1>
          <p className="mt-2 text-lg text-muted">
            for {data.email}. Wherever this account is signed in now, it is signed out.
          </p>
          <NewPassword secret={secret} email={data.email ?? ''} farm={data.farm} />
        </>
      ) : (
        <>
          <h1 className="mt-1 text-4xl">{data.farm}</h1>
          <p className="mt-2 text-lg">{ROLE_WORDS[data.role]}</p>
          {user && user.id !== 'demo-visitor' ? (
            <AsSelf secret={secret} name={user.name} />
          ) : (
            <NewAccount secret={secret} farm={data.farm} />
          )}
        </>
      )}
    </main>
  );
}

function NewAccount({ secret, farm }: { secret: string; farm: string }) {
  const form = useFields({
    boxes: {
      name: textBox(PEOPLE_NAMES.name, 'Your name, as it goes with what you record'),
      email: words(ADDRESS, 'The address is missing'),
      password: newSecret('The password is missing'),
    },
    start: () => ({ name: '', email: '', password: '' }),
    close: enter,
    save: (values) => send(post('/api/invites/{secret}/accept', { path: { secret } }, values)),
  });
  return (
    <Form form={form} button="Come in" className="mt-6 space-y-4">
      <TextBox label="Your name" autoComplete="name" {...form.box('name')} />
      <TextBox
        label="Mail address"
        type="email"
        autoComplete="username"
        hint="to sign in with; nothing is sent to it"
        {...form.box('email')}
      />
      <NewPasswordBox
        label="Password"
        typed={form.texts.password}
        own={[form.texts.name, form.texts.email, farm]}
        {...form.box('password')}
      />
    </Form>
  );
}

function NewPassword({ secret, email, farm }: { secret: string; email: string; farm: string }) {
  const form = useFields({
    boxes: { password: newSecret('The password is missing') },
    start: () => ({ password: '' }),
    close: enter,
    save: (values) => send(post('/api/invites/{secret}/password', { path: { secret } }, values)),
  });
  return (
    <Form form={form} button="Keep it and sign in" className="mt-6 space-y-4">
      <NewPasswordBox label="New password" typed={form.texts.password} own={[email, farm]} {...form.box('password')} />
    </Form>
  );
}

function AsSelf({ secret, name }: { secret: string; name: string }) {
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const join = async (): Promise<void> => {
    setBusy(true);
    try {
      const { id } = await send(post('/api/invites/{secret}/join', { path: { secret } }));
      keepLastFarm(id);
      enter();
    } catch (error) {
      setBusy(false);
      setProblem((error as ApiError).message);
    }
  };
  return (
    <div className="mt-6">
      <Button look="do" className="min-h-14 w-full text-lg" disabled={busy} onClick={() => void join()}>
        Come in as {name}
      </Button>
      <Problem>{problem}</Problem>
      <p className="mt-2 text-sm text-muted">You are somebody else? Sign out first, then open the link again.</p>
    </div>
  );
}
