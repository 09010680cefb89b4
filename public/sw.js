// Keeps what is under way at hand in this browser, so that it opens, reloads and leads on while the server or its records
// are away. What the server answers always comes first; a copy is shown with the time it was taken, and only where the
// server does not answer. What is done meanwhile waits in the page's own outbox, not here.

const PAGES = 'pages';
const SHELL = 'shell-';
/** Pages of which a copy is kept. */
const KEPT =
  /^\/(?:|batches\/[^/]+\/(?:plan|prep|griddle|outcome|notice)|mornings\/[^/]+(?:\/(?:board|papers))?|griddles\/[^/]+|formulas\/[0-9a-f-]{36}(?:\/plan)?|table)$/;
/** What a page of a batch asks for to be up to date: the last answer stands in, so that a copy of a page is as it was left. */
const EVENTS = /^\/api\/batches\/[^/]+\/events$/;
/** A page that could not read the records says so by this; it is no copy of anything. */
const AWAY = 'data-records-away';
/** What a proxy or the door says while the server is begun again. */
const GONE = new Set([502, 503, 504]);
/** The list of what to keep is asked for no more often than this, ms. */
const LIST_MS = 60_000;

// an earlier version of a formula is a page of its own
const keyOf = (url) => url.pathname + url.search;

/** Keeps a page, with when it was. */
async function keep(url, response, text) {
  const headers = new Headers(response.headers);
  headers.set('x-kept-at', String(Date.now()));
  headers.delete('content-encoding');
  headers.delete('content-length');
  await (await caches.open(PAGES)).put(keyOf(url), new Response(text, { status: 200, headers }));
}

/** The copy of a page, marked as one; undefined: there is none. */
async function copyOf(url) {
  const kept = await (await caches.open(PAGES)).match(keyOf(url));
  if (!kept) return undefined;
  const at = kept.headers.get('x-kept-at') ?? '';
  const text = (await kept.text()).replace('<html ', `<html data-kept-at="${at}" `);
  return new Response(text, { status: 200, headers: kept.headers });
}

const NOBODY = `<!doctype html><html lang="en-GB"><meta charset="utf-8"><meta name="viewport" content="width=device-width"><meta http-equiv="refresh" content="5">
<title>Even Crumb does not answer</title><body style="font:18px/1.5 system-ui,sans-serif;max-width:36rem;margin:4rem auto;padding:0 1rem">
<h1>Even Crumb does not answer</h1><p>This page was not opened on this device before, so there is no copy of it. What you did is kept in this browser and goes in when it is back. This page looks again every few seconds.</p>
<p><a href="/">Today</a></p>`;
const nobody = () => new Response(NOBODY, { status: 503, headers: { 'content-type': 'text/html; charset=utf-8' } });

/** A page that is gone to. */
async function page(event, url) {
  let response;
  try {
    response = await fetch(event.request);
  } catch {
    return (await copyOf(url)) ?? nobody();
  }
  if (GONE.has(response.status)) return (await copyOf(url)) ?? response;
  if (!response.ok || response.redirected || response.type !== 'basic') return response;
  const text = await response.clone().text();
  if (text.includes(AWAY)) return (await copyOf(url)) ?? response;
  event.waitUntil(keep(url, response, text));
  return response;
}

/** What the router asks for to draw a page without loading it: where it fails the router loads the page, and has the copy. */
async function part(request, url) {
  const response = await fetch(request);
  const isAway = GONE.has(response.status) || (response.ok && (await response.clone().text()).includes(AWAY));
  return isAway && (await (await caches.open(PAGES)).match(url.pathname)) ? Response.error() : response;
}

/** What has happened in a batch; where nobody answers, as it was heard last: its heading says when. */
async function events(event, url) {
  const kept = async () => (await caches.open(PAGES)).match(keyOf(url));
  let response;
  try {
    response = await fetch(event.request);
  } catch (e) {
    const had = await kept();
    if (had) return had;
    throw e;
  }
  if (GONE.has(response.status)) return (await kept()) ?? response;
  if (response.ok)
    event.waitUntil(
      response
        .clone()
        .text()
        .then((text) => keep(url, response, text)),
    );
  return response;
}

/** Scripts, styles and fonts: each file has its own name for ever. */
async function shell(request) {
  return (await caches.match(request)) ?? fetch(request);
}

addEventListener('fetch', (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== 'GET' || url.origin !== location.origin) return;
  if (url.pathname.startsWith('/_next/static/')) event.respondWith(shell(request));
  else if (EVENTS.test(url.pathname)) event.respondWith(events(event, url));
  else if (!KEPT.test(url.pathname)) return;
  else if (request.mode === 'navigate') event.respondWith(page(event, url));
  else if (request.headers.has('rsc') && !request.headers.has('next-router-prefetch'))
    event.respondWith(part(request, url));
});

/** Takes a copy of a page anew; what does not answer leaves the copy that is there. */
async function take(path) {
  const url = new URL(path, location.origin);
  if (!KEPT.test(url.pathname)) return;
  const response = await fetch(url, { headers: { accept: 'text/html' } }).catch(() => null);
  if (!response?.ok || response.redirected) return;
  const text = await response.text();
  if (!text.includes(AWAY)) await keep(url, response, text);
}

let listedAt = 0;
/** What is under way, and what its pages are drawn with, by the server's list; what is on no list goes. */
async function takeAll() {
  if (Date.now() - listedAt < LIST_MS) return;
  listedAt = Date.now();
  const response = await fetch('/api/shell').catch(() => null);
  if (!response?.ok) return;
  const { build, files, pages } = await response.json();
  const mine = await caches.open(SHELL + build);
  const there = new Set((await mine.keys()).map((r) => new URL(r.url).pathname));
  for (const f of files.filter((x) => !there.has(x))) {
    const got = await fetch(f).catch(() => null);
    if (got?.ok) await mine.put(f, got);
  }
  for (const p of pages) await take(p);
  const wanted = new Set(pages);
  const kept = await caches.open(PAGES);
  for (const r of await kept.keys()) {
    const at = new URL(r.url);
    // of what nobody lists the day's copies stay: a page that was looked at may be wanted again
    const isOld = Date.now() - Number((await kept.match(r))?.headers.get('x-kept-at')) > 86_400_000;
    if (isOld && !wanted.has(at.pathname)) await kept.delete(r);
  }
  // pages of the version before may be open still
  const shells = (await caches.keys()).filter((k) => k.startsWith(SHELL) && k !== SHELL + build);
  for (const k of shells.slice(0, -1)) await caches.delete(k);
}

addEventListener('message', (event) => {
  const { data } = event;
  if (data?.do === 'take-all') event.waitUntil(takeAll());
  else if (data?.do === 'take' && typeof data.path === 'string') event.waitUntil(take(data.path));
});
addEventListener('install', () => skipWaiting());
addEventListener('activate', (event) => event.waitUntil(clients.claim()));
