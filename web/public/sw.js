// Keeps the pages themselves, so that they open without the kitchen's server and can say what needs it. Nothing of the API is ever kept.
const SHELF = 'usual-pantry-pages';
const PAGE = '/';

self.addEventListener('install', (event) => {
  event.waitUntil(
    caches
      .open(SHELF)
      .then((shelf) => shelf.add(PAGE))
      .then(() => self.skipWaiting()),
  );
});

self.addEventListener('activate', (event) => {
  event.waitUntil(self.clients.claim());
});

/** The newest page that the server has; without the server the last one that it sent. */
async function page(request) {
  const shelf = await caches.open(SHELF);
  try {
    const answer = await fetch(request);
    if (answer.ok) await shelf.put(PAGE, answer.clone());
    return answer;
  } catch (error) {
    const kept = await shelf.match(PAGE);
    if (kept) return kept;
    throw error;
  }
}

/** A file whose name changes with what is in it: once kept, it is never asked for again. */
async function asset(request) {
  const shelf = await caches.open(SHELF);
  const kept = await shelf.match(request);
  if (kept) return kept;
  const answer = await fetch(request);
  if (answer.ok) await shelf.put(request, answer.clone());
  return answer;
}

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const { origin, pathname } = new URL(request.url);
  if (request.method !== 'GET' || origin !== self.location.origin || pathname.startsWith('/api')) return;
  if (request.mode === 'navigate') event.respondWith(page(request));
  else if (pathname.startsWith('/assets/')) event.respondWith(asset(request));
});
