import {
  choice,
  crop,
  day,
  flag,
  idOf,
  list,
  map,
  moistureField,
  number,
  optional,
  record,
  text,
  ulidField,
  whole,
} from './field.js';
import { sumOfMoney } from '../units/index.js';
import { type LogOf, logKind, settingKind, type SettingOf } from './kind.js';

/**
 * What of a price is fixed: all of it, the local difference, the futures, or both parts apart. Delayed price: the buyer's from the dump on,
 * priced later; storage: the farm's own at the buyer's until it is sold.
 */
export const CONTRACT_KINDS = ['flat', 'basisFixed', 'futuresFixed', 'bothFixed', 'delayed', 'storage'] as const;
/** What the buyer does with bushels beyond a contract. */
export const OVERAGE_RULES = ['spot', 'contract', 'next', 'refused'] as const;

/** Whose grain counts on a contract: every owner's in the load, the farm's own part alone, or that of owners who are named. */
export const CONTRACT_COUNTS = ['all', 'own', 'named'] as const;

/** A contract with a buyer, as it was signed. */
export const CONTRACT = settingKind(
  'contract',
  'sell',
  'contracts',
  'own',
  {
    number: text(40, 1),
    buyerId: idOf('places'),
    crop: crop(),
    kind: choice(CONTRACT_KINDS),
    /** flat */
    price: optional(number(0, 1000, '$/bu')),
    futures: optional(number(0, 1000, '$/bu')),
    basis: optional(number(-20, 20, '$/bu')),
    fee: optional(number(0, 20, '$/bu')),
    bushels: number(1, 1e8, 'bu'),
    /** bushels beyond it that the load which fills it still brings at its price */
    tolerance: optional(number(0, 1e6, 'bu')),
    /** between which it is delivered */
    opens: day(),
    closes: day(),
    overage: choice(OVERAGE_RULES),
    /** left out: all */
    counts: optional(choice(CONTRACT_COUNTS)),
    /** whose, where they are named */
    owners: optional(list(text(60, 1), 1, 20)),
    /** for a delayed price or storage: taken for a bushel and month from `freeUntil`, or the dump, until it is priced */
    chargePerMonth: optional(number(0, 5, '$/bu')),
    freeUntil: optional(day()),
    /** what was agreed of its grade */
    quality: optional(text(120)),
    /** its terms were changed since it was signed, each from a day on: rolled, enlarged, set to another month */
    changes: optional(
      list(
        record({
          on: day(),
          bushels: optional(number(1, 1e8, 'bu')),
          closes: optional(day()),
          /** taken off the price for it */
          fee: optional(number(0, 20, '$/bu')),
          note: text(200, 1),
        }),
        0,
        40,
      ),
    ),
    /** nothing more is delivered on it */
    done: flag(),
    note: optional(text(200)),
  },
  [
    { name: 'ends_before_it_begins', broken: ({ opens, closes }) => (opens <= closes ? null : 'closes') },
    {
      name: 'changes_in_order',
      broken: ({ changes = [] }) => {
        const wrong = changes.findIndex(({ on }, i) => i > 0 && on < changes[i - 1]!.on);
        return wrong < 0 ? null : `changes.${wrong}.on`;
      },
    },
    {
      name: 'ends_before_it_begins',
      broken: ({ opens, changes = [] }) => {
        const wrong = changes.findIndex(({ closes }) => closes !== undefined && closes < opens);
        return wrong < 0 ? null : `changes.${wrong}.closes`;
      },
    },
    {
      name: 'part_missing',
      broken: ({ counts, owners = [] }) => (counts === 'named' && owners.length === 0 ? 'owners' : null),
    },
    { name: 'part_missing', broken: ({ kind, price }) => (kind === 'flat' && price === undefined ? 'price' : null) },
    {
      name: 'part_missing',
      broken: ({ kind, basis }) =>
        (kind === 'basisFixed' || kind === 'bothFixed') && basis === undefined ? 'basis' : null,
    },
    {
      name: 'part_missing',
      broken: ({ kind, futures }) =>
        (kind === 'futuresFixed' || kind === 'bothFixed') && futures === undefined ? 'futures' : null,
    },
  ],
);
export type Contract = SettingOf<typeof CONTRACT>;

