import { seededRandom } from "@/core/numeric/seededRandom";
import { compareForecasts } from "@/core/review/compareForecasts";
import { reviewQueue } from "@/core/review/reviewQueue";
import type { ReviewSkill } from "@/core/review/reviewSkill";
import { skillDays, skillStates } from "@/db/schema/summaries";
import { studentHome } from "@/features/delivery/reads/studentHome";
import { takeReview } from "@/features/delivery/writes/takeReview";
import { masteryMap } from "@/features/evidence/reads/evidence";
import { classReview } from "@/features/review/reads/classReview";
import { reviewForecast } from "@/features/review/reads/forecast";
import { changeReviewSettings } from "@/features/review/writes/reviewSettings";
import { makeClass, type TestSchool, testSchool } from "~/tests/support/school";
import { sixtySkills } from "./bench-data";

const SKILLS = 200;
const STUDENTS = 30;
/** Day number of the bench's school, and days on which each skill was met before. */
const DAY = 20_780;
const MET = [60, 45, 25, 12] as const;

/** Spaced review: the queue of many skills, a session begun, a class's page, and what would change. */
export async function benchReview(): Promise<void> {
  console.log("\nSpaced review");
  const random = seededRandom("bench review");
  const skills = Array.from(
    { length: SKILLS },
    (_, n): ReviewSkill => ({
      skillId: `k${n}`,
      strandId: `s${n % 9}`,
      memory: { stabilityDays: 2 + 60 * random(), difficulty: 5 },
      lastDay: DAY - Math.floor(90 * random()),
      minutes: 1,
    }),
  );
  const queue = await median(() => Promise.resolve(reviewQueue(skills, { day: DAY, minutes: 10 })), 200);
  console.log(`  queue of ${SKILLS} skills                  ${queue.toFixed(2)} ms   (aim 20 ms)`);

  const school = await testSchool();
  await sixtySkills(school);
  const { classId, studentIds } = await makeClass(school, STUDENTS);
  await everythingMastered(school, studentIds);
  const teacher = await school.teacher();
  const plain = await median(() => studentHome(school.student(studentIds[0] ?? "")), 15);
  await changeReviewSettings(teacher, { classId, on: true });
  const [first = ""] = studentIds;
  const own = school.student(first);
  console.log(
    `  a student's start page with it         ${(await median(() => studentHome(own), 15)).toFixed(1)} ms, ${plain.toFixed(1)} ms without`,
  );
  const begun = performance.now();
  for (const id of studentIds) await takeReview(school.student(id), { classId });
  console.log(`  a session begun                        ${((performance.now() - begun) / STUDENTS).toFixed(1)} ms`);
  const map = await median(() => masteryMap(teacher, [classId]), 9);
  const page = await median(() => classReview(teacher, classId), 9);
  console.log(`  a class's page, ${STUDENTS} by 60             ${page.toFixed(0)} ms`);
  console.log(`  to the mastery map                     ${(page / map).toFixed(1)}`);
  const rest = skills.length > 0 ? ["equivalent-ratios", "ratio-language"] : [];
  const asked = { classId, studentId: null, rest, drop: [] };
  await reviewForecast(teacher, asked);
  console.log(
    `  what would change, ${STUDENTS} students, 8 weeks ${(await median(() => reviewForecast(teacher, asked), 3)).toFixed(0)} ms   (aim 3 s)`,
  );
  const outlook = { fromDay: DAY, taught: Array.from({ length: 56 }, (_, n) => n % 7 < 5), minutesPerDay: 10 };
  const many = { students: [{ skills, reviews: [], outlook }], rest: [], drop: [], runs: 40 };
  console.log(
    `  one student with ${SKILLS} skills            ${(await median(() => Promise.resolve(compareForecasts(many)), 3)).toFixed(0)} ms`,
  );
  school.close();
}

async function median(run: () => Promise<unknown>, count: number): Promise<number> {
  const all: number[] = [];
  for (let n = 0; n < count; n++) {
    const began = performance.now();
    await run();
    all.push(performance.now() - began);
  }
  return all.sort((x, y) => x - y)[Math.floor(count / 2)] ?? 0;
}

/** Every student mastered every skill two months ago, and has met it three times since. */
async function everythingMastered(school: TestSchool, studentIds: readonly string[]): Promise<void> {
  const known = await school.db.read.query.skills.findMany({ columns: { id: true } });
  const random = seededRandom("bench review states");
  for (const personId of studentIds)
    await school.db.write(async (tx) => {
      for (const { id: skillId } of known) {
        const stabilityDays = 10 + 40 * random();
        const shared = { mastery: 0.95, stabilityDays, mean: 1.5, spread: 0.4 };
        await tx.insert(skillStates).values({
          personId,
          skillId,
          ...shared,
          prior: 0.3,
          scoredAnswers: 15,
          unaidedAnswers: 15,
          rightFirstTries: 13,
          evidence: 15,
          itemIds: [],
          firstDay: DAY - MET[0],
          lastDay: DAY - MET[3],
          masteredDay: DAY - MET[0],
          missesInRow: 0,
        });
        await tx.insert(skillDays).values(
          MET.map((back) => ({
            personId,
            skillId,
            day: DAY - back,
            answered: 3,
            right: random() < 0.85 ? 3 : 1,
            milliseconds: 90_000,
            ...shared,
          })),
        );
      }
    });
}
