// @ts-check

/** Messages of our own pages are small; whoever sends more does not mean us. */
const MOST_BYTES = 8_000;
const TOO_LARGE = JSON.stringify({ code: "too-large", message: "This message is too large, so it was not read." });

/**
 * @typedef {(message: { cookie: string, body: string }) => Promise<{ status: number, text: string }>} Direct
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
 * Reads a small body and answers it. Who asks is looked at by the application, before it looks at what is sent.
 *
 * @param {import("node:http").IncomingMessage} request
 * @param {import("node:http").ServerResponse} response
 * @param {Direct} direct
 */
export function answerDirectly(request, response, direct) {
  /** @type {Buffer[]} */
  const parts = [];
  let bytes = 0;
  // What goes beyond the cap is thrown away as it comes: left lying, it would hold up the next request of the connection.
  request.on("data", (/** @type {Buffer} */ part) => {
    bytes += part.length;
    if (bytes <= MOST_BYTES) parts.push(part);
    else if (!response.writableEnded) reply(response, 413, TOO_LARGE);
  });
  request.on("end", () => {
    if (response.writableEnded) return;
    const message = { cookie: request.headers.cookie ?? "", body: Buffer.concat(parts).toString("utf8") };
    direct(message).then(({ status, text }) => reply(response, status, text));
  });
  request.on("error", () => response.destroy());
}

/**
 * @param {import("node:http").ServerResponse} response
 * @param {number} status
 * @param {string} text
 */
function reply(response, status, text) {
  response.writeHead(status, { "content-type": "application/json", "content-length": Buffer.byteLength(text) });
  response.end(text);
}
