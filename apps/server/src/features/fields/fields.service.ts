import type {
  FieldBody,
  FieldChangeBody,
  NeighborRowsBody,
  ReadingInfo,
  SeasonBegun,
  SeasonBody,
  SeasonLotBody,
  WeatherBody,
  WeatherHourInfo,
} from '@fanega/contract';
import {
  currentSeason,
  type FieldRow as FieldRowView,
  fieldRows,
  instantOf,
  lotMoistures,
  M2_PER_ACRE,
  neighborRows,
} from '@fanega/core';
import { Inject, Injectable } from '@nestjs/common';
import { ulid } from 'ulid';
import { FarmWrites } from '../../platform/farm-write.js';
import { Refused, unlessNameUsed, unlessPointedTo } from '../../platform/refused.js';
import { LedgerService, requireCrops } from '../ledger/index.js';
import type { WeatherRow } from './fields.entity.js';
import { FieldsRepository, removeFields } from './fields.repository.js';

/** Fields and their lots, what was read of them, and the weather over them. What an entry points to stays, so nothing here deletes. */
@Injectable()
export class FieldsService {
  constructor(
    @Inject(FieldsRepository) private readonly fields: FieldsRepository,
    @Inject(LedgerService) private readonly ledgers: LedgerService,
    @Inject(FarmWrites) private readonly writes: FarmWrites,
  ) {}

  /** Lots of one season, of the newest where none is named, with where they stand; readings and book of one moment. */
  async rows(farmId: string, season?: number): Promise<FieldRowView[]> {
    // Read before the book is opened: a reading that comes meanwhile makes a version of its own, and the question is asked again.
    const [newest, displays] = [await this.fields.newestReadings(farmId), await this.fields.displayAreas(farmId)];
    return this.ledgers.answer(
      farmId,
      `lots ${season ?? ''}`,
      (book) => fieldRows(book, newest, season ?? currentSeason(book.lots), displays),
      ({ versions }) => String(versions.topics.fields),
    );
  }

  /**
   * What a display counted as cut of the field that is open on it. It comes every few seconds: a tenth of an acre more is kept, and half an acre
   * more is told to the screens.
   */
  async displayCounted(farmId: string, deviceId: string, lotId: string, areaM2: number, atMs: number): Promise<void> {
    const last = await this.fields.displayArea(farmId, deviceId, lotId);
    // What comes late from a display that was out of reach says less than what is known.
    if (last !== null && (atMs < last.atMs || Math.abs(areaM2 - last.areaM2) < 0.1 * M2_PER_ACRE)) return;
    await this.writes.run(farmId, async ({ tx, changed }) => {
      if (!(await this.fields.hasLot(tx, farmId, lotId)))
        throw new Refused('body_wrong', 'That field is not on this farm.', [{ field: 'lotId', code: 'lot_not_in_book', message: 'there is no such field' }]); // prettier-ignore
      await this.fields.keepDisplayArea(tx, { farmId, deviceId, lotId, areaM2, atMs });
      if (last === null || Math.floor(areaM2 / (0.5 * M2_PER_ACRE)) !== Math.floor(last.areaM2 / (0.5 * M2_PER_ACRE)))
        changed('fields');
    });
  }

  lotMoistures(farmId: string, lotId: string): Promise<ReadingInfo[]> {
    return this.ledgers.answer(farmId, `moistures ${lotId}`, (book) => {
      const lot = book.lots.find(({ id }) => id === lotId);
      if (!lot) throw new Refused('not_found', 'There is no such field in the book.');
      return lotMoistures(book, lotId).map((found) => ({
        ...found,
        fieldId: lot.fieldId,
        cracked: null,
        tester: '',
        spot: '',
      }));
    });
  }

