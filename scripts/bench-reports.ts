import { like } from "drizzle-orm";
import { dayNumber } from "@/core/calendar/dayNumber";
import { seededRandom } from "@/core/numeric/seededRandom";
import { insertMany } from "@/db/manyRows";
import { misconceptions, skills } from "@/db/schema/library";
import { answers, scores, sittingItems, sittings } from "@/db/schema/sittings";
import { misconceptionDays, skillDays } from "@/db/schema/summaries";
import { acrossReport } from "@/features/evidence/reads/across/acrossReport";
import { masteryMap } from "@/features/evidence/reads/evidence";
import { type ReportFrame, readFrame } from "@/features/evidence/reads/frame";
import { gainReport } from "@/features/evidence/reads/gain";
import { marksReport } from "@/features/evidence/reads/marks";
import { mistakesReport } from "@/features/evidence/reads/mistakes";
import { pieceList } from "@/features/evidence/reads/piece/pieceList";
import { pieceReport } from "@/features/evidence/reads/piece/pieceView";
import { putInReport } from "@/features/evidence/reads/putIn/putInReport";
import { daySigns } from "@/features/evidence/reads/signs/daySigns";
import { studentReport } from "@/features/evidence/reads/student/studentReport";
import { weekReport } from "@/features/evidence/reads/week/weekReport";
import type { Context } from "@/server/runtime/context";
import { makeClass, START, type TestSchool, TODAY, testSchool } from "~/tests/support/school";
import { benchWorks, fillLog, sixtySkills } from "./bench-data";

const SIZES = (process.env.BENCH_SMALL ? [1_000, 100_000] : [1_000, 100_000, 2_000_000]) as readonly number[];
const STUDENTS = 30;
const ROUNDS = 16;
const WARM_UP = 4;
const DAY = 86_400_000;
/** Answers of the latest four weeks are the same in every school; what else there is lies before. */
const OF_LATE = 1_000;
const DAYS_OF_LATE = 28;
const ANSWERS_A_DAY = 5;
const MOST_DAYS_BEFORE = 1_400;

interface BenchSchool {
  readonly school: TestSchool;
  readonly classId: string;
  readonly studentIds: readonly string[];
  readonly times: Map<string, number[]>;
}

/** A class's reports with a short history behind it and with a long one. */
export async function benchReports(): Promise<void> {
  const schools: BenchSchool[] = [];
  for (const count of SIZES) schools.push(await prepared(count));
  for (let n = 0; n < ROUNDS; n++)
    for (const one of schools) {
      for (const [name, report] of Object.entries(REPORTS)) {
        // Each opening is a request of its own.
        const teacher = await one.school.teacher();
        const begun = performance.now();
        await report(teacher, await readFrame(teacher, [one.classId], {}, "four-weeks"), one);
        if (n >= WARM_UP) one.times.set(name, [...(one.times.get(name) ?? []), performance.now() - begun]);
      }
    }
  for (const { school } of schools) school.close();
  console.log(`\nReports of ${STUDENTS} students by 60 skills, with the frame, median of ${ROUNDS - WARM_UP}, in ms`);
  console.log(
    `  ${"answers logged".padEnd(22)}${SIZES.map((size) => size.toLocaleString("en-GB").padStart(12)).join("")}   ratio`,
  );
  for (const name of Object.keys(REPORTS)) {
    const medians = schools.map(({ times }) => median(times.get(name) ?? []));
    const ratio = (medians.at(-1) ?? 0) / (medians[0] ?? 1);
    console.log(
      `  ${name.padEnd(22)}${medians.map((one) => one.toFixed(1).padStart(12)).join("")}   ${ratio.toFixed(2)}`,
    );
  }
  console.log("  (aim: under 300 ms, ratio 1.50 or less)");
}

const median = (times: readonly number[]) => [...times].sort((x, y) => x - y)[Math.floor(times.length / 2)] ?? 0;

const REPORTS: Readonly<Record<string, (context: Context, frame: ReportFrame, of: BenchSchool) => Promise<unknown>>> = {
  "Today's signs": (context, _, { classId }) => daySigns(context, [classId]),
  "mastery map": (context, _, { classId }) => masteryMap(context, [classId]),
  "pieces of work": pieceList,
  "one piece of work": (context, frame) => pieceReport(context, "p0", { frame }),
  "the week": (context, frame) => weekReport(context, frame, {}),
  "work put in": (context, frame) => putInReport(context, frame, {}),
  marks: (context, frame) => marksReport(context, frame, {}),
  mistakes: mistakesReport,
  gain: (context, frame) => gainReport(context, frame, {}),
  "one student": (context, frame, { studentIds }) => studentReport(context, studentIds[0] ?? "", frame, {}),
  "across classes": (context, frame) => acrossReport(context, { choices: [], choice: "" }, frame, {}),
};

