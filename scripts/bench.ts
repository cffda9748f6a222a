import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { masteryMap } from "@/features/evidence/reads/evidence";
import { makeClass, testSchool } from "~/tests/support/school";
import { benchAnswers } from "./bench-answers";
import { benchCore } from "./bench-core";
import { fillLog, sixtySkills } from "./bench-data";
import { benchDelivery } from "./bench-delivery";
import { benchFacts } from "./bench-facts";
import { benchFaults } from "./bench-faults";
import { benchFrame } from "./bench-frame";
import { benchHistory } from "./bench-history";
import { benchLibrary } from "./bench-library";
import { benchPage } from "./bench-page";
import { benchPlan } from "./bench-plan";
import { benchReports } from "./bench-reports";
import { benchReview } from "./bench-review";
import { benchRoster } from "./bench-roster";
import { ensureBuilt } from "./steps.mjs";

/** Figures against a baseline measured in the same run: what matters is the ratio, not this machine. */
async function benchMap(): Promise<void> {
  const sizes = [1000, 100_000] as const;
  const schools = [];
  for (const answers of sizes) {
    const school = await testSchool();
    await sixtySkills(school);
    const { classId, studentIds } = await makeClass(school, 30);
    await fillLog(school, studentIds, answers);
    schools.push({ school, classId, teacher: await school.teacher(), times: [] as number[] });
  }
  // Turn about, so that a busy moment of the machine falls on both alike.
  for (let n = 0; n < 46; n++) {
    for (const { teacher, classId, times } of schools) {
      const started = performance.now();
      const { students, skills } = await masteryMap(teacher, [classId]);
      if (n >= 5) times.push(performance.now() - started);
      if (students.length !== 30 || skills.length !== 60) throw new Error("The map is not 30 by 60.");
    }
  }
  const [small = 0, large = 0] = schools.map(({ times }) => times.sort((x, y) => x - y)[20] ?? 0);
  for (const { school } of schools) school.close();
  console.log("\nOpening the mastery map, 30 students by 60 skills, median of 41");
  console.log(`  with 1,000 answers      ${small.toFixed(1)} ms`);
  console.log(`  with 100,000 answers    ${large.toFixed(1)} ms`);
  console.log(`  ratio                   ${(large / small).toFixed(2)}   (aim 1.30 or less)`);
}

const folder = mkdtempSync(join(tmpdir(), "oxbow-bench-"));

/** `npm run bench`, or `npm run bench -- frame`: all parts, or those that are named. */
const PARTS: Readonly<Record<string, () => Promise<void>>> = {
  core: benchCore,
  facts: benchFacts,
  review: benchReview,
  roster: benchRoster,
  history: benchHistory,
  library: benchLibrary,
  frame: benchFrame,
  answers: async () => {
    ensureBuilt();
    await benchAnswers(folder);
  },
  page: async () => {
    ensureBuilt();
    await benchPage(folder);
  },
  map: benchMap,
  plan: benchPlan,
  reports: benchReports,
  load: async () => {
    ensureBuilt();
    await benchDelivery();
  },
  faults: async () => {
    ensureBuilt();
    await benchFaults();
  },
};
const named = Object.keys(PARTS).filter((name) => process.argv.includes(name));
try {
  for (const name of named.length > 0 ? named : Object.keys(PARTS)) await PARTS[name]?.();
} finally {
  rmSync(folder, { recursive: true, force: true });
}
