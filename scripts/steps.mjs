import { spawn, spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from "node:fs";
import { createServer } from "node:net";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";

/** Steps that the commands share. Plain Node: they run before anything is installed. */
export const root = join(dirname(fileURLToPath(import.meta.url)), "..");
const bin = (name) => join(root, "node_modules", ".bin", name);

/** Runs a command to its end with its output shown; throws when it fails. */
export function run(command, args, options = {}) {
  const result = spawnSync(command, args, { cwd: root, stdio: "inherit", ...options });
  if (result.status !== 0)
    throw new Error(`${[command, ...args].join(" ")} failed (${result.status ?? result.signal})`);
}

export function ensureInstalled() {
  const lock = createHash("sha256")
    .update(readFileSync(join(root, "package-lock.json")))
    .digest("hex");
  const stamp = join(root, "node_modules", ".oxbow-lock");
  if (existsSync(stamp) && readFileSync(stamp, "utf8") === lock) return;
  console.log("Installing packages…");
  // Not "npm ci": it refuses a lock file without the optional packages of other platforms, which a registry may not serve.
  // Without --no-save, npm writes the lock file anew with whatever the registry serves today.
  run("npm", ["install", "--no-save", "--no-audit", "--no-fund", "--loglevel=error"]);
  writeFileSync(stamp, lock);
}

const SOURCES = [
  "src",
  "content",
  "scripts/bundleWorkers.mjs",
  "next.config.mjs",
  "package-lock.json",
  "postcss.config.mjs",
  "tsconfig.json",
];

/** Builds the application unless the last build was made of the same sources. */
export function ensureBuilt() {
  const hash = createHash("sha256");
  const add = (path) => {
    const full = join(root, path);
    if (statSync(full).isDirectory()) for (const name of readdirSync(full).sort()) add(join(path, name));
    else hash.update(path).update(readFileSync(full));
  };
  for (const source of SOURCES) add(source);
  const digest = hash.digest("hex");
  const stamp = join(root, ".next", "oxbow-build");
  if (existsSync(stamp) && readFileSync(stamp, "utf8") === digest) return;
  console.log("Building (about a minute)…");
  run(bin("next"), ["build"], {
    stdio: ["ignore", "ignore", "inherit"],
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: "1" },
  });
  run(process.execPath, ["scripts/bundleWorkers.mjs"]);
  writeFileSync(stamp, digest);
}

/** Runs one of the TypeScript scripts with server modules allowed. */
export function runScript(path, args = [], env = {}) {
  run(process.execPath, ["--conditions=react-server", "--import", "tsx", path, ...args], {
    env: { ...process.env, ...env },
  });
}

/** Ports from 3000 up that no browser, nor Node's own fetch, speaks to (WHATWG Fetch, "port blocking"). */
const BLOCKED_PORTS = new Set([
  3659, 4045, 4190, 5060, 5061, 6000, 6566, 6665, 6666, 6667, 6668, 6669, 6679, 6697, 10080,
]);

/** The first free port from 3000 up that a browser can reach. */
export async function freePort(from = 3000) {
  for (let port = from; ; port++) {
    if (BLOCKED_PORTS.has(port)) continue;
    const free = await new Promise((resolve) => {
      const probe = createServer();
      probe.once("error", () => resolve(false));
      probe.listen(port, () => probe.close(() => resolve(true)));
    });
    if (free) return port;
  }
}

/** The first start after a build reads everything from the disk; on a busy machine that takes long. */
const START_MILLISECONDS = 120_000;

/** Starts the built application and waits until it answers; the child process is returned. */
export async function startApp(port, env = {}, stdio = "inherit") {
  const serve = join(root, "src", "server", "http", "serve.mjs");
  const child = spawn(process.execPath, [serve, "-p", String(port)], {
    cwd: root,
    stdio: ["ignore", stdio === "inherit" ? "ignore" : stdio, stdio],
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: "1", NODE_ENV: "production", ...env },
  });
  const until = Date.now() + START_MILLISECONDS;
  let last = "no answer";
  while (Date.now() < until) {
    if (child.exitCode !== null) throw new Error(`The application ended at its start (${child.exitCode}).`);
    // Without a limit of its own, one request that hangs would be the only one.
    const answer = await fetch(`http://127.0.0.1:${port}/sign-in`, { signal: AbortSignal.timeout(10_000) }).then(
      (response) => (response.ok ? "up" : `status ${response.status}`),
      (problem) => problem?.cause?.code ?? problem?.name ?? "no answer",
    );
    if (answer === "up") return child;
    last = answer;
    await new Promise((resolve) => setTimeout(resolve, 150));
  }
  child.kill("SIGKILL");
  throw new Error(`The application did not come up on port ${port} within two minutes (last: ${last}).`);
}