/** A contract as it stands on a day: as it was signed, with what was changed until then. */
export function contractOn(signed: Contract, day: string): Contract {
  const until = (signed.changes ?? []).filter(({ on }) => on <= day);
  if (until.length === 0) return signed;
  return until.reduce<Contract>(
    (now, { bushels, closes, fee }) => ({
      ...now,
      ...(bushels === undefined ? {} : { bushels }),
      ...(closes === undefined ? {} : { closes }),
      // Of a flat price it is taken off at once; of futures with their other fees.
      ...(fee === undefined
        ? {}
        : now.kind === 'flat'
          ? { price: (now.price ?? 0) - fee }
          : { fee: (now.fee ?? 0) + fee }),
    }),
    signed,
  );
}

/** Somebody said which contract a delivery counts on, and how many of its bushels; without it they fill in their order. */
export const CONTRACT_LOAD = logKind('contractLoad', 'sell', 'contract_loads', {
  /** the delivery in the book */
  entryId: text(40, 1),
  contractId: text(40, 1),
  bushels: number(0, 1e6, 'bu'),
});
export type ContractLoad = LogOf<typeof CONTRACT_LOAD>;

/** Part of a contract's open price fixed on a day: futures, the local difference, or both by a cash price, for so many of its bushels. */
export const PRICE_FIX = logKind('priceFix', 'sell', 'price_fixes', {
  contractId: text(40, 1),
  part: choice(['futures', 'basis', 'cash']),
  /** a basis may lie under nothing */
  price: number(-20, 1000, '$/bu'),
  bushels: number(1, 1e8, 'bu'),
  fee: optional(number(0, 20, '$/bu')),
  note: optional(text(200)),
});
export type PriceFix = LogOf<typeof PRICE_FIX>;

/** What a buyer offers for a crop in a delivery period: cash, or futures of a month plus his basis. */
export const BID = logKind(
  'bid',
  'sell',
  'bids',
  {
    buyerId: idOf('places'),
    crop: crop(),
    /** cash; left out where it is futures plus basis */
    price: optional(number(0, 1000, '$/bu')),
    futures: optional(number(0, 1000, '$/bu')),
    basis: optional(number(-20, 20, '$/bu')),
    /** of the futures, as the exchange names it */
    month: optional(text(20)),
    /** between which days it is for */
    from: day(),
    until: day(),
    /** left out: it stands until the next one */
    validUntil: optional(day()),
  },
  [
    { name: 'ends_before_it_begins', broken: ({ from, until }) => (from <= until ? null : 'until') },
    {
      name: 'part_missing',
      broken: ({ price, futures, basis }) =>
        price !== undefined || (futures !== undefined && basis !== undefined)
          ? null
          : futures === undefined && basis === undefined
            ? 'price'
            : futures === undefined
              ? 'futures'
              : 'basis',
    },
  ],
);
export type BuyerBid = LogOf<typeof BID>;

/** What buyers dock, in percent but for the test weight (lb/bu); worse is below for that one, above for all others. */
export const SHEET_FACTORS = [
  'testWeight',
  'moisture',
  'damage',
  'foreignMaterial',
  'heat',
  'splits',
  'broken',
] as const;
export type SheetFactor = (typeof SHEET_FACTORS)[number];
/** How a sheet takes water off the weight: by dry matter, so many percent a point, or not at all (a price discount only). */
export const SHRINK_WAYS = ['water', 'flat', 'none'] as const;

