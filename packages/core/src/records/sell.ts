import { CROP_IDS } from '../crops/index.js';
import { choice, day, flag, idOf, number, optional, text } from './field.js';
import { type LogOf, logKind, settingKind, type SettingOf } from './kind.js';

/** What of a price is fixed: all of it, the local difference, the futures, or both parts apart. */
export const CONTRACT_KINDS = ['flat', 'basisFixed', 'futuresFixed', 'bothFixed'] as const;
/** What the buyer does with bushels beyond a contract. */
export const OVERAGE_RULES = ['spot', 'contract', 'next', 'refused'] as const;

/** A contract with a buyer, as it was signed. */
export const CONTRACT = settingKind(
  'contract',
  'sell',
  'contracts',
  'own',
  {
    number: text(40, 1),
    buyerId: idOf('places'),
    crop: choice(CROP_IDS),
    kind: choice(CONTRACT_KINDS),
    /** flat */
    price: optional(number(0, 1000, '$/bu')),
    futures: optional(number(0, 1000, '$/bu')),
    basis: optional(number(-20, 20, '$/bu')),
    fee: optional(number(0, 20, '$/bu')),
    bushels: number(1, 1e8, 'bu'),
    /** between which it is delivered */
    opens: day(),
    closes: day(),
    overage: choice(OVERAGE_RULES),
    /** nothing more is delivered on it */
    done: flag(),
    note: optional(text(200)),
  },
  [
    { name: 'ends_before_it_begins', broken: ({ opens, closes }) => (opens <= closes ? null : 'closes') },
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

/** Somebody said which contract a delivery counts on, and how many of its bushels; without it they fill in their order. */
export const CONTRACT_LOAD = logKind('contractLoad', 'sell', 'contract_loads', {
  /** the delivery in the book */
  entryId: text(40, 1),
  contractId: text(40, 1),
  bushels: number(0, 1e6, 'bu'),
});
export type ContractLoad = LogOf<typeof CONTRACT_LOAD>;
