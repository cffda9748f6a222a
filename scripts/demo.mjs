import { existsSync, readFileSync, rmSync } from "node:fs";
import { join } from "node:path";
import { ensureBuilt, ensureInstalled, freePort, root, runScript, startApp } from "./steps.mjs";

/** From a fresh clone to a running demo school: installs, builds, seeds, starts, says who to sign in as. */
ensureInstalled();
ensureBuilt();
const data = join(root, "data");
if (process.argv.includes("--fresh")) rmSync(data, { recursive: true, force: true });
runScript("scripts/seed.ts");
const port = await freePort();
const app = await startApp(port);
const slipsFile = join(data, "demo-slips.json");
const slips = existsSync(slipsFile) ? JSON.parse(readFileSync(slipsFile, "utf8")) : [];
const pick = (name) => slips.find((slip) => slip.name.startsWith(name));
const students = ["Amadi", "Ilse", "Caoimhe", "Emeka"].map(pick).filter(Boolean);
console.log(`
Oxbow is running at  http://localhost:${port}

  Teacher    noor@kestrelweir.example   (Noor Halvorsen, 6 Alder and 6 Rowan)
  Co-teacher teo@kestrelweir.example    (Teo Brandvold, 6 Alder)
             password: the river comes round
${students.map(({ name, className, code, pin }) => `  Student    ${name}: class code ${code}, PIN ${pin}   (${className})`).join("\n")}

All PINs are in data/demo-slips.json. Start over with: npm run demo -- --fresh
Stop with Ctrl+C.`);
for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, () => app.kill(signal));
app.on("exit", (code) => process.exit(code ?? 0));
