import { evidenceFigure } from "@/features/evidence/figure";
import { planFigure } from "@/features/plan/figure";
import { regroupFigure } from "@/features/regroup/figure";
import { rosterFigure } from "@/features/roster/figure";
import { workFigure } from "@/features/work/figure";
import { workList } from "@/features/work/reads/works";
import { makeClass, START, testSchool } from "~/tests/support/school";
import { benchWorks, fillLog } from "./bench-data";

const STUDENTS = 28;
const WORKS = 150;
const OPEN_WORKS = 6;
const ANSWERS = 20_000;
const ROUNDS = 41;
const WEEK = 7 * 86_400_000;

const median = (times: readonly number[]) => [...times].sort((x, y) => x - y)[Math.floor(times.length / 2)] ?? 0;

async function timesOf(use: () => Promise<unknown>): Promise<number> {
  const times: number[] = [];
  for (let n = 0; n < ROUNDS; n++) {
    const begun = performance.now();
    await use();
    times.push(performance.now() - begun);
  }
  return median(times);
}

/** The desk's frame with a class's year behind it: five figures, counted anew, and shown again. */
export async function benchFrame(): Promise<void> {
  const school = await testSchool();
  const { classId, studentIds } = await makeClass(school, STUDENTS);
  await benchWorks(school, {
    classId,
    studentIds,
    count: WORKS,
    dueAt: (n) => (n < OPEN_WORKS ? START + WEEK : START - WEEK),
    givenAt: (n) => START - n,
    itemsEach: 20,
  });
  await fillLog(school, studentIds, ANSWERS);
  const context = await school.teacher();
  const frame = async () => {
    for (const figure of [rosterFigure, planFigure, workFigure, evidenceFigure, regroupFigure])
      await figure(context, [classId]);
  };
  const bare = await timesOf(() => school.db.read.get("select 1"));
  let minute = 0;
  const anew = await timesOf(() => {
    school.setNow(START + 60_000 * ++minute);
    return frame();
  });
  const again = await timesOf(frame);
  const list = await timesOf(() => workList(context, [classId]));
  school.close();
  console.log(
    `\nThe desk's frame, ${STUDENTS} students, ${WORKS} works, ${ANSWERS.toLocaleString("en-GB")} answers, median of ${ROUNDS}`,
  );
  console.log(`  a bare read                   ${bare.toFixed(2)} ms`);
  console.log(
    `  five figures counted anew     ${anew.toFixed(1)} ms: ${(anew / bare).toFixed(0)} bare reads (aim 30 ms)`,
  );
  console.log(`  five figures shown again      ${again.toFixed(2)} ms: ${(again / bare).toFixed(1)} bare reads`);
  console.log(`  the whole list of work        ${list.toFixed(1)} ms`);
}
