import { seededRandom } from "@/core/numeric/seededRandom";
import { answers, sittings, skillStates } from "@/db/schema/delivery";
import { skills } from "@/db/schema/library";
import { people } from "@/db/schema/people";
import { works } from "@/db/schema/work";
import { ratioStrand } from "~/content/ratioStrand";
import type { TestSchool } from "~/tests/support/school";

const SKILLS = 60;

/** Copies of the shipped skills under other ids, until there are sixty. */
export async function sixtySkills(school: TestSchool): Promise<void> {
  const rows = Array.from({ length: SKILLS - ratioStrand.length }, (_, n) => {
    const like = ratioStrand[n % ratioStrand.length] as (typeof ratioStrand)[number];
    const { name, studentName, grade, difficulty, lesson, reteach } = like;
    return {
      id: `${like.id}-${n}`,
      standardId: like.standard.code,
      name: `${name} ${n}`,
      studentName,
      grade,
      difficulty,
      lesson,
      reteach,
      place: 100 + n,
    };
  });
  await school.db.write((tx) => tx.insert(skills).values(rows));
}

/** A log of so many answers over all students and skills, with the summaries that a log of that length has. */
export async function fillLog(school: TestSchool, studentIds: readonly string[], count: number): Promise<void> {
  const random = seededRandom(`bench ${count}`);
  const ids = (await school.db.read.select({ id: skills.id }).from(skills)).map(({ id }) => id);
  const [teacher] = await school.db.read.select({ id: people.id }).from(people).limit(1);
  const classId = (await school.teacher()).actor.classIds[0] ?? "";
  const workId = "bench-work";
  const work = {
    id: workId,
    classId,
    kind: "practice" as const,
    title: "Bench",
    instructions: "",
    opensAt: 0,
    dueAt: 1,
    budgetItems: 9,
  };
  await school.db.write(async (tx) => {
    await tx.insert(works).values({ ...work, createdBy: teacher?.id ?? "", createdAt: 0 });
    for (const personId of studentIds) {
      await tx.insert(sittings).values({
        id: `sitting-${personId}`,
        workId,
        personId,
        startedAt: 0,
        lastAt: 0,
        chancesAtStart: {},
        presentations: [],
      });
      await tx.insert(skillStates).values(
        ids.map((skillId) => ({
          personId,
          skillId,
          mastery: random(),
          prior: 0.3,
          scoredAnswers: 5,
          rightFirstTries: 3,
          modelIds: ["a", "b"],
          lastDay: 20_000,
          stabilityDays: 20,
          missesInRow: 0,
        })),
      );
    }
  });
  const AT_ONCE = 400;
  for (let from = 0; from < count; from += AT_ONCE) {
    const rows = Array.from({ length: Math.min(AT_ONCE, count - from) }, (_, n) => {
      const personId = studentIds[(from + n) % studentIds.length] as string;
      return {
        key: `bench-${from + n}`,
        personId,
        workId,
        sittingId: `sitting-${personId}`,
        presentationId: "none",
        skillId: ids[Math.floor(random() * ids.length)] as string,
        modelId: "a",
        modelVersion: 1,
        seed: n,
        context: "plain",
        tryNumber: 1,
        raw: "1",
        right: random() < 0.6,
        hintsUsed: 0,
        milliseconds: 20_000,
        givenAt: 0,
        recordedAt: 0,
        day: 20_000,
        grade: 6,
        skillDifficulty: 0,
        a: 1,
        b: 0,
        c: 0,
      };
    });
    await school.db.write((tx) => tx.insert(answers).values(rows));
  }
}
