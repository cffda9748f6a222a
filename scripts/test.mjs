import { spawn, spawnSync } from "node:child_process";
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
/** What hangs on dates: use-cases on a database, the calendar, and a student's walks. */
const USE_CASES = ["unit", ["tests/server", "tests/client", "tests/core/calendar"]];
const WALKS = ["browser", ["tests/browser/faults.test.ts"]];
/** Ten days and eleven months ahead, on either side of the date line: half of the use-cases on each, the walks on the far one. */
const LATER = [
  { daysLater: 10, zone: "Pacific/Auckland", dateBound: [[...USE_CASES, "1/2"]] },
  { daysLater: 335, zone: "America/Los_Angeles", dateBound: [[...USE_CASES, "2/2"], WALKS] },
];
let passed = 0;
let failed = 0;
/** What failed, said once more at the end: in a log of this length nobody finds it otherwise. */
const failures = [];

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
suite("unit");
suite("browser");
for (const { daysLater, zone, dateBound } of LATER)
  for (const [project, paths, shard = "1/1"] of dateBound)
    suite(project, paths, { shard, name: `${project} tests ${daysLater} days later in ${zone}`, daysLater, zone });
rmSync(folder, { recursive: true, force: true });
if (failures.length > 0) console.log(`\n== failed\n${failures.join("\n")}`);
console.log(`\n${passed} passed, ${failed} failed`);
process.exitCode = failed === 0 ? 0 : 1;

/** Runs a command to its end and keeps what it prints. */
function outcome(command, args) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd: root, stdio: ["ignore", "pipe", "pipe"] });
    let text = "";
    for (const stream of [child.stdout, child.stderr]) stream.on("data", (part) => (text += part));
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
 * tests and of the applications that they start.
 */
function suite(project, paths = [], later = null) {
  const name = later?.name ?? `${project} tests`;
  console.log(`\n== ${name}`);
  const report = join(folder, `${name.replace(/\W+/g, "-")}.json`);
  const reporters = ["--reporter=default", "--reporter=json", `--outputFile.json=${report}`];
  const args = ["run", "--project", project, `--shard=${later?.shard ?? "1/1"}`, ...reporters, ...paths];
  const env = later ? laterEnvironment(later) : process.env;
  const { status } = spawnSync(bin("vitest"), args, { cwd: root, stdio: "inherit", env });
  if (!existsSync(report)) return fail(`${name}: no report`);
  const { numPassedTests, numFailedTests, numTotalTests, success, testResults } = JSON.parse(
    readFileSync(report, "utf8"),
  );
  passed += numPassedTests;
  for (const { name: file, message, assertionResults } of testResults) {
    for (const { status: ended, fullName, failureMessages } of assertionResults)
      if (ended === "failed")
        failures.push(`${name}, ${relative(root, file)}: ${fullName}\n${excerpt(failureMessages[0])}`);
    if (assertionResults.length === 0) failures.push(`${name}, ${relative(root, file)}\n${excerpt(message)}`);
  }
  failed += numFailedTests;
  // A suite that breaks before its tests, or holds none, must not count as passed.
  if (numFailedTests === 0 && (status !== 0 || !success || numTotalTests === 0)) fail(`${name}: broke off`);
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
