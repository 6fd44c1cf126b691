import type { BackupInfo, BackupsAnswer, BookCheckAnswer, BrokenEntry } from '@fanega/contract';
import { useState } from 'react';
import { ulid } from 'ulid';
import { addressOf, ApiError, get, post, send } from '../../../data/api';
import { type Farm, useAnswer, useFarm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { bookCommand } from '../../../data/outbox/book-command';
import { useSend } from '../../../data/use-send';
import { fileSize, number } from '../../../quantity/number';
import { moment } from '../../../quantity/time';
import { Button, Problem, TextBox } from '../../../ui';
import { Callout } from '../../../ui/callout';
import { words } from '../../../ui/form/box';
import { Form } from '../../../ui/form/form';
import { useFields } from '../../../ui/form/use-fields';
import { Section } from '../../../ui/page';
import { QueryBoundary } from '../../../ui/query-boundary';
import { Verdict } from '../../../ui/verdict';
import { Ago } from '../../../widgets/ago';

/** Is the book what was written down, and is there a copy of it elsewhere? */
export function TheBook() {
  const farm = useFarm();
  const params = { path: { farmId: farm.id } };
  const checked = useAnswer('/api/farms/{farmId}/book/check', params);
  const backups = useAnswer('/api/farms/{farmId}/backups', params);
  return (
    <div className="xl:grid xl:grid-cols-2">
      <Section label="The book" className="xl:border-r xl:border-ink">
        <QueryBoundary answer={checked} what="Reading the book, record by record">
          {(answer) => <Checked farm={farm} answer={answer} again={() => void checked.mutate()} />}
        </QueryBoundary>
      </Section>
      <Section label="Backups" className="border-t border-ink xl:border-t-0">
        <QueryBoundary answer={backups} what="Looking for backups">
          {(answer) => <Backups farm={farm} answer={answer} again={() => backups.mutate()} />}
        </QueryBoundary>
      </Section>
    </div>
  );
}

function reasonOf({ sound, records, changed, header, broken }: BookCheckAnswer): string {
  if (sound) return `All ${number(records)} records are as they were first written down.`;
  if (changed?.missing) return `Records are missing or were added from number ${number(changed.seq)} on. The database was changed by hand.`; // prettier-ignore
  if (changed) return `Record ${number(changed.seq)} is not what was first written down. The database was changed by hand. Bring back a backup from before, or ask whoever runs the server.`; // prettier-ignore
  if (header.length > 0) return `What the book is read with was changed by hand: ${header.join(', ')}. Set it again under the field or place.`; // prettier-ignore
  return broken.length === 1 ? 'One record cannot be read. It counts nowhere.' : `${number(broken.length)} records cannot be read. They count nowhere.`; // prettier-ignore
}

function Checked({ farm, answer, again }: { farm: Farm; answer: BookCheckAnswer; again: () => void }) {
  const { sound, fingerprint, broken } = answer;
  return (
    <div className="space-y-6">
      <Verdict shape={sound ? '●' : '■'} figure={sound ? 'Unchanged' : 'Not as written'} bad={!sound} small>
        {reasonOf(answer)}
      </Verdict>
      {broken.length > 0 && (
        <ul aria-label="Records that cannot be read" className="divide-y divide-rule border-y border-rule">
          {broken.map((one) => (
            <Broken key={one.seq} farm={farm} one={one} again={again} />
          ))}
        </ul>
      )}
      <div>
        <p className="text-sm font-semibold">Fingerprint</p>
        <p className="font-mono text-xl">{fingerprint}</p>
        <p className="mt-1 max-w-prose text-muted">
          Every printed ticket carries it. Change one record and the fingerprint changes: the paper proves the book.
        </p>
      </div>
      <OfPaper farm={farm} />
      <Button onClick={again}>Check again</Button>
    </div>
  );
}

function Broken({ farm, one, again }: { farm: Farm; one: BrokenEntry; again: () => void }) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const takeOut = () =>
    sending.send(async () => {
      const entry = { type: 'void', id: ulid(), at: new Date(farm.clock()).toISOString(), voids: one.id } as const;
      await write(farm.id, bookCommand(farm.id, [entry]), 'a record taken out');
      await refresh();
      again();
    });
  return (
    <li className="py-3">
      <p className="font-semibold">
        Record {number(one.seq)}: {one.message}
      </p>
      <p className="mt-1 font-mono text-sm break-all text-muted">{one.text}</p>
      {one.settled ? (
        <p className="mt-1 text-muted">Taken out. Record the load again if it is not in the book yet.</p>
      ) : (
        <Button className="mt-2" disabled={sending.busy} onClick={() => void takeOut()}>
          Take it out
        </Button>
      )}
      <Problem>{sending.message}</Problem>
    </li>
  );
}

