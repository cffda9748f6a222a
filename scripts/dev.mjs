import { spawn } from "node:child_process";
import { join } from "node:path";
import { ensureInstalled, freePort, root, runScript } from "./steps.mjs";

/** The application in development: seeds the demo school if the database is empty, then reloads on every change. */
ensureInstalled();
runScript("scripts/seed.ts");
const port = await freePort();
const serve = join(root, "src", "server", "http", "serve.mjs");
const child = spawn(process.execPath, [serve, "--dev", "-p", String(port)], { cwd: root, stdio: "inherit" });
child.on("exit", (code) => process.exit(code ?? 0));
