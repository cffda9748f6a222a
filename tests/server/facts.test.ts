import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { factAnswer } from "@/core/fluency/factAnswer";
import { factId } from "@/core/fluency/factId";
import { factOfId } from "@/core/fluency/factOfId";
import { everythingAbout } from "@/db/queries/everythingAbout";
import { attemptsOnDay } from "@/db/queries/facts";
import { classFacts, factHistory, studentFacts } from "@/features/facts/reads/classFacts";
import { factSigns } from "@/features/facts/reads/factSigns";
import { familyFacts } from "@/features/facts/reads/familyFacts";
import { factSession, factsOnStart, ownFacts } from "@/features/facts/reads/ownFacts";
import { changeFactSettings } from "@/features/facts/writes/factSettings";
import { keepFacts } from "@/features/facts/writes/keepFacts";
import { undoChange } from "@/server/history/undoChange";
import { makeClass, START, type TestSchool, TODAY, testSchool } from "../support/school";

const DAY = 86_400_000;
let school: TestSchool;
let classId: string;
let studentIds: string[];
let pupil = "";

beforeEach(async () => {
  school = await testSchool();
  ({ classId, studentIds } = await makeClass(school, 3));
  pupil = studentIds[0] ?? "";
});
afterEach(() => school.close());

const change = async (over: object, key = "ana") => changeFactSettings(await school.teacher(key), { classId, ...over });

interface Given {
  readonly fact: string;
  readonly kind?: "copy" | "place" | "drill";
  readonly given?: number | null;
  readonly seconds?: number;
  readonly ago?: number;
  readonly key?: string;
}
const messages = (given: readonly Given[]) =>
  given.map(({ fact, kind = "drill", given: value, seconds = 2, ago = 0, key }) => ({
    key: key ?? school.runtime.newId(),
    kind,
    fact,
    given: value === undefined ? rightOf(fact) : value,
    milliseconds: seconds * 1000,
    agoMilliseconds: ago,
  }));
const rightOf = (id: string) => {
  const fact = factOfId(id);
  return fact ? factAnswer(fact) : Number(id);
};
const give = (given: readonly Given[], id = pupil) => keepFacts(school.student(id), { attempts: messages(given) });
const copy = (id = pupil) =>
  give(
    Array.from({ length: 8 }, (_, n) => ({ fact: String(20 + n), kind: "copy" as const, seconds: 1 })),
    id,
  );

