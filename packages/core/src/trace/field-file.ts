import { type Crop, type CropId, cropIn, cropOf } from '../crops/index.js';
import { decimalComma, figureIn, plainName } from '../kernel/index.js';
import type { LotInfo } from '../ledger/index.js';
import { type FieldColumn } from '../records/index.js';
import { M2_PER_ACRE } from '../units/index.js';
import { acresInside, boundaryProblem, type BoundaryProblem, type Rings, tidied } from './boundary.js';

/** What files of fields call their columns; common practice, no source. */
export const FIELD_HEADS: Readonly<Record<FieldColumn, readonly RegExp[]>> = {
  field: [/^(field|field ?name|name)$/, /^(partfield|parcel)( ?name)?$/, /field|name|designator/],
  acres: [/^(acres|area ?\(?acres?\)?|fsa acres|size)$/, /^(area|ha|hectares|area ?\(?ha\)?)$/, /acre|area|hectare/],
  crop: [/^crop( ?(name|type))?$/, /crop|commodity/],
  variety: [/^(variety|hybrid|cultivar)$/, /variet|hybrid|cultivar/],
  tag: [/^(tag|code|short( ?name)?|abbreviation|id)$/],
  owner: [/^(owner|landlord|landowner)$/, /owner|landlord/],
  share: [/^(share|landlord share|owner share|part)$/, /share/],
};

/** A row of a file of fields, whatever the file was. */
export interface FieldFileRow {
  /** line or place in the file */
  readonly row: number;
  readonly name: string;
  readonly acres: string;
  readonly crop: string;
  readonly variety: string;
  readonly tag: string;
  readonly owner: string;
  readonly share: string;
  readonly rings?: Rings;
}

export type FieldFileProblem = 'no_name' | 'no_acres' | 'crop_unknown' | 'no_crop' | 'share_wrong' | 'twice' | BoundaryProblem; // prettier-ignore

/** A field as it would be taken in. */
export interface PlannedField {
  readonly row: number;
  readonly name: string;
  readonly acres: number;
  /** the acres follow from its boundary */
  readonly measured: boolean;
  readonly crop: CropId;
  readonly variety: string;
  readonly tag: string;
  readonly shares: readonly { readonly owner: string; readonly part: number }[] | null;
  readonly rings: Rings | null;
  /** Not on the farm; on it but not in this season; there as it is; there with other acres or a boundary that is new. */
  readonly state: 'new' | 'season' | 'known' | 'different';
  readonly fieldId: string | null;
  /** acres that the book has */
  readonly was: number | null;
  /** acres typed in the file where its boundary says others, by more than a fiftieth */
  readonly said: number | null;
}

export interface FieldPlan {
  readonly fields: readonly PlannedField[];
  readonly problems: readonly { readonly row: number; readonly what: FieldFileProblem; readonly text: string }[];
}

const ACRES_PER_HA = 10_000 / M2_PER_ACRE;

/** Letters that stand for a field: of its words, else of its name, with a number where they are taken. */
export function tagFor(name: string, taken: ReadonlySet<string>): string {
  const words = name.toUpperCase().split(/[^A-Z0-9]+/).filter(Boolean); // prettier-ignore
  const letters =
    words.length > 1
      ? words
          .map((word) => word[0])
          .join('')
          .slice(0, 3)
      : (words[0] ?? 'F').slice(0, 2);
  if (!taken.has(letters)) return letters;
  for (let n = 2; n < 1000; n++) {
    const tag = `${letters.slice(0, 4 - String(n).length)}${n}`;
    if (!taken.has(tag)) return tag;
  }
  return letters;
}

/**
 * Fields of a file against those of the farm. Rows that cannot be read are named and kept out; nothing is doubled.
 * @param hectares the file's areas are hectares @param known boundaries that the farm has, by field
 */
