import { insertMany } from "@/db/manyRows";
import { sittings } from "@/db/schema/delivery";
import { workSkills, works, workTargets } from "@/db/schema/work";
import { evidenceFigure } from "@/features/evidence/figure";
import { planFigure } from "@/features/plan/figure";
import { regroupFigure } from "@/features/regroup/figure";
import { rosterFigure } from "@/features/roster/figure";
import { workFigure } from "@/features/work/figure";
import { workList } from "@/features/work/reads";
import { makeClass, START, testSchool } from "~/tests/support/school";
import { fillLog } from "./bench-data";

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
  await fillLog(school, studentIds, ANSWERS);
  const items = Array.from({ length: 20 }, (_, n) => ({
    id: `p${n}`,
    state: "done" as const,
    skillId: "equivalent-ratios",
    modelId: "a-model-of-the-library",
    modelVersion: 1,
    seed: n,
    context: "plain",
    tries: 1,
    rightFirst: n % 2 === 0,
  }));
  await school.db.write(async (tx) => {
    const ids = Array.from({ length: WORKS }, (_, n) => `w${n}`);
    await insertMany(
      tx,
      works,
      ids.map((id, n) => ({
        id,
        classId,
        kind: "practice",
        title: id,
        instructions: "",
        opensAt: START - 2 * WEEK,
        dueAt: n < OPEN_WORKS ? START + WEEK : START - WEEK,
        budgetItems: 20,
        createdBy: "ana",
        createdAt: START - n,
      })),
    );
    await insertMany(
      tx,
      workSkills,
      ids.map((id) => ({ id: `${id}-s`, workId: id, skillId: "equivalent-ratios", place: 0 })),
    );
    const each = ids.flatMap((workId) => studentIds.map((personId) => ({ workId, personId })));
    await insertMany(
      tx,
      workTargets,
      each.map((one) => ({ ...one, id: `${one.workId}-${one.personId}`, extraItems: 0 })),
    );
    await insertMany(
      tx,
      sittings,
      each.map((one) => ({
        ...one,
        id: `sit-${one.workId}-${one.personId}`,
        startedAt: START - 2 * WEEK,
        lastAt: START - 2 * WEEK,
        itemsDone: 20,
        chancesAtStart: {},
        presentations: items,
      })),
    );
  });
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
