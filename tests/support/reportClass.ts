import type { PartBody } from "@/core/items/itemBody";
import { openSitting } from "@/features/delivery/writes/openSitting";
import type { Search } from "@/features/evidence/frame/frameParams";
import { type ReportFrame, readFrame } from "@/features/evidence/reads/frame";
import { giveWork } from "@/features/work/writes/giveWork";
import { bodyWith, putItem } from "./newItem";
import { give, makeClass, START, type TestSchool, testSchool } from "./school";

const DAY = 86_400_000;

/** One word is right, one shows a known mistake; everything else is just wrong. */
const word = (misconceptionId: string): PartBody => ({
  id: "b",
  kind: "short-text",
  prompt: "What is it called?",
  accepted: ["ratio"],
  misconceptions: [{ id: misconceptionId, text: "difference" }],
  ignoreCase: true,
  ignoreSpacing: true,
  ignoreAccents: true,
  ignorePunctuation: true,
  spelling: "exact",
});

/** A class whose every answer is known, so that each figure of its reports can be worked out by hand. */
export interface ReportClass {
  readonly school: TestSchool;
  readonly classId: string;
  readonly students: readonly string[];
  /** Gives a test of the four items, or of some of them, and says its id. */
  test(over?: Readonly<Record<string, unknown>>): Promise<string>;
  /** Somebody, by place in the class or by id, takes the test: "r" right, "d" the known mistake, "x" another wrong word, each after so many seconds. */
  sit(workId: string, who: number | string, answers: string, seconds?: number, partId?: string | null): Promise<void>;
  frame(search?: Search): Promise<ReportFrame>;
  at(day: number, hour?: number): void;
}

const ITEMS = [
  { itemId: "own/one", skillId: "ratio-language", mistake: "compared-by-difference" },
  { itemId: "own/two", skillId: "ratio-language", mistake: "turned-the-ratio-round" },
  { itemId: "own/three", skillId: "unit-rates", mistake: "compared-by-difference" },
  { itemId: "own/four", skillId: "unit-rates", mistake: "added-instead-of-scaled" },
];
const WORDS: Readonly<Record<string, string>> = { r: "ratio", d: "difference", x: "something" };

export async function reportClass(count = 6): Promise<ReportClass> {
  const school = await testSchool();
  const { classId, studentIds } = await makeClass(school, count);
  for (const { itemId, skillId, mistake } of ITEMS) await putItem(school, itemId, bodyWith(word(mistake)), { skillId });
  let now = START;
  const set = (instant: number) => {
    now = instant;
    school.setNow(now);
  };
  return {
    school,
    classId,
    students: studentIds,
    test: async (over = {}) => {
      const assignmentId = school.runtime.newId();
      await giveWork(await school.teacher(), {
        workId: school.runtime.newId(),
        title: "Ratios test",
        instructions: "",
        parts: [
          {
            id: school.runtime.newId(),
            kind: "quiz",
            skillIds: ["ratio-language", "unit-rates"],
            settings: { items: ITEMS.length },
            items: ITEMS.map(({ itemId, skillId }, seed) => ({ itemId, skillId, seed })),
          },
        ],
        to: [{ assignmentId, classId, studentIds }],
        opens: { day: "2026-11-23", time: "06:00" },
        due: { day: "2026-11-27", time: "20:00" },
        closes: null,
        rules: { cutPercent: 70, category: "Tests" },
        ...over,
      });
      return assignmentId;
    },
    sit: async (workId, who, answers, seconds = 20, partId = null) => {
      const student = typeof who === "string" ? who : (studentIds[who] ?? "");
      let view = await openSitting(school.student(student), workId, partId);
      for (const answer of answers) {
        set(now + seconds * 1000);
        const reply = await give(school, student, view as never, "right", {
          response: { b: { text: WORDS[answer] } },
          milliseconds: seconds * 1000,
        });
        view = { ...view, ...reply.sitting };
      }
    },
    frame: async (search = {}) => readFrame(await school.teacher(), [classId], search, "four-weeks"),
    at: (day, hour = 9) => set(START + day * DAY + (hour - 8.5) * 3_600_000),
  };
}
