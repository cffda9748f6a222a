import { spawn } from "node:child_process";
import { existsSync, mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join, relative } from "node:path";
import { pathToFileURL } from "node:url";
import { ensureInstalled, root, run } from "./steps.mjs";

/**
 * All checks: types, lint, unused code, import rules, unit tests, browser tests, and what hangs on dates once more as if it
 * were other days in other time zones. Installs what is missing.
 */
const lockFile = join(root, "package-lock.json");
const lockBefore = readFileSync(lockFile, "utf8");
ensureInstalled();
ensureChromium();
const bin = (name) => join(root, "node_modules", ".bin", name);
const folder = mkdtempSync(join(tmpdir(), "oxbow-test-"));
/** What hangs on dates: use-cases on a database and the calendar, half of them on each later day. */
const USE_CASES = ["tests/server", "tests/client", "tests/core/calendar"];
/** A student's walks. */
const WALKS = ["tests/browser/faults.test.ts"];
/** Ten days and eleven months ahead, on either side of the date line. */
const LATER = [
  { daysLater: 10, zone: "Pacific/Auckland", shard: "1/2" },
  { daysLater: 335, zone: "America/Los_Angeles", shard: "2/2" },
];
let passed = 0;
let failed = 0;
/** What failed, said once more at the end: in a log of this length nobody finds it otherwise. */
const failures = [];
/** What failed at first and was run once more. */
const onceMore = [];
/** So many files of browser tests are run once more at most: where more fail, it is not the machine. */
const MOST_ONCE_MORE = 2;

check("types of pages and routes", await outcome(bin("next"), ["typegen"]));
// Checks that need one core each run beside the build; what they say is kept together.
const building = outcome(process.execPath, [
  "--input-type=module",
  "-e",
  `import("${join(root, "scripts", "steps.mjs")}").then((steps) => steps.ensureBuilt())`,
]);
check("types of everything", await outcome(bin("tsc"), ["--noEmit"]));
check("types of the core, without DOM or Node", await outcome(bin("tsc"), ["--noEmit", "-p", "tsconfig.core.json"]));
check("lint and format", await outcome(bin("biome"), ["check", "--error-on-warnings", "."]));
check("unused code", await outcome(bin("knip"), []));
check(
  "import rules",
  await outcome(bin("depcruise"), [
    ..."src demo scripts tests content".split(" "),
    "--config",
    ".dependency-cruiser.cjs",
  ]),
);
check("build", await building);
// What was built just now is what the sources say.
process.env.OXBOW_BUILT_THREADS = "yes";
const lockText = readFileSync(lockFile, "utf8") === lockBefore ? "unchanged" : "The install changed package-lock.json.";
check("lock file", { passed: lockText === "unchanged", text: lockText });
await suite("unit");
await suite("browser");
// One file of walks needs one core, and waits much: it goes on beside the others.
const walking = suite("browser", WALKS, { ...LATER.at(-1), shard: "1/1", isBeside: true });
for (const later of LATER) await suite("unit", USE_CASES, later);
await walking;
rmSync(folder, { recursive: true, force: true });
if (onceMore.length > 0) console.log(`\n== failed at first, and run once more\n${onceMore.join("\n")}`);
if (failures.length > 0) console.log(`\n== failed\n${failures.join("\n")}`);
console.log(`\n${passed} passed, ${failed} failed`);
process.exitCode = failed === 0 ? 0 : 1;

/** Runs a command to its end and keeps what it prints, or lets it print as it goes. */
function outcome(command, args, { env = process.env, isShown = false } = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd: root, env, stdio: isShown ? "inherit" : ["ignore", "pipe", "pipe"] });
    let text = "";
    for (const stream of [child.stdout, child.stderr]) stream?.on("data", (part) => (text += part));
    child.once("error", (problem) => resolve({ passed: false, text: String(problem) }));
    child.once("close", (status) => resolve({ passed: status === 0, text }));
  });
}

/** One command that counts as one check. */
function check(name, { passed: good, text }) {
  console.log(`\n== ${name}\n${text.trim()}`);
  if (good) passed++;
  else fail(name);
}

function fail(what) {
  failed++;
  failures.push(what);
}

