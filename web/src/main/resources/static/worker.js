// Keeps on the device what the boat needs when there is no signal: the Competition pages seen last, and what they are made of. The server is
// always asked first; nothing that is sent passes here. Parts are public and fetched without the session's cookie.
const PARTS = 'lochan-parts';
const PAGES = 'lochan-pages';
const PATIENCE_MILLIS = 3000;
const OF_PARTS = [
  '/assets/lochan.css',
  '/assets/cairn.svg',
  '/assets/lochan.webmanifest',
  '/js/app.js',
  '/js/leaving.js',
  '/js/sign-out.js',
  '/js/work.js',
  '/js/boat.js',
  '/js/fill.js',
  '/js/outbox.js',
  '/js/boat/bag.js',
  ...['latin', 'latin-ext'].flatMap((script) =>
    [400, 600, 700].map((weight) => `/assets/fonts/source-sans-3-${script}-${weight}-normal.woff2`),
  ),
];
const COMPETITION = /^\/events\/\d+\/competition$/;

self.addEventListener('install', (event) => {
  self.skipWaiting();
  event.waitUntil(
    caches
      .open(PARTS)
      .then((cache) => cache.addAll(OF_PARTS.map((path) => new Request(path, { credentials: 'omit' })))),
  );
});

self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));

/**
 * The event's page is kept the evening before, whichever of its pages is looked at. A page that was on its way while this became active is not
 * served by it yet: each page that speaks is.
 */
self.addEventListener('message', (event) => {
  event.waitUntil(self.clients.claim());
  if (typeof event.data?.keep === 'string' && COMPETITION.test(event.data.keep))
    event.waitUntil(kept(new Request(event.data.keep, { credentials: 'same-origin' })).catch(() => {}));
});

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== 'GET' || url.origin !== self.location.origin) return;
  if (request.mode === 'navigate') event.respondWith(page(request, url));
  else if (OF_PARTS.includes(url.pathname)) event.respondWith(part(request));
});

async function kept(request) {
  const answer = await fetch(request);
  const at = new URL(answer.url).pathname;
  if (at === '/sign-in') await caches.delete(PAGES);
  else if (answer.ok && COMPETITION.test(at)) await (await caches.open(PAGES)).put(at, answer.clone());
  return answer;
}

async function part(request) {
  const cache = await caches.open(PARTS);
  try {
    const answer = await fetch(request.url, { credentials: 'omit', signal: AbortSignal.timeout(PATIENCE_MILLIS) });
    if (answer.ok) await cache.put(request, answer.clone());
    return answer;
  } catch {
    return (await cache.match(request)) ?? Response.error();
  }
}

async function page(request, url) {
  const known = COMPETITION.test(url.pathname) ? await (await caches.open(PAGES)).match(url.pathname) : undefined;
  try {
    return await (known ? Promise.race([kept(request), tooLong()]) : kept(request));
  } catch {
    return known ? marked(known) : away();
  }
}

/** Tells the page that it comes from the device; until its script is ready a tap would go to a server that is away. */
async function marked(known) {
  return new Response((await known.text()).replace(' data-boat=', ' data-kept="true" inert data-boat='), {
    headers: known.headers,
  });
}

function tooLong() {
  return new Promise((_, fail) => setTimeout(() => fail(new Error('no answer')), PATIENCE_MILLIS));
}

/** What is said of a page that needs the server, with what works without it. */
async function away() {
  const pages = await (await caches.open(PAGES)).keys();
  const links = pages
    .map((one) => new URL(one.url).pathname)
    .map((path) => `<li><a class="button" href="${path}">Competition of event ${path.split('/')[2]}</a></li>`)
    .join('');
  const works = links
    ? `<p>Kept on this device, working without a signal:</p><ul class="grid gap-2">${links}</ul>`
    : '<p>Nothing is kept on this device yet: open the Competition page once while the server can be reached.</p>';
  return new Response(
    `<!DOCTYPE html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><title>No signal · Lochan</title><link rel="stylesheet" href="/assets/lochan.css"></head>
<body><main class="page"><section class="sheet grid gap-3"><h1>The server cannot be reached</h1><p>This page needs it. Nothing you logged is lost.</p>${works}</section></main></body></html>`,
    { headers: { 'Content-Type': 'text/html; charset=utf-8' } },
  );
}
