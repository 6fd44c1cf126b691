import { type BrokenRecord, wordFieldRefusal, ZONE_WRONG } from '@fanega/contract';
import {
  type FieldZone,
  zoneProblem,
  type FieldRefusal,
  LOG_KINDS,
  type LogEntry,
  type LogKind,
  type LogName,
  type SettingEntry,
  hasVessel,
  isByJob,
  type Machine,
  type RecordStation,
  SETTING_KINDS,
  type SettingName,
  usualWithdrawal,
  windowSubject,
  isCrop,
  isOwnCropId,
  MACHINE_KIND_NAMES,
} from '@fanega/core';
import { instantOf, calendarDay } from '@fanega/core';
import { Inject, Injectable } from '@nestjs/common';
import type { Writer } from '../../platform/access.js';
import { Clock } from '../../platform/clock.js';
import { notItsJob } from '../../platform/jobs.js';
import { setBounded } from '../../platform/bounded.js';
import { VersionsRepository } from '../../platform/versions.js';
import type { FarmRow } from '../../platform/entities/farm.entity.js';
import { type FarmWrite, FarmWrites, type Tx } from '../../platform/farm-write.js';
import { LOG_TABLES, sameRecord, SETTING_TABLES, unreadable } from '../../platform/record-table.js';
import type { Row } from '../../platform/record-rows.js';
import { Refused } from '../../platform/refused.js';
import { requireSensible } from '../../platform/sensible-time.js';
import { LedgerService, PlacesRepository, requireCrops } from '../ledger/index.js';
import { type Pointed, RecordsRepository } from './records.repository.js';

/** Answers that are kept: some megabytes each at most. */
const MOST_ANSWERED = 60;

/** Records of one kind that a screen gets at once; the next page has the next ones. */
const PAGE = 5000;

export interface StationRecords {
  readonly of: readonly number[];
  readonly seasons: readonly number[];
  readonly page: number;
  readonly pages: number;
  readonly broken: readonly BrokenRecord[];
  readonly logs: Readonly<Record<string, readonly LogEntry[]>>;
  readonly settings: Readonly<Record<string, Readonly<Record<string, SettingEntry>>>>;
}

const brokenOf = (
  kind: string,
  isLog: boolean,
  row: Row,
  wrong: FieldRefusal,
  at: string | null,
  by: string | null,
): BrokenRecord => ({ kind, isLog, id: String(row.id), at, by, message: wordFieldRefusal(wrong) });

const missing = (field: string, what: string): Refused =>
  new Refused('not_found', `There is no such ${what}.`, [
    { field, code: 'not_found', message: `there is no such ${what}` },
  ]);
const usedOtherwise = (): Refused =>
  new Refused('id_used_otherwise', 'This id is used by another record already.', [
    { field: 'id', code: 'id_used_otherwise', message: 'this id is used by another record already' },
  ]);

/** What a reference in a record points to, in words. */
const WORD: Readonly<Record<Pointed, string>> = {
  lots: 'field',
  fields: 'field',
  places: 'machine or place',
  devices: 'device',
  machines: 'machine in the shed',
};

const namesOf = <K extends string>(
  kinds: Readonly<Record<K, { readonly station: string }>>,
  station: RecordStation,
): K[] => (Object.keys(kinds) as K[]).filter((name) => kinds[name].station === station);

/** Everything that people record beside the book and that a farm sets for itself: one way to keep all kinds, by the core's description of each. */
@Injectable()
export class RecordsService {
  constructor(
    @Inject(RecordsRepository) private readonly records: RecordsRepository,
    @Inject(PlacesRepository) private readonly places: PlacesRepository,
    @Inject(LedgerService) private readonly ledgers: LedgerService,
    @Inject(FarmWrites) private readonly writes: FarmWrites,
    @Inject(Clock) private readonly clock: Clock,
    @Inject(VersionsRepository) private readonly versions: VersionsRepository,
  ) {}

  /** What each station last answered, with the state of its topics: every page asks for several, and few of them change. */
  private readonly answered = new Map<string, { readonly version: string; readonly answer: Promise<StationRecords> }>();

  /** Logs of a station, of this season and the one before or of those that are named, with all of its settings. */
  async station(
    farmId: string,
    station: RecordStation,
    seasons: readonly number[] | undefined,
    page: number,
  ): Promise<StationRecords> {
    // What is cleared away by another station, a field with its boundary, is told by the header.
    const version = await this.versions.text(farmId, ['header', station]);
    const key = [farmId, station, page, ...(seasons ?? [])].join(' ');
    const known = this.answered.get(key);
    if (known?.version === version) return known.answer;
    const answer = this.read(farmId, station, seasons, page);
    setBounded(this.answered, key, { version, answer }, MOST_ANSWERED);
    // A failure is not answered again.
    answer.catch(() => this.answered.get(key)?.answer === answer && this.answered.delete(key));
    return answer;
  }