/**
 * A Vitest project, or some paths of it; its tests are counted one by one from its own report. `later` moves the clock of the
 * tests and of the applications that they start; what runs beside another one is printed when it has ended. Browser tests that
 * failed in a file or two are run once more (docs/decisions/0056), and said to have needed it: what fails twice has failed.
 */
async function suite(project, paths = [], later = null) {
  const name = later ? `${project} tests ${later.daysLater} days later in ${later.zone}` : `${project} tests`;
  const files = await filesOf(name, project, paths, later);
  const broken = [...files].filter(([, { failures: all }]) => all.length > 0).map(([file]) => file);
  if (project === "browser" && broken.length > 0 && broken.length <= MOST_ONCE_MORE) {
    const again = await filesOf(`${name}, once more`, project, broken, later && { ...later, shard: "1/1" });
    for (const file of broken) {
      onceMore.push(...(files.get(file)?.failures ?? []));
      files.set(file, again.get(file) ?? { passed: 0, failures: [`${name}, ${file}: no report`] });
    }
  }
  for (const { passed: good, failures: bad } of files.values()) {
    passed += good;
    bad.forEach(fail);
  }
}

/** Runs tests; gives of each file how many passed, and what failed. A file that breaks before its tests, or holds none, has failed. */
async function filesOf(name, project, paths, later) {
  const isShown = !later?.isBeside;
  if (isShown) console.log(`\n== ${name}`);
  const report = join(folder, `${name.replace(/\W+/g, "-")}.json`);
  const reporters = ["--reporter=default", "--reporter=json", `--outputFile.json=${report}`];
  const args = ["run", "--project", project, `--shard=${later?.shard ?? "1/1"}`, ...reporters, ...paths];
  const env = later ? laterEnvironment(later) : process.env;
  const { passed: wellEnded, text } = await outcome(bin("vitest"), args, { env, isShown });
  if (!isShown) console.log(`\n== ${name}\n${text}`);
  const files = new Map();
  if (!existsSync(report)) return files.set(name, { passed: 0, failures: [`${name}: no report`] });
  for (const { name: path, message, assertionResults: tests } of JSON.parse(readFileSync(report, "utf8")).testResults) {
    const file = relative(root, path);
    // What a broken hook kept from running is told as skipped; no browser test is skipped on purpose.
    const told = tests
      .filter(({ status }) => status === "failed" || (project === "browser" && status !== "passed"))
      .map(
        ({ fullName, failureMessages }) => `${name}, ${file}: ${fullName}\n${excerpt(failureMessages?.[0] ?? message)}`,
      );
    if (tests.length === 0) told.push(`${name}, ${file}\n${excerpt(message)}`);
    files.set(file, { passed: tests.filter(({ status }) => status === "passed").length, failures: told });
  }
  const allWell = files.size > 0 && [...files.values()].every(({ failures: all }) => all.length === 0);
  if (!wellEnded && allWell) files.set(name, { passed: 0, failures: [`${name}: broke off`] });
  if (files.size === 0) files.set(name, { passed: 0, failures: [`${name}: no tests`] });
  return files;
}

/** The start of a failure's message, indented. */
function excerpt(message = "") {
  return message
    .split("\n")
    .slice(0, 8)
    .map((line) => `  ${line.slice(0, 300)}`)
    .join("\n");
}

function laterEnvironment({ daysLater, zone }) {
  const clock = pathToFileURL(join(root, "tests", "support", "laterClock.mjs"));
  const options = `${process.env.NODE_OPTIONS ?? ""} --import=${clock}`.trim();
  return { ...process.env, NODE_OPTIONS: options, OXBOW_TEST_DAYS_LATER: String(daysLater), TZ: zone };
}

function ensureChromium() {
  if (existsSync(process.env.CHROMIUM ?? "/usr/bin/chromium")) return;
  console.log("Installing Chromium for the browser tests…");
  const [command = "", ...before] = process.getuid?.() === 0 ? ["apt-get"] : ["sudo", "apt-get"];
  for (const args of [["update"], ["install", "-y", "chromium"]]) {
    run(command, [...before, ...args], { stdio: ["ignore", "ignore", "inherit"] });
  }
}
