// @ts-check
/// <reference lib="webworker" />

/**
 * Keeps a student's pages and the files they are made of on the device, so that a page that was opened once opens without a connection too. Answers
 * are none of its business: the pages keep those themselves. What it holds belongs to one person; when another one signs in, or this one
 * signs out, the pages are thrown away.
 */
const worker = /** @type {ServiceWorkerGlobalScope} */ (/** @type {unknown} */ (self));
const PAGES = "oxbow-pages-1";
const FILES = "oxbow-files-1";
const WHO = "/oxbow-who";
const MOST_PAGES = 30;
/** On a bad connection the kept page is shown after so long. */
const PATIENCE_MILLISECONDS = 6000;

worker.addEventListener("install", () => void worker.skipWaiting());
worker.addEventListener("activate", (event) => event.waitUntil(takeOver()));

async function takeOver() {
  const names = await caches.keys();
  await Promise.all(names.filter((name) => ![PAGES, FILES].includes(name)).map((name) => caches.delete(name)));
  await worker.clients.claim();
}

worker.addEventListener("fetch", (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== "GET" || url.origin !== worker.location.origin) return;
  // Files of a version never change, pictures go by their hash.
  if (url.pathname.startsWith("/_next/static/") || url.pathname.startsWith("/api/pictures/"))
    event.respondWith(keptFirst(request));
  else if (request.mode === "navigate" && url.pathname.startsWith("/river")) event.respondWith(pageOf(request));
});

/** @param {Request} request */
async function keptFirst(request) {
  const cache = await caches.open(FILES);
  const kept = await cache.match(request);
  if (kept) return kept;
  const fresh = await fetch(request);
  if (fresh.ok) await cache.put(request, fresh.clone());
  return fresh;
}

/** @param {Request} request */
async function pageOf(request) {
  const cache = await caches.open(PAGES);
  try {
    const fresh = await fetch(request, { signal: AbortSignal.timeout(PATIENCE_MILLISECONDS) });
    // Sent away to the door: nobody is signed in any more, so nobody's pages stay.
    if (fresh.type === "opaqueredirect") await caches.delete(PAGES);
    if (fresh.ok && !fresh.redirected) await keep(cache, request, fresh.clone());
    if (fresh.status < 500) return fresh;
    return (await cache.match(request)) ?? fresh;
  } catch {
    return (await cache.match(request)) ?? noConnection();
  }
}

/**
 * @param {Cache} cache
 * @param {Request} request
 * @param {Response} response
 */
async function keep(cache, request, response) {
  await cache.put(request, response);
  const pages = await cache.keys();
  const old = pages.filter(({ url }) => !url.endsWith(WHO)).slice(0, Math.max(0, pages.length - MOST_PAGES));
  await Promise.all(old.map((page) => cache.delete(page)));
}

const noConnection = () =>
  new Response(
    "<!doctype html><meta charset=utf-8><meta name=viewport content='width=device-width'><title>No connection</title><body style='font:20px sans-serif;margin:3rem auto;max-width:34rem;padding:0 1.25rem'><h1>No connection</h1><p>This page was not opened on this device before, so it can't be shown now. Nothing is lost. Go back to a page that was open, or try again when there is a connection.</p>",
    { status: 503, headers: { "content-type": "text/html; charset=utf-8" } },
  );

worker.addEventListener("message", (event) => event.waitUntil(belongTo(String(event.data?.person ?? ""))));

/**
 * Throws pages away that are somebody else's; an empty person throws all away.
 * @param {string} person
 */
async function belongTo(person) {
  const cache = await caches.open(PAGES);
  const before = await (await cache.match(WHO))?.text();
  if (person !== "" && before === person) return;
  // The page that says so was kept a moment ago, and is this person's.
  const isFirst = before === undefined;
  if (!isFirst || person === "") await caches.delete(PAGES);
  if (person !== "") await (await caches.open(PAGES)).put(WHO, new Response(person));
}
