import type { TokenInfo } from '@fanega/contract';
import { useState } from 'react';
import { post } from '../../../data/api';
import { type Farm, useRole, useTokens } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { useSend } from '../../../data/use-send';
import { day } from '../../../quantity/time';
import { Button, Problem, SelectBox, TextBox } from '../../../ui';
import { oneOf, words } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { Section } from '../../../ui/page';
import { QueryBoundary } from '../../../ui/query-boundary';
import { Ago } from '../../../widgets/ago';
import { DaysBox, daysBox, OnceDrawer, useToldOnce } from '../../../widgets/told-once';

const TOKEN_SCOPES = ['read', 'record'] as const;
type Scope = TokenInfo['scope'];
const SCOPES: Readonly<Record<Scope, string>> = { read: 'reads', record: 'reads and records' };
const DAYS = { '30': 'for 30 days', '90': 'for 90 days', '365': 'for a year' } as const;

/** Tokens for programs of one's own, and where the interface is described. */
export default function Programs({ farm }: { farm: Farm }) {
  const tokens = useTokens();
  const [adding, setAdding] = useState(false);
  return (
    <Section label="Programs">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <p className="max-w-2xl text-muted">
          A script of your own reads the farm, or records on it, with a token: everything that these pages do goes
          through{' '}
          <a href="/api/docs" className="underline underline-offset-4">
            the documented API
          </a>
          . It can do what you can, within its scope, on this farm, until it ends. New entries come as they are recorded
          by the event stream; examples/follow.mjs shows how.
        </p>
        <Button onClick={() => setAdding(true)}>Make a token</Button>
      </div>
      <QueryBoundary answer={tokens} what="Looking for tokens">
        {(list) =>
          list.length === 0 ? (
            <p className="mt-4 text-muted">No program has a token yet.</p>
          ) : (
            <ul aria-label="Tokens" className="mt-4 border-t border-ink">
              {list.map((token) => (
                <Token key={token.id} farm={farm} token={token} onDone={() => void tokens.mutate()} />
              ))}
            </ul>
          )
        }
      </QueryBoundary>
      {adding && <AddToken farm={farm} onClose={() => (setAdding(false), void tokens.mutate())} />}
    </Section>
  );
}

function Token({ farm, token, onDone }: { farm: Farm; token: TokenInfo; onDone: () => void }) {
  const sending = useSend();
  const { timeZone } = farm.data.farm;
  const over = token.revoked || Date.parse(token.endsAt) < Date.now();
  const revoke = async (): Promise<void> => {
    const params = { path: { farmId: farm.id, tokenId: token.id } };
    if (await sending.send(() => write(farm.id, post('/api/farms/{farmId}/tokens/{tokenId}/revoke', params)))) onDone();
  };
  return (
    <li className="flex min-h-11 flex-wrap items-center gap-x-4 border-b border-rule py-1">
      <b className={over ? 'text-muted line-through' : ''}>{token.name}</b>
      <span>
        {SCOPES[token.scope]}, {token.by}
      </span>
      <span className="text-muted">
        {token.revoked ? 'revoked' : over ? 'ended' : `until ${day(token.endsAt, timeZone)}`};{' '}
        {token.usedAt === null ? (
          'never used'
        ) : (
          <>
            used <Ago at={token.usedAt} wall />
          </>
        )}
      </span>
      {!over && (
        <Button look="quiet" className="ml-auto !px-0" disabled={sending.busy} onClick={() => void revoke()}>
          Revoke
        </Button>
      )}
      <Problem>{sending.message}</Problem>
    </li>
  );
}

function AddToken({ farm, onClose }: { farm: Farm; onClose: () => void }) {
  const role = useRole();
  const [token, tell] = useToldOnce(farm);
  const form = useFields({
    boxes: { name: words(120, 'What is it for?'), scope: oneOf<Scope>(), days: daysBox },
    start: () => ({ name: '', scope: 'read' as Scope, days: '90' }),
    close: onClose,
    save: async (body) => {
      const sent = await write(farm.id, post('/api/farms/{farmId}/tokens', { path: { farmId: farm.id } }, body));
      return tell(sent.waits ? null : sent.answer.token);
    },
  });
  return (
    <OnceDrawer
      title="A token for a program"
      form={form}
      button="Make it"
      told={token === null ? null : { label: 'Its token, shown this once:', text: token }}
    >
      <TextBox label="What it is for" {...form.box('name')} />
      <SelectBox label="It" {...form.box('scope')}>
        {TOKEN_SCOPES.filter((scope) => scope === 'read' || role !== 'viewer').map((scope) => (
          <option key={scope} value={scope}>
            {SCOPES[scope]}
          </option>
        ))}
      </SelectBox>
      <DaysBox label="It lives" days={DAYS} {...form.box('days')} />
    </OnceDrawer>
  );
}
