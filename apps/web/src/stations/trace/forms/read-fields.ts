import { FIELD_HEADS, type FieldFileRow, matchHeads, type Rings } from '@fanega/core';
import { decoded, readTable } from '../../../data/read-table';

/** What a file of fields held: its rows, and whether its areas may be hectares. */
export interface FieldsRead {
  readonly rows: readonly FieldFileRow[];
  /** heads of a table whose columns can be matched otherwise; none for a map */
  readonly heads: readonly string[];
  readonly hectares: boolean;
  readonly match: Readonly<Record<string, string | undefined>>;
  /** the table's rows, to be read again by other columns */
  readonly cells: readonly (readonly string[])[];
  readonly first: number;
}

export class NoFields extends Error {}

type Named = Readonly<Record<string, unknown>> | null;

/** What somebody called a property of a field in a map file. */
function propertiesOf(properties: Named, row: number, rings: Rings | null): FieldFileRow {
  const heads = Object.keys(properties ?? {});
  const match = matchHeads(heads, FIELD_HEADS);
  const text = (column: keyof typeof FIELD_HEADS): string => {
    const head = match[column];
    const value = head === undefined ? undefined : properties![head];
    return typeof value === 'string' || typeof value === 'number' ? String(value) : '';
  };
  return {
    row,
    name: text('field'),
    // A map's own figure of its area is in who knows what unit: it is measured.
    acres: /acre/i.test(match.acres ?? '') ? text('acres') : rings === null ? text('acres') : '',
    crop: text('crop'),
    variety: text('variety'),
    tag: text('tag'),
    owner: text('owner'),
    share: text('share'),
    ...(rings === null ? {} : { rings }),
  };
}

interface Geometry {
  readonly type: string;
  readonly coordinates?: unknown;
  readonly geometries?: readonly Geometry[];
}

function ringsIn(geometry: Geometry | null | undefined): Rings | null {
  if (!geometry) return null;
  const corner = (point: unknown): [number, number] => {
    const [lon, lat] = Array.isArray(point) ? (point as unknown[]) : [];
    return [Number(lon), Number(lat)];
  };
  const ring = (points: unknown): [number, number][] => (Array.isArray(points) ? points.map(corner) : []);
  const polygon = (rings: unknown): [number, number][][] => (Array.isArray(rings) ? rings.map(ring) : []);
  if (geometry.type === 'Polygon') return [polygon(geometry.coordinates)];
  if (geometry.type === 'MultiPolygon') return Array.isArray(geometry.coordinates) ? geometry.coordinates.map(polygon) : null; // prettier-ignore
  if (geometry.type === 'GeometryCollection') return (geometry.geometries ?? []).flatMap((one) => ringsIn(one) ?? []);
  return null;
}

function fromGeoJson(json: unknown): FieldFileRow[] {
  const one = json as { type?: string; features?: unknown[]; geometry?: Geometry; properties?: Named };
  const features = one?.type === 'FeatureCollection' ? (one.features ?? []) : one?.type === 'Feature' ? [one] : null;
  if (!Array.isArray(features)) throw new NoFields('This JSON is no GeoJSON of fields.');
  return features.map((feature, i) => {
    const { geometry, properties } = feature as { geometry?: Geometry; properties?: Named };
    return propertiesOf(properties ?? null, i + 1, ringsIn(geometry));
  });
}

/** Field list of ISO 11783-10 task data, zipped or as its XML. */
async function fromTaskData(data: Uint8Array | string): Promise<FieldFileRow[]> {
  const { ISOXMLManager } = await import('isoxml');
  const manager = new ISOXMLManager();
  await (typeof data === 'string' ? manager.parseISOXMLFile(data, 'text/xml') : manager.parseISOXMLFile(data, 'application/zip')); // prettier-ignore
  const { Partfield = [] } = manager.rootElement.attributes;
  return Partfield.map(({ attributes: of }, i): FieldFileRow => {
    const rings = (of.PolygonnonTreatmentZoneonly ?? []).map(({ attributes: polygon }) =>
      (polygon.LineString ?? []).map(({ attributes: line }) =>
        (line.Point ?? []).map(({ attributes: point }): [number, number] => [point.PointEast, point.PointNorth]),
      ),
    );
    const crop = of.CropTypeIdRef?.entity?.attributes as { CropTypeDesignator?: string } | undefined;
    return {
      ...{ row: i + 1, name: of.PartfieldDesignator, variety: '', owner: '', share: '', tag: of.PartfieldCode ?? '' },
      acres: of.PartfieldArea > 0 ? String(of.PartfieldArea / 4046.8564224) : '',
      crop: crop?.CropTypeDesignator ?? '',
      ...(rings.some((own) => own.length > 0) ? { rings } : {}),
    };
  });
}

