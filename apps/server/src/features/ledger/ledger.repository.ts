import { ULID } from '@fanega/contract';
import {
  binCapacity,
  type BinSetup,
  type OwnCropSetting,
  type Book,
  type BookHeader,
  type ClosedSeason,
  type Entry,
  instantOf,
  isBuyer,
  linkOf,
  type LotInfo,
  METHODS,
  type PlaceInfo,
  type Revision,
  type RevisionChange,
  type SeasonState,
  startOfDay,
  undoing,
  type Withdrawal,
} from '@fanega/core';
import { Inject, Injectable } from '@nestjs/common';
import { DataSource, type EntityManager, MoreThan } from 'typeorm';
import { FarmRow } from '../../platform/entities/farm.entity.js';
import { INSERT_AT_ONCE, insertAll, insertRecords, readRecords, SETTING_TABLES } from '../../platform/record-table.js';
import type { Progress } from '../../platform/lines.js';
import type { Connection } from '../../platform/versions.js';
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
} from './ledger.entity.js';

/** What a farm's book is read with now, and what its lots and places are called. */
export interface FarmHeader {
  readonly farm: FarmRow;
  readonly defaults: BookHeader['defaults'];
  readonly lots: readonly LotInfo[];
  readonly places: readonly PlaceInfo[];
  /** Seasons that are done with. */
  readonly closed: readonly ClosedSeason[];
}

/** An entry to be stored under a sequence number. */
export interface NewEntry {
  readonly entry: Entry;
  readonly userId: string | null;
}

/** Where a farm's book ends. */
export type BookEnd = Pick<FarmRow, 'id' | 'seq' | 'chain'>;

export interface KeptRevision extends Omit<Revision, 'after'> {
  readonly seq: number;
  readonly link: string;
  readonly before: RevisionChange;
}

@Injectable()
export class LedgerRepository {
  constructor(@Inject(DataSource) private readonly db: DataSource) {}

  async header(farmId: string, on: Connection = this.db): Promise<FarmHeader> {
    const farm = await on.getRepository(FarmRow).findOneByOrFail({ id: farmId });
    const [fields, lots, shares, places, trust, bases, bins, states, crops] = await Promise.all([
      on.getRepository(FieldRow).findBy({ farmId }),
      on.getRepository(LotRow).find({ where: { farmId }, order: { season: 'ASC', id: 'ASC' } }),
      on.getRepository(LotShareRow).find({ where: { farmId }, order: { place: 'ASC' } }),
      on.getRepository(PlaceRow).find({ where: { farmId }, order: { position: 'ASC' } }),
      on.getRepository(TrustRow).find({ where: { farmId }, order: { place: 'ASC' } }),
      on.getRepository(BaseRow).findBy({ farmId }),
      readRecords(on, SETTING_TABLES.binSetup, { farm_id: farmId }),
      readRecords(on, SETTING_TABLES.seasonState, { farm_id: farmId }),
      readRecords(on, SETTING_TABLES.ownCrop, { farm_id: farmId }),
    ]);
    const fieldById = new Map(fields.map((field) => [field.id, field]));
    const sharesOf = new Map<string, { owner: string; part: number }[]>();
    for (const { lotId, owner, part } of shares) sharesOf.set(lotId, [...(sharesOf.get(lotId) ?? []), { owner, part }]);
    const setups = new Map(bins.map(({ row, body }) => [row.id as string, body as unknown as BinSetup]));
    // Those that came with a book file first, then those made here in the order of their making: a new field, a neighbor's rows, never
    // changes the color and weave of those before it.
    const made = (lot: LotRow): number => Number(ULID.test(lot.id));
    lots.sort((a, b) => a.season - b.season || made(a) - made(b));
    return {
      farm,
      closed: states.flatMap(({ body }) => closedOf(body as unknown as SeasonState, farm.timeZone)),
      defaults: {
        moisture: farm.defaultMoisture,
        trust: trust.map(({ method }) => method),
        ...(bases.length > 0 ? { bases: Object.fromEntries(bases.map(({ crop, moisture }) => [crop, moisture])) } : {}),
        ...(crops.length > 0 ? { crops: crops.map(({ row, body }) => ({ id: row.id as string, ...(body as unknown as OwnCropSetting) })) } : {}), // prettier-ignore
      },
      lots: lots.map(({ farmId: _, ...lot }) => ({
        ...lot,
        fieldName: fieldById.get(lot.fieldId)?.name ?? lot.fieldId,
        acres: lot.acres ?? fieldById.get(lot.fieldId)?.acres ?? 0,
        shares: sharesOf.get(lot.id) ?? [],
      })),
      places: places.map(({ farmId: _, position: __, putAway, ...place }): PlaceInfo => {
        const setup = setups.get(place.id);
        const byGeometry = setup ? binCapacity(setup) : null;
        return {
          ...place,
          capacityBu: place.capacityBu ?? byGeometry,
          capacityByGeometry: place.capacityBu === null && byGeometry !== null,
          diameterM: setup?.diameter ?? null,
          eaveM: setup && setup.eave > 0 ? setup.eave : null,
          hopperM: setup && setup.hopper > 0 ? setup.hopper : null,
          reservedFor: setup?.crop ?? null,
          ...(putAway ? { putAway } : {}),
        };
      }),
    };
  }

