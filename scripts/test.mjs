import { spawnSync } from "node:child_process";
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

check("types", bin("next"), ["typegen"]);
check("types of everything", bin("tsc"), ["--noEmit"]);
check("types of the core, without DOM or Node", bin("tsc"), ["--noEmit", "-p", "tsconfig.core.json"]);
check("lint and format", bin("biome"), ["check", "--error-on-warnings", "."]);
check("unused code", bin("knip"), []);
check("import rules", bin("depcruise"), [
  "src",
  "demo",
  "scripts",
  "tests",
  "content",
  "--config",
  ".dependency-cruiser.cjs",
]);
suite("unit");
check("build", process.execPath, [
  "--input-type=module",
  "-e",
  `import("${join(root, "scripts", "steps.mjs")}").then((steps) => steps.ensureBuilt())`,
]);
suite("browser");
rmSync(folder, { recursive: true, force: true });
console.log(`\n${passed} passed, ${failed} failed`);
process.exitCode = failed === 0 ? 0 : 1;

/** One command that counts as one check. */
function check(name, command, args) {
  console.log(`\n== ${name}`);
  const { status } = spawnSync(command, args, { cwd: root, stdio: "inherit" });
  if (status === 0) passed++;
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
