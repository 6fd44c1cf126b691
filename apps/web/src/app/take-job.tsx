import { PEOPLE_NAMES } from '@fanega/core';
import useSWR from 'swr';
import { type ApiError, get, post, send } from '../data/api';
import { keepLastFarm } from '../data/early';
import { useMe } from '../data/farm';
import { day } from '../quantity/time';
import { Button, Loading, TextBox } from '../ui';
import { Form } from '../ui/form/form';
import { useFields } from '../ui/form/use-fields';
import { textBox } from '../widgets/record-boxes';
import { say, useLanguage } from '../words';
import { useGloves } from '../ui/use-gloves';
import { LanguageChoice } from '../widgets/language-choice';

const ask = (secret: string) => get('/api/jobs/{secret}', { path: { secret } });
const enter = (): void => window.location.assign('/cab');

/** A driver opens the link of his job: the phone is paired with it, and nothing is installed. */
export default function TakeJob({ secret }: { secret: string }) {
  const spoken = useLanguage();
  const { data, error } = useSWR<Awaited<ReturnType<typeof ask>>, ApiError>(['job', secret], () => ask(secret), {
    revalidateOnFocus: false,
    shouldRetryOnError: false,
  });
  const me = useMe();
  useGloves();
  if (error)
    return (
      <main className="mx-auto max-w-xl px-5 py-12">
        <h1 className="text-3xl">{say('jobLinkShut')}</h1>
        <p className="mt-3 text-lg">{error.unreachable ? error.message : say('jobLinkAsk')}</p>
        <Button className="mt-5" onClick={enter}>
          {say('goOn')}
        </Button>
      </main>
    );
  if (!data || !me.data) return <Loading what="Opening" />;
  const { user } = me.data;
  return (
    <main key={spoken} lang={spoken} className="mx-auto max-w-xl px-5 py-8">
      <div className="flex flex-wrap items-start justify-between gap-4">
        <p className="text-lg text-muted">{data.farm}</p>
        <LanguageChoice />
      </div>
      <h1 className="mt-1 text-4xl">{data.label}</h1>
      <p className="mt-3 text-lg">
        {say('jobRecords', { what: data.place ?? say(data.kind === 'gate' ? 'atGate' : 'atBins'), by: data.by })}{' '}
        {say('jobUntil', { day: day(data.endsAt, Intl.DateTimeFormat().resolvedOptions().timeZone) })}
      </p>
      {user && (
        <p className="mt-3 border-l-4 border-ink bg-sand px-3 py-2">{say('jobSignsOut', { name: user.name })}</p>
      )}
      <Take key={spoken} secret={secret} />
    </main>
  );
}

function Take({ secret }: { secret: string }) {
  const form = useFields({
    boxes: { name: textBox(PEOPLE_NAMES.driver, say('nameStands')) },
    start: () => ({ name: '' }),
    close: enter,
    save: async (values) => {
      await send(post('/api/jobs/{secret}/take', { path: { secret } }, values));
      const { job } = await get('/api/auth/me', {});
      if (job) keepLastFarm(job.farmId);
    },
  });
  return (
    <Form form={form} button={say('startJob')} className="mt-6 space-y-4">
      <TextBox label={say('yourName')} autoComplete="name" {...form.box('name')} />
      <p className="text-muted">{say('jobNeedsNothing')}</p>
    </Form>
  );
}
