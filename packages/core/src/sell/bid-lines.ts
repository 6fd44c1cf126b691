import { type Crop, type CropId, cropIn, CROPS } from '../crops/index.js';
import { plainName } from '../kernel/index.js';
import { fileDay, fileFigure } from './buyer-file.js';

/** A bid as a line of text said it. */
export interface BidLine {
  readonly line: number;
  readonly buyerId: string;
  readonly crop: CropId;
  /** $/bu in cash, or futures and basis. */
  readonly price?: number;
  readonly futures?: number;
  readonly basis?: number;
  readonly from: string;
  readonly until: string;
}

export interface BidProblem {
  readonly line: number;
  readonly what: 'no_buyer' | 'no_crop' | 'no_price' | 'no_day' | 'ends_first';
  readonly text: string;
}

/**
 * Bids as they are pasted or stand in a file, one a line: buyer, crop, cash price (or futures and basis, the second beginning with its
 * sign), and the days between which it is for. A first line without a price is a head. A buyer is known by the beginning of his name.
 * @param rows cells of the lines @param from until for lines without days, of the farm's calendar
 */
export function readBidLines(
  rows: readonly (readonly string[])[],
  buyers: readonly { readonly id: string; readonly name: string }[],
  from: string,
  until: string,
  crops: readonly Crop[] = Object.values(CROPS),
): { readonly bids: readonly BidLine[]; readonly problems: readonly BidProblem[] } {
  const bids: BidLine[] = [];
  const problems: BidProblem[] = [];
  rows.forEach((cells, i) => {
    const line = i + 1;
    const words = cells.map((cell) => cell.trim());
    if (words.every((word) => word === '')) return;
    const [who = '', what = '', ...rest] = words;
    const figures = rest.filter((word) => word !== '' && fileFigure(word) !== null && fileDay(word) === null);
    // A head names its columns and has no figure.
    if (i === 0 && figures.length === 0 && rest.every((word) => fileDay(word) === null)) return;
    const wrong = (of: BidProblem['what'], text: string): void => void problems.push({ line, what: of, text });
    const found = buyers.filter(
      ({ name }) => plainName(name) === plainName(who) || plainName(name).startsWith(plainName(who)),
    );
    const buyer =
      found.find(({ name }) => plainName(name) === plainName(who)) ?? (found.length === 1 ? found[0] : undefined);
    if (buyer === undefined || who === '') return wrong('no_buyer', who);
    const crop = cropIn(what, crops);
    if (crop === null) return wrong('no_crop', what);
    const [first, second] = figures.map((word) => fileFigure(word)!);
    if (first === undefined || first < 0) return wrong('no_price', rest[0] ?? '');
    const days = rest.filter((word) => word !== '' && fileFigure(word) === null);
    const [begins, ends] = days.map((word) => fileDay(word) ?? undefined);
    const strange = days.find((word) => fileDay(word) === null);
    if (strange !== undefined) return wrong('no_day', strange);
    const period = { from: begins ?? from, until: ends ?? (begins === undefined ? until : begins > until ? begins : until) }; // prettier-ignore
    if (period.from! > period.until!) return wrong('ends_first', `${begins} ${ends}`);
    bids.push({
      line,
      buyerId: buyer.id,
      crop,
      ...(second === undefined ? { price: first } : { futures: first, basis: second }),
      from: period.from!,
      until: period.until!,
    });
  });
  return { bids, problems };
}
