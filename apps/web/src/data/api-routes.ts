// Made by npm run api from the server's OpenAPI description; do not edit.
import type { Topic } from '@fanega/contract';

/** What every answer depends on, and whether a place without a signal keeps it. */
export const ROUTES: Readonly<Record<string, { readonly topics: readonly Topic[]; readonly keep: boolean }>> = {
  '/api/auth/me': { topics: [], keep: true },
  '/api/farms/{farmId}/entries': { topics: ['book', 'header'], keep: true },
  '/api/farms/{farmId}/entries/{entryId}': { topics: ['book', 'header'], keep: true },
  '/api/farms/{farmId}/revisions': { topics: ['header'], keep: false },
  '/api/farms/{farmId}/book': { topics: [], keep: false },
  '/api/farms/{farmId}/book/check': { topics: [], keep: false },
  '/api/farms/{farmId}/book/fingerprint': { topics: [], keep: false },
  '/api/farms/{farmId}/fields/records': { topics: ['fields'], keep: true },
  '/api/farms/{farmId}/cut/records': { topics: ['cut'], keep: true },
  '/api/farms/{farmId}/haul/records': { topics: ['haul'], keep: true },
  '/api/farms/{farmId}/store/records': { topics: ['store'], keep: true },
  '/api/farms/{farmId}/shed/records': { topics: ['shed'], keep: true },
  '/api/farms/{farmId}/header': { topics: ['header', 'store'], keep: true },
  '/api/farms/{farmId}/now': { topics: ['book', 'header'], keep: true },
  '/api/farms/{farmId}/layers': { topics: ['book', 'header'], keep: true },
  '/api/farms/{farmId}/lots': { topics: ['book', 'header', 'fields'], keep: true },
  '/api/farms/{farmId}/lots/{lotId}/moistures': { topics: ['book', 'header'], keep: true },
  '/api/farms/{farmId}/weather': { topics: ['weather'], keep: true },
  '/api/farms/{farmId}/monitors': { topics: ['book', 'header'], keep: true },
  '/api/farms/{farmId}/haul': { topics: ['book', 'header', 'haul'], keep: true },
  '/api/farms/{farmId}/deliveries': { topics: ['book', 'header'], keep: true },
  '/api/farms/{farmId}/positions': { topics: ['book', 'header'], keep: false },
  '/api/farms/{farmId}/accounts': { topics: ['book', 'header'], keep: false },
  '/api/farms/{farmId}/lots/{lotId}/trace': { topics: ['book', 'header', 'fields'], keep: true },
  '/api/farms/{farmId}/deliveries/{entryId}/trace': { topics: ['book', 'header'], keep: true },
  '/api/farms/{farmId}/devices': { topics: ['devices'], keep: true },
  '/api/device/hello': { topics: [], keep: false },
  '/api/device/names': { topics: [], keep: false },
  '/api/farms/{farmId}/backups': { topics: [], keep: false },
};

/** What a farm's changes are counted by. */
export const TOPICS = [
  'book',
  'header',
  'fields',
  'cut',
  'haul',
  'store',
  'shed',
  'weather',
  'devices',
] as const satisfies readonly Topic[];

/** Where each kind of record is added, taken back and set. */
export const LOG_ROUTES = {
  reading: '/api/farms/{farmId}/fields/reading',
  testerPair: '/api/farms/{farmId}/fields/tester-pair',
  nextFieldNotice: '/api/farms/{farmId}/fields/next-field-notice',
  settingsEntry: '/api/farms/{farmId}/cut/settings-entry',
  lossCheck: '/api/farms/{farmId}/cut/loss-check',
  stripTrial: '/api/farms/{farmId}/cut/strip-trial',
  emptyWeight: '/api/farms/{farmId}/haul/empty-weight',
  delay: '/api/farms/{farmId}/haul/delay',
  fieldChange: '/api/farms/{farmId}/haul/field-change',
  breakdown: '/api/farms/{farmId}/shed/breakdown',
  acknowledgement: '/api/farms/{farmId}/shed/acknowledgement',
} as const;
export const VOID_ROUTES = {
  reading: '/api/farms/{farmId}/fields/reading/{id}/void',
  testerPair: '/api/farms/{farmId}/fields/tester-pair/{id}/void',
  nextFieldNotice: '/api/farms/{farmId}/fields/next-field-notice/{id}/void',
  settingsEntry: '/api/farms/{farmId}/cut/settings-entry/{id}/void',
  lossCheck: '/api/farms/{farmId}/cut/loss-check/{id}/void',
  stripTrial: '/api/farms/{farmId}/cut/strip-trial/{id}/void',
  emptyWeight: '/api/farms/{farmId}/haul/empty-weight/{id}/void',
  delay: '/api/farms/{farmId}/haul/delay/{id}/void',
  fieldChange: '/api/farms/{farmId}/haul/field-change/{id}/void',
  breakdown: '/api/farms/{farmId}/shed/breakdown/{id}/void',
  acknowledgement: '/api/farms/{farmId}/shed/acknowledgement/{id}/void',
} as const;
export const SETTING_ROUTES = {
  cuttingWindow: '/api/farms/{farmId}/fields/cutting-window/{subject}',
  nextFieldPlan: '/api/farms/{farmId}/fields/next-field-plan/{subject}',
  combineProfile: '/api/farms/{farmId}/cut/combine-profile/{subject}',
  truckSetup: '/api/farms/{farmId}/haul/truck-setup/{subject}',
  scaleSetup: '/api/farms/{farmId}/haul/scale-setup/{subject}',
  weightRules: '/api/farms/{farmId}/haul/weight-rules/{subject}',
  haulTimes: '/api/farms/{farmId}/haul/haul-times/{subject}',
  binSetup: '/api/farms/{farmId}/store/bin-setup/{subject}',
  machine: '/api/farms/{farmId}/shed/machine/{subject}',
  readinessTemplate: '/api/farms/{farmId}/shed/readiness-template/{subject}',
  seasonPlan: '/api/farms/{farmId}/shed/season-plan/{subject}',
  changeover: '/api/farms/{farmId}/shed/changeover/{subject}',
} as const;
