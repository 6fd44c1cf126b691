import type { PairedInfo } from '@fanega/contract';
import { JOB_MACHINES, type JobKind, PEOPLE_NAMES } from '@fanega/core';
import { useState } from 'react';
import { post } from '../../../data/api';
import { type Farm, usePhones, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { useSend } from '../../../data/use-send';
import { day } from '../../../quantity/time';
import { Button, Problem, SelectBox, TextBox } from '../../../ui';
import { oneOf } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { Section } from '../../../ui/page';
import { QueryBoundary } from '../../../ui/query-boundary';
import { Ago } from '../../../widgets/ago';
import { textBox } from '../../../widgets/record-boxes';
import { DaysBox, daysBox, linkTold, OnceDrawer, useToldOnce } from '../../../widgets/told-once';

const BINS = '@bins';
const GATE = '@gate';
const OVER_SHOWN = 20;

/** Phones and tablets that record one job without an account: a hired driver's, the cart's, the one at the bins. */
export function Phones({ farm }: { farm: Farm }) {
  const [pairing, setPairing] = useState(false);
  return (
    <Section title="Phones and tablets with one job">
      <div className="flex flex-wrap items-center justify-between gap-3 pb-3">
        <p className="max-w-xl text-muted">
          A hired driver, a tablet in the cart: it opens a link, records that machine and sees nothing else. No account,
          nothing to install, and it ends by its day.
        </p>
        <Button onClick={() => setPairing(true)}>Pair a phone</Button>
      </div>
      <QueryBoundary answer={usePhones()} what="Getting the paired phones">
        {(phones) => <List farm={farm} phones={phones} />}
      </QueryBoundary>
      {pairing && <Pair farm={farm} onClose={() => setPairing(false)} />}
    </Section>
  );
}

const isOver = (phone: PairedInfo): boolean => phone.cutOff || Date.parse(phone.endsAt) < Date.now();

function List({ farm, phones }: { farm: Farm; phones: readonly PairedInfo[] }) {
  if (phones.length === 0) return null;
  const living = phones.filter((phone) => !isOver(phone));
  const over = phones.filter(isOver).slice(0, OVER_SHOWN);
  return (
    <ul aria-label="Phones and tablets" className="border-t border-rule">
      {[...living, ...over].map((phone) => (
        <Phone key={phone.id} farm={farm} phone={phone} />
      ))}
    </ul>
  );
}

const jobOf = (farm: Farm, { kind, placeId }: Pick<PairedInfo, 'kind' | 'placeId'>): string =>
  kind === 'bins' ? 'the bins' : kind === 'gate' ? 'the truck scale' : farm.placeName(placeId ?? '');

function Phone({ farm, phone }: { farm: Farm; phone: PairedInfo }) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const [sure, setSure] = useState(false);
  const { timeZone } = farm.data.farm;
  const over = isOver(phone);
  const cut = async (): Promise<void> => {
    if (!sure) return setSure(true);
    const params = { path: { farmId: farm.id, phoneId: phone.id } };
    if (await sending.send(() => write(farm.id, post('/api/farms/{farmId}/members/phones/{phoneId}/cut-off', params)))) await refresh(); // prettier-ignore
  };
  return (
    <li className="border-b border-rule py-2">
      <div className="flex flex-wrap items-center gap-x-5 gap-y-1">
        <span className="min-w-48 flex-1">
          <b className={over ? 'text-muted' : ''}>{phone.label}</b>, records {jobOf(farm, phone)}
          {phone.driver !== null && `, with ${phone.driver}`}
        </span>
        <span className="text-sm text-muted">
          {phone.pairedAt === null ? (
            over ? (
              'never opened'
            ) : (
              'its link waits to be opened'
            )
          ) : phone.seenAt === null ? (
            `since ${day(phone.pairedAt, timeZone)}`
          ) : (
            <>
              {phone.device}, seen <Ago at={phone.seenAt} wall />
            </>
          )}
        </span>
        <span className={over ? 'text-muted' : 'font-semibold'}>
          {phone.cutOff
            ? 'cut off'
            : over
              ? `ended ${day(phone.endsAt, timeZone)}`
              : `until ${day(phone.endsAt, timeZone)}`}
        </span>
        {!over && (
          <Button look="quiet" className="!px-0" disabled={sending.busy} onClick={() => void cut()}>
            {sure ? `Yes, cut off ${phone.label}` : 'Cut it off'}
          </Button>
        )}
      </div>
      <Problem>{sending.message}</Problem>
    </li>
  );
}

const DAYS = { '1': 'for a day', '7': 'for a week', '30': 'for a month', '120': 'for the season, 120 days' } as const;
/** "Truck 3’s phone", until somebody calls it otherwise. */
const usualLabel = (farm: Farm, job: string): string =>
  job === BINS ? 'The bin site’s phone' : job === GATE ? 'The truck scale’s tablet' : `${farm.placeName(job)}’s phone`;

function Pair({ farm, onClose }: { farm: Farm; onClose: () => void }) {
  const [secret, tell] = useToldOnce(farm);
  const machines = farm.data.places.filter(({ kind }) => (JOB_MACHINES as readonly string[]).includes(kind));
  const first = (machines.find(({ kind }) => kind === 'truck') ?? machines[0])?.id ?? BINS;
  const form = useFields({
    boxes: { job: oneOf<string>(), label: textBox(PEOPLE_NAMES.device, 'What is the phone called?'), days: daysBox },
    start: () => ({ job: first, label: usualLabel(farm, first), days: '30' }),
    close: onClose,
    save: async ({ job, label, days }) => {
      const kind: JobKind = job === BINS ? 'bins' : job === GATE ? 'gate' : 'machine';
      const body = { kind, ...(kind === 'machine' ? { placeId: job } : {}), label, days };
      const sent = await write(farm.id, post('/api/farms/{farmId}/members/phones', { path: { farmId: farm.id } }, body)); // prettier-ignore
      return tell(sent.waits ? null : sent.answer.secret);
    },
  });
  const job = form.box('job');
  return (
    <OnceDrawer
      title="Pair a phone"
      form={form}
      button="Make the link"
      told={linkTold(secret, 'job', 'Open it on that phone, within a week. Shown this once:')}
    >
      <SelectBox
        label="It records"
        {...job}
        onChange={(event) => {
          // The name follows the job as long as nobody wrote another.
          const { job: before, label } = form.texts;
          if (label === usualLabel(farm, before)) form.set('label', usualLabel(farm, event.target.value));
          void job.onChange(event);
        }}
      >
        {machines.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
        <option value={BINS}>the bins</option>
        <option value={GATE}>the truck scale</option>
      </SelectBox>
      <TextBox label="The phone is called" hint="goes behind the driver’s name on each load" {...form.box('label')} />
      <DaysBox label="For how long" days={DAYS} {...form.box('days')} />
    </OnceDrawer>
  );
}