  private async read(
    farmId: string,
    station: RecordStation,
    seasons: readonly number[] | undefined,
    page: number,
  ): Promise<StationRecords> {
    const logs = namesOf(LOG_KINDS, station);
    const known = await this.records.seasons(farmId, logs);
    const of = seasons ?? known.slice(0, 2);
    const pagesOf = await Promise.all(
      logs.map((name) => this.records.page(farmId, name, of, { skip: (page - 1) * PAGE, take: PAGE })),
    );
    const broken: BrokenRecord[] = [];
    const lists = Object.fromEntries(
      logs.map((name, i) => [
        name,
        pagesOf[i]!.kept.flatMap(({ row, body }): LogEntry[] => {
          const entry = { body: body as never, by: String(row.by_name), voided: Boolean(row.voided) };
          const wrong = unreadable(LOG_KINDS[name] as unknown as LogKind, body);
          if (!wrong) return [entry];
          // Taken out already: it is of no concern any more.
          if (!entry.voided)
            broken.push(brokenOf(name, true, row, wrong, typeof body.at === 'string' ? body.at : null, entry.by));
          return [];
        }),
      ]),
    );
    const pages = Math.max(1, ...pagesOf.map(({ count }) => Math.ceil(count / PAGE)));
    const names = namesOf(SETTING_KINDS, station);
    const settings = Object.fromEntries(
      await Promise.all(names.map(async (name) => [name, await this.settings(farmId, name, broken)] as const)),
    );
    return { of, seasons: known, page, pages, broken, logs: lists, settings };
  }

  /** Records of a station of all seasons, every page of them. */
  async everything(farmId: string, station: RecordStation): Promise<StationRecords> {
    const seasons = await this.records.seasons(farmId, namesOf(LOG_KINDS, station));
    const first = await this.station(farmId, station, seasons, 1);
    const logs: Record<string, readonly unknown[]> = { ...first.logs };
    for (let page = 2; page <= first.pages; page++)
      for (const [name, entries] of Object.entries((await this.station(farmId, station, seasons, page)).logs))
        logs[name] = [...(logs[name] ?? []), ...entries];
    return { ...first, logs } as StationRecords;
  }

  /** The newest of a log that count, newest first. */
  async newest<N extends LogName>(farmId: string, name: N, count: number): Promise<readonly LogEntry<N>[]> {
    return (await this.newestOfAll(farmId, name, count)).filter(({ voided }) => !voided);
  }

  /** The newest of a log, those that were taken back among them. */
  async newestOfAll<N extends LogName>(farmId: string, name: N, count: number): Promise<readonly LogEntry<N>[]> {
    const seasons = (await this.records.seasons(farmId, [name])).slice(0, 1);
    if (seasons.length === 0) return [];
    const { kept } = await this.records.page(farmId, name, seasons, { skip: 0, take: count });
    return kept.map(({ row, body }) => ({ body: body as never, by: String(row.by_name), voided: Boolean(row.voided) }));
  }

  /** One record of a log as it is kept, taken back or not; undefined where there is none that can be read. */
  async kept<N extends LogName>(farmId: string, name: N, id: string): Promise<LogEntry<N>['body'] | undefined> {
    const found = await this.records.oneOf(farmId, name, id);
    return found && !unreadable(LOG_KINDS[name] as unknown as LogKind, found.body) ? (found.body as never) : undefined;
  }

  /** What the farm set of one kind, by subject; what cannot be read is left out here and said by its station. */
  settingsOf<N extends SettingName>(farmId: string, name: N): Promise<Record<string, SettingEntry<N>>> {
    return this.settings(farmId, name, []);
  }

  private async settings<N extends SettingName>(
    farmId: string,
    name: N,
    broken: BrokenRecord[],
  ): Promise<Record<string, SettingEntry<N>>> {
    const kept = await this.records.settings(farmId, name);
    return Object.fromEntries(
      kept.flatMap(({ row, body }) => {
        const wrong = unreadable(SETTING_KINDS[name] as unknown as LogKind, body);
        if (wrong) broken.push(brokenOf(name, false, row, wrong, null, null));
        return wrong ? [] : [[String(row.id), { revision: Number(row.revision), value: body as never }]];
      }),
    );
  }

