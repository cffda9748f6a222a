import { spawn } from "node:child_process";
import { join } from "node:path";
import { ensureInstalled, freePort, root, runScript } from "./steps.mjs";

/** The application in development: seeds the demo school if the database is empty, then reloads on every change. */
ensureInstalled();
runScript("scripts/seed.ts");
const port = await freePort();
const next = join(root, "node_modules", "next", "dist", "bin", "next");
const child = spawn(process.execPath, [next, "dev", "-p", String(port)], { cwd: root, stdio: "inherit" });
child.on("exit", (code) => process.exit(code ?? 0));