/** What a buyer posts for a crop from a day on. */
export const BUYER_SHEET = settingKind(
  'buyerSheet',
  'sell',
  'buyer_sheets',
  'own',
  {
    buyerId: idOf('places'),
    crop: crop(),
    from: day(),
    base: moistureField(),
    shrink: choice(SHRINK_WAYS),
    /** of the wet weight for each point; for a flat shrink */
    shrinkPerPoint: optional(number(0.5, 3, '%')),
    /** share of the weight taken besides the water, where any is taken */
    handling: optional(number(0, 0.05, 'fraction')),
    /** moisture is brought to this step first */
    moistureStep: optional(number(0, 0.05, 'wb fraction')),
    moistureRounding: choice(['halfUp', 'up', 'down']),
    refuseAbove: optional(moistureField()),
    /** a point and wet bushel; each started step of `dryingStep` points counts */
    dryingPerPoint: optional(number(0, 10, '$')),
    dryingStep: optional(number(0.05, 5, 'points')),
    /** taken off the weight before anything else */
    dockage: flag(),
    /** foreign material beyond this share is taken off the weight */
    foreignMaterialFree: optional(number(0, 1, 'fraction')),
    /** on which bushels discounts are counted */
    discountsOn: choice(['paid', 'gross']),
    factors: list(
      record({
        factor: choice(SHEET_FACTORS),
        steps: choice(['proportion', 'whole', 'started']),
        /** bands passed on the way count too */
        cumulative: flag(),
        refuseBeyond: optional(number(0, 200, '')),
        bands: list(
          record({
            from: number(0, 200, ''),
            per: choice(['bushel', 'percentOfPrice']),
            amount: number(0, 100, ''),
            /** left out: once for the whole band */
            step: optional(number(0.01, 100, '')),
          }),
          1,
          20,
        ),
      }),
      0,
      7,
    ),
    feePerBu: optional(number(0, 10, '$/bu')),
    /** of the net market value */
    checkoffPercent: optional(number(0, 5, '%')),
    bushelDecimals: whole(0, 3),
    note: optional(text(200)),
  },
  [
    {
      name: 'part_missing',
      broken: ({ shrink, shrinkPerPoint }) =>
        shrink === 'flat' && shrinkPerPoint === undefined ? 'shrinkPerPoint' : null,
    },
    {
      name: 'factor_twice',
      broken: ({ factors }) => {
        const twice = factors.findIndex(({ factor }, i) => factors.findIndex((one) => one.factor === factor) < i);
        return twice < 0 ? null : `factors.${twice}.factor`;
      },
    },
    {
      name: 'bands_overlap',
      broken: ({ factors }) => {
        for (const [i, { factor, bands }] of factors.entries()) {
          // A band reaches to the next one's start: in order there is neither a gap nor an overlap.
          const sign = factor === 'testWeight' ? -1 : 1;
          const wrong = bands.findIndex(({ from }, k) => k > 0 && sign * (from - bands[k - 1]!.from) <= 0);
          if (wrong >= 0) return `factors.${i}.bands.${wrong}.from`;
        }
        return null;
      },
    },
    {
      name: 'refused_before_docked',
      broken: ({ factors }) => {
        const wrong = factors.findIndex(
          ({ factor, refuseBeyond, bands }) =>
            refuseBeyond !== undefined &&
            (factor === 'testWeight' ? refuseBeyond > bands[0]!.from : refuseBeyond < bands[0]!.from),
        );
        return wrong < 0 ? null : `factors.${wrong}.refuseBeyond`;
      },
    },
  ],
);
export type BuyerSheet = SettingOf<typeof BUYER_SHEET>;

/** Factors that stand on a ticket: those of grade, and dockage. */
export const PAPER_FACTORS = [...SHEET_FACTORS.filter((factor) => factor !== 'moisture'), 'dockage'] as const;

/** What a ticket's paper says beyond what the book has of it: its factors, and what it prints as its result. */
export const TICKET_PAPER = logKind('ticketPaper', 'sell', 'ticket_papers', {
  /** the delivery in the book */
  entryId: text(40, 1),
  /** its number, where the book has none */
  ticket: optional(text(40)),
  /** percent; test weight lb/bu */
  factors: map(number(0, 200, ''), PAPER_FACTORS),
  paidBushels: optional(number(0, 1e6, 'bu')),
  /** $/bu after discounts */
  pricePaid: optional(number(0, 1000, '$/bu')),
  drying: optional(number(0, 1e6, '$')),
  money: optional(number(0, 1e7, '$')),
  photo: optional(ulidField()),
});
export type TicketPaper = LogOf<typeof TICKET_PAPER>;

