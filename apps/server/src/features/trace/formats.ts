import type { CalendarEvent, FarmBook, FieldBoundary } from '@fanega/core';
import { aboutInBushels, cropOf, dayAfter, M2_PER_ACRE, ringsOf } from '@fanega/core';
import { createEvents, type DateArray } from 'ics';
import type { ISOXMLManager, TAGS as Tags } from 'isoxml';
import type { Writable } from 'node:stream';
import Papa from 'papaparse';

/** Words that a spreadsheet would take for a formula. */
const FORMULAE = /^[=@\t\r]|^[+-](?![\d.])/;

/** Rows that are written at once: a long table is never in memory as a whole. */
const AT_ONCE = 500;

/** A table as CSV (RFC 4180), in pieces; with the mark by which spreadsheets know the letters. */
export function* csvOf(heads: readonly string[], rows: Iterable<readonly unknown[]>): Generator<string> {
  yield `\ufeff${Papa.unparse([[...heads]])}\r\n`;
  let some: (readonly unknown[])[] = [];
  const flush = (): string => `${Papa.unparse(some as unknown[][], { newline: '\r\n', escapeFormulae: FORMULAE })}\r\n`; // prettier-ignore
  for (const row of rows) {
    some.push(row);
    if (some.length < AT_ONCE) continue;
    yield flush();
    some = [];
  }
  if (some.length > 0) yield flush();
}

/** Tables as a workbook, a sheet each, written as they come. */
export async function writeWorkbook(
  to: Writable,
  tables: Iterable<{
    readonly name: string;
    readonly heads: readonly string[];
    readonly rows: Iterable<readonly unknown[]>;
  }>,
): Promise<void> {
  // Loaded with the first workbook: a server that starts writes none yet.
  const { default: exceljs } = await import('exceljs');
  const workbook = new exceljs.stream.xlsx.WorkbookWriter({ stream: to, useStyles: true });
  for (const { name, heads, rows } of tables) {
    const sheet = workbook.addWorksheet(name.slice(0, 31), { views: [{ state: 'frozen', ySplit: 1 }] });
    sheet.columns = heads.map((head) => ({ width: Math.max(10, head.length + 2) }));
    const first = sheet.addRow([...heads]);
    first.font = { bold: true };
    first.commit();
    for (const row of rows) sheet.addRow([...row]).commit();
    sheet.commit();
  }
  await workbook.commit();
}

/** A calendar (RFC 5545) of whole days. */
export function calendarFile(events: readonly CalendarEvent[], farm: string, farmId: string): string {
  const parts = (day: string): DateArray => day.split('-').map(Number) as DateArray;
  // An event's end is the day after its last.
  const { error, value } = createEvents(
    events.map((event) => ({
      uid: `${event.uid}@${farmId}.fanega`,
      title: event.title,
      description: aboutInBushels(event),
      start: parts(event.from),
      end: parts(dayAfter(event.until, 1)),
      productId: 'fanega',
      calName: farm,
    })),
  );
  if (error) throw error;
  // Without an event the library writes nothing at all.
  return !value ? `BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:fanega\r\nEND:VCALENDAR\r\n` : value;
}

/** Data dictionary entities of ISO 11783-11: total area in m², yield total mass and total dry mass in kg. */
const DDI = { totalArea: '0074', mass: '005A', dryMass: '00B7' } as const;