/** Points that a boundary does without: within two meters of the line between others. */
async function thinned(row: FieldFileRow): Promise<FieldFileRow> {
  if (!row.rings || row.rings.flat(2).length < 200) return row;
  const { simplify } = await import('@turf/simplify');
  const rings = row.rings.map((part) => (simplify({ type: 'Polygon', coordinates: part as unknown as number[][][] }, { tolerance: 0.00002, highQuality: true }).coordinates as unknown as Rings[number])); // prettier-ignore
  return { ...row, rings };
}

/** Rows of a table, by the columns that are matched. */
export function rowsOf(
  { heads, cells, first }: Pick<FieldsRead, 'heads' | 'cells' | 'first'>,
  match: Readonly<Record<string, string | undefined>>,
): FieldFileRow[] {
  return cells.flatMap((row, i): FieldFileRow[] => {
    if (row.every((cell) => cell.trim() === '')) return [];
    const text = (column: string): string => {
      const at = match[column] === undefined ? -1 : heads.indexOf(match[column]);
      return at < 0 ? '' : (row[at] ?? '').trim();
    };
    return [{ row: first + i, name: text('field'), acres: text('acres'), crop: text('crop'), variety: text('variety'), tag: text('tag'), owner: text('owner'), share: text('share') }]; // prettier-ignore
  });
}

/**
 * Fields out of a CSV, XLSX, GeoJSON, a zipped shapefile or ISO 11783-10 task data.
 * @throws NoFields with what the file is not
 */
export async function readFields(file: File, before?: Readonly<Record<string, string>>): Promise<FieldsRead> {
  const map = async (rows: readonly FieldFileRow[]): Promise<FieldsRead> => {
    if (rows.length === 0) throw new NoFields('There is no field in this file.');
    return { rows: await Promise.all(rows.map(thinned)), heads: [], hectares: false, match: {}, cells: [], first: 1 };
  };
  const name = file.name.toLowerCase();
  if (/\.(geo)?json$/.test(name)) {
    let json: unknown;
    try {
      json = JSON.parse(decoded(await file.arrayBuffer()));
    } catch {
      throw new NoFields('This file is called JSON, and is none.');
    }
    return map(fromGeoJson(json));
  }
  if (/\.xml$/.test(name)) return map(await fromTaskData(decoded(await file.arrayBuffer())).catch(() => { throw new NoFields('This XML is no ISO 11783 task data.'); })); // prettier-ignore
  if (/\.zip$/.test(name)) {
    const bytes = await file.arrayBuffer();
    const names = new TextDecoder('latin1').decode(bytes);
    if (/TASKDATA\.XML/i.test(names)) return map(await fromTaskData(new Uint8Array(bytes)));
    try {
      const { default: shp } = await import('shpjs');
      const made = await shp(bytes);
      return await map((Array.isArray(made) ? made : [made]).flatMap((layer) => fromGeoJson(layer)));
    } catch (error) {
      if (error instanceof NoFields) throw error;
      throw new NoFields('This zip holds neither a shapefile (.shp with its .dbf) nor ISO 11783 task data.');
    }
  }
  const table = await readTable(file);
  if (!table) throw new NoFields('No table was found in this file: its first line must name the columns.');
  const match = matchHeads(table.heads, FIELD_HEADS, before);
  const of = { heads: table.heads, cells: table.rows, first: table.first, match };
  return { ...of, rows: rowsOf(of, match), hectares: /\bha\b|hectare/i.test(match.acres ?? '') };
}
