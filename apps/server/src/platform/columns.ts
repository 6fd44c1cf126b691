import type { ColumnOptions } from 'typeorm';

export const ID = { type: 'varchar', length: 40 } as const;
export const ULID = { type: 'char', length: 26 } as const;
export const TEXT = { type: 'varchar', length: 120 } as const;
/** ms since 1970: the driver gives a BIGINT as text. */
export const INSTANT = {
  type: 'bigint',
  transformer: { to: (ms: number | null) => ms, from: (text: string | null) => (text === null ? null : Number(text)) },
} as const satisfies ColumnOptions;
/** A link of a book's chain: hexadecimal. */
export const LINK = { type: 'char', length: 64 } as const;
export const FARM = { name: 'farm_id', ...ID } as const;