  /** What replay needs of a header, and nothing that only people read. */
  static readWith({ defaults, lots, places }: FarmHeader): BookHeader {
    return {
      defaults,
      lots: lots.map((lot) => ({ ...lot })),
      places: places.map((place) => ({ ...place, withdrawal: place.withdrawal as Withdrawal })),
    };
  }

  /** Entries after a sequence number, oldest arrival first. Raw: a season is tens of thousands of rows, and making an entity of each costs more than replaying it. */
  async entriesAfter(farmId: string, seq: number, on: Connection = this.db): Promise<{ seq: number; entry: Entry }[]> {
    const rows: { seq: number; body: string | Entry }[] = await on.query(
      'SELECT seq, body FROM entries WHERE farm_id = ? AND seq > ? ORDER BY seq',
      [farmId, seq],
    );
    return rows.map((row) => ({
      seq: row.seq,
      entry: typeof row.body === 'string' ? (JSON.parse(row.body) as Entry) : row.body,
    }));
  }

  /** Stores entries under the numbers that follow, chained; the farm's row is locked by the caller, and `farm` goes on with it. */
  async insert(
    tx: EntityManager,
    farm: BookEnd,
    entries: readonly NewEntry[],
    receivedMs: number,
    told?: (written: number) => void,
  ): Promise<void> {
    let { seq, chain } = farm;
    const rows = entries.map(({ entry, userId }) => {
      chain = linkOf(chain, entry);
      return rowOf(farm.id, ++seq, entry, userId, receivedMs, chain);
    });
    // Raw, as they are read: a busy evening is tens of thousands of rows.
    for (let i = 0; i < rows.length; i += INSERT_AT_ONCE) {
      await tx.query(
        'INSERT INTO entries (farm_id, seq, id, type, at_ms, lot_id, from_id, to_id, ref_id, body, user_id, received_ms, link) VALUES ?',
        [
          rows
            .slice(i, i + INSERT_AT_ONCE)
            .map((row) => [
              ...[row.farmId, row.seq, row.id, row.type, row.atMs, row.lotId, row.fromId, row.toId, row.refId],
              ...[JSON.stringify(row.body), row.userId, row.receivedMs, row.link],
            ]),
        ],
      );
      told?.(Math.min(rows.length, i + INSERT_AT_ONCE));
    }
    await tx.update(FarmRow, { id: farm.id }, { seq, chain });
    Object.assign(farm, { seq, chain });
  }

  async bookEnd(farmId: string): Promise<BookEnd> {
    return this.db
      .getRepository(FarmRow)
      .findOneOrFail({ where: { id: farmId }, select: { id: true, seq: true, chain: true } });
  }

  /** The links of a farm's records in the order of its sequence. */
  async links(farmId: string): Promise<string[]> {
    const rows: { link: string }[] = await this.db.query(
      'SELECT seq, link FROM entries WHERE farm_id = ? UNION ALL SELECT seq, link FROM revisions WHERE farm_id = ? ORDER BY seq',
      [farmId, farmId],
    );
    return rows.map(({ link }) => link);
  }