async function prepared(count: number): Promise<BenchSchool> {
  const school = await testSchool();
  await sixtySkills(school);
  const { classId, studentIds } = await makeClass(school, STUDENTS);
  // All of the log hangs on one old piece of work; what the reports read of pieces stands beside it.
  await fillLog(school, studentIds, count - OF_LATE + 1);
  await benchWorks(school, {
    prefix: "p",
    classId,
    studentIds,
    count: 12,
    dueAt: (n) => START - n * DAY,
    givenAt: (n) => START - (n + 3) * DAY,
    itemsEach: 10,
  });
  await ownAnswers(school);
  await daysOf(school, studentIds, count);
  return { school, classId, studentIds, times: new Map() };
}

/** An answer with its score for every item of the twelve pieces of work, beside the log. */
async function ownAnswers(school: TestSchool): Promise<void> {
  const items = await school.db.read.select({ id: sittingItems.id, place: sittingItems.place }).from(sittingItems);
  const own = items.filter(({ id }) => id.startsWith("p"));
  const FIRST = 5_000_000;
  const personOf = (id: string) => id.replace(/^p\d+-/, "").replace(/-\d+$/, "");
  const answer = {
    tryNumber: 1,
    response: { a: { text: "1" } },
    hintsUsed: 0,
    milliseconds: 20_000,
    recordedAt: START,
    day: dayNumber(TODAY),
    witness: "server",
    lateClaim: false,
  };
  const score = {
    part: "a",
    skillId: "equivalent-ratios",
    possible: 1,
    points: 1,
    grade: 6,
    skillDifficulty: 0,
    a: 1,
    b: 0,
    c: 0,
    by: "rule",
    scoredAt: 0,
  };
  await school.db.write(async (tx) => {
    await insertMany(
      tx,
      answers,
      own.map(({ id }, n) => ({
        ...answer,
        serial: FIRST + n,
        key: `own-${n}`,
        personId: personOf(id),
        sittingItemId: id,
        givenAt: START - DAY,
      })),
    );
    await insertMany(
      tx,
      scores,
      own.map(({ id, place }, n) => ({ ...score, answerSerial: FIRST + n, personId: personOf(id), earned: place % 2 })),
    );
    await tx
      .update(sittings)
      .set({
        lastAt: START - DAY,
        finishedAt: START - DAY,
        finishReason: "amount",
        mark: "1/2",
        activeMilliseconds: 200_000,
      })
      .where(like(sittings.id, "sit-p%"));
  });
}

/** Days of skills and signs of mistakes, as a log of that length leaves them: the same of late, the rest before. */
async function daysOf(school: TestSchool, studentIds: readonly string[], count: number): Promise<void> {
  const random = seededRandom(`days ${count}`);
  const ids = (await school.db.read.select({ id: skills.id }).from(skills)).map(({ id }) => id);
  const [mistake] = await school.db.read.select({ id: misconceptions.id }).from(misconceptions).limit(1);
  const today = dayNumber(TODAY);
  const cells = studentIds.flatMap((personId) => ids.map((skillId) => ({ personId, skillId })));
  const day = {
    answered: ANSWERS_A_DAY,
    right: 3,
    milliseconds: 100_000,
    mastery: 0.6,
    stabilityDays: 20,
    mean: 0.2,
    spread: 0.5,
    answeredUntil: 5,
    rightUntil: 3,
  };
  const late = cells.slice(0, OF_LATE).map((cell, n) => ({ ...day, ...cell, day: today - (n % DAYS_OF_LATE) }));
  const each = Math.floor((count - OF_LATE) / ANSWERS_A_DAY / cells.length);
  const before = cells.flatMap((cell) =>
    Array.from({ length: each }, (_, n) => ({
      ...day,
      ...cell,
      day: today - DAYS_OF_LATE - Math.floor(((n + random()) * MOST_DAYS_BEFORE) / Math.max(1, each)),
    })),
  );
  const all = [
    ...new Map([...late, ...before].map((row) => [`${row.personId} ${row.skillId} ${row.day}`, row])).values(),
  ];
  const AT_ONCE = 20_000;
  for (let from = 0; from < all.length; from += AT_ONCE) {
    const rows = all.slice(from, from + AT_ONCE);
    await school.db.write(async (tx) => {
      await insertMany(tx, skillDays, rows);
      await insertMany(
        tx,
        misconceptionDays,
        rows
          .filter((_, n) => n % 8 === 0)
          .map((row) => ({
            personId: row.personId,
            skillId: row.skillId,
            day: row.day,
            misconceptionId: mistake?.id,
            times: 1,
          })),
      );
    });
  }
}
