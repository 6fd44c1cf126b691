export {
  CONTRACT_PRICE,
  contractPrice,
  hedgeNet,
  crossContract,
  type ContractCrossing,
  type ContractPrice,
  type ContractTerms,
  type OpenContract,
} from './contracts.js';
export {
  TICKET,
  computeTicket,
  factorDiscount,
  auditTicket,
  paidBushels,
  type BuyerSchedule,
  type DiscountBand,
  type FactorSchedule,
  type PricedPart,
  type PrintedTicket,
  type Ticket,
  type TicketAudit,
  type TicketInput,
  type TicketLine,
} from './ticket.js';
export { NETBACK, freight, compareBids, type Bid, type Netback } from './netback.js';
export {
  breakEvenByMonth,
  HOLD_OR_SELL,
  holdOrSell,
  carry,
  type HoldOrSell,
  type PlanOutcome,
  type WaitingPlan,
  USUAL_INTEREST,
} from './hold.js';
export {
  ALLOCATION,
  allocationProgram,
  allocate,
  type Allocation,
  type AllocationInput,
  type Destination,
  type Lane,
  type LinearAnswer,
  type LinearProgram,
  type LinearSolver,
  type Shadow,
  type Source,
} from './allocation.js';
export { type KnownGrade, moistureSchedule, valueOfMoisture, type MoistureTerms } from './moisture-schedule.js';
export {
  type Papers,
  papersIn,
  sellView,
  soldDeliveries,
  soldDelivery,
  type SellView,
  type SoldDelivery,
  type OwnerPart,
  ownerParts,
  type SoldOf,
} from './view.js';
export { FACTOR_WORDS, papersOf, scheduleOf, SHEET_SCHOOLS, type Sheets, sheetsOf, ticketInputOf } from './sheet.js';
export {
  type FixedPart,
  fixesByContract,
  pricedLater,
  priceOfParts,
  type PriceParts,
  priceParts,
} from './price-parts.js';
export { fieldMoney, type FieldMoney } from './field-money.js';
export { STORAGE_CHARGE, type StorageCharge, storageCharge } from './storage-charge.js';
export { marketOf, ownersOf, type SellBook, sellBookOf } from './book-of.js';
export { type BidLine, type BidProblem, readBidLines } from './bid-lines.js';
export {
  ACCOUNT_WORDS,
  changedSince,
  nextNumber,
  ownerStatement,
  type OwnerStatement,
  type StatementLine,
  statementsGiven,
} from './statement.js';
export { sameNumbers, type TicketGap, ticketGaps } from './ticket-gaps.js';
export { bidPrice, bidsOn, type Offer, offerOf, type Offers, offersOf, termsOf } from './offer.js';
export { type Due, type DuePart, duesOf } from './dues.js';
export {
  type TicketAccount,
  type Difference,
  plainTicket,
  settle,
  type Settled,
  type SheetCheck,
  type TicketOnSheet,
  type TicketState,
} from './settle.js';
export { type OwnerSum, pooledPrice, type Posting, postingsOf, splitMoney, sumByOwner } from './owner-money.js';
export { type CropPosition, type Market, positionOf, seasonOfContract, type StandingField } from './position.js';
export { type EarlierTicket, ticketQuestions, type TicketQuestion, ticketsOnTape } from './ticket-questions.js';
export {
  contractBook,
  notOnContract,
  partOn,
  type NotOnContract,
  nextLoad,
  type ContractNow,
  type ContractState,
  type LoadAhead,
  type NextLoad,
  type OnContract,
} from './contract-book.js';
export { WHERE_MOST, whereItBringsMost, type BuyerAhead, type Where, type WhereRow } from './where.js';
export {
  fileDay,
  fileFigure,
  type FileLine,
  type FileProblem,
  type FileRead,
  matchColumns,
  NO_CHECK,
  readBuyerFile,
  settlementsOf,
} from './buyer-file.js';