  /** Some entries as they are kept, with their links, in the order of the sequence. */
  async keptEntries(
    farmId: string,
    after: number,
    most: number,
  ): Promise<{ seq: number; body: string; link: string }[]> {
    return this.db.query('SELECT seq, body, link FROM entries WHERE farm_id = ? AND seq > ? ORDER BY seq LIMIT ?', [
      farmId,
      after,
      most,
    ]);
  }

  async firstReceived(farmId: string): Promise<number | null> {
    const first: unknown = await this.db.getRepository(EntryRow).minimum('receivedMs', { farmId });
    return first === null ? null : Number(first);
  }

  async lastReceived(farmId: string): Promise<number> {
    // The newest by its number: the largest of all would read the whole book for every answer.
    const newest = await this.db.getRepository(EntryRow).findOne({ select: { receivedMs: true }, where: { farmId }, order: { seq: 'DESC' } }); // prettier-ignore
    return Number(newest?.receivedMs ?? 0);
  }

  // What the book is read with, and its history ---------------------------------------------------------------------------------------------

  async revisions(farmId: string, on: Connection = this.db): Promise<KeptRevision[]> {
    const rows = await on.getRepository(RevisionRow).find({ where: { farmId }, order: { seq: 'ASC' } });
    const lists = await on.getRepository(RevisionListRow).find({ where: { farmId }, order: { place: 'ASC' } });
    return rows.map((row) => ({
      seq: row.seq,
      link: row.link,
      id: row.id,
      at: new Date(row.atMs).toISOString(),
      by: row.by,
      reason: row.reason,
      change: changeOf(row, 'after', lists),
      before: changeOf(row, 'before', lists),
    }));
  }

  /** Writes a revision under its number and makes it what the book is read with. */
  async revise(
    tx: EntityManager,
    farm: BookEnd,
    revision: Omit<Revision, 'after'>,
    userId: string | null,
    header: BookHeader,
  ): Promise<void> {
    const { change } = revision;
    const farmId = farm.id;
    const seq = farm.seq + 1;
    const link = linkOf(farm.chain, revision);
    const before = undoing(header, change);
    await tx.insert(RevisionRow, {
      farmId,
      seq,
      link,
      id: revision.id,
      atMs: Math.floor(instantOf(revision.at)),
      by: revision.by ?? '',
      userId,
      reason: revision.reason,
      what: change.what,
      lotId: change.what === 'shares' ? change.lot : null,
      placeId: change.what === 'withdrawal' ? change.place : null,
      crop: change.what === 'baseMoisture' ? change.crop : null,
      moisture: 'moisture' in change ? change.moisture : null,
      moistureBefore: 'moisture' in before ? before.moisture : null,
      withdrawal: change.what === 'withdrawal' ? change.withdrawal : null,
      withdrawalBefore: before.what === 'withdrawal' ? before.withdrawal : null,
    });
    await insertAll(tx, RevisionListRow, [
      ...listRows(farmId, seq, 'before', before),
      ...listRows(farmId, seq, 'after', change),
    ]);
    await tx.update(FarmRow, { id: farmId }, { seq, chain: link });
    Object.assign(farm, { seq, chain: link });
    switch (change.what) {
      case 'shares':
        await tx.delete(LotShareRow, { farmId, lotId: change.lot });
        await insertAll(tx, LotShareRow, shareRows(farmId, change.lot, change.shares));
        return;
      case 'trust':
        await tx.delete(TrustRow, { farmId });
        await insertAll(tx, TrustRow, trustRows(farmId, change.trust));
        return;
      case 'defaultMoisture':
        await tx.update(FarmRow, { id: farmId }, { defaultMoisture: change.moisture });
        return;
      case 'baseMoisture':
        await tx.save(BaseRow, { farmId, crop: change.crop, moisture: change.moisture });
        return;
      case 'withdrawal':
        await tx.update(PlaceRow, { farmId, id: change.place }, { withdrawal: change.withdrawal });
    }
  }

  /** How many entries have a number below this one. */
  entriesBefore(farmId: string, seq: number): Promise<number> {
    return this.db
      .getRepository(EntryRow)
      .countBy({ farmId, seq: MoreThan(0) })
      .then(async (all) => all - (await this.db.getRepository(EntryRow).countBy({ farmId, seq: MoreThan(seq - 1) })));
  }