/** A ticket photographed where it was handed out, to be typed by somebody at a desk. */
export const TICKET_PHOTO = logKind('ticketPhoto', 'sell', 'ticket_photos', {
  photo: ulidField(),
  /** the truck */
  placeId: idOf('places'),
});
export type TicketPhoto = LogOf<typeof TICKET_PHOTO>;

/** What a buyer takes off the sum of a settlement. */
export const DEDUCTIONS = ['checkoff', 'storage', 'freight', 'drying', 'advance', 'other'] as const;

/** A buyer's sheet with a check: what he pays for each ticket, and what he takes off. Taken in once; what is wrong is made right by lines of a later one. */
export const SETTLEMENT = logKind(
  'settlement',
  'sell',
  'settlements',
  {
    /** of the check or the sheet */
    number: text(40, 1),
    buyerId: idOf('places'),
    paidOn: day(),
    /** the money comes on this day only, by agreement */
    deferredTo: optional(day()),
    lines: list(
      record({
        ticket: text(40, 1),
        /** a correction changes what a ticket was paid before */
        kind: choice(['ticket', 'correction']),
        /** a ticket that crosses a contract's end has a line for each of its parts */
        contract: optional(text(40)),
        bushels: number(-1e6, 1e6, 'bu'),
        price: optional(number(-20, 1000, '$/bu')),
        /** discounts, drying and fees together */
        taken: optional(number(-1e6, 1e6, '$')),
        money: number(-1e7, 1e7, '$'),
      }),
      1,
      5000,
    ),
    deductions: list(
      record({ kind: choice(DEDUCTIONS), amount: number(-1e7, 1e7, '$'), note: optional(text(80)) }),
      0,
      40,
    ),
    net: number(-1e8, 1e8, '$'),
    /** those of one file are undone together */
    importId: optional(ulidField()),
  },
  [
    {
      name: 'ticket_twice',
      broken: ({ lines }) => {
        const seen = new Set<string>();
        for (const [i, { ticket, kind, contract = '' }] of lines.entries()) {
          if (kind !== 'ticket') continue;
          const plain = JSON.stringify([ticket, contract].map((word) => word.trim().toLowerCase()));
          if (seen.has(plain)) return `lines.${i}.ticket`;
          seen.add(plain);
        }
        return null;
      },
    },
    {
      name: 'paid_before',
      broken: ({ paidOn, deferredTo }) => (deferredTo === undefined || deferredTo >= paidOn ? null : 'deferredTo'),
    },
  ],
);
export type Settlement = LogOf<typeof SETTLEMENT>;

/** By which price an owner is paid: as his bushels were sold, at the ticket's own price of the day, or at the season's mean. */
export const OWNER_PRICES = ['asSold', 'ticket', 'pooled'] as const;

/** What a lease says of an owner's grain and money. The share of each field stands with the field. */
export const OWNER_TERMS = settingKind(
  'ownerTerms',
  'sell',
  'owner_terms',
  'own',
  {
    owner: text(60, 1),
    kind: choice(['share', 'cash']),
    /** of a share */
    price: choice(OWNER_PRICES),
    /** what the owner pays the farm for hauling his bushels */
    haulingPerBu: optional(number(0, 10, '$/bu')),
    /** who bears the owner's part of the buyer's drying and discounts */
    docksBorneBy: choice(['owner', 'farm']),
    /** a season, for cash rent */
    rent: optional(number(0, 1e8, '$')),
    note: optional(text(200)),
  },
  [{ name: 'part_missing', broken: ({ kind, rent }) => (kind === 'cash' && rent === undefined ? 'rent' : null) }],
);
export type OwnerTerms = SettingOf<typeof OWNER_TERMS>;