/** Field list and totals of a season as ISO 11783-10 task data, zipped. */
export async function taskData(
  book: FarmBook,
  boundaries: ReadonlyMap<string, FieldBoundary>,
  season: number | undefined,
  farm: string,
): Promise<Uint8Array> {
  const { default: isoxml } = await import('isoxml');
  const { TAGS } = isoxml;
  const manager: ISOXMLManager = new isoxml.ISOXMLManager({ version: 4, fmisTitle: 'Fanega', fmisVersion: '1' });
  const make = (tag: Tags, attributes: object) => manager.createEntityFromAttributes(tag, attributes as never);
  const registered = <T extends ReturnType<typeof make>>(entity: T) => manager.registerEntity(entity);
  const own = book.lots.filter((lot) => season === undefined || lot.season === season);
  const accounts = book.ledger.accounts();
  const harvested = new Map<string, number>();
  for (const { entry, wetKg } of book.ledger.parcels(0, book.ledger.steps, ({ type }) => type === 'harvest')) if (entry.type === 'harvest') harvested.set(entry.lot, (harvested.get(entry.lot) ?? 0) + wetKg); // prettier-ignore
  // Totals are of something: of the book itself, as a device of the farm's office.
  const element = make(TAGS.DeviceElement, { DeviceElementObjectId: 1, DeviceElementType: '1', DeviceElementDesignator: 'Grain book', DeviceElementNumber: 0, ParentObjectId: 0 }); // prettier-ignore
  const elementRef = registered(element);
  const device = make(TAGS.Device, { DeviceDesignator: 'Fanega', ClientNAME: '0000000000000000', DeviceStructureLabel: '00000000000000', DeviceLocalizationLabel: '00000000000000', DeviceElement: [element] }); // prettier-ignore
  registered(device);
  const customer = make(TAGS.Customer, { CustomerLastName: farm.slice(0, 32) });
  const customerRef = registered(customer);
  const crops = new Map([...new Set(own.map(({ crop }) => crop))].map((crop) => {
    const type = make(TAGS.CropType, { CropTypeDesignator: (cropOf(crop)?.name ?? crop).slice(0, 32) });
    return [crop, { type, ref: registered(type) }] as const;
  })); // prettier-ignore
  const fields = own.map((lot) => {
    const boundary = boundaries.get(lot.fieldId);
    const polygons = (boundary ? ringsOf(boundary) : []).map((rings) =>
      make(TAGS.Polygon, {
        PolygonType: '1',
        LineString: rings.map((ring, i) =>
          make(TAGS.LineString, {
            LineStringType: i === 0 ? '1' : '2',
            Point: ring.map(([lon, lat]) => make(TAGS.Point, { PointType: '2', PointNorth: lat, PointEast: lon })),
          }),
        ),
      }),
    );
    const field = make(TAGS.Partfield, {
      PartfieldCode: lot.tag,
      PartfieldDesignator: lot.fieldName.slice(0, 32),
      PartfieldArea: Math.round(lot.acres * M2_PER_ACRE),
      CustomerIdRef: customerRef,
      CropTypeIdRef: crops.get(lot.crop)!.ref,
      ...(polygons.length > 0 ? { PolygonnonTreatmentZoneonly: polygons } : {}),
    });
    return { lot, field, ref: registered(field) };
  });
  const tasks = fields
    .filter(({ lot }) => (accounts[lot.id]?.harvestedDryKg ?? 0) > 0)
    .map(({ lot, ref }) => {
      const total = (ddi: string, value: number) => make(TAGS.DataLogValue, { ProcessDataDDI: ddi, ProcessDataValue: Math.round(value), DeviceElementIdRef: elementRef }); // prettier-ignore
      const loads = book.ledger.entriesFrom(0).filter((entry) => entry.type === 'harvest' && entry.lot === lot.id);
      const task = make(TAGS.Task, {
        TaskDesignator: `Harvest ${lot.fieldName} ${lot.season}`.slice(0, 32),
        TaskStatus: '4',
        PartfieldIdRef: ref,
        Time: [
          make(TAGS.Time, {
            Start: new Date(loads[0]!.at),
            Stop: new Date(loads.at(-1)!.at),
            Type: '4',
            DataLogValue: [
              total(DDI.totalArea, lot.acres * M2_PER_ACRE),
              total(DDI.mass, harvested.get(lot.id) ?? 0),
              total(DDI.dryMass, accounts[lot.id]?.harvestedDryKg ?? 0),
            ],
          }),
        ],
      });
      registered(task);
      return task;
    });
  manager.rootElement.attributes = {
    ...manager.rootElement.attributes,
    Customer: [customer],
    Device: [device],
    CropType: [...crops.values()].map(({ type }) => type),
    Partfield: fields.map(({ field }) => field),
    Task: tasks,
  } as never;
  return manager.saveISOXML();
}
