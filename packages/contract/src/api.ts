import type {
  Account,
  Book,
  CropCosts,
  BookGap,
  Delivery,
  DeliveryTraceView,
  Division,
  FieldRow,
  HaulView,
  LotTraceView,
  MonitorView,
  SheetQuality,
  YearLot,
  Origin,
  OriginFile,
  Position,
  RevisionChange,
  TapeLine,
  TraceFound,
  WeighedView,
  WetPlace,
} from '@fanega/core';
import type { BackupInfo, BackupsAnswer, BroughtLine } from './backup.js';
import type { AppendAnswer, BookCheckAnswer, FingerprintAnswer, RevisionAnswer, RevisionInfo } from './book.js';
import type {
  DeviceAnswer,
  DeviceHello,
  DeviceInfo,
  DeviceNames,
  DeviceReadingAnswer,
  NewDevice,
  SamplesAnswer,
} from './devices.js';
import type { ErrorAnswer } from './errors.js';
import type { FieldAdded, LotAnswer, ReadingInfo, SeasonBegun, WeatherAnswer, WeatherHourInfo } from './fields.js';
import type { LiveEvent, WeighTicketInfo } from './haul.js';
import type {
  AuditLine,
  FarmSettingsAnswer,
  InviteAnswer,
  InviteInfo,
  InviteShown,
  PairedInfo,
  PairShown,
  Me,
  MemberAnswer,
  MailAnswer,
  MemberInfo,
  NewToken,
  ProfileAnswer,
  TokenInfo,
} from './people.js';
import type { LinkAnswer, NewLink } from './links.js';
import type { LogAnswer, SettingAnswer } from './records.js';
import type { AtWheelInfo, FuelInfo, PhotoInfo } from './shed.js';
import type {
  CablesAnswer,
  KeptShareInfo,
  LevelInfo,
  MotorInfo,
  OwnerLinkInfo,
  PlaceAnswer,
  SharedGrain,
} from './store.js';
import type {
  DayAnswer,
  FieldsImportAnswer,
  FileImportInfo,
  ImportUndone,
  InsuranceAnswer,
  LoadsImportAnswer,
  RowsImportAnswer,
  MovedLoadsAnswer,
  OriginLinkInfo,
  SharedOrigin,
} from './trace.js';
import type { FarmHeaderAnswer, FarmNow, FarmVersions, LayersAnswer } from './today.js';

export type Positions = Readonly<Record<string, Position>>;
export type Accounts = Readonly<Record<string, Account>>;

/** Every answer by the name that a route declares it with. The OpenAPI description's schemas are made from these types; those of the records come from their fields (`schema.ts`). */
export interface Api {
  Accounts: Accounts;
  AppendAnswer: AppendAnswer;
  BackupInfo: BackupInfo;
  BackupsAnswer: BackupsAnswer;
  BroughtLine: BroughtLine;
  Book: Book;
  BookCheckAnswer: BookCheckAnswer;
  BookGap: BookGap;
  Delivery: Delivery;
  DeliveryTraceView: DeliveryTraceView;
  DeviceAnswer: DeviceAnswer;
  DeviceHello: DeviceHello;
  DeviceInfo: DeviceInfo;
  DeviceNames: DeviceNames;
  DeviceReadingAnswer: DeviceReadingAnswer;
  ErrorAnswer: ErrorAnswer;
  FarmHeaderAnswer: FarmHeaderAnswer;
  FarmSettingsAnswer: FarmSettingsAnswer;
  FarmNow: FarmNow;
  FarmVersions: FarmVersions;
  FieldAdded: FieldAdded;
  SeasonBegun: SeasonBegun;
  FingerprintAnswer: FingerprintAnswer;
  FieldRow: FieldRow;
  HaulView: HaulView;
  WeighedView: WeighedView;
  LayersAnswer: LayersAnswer;
  LiveEvent: LiveEvent;
  LogAnswer: LogAnswer;
  LotAnswer: LotAnswer;
  LotTraceView: LotTraceView;
  Me: Me;
  AuditLine: AuditLine;
  InviteAnswer: InviteAnswer;
  InviteInfo: InviteInfo;
  InviteShown: InviteShown;
  PairedInfo: PairedInfo;
  PairShown: PairShown;
  MemberAnswer: MemberAnswer;
  MailAnswer: MailAnswer;
  MemberInfo: MemberInfo;
  NewToken: NewToken;
  ProfileAnswer: ProfileAnswer;
  TokenInfo: TokenInfo;
  MonitorView: MonitorView;
  SheetQuality: SheetQuality;
  YearLot: YearLot;
  NewDevice: NewDevice;
  DayAnswer: DayAnswer;
  FieldsImportAnswer: FieldsImportAnswer;
  FileImportInfo: FileImportInfo;
  ImportUndone: ImportUndone;
  LoadsImportAnswer: LoadsImportAnswer;
  RowsImportAnswer: RowsImportAnswer;
  InsuranceAnswer: InsuranceAnswer;
  MovedLoadsAnswer: MovedLoadsAnswer;
  LinkAnswer: LinkAnswer;
  NewLink: NewLink;
  KeptShareInfo: KeptShareInfo;
  OwnerLinkInfo: OwnerLinkInfo;
  SharedGrain: SharedGrain;
  Division: Division;
  Origin: Origin;
  OriginFile: OriginFile;
  OriginLinkInfo: OriginLinkInfo;
  SharedOrigin: SharedOrigin;
  AtWheelInfo: AtWheelInfo;
  FuelInfo: FuelInfo;
  PhotoInfo: PhotoInfo;
  CablesAnswer: CablesAnswer;
  CropCosts: CropCosts;
  'LevelInfo[]': LevelInfo[];
  'MotorInfo[]': MotorInfo[];
  PlaceAnswer: PlaceAnswer;
  Positions: Positions;
  ReadingInfo: ReadingInfo;
  RevisionAnswer: RevisionAnswer;
  RevisionChange: RevisionChange;
  RevisionInfo: RevisionInfo;
  SamplesAnswer: SamplesAnswer;
  SettingAnswer: SettingAnswer;
  TapeLine: TapeLine;
  TraceFound: TraceFound;
  WeatherAnswer: WeatherAnswer;
  WeatherHourInfo: WeatherHourInfo;
  WeighTicketInfo: WeighTicketInfo;
  WetPlace: WetPlace;
}