  addField(farmId: string, body: FieldBody): Promise<{ fieldId: string; lotId: string }> {
    return unlessNameUsed(() =>
      this.writes.run(farmId, async ({ tx, farm, changed }) => {
        await requireCrops(tx, farmId, [{ crop: body.crop, field: 'crop' }]);
        const [fieldId, lotId] = [ulid(), ulid()];
        await this.fields.add(
          tx,
          farmId,
          { id: fieldId, name: body.name.trim(), acres: body.acres },
          {
            id: lotId,
            crop: body.crop,
            season: body.season,
            variety: body.variety ?? '',
            tag: body.tag.trim().toUpperCase(),
            acres: null,
          },
          body.shares?.map(({ owner, part }) => ({ owner: owner.trim(), part })) ?? [{ owner: farm.name, part: 1 }],
        );
        changed('header');
        return { fieldId, lotId };
      }),
    );
  }

  /** Lots of another season on fields of the farm, all of them or none; a field that stands in it already is named. */
  beginSeason(farmId: string, body: SeasonBody): Promise<SeasonBegun> {
    return unlessNameUsed(() =>
      this.writes.run(farmId, async ({ tx, farm, changed }) => {
        const [fields, there] = [
          await this.fields.fieldsOf(tx, farmId),
          await this.fields.lotsOf(tx, farmId, body.season),
        ];
        const refuse = (i: number, field: string, message: string): never => {
          throw new Refused('body_wrong', `${message.charAt(0).toUpperCase()}${message.slice(1)}.`, [{ field: `lots[${i}].${field}`, code: field, message }]); // prettier-ignore
        };
        const tags = new Set(there.map(({ tag }) => tag));
        const lotIds = body.lots.map(({ fieldId, tag }, i) => {
          const field = fields.find(({ id }) => id === fieldId);
          if (!field) return refuse(i, 'fieldId', 'there is no such field');
          if (there.some((lot) => lot.fieldId === fieldId)) refuse(i, 'fieldId', `${field.name} stands in ${body.season} already`); // prettier-ignore
          const plain = tag.trim().toUpperCase();
          if (tags.has(plain)) refuse(i, 'tag', `the tag ${plain} stands for another field of ${body.season}`);
          tags.add(plain);
          return ulid();
        });
        await requireCrops(
          tx,
          farmId,
          body.lots.map(({ crop }, i) => ({ crop, field: `lots[${i}].crop` })),
        );
        for (const [i, lot] of body.lots.entries())
          await this.fields.addLot(
            tx,
            { farmId, id: lotIds[i]!, fieldId: lot.fieldId, crop: lot.crop, season: body.season, variety: lot.variety?.trim() ?? '', tag: lot.tag.trim().toUpperCase(), acres: acresOf(lot, fields) },
            lot.shares?.map(({ owner, part }) => ({ owner: owner.trim(), part })) ?? [{ owner: farm.name, part: 1 }],
          ); // prettier-ignore
        changed('header');
        return { season: body.season, lotIds };
      }),
    );
  }

  /** A field and a lot for somebody else's rows, all of them his. The same again changes nothing: a phone sends it until it is answered. */
  addNeighborRows(farmId: string, body: NeighborRowsBody): Promise<{ lotId: string }> {
    return unlessNameUsed(() =>
      this.writes.run(farmId, async ({ tx, changed }) => {
        const lotId = body.id;
        const owner = body.owner.trim();
        if (await this.fields.lot(tx, farmId, lotId)) {
          const owners = await this.fields.ownersOf(tx, farmId, lotId);
          if (owners.length !== 1 || owners[0] !== owner)
            throw new Refused('id_used_otherwise', 'This id is used by another field already.');
          return { lotId };
        }
        const { fieldName, tag } = neighborRows(body.owner, await this.fields.namesAndTags(tx, farmId, body.season));
        await requireCrops(tx, farmId, [{ crop: body.crop, field: 'crop' }]);
        // Nobody measured them yet.
        await this.fields.add(
          tx,
          farmId,
          { id: ulid(), name: fieldName, acres: 0 },
          { id: lotId, crop: body.crop, season: body.season, variety: '', tag, acres: null },
          [{ owner, part: 1 }],
        );
        changed('header');
        return { lotId };
      }),
    );
  }

