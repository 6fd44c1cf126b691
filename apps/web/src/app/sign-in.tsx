import type { Me } from '@fanega/contract';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { ApiError, type Command, post, send } from '../data/api';
import { UNIT_NAMES } from '../quantity/system';
import { Button, SelectBox, TextBox } from '../ui';

interface Props {
  readonly me: Me;
  readonly onDone: () => void;
}

/** The way in: the demo by one button, the owner's first run, or address and password. */
export default function SignIn({ me, onDone }: Props) {
  return (
    <main className="mx-auto grid min-h-dvh max-w-5xl content-center gap-10 px-5 py-10 md:grid-cols-[1.1fr_1fr]">
      <div>
        <Mark />
        <h1 className="mt-6 text-4xl leading-tight md:text-5xl">The farm&rsquo;s grain book</h1>
        <p className="mt-4 max-w-md text-lg text-muted">
          Every bushel from the combine to the sale: whose field it came from, what it weighed, how wet it was, where it
          lies now and what it sold for. The book always balances, and says where it does not.
        </p>
      </div>
      <div className="border-t-2 border-ink pt-6 md:border-t-0 md:border-l-2 md:pt-0 md:pl-10">
        {me.firstRun ? <FirstRun onDone={onDone} /> : <Doors me={me} onDone={onDone} />}
      </div>
    </main>
  );
}

function Mark() {
  return (
    <svg width="72" height="96" viewBox="0 0 72 96" aria-hidden="true">
      <rect x="4" y="4" width="64" height="88" fill="none" stroke="var(--ink)" strokeWidth="3" />
      <rect x="6" y="64" width="60" height="26" fill="#7c8248" />
      <rect x="6" y="40" width="60" height="24" fill="#8a5230" />
      <rect x="6" y="24" width="60" height="16" fill="#c8952b" />
      <path d="M6 64H66M6 40H66M6 24H66" stroke="var(--paper)" strokeWidth="2" />
    </svg>
  );
}

function useSubmit(onDone: () => void) {
  const [problem, setProblem] = useState<string | null>(null);
  const run = async (command: Command): Promise<void> => {
    setProblem(null);
    try {
      await send(command);
      onDone();
    } catch (error) {
      setProblem(error instanceof ApiError ? error.message : 'This did not work.');
    }
  };
  return { problem, run };
}

function Problem({ text }: { text: string | null }) {
  return text ? (
    <p role="alert" className="font-semibold text-clay">
      {text}
    </p>
  ) : null;
}

function Doors({ me, onDone }: Props) {
  const { problem, run } = useSubmit(onDone);
  const { register, handleSubmit, formState } = useForm({ defaultValues: { email: '', password: '' } });
  return (
    <div className="space-y-6">
      {me.demo && (
        <div>
          <Button look="do" className="min-h-14 w-full text-lg" onClick={() => void run(post('/api/auth/demo', {}))}>
            Walk into the demo farm
          </Button>
          <p className="mt-2 text-sm text-muted">
            Kestrel Levee Farms, four weeks into harvest. Made up, and yours to try everything on.
          </p>
        </div>
      )}
      <form
        className="space-y-4"
        noValidate
        onSubmit={(e) => void handleSubmit((values) => run(post('/api/auth/sign-in', {}, values)))(e)}
      >
        <h2 className="text-xl">Sign in</h2>
        <TextBox
          label="Mail address"
          type="email"
          autoComplete="username"
          {...register('email', { required: 'The address is missing' })}
          error={formState.errors.email?.message}
        />
        <TextBox
          label="Password"
          type="password"
          autoComplete="current-password"
          {...register('password', { required: 'The password is missing' })}
          error={formState.errors.password?.message}
        />
        <Problem text={problem} />
        <Button type="submit" className="w-full" disabled={formState.isSubmitting}>
          Sign in
        </Button>
      </form>
    </div>
  );
}

function FirstRun({ onDone }: { onDone: () => void }) {
  const { problem, run } = useSubmit(onDone);
  const { register, handleSubmit, formState } = useForm({
    defaultValues: {
      farm: '',
      name: '',
      email: '',
      password: '',
      timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone || 'America/Chicago',
      units: 'us' as 'us' | 'metric',
    },
  });
  const { errors } = formState;
  return (
    <form
      className="space-y-4"
      noValidate
      onSubmit={(e) => void handleSubmit((values) => run(post('/api/auth/set-up', {}, values)))(e)}
    >
      <h2 className="text-xl">Begin your farm&rsquo;s book</h2>
      <TextBox
        label="Name of the farm"
        {...register('farm', { required: 'The farm needs a name' })}
        error={errors.farm?.message}
      />
      <TextBox
        label="Your name"
        autoComplete="name"
        {...register('name', { required: 'Your name is missing' })}
        error={errors.name?.message}
      />
      <TextBox
        label="Mail address"
        type="email"
        autoComplete="username"
        {...register('email', { required: 'The address is missing' })}
        error={errors.email?.message}
      />
      <TextBox
        label="Password"
        type="password"
        autoComplete="new-password"
        hint="10 characters or more"
        {...register('password', {
          minLength: { value: 10, message: 'The password needs 10 characters or more' },
          required: 'The password is missing',
        })}
        error={errors.password?.message}
      />
      <TextBox
        label="Time zone"
        list="time-zones"
        hint="the farm's days begin and end by it"
        {...register('timeZone', { required: 'The time zone is missing' })}
        error={errors.timeZone?.message}
      />
      <datalist id="time-zones">
        {Intl.supportedValuesOf('timeZone').map((zone) => (
          <option key={zone}>{zone}</option>
        ))}
      </datalist>
      <SelectBox label="Units" hint="each reader may choose otherwise" {...register('units')}>
        <option value="us">{UNIT_NAMES.us}</option>
        <option value="metric">{UNIT_NAMES.metric}</option>
      </SelectBox>
      <Problem text={problem} />
      <Button look="do" type="submit" className="min-h-14 w-full text-lg" disabled={formState.isSubmitting}>
        Begin
      </Button>
    </form>
  );
}