describe("a student's facts", () => {
  it("are not there before the class practises them, nor when they are switched off; what was shown is kept", async () => {
    await expect(factSession(school.student(pupil))).rejects.toThrow("not on your list");
    await expect(give([{ fact: "6*7" }])).rejects.toThrow("not on your list");
    expect(await factsOnStart(school.student(pupil))).toBeNull();
    await change({ on: true });
    expect(await factsOnStart(school.student(pupil))).toEqual({ minutes: 5, met: false });
    await give([{ fact: "6*7" }]);
    await change({ on: false });
    await expect(factSession(school.student(pupil))).rejects.toThrow("not on your list");
    // What still waited on a device counts.
    expect(await give([{ fact: "6*8" }])).toEqual({ kept: 1 });
    await change({ on: true });
    expect(
      (await studentFacts(await school.teacher(), pupil)).cells.filter(({ attempts }) => attempts > 0),
    ).toHaveLength(2);
  });

  it("begin with copying, which sets the limit, then placement, then the drill among what is known", async () => {
    await change({ on: true, operations: ["multiply"], highest: 5 });
    const first = await factSession(school.student(pupil));
    expect(first.secondsPerDigit).toBeNull();
    expect(first.copies.length).toBe(10);
    await copy();
    const second = await factSession(school.student(pupil));
    expect(second).toMatchObject({ secondsPerDigit: 0.5, copies: [], placement: [] });
    // 3 s to think and half a second a digit: 3.5 s for 2 × 2, 4 s for 5 × 5.
    await give([
      { fact: "2*2", kind: "place", seconds: 3.5 },
      { fact: "5*5", kind: "place", seconds: 4.1 },
      { fact: "4*4", kind: "place", given: null },
    ]);
    const third = await factSession(school.student(pupil));
    expect(third.placement).toEqual([
      { familyId: "multiply-2", factId: "2*2", known: true },
      { familyId: "multiply-5", factId: "5*5", known: false },
      { familyId: "multiply-4", factId: "4*4", known: false },
    ]);
    expect(third.drill.known).toEqual(["2*2"]);
    expect(third.drill.unknown.slice(0, 2).sort()).toEqual(["4*4", "5*5"]);
  });

  it("are measured anew after six weeks", async () => {
    await change({ on: true });
    await copy();
    school.setNow(START + 41 * DAY);
    expect((await factSession(school.student(pupil))).secondsPerDigit).toBe(0.5);
    school.setNow(START + 42 * DAY);
    expect(await factSession(school.student(pupil))).toMatchObject({ secondsPerDigit: null });
  });

  it("become known by heart over several days, count towards the goal, and both see it", async () => {
    await change({ on: true, goal: 5 });
    await copy();
    const six = Array.from({ length: 4 }, () => ({ fact: "6*7" }));
    for (let day = 0; day < 3; day++) {
      school.setNow(START + day * DAY);
      await give(six);
    }
    expect((await ownFacts(school.student(pupil))).today).toMatchObject({ inTime: 4, newlyFluent: [] });
    school.setNow(START + 3 * DAY);
    await give([...six, { fact: "6*8", seconds: 20 }]);
    const own = await ownFacts(school.student(pupil));
    expect(own.today).toMatchObject({ inTime: 4, goal: 5, newlyFluent: ["6*7"], seconds: 28 });
    await give([{ fact: "2*2" }]);
    expect(await factsOnStart(school.student(pupil))).toMatchObject({ met: true });
    expect(own.days.filter(({ minutes }) => minutes > 0).map(({ day, goalMet }) => [day, goalMet])).toEqual([
      [TODAY, false],
      ["2026-11-24", false],
      ["2026-11-25", false],
      ["2026-11-26", false],
    ]);
    const view = await classFacts(await school.teacher(), classId);
    const line = view.lines.find(({ studentId }) => studentId === pupil);
    expect(line).toMatchObject({ lastDay: "2026-11-26", thisWeek: 1, before: 0, today: { inTime: 5, goal: 5 } });
    expect(line?.families.find(({ id }) => id === "multiply-6")?.known).toBe(0);
    expect(line?.families.find(({ id }) => id === "multiply-7")?.known).toBe(1);
    const one = await studentFacts(await school.teacher(), pupil);
    expect(one.cells.find(({ id }) => id === "6*7")).toMatchObject({ fluent: true, attempts: 16, days: 4, daysAgo: 0 });
    expect(one.cells.find(({ id }) => id === "42/7")).toBeUndefined();
  });

  it("sent twice are kept once, come late on the day on which they were given, and are judged here", async () => {
    await change({ on: true });
    const key = school.runtime.newId();
    expect(await give([{ fact: "6*7", key, given: 41 }])).toEqual({ kept: 1 });
    expect(await give([{ fact: "6*7", key, given: 42 }])).toEqual({ kept: 0 });
    const [row] = await attemptsOnDay(school.db.read, pupil, TODAY);
    expect(row).toMatchObject({ given: 41, right: false });
    school.setNow(START + 2 * DAY);
    await give([{ fact: "6*7" }]);
    await give([{ fact: "6*7", ago: DAY }]);
    expect(await attemptsOnDay(school.db.read, pupil, "2026-11-24")).toHaveLength(1);
    const [latest] = (await everythingAbout(school.db.read, pupil))["number-facts-known"] as { latest: number[][] }[];
    expect(latest?.latest.map(([, , right]) => right)).toEqual([0, 1, 1]);
    expect(latest?.latest.map(([day]) => day)).toEqual([...(latest?.latest ?? [])].map(([day]) => day).sort());
  });

  it("that come late leave the goal of their day as it was", async () => {
    await change({ on: true, goal: 1 });
    await give([{ fact: "6*7" }]);
    school.setNow(START + DAY);
    await change({ goal: 30 });
    await give([{ fact: "6*8", ago: DAY }]);
    const [first] = (await ownFacts(school.student(pupil))).days.filter(({ minutes }) => minutes > 0);
    expect(first).toMatchObject({ day: TODAY, inTime: 2, goalMet: true });
  });

  it("of one wrong answer again and again do not count from the sixth on, and the history says so", async () => {
    await change({ on: true });
    await give(Array.from({ length: 8 }, (_, n) => ({ fact: `6*${n + 2}`, given: 0 })));
    const rows = await attemptsOnDay(school.db.read, pupil, TODAY);
    expect(rows.map(({ leftOut }) => leftOut)).toEqual([false, false, false, false, false, true, true, true]);
    expect(await factHistory(await school.teacher(), pupil, "6*9")).toMatchObject([
      { given: 0, right: false, leftOut: true },
    ]);
    expect((await ownFacts(school.student(pupil))).today.inTime).toBe(0);
  });

  it("that are passed on count as not known, however many in a row", async () => {
    await change({ on: true });
    await give(Array.from({ length: 9 }, (_, n) => ({ fact: `7*${n + 1}`, kind: "place" as const, given: null })));
    expect((await attemptsOnDay(school.db.read, pupil, TODAY)).some(({ leftOut }) => leftOut)).toBe(false);
    expect((await factSession(school.student(pupil))).placement).toHaveLength(9);
  });

  it("that are sent again are not taken for the same answer given again", async () => {
    await change({ on: true });
    const keys = Array.from({ length: 5 }, () => school.runtime.newId());
    const wrong = keys.map((key, n) => ({ fact: `6*${n + 2}`, given: 0, key }));
    await give(wrong.slice(0, 3));
    expect(await give(wrong)).toEqual({ kept: 2 });
    expect((await attemptsOnDay(school.db.read, pupil, TODAY)).map(({ leftOut }) => leftOut)).toEqual(
      keys.map(() => false),
    );
  });

  it("refuse what is no fact, and clamp a watch that ran on", async () => {
    await change({ on: true });
    for (const fact of ["7/0", "5-9", "x", "6**7"])
      await expect(give([{ fact, given: 1 }])).rejects.toThrow("no number fact");
    await expect(give([{ fact: "six", kind: "copy", given: 6 }])).rejects.toThrow("no number fact");
    await give([{ fact: "6*7", seconds: 86_400 }]);
    const [row] = await attemptsOnDay(school.db.read, pupil, TODAY);
    expect(row?.milliseconds).toBe(120_000);
    expect((await ownFacts(school.student(pupil))).today.seconds).toBe(30);
  });

  it("are each one's own: staff give none, and no other student's are read", async () => {
    await change({ on: true });
    await give([{ fact: "6*7" }]);
    await expect(keepFacts(await school.teacher(), { attempts: messages([{ fact: "6*7" }]) })).rejects.toThrow(
      "Only students",
    );
    await expect(classFacts(school.student(pupil), classId)).rejects.toThrow();
    await expect(studentFacts(school.student(pupil), studentIds[1] ?? "")).rejects.toThrow();
    await expect(factHistory(await school.teacher("ben"), pupil, "6*7")).rejects.toThrow();
    expect((await ownFacts(school.student(studentIds[1] ?? ""))).begun).toBe(false);
  });
});

