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
  type PrintedTicket,
  type Ticket,
  type TicketAudit,
  type TicketInput,
  type TicketLine,
} from './ticket.js';
export { NETBACK, freight, compareBids, type Bid, type Netback } from './netback.js';
export { HOLD_OR_SELL, holdOrSell, carry, type HoldOrSell, type PlanOutcome, type WaitingPlan } from './hold.js';
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
export { moistureSchedule, valueOfMoisture, type MoistureTerms } from './moisture-schedule.js';
export { sellView, soldDeliveries, soldDelivery, type SellView, type SoldDelivery, type SoldOf } from './view.js';
export { type EarlierTicket, ticketQuestions, type TicketQuestion, ticketsOnTape } from './ticket-questions.js';
export {
  contractBook,
  nextLoad,
  termsOfContract,
  type ContractNow,
  type ContractState,
  type LoadAhead,
  type NextLoad,
  type OnContract,
} from './contract-book.js';
export { WHERE_MOST, whereItBringsMost, type BuyerAhead, type Where, type WhereRow } from './where.js';
