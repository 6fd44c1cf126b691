/* The program without a signal: its own files from the cache, and the last answers of the farm. What is recorded waits in IndexedDB
   and is none of this worker's: an update of it can lose nothing. The list of files is written in by the build. */
const VERSION = '__VERSION__';
const FILES = __FILES__;
const SHELL = `fanega-shell-${VERSION}`;
const ANSWERS = 'fanega-answers';
/** Answers that a page can be opened with; never a feed, a picture or the whole book. */
const KEEP =
  /^\/api\/(auth\/me|farms\/[^/]+\/(now|lots|notebook|shed|haul|readings|weather|monitors|deliveries|entries|devices)([/?].*)?|farms\/[^/]+\/lots\/[^/]+\/(trace|moistures))$/;

self.addEventListener('install', (event) => {
  event.waitUntil(caches.open(SHELL).then((cache) => cache.addAll(FILES)));
});

self.addEventListener('activate', (event) => {
  event.waitUntil(
    caches
      .keys()
      .then((names) => Promise.all(names.filter((name) => name.startsWith('fanega-shell-') && name !== SHELL).map((name) => caches.delete(name))))
      .then(() => self.clients.claim()),
  );
});

// Somebody tapped "Take it": the new files from here on.
self.addEventListener('message', (event) => event.data === 'take over' && self.skipWaiting());

self.addEventListener('fetch', (event) => {
  const { request } = event;
  if (request.method !== 'GET') return;
  const url = new URL(request.url);
  if (url.origin !== self.location.origin) return;
  if (request.mode === 'navigate' && !url.pathname.startsWith('/api/')) event.respondWith(fromShell('/', request));
  else if (FILES.includes(url.pathname)) event.respondWith(fromShell(url.pathname, request));
  else if (KEEP.test(url.pathname + url.search)) event.respondWith(freshOrKept(request, event));
});

async function fromShell(path, request) {
  const kept = await (await caches.open(SHELL)).match(path);
  return kept ?? fetch(request);
}

/** On a line that hangs, what the farm last said is of more use than an answer in a minute. */
const PATIENCE_MS = 6000;
const DEAD_MS = 20_000;

/** The farm's answer, or what it last said, marked with when that was. An answer that comes later is kept for the next question. */
async function freshOrKept(request, event) {
  const cache = await caches.open(ANSWERS);
  const kept = await cache.match(request);
  const keep = async (answer) => {
    const headers = new Headers(answer.headers);
    headers.set('x-fanega-kept', String(Date.now()));
    // It is kept as it reads, no longer as it was sent.
    for (const sent of ['content-encoding', 'content-length']) headers.delete(sent);
    await cache.put(request, new Response(await answer.blob(), { status: 200, headers }));
  };
  // A dead connection would hold one of the browser's six for minutes.
  const fresh = fetch(request, { signal: AbortSignal.timeout(DEAD_MS) }).then((answer) => {
    // A full disk, or an answer cut off, spoils what is kept and not what is shown.
    if (answer.ok) event.waitUntil(keep(answer.clone()).catch(() => undefined));
    else if (answer.status === 401) event.waitUntil(caches.delete(ANSWERS));
    return answer;
  });
  if (!kept) return fresh;
  let isLate = false;
  const late = new Promise((resolve) =>
    setTimeout(() => {
      isLate = true;
      resolve(kept);
    }, PATIENCE_MS),
  );
  event.waitUntil(
    fresh.then(
      (answer) => isLate && answer.ok && tellPages('late answer'),
      () => undefined,
    ),
  );
  return Promise.race([fresh, late]).catch(() => kept);
}

async function tellPages(what) {
  for (const page of await self.clients.matchAll()) page.postMessage(what);
}
