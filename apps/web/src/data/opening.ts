import { type State as Kept, unstable_serialize as nameOf } from 'swr';
import { type GetPath, get } from './api';
import { lastFarm, type OpensWith, questionsOf } from './early';
import { toldNow } from './farm';
import { HEADER, ME, NOW } from './opening-paths';
import { everyPage, type RecordsPath } from './record-pages';

/** Answers by the names that the library of answers has for their questions. */
export type Opening = Map<string, Kept>;

/** A slow line gives nothing in this time: the page is begun, and says what it waits for. */
const PATIENCE_MS = 1000;

/**
 * What a page opens with, as far as it is there by then (it was asked for ahead of the program): drawn with all of it at once, and not
 * again for each answer that comes in.
 */
export async function openingAnswers(opensWith: OpensWith | undefined, beside: Promise<unknown>): Promise<Opening> {
  const opening: Opening = new Map();
  const farmId = lastFarm();
  if (farmId === null || opensWith === undefined) return opening;
  const enough = new Promise<void>((resolve) => setTimeout(resolve, PATIENCE_MS));
  await Promise.race([Promise.all([fill(opening, opensWith, farmId), beside]).catch(() => undefined), enough]);
  // As it is now: what comes later is asked for by the page itself, and must not appear behind its back.
  return new Map(opening);
}

async function fill(opening: Opening, opensWith: OpensWith, farmId: string): Promise<void> {
  const take = async <T>(key: readonly [GetPath, object], asked: Promise<T>): Promise<T> => {
    const data = await asked;
    opening.set(nameOf(key), { data, _k: key } as Kept);
    return data;
  };
  const params = { path: { farmId } };
  const [, { places }, { now }] = await Promise.all([
    take([ME, {}], get(ME, {})),
    take([HEADER, params], get(HEADER, params)),
    take([NOW, params], toldNow(params)),
  ]);
  await Promise.all(
    questionsOf(opensWith, farmId, now, places).map(({ route, params: asked }) =>
      take(
        [route, asked],
        route.endsWith('/records') ? everyPage(route as RecordsPath, farmId) : get(route, asked as never),
      ),
    ),
  );
}
