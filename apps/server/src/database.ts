import { type ConnectionOptions, createConnection } from 'mysql2/promise';
import { DataSource, type DataSourceOptions } from 'typeorm';
import { DisplayAreaRow, WeatherRow } from './features/fields/index.js';
import { CableReadingRow, KeptShareRow, LevelRow, MotorRow, OwnerLinkRow } from './features/store/index.js';
import {
  LiveFigureRow,
  MachinePositionRow,
  WeighTicketAxleRow,
  WeighTicketRow,
  WeighTicketShareRow,
} from './features/haul/index.js';
import {
  BaseRow,
  EntryRow,
  FieldRow,
  LotRow,
  LotShareRow,
  PlaceRow,
  RevisionListRow,
  RevisionRow,
  TrustRow,
} from './features/ledger/index.js';
import { PhotoRow } from './features/shed/index.js';
import { FileImportFieldRow, FileImportRow, OriginLinkRow } from './features/trace/index.js';
import { InitialBook1790000000000 } from './migrations/1790000000000-initial-book.js';
import { Notebook1790100000000 } from './migrations/1790100000000-notebook.js';
import { Shed1790200000000 } from './migrations/1790200000000-shed.js';
import { Devices1790300000000 } from './migrations/1790300000000-devices.js';
import { VoidedReadings1790400000000 } from './migrations/1790400000000-voided-readings.js';
import { WeighTickets1790500000000 } from './migrations/1790500000000-weigh-tickets.js';
import { RecordsWithTables1790600000000 } from './migrations/1790600000000-records-with-tables.js';
import { FarmUnits1790700000000 } from './migrations/1790700000000-farm-units.js';
import { Chain1790800000000 } from './migrations/1790800000000-chain.js';
import { DockPercent1790900000000 } from './migrations/1790900000000-dock-percent.js';
import { AcceptedLoss1791000000000 } from './migrations/1791000000000-accepted-loss.js';
import { OneAnswer1791100000000 } from './migrations/1791100000000-one-answer.js';
import { Dryer1791200000000 } from './migrations/1791200000000-dryer.js';
import { BinFans1791300000000 } from './migrations/1791300000000-bin-fans.js';
import { PlaceStates1791400000000 } from './migrations/1791400000000-place-states.js';
import { Cables1791500000000 } from './migrations/1791500000000-cables.js';
import { Routes1791600000000 } from './migrations/1791600000000-routes.js';
import { Piles1791700000000 } from './migrations/1791700000000-piles.js';
import { Contracts1791800000000 } from './migrations/1791800000000-contracts.js';
import { SellRecords1791900000000 } from './migrations/1791900000000-sell-records.js';
import { TraceRecords1792000000000 } from './migrations/1792000000000-trace-records.js';
import { Members1792100000000 } from './migrations/1792100000000-members.js';
import { PlacesPutAway1792200000000 } from './migrations/1792200000000-places-put-away.js';
import { PairedJobs1792300000000 } from './migrations/1792300000000-paired-jobs.js';
import { SignInTries1792400000000 } from './migrations/1792400000000-sign-in-tries.js';
import { OwnerLinks1792500000000 } from './migrations/1792500000000-owner-links.js';
import { SafetyWords1792600000000 } from './migrations/1792600000000-safety-words.js';
import { SeenLoads1792900000000 } from './migrations/1792900000000-seen-loads.js';
import { SiteFacts1793000000000 } from './migrations/1793000000000-site-facts.js';
import { LaterPrices1793100000000 } from './migrations/1793100000000-later-prices.js';
import { RowsOfFiles1793200000000 } from './migrations/1793200000000-rows-of-files.js';
import { RoadHome1793300000000 } from './migrations/1793300000000-road-home.js';
import { FanTable1793400000000 } from './migrations/1793400000000-fan-table.js';
import { SideDrawAt1793500000000 } from './migrations/1793500000000-side-draw-at.js';
import { TruckBodies1793600000000 } from './migrations/1793600000000-truck-bodies.js';
import { OwnCrops1793700000000 } from './migrations/1793700000000-own-crops.js';
import { DisplayPhotos1793800000000 } from './migrations/1793800000000-display-photos.js';
import { JobCards1793900000000 } from './migrations/1793900000000-job-cards.js';
import { MovesAndSamples1794000000000 } from './migrations/1794000000000-moves-and-samples.js';
import { CabAndField1792800000000 } from './migrations/1792800000000-cab-and-field.js';
import { Fuel1792700000000 } from './migrations/1792700000000-fuel.js';
import { databaseAt, DatabaseHosts, useHosts } from './platform/database-hosts.js';
import { FarmRow, FarmTopicRow } from './platform/entities/farm.entity.js';
import {
  ApiTokenRow,
  AuditRow,
  DeviceRow,
  InviteRow,
  MembershipRow,
  PairedJobRow,
  SessionRow,
  SignInKnownRow,
  SignInTryRow,
  UserRow,
} from './platform/entities/identity.entity.js';
import { RECORD_SCHEMAS } from './platform/record-table.js';