  /** True where nothing of a book is there yet. */
  async isEmpty(tx: EntityManager, farm: FarmRow): Promise<boolean> {
    return (
      farm.seq === 0 &&
      !(await tx.existsBy(LotRow, { farmId: farm.id })) &&
      !(await tx.existsBy(PlaceRow, { farmId: farm.id }))
    );
  }

  /** Puts a book's fields, lots, places, entries and revisions into a farm that has none yet. */
  async restore(
    tx: EntityManager,
    farm: FarmRow,
    book: Book,
    userId: string,
    receivedMs: number,
    tell: Progress,
  ): Promise<void> {
    const farmId = farm.id;
    const fields = new Map<string, { name: string; acres: number }>();
    const lots = book.lots.map((lot) => {
      const name = textOf(lot.fieldName, textOf(lot.field, lot.id));
      const fieldId = textOf(lot.fieldId, name);
      fields.set(fieldId, { name, acres: numberOf(lot.acres) ?? 0 });
      return {
        farmId,
        id: lot.id,
        fieldId,
        crop: textOf(lot.crop, 'corn'),
        season: numberOf(lot.season) ?? new Date(receivedMs).getUTCFullYear(),
        variety: textOf(lot.variety, ''),
        tag: textOf(lot.tag, lot.id.slice(0, 4)),
        acres: numberOf(lot.acres) ?? null,
      };
    });
    await insertAll(
      tx,
      FieldRow,
      [...fields].map(([id, field]) => ({ farmId, id, ...field })),
    );
    await insertAll(
      tx,
      LotRow,
      lots.map((lot) => ({ ...lot, acres: lot.acres === fields.get(lot.fieldId)!.acres ? null : lot.acres })),
    );
    await insertAll(
      tx,
      LotShareRow,
      book.lots.flatMap((lot) =>
        shareRows(
          farmId,
          lot.id,
          Array.isArray(lot.shares) && lot.shares.length > 0
            ? (lot.shares as { owner: string; part: number }[])
            : [{ owner: farm.name, part: 1 }],
        ),
      ),
    );
    await insertAll(
      tx,
      PlaceRow,
      book.places.map((place, position) => ({
        farmId,
        id: place.id,
        position,
        name: textOf(place.name, place.id),
        kind: isBuyer(place) ? 'buyer' : textOf(place.kind, 'bin'),
        withdrawal: place.withdrawal ?? ('mixed' as const),
        capacityBu: place.capacityByGeometry === true ? null : numberOf(place.capacityBu),
        putAway: place.putAway === true,
      })),
    );
    await insertRecords(
      tx,
      SETTING_TABLES.binSetup,
      book.places.flatMap((place) => {
        const [diameter, eave] = [numberOf(place.diameterM), numberOf(place.eaveM)];
        if (diameter === null || isBuyer(place)) return [];
        return [
          {
            body: { diameter, eave: eave ?? 0, hopper: numberOf(place.hopperM) ?? 0 },
            key: { farm_id: farmId, id: place.id },
            common: { revision: 1 },
          },
        ];
      }),
    );
    await tx.delete(TrustRow, { farmId });
    await insertAll(tx, TrustRow, trustRows(farmId, book.defaults.trust));
    await insertAll(
      tx,
      BaseRow,
      Object.entries(book.defaults.bases ?? {}).map(([crop, moisture]) => ({ farmId, crop, moisture })),
    );
    await insertRecords(
      tx,
      SETTING_TABLES.ownCrop,
      (book.defaults.crops ?? []).map(({ id, ...body }) => ({ body, key: { farm_id: farmId, id }, common: { revision: 1 } })), // prettier-ignore
    );
    await tx.update(FarmRow, { id: farmId }, { defaultMoisture: book.defaults.moisture });
    // Entries and revisions take their numbers in the order in which they arrived.
    const ordered = targetsFirst(book.entries).map((entry) => ({ entry, userId }));
    let done = 0;
    const { length: of } = ordered;
    const upTo = (after: number) => (more: number) => tell('entries', after + more, of);
    let header: BookHeader = { defaults: book.defaults, lots: book.lots, places: book.places };
    for (const { after, ...revision } of book.revisions ?? []) {
      if (after > done) await this.insert(tx, farm, ordered.slice(done, after), receivedMs, upTo(done));
      done = after;
      await this.revise(tx, farm, revision, userId, header);
      header = LedgerRepository.readWith(await this.header(farmId, tx));
    }
    if (done < ordered.length) await this.insert(tx, farm, ordered.slice(done), receivedMs, upTo(done));
  }
}