export function planFields(
  rows: readonly FieldFileRow[],
  lots: readonly LotInfo[],
  season: number,
  options: {
    readonly hectares: boolean;
    readonly crop: CropId | null;
    readonly farm: string;
    readonly known: ReadonlySet<string>;
    readonly crops?: readonly Crop[];
  },
): FieldPlan {
  const byName = new Map<string, LotInfo[]>();
  for (const lot of lots) byName.set(plainName(lot.fieldName), [...(byName.get(plainName(lot.fieldName)) ?? []), lot]);
  const tags = new Set(lots.filter((lot) => lot.season === season).map(({ tag }) => tag));
  const comma = decimalComma(rows.flatMap(({ acres, share }) => [acres, share]));
  const seen = new Set<string>();
  const fields: PlannedField[] = [];
  const problems: { row: number; what: FieldFileProblem; text: string }[] = [];
  for (const one of rows) {
    const wrong = (what: FieldFileProblem, text = ''): void => void problems.push({ row: one.row, what, text });
    const name = one.name.trim();
    if (name === '') {
      wrong('no_name');
      continue;
    }
    if (seen.has(plainName(name))) {
      wrong('twice', name);
      continue;
    }
    const rings = one.rings ? tidied(one.rings) : null;
    const bad = rings && boundaryProblem(rings);
    if (bad) {
      wrong(bad, name);
      continue;
    }
    const typed = one.acres.trim() === '' ? null : figureIn(one.acres, comma);
    const said = typed === null ? null : typed * (options.hectares ? ACRES_PER_HA : 1);
    if (one.acres.trim() !== '' && (said === null || said < 0 || said > 100_000)) {
      wrong('no_acres', one.acres);
      continue;
    }
    const inside = rings ? acresInside(rings) : null;
    const found = said ?? inside;
    const acres = found === null ? null : Math.round(found * 1e4) / 1e4;
    if (acres === null) {
      wrong('no_acres', one.acres);
      continue;
    }
    const all = byName.get(plainName(name)) ?? [];
    const own = all.find((lot) => lot.season === season);
    const last = all.reduce<LotInfo | undefined>((newest, lot) => (newest && newest.season >= lot.season ? newest : lot), undefined); // prettier-ignore
    const crop =
      one.crop.trim() === '' ? ((own?.crop as CropId | undefined) ?? options.crop) : cropIn(one.crop, options.crops);
    if (crop === null || !cropOf(crop)) {
      wrong(one.crop.trim() === '' ? 'no_crop' : 'crop_unknown', one.crop);
      continue;
    }
    const share = one.share.trim() === '' ? null : figureIn(one.share, comma);
    const part = share === null ? null : share > 1 ? share / 100 : share;
    if (one.share.trim() !== '' && (part === null || part <= 0 || part > 1)) {
      wrong('share_wrong', one.share);
      continue;
    }
    const owner = one.owner.trim();
    const shares = owner === '' ? null : part === null || part >= 1 - 1e-9 ? [{ owner, part: 1 }] : [{ owner: options.farm, part: 1 - part }, { owner, part }]; // prettier-ignore
    const asked = one.tag.trim().toUpperCase().slice(0, 4);
    const tag = own?.tag ?? (asked !== '' && !tags.has(asked) ? asked : last && !tags.has(last.tag) ? last.tag : tagFor(name, tags)); // prettier-ignore
    tags.add(tag);
    seen.add(plainName(name));
    const sameAcres = own !== undefined && Math.abs(own.acres - acres) <= 0.005 * Math.max(1, own.acres);
    const newLine = rings !== null && last !== undefined && !options.known.has(last.fieldId);
    fields.push({
      row: one.row,
      name,
      acres,
      measured: said === null,
      crop,
      variety: one.variety.trim().slice(0, 40),
      tag,
      shares,
      rings,
      state: own ? (sameAcres && !newLine ? 'known' : 'different') : last ? 'season' : 'new',
      fieldId: last?.fieldId ?? null,
      was: own?.acres ?? null,
      said: said !== null && inside !== null && Math.abs(said - inside) > 0.02 * Math.max(said, inside) ? inside : null,
    });
  }
  return { fields, problems };
}
