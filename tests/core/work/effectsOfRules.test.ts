import { describe, expect, it } from "vitest";
import { countingMark } from "@/core/measurement/countingMark";
import { rational } from "@/core/numeric/rational";
import { effectsOfRules, type StudentOfRules, type WorkRules } from "@/core/work/effectsOfRules";

const RULES: WorkRules = {
  cutPercent: 80,
  retake: "latest",
  closesAt: 100,
  release: { score: "word" },
  onlyAtSchool: false,
  goesFirst: false,
  parts: [{ items: 10, minutes: 20, tries: null, calculator: false }],
};
const student = (over: Partial<StudentOfRules> = {}): StudentOfRules => ({
  atWork: false,
  done: false,
  marks: [],
  ownEnd: null,
  ...over,
});
const effects = (
  after: Partial<WorkRules>,
  students: readonly StudentOfRules[],
  over: { word?: "score"[]; now?: number } = {},
) => effectsOfRules(RULES, { ...RULES, ...after }, { students, word: over.word ?? [], now: over.now ?? 50 });

describe("the mark that counts after several tries", () => {
  const marks = [rational(4, 5), rational(2, 5), rational(3, 5)];
  it("is the latest, the best or the exact mean", () => {
    expect(countingMark(marks, "latest")?.toFraction()).toBe("3/5");
    expect(countingMark(marks, "best")?.toFraction()).toBe("4/5");
    expect(countingMark(marks, "mean")?.toFraction()).toBe("3/5");
    expect(countingMark([rational(1, 3), rational(1, 2)], "mean")?.toFraction()).toBe("5/12");
    expect(countingMark([], "best")).toBe(null);
  });
});

describe("what a change of rules means", () => {
  it("counts who is on the other side of a moved cut, exactly", () => {
    const students = [
      student({ done: true, marks: [rational(794, 1000)] }),
      student({ done: true, marks: [rational(4, 5)] }),
      student({ done: true, marks: [rational(1, 2)] }),
      student(),
    ];
    expect(effects({ cutPercent: 79.4 }, students)).toEqual([{ what: "passes", students: 1 }]);
    expect(effects({ cutPercent: 81 }, students)).toEqual([{ what: "passes-not", students: 1 }]);
    // Without a cut nobody passes or fails.
    expect(effects({ cutPercent: null }, students)).toEqual([]);
  });

  it("says whose mark is another one when another try counts, and whether that passes", () => {
    const students = [
      student({ done: true, marks: [rational(9, 10), rational(1, 2)] }),
      student({ done: true, marks: [rational(1, 2)] }),
    ];
    expect(effects({ retake: "best" }, students)).toEqual([
      { what: "passes", students: 1 },
      { what: "mark", students: 1 },
    ]);
  });

  it("says who sees something at once, who no longer, and nothing where a teacher's word lets them see it anyway", () => {
    const students = [student({ done: true }), student({ done: true }), student({ atWork: true })];
    expect(effects({ release: { score: "done" } }, students)).toEqual([{ what: "shown", students: 2, of: "score" }]);
    expect(effects({ release: { score: "done" } }, students, { word: ["score"] })).toEqual([]);
    expect(effectsOfRules({ ...RULES, release: { score: "done" } }, RULES, { students, word: [], now: 50 })).toEqual([
      { what: "hidden", students: 2, of: "score" },
    ]);
  });

  it("opens again and closes for those who are not through, by their own end where they have one", () => {
    const students = [student(), student({ done: true }), student({ ownEnd: 400 })];
    expect(effects({ closesAt: 300 }, students, { now: 200 })).toEqual([{ what: "opens", students: 1 }]);
    expect(effects({ closesAt: 20 }, students)).toEqual([{ what: "closes", students: 1 }]);
    expect(effects({ closesAt: null }, students, { now: 200 })).toEqual([{ what: "opens", students: 1 }]);
  });

  it("names what changes for those at work, and nothing for those who have not begun", () => {
    const limits = { items: 12, minutes: null, tries: 1, calculator: true };
    const after = { parts: [limits], onlyAtSchool: true, goesFirst: true };
    expect(effects(after, [student(), student({ done: true })])).toEqual([]);
    expect(effects(after, [student({ atWork: true }), student()])).toEqual(
      (["minutes", "items", "tries", "calculator", "place", "first"] as const).map((what) => ({ what, students: 1 })),
    );
  });
});
