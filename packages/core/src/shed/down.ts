import { living, type ShedRecords } from '../records/index.js';

/** Vessels of the book whose machine is broken and not mended, with what broke. */
export function downPlaces(shed: ShedRecords): ReadonlyMap<string, string> {
  const broken = new Map(
    living(shed.logs.breakdown)
      .filter(({ body }) => !body.mended)
      .map(({ body }) => [body.assetId, body.what]),
  );
  return new Map(
    Object.entries(shed.settings.machine).flatMap(([id, { value }]) => {
      const what = broken.get(id);
      return what !== undefined && value.placeId !== undefined && !value.retired
        ? [[value.placeId, what] as const]
        : [];
    }),
  );
}
