/** Entries that a log of a page asks for at first. */
export const LOG_AT_FIRST = 120;

/** How entries are asked for: the newest of some types, of some places or of all. */
export const tapeQuery = (limit: number, types: string, places: readonly string[] | null) => ({
  limit: String(limit),
  types,
  ...(places === null ? {} : { places: places.join(',') }),
});
