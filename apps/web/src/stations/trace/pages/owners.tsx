import {
  ACCOUNT_WORDS,
  calendarDay,
  changedSince,
  cropOf,
  nextNumber,
  ownersOf,
  ownerStatement,
  type OwnerStatement,
  type Posting,
  type Statement,
  type StatementLine,
  statementsGiven,
  sumOfMoney,
} from '@fanega/core';
import { Printer } from 'lucide-react';
import { useMemo, useState } from 'react';
import { ulid } from 'ulid';
import { addressOf } from '../../../data/api';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { logged } from '../../../data/records';
import { useSend } from '../../../data/use-send';
import { bushels, bushelsFine, money, number, plain } from '../../../quantity/quantity';
import { dayText, dayTyped, dayYearText } from '../../../quantity/time';
import { Button, Empty, Loading, Problem, SelectBox } from '../../../ui';
import { Section } from '../../../ui/page';
import { Status } from '../../../ui/status';
import { type Column, DataTable } from '../../../ui/table';
import { Verdict } from '../../../ui/verdict';
import { figureColumn, wordColumn } from '../../../widgets/columns';
import { DayBox, dayBox } from '../../../widgets/day-box';
import { TakeBack } from '../../../widgets/take-back';
import { Working } from '../../../widgets/working';
import { type SellBook, useSellBook } from '../../../widgets/use-sell-book';
import { capital } from '../../../words';

/** What each owner was paid, for which of his bushels, and the statements that he was given. */
export default function Owners({ farm, season }: { farm: Farm; season: number }) {
  const book = useSellBook(farm, season);
  const owners = useMemo(
    () => [
      ...new Set(
        farm.data.lots.filter((lot) => lot.season === season).flatMap(({ shares }) => shares.map(({ owner }) => owner)),
      ),
    ],
    [farm, season],
  );
  const others = owners.filter((owner) => owner !== farm.data.farm.name);
  const [chosen, setChosen] = useState<string | null>(null);
  if (!book) return <Loading what="Adding up what was paid" />;
  const owner = chosen ?? others[0] ?? owners[0];
  if (owner === undefined)
    return (
      <Empty title="No field of this season has an owner yet.">
        <p>Shares stand with each field, in Fields.</p>
      </Empty>
    );
  return (
    <OneOwner
      key={`${owner} ${season}`}
      farm={farm}
      book={book}
      season={season}
      owner={owner}
      owners={[...others, ...owners.filter((one) => one === farm.data.farm.name)]}
      onOwner={setChosen}
    />
  );
}

