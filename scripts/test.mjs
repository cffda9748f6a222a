import { spawn, spawnSync } from "node:child_process";
import { existsSync, mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { ensureInstalled, root, run } from "./steps.mjs";

/** All checks: types, lint, unused code, import rules, unit tests, browser tests. Installs what is missing. */
ensureInstalled();
ensureChromium();
const bin = (name) => join(root, "node_modules", ".bin", name);
const folder = mkdtempSync(join(tmpdir(), "oxbow-test-"));
let passed = 0;
let failed = 0;

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
suite("unit");
suite("browser");
rmSync(folder, { recursive: true, force: true });
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
  else failed++;
}

/** A Vitest project; its tests are counted one by one from its own report. */
function suite(project) {
  console.log(`\n== ${project} tests`);
  const report = join(folder, `${project}.json`);
  const args = ["run", "--project", project, "--reporter=default", "--reporter=json", `--outputFile.json=${report}`];
  const { status } = spawnSync(bin("vitest"), args, { cwd: root, stdio: "inherit" });
  if (!existsSync(report)) {
    failed++;
    return;
  }
  const { numPassedTests, numFailedTests, numTotalTests, success } = JSON.parse(readFileSync(report, "utf8"));
  passed += numPassedTests;
  // A suite that breaks before its tests, or holds none, must not count as passed.
  failed += numFailedTests + (numFailedTests === 0 && (status !== 0 || !success || numTotalTests === 0) ? 1 : 0);
}

function ensureChromium() {
  if (existsSync(process.env.CHROMIUM ?? "/usr/bin/chromium")) return;
  console.log("Installing Chromium for the browser tests…");
  const [command = "", ...before] = process.getuid?.() === 0 ? ["apt-get"] : ["sudo", "apt-get"];
  for (const args of [["update"], ["install", "-y", "chromium"]]) {
    run(command, [...before, ...args], { stdio: ["ignore", "ignore", "inherit"] });
  }
}