describe("who is worth a look", () => {
  it("practises and learns nothing new, or has stopped; never who has begun only or is switched off", async () => {
    await change({ on: true });
    const signs = async () => factSigns(await school.teacher(), [classId]);
    const [other = ""] = studentIds.slice(1);
    await give([{ fact: "6*7", given: 1 }]);
    for (let day = 0; day < 4; day++) {
      school.setNow(START + day * DAY);
      await give([{ fact: "6*7", given: 41 }], other);
      expect((await signs()).stalled.map(({ id }) => id)).toEqual(day < 3 ? [] : [other]);
    }
    school.setNow(START + 4 * DAY);
    expect((await signs()).missed).toEqual([]);
    school.setNow(START + 8 * DAY);
    expect((await signs()).missed.map(({ id }) => id)).toEqual([pupil]);
    await change({ studentId: pupil, on: false });
    expect((await signs()).missed).toEqual([]);
  });
});

describe("a family to teach again", () => {
  it("names who has begun and lacks which of it, what most lack first; of a family that there is not, nothing", async () => {
    await change({ on: true, highest: 5 });
    const [, other = ""] = studentIds;
    for (let day = 0; day < 4; day++) {
      school.setNow(START + day * DAY);
      await give([{ fact: "2*2" }, { fact: "2*2" }, { fact: "2*2" }]);
    }
    await give([{ fact: "3*3" }], other);
    const teacher = await school.teacher();
    const { students, facts } = await familyFacts(teacher, classId, "multiply-2");
    expect(students.map(({ id, facts: own, of }) => [id, own.length, of])).toEqual([
      [pupil, 4, 5],
      [other, 5, 5],
    ]);
    // What is as widely lacked goes by how little it comes by itself.
    expect(facts[0]).toEqual({ id: "1*2", students: 2 });
    expect(facts.at(-1)).toEqual({ id: "2*2", students: 1 });
    for (const unknown of ["nothing", "multiply-99"])
      await expect(familyFacts(teacher, classId, unknown)).rejects.toThrow("no such family");
    await expect(familyFacts(await school.teacher("ben"), classId, "multiply-2")).rejects.toThrow();
  });
});