function OneOwner({
  farm,
  book,
  season,
  owner,
  owners,
  onOwner,
}: {
  farm: Farm;
  book: SellBook;
  season: number;
  owner: string;
  owners: readonly string[];
  onOwner: (owner: string) => void;
}) {
  const { timeZone } = farm.data.farm;
  const today = calendarDay(farm.data.now, timeZone);
  const [text, setText] = useState({ from: dayTyped(`${season}-01-01`), until: dayTyped(`${season + 1}-12-31`) });
  const box = dayBox(today, 'Which day?');
  const [from, until] = [box.read(text.from), box.read(text.until)];
  const fits = from.value !== undefined && until.value !== undefined && from.value <= until.value;
  const { postings } = useMemo(() => ownersOf(farm, book), [farm, book]);
  const statement = useMemo(
    () => (fits ? ownerStatement(farm, book, postings, owner, from.value!, until.value!) : null),
    [farm, book, postings, owner, fits, from.value, until.value],
  );
  const terms = Object.values(book.records.settings.ownerTerms).find(({ value }) => value.owner === owner)?.value;
  const given = statementsGiven(book.records.logs.statement).filter((one) => one.owner === owner && one.cropYear === season); // prettier-ignore
  const per = farm.kgPerBu('corn');
  const [newest] = given;
  const since = newest && statement && newest.from === from.value && newest.until === until.value ? changedSince(newest, statement.lines) : null; // prettier-ignore
  const stands = since !== null && since.came.length === 0 && since.gone.length === 0;
  return (
    <>
      <div className="lg:grid lg:grid-cols-[1.5fr_1fr]">
        <Section label="Statement">
          {statement === null ? (
            <p className="text-lg text-muted">The days on the right need fixing.</p>
          ) : (
            <>
              <Verdict
                about={`${owner}, ${season}, paid on settlements from ${dayYearText(from.value)} to ${dayYearText(until.value)}`}
                figure={money(statement.total)}
                unit={`on ${number(new Set(statement.lines.map(({ check }) => check)).size)} settlements`}
              >
                {statement.bushels.length === 0
                  ? 'None of the grain in the book is his.'
                  : statement.bushels
                      .map(
                        ({ crop, paid, delivered, stored }) =>
                          `${cropOf(crop)?.name ?? crop}: ${bushels(Math.round(paid), farm.kgPerBu(crop)).text} paid, ${bushels(Math.round(delivered), farm.kgPerBu(crop)).text} delivered and not paid, ${bushels(Math.round(stored), farm.kgPerBu(crop)).text} stored`,
                      )
                      .join('; ')}
                .
              </Verdict>
              <ul className="mt-3" aria-label="By account">
                {Object.entries(statement.byAccount)
                  .filter(([, amount]) => amount !== 0)
                  .map(([account, amount]) => (
                    <li key={account} className="flex justify-between border-b border-rule py-1">
                      <span>{capital(ACCOUNT_WORDS[account as StatementLine['account']])}</span>
                      <b>{money(amount)}</b>
                    </li>
                  ))}
              </ul>
              <Working
                what={`${owner}: ${money(statement.total)}`}
                formulas={[]}
                inputs={[
                  { name: 'Shares', value: 'by field', from: 'each load’s fields and their owners' },
                  {
                    name: 'Lease',
                    value:
                      terms === undefined
                        ? 'not entered'
                        : terms.kind === 'cash'
                          ? `cash rent ${money(terms.rent ?? 0)}`
                          : 'a share of the crop',
                    from: 'Sell, Settle',
                  },
                ]}
                worked={['The sum of the lines below, each in whole cents.']}
                not="what is delivered and on no settlement yet, and rent."
              />
            </>
          )}
        </Section>
        <section
          aria-label="What is asked about"
          className="space-y-4 border-t border-ink px-5 py-5 lg:border-t-0 lg:border-l lg:px-6"
        >
          <SelectBox label="Owner" value={owner} onChange={(event) => onOwner(event.target.value)}>
            {owners.map((one) => (
              <option key={one} value={one}>
                {one}
              </option>
            ))}
          </SelectBox>
          <div className="grid grid-cols-2 gap-3">
            <DayBox
              label="Paid from"
              value={text.from}
              error={from.error}
              onChange={(typed) => setText({ ...text, from: typed })}
            />
            <DayBox
              label="until"
              value={text.until}
              error={until.error ?? (fits || from.value === undefined ? undefined : 'It ends before it begins')}
              onChange={(typed) => setText({ ...text, until: typed })}
            />
          </div>
          {statement && (
            <Issue
              farm={farm}
              book={book}
              season={season}
              statement={statement}
              from={from.value!}
              until={until.value!}
              corrects={since !== null && !stands ? newest : undefined}
              stands={stands}
            />
          )}
          {given.length > 0 && (
            <ul aria-label="Statements given" className="border-t border-rule">
              {given.map((one) => (
                <Given key={one.id} farm={farm} book={book} postings={postings} one={one} />
              ))}
            </ul>
          )}
        </section>
      </div>
      {statement && (
        <DataTable
          name="Lines of the statement"
          one="line"
          many="lines"
          rows={statement.lines}
          columns={lineColumns(farm, per)}
          rowId={(line) => JSON.stringify(line)}
          empty={<Empty title="Nothing was paid to him in these days." />}
        />
      )}
    </>
  );
}

