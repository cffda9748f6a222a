import { seededRandom } from "@/core/numeric/seededRandom";
import { insertMany } from "@/db/manyRows";
import { items, itemVersions } from "@/db/schema/items";
import { skills } from "@/db/schema/library";
import { answers, scores, sittingItems, sittings } from "@/db/schema/sittings";
import { skillStates } from "@/db/schema/summaries";
import { assignments, assignmentTargets, partSkills, parts, works } from "@/db/schema/work";
import type { TestSchool } from "~/tests/support/school";

const SKILLS = 60;
export const BENCH_VERSION = "bench-item@1";
const SKILL = "equivalent-ratios";

/** Copies of the shipped skills under other ids, until there are sixty. */
export async function sixtySkills(school: TestSchool): Promise<void> {
  const shipped = await school.db.read.select().from(skills);
  const rows = Array.from({ length: SKILLS - shipped.length }, (_, n) => {
    const like = shipped[n % shipped.length] as (typeof shipped)[number];
    return { ...like, id: `${like.id}-${n}`, name: `${like.name} ${n}`, place: 100 + n, contentHash: null };
  });
  await school.db.write((tx) => tx.insert(skills).values(rows));
}

interface BenchWorks {
  readonly classId: string;
  readonly studentIds: readonly string[];
  readonly count: number;
  readonly dueAt: (n: number) => number;
  readonly givenAt: (n: number) => number;
  readonly itemsEach: number;
  /** Before the ids; "w" unless stated. */
  readonly prefix?: string;
}

/** Pieces of work with a sitting and its items for every student, as a year leaves them behind. */
export async function benchWorks(school: TestSchool, bench: BenchWorks): Promise<void> {
  const { classId, studentIds, count, dueAt, givenAt, itemsEach, prefix = "w" } = bench;
  const ids = Array.from({ length: count }, (_, n) => `${prefix}${n}`);
  const each = ids.flatMap((id) => studentIds.map((personId) => ({ id, personId, targetId: `${id}-${personId}` })));
  await school.db.write(async (tx) => {
    await tx.insert(items).values({ id: "bench-item" }).onConflictDoNothing();
    const version = { id: BENCH_VERSION, itemId: "bench-item", number: 1, body: {}, status: "draft" as const };
    await tx
      .insert(itemVersions)
      .values({ ...version, contentHash: "", createdAt: 0 })
      .onConflictDoNothing();
    const design = { schoolId: school.schoolId, ownerId: "ana", instructions: "", createdAt: 0 };
    await insertMany(
      tx,
      works,
      ids.map((id) => ({ ...design, id, title: id })),
    );
    const part = { place: 0, kind: "practice", settings: { items: 20 }, opening: [] };
    await insertMany(
      tx,
      parts,
      ids.map((id) => ({ ...part, id, workId: id })),
    );
    await insertMany(
      tx,
      partSkills,
      ids.map((id) => ({ id, partId: id, skillId: SKILL, place: 0 })),
    );
    await insertMany(
      tx,
      assignments,
      ids.map((id, n) => ({
        id,
        workId: id,
        classId,
        givenBy: "ana",
        givenAt: givenAt(n),
        opensAt: 0,
        dueAt: dueAt(n),
        release: {},
      })),
    );
    await insertMany(
      tx,
      assignmentTargets,
      each.map(({ id, personId, targetId }) => ({ id: targetId, assignmentId: id, personId, extraItems: 0 })),
    );
    await insertMany(
      tx,
      sittings,
      each.map(({ id, targetId }) => ({
        id: `sit-${targetId}`,
        targetId,
        partId: id,
        attempt: 1,
        version: 1,
        startedAt: 0,
        lastAt: 0,
        itemsDone: itemsEach,
        itemsRight: 0,
        progressPermille: 0,
        activeMilliseconds: 0,
        state: {},
      })),
    );
    await insertMany(
      tx,
      sittingItems,
      each.flatMap(({ targetId }) =>
        Array.from({ length: itemsEach }, (_, place) => ({
          id: `${targetId}-${place}`,
          sittingId: `sit-${targetId}`,
          place,
          state: "done",
          skillId: SKILL,
          versionId: BENCH_VERSION,
          seed: place,
          context: "plain",
          tries: 1,
          earned: place % 2,
          possible: 1,
          hints: 0,
        })),
      ),
    );
  });
}

/** A log of so many answers over all students and skills, with the summaries that a log of that length has. */
export async function fillLog(school: TestSchool, studentIds: readonly string[], count: number): Promise<void> {
  const random = seededRandom(`bench ${count}`);
  const ids = (await school.db.read.select({ id: skills.id }).from(skills)).map(({ id }) => id);
  const classId = (await school.teacher()).actor.classIds[0] ?? "";
  const given = await school.db.read.query.assignments.findFirst();
  if (!given)
    await benchWorks(school, { classId, studentIds, count: 1, dueAt: () => 1, givenAt: () => 0, itemsEach: 1 });
  const state = {
    prior: 0.3,
    learning: 0.5,
    evidence: 5,
    scoredAnswers: 5,
    rightFirstTries: 3,
    itemIds: ["a", "b"],
    firstDay: 20_000,
    lastDay: 20_000,
    stabilityDays: 20,
    memoryDifficulty: 5,
    missesInRow: 0,
  };
  await school.db.write((tx) =>
    insertMany(
      tx,
      skillStates,
      studentIds.flatMap((personId) => ids.map((skillId) => ({ ...state, personId, skillId, mastery: random() }))),
    ),
  );
  const AT_ONCE = 2_000;
  for (let from = 0; from < count; from += AT_ONCE) {
    const rows = Array.from({ length: Math.min(AT_ONCE, count - from) }, (_, n) => {
      const personId = studentIds[(from + n) % studentIds.length] as string;
      const skillId = ids[Math.floor(random() * ids.length)] as string;
      return { serial: from + n + 1, personId, skillId, earned: random() < 0.6 ? 1 : 0 };
    });
    const answer = {
      tryNumber: 1,
      response: { a: { text: "1" } },
      hintsUsed: 0,
      milliseconds: 20_000,
      givenAt: 0,
      recordedAt: 0,
      day: 20_000,
      witness: "server",
      lateClaim: false,
    };
    const score = { part: "a", possible: 1, points: 1, grade: 6, skillDifficulty: 0, a: 1, b: 0, c: 0 };
    await school.db.write(async (tx) => {
      await insertMany(
        tx,
        answers,
        rows.map(({ serial, personId }) => ({
          ...answer,
          serial,
          key: `bench-${serial}`,
          personId,
          sittingItemId: `w0-${personId}-0`,
        })),
      );
      await insertMany(
        tx,
        scores,
        rows.map(({ serial, ...row }) => ({ ...score, ...row, answerSerial: serial, by: "rule", scoredAt: 0 })),
      );
    });
  }
}