export const shareRows = (
  farmId: string,
  lotId: string,
  shares: readonly { readonly owner: string; readonly part: number }[],
): LotShareRow[] => shares.map(({ owner, part }, place) => ({ farmId, lotId, place, owner, part }));
export const trustRows = (farmId: string, trust: readonly string[] = METHODS): TrustRow[] =>
  trust.map((method, place) => ({ farmId, place, method }));

function listRows(farmId: string, seq: number, side: 'before' | 'after', change: RevisionChange): RevisionListRow[] {
  const row = (name: string, part: number | null, place: number): RevisionListRow => ({
    farmId,
    seq,
    side,
    place,
    name,
    part,
  });
  if (change.what === 'shares') return change.shares.map(({ owner, part }, place) => row(owner, part, place));
  return change.what === 'trust' ? change.trust.map((method, place) => row(method, null, place)) : [];
}

function changeOf(row: RevisionRow, side: 'before' | 'after', lists: readonly RevisionListRow[]): RevisionChange {
  const own = lists.filter((one) => one.seq === row.seq && one.side === side);
  const moisture = (side === 'after' ? row.moisture : row.moistureBefore) ?? 0;
  switch (row.what) {
    case 'shares':
      return { what: 'shares', lot: row.lotId!, shares: own.map(({ name, part }) => ({ owner: name, part: part! })) };
    case 'trust':
      return { what: 'trust', trust: own.map(({ name }) => name) };
    case 'defaultMoisture':
      return { what: 'defaultMoisture', moisture };
    case 'baseMoisture':
      return { what: 'baseMoisture', crop: row.crop!, moisture };
    case 'withdrawal':
      return {
        what: 'withdrawal',
        place: row.placeId!,
        withdrawal: (side === 'after' ? row.withdrawal : row.withdrawalBefore)!,
      };
  }
}

const textOf = (value: unknown, otherwise: string): string =>
  typeof value === 'string' && value !== '' ? value : otherwise;
const numberOf = (value: unknown): number | null =>
  typeof value === 'number' && Number.isFinite(value) ? value : null;

/** A void or witness may stand before its target; the foreign key wants the target first. */
export function targetsFirst(entries: readonly Entry[]): Entry[] {
  const waiting = new Map(entries.map((entry) => [entry.id, entry]));
  const ordered: Entry[] = [];
  for (const first of entries) {
    // By hand and not by recursion: a chain of voids may be as long as the book.
    const chain: Entry[] = [];
    for (let entry: Entry | undefined = first; entry !== undefined && waiting.delete(entry.id);) {
      chain.push(entry);
      entry =
        entry.type === 'witness' ? waiting.get(entry.of) : entry.type === 'void' ? waiting.get(entry.voids) : undefined;
    }
    ordered.push(...chain.reverse());
  }
  return ordered;
}

function rowOf(
  farmId: string,
  seq: number,
  entry: Entry,
  userId: string | null,
  receivedMs: number,
  link: string,
): Omit<EntryRow, 'body'> & { body: Entry } {
  const from =
    entry.type === 'move'
      ? entry.from
      : entry.type === 'condition' || entry.type === 'loss' || entry.type === 'measure'
        ? entry.place
        : null;
  return {
    farmId,
    seq,
    id: entry.id,
    type: entry.type,
    atMs: Math.floor(instantOf(entry.at)),
    lotId: entry.type === 'harvest' ? entry.lot : null,
    fromId: from,
    toId: entry.type === 'harvest' || entry.type === 'move' ? entry.to : null,
    refId: entry.type === 'witness' ? entry.of : entry.type === 'void' ? entry.voids : null,
    body: entry,
    userId,
    receivedMs,
    link,
  };
}

const DAY_MS = 86_400_000;
/** The last moment of a closed season: the end of its last day on the farm's clock. */
function closedOf({ season, closed, through }: SeasonState, timeZone: string): ClosedSeason[] {
  const noon = Date.parse(`${through}T12:00:00Z`);
  return closed && !Number.isNaN(noon) ? [{ season, throughMs: startOfDay(noon + DAY_MS, timeZone) - 1 }] : [];
}