  /** The same record again is accepted and nothing is doubled; another under its id is refused. */
  async add<N extends LogName>(
    farmId: string,
    name: N,
    body: LogEntry<N>['body'],
    caller: Writer,
  ): Promise<{ id: string }> {
    await this.ledgers.requireJobsLog(farmId, caller, name, body);
    return this.writes.run(farmId, (write) => this.addIn(write, name, body, caller));
  }

  async addIn<N extends LogName>(
    { tx, farm, changed }: FarmWrite,
    name: N,
    body: LogEntry<N>['body'],
    caller: Writer,
  ): Promise<{ id: string }> {
    const { id, at } = body as { id: string; at: string };
    const kept = await this.records.one(tx, farm.id, name, id);
    if (kept) {
      if (!sameRecord(LOG_TABLES[name].layout, kept.body, body) || Number(kept.row.at_ms) !== Math.floor(instantOf(at)))
        throw usedOtherwise();
      return { id };
    }
    requireSensible(at, this.clock.now());
    await this.pointsRight(tx, farm, name, body);
    await this.records.add(tx, farm.id, name, id, body, {
      at_ms: Math.floor(instantOf(at)),
      season: await this.seasonOf(tx, farm, body as { lotId?: string }, instantOf(at)),
      by_name: caller.name,
      voided: false,
    });
    changed(LOG_KINDS[name].station);
    return { id };
  }

  /** It counts no longer, and is still there. */
  async void(farmId: string, name: LogName, id: string, { job }: Writer): Promise<{ id: string }> {
    if (job) {
      const kept = await this.records.oneOf(farmId, name, id);
      if (kept && !isByJob(String(kept.row.by_name), job.label)) throw notItsJob(job);
    }
    return this.writes.run(farmId, (write) => this.voidIn(write, name, id));
  }

  async voidIn({ tx, farm, changed }: FarmWrite, name: LogName, id: string): Promise<{ id: string }> {
    if (!(await this.records.void(tx, farm.id, name, id))) throw missing('id', 'record');
    changed(LOG_KINDS[name].station);
    return { id };
  }

  /** Replaces a setting when nobody else did since; otherwise says so, and what was typed is still on the screen. */
  change<N extends SettingName>(
    farmId: string,
    name: N,
    subject: string,
    change: { readonly revision: number; readonly value: SettingEntry<N>['value'] },
  ): Promise<{ revision: number }> {
    return this.writes.run(farmId, (write) => this.changeIn(write, name, subject, change));
  }

  async changeIn<N extends SettingName>(
    { tx, farm, changed }: FarmWrite,
    name: N,
    subject: string,
    { revision, value }: { readonly revision: number; readonly value: SettingEntry<N>['value'] },
  ): Promise<{ revision: number }> {
    const common = await this.subjectOf(tx, farm, name, subject);
    const kept = await this.records.revision(tx, farm.id, name, subject);
    if (kept !== revision && !(revision === 0 && (await this.isBroken(tx, farm.id, name, subject))))
      throw new Refused('setting_changed', 'Somebody else changed this meanwhile. Look at it again, then save.');
    const body =
      name === 'machine'
        ? await this.withVessel({ tx, farm, changed }, subject, value as unknown as Machine, kept > 0)
        : (value as object);
    await this.pointsRight(tx, farm, name, body);
    if (name === 'fieldZone') await this.zoneFits(tx, farm.id, body as FieldZone);
    const next = { ...common, revision: kept + 1 };
    if (kept > 0) await this.records.replace(tx, farm.id, name, subject, body, next);
    else await this.records.add(tx, farm.id, name, subject, body, next);
    changed(SETTING_KINDS[name].station);
    // A bin's geometry is its capacity, which the header tells.
    // And a season that is closed is closed for whoever writes.
    // And a crop of the farm's own is one that every page can name.
    if (name === 'binSetup' || name === 'seasonState' || name === 'ownCrop') changed('header');
    return { revision: kept + 1 };
  }

  /** A zone is a part of its field and has an inside. */
  private async zoneFits(tx: Tx, farmId: string, zone: FieldZone): Promise<void> {
    const problem = zoneProblem(zone, await this.records.fieldAcres(tx, farmId, zone.fieldId));
    if (problem === null || problem === 'acres_differ') return;
    const at = problem === 'larger_than_field' ? 'acres' : 'ring';
    throw new Refused('body_wrong', `${ZONE_WRONG[problem]}.`, [{ field: at, code: problem, message: ZONE_WRONG[problem] }]); // prettier-ignore
  }