describe("the settings", () => {
  it("of one student differ from the class only where they say so, follow it elsewhere, and are taken back", async () => {
    await change({ on: true, minutesADay: 5, goal: 20 });
    await change({ studentId: pupil, thinkingSeconds: 6, goal: 10 });
    await change({ minutesADay: 7 });
    const teacher = await school.teacher();
    expect((await studentFacts(teacher, pupil)).settings).toMatchObject({
      minutesADay: 7,
      thinkingSeconds: 6,
      goal: 10,
    });
    expect((await studentFacts(teacher, studentIds[1] ?? "")).settings).toMatchObject({
      minutesADay: 7,
      thinkingSeconds: 3,
    });
    expect((await classFacts(teacher, classId)).lines.map(({ differs }) => differs)).toEqual([true, false, false]);
    // A goal of one's own is cut to what the class's minutes leave room for.
    await change({ studentId: pupil, goal: 40 });
    await change({ minutesADay: 2, goal: 10 });
    expect((await studentFacts(teacher, pupil)).settings.goal).toBe(17);
    await change({ studentId: pupil, goal: 10 });
    await change({ minutesADay: 7, goal: 20 });
    const { changeId } = await change({ studentId: pupil, asTheClass: true });
    expect((await studentFacts(teacher, pupil)).settings).toMatchObject({ thinkingSeconds: 3, goal: 20 });
    await undoChange(await school.teacher(), changeId);
    expect((await studentFacts(teacher, pupil)).settings).toMatchObject({ thinkingSeconds: 6, goal: 10 });
  });

  it("choose families and their order", async () => {
    await change({ on: true, order: ["multiply-7", "multiply-2"] });
    expect((await classFacts(await school.teacher(), classId)).familyIds).toEqual(["multiply-7", "multiply-2"]);
    await copy();
    const { drill } = await factSession(school.student(pupil));
    for (const id of drill.unknown.slice(0, 3))
      expect(factId(factOfId(id) ?? { operation: "add", left: 0, right: 0 })).toMatch(/7/);
  });

  it("refuse what cannot be, with what can be done", async () => {
    await expect(change({ operations: [] })).rejects.toThrow("at least one operation");
    await expect(change({ order: [] })).rejects.toThrow("at least one family");
    await expect(change({ order: ["add-tens"] })).rejects.toThrow("None of the chosen families");
    await expect(change({ thinkingSeconds: 0 })).rejects.toThrow("Thinking takes time");
    await expect(change({ goal: 80, minutesADay: 2 })).rejects.toThrow("about 30 facts");
    await expect(change({ highest: 40 })).rejects.toThrow("up to 5, 10, 12, 15");
    await expect(change({ studentId: "nobody", goal: 10 })).rejects.toThrow("not in the class");
    await expect(change({ on: true }, "ben")).rejects.toThrow();
  });
});
