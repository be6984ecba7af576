// Keeps the boat's app on the phone, so that it opens without a signal and at once with a weak one. What is kept is shown first and asked for
// again behind it, all of it together, so that its parts always fit each other. Parts are public and fetched without the session's cookie;
// what the app knows of an event it keeps itself.
const APP = 'lochan-app';
const OLDER = ['lochan-parts', 'lochan-pages'];
const PATIENCE_MILLIS = 20_000;
const AGAIN_MILLIS = 60_000;
const PARTS = [
  '/assets/lochan.css',
  '/assets/cairn.svg',
  '/assets/lochan.webmanifest',
  '/assets/idb.js',
  '/assets/lit-html.js',
  '/assets/map-vendor.js',
  '/js/instruments.js',
  '/js/leaving.js',
  '/js/minded.js',
  '/js/sign-out.js',
  '/js/boat/advice.js',
  '/js/boat/adviser.js',
  '/js/boat/app.js',
  '/js/boat/bag.js',
  '/js/boat/bell.js',
  '/js/boat/compass.js',
  '/js/boat/day-app.js',
  '/js/boat/scale.js',
  '/js/map/depths.js',
  '/js/map/ink.js',
  '/js/map/lake-map.js',
  '/js/map/page.js',
  '/js/map/signs.js',
  '/js/boat/map-screen.js',
  '/js/boat/outbox.js',
  '/js/boat/parts.js',
  '/js/boat/practice-screen.js',
  '/js/boat/screens.js',
  '/js/boat/store.js',
  '/js/boat/track.js',
  ...['latin', 'latin-ext'].flatMap((script) =>
    [400, 600, 700].map((weight) => `/assets/fonts/source-sans-3-${script}-${weight}-normal.woff2`),
  ),
];
const BOAT = /^\/boat\/\d+$/;
/** Pages of the app that were opened as they are kept, by their ids. */
const opened = new Set();
let askedAt = -Infinity;

self.addEventListener('install', (event) => {
  self.skipWaiting();
  event.waitUntil(refresh());
});

self.addEventListener('activate', (event) =>
  event.waitUntil(Promise.all([self.clients.claim(), ...OLDER.map((name) => caches.delete(name))])),
);

/** An app that was on its way while this became active is not served by it yet: it says where it is. */
self.addEventListener('message', (event) => {
  const { pathname } = new URL(event.source.url);
  event.waitUntil(self.clients.claim());
  if (BOAT.test(pathname)) event.waitUntil(kept(pathname).then((app) => app ?? refresh(pathname)));
});

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const { origin, pathname } = new URL(request.url);
  if (request.method !== 'GET' || origin !== self.location.origin) return;
  if (request.mode === 'navigate') event.respondWith(page(event, pathname));
  else if (PARTS.includes(pathname)) event.respondWith(part(event, pathname));
});

async function kept(path) {
  return (await caches.open(APP)).match(path);
}

function ask(path, credentials) {
  return fetch(new Request(path, { credentials, cache: 'no-cache', signal: AbortSignal.timeout(PATIENCE_MILLIS) }));
}

/** Fetches the app again, its page too where one is named, and keeps all of it or nothing. */
async function refresh(path) {
  askedAt = Date.now();
  const answers = await Promise.all(PARTS.map((one) => ask(one, 'omit')));
  const own = path ? await ask(path, 'same-origin') : null;
  // A signed-out angler, or another one, is redirected.
  const pages = own?.ok && !own.redirected ? [[path, own]] : [];
  if (!answers.every((answer) => answer.ok)) return;
  const app = await caches.open(APP);
  await Promise.all(PARTS.map((one, i) => app.put(one, answers[i])));
  // The page last: where it is kept, all of its parts are.
  for (const [one, answer] of pages) await app.put(one, answer);
}

/** The app's page as it is kept; any other from the server, or what works without it. */
async function page(event, path) {
  const known = BOAT.test(path) ? await kept(path) : undefined;
  if (known) opened.add(event.resultingClientId);
  if (known && Date.now() - askedAt > AGAIN_MILLIS) event.waitUntil(refresh(path).catch(() => {}));
  return known ?? fetch(event.request).catch(away);
}

/** The app has the parts that were kept with it; pages of the desk have the server's. */
async function part(event, path) {
  // A worker of the app gets its own parts as the app does.
  if (opened.has(event.clientId) && event.resultingClientId) opened.add(event.resultingClientId);
  const known = opened.has(event.clientId) ? await kept(path) : undefined;
  return known ?? fetch(event.request).catch(async () => (await kept(path)) ?? Response.error());
}

/** Answers for a page that needs the server, with links that work without it. */
async function away() {
  const pages = await (await caches.open(APP)).keys();
  const links = pages
    .map((one) => new URL(one.url).pathname)
    .filter((path) => BOAT.test(path))
    .map((path) => `<li><a class="button" href="${path}">On the water: event ${path.split('/')[2]}</a></li>`)
    .join('');
  const works = links
    ? `<p>Kept on this device, working without a signal:</p><ul class="grid gap-2">${links}</ul>`
    : '<p>Nothing is kept on this device yet: open an event’s boat page once while the server can be reached.</p>';
  return new Response(
    `<!DOCTYPE html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><title>No signal · Lochan</title><link rel="stylesheet" href="/assets/lochan.css"></head>
<body><main class="page"><section class="sheet grid gap-3"><h1>The server cannot be reached</h1><p>This page needs it. Nothing you logged is lost.</p>${works}</section></main></body></html>`,
    { headers: { 'Content-Type': 'text/html; charset=utf-8' } },
  );
}
