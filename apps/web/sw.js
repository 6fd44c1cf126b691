/* The program without a signal: its own files from the cache, and the last answers of the farm. What is recorded waits in IndexedDB
   and is none of this worker's: an update of it can lose nothing. The list of files is written in by the build. */
const VERSION = '__VERSION__';
const FILES = __FILES__;
const SHELL = `fanega-shell-${VERSION}`;
const ANSWERS = 'fanega-answers';
/** Answers that a page can be opened with; never a feed, a picture or the whole book. */
const KEEP =
  /^\/api\/(auth\/me|farms\/[^/]+\/(now|lots|notebook|shed|readings|weather|monitors|deliveries|entries|devices)([/?].*)?|farms\/[^/]+\/lots\/[^/]+\/(trace|moistures))$/;

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

/** The farm's answer, or what it last said, marked with when that was. */
async function freshOrKept(request, event) {
  const cache = await caches.open(ANSWERS);
  try {
    const answer = await fetch(request);
    if (answer.ok) {
      const body = await answer.clone().blob();
      const headers = new Headers(answer.headers);
      headers.set('x-fanega-kept', String(Date.now()));
      event.waitUntil(cache.put(request, new Response(body, { status: 200, headers })));
    } else if (answer.status === 401) event.waitUntil(caches.delete(ANSWERS));
    return answer;
  } catch (error) {
    const kept = await cache.match(request);
    if (kept) return kept;
    throw error;
  }
}