  /** What cannot be read is shown as never set, and is set again from there. */
  private async isBroken(tx: Tx, farmId: string, name: SettingName, subject: string): Promise<boolean> {
    const kept = await this.records.one(tx, farmId, name, subject);
    return kept !== null && unreadable(SETTING_KINDS[name] as unknown as LogKind, kept.body) !== undefined;
  }

  /**
   * A machine that holds grain and its vessel are one thing: a combine that is added in the shed has its tank in the book, and a new name is
   * a new name of both.
   */
  private async withVessel(
    { tx, farm, changed }: FarmWrite,
    id: string,
    machine: Machine,
    known: boolean,
  ): Promise<Machine> {
    if (!hasVessel(machine.kind)) return machine;
    if (machine.placeId === undefined) {
      if (known || (await this.places.nameIsUsed(tx, farm.id, machine.name.trim()))) return machine;
      await this.places.add(tx, {
        farmId: farm.id,
        id,
        name: machine.name.trim(),
        kind: machine.kind,
        withdrawal: usualWithdrawal(machine.kind),
        capacityBu: null,
        putAway: false,
      });
      changed('header');
      return { ...machine, placeId: id };
    }
    const place = await this.places.one(tx, farm.id, machine.placeId);
    if (place && place.name !== machine.name.trim()) {
      await this.places.change(tx, farm.id, place.id, { name: machine.name.trim() });
      changed('header');
    }
    return machine;
  }

  /** Is there what a setting is for? Returns what its row has beside its own columns. */
  private async subjectOf(tx: Tx, farm: FarmRow, name: SettingName, subject: string): Promise<Row> {
    const wrong = (what: string): Refused => missing('subject', what);
    switch (SETTING_KINDS[name].subject) {
      case 'farm':
        if (subject !== 'farm') throw wrong('setting');
        return {};
      case 'cropAndBuyer': {
        const of = windowSubject(subject);
        if (!of || !(isCrop(of.crop) || isOwnCropId(of.crop))) throw wrong('crop');
        await requireCrops(tx, farm.id, [{ crop: of.crop, field: 'subject' }]);
        if (of.buyerId !== null && !(await this.places.isBuyer(tx, farm.id, of.buyerId))) throw wrong('buyer');
        return { crop: of.crop, buyer_id: of.buyerId };
      }
      case 'places':
      case 'devices':
      case 'machines': {
        const what = SETTING_KINDS[name].subject;
        if (!(await this.records.isThere(tx, farm.id, what, subject))) throw wrong(WORD[what]);
        return {};
      }
      case 'ownCrops':
        if (!isOwnCropId(subject)) throw new Refused('body_wrong', 'The id of a crop is “o” and 8 letters and digits.');
        return {};
      case 'machineKind':
        if (!(MACHINE_KIND_NAMES as readonly string[]).includes(subject)) throw wrong('kind of machine');
        return {};
      case 'own':
        if (!/^[A-Za-z0-9-]{1,40}$/.test(subject))
          throw new Refused('body_wrong', 'An id is 1 to 40 letters, digits and dashes.');
        return {};
    }
  }

  /** Everything that a record names is there, said at its field. */
  private async pointsRight(tx: Tx, farm: FarmRow, name: LogName | SettingName, body: object): Promise<void> {
    const { layout } = name in LOG_TABLES ? LOG_TABLES[name as LogName] : SETTING_TABLES[name as SettingName];
    const { crop, crops } = body as { readonly crop?: unknown; readonly crops?: unknown };
    const named = [crop, ...(Array.isArray(crops) ? (crops as unknown[]) : [])];
    await requireCrops(tx, farm.id, named.map((one, i) => ({ crop: one, field: i === 0 ? 'crop' : 'crops' }))); // prettier-ignore
    for (const { to, path } of layout.columns) {
      if (to === undefined) continue;
      const id = path.reduce<unknown>((inner, key) => (inner as Record<string, unknown> | undefined)?.[key], body);
      if (id === undefined || id === null) continue;
      const what = to as Pointed;
      if (!(await this.records.isThere(tx, farm.id, what, id as string))) throw missing(path.at(-1)!, WORD[what]);
    }
  }

  /** The season that a record belongs to: its lot's, else the year of the farm's day. A winter's record of a lot stays with the lot's harvest. */
  private async seasonOf(tx: Tx, farm: FarmRow, { lotId }: { lotId?: string }, atMs: number): Promise<number> {
    const ofLot = lotId === undefined ? null : await this.records.seasonOfLot(tx, farm.id, lotId);
    return ofLot ?? Number(calendarDay(atMs, farm.timeZone).slice(0, 4));
  }
}