/** A fingerprint of eight letters or more is nobody else's. */
const LEAST_LETTERS = 8;

function OfPaper({ farm }: { farm: Farm }) {
  const [found, setFound] = useState<{ readonly text: string; readonly seq: number | null } | null>(null);
  const form = useFields({
    boxes: { text: words(80, 'Type the fingerprint from the paper') },
    start: () => ({ text: '' }),
    close: () => undefined,
    save: async ({ text }) => {
      if (text.replace(/[^0-9a-f]/gi, '').length < LEAST_LETTERS)
        throw new ApiError(400, `Type ${LEAST_LETTERS} letters of it or more`, 'short');
      const { seq } = await get('/api/farms/{farmId}/book/fingerprint', {
        path: { farmId: farm.id },
        query: { text },
      } as never);
      setFound({ text, seq });
    },
  });
  return (
    <div className="max-w-md">
      <Form form={form} button="Look it up" small className="flex flex-wrap items-end gap-3">
        <TextBox label="Fingerprint on a printed sheet" autoComplete="off" {...form.box('text')} />
      </Form>
      {found && (
        <p role="status" className="mt-2 font-semibold">
          {found.seq === null
            ? `■ This book never had ${found.text}. The sheet is of another book, or records before it were changed.`
            : `● The book had it at record ${number(found.seq)}, and all before it is as it was then.`}
        </p>
      )}
    </div>
  );
}

function Backups({ farm, answer, again }: { farm: Farm; answer: BackupsAnswer; again: () => Promise<unknown> }) {
  const { kept, tooOld, failed, automatic } = answer;
  const sending = useSend();
  const params = { path: { farmId: farm.id } };
  const make = () =>
    sending.send(async () => {
      await send(post('/api/farms/{farmId}/backups', params));
      await again();
    });
  const [newest] = kept;
  return (
    <div className="space-y-5">
      <Verdict
        about="Last backup"
        {...(tooOld || failed !== null ? { shape: '■' } : newest ? { shape: '●' } : {})}
        figure={newest ? <Ago at={newest.at} /> : 'None yet'}
        bad={tooOld}
        small
      >
        {automatic
          ? 'The server makes one every day, and keeps 14 days, 8 weeks and 24 months of them.'
          : 'This server makes none by itself. Save one below, and keep it on another computer.'}
      </Verdict>
      {failed !== null && (
        <Callout icon role="alert">
          The last one failed: {failed}. Is the disk full, or the folder gone?
        </Callout>
      )}
      <div className="flex flex-wrap gap-3">
        <a
          className="inline-flex min-h-11 items-center rounded-[3px] border border-ink px-4 font-semibold hover:bg-sand"
          href={addressOf('/api/farms/{farmId}/backup', { farmId: farm.id })}
          download
        >
          Save everything as one file
        </a>
        {automatic && (
          <Button disabled={sending.busy} onClick={() => void make()}>
            {sending.busy ? 'Making one …' : 'Make one on the server now'}
          </Button>
        )}
      </div>
      <Problem>{sending.message}</Problem>
      <p className="max-w-prose text-muted">
        A backup has the whole farm: book, readings, machines, tickets, photographs and members, without passwords. A
        copy on the same computer does not help when that computer is gone.
      </p>
      {kept.length > 0 && (
        <ul aria-label="Backups on the server" className="divide-y divide-rule border-y border-rule">
          {kept.map((one) => (
            <Kept key={one.name} farm={farm} one={one} />
          ))}
        </ul>
      )}
      <p className="text-muted">
        To bring one back: begin an empty farm, and choose the file on its first page; or{' '}
        <code>npm run restore FILE</code> where the server runs.
      </p>
    </div>
  );
}

function Kept({ farm, one }: { farm: Farm; one: BackupInfo }) {
  return (
    <li className="flex flex-wrap items-center justify-between gap-x-4">
      <span>
        {moment(one.at, farm.data.farm.timeZone)} <span className="text-muted">{fileSize(one.bytes)}</span>
      </span>
      <a
        className="inline-flex min-h-11 items-center underline decoration-rule underline-offset-4"
        href={addressOf('/api/farms/{farmId}/backups/{name}', { farmId: farm.id, name: one.name })}
        download
      >
        Save this one
      </a>
    </li>
  );
}