function lineColumns(farm: Farm, per: number): Column<StatementLine>[] {
  return [
    wordColumn('paid', 'Paid', ({ paidOn }) => dayText(paidOn)),
    wordColumn('check', 'Settlement', ({ check }) => check, { choice: true }),
    wordColumn('buyer', 'Buyer', ({ buyerId }) => farm.placeName(buyerId), { choice: true }),
    wordColumn('ticket', 'Ticket', ({ ticket }) => ticket ?? '', { phone: 'title' }),
    wordColumn('field', 'Field', ({ lot }) => (lot === undefined ? '' : (farm.lot(lot)?.fieldName ?? lot)), { choice: true }), // prettier-ignore
    wordColumn('account', 'What for', ({ account }) => capital(ACCOUNT_WORDS[account]), { choice: true }),
    figureColumn('bushels', 'Bushels', bushelsFine, ({ bushels: much }) => (much === 0 ? null : much), {
      per: ({ crop }) => farm.kgPerBu(crop),
      summed: { per },
    }),
    {
      id: 'amount',
      head: 'Amount',
      right: true,
      phone: 'verdict',
      value: ({ amount }) => amount,
      text: ({ amount }) => plain(amount, 2),
      show: ({ amount }) => money(amount),
      sum: (rows) => money(sumOfMoney(rows.map(({ amount }) => amount))),
    },
  ];
}

/** Gives the statement a number and keeps it as it is now. */
function Issue({
  farm,
  book,
  season,
  statement,
  from,
  until,
  corrects,
  stands,
}: {
  farm: Farm;
  book: SellBook;
  season: number;
  statement: OwnerStatement;
  from: string;
  until: string;
  corrects: Statement | undefined;
  stands: boolean;
}) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const serial = nextNumber(book.records.logs.statement);
  const issue = async (): Promise<void> => {
    await sending.send(async () => {
      await write(
        farm.id,
        logged(farm.id, 'statement', {
          id: ulid(),
          at: new Date(farm.clock()).toISOString(),
          number: serial,
          owner: statement.owner,
          cropYear: season,
          from,
          until,
          ...(corrects === undefined ? {} : { corrects: corrects.number }),
          lines: statement.lines,
          total: statement.total,
        }),
        `statement ${serial}`,
      );
      return true;
    });
    await refresh();
  };
  if (stands) return <Status state="good">The newest statement says the same.</Status>;
  return (
    <div>
      <Button look="do" className="w-full" disabled={sending.busy} onClick={() => void issue()}>
        {corrects ? `Give number ${serial}, which corrects ${corrects.number}` : `Give it number ${serial}`}
      </Button>
      {sending.message !== null && <Problem>{sending.message}</Problem>}
    </div>
  );
}

/** A statement that was given: printed again it is the same; what would be otherwise today stands beside it. */
function Given({
  farm,
  book,
  postings,
  one,
}: {
  farm: Farm;
  book: SellBook;
  postings: readonly Posting[];
  one: Statement;
}) {
  const now = ownerStatement(farm, book, postings, one.owner, one.from, one.until);
  const { came, gone, money: moved } = changedSince(one, now.lines);
  return (
    <li className="flex flex-wrap items-baseline justify-between gap-x-4 border-b border-rule py-2">
      <span>
        <b>No. {one.number}</b>, {dayText(calendarDay(Date.parse(one.at), farm.data.farm.timeZone))}: {money(one.total)}
        {one.corrects === undefined ? '' : `, corrects ${one.corrects}`}
        <span className="block text-sm">
          {came.length + gone.length === 0 ? (
            <Status state="good">stands as it was given</Status>
          ) : (
            <Status state="watch">
              {came.length + gone.length === 1 ? 'one line is' : `${number(came.length + gone.length)} lines are`}{' '}
              otherwise today, {money(moved)}
            </Status>
          )}
        </span>
      </span>
      <span className="flex items-baseline gap-4">
        <a
          href={addressOf('/api/farms/{farmId}/sell/statements/{statementId}/pdf', {
            farmId: farm.id,
            statementId: one.id,
          })}
          target="_blank"
          rel="noreferrer"
          className="inline-flex min-h-11 items-center gap-2 font-semibold underline decoration-rule underline-offset-4"
        >
          <Printer size={16} aria-hidden="true" /> Print
        </a>
        <TakeBack of="statement" id={one.id} />
      </span>
    </li>
  );
}
