import { existsSync, readFileSync, rmSync } from "node:fs";
import { join } from "node:path";
import { ensureBuilt, ensureInstalled, freePort, root, runScript, startApp } from "./steps.mjs";

/** From a fresh clone to a running demo school: installs, builds, seeds, starts, says who to sign in as. */
ensureInstalled();
ensureBuilt();
const data = join(root, "data");
if (process.argv.includes("--fresh")) rmSync(data, { recursive: true, force: true });
const port = await freePort();
const address = { OXBOW_PUBLIC_ADDRESS: `http://localhost:${port}` };
runScript("scripts/seed.ts", [], address);
const [smtpPort, pagePort] = [await freePort(2525), await freePort(8025)];
// Only now: the stand-in's packages are there once everything is installed.
const { startMailBox } = await import("../standins/mailBox.mjs");
await startMailBox({ smtpPort, pagePort });
const app = await startApp(port, { ...address, OXBOW_MAIL_URL: `smtp://localhost:${smtpPort}` });
const slipsFile = join(data, "demo-slips.json");
const slips = existsSync(slipsFile) ? JSON.parse(readFileSync(slipsFile, "utf8")) : [];
const pick = (name) => slips.find((slip) => slip.name.startsWith(name));
const students = ["Amadi", "Ilse", "Caoimhe", "Emeka"].map(pick).filter(Boolean);
console.log(`
Oxbow is running at  http://localhost:${port}

  Teacher    noor@kestrelweir.example   (Noor Halvorsen, 6 Alder and 6 Rowan, and language in 6 Alder)
  Co-teacher teo@kestrelweir.example    (Teo Brandvold, 6 Alder, and its language class)
  Specialist ife@kestrelweir.example    (Ife Castellane, a workshop across grades 5 and 6)
  Coordinator marguerite@kestrelweir.example   (Marguerite Osei-Lund; a second one: bastien@kestrelweir.example)
             password of all: the river comes round
${students.map(({ name, className, code, pin }) => `  Student    ${name}: class code ${code.slice(0, 5)}-${code.slice(5)}, PIN ${pin}   (${className})`).join("\n")}

Mails that the application sends: http://localhost:${pagePort}
All PINs and card codes are in data/demo-slips.json. Start over with: npm run demo -- --fresh
Stop with Ctrl+C.`);
for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, () => app.kill(signal));
app.on("exit", (code) => process.exit(code ?? 0));
