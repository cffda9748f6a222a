import { spawn, spawnSync } from "node:child_process";
import { existsSync } from "node:fs";
import { join } from "node:path";
import { createClient } from "@libsql/client";
import { freePort, root } from "./steps.mjs";

/** A bare application of the framework: a page with one line, and a route that inserts one row. */
export async function startBare(folder: string): Promise<{ readonly base: string; stop(): void }> {
  const url = `file:${join(folder, "bare.db")}`;
  const client = createClient({ url });
  await client.execute("PRAGMA journal_mode = WAL");
  await client.execute("create table if not exists bare (id integer primary key autoincrement, body text not null)");
  client.close();
  const app = join(root, "scripts", "bench-bare");
  const next = join(root, "node_modules", "next", "dist", "bin", "next");
  const env = {
    ...process.env,
    NODE_ENV: "production" as const,
    NEXT_TELEMETRY_DISABLED: "1",
    BENCH_DATABASE_URL: url,
    NODE_OPTIONS: "",
  };
  if (!existsSync(join(app, ".next", "server", "app", "index.html"))) {
    const { status } = spawnSync(process.execPath, [next, "build", app], {
      env,
      stdio: ["ignore", "ignore", "inherit"],
    });
    if (status !== 0) throw new Error("The bare application did not build.");
  }
  const port = await freePort(4700);
  const base = `http://127.0.0.1:${port}`;
  const child = spawn(process.execPath, [next, "start", app, "-p", String(port)], { env, stdio: "ignore" });
  await untilUp(base);
  return { base, stop: () => void child.kill("SIGKILL") };
}

async function untilUp(base: string): Promise<void> {
  for (let tries = 0; tries < 200; tries++) {
    const up = await fetch(base).then(
      (response) => response.ok,
      () => false,
    );
    if (up) return;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error("The bare application did not answer.");
}
