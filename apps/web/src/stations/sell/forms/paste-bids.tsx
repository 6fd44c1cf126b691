import { type BidProblem, calendarDay, cropOf, readBidLines } from '@fanega/core';
import Papa from 'papaparse';
import { useState } from 'react';
import { ulid } from 'ulid';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { logged } from '../../../data/records';
import { useSend } from '../../../data/use-send';
import { money, number, price } from '../../../quantity/quantity';
import { dayText } from '../../../quantity/time';
import { Button, Labelled, Problem, TextBox } from '../../../ui';
import { Drawer } from '../../../ui/drawer';
import { useKept } from '../../../ui/use-kept';

/** Days that a bid without days is for: the rest of this month and the next. */
const USUAL_DAYS = 30;

const WORDS: Readonly<Record<BidProblem['what'], (text: string) => string>> = {
  no_buyer: (text) => `no buyer, or more than one, is called “${text}”`,
  no_crop: (text) => `“${text}” is not a crop`,
  no_price: (text) => `“${text}” is not a price`,
  no_day: (text) => `“${text}” is not a day`,
  ends_first: () => 'it ends before it begins',
};

/** A day's bids as a message or a file has them, one a line; looked at before they are kept. */
export function PasteBids({ farm, onClose }: { farm: Farm; onClose: () => void }) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const [text, setText, forget] = useKept(`bids.${farm.id}`, () => '');
  const [tried, setTried] = useState(false);
  const { timeZone } = farm.data.farm;
  const today = calendarDay(farm.clock(), timeZone);
  const buyers = farm.data.places.filter(({ kind }) => kind === 'buyer');
  const read = readBidLines(
    Papa.parse<string[]>(text.trim()).data,
    buyers,
    today,
    calendarDay(farm.clock() + USUAL_DAYS * 86_400_000, timeZone),
    farm.crops,
  );
  /** Typed as the reader's prices are, dollars a bushel or a tonne. */
  const perBu = (crop: string, figure: number | undefined): number | undefined =>
    figure === undefined
      ? undefined
      : Math.sign(figure) * (price.read(String(Math.abs(figure)), { per: farm.kgPerBu(crop) }).value ?? 0);
  const bids = read.bids.map((bid) => ({
    ...bid,
    ...(bid.price === undefined
      ? { futures: perBu(bid.crop, bid.futures)!, basis: perBu(bid.crop, bid.basis)! }
      : { price: perBu(bid.crop, bid.price)! }),
  }));
  const { problems } = read;
  const keep = async (): Promise<void> => {
    setTried(true);
    if (problems.length > 0 || bids.length === 0) return;
    const done = await sending.send(async () => {
      for (const { line: _, ...bid } of bids)
        await write(farm.id, logged(farm.id, 'bid', { ...bid, id: ulid(), at: new Date(farm.clock()).toISOString() }), 'a bid'); // prettier-ignore
      return true;
    });
    await refresh();
    if (!done) return;
    forget();
    onClose();
  };
  return (
    <Drawer open onClose={onClose} title="Bids, one a line">
      <div className="space-y-4 px-5 py-4">
        <TextBox
          type="file"
          label="From a file"
          accept=".csv,.txt,text/csv"
          onChange={(event) => void (event.target as HTMLInputElement).files?.[0]?.text().then(setText)}
        />
        <Labelled
          label="Or pasted"
          hint="buyer, crop, cash price; or futures and basis; then days, where it is for others than the next thirty"
        >
          {(aria) => (
            <textarea
              {...aria}
              rows={6}
              value={text}
              placeholder={`${buyers[0]?.name ?? 'Buyer'}, corn, 4.41`}
              className="w-full rounded-[3px] border border-ink px-3 py-2 text-lg"
              onChange={(event) => setText(event.target.value)}
            />
          )}
        </Labelled>
        {bids.length > 0 && (
          <ul aria-label="As they are read">
            {bids.map((bid) => {
              const per = farm.kgPerBu(bid.crop);
              return (
                <li key={bid.line} className="border-b border-rule py-1">
                  {farm.placeName(bid.buyerId)}, {cropOf(bid.crop)?.short}:{' '}
                  <b>{money(price.shown(bid.price ?? bid.futures! + bid.basis!, per))}</b>
                  {bid.price === undefined
                    ? ` (${price.figure(bid.futures!, per)} and ${price.figure(bid.basis!, per)})`
                    : ''}
                  , for {dayText(bid.from)} to {dayText(bid.until)}
                </li>
              );
            })}
          </ul>
        )}
        {problems.map(({ line, what, text: of }) => (
          <p key={line} className="font-semibold text-clay">
            Line {number(line)}: {WORDS[what](of)}
          </p>
        ))}
        {tried && bids.length === 0 && problems.length === 0 && <Problem>Nothing is pasted yet.</Problem>}
        {sending.message !== null && <Problem>{sending.message}</Problem>}
        <Button look="do" className="w-full" disabled={sending.busy} onClick={() => void keep()}>
          {bids.length === 0 ? 'Keep the bids' : `Keep ${number(bids.length)} ${bids.length === 1 ? 'bid' : 'bids'}`}
        </Button>
      </div>
    </Drawer>
  );
}
