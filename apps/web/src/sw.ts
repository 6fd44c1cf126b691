import { registerRoute, NavigationRoute, Route } from 'workbox-routing';
import { PrecacheController, PrecacheRoute, type PrecacheEntry } from 'workbox-precaching';
import { Strategy, type StrategyHandler } from 'workbox-strategies';
import { ROUTES } from './data/api-routes';
import { ANSWERS, MARK } from './data/held';

/**
 * The program without a signal: its own files from the cache, and the last answers of the farm. What is recorded waits in IndexedDB and is
 * none of this worker's: an update of it can lose nothing.
 */
declare const self: ServiceWorkerGlobalScope & { readonly __WB_MANIFEST: (PrecacheEntry | string)[] };

const FILES = 'fanega-files';
/** Caches of workers before this one. */
const OLD_SHELLS = 'fanega-shell-';

const manifest = self.__WB_MANIFEST;
const files = new PrecacheController({ cacheName: FILES });
files.addToCacheList(manifest);

/** What a browser can be told ahead, so that it need not wake this worker for it (Service Workers, "static routing"; not in every browser yet). */
interface ToldAhead {
  readonly addRoutes?: (rules: {
    readonly condition: { readonly urlPattern: URLPatternInit };
    readonly source: { readonly cacheName: string };
  }) => Promise<void>;
}

self.addEventListener('install', (event) => {
  // Twenty files for each page: handed out by the browser itself, beside what the page does. Any that is not kept is asked for from the server.
  const told = (event as ToldAhead).addRoutes?.call(event, {
    condition: { urlPattern: { pathname: '/assets/*' } },
    source: { cacheName: FILES },
  });
  if (told) event.waitUntil(told);
  void files.install(event);
});

/** Where the names of a build's files are kept, for the build after the next. */
const NAMES = '/fanega-files-of-this-build';

/**
 * Files of this build and of the one before it stay: a page that is still open on the old program finds what it asks for. Only what is
 * older goes.
 */
async function clear(): Promise<void> {
  const cache = await caches.open(FILES);
  const now = [...files.getURLsToCacheKeys().values()];
  const before = ((await (await cache.match(NAMES))?.json().catch(() => [])) ?? []) as string[];
  await cache.put(NAMES, new Response(JSON.stringify(now)));
  const wanted = new Set([...now, ...before, new URL(NAMES, self.location.href).href]);
  const kept = await cache.keys();
  await Promise.all(kept.filter(({ url }) => !wanted.has(url)).map((request) => cache.delete(request)));
  const names = await caches.keys();
  await Promise.all(names.filter((name) => name.startsWith(OLD_SHELLS)).map((name) => caches.delete(name)));
  await self.clients.claim();
}
self.addEventListener('activate', (event) => event.waitUntil(clear()));

// Somebody tapped "Take it": the new files from here on.
self.addEventListener('message', (event) => void (event.data === 'take over' && self.skipWaiting()));

/** Routes whose answers a page can be opened with, as the server declares them. */
const KEEP = Object.keys(ROUTES)
  .filter((route) => ROUTES[route]!.keep)
  .map((route) => new RegExp(`^${route.replace(/\{[^}]+\}/g, '[^/]+')}$`));
/** An answer that names what is known already is none to open a page with. */
const isKept = (url: URL): boolean => !url.searchParams.has('have') && KEEP.some((route) => route.test(url.pathname));

/** On a line that hangs, what the farm last said is of more use than an answer in a minute. */
const PATIENCE_MS = 6000;
/** A dead connection would hold one of the browser's six for minutes. */
const DEAD_MS = 20_000;

/** The farm's answer, or what it last said, marked with when that was. An answer that comes later is kept for the next question. */
class FreshOrKept extends Strategy {
  protected async _handle(request: Request, handler: StrategyHandler): Promise<Response> {
    const opened = caches.open(this.cacheName);
    const keep = async (answer: Response): Promise<void> => {
      const headers = new Headers(answer.headers);
      headers.set('x-fanega-kept', String(Date.now()));
      const mark = request.headers.get(MARK);
      if (mark !== null) headers.set(MARK, mark);
      // It is kept as it reads, no longer as it was sent.
      for (const sent of ['content-encoding', 'content-length']) headers.delete(sent);
      const cache = await opened;
      await cache.put(request, new Response(await answer.blob(), { status: 200, headers }));
      await clearQuestions(cache, request);
    };
    // Asked before it is looked up what is kept: on a busy phone that takes its time.
    const fresh = fetch(request, { signal: AbortSignal.timeout(DEAD_MS) }).then((answer) => {
      // A full disk, or an answer cut off, spoils what is kept and not what is shown.
      if (answer.ok) void handler.waitUntil(keep(answer.clone()).catch(() => undefined));
      else if (answer.status === 401) void handler.waitUntil(caches.delete(ANSWERS));
      return answer;
    });
    fresh.catch(() => undefined);
    const cache = await opened;
    const kept =
      (await cache.match(request)) ??
      // Its hours are in the question and go on: of weather the last that was told will do, whatever hour it was asked in.
      (new URL(request.url).pathname.endsWith('/weather')
        ? (await cache.matchAll(request, { ignoreSearch: true })).at(-1)
        : undefined);
    if (!kept) return fresh;
    let isLate = false;
    const late = new Promise<Response>((resolve) =>
      setTimeout(() => {
        isLate = true;
        resolve(kept);
      }, PATIENCE_MS),
    );
    void handler.waitUntil(
      fresh.then(
        (answer) => (isLate && answer.ok ? tellPages('late answer') : undefined),
        () => undefined,
      ),
    );
    // A server without its database knows less than this device.
    const told = fresh.then((answer) => (answer.status === 503 ? kept : answer));
    return Promise.race([told, late]).catch(() => kept);
  }
}

/** Of one address no more questions than these are kept: weather is asked for by the hour. */
const MOST_QUESTIONS = 60;
async function clearQuestions(cache: Cache, { url }: Request): Promise<void> {
  if (new URL(url).search === '') return;
  const same = await cache.keys(url, { ignoreSearch: true });
  await Promise.all(same.slice(0, -MOST_QUESTIONS).map((old) => cache.delete(old)));
}

async function tellPages(what: string): Promise<void> {
  for (const page of await self.clients.matchAll()) page.postMessage(what);
}

const answers = new FreshOrKept({ cacheName: ANSWERS });
registerRoute(
  new Route(
    ({ url, sameOrigin }) => sameOrigin && isKept(url),
    (options) => answers.handle(options),
  ),
);

/** A file of this build, or one of the build before that an open page still asks for. */
registerRoute(new PrecacheRoute(files));
registerRoute(
  new Route(
    ({ url, sameOrigin }) => sameOrigin && url.pathname.startsWith('/assets/'),
    async ({ request }) => (await caches.match(request, { cacheName: FILES })) ?? fetch(request),
  ),
);

registerRoute(new NavigationRoute(files.createHandlerBoundToURL('/index.html'), { denylist: [/^\/api\//] }));