/** Every table, from the feature that owns it. */
const ENTITIES = [
  ...[FarmRow, FarmTopicRow, UserRow, MembershipRow, SessionRow, DeviceRow],
  ...[InviteRow, ApiTokenRow, AuditRow, PairedJobRow, SignInTryRow, SignInKnownRow],
  ...[FieldRow, LotRow, LotShareRow, TrustRow, BaseRow, PlaceRow, EntryRow, RevisionRow, RevisionListRow],
  ...[
    WeatherRow,
    DisplayAreaRow,
    WeighTicketRow,
    WeighTicketAxleRow,
    WeighTicketShareRow,
    LiveFigureRow,
    MachinePositionRow,
    PhotoRow,
    CableReadingRow,
    LevelRow,
    MotorRow,
    OwnerLinkRow,
    KeptShareRow,
    OriginLinkRow,
    FileImportRow,
    FileImportFieldRow,
  ],
  ...RECORD_SCHEMAS,
];

/** @param nodes of a cluster, which the lines of the pool go to; one MariaDB is reached by its host */
export function dataSourceOptions(url: string, nodes?: DatabaseHosts): DataSourceOptions {
  const { user: username, password, database, hosts } = databaseAt(url);
  return {
    type: 'mariadb',
    ...{ username, password, database },
    ...(nodes ? { extra: { stream: nodes.connect } } : hosts[0]),
    charset: 'utf8mb4',
    timezone: 'Z',
    entities: ENTITIES,
    migrations: [
      InitialBook1790000000000,
      Notebook1790100000000,
      Shed1790200000000,
      Devices1790300000000,
      VoidedReadings1790400000000,
      WeighTickets1790500000000,
      RecordsWithTables1790600000000,
      FarmUnits1790700000000,
      Chain1790800000000,
      DockPercent1790900000000,
      AcceptedLoss1791000000000,
      OneAnswer1791100000000,
      Dryer1791200000000,
      BinFans1791300000000,
      PlaceStates1791400000000,
      Cables1791500000000,
      Routes1791600000000,
      Piles1791700000000,
      Contracts1791800000000,
      SellRecords1791900000000,
      TraceRecords1792000000000,
      Members1792100000000,
      PlacesPutAway1792200000000,
      PairedJobs1792300000000,
      SignInTries1792400000000,
      OwnerLinks1792500000000,
      SafetyWords1792600000000,
      Fuel1792700000000,
      CabAndField1792800000000,
      SeenLoads1792900000000,
      SiteFacts1793000000000,
      LaterPrices1793100000000,
      RowsOfFiles1793200000000,
      RoadHome1793300000000,
      FanTable1793400000000,
      SideDrawAt1793500000000,
      TruckBodies1793600000000,
      OwnCrops1793700000000,
      DisplayPhotos1793800000000,
      JobCards1793900000000,
      MovesAndSamples1794000000000,
    ],
    synchronize: false,
    poolSize: 10,
  };
}

/** Makes the database of the URL where it does not exist and the user may. */
export async function ensureDatabase(url: string): Promise<void> {
  const { user, password, database: name, hosts } = databaseAt(url);
  if (!/^[\w-]+$/.test(name))
    throw new Error(`the database name in FANEGA_DATABASE_URL is "${name}"; letters, digits, _ and - only`);
  const to: ConnectionOptions =
    hosts.length > 1 ? { user, password, stream: new DatabaseHosts(hosts).connect } : { user, password, ...hosts[0] };
  try {
    const connection = await createConnection({ ...to, database: name });
    await connection.end();
  } catch (error) {
    if ((error as { code?: string }).code !== 'ER_BAD_DB_ERROR') throw error;
    const connection = await createConnection(to);
    await connection.query(
      `CREATE DATABASE IF NOT EXISTS \`${name}\` CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`,
    );
    await connection.end();
  }
}

/** An open, migrated database. */
export async function openDatabase(url: string): Promise<DataSource> {
  await ensureDatabase(url);
  const at = databaseAt(url).hosts;
  const hosts = at.length > 1 ? new DatabaseHosts(at) : undefined;
  const source = new DataSource(dataSourceOptions(url, hosts));
  if (hosts) useHosts(source, hosts);
  await source.initialize();
  await source.runMigrations({ transaction: 'each' });
  return source;
}
