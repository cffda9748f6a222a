// @ts-check

/** How long a refused sender may go on sending; who is cut off at once does not read why. */
const LINGER_MILLISECONDS = 2_000;

/**
 * Answers a refused request: a page for whoever navigates, data for our own pages. What is still being sent is thrown away.
 *
 * @param {import("node:http").IncomingMessage} request
 * @param {import("node:http").ServerResponse} response
 * @param {import("./refusals.mjs").HttpRefusal} refusal
 */
export function refuse(request, response, { status, message }) {
  const asPage = String(request.headers.accept ?? "").includes("text/html");
  const type = asPage ? "text/html" : "application/json";
  response.writeHead(status, { "content-type": `${type}; charset=utf-8` });
  response.end(asPage ? pageOf(message) : JSON.stringify({ code: "invalid", message }));
  request.resume();
  const cut = setTimeout(() => request.socket.destroy(), LINGER_MILLISECONDS);
  request.once("end", () => clearTimeout(cut));
}

/** @param {string} message One of our own sentences. */
const pageOf = (message) => `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>Oxbow</title>
<meta name="viewport" content="width=device-width"></head>
<body style="max-width:36rem;margin:4rem auto;padding:0 1.5rem;font:17px/1.5 Georgia,serif;background:#fbf8f2;color:#1f2a2e">
<h1 style="font-size:1.6rem;font-weight:500">This can't be shown</h1><p>${message}</p>
<p><a href="/" style="color:inherit;font-weight:600">Back to the start</a></p></body></html>`;
