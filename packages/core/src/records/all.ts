import { COMBINE_PROFILE, DISPLAY_CHECK, LOSS_CHECK, SETTINGS_ENTRY, STRIP_TRIAL } from './cut.js';
import { BIN_FAN, DRYER_RUN, DRYER_SAMPLE, DRYER_SETUP, FALL_AIR, GRAIN_TEMPERATURE, STEP_HEARD } from './dry.js';
import {
  CUTTING_WINDOW,
  FIELD_PIN,
  FIELD_ZONE,
  NEXT_FIELD_NOTICE,
  NEXT_FIELD_PLAN,
  READING,
  ROWS_LEFT,
  TESTER_PAIR,
} from './fields.js';
import {
  ALARM_HEARD,
  BUYER_FACTS,
  COVER,
  COVER_MOVED,
  DELAY,
  EMPTY_WEIGHT,
  FIELD_CHANGE,
  HAUL_PLAN,
  HAUL_TIMES,
  SCALE_SETUP,
  SEEN_LOAD,
  SELF_RECORDING,
  TRUCK_SETUP,
  WEIGHT_RULES,
} from './haul.js';
import type { LogOf, RecordStation, SettingOf } from './kind.js';
import {
  BID,
  BUYER_SHEET,
  COLUMN_MATCH,
  CONTRACT,
  CONTRACT_LOAD,
  HEDGE,
  OWNER_TERMS,
  PRICE_FIX,
  SELL_PLAN,
  SETTLEMENT,
  STATEMENT,
  TICKET_PAPER,
  TICKET_PHOTO,
} from './sell.js';
import {
  ACKNOWLEDGEMENT,
  BREAKDOWN,
  CHANGEOVER,
  MACHINE,
  PARTS_COUNTERS,
  READINESS_TEMPLATE,
  CREW,
  FUEL_FILL,
  FUEL_TANK,
  HANDOVER,
  PART_HEAT,
  PART_TREE,
  SAFETY_WORDS,
  SEASON_PLAN,
} from './shed.js';
import {
  AERATION,
  BIN_CABLES,
  BIN_SETUP,
  CLIMB,
  FAN_SWITCH,
  KEEPING_RULES,
  PILE_SETUP,
  PLACE_STATE,
  REST_RULES,
  ROUTE_SET,
  SITE_EQUIPMENT,
} from './store.js';

import {
  APPRAISAL,
  BIN_MEASUREMENT,
  FIELD_BOUNDARY,
  FILE_MATCH,
  INSURANCE_POLICY,
  INSURANCE_UNIT,
  LOSS_NOTICE,
  SEASON_STATE,
} from './trace.js';

/** Everything that people record beside the grain book, by name. A new kind is a line here and a migration. */
export const LOG_KINDS = {
  reading: READING,
  fieldPin: FIELD_PIN,
  rowsLeft: ROWS_LEFT,
  testerPair: TESTER_PAIR,
  nextFieldNotice: NEXT_FIELD_NOTICE,
  settingsEntry: SETTINGS_ENTRY,
  lossCheck: LOSS_CHECK,
  stripTrial: STRIP_TRIAL,
  displayCheck: DISPLAY_CHECK,
  emptyWeight: EMPTY_WEIGHT,
  delay: DELAY,
  coverMoved: COVER_MOVED,
  alarmHeard: ALARM_HEARD,
  fieldChange: FIELD_CHANGE,
  seenLoad: SEEN_LOAD,
  dryerSample: DRYER_SAMPLE,
  dryerRun: DRYER_RUN,
  grainTemperature: GRAIN_TEMPERATURE,
  stepHeard: STEP_HEARD,
  fanSwitch: FAN_SWITCH,
  routeSet: ROUTE_SET,
  climb: CLIMB,
  contractLoad: CONTRACT_LOAD,
  priceFix: PRICE_FIX,
  bid: BID,
  ticketPaper: TICKET_PAPER,
  ticketPhoto: TICKET_PHOTO,
  settlement: SETTLEMENT,
  statement: STATEMENT,
  appraisal: APPRAISAL,
  lossNotice: LOSS_NOTICE,
  binMeasurement: BIN_MEASUREMENT,
  breakdown: BREAKDOWN,
  fuelFill: FUEL_FILL,
  partHeat: PART_HEAT,
  handover: HANDOVER,
  acknowledgement: ACKNOWLEDGEMENT,
} as const;
export type LogName = keyof typeof LOG_KINDS;
export type LogRecords = { readonly [K in LogName]: LogOf<(typeof LOG_KINDS)[K]> };

/** Everything that a farm sets for itself, by name. */
export const SETTING_KINDS = {
  cuttingWindow: CUTTING_WINDOW,
  nextFieldPlan: NEXT_FIELD_PLAN,
  fieldZone: FIELD_ZONE,
  combineProfile: COMBINE_PROFILE,
  truckSetup: TRUCK_SETUP,
  cover: COVER,
  scaleSetup: SCALE_SETUP,
  selfRecording: SELF_RECORDING,
  weightRules: WEIGHT_RULES,
  haulTimes: HAUL_TIMES,
  haulPlan: HAUL_PLAN,
  buyerFacts: BUYER_FACTS,
  dryerSetup: DRYER_SETUP,
  binFan: BIN_FAN,
  fallAir: FALL_AIR,
  binSetup: BIN_SETUP,
  keepingRules: KEEPING_RULES,
  placeState: PLACE_STATE,
  pileSetup: PILE_SETUP,
  restRules: REST_RULES,
  binCables: BIN_CABLES,
  aeration: AERATION,
  siteEquipment: SITE_EQUIPMENT,
  contract: CONTRACT,
  buyerSheet: BUYER_SHEET,
  ownerTerms: OWNER_TERMS,
  hedge: HEDGE,
  sellPlan: SELL_PLAN,
  columnMatch: COLUMN_MATCH,
  seasonState: SEASON_STATE,
  insurancePolicy: INSURANCE_POLICY,
  insuranceUnit: INSURANCE_UNIT,
  fileMatch: FILE_MATCH,
  fieldBoundary: FIELD_BOUNDARY,
  machine: MACHINE,
  readinessTemplate: READINESS_TEMPLATE,
  seasonPlan: SEASON_PLAN,
  safetyWords: SAFETY_WORDS,
  fuelTank: FUEL_TANK,
  partTree: PART_TREE,
  crew: CREW,
  changeover: CHANGEOVER,
  partsCounters: PARTS_COUNTERS,
} as const;
export type SettingName = keyof typeof SETTING_KINDS;
export type SettingRecords = { readonly [K in SettingName]: SettingOf<(typeof SETTING_KINDS)[K]> };

/** Kinds of a station, by name: who adds one has it in every list of the station. */
export type LogNameOf<S extends RecordStation> = {
  [K in LogName]: (typeof LOG_KINDS)[K]['station'] extends S ? K : never;
}[LogName];
export type SettingNameOf<S extends RecordStation> = {
  [K in SettingName]: (typeof SETTING_KINDS)[K]['station'] extends S ? K : never;
}[SettingName];
