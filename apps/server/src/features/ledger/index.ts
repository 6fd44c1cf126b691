import { Module } from '@nestjs/common';
import { FarmClock } from './farm-clock.service.js';
import { LedgerController } from './ledger.controller.js';
import { LedgerRepository } from './ledger.repository.js';
import { LedgerService } from './ledger.service.js';
import { PlacesRepository } from './places.repository.js';

@Module({
  controllers: [LedgerController],
  providers: [LedgerRepository, PlacesRepository, LedgerService, FarmClock],
  exports: [LedgerRepository, PlacesRepository, LedgerService, FarmClock],
})
export class LedgerModule {}
export { asEntry } from './as-entry.js';
export { FarmClock } from './farm-clock.service.js';
export {
  BaseRow,
  EntryRow,
  FieldRow,
  LotRow,
  LotShareRow,
  PlaceRow,
  RevisionListRow,
  RevisionRow,
  TrustRow,
} from './ledger.entity.js';
export { LedgerRepository, shareRows, trustRows } from './ledger.repository.js';
export { farmAsPrinted, farmIn, letterhead } from './letterhead.js';
export { LedgerService, type OpenBook } from './ledger.service.js';
export { requireCrops } from './own-crops.repository.js';
export { PlacesRepository } from './places.repository.js';