/** A futures or options position of the farm's hedge account, as its statement says. */
export const HEDGE = settingKind(
  'hedge',
  'sell',
  'hedges',
  'own',
  {
    crop: crop(),
    what: choice(['futures', 'put', 'call']),
    side: choice(['sold', 'bought']),
    month: text(20, 1),
    bushels: number(1, 1e8, 'bu'),
    /** of futures, or the premium of an option */
    price: number(0, 1000, '$/bu'),
    strike: optional(number(0, 1000, '$/bu')),
    on: day(),
    closedPrice: optional(number(0, 1000, '$/bu')),
    closedOn: optional(day()),
    fee: optional(number(0, 20, '$/bu')),
  },
  [
    { name: 'ends_before_it_begins', broken: ({ on, closedOn }) => (closedOn === undefined || on <= closedOn ? null : 'closedOn') }, // prettier-ignore
    { name: 'part_missing', broken: ({ what, strike }) => (what !== 'futures' && strike === undefined ? 'strike' : null) }, // prettier-ignore
    {
      name: 'part_missing',
      broken: ({ closedPrice, closedOn }) =>
        closedOn !== undefined && closedPrice === undefined ? 'closedPrice' : null,
    },
  ],
);
export type Hedge = SettingOf<typeof HEDGE>;

/** What a crop of a season is expected and insured for, where somebody says so. */
export const SELL_PLAN = settingKind('sellPlan', 'sell', 'sell_plans', 'own', {
  crop: crop(),
  season: whole(1990, 2100),
  /** bushels that insurance makes good */
  insured: optional(number(0, 1e9, 'bu')),
  /** left out: by the fields */
  expected: optional(number(0, 1e9, 'bu')),
});
export type SellPlan = SettingOf<typeof SELL_PLAN>;

/** Columns of a buyer's file that are understood. */
export const FILE_COLUMNS = ['ticket', 'check', 'paidOn', 'contract', 'bushels', 'price', 'taken', 'money'] as const;
export type FileColumn = (typeof FILE_COLUMNS)[number];

/** Which column of a buyer's file is which, by its head, as somebody matched them once. */
export const COLUMN_MATCH = settingKind('columnMatch', 'sell', 'column_matches', 'places', {
  heads: map(text(80, 1), FILE_COLUMNS),
});
export type ColumnMatch = SettingOf<typeof COLUMN_MATCH>;

/** What a line of a statement is of: as the postings of a settlement. */
export const STATEMENT_ACCOUNTS = [
  'sale',
  'correction',
  'discounts',
  'lease price',
  'lease docks',
  'hauling',
  ...DEDUCTIONS,
] as const;

/** An owner's statement as it was given to him, line by line: printed again it is the same to the digit, whatever was corrected since. */
export const STATEMENT = logKind(
  'statement',
  'sell',
  'statements',
  {
    number: whole(1, 1_000_000),
    owner: text(60, 1),
    /** the harvest that it is of */
    cropYear: whole(1990, 2100),
    from: day(),
    until: day(),
    /** the number of the one that it sets right */
    corrects: optional(whole(1, 1_000_000)),
    lines: list(
      record({
        paidOn: day(),
        check: text(40, 1),
        buyerId: text(40, 1),
        ticket: optional(text(40)),
        lot: optional(text(40)),
        crop: optional(crop()),
        bushels: number(-1e6, 1e6, 'bu'),
        account: choice(STATEMENT_ACCOUNTS),
        amount: number(-1e7, 1e7, '$'),
      }),
      0,
      5000,
    ),
    /** the sum of its lines */
    total: number(-1e8, 1e8, '$'),
  },
  [
    { name: 'ends_before_it_begins', broken: ({ from, until }) => (from <= until ? null : 'until') },
    {
      name: 'sum_of_lines',
      broken: ({ lines, total }) =>
        sumOfMoney([total]) === sumOfMoney(lines.map(({ amount }) => amount)) ? null : 'total',
    },
  ],
);
export type Statement = LogOf<typeof STATEMENT>;

/** What money, hands and fuel cost here, where a page asks for it: its first figure, until somebody types another. */
export const FARM_PRICES = settingKind('farmPrices', 'sell', 'farm_prices', 'farm', {
  /** of a year, for grain that is kept */
  interest: optional(number(0, 0.5, 'fraction')),
  laborPerHour: optional(number(0, 500, '$/h')),
  dieselPerGallon: optional(number(0, 50, '$/gal')),
});
export type FarmPrices = SettingOf<typeof FARM_PRICES>;
