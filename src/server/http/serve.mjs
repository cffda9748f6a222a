// @ts-check
import { randomBytes } from "node:crypto";
import { createServer } from "node:http";
import next from "next";
import { clientAddress } from "./address.mjs";
import { answerDirectly, applicationReady, directFor } from "./direct.mjs";
import { dataHeaders, isShared, safeHeaders } from "./headers.mjs";
import { refusalOf } from "./refusals.mjs";
import { refuse } from "./refuse.mjs";
import { serverSettings } from "./settings.mjs";

/**
 * The process that serves Oxbow: Next.js behind what has to be said before it reads a request (docs/decisions/0019).
 * `-p 3000` names the port, `--dev` reloads on changes.
 */
const dev = process.argv.includes("--dev");
const settings = serverSettings(process.env, process.argv);
// The loader of native packages asks for a process report, which looks up the name of every open connection: with many
// clients waiting after a restart that took half a minute.
if (process.report) Object.assign(process.report, { excludeNetwork: true });

const app = next({ dev, port: settings.port, hostname: "localhost" });
await app.prepare();
// Whoever came earlier would be answered by the framework, which loads all of it once more for that.
if (!dev) await applicationReady();
const handle = app.getRequestHandler();
const ofData = dataHeaders(settings);

const server = createServer(
  { headersTimeout: 15_000, requestTimeout: 120_000, keepAliveTimeout: 65_000 },
  (request, response) => {
    const direct = directFor(request);
    const nonce = direct ? "" : randomBytes(16).toString("base64");
    const headers = direct ? ofData : safeHeaders({ nonce, secure: settings.secure, dev });
    for (const [name, value] of Object.entries(headers)) response.setHeader(name, value);
    if (!isShared(request.url ?? "")) response.setHeader("cache-control", "no-store");
    const refusal = refusalOf(request, settings);
    if (refusal) {
      refuse(request, response, refusal);
      return;
    }
    if (direct) {
      answerDirectly(request, response, direct);
      return;
    }
    const forwarded = request.headers["x-forwarded-for"];
    request.headers["x-oxbow-address"] = clientAddress(
      request.socket.remoteAddress,
      Array.isArray(forwarded) ? forwarded.join(",") : forwarded,
      settings.trustedProxies,
    );
    if (settings.trustedProxies === 0)
      for (const name of ["x-forwarded-for", "x-forwarded-host", "x-forwarded-proto"]) delete request.headers[name];
    // Next.js takes the nonce for its own scripts from here; the layout takes it for ours.
    request.headers["content-security-policy"] = headers["content-security-policy"];
    request.headers["x-oxbow-nonce"] = nonce;
    void handle(request, response);
  },
);
server.listen(settings.port);

/** Lets requests that are under way end, then goes; a second process may be up already. */
function leave() {
  server.close(() => process.exit(0));
  server.closeIdleConnections();
  setTimeout(() => process.exit(0), 5_000).unref();
}
process.once("SIGTERM", leave);
process.once("SIGINT", leave);
