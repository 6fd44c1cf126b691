import type { Me } from '@fanega/contract';
import { PEOPLE_NAMES } from '@fanega/core';
import type { ComponentProps } from 'react';
import { post, send } from '../data/api';
import { UNIT_NAMES } from '../quantity/system';
import { Button, Problem, SelectBox, TextBox } from '../ui';
import { oneOf, words } from '../ui/form/box';
import { Form } from '../ui/form/form';
import { useFields } from '../ui/form/use-fields';
import { NewPasswordBox } from '../widgets/password/new-password';
import { PasswordBox } from '../widgets/password/password-box';
import { newSecret, secret } from '../widgets/password/secret';
import { textBox } from '../widgets/record-boxes';

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
        {me.firstRun ? (
          <FirstRun onDone={onDone} />
        ) : me.claim ? (
          <Claim onDone={onDone} />
        ) : (
          <Doors me={me} onDone={onDone} />
        )}
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

/** No address is longer. */
const ADDRESS = 254;

/** Errors stand at their box or above the button; nothing of a password is kept. */
function Doors({ me, onDone }: Props) {
  const form = useFields({
    boxes: { email: words(ADDRESS, 'The address is missing'), password: secret('The password is missing') },
    start: () => ({ email: '', password: '' }),
    close: onDone,
    save: (values) => send(post('/api/auth/sign-in', {}, values)),
  });
  const demo = useFields({
    boxes: {},
    start: () => ({}),
    close: onDone,
    save: () => send(post('/api/auth/demo', {})),
  });
  return (
    <div className="space-y-6">
      {me.demo && (
        <div>
          <Button look="do" className="min-h-14 w-full text-lg" disabled={demo.busy} onClick={() => void demo.submit()}>
            Walk into the demo farm
          </Button>
          <Problem>{demo.problem}</Problem>
          <p className="mt-2 text-sm text-muted">
            Kestrel Levee Farms, four weeks into harvest. Made up, and yours to try everything on.
          </p>
        </div>
      )}
      <Form form={form} button="Sign in" small={me.demo} className="space-y-4">
        <h2 className="text-xl">Sign in</h2>
        <TextBox label="Mail address" type="email" autoComplete="username" {...form.box('email')} />
        <PasswordBox label="Password" autoComplete="current-password" {...form.box('password')} />
      </Form>
    </div>
  );
}

const CODE = textBox(PEOPLE_NAMES.code, 'The code is missing: npm start prints it');
/** What an owner types, be the farm new or back from a backup. */
const OWNER_BOXES = {
  email: words(ADDRESS, 'The address is missing'),
  password: newSecret('The password is missing'),
};
/** The address that npm start prints has the code in it. */
const codeInAddress = (): string => new URLSearchParams(window.location.search).get('code') ?? '';

const CodeBox = (props: Omit<ComponentProps<typeof TextBox>, 'label'>) => (
  <TextBox label="Code" autoComplete="off" hint="npm start printed it where the server runs" {...props} />
);

/** The owner of a farm that came back from a backup, which has no passwords. */
function Claim({ onDone }: { onDone: () => void }) {
  const form = useFields({
    boxes: {
      ...OWNER_BOXES,
      code: CODE,
    },
    start: () => ({ email: '', password: '', code: codeInAddress() }),
    close: onDone,
    save: (values) => send(post('/api/auth/claim', {}, values)),
  });
  return (
    <Form form={form} button="Open the farm" className="space-y-4">
      <h2 className="text-xl">This farm is back from a backup</h2>
      <p className="text-muted">A backup has no passwords. Its owner chooses a new one here.</p>
      <TextBox label="Mail address of the owner" type="email" autoComplete="username" {...form.box('email')} />
      <NewPasswordBox
        label="New password"
        typed={form.texts.password}
        own={[form.texts.email]}
        {...form.box('password')}
      />
      <CodeBox {...form.box('code')} />
    </Form>
  );
}

function FirstRun({ onDone }: { onDone: () => void }) {
  const form = useFields({
    boxes: {
      code: CODE,
      farm: textBox(PEOPLE_NAMES.farm, 'The farm needs a name'),
      name: textBox(PEOPLE_NAMES.name, 'Your name is missing'),
      ...OWNER_BOXES,
      timeZone: words(60, 'The time zone is missing'),
      units: oneOf<'us' | 'metric'>(),
    },
    start: () => ({
      code: codeInAddress(),
      farm: '',
      name: '',
      email: '',
      password: '',
      timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone || 'America/Chicago',
      units: 'us' as const,
    }),
    close: onDone,
    save: (values) => send(post('/api/auth/set-up', {}, values)),
  });
  return (
    <Form form={form} button="Begin" className="space-y-4">
      <h2 className="text-xl">Begin your farm&rsquo;s book</h2>
      <TextBox label="Name of the farm" {...form.box('farm')} />
      <TextBox label="Your name" autoComplete="name" {...form.box('name')} />
      <TextBox label="Mail address" type="email" autoComplete="username" {...form.box('email')} />
      <NewPasswordBox
        label="Password"
        typed={form.texts.password}
        own={[form.texts.name, form.texts.email, form.texts.farm]}
        {...form.box('password')}
      />
      <TextBox
        label="Time zone"
        list="time-zones"
        hint="the farm's days begin and end by it"
        {...form.box('timeZone')}
      />
      <datalist id="time-zones">
        {Intl.supportedValuesOf('timeZone').map((zone) => (
          <option key={zone}>{zone}</option>
        ))}
      </datalist>
      <CodeBox {...form.box('code')} />
      <SelectBox label="Units" hint="each reader may choose otherwise" {...form.box('units')}>
        <option value="us">{UNIT_NAMES.us}</option>
        <option value="metric">{UNIT_NAMES.metric}</option>
      </SelectBox>
    </Form>
  );
}
