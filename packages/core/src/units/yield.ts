import { requireFinite } from '../kernel/index.js';
import { M2_PER_ACRE } from './area.js';
import { kilogramsPerBushel } from './bushels.js';

/** kg/ha from bushels an acre (56 lb: 62.7677 kg/ha each). */
export function bushelsPerAcreToKgPerHa(bushelsPerAcre: number, legalPounds: number): number {
  return (requireFinite('yield', bushelsPerAcre, 'bu/ac') * kilogramsPerBushel(legalPounds) * 10000) / M2_PER_ACRE;
}

export function kgPerHaToBushelsPerAcre(kgPerHa: number, legalPounds: number): number {
  return (requireFinite('yield', kgPerHa, 'kg/ha') * M2_PER_ACRE) / 10000 / kilogramsPerBushel(legalPounds);
}
