// @ts-check

/** Messages of our own pages are small; whoever sends more does not mean us. */
const MOST_BYTES = 8_000;

/**
 * @typedef {(message: { cookie: string, body: Promise<string | null> }) => Promise<{ status: number, text: string }>} Direct
 * What the application answers without the framework; see `runtime/direct.ts`, which puts it there.
 */

const READY_MILLISECONDS = 15_000;

/** Until the application has said what it answers itself: the framework starts it, and does not say when it is done. */
export async function applicationReady() {
  const until = performance.now() + READY_MILLISECONDS;
  while (!("oxbowDirect" in globalThis) && performance.now() < until)
    await new Promise((resolve) => setTimeout(resolve, 10));
}

/**
 * The application's own answer to a request, where it has one.
 *
 * @param {import("node:http").IncomingMessage} request
 * @returns {Direct | null}
 */
export function directFor(request) {
  /** @type {Map<string, Direct> | undefined} */
  const known = /** @type {{ oxbowDirect?: Map<string, Direct> }} */ (globalThis).oxbowDirect;
  return (request.method === "POST" && known?.get(request.url ?? "")) || null;
}

/**
 * Answers a request by what the application says to it. Who asks is looked at first; what is sent is read no further than the cap.
 *
 * @param {import("node:http").IncomingMessage} request
 * @param {import("node:http").ServerResponse} response
 * @param {Direct} direct
 */
export function answerDirectly(request, response, direct) {
  direct({ cookie: request.headers.cookie ?? "", body: smallBody(request) }).then(({ status, text }) => {
    response.writeHead(status, { "content-type": "application/json", "content-length": Buffer.byteLength(text) });
    response.end(text);
  });
}

/**
 * The body as text, or null as soon as it is too large. The rest is thrown away as it comes: left lying, it would hold up the
 * next request of the connection.
 *
 * @param {import("node:http").IncomingMessage} request
 * @returns {Promise<string | null>}
 */
function smallBody(request) {
  return new Promise((resolve) => {
    /** @type {Buffer[]} */
    const parts = [];
    let bytes = 0;
    request.on("data", (/** @type {Buffer} */ part) => {
      bytes += part.length;
      if (bytes <= MOST_BYTES) parts.push(part);
      else resolve(null);
    });
    request.on("end", () => resolve(Buffer.concat(parts).toString("utf8")));
    // Nobody is there any more to be answered.
    request.on("error", () => resolve(null));
  });
}
