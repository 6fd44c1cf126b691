import { type AnswerOf, get } from './api';

export type RecordsPath =
  `/api/farms/{farmId}/${'fields' | 'cut' | 'haul' | 'dry' | 'store' | 'sell' | 'trace' | 'shed'}/records`;

interface AnyRecords {
  readonly pages: number;
  readonly logs: Readonly<Record<string, readonly unknown[]>>;
}

/** Records of a station with all of their pages: what does not fit on one is on the next. */
export async function everyPage<P extends RecordsPath>(path: P, farmId: string, season?: number): Promise<AnswerOf<P>> {
  const of = season === undefined ? {} : { seasons: String(season) };
  const first = (await get(path, { path: { farmId }, query: of } as never)) as unknown as AnyRecords;
  const logs = { ...first.logs };
  for (let page = 2; page <= first.pages; page++) {
    const next = (await get(path, {
      path: { farmId },
      query: { ...of, page: String(page) },
    } as never)) as unknown as AnyRecords;
    for (const [kind, entries] of Object.entries(next.logs)) logs[kind] = [...(logs[kind] ?? []), ...entries];
  }
  return { ...first, logs } as unknown as AnswerOf<P>;
}
