// Keeps the run sheet, the afternoon, the Bench and what they are made of at hand, so that a reload without a connection shows the sheet as it was last
// seen. Pages come from the server whenever it answers; only if it does not, from here.
const KEPT = 'even-sheen-1';
const page = (url) => url.pathname === '/' || /^\/(studies\/\d+\/run|compare(\/\d+(\/sheet)?)?)$/.test(url.pathname);
const asset = (url) => url.pathname.startsWith('/assets/');

self.addEventListener('install', () => self.skipWaiting());
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));
self.addEventListener('message', (event) => {
  const keep = async () => {
    const cache = await caches.open(KEPT);
    await Promise.all(event.data.keep.map(async (address) => {
      const answer = await fetch(address).catch(() => null);
      if (answer?.ok) await cache.put(address, answer);
    }));
  };
  event.waitUntil(keep());
});
self.addEventListener('fetch', (event) => {
  const url = new URL(event.request.url);
  if (event.request.method !== 'GET' || url.origin !== self.location.origin) return;
  if (asset(url)) {
    event.respondWith((async () => {
      const cache = await caches.open(KEPT);
      const known = await cache.match(event.request);
      if (known) return known;
      const answer = await fetch(event.request);
      if (answer.ok) await cache.put(event.request, answer.clone());
      return answer;
    })());
  } else if (page(url) && event.request.mode === 'navigate') {
    event.respondWith((async () => {
      const cache = await caches.open(KEPT);
      try {
        const answer = await fetch(event.request);
        if (answer.ok) await cache.put(event.request.url, answer.clone());
        if (answer.status < 500) return answer;
        return (await cache.match(event.request.url)) ?? answer;
      } catch (lost) {
        const known = (await cache.match(event.request.url)) ?? (await cache.match(event.request.url, { ignoreSearch: true }));
        if (known) return known;
        throw lost;
      }
    })());
  }
});