  /** A lot's names and its field's acres. What was recorded points to their ids and stays. */
  changeField(farmId: string, lotId: string, body: FieldChangeBody): Promise<{ lotId: string }> {
    return unlessNameUsed(() =>
      this.writes.run(farmId, async ({ tx, changed }) => {
        const lot = await this.fields.lot(tx, farmId, lotId);
        if (!lot) throw new Refused('not_found', 'There is no such field in the book.');
        await this.fields.change(
          tx,
          lot,
          { name: body.name.trim(), ...(body.acres === undefined || lot.acres !== null ? {} : { acres: body.acres }) },
          {
            tag: body.tag.trim().toUpperCase(),
            variety: body.variety?.trim() ?? '',
            // Where the season has acres of its own, those are meant.
            ...(body.acres === undefined || lot.acres === null ? {} : { acres: body.acres }),
          },
        );
        changed('header');
        return { lotId };
      }),
    );
  }

  /**
   * Takes a field of one season out, and with the last of its seasons the field itself.
   * @throws Refused where anything was recorded for it
   */
  removeLot(farmId: string, lotId: string): Promise<{ lotId: string }> {
    const hangsOn = new Refused('id_used_otherwise', 'Something was recorded for this field: it stays, and so does what was recorded.'); // prettier-ignore
    return unlessPointedTo(
      () =>
        this.ledgers.writing(farmId, async (write) => {
          const { tx, changed } = write;
          const lot = await this.fields.lot(tx, farmId, lotId);
          if (!lot) throw new Refused('not_found', 'There is no such field in the book.');
          const { ledger } = await this.ledgers.openIn(write);
          if (ledger.arrivals.some((entry) => 'lot' in entry && entry.lot === lotId)) throw hangsOn;
          const isLast = (await this.fields.seasonsOf(tx, farmId, lot.fieldId)) === 1;
          await removeFields(tx, farmId, [lotId], isLast ? [lot.fieldId] : []);
          changed('header');
          changed('fields');
          return { lotId };
        }),
      hangsOn,
    );
  }

  async weather(farmId: string, fromMs: number, toMs: number): Promise<WeatherHourInfo[]> {
    const rows = await this.fields.weather(farmId, fromMs, toMs);
    return rows.map(({ farmId: _, importId: __, atMs, wet, forecast, ...row }) => ({
      ...row,
      at: new Date(atMs).toISOString(),
      wet: Boolean(wet),
      forecast: Boolean(forecast),
    }));
  }

  addWeather(farmId: string, body: WeatherBody): Promise<{ hours: number }> {
    return this.writes.run(farmId, async ({ tx, changed }) => {
      const rows = body.hours.map((hour) => weatherRow(farmId, hour));
      // What was measured stays: a forecast that comes late must not write over it.
      const measured = await this.fields.measured(
        tx,
        farmId,
        rows.map((row) => row.atMs),
      );
      const fresh = [...new Map(rows.map((row) => [row.atMs, row])).values()].filter(
        (row) => !row.forecast || !measured.has(row.atMs),
      );
      if (fresh.length > 0) {
        await this.fields.putWeather(tx, fresh);
        changed('weather');
      }
      return { hours: fresh.length };
    });
  }

  async season(farmId: string): Promise<number | undefined> {
    return currentSeason((await this.ledgers.open(farmId)).lots);
  }
}

/** Acres of a season, where they are others than the field's. */
const acresOf = (
  { fieldId, acres }: SeasonLotBody,
  fields: readonly { readonly id: string; readonly acres: number }[],
): number | null => (acres === undefined || acres === fields.find(({ id }) => id === fieldId)?.acres ? null : acres);

const HOUR = 3_600_000;
export const weatherRow = (farmId: string, { at, ...hour }: WeatherHourInfo): WeatherRow => ({
  farmId,
  atMs: Math.floor(instantOf(at) / HOUR) * HOUR,
  ...hour,
  // What is measured again is no file's any more.
  importId: null,
});
