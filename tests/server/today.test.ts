import { afterEach, describe, expect, it } from "vitest";
import { daySigns } from "@/features/evidence/reads/signs/daySigns";
import { praise } from "@/features/evidence/writes/weekSettings";
import { comingGaps } from "@/features/plan/reads/comesNext";
import { todayView } from "@/features/today/reads/todayView";
import type { TodayLine } from "@/features/today/types";
import { bringBackLine, putOffLine } from "@/features/today/writes/putOff";
import { type ReportClass, reportClass } from "../support/reportClass";

let own: ReportClass;
afterEach(() => own.school.close());
const signs = async () => daySigns(await own.school.teacher(), [own.classId]);
const who = (some: readonly { readonly id: string }[]) => some.map(({ id }) => own.students.indexOf(id));

/** Six items of two skills, two of them drawn twice. */
const sixItems = () => ({
  title: "Six",
  due: { day: "2026-12-18", time: "20:00" },
  parts: [
    {
      id: own.school.runtime.newId(),
      kind: "quiz",
      skillIds: ["ratio-language", "unit-rates"],
      settings: { items: 6 },
      items: ["own/one", "own/two", "own/three", "own/four", "own/one", "own/three"].map((itemId, seed) => ({
        itemId,
        skillId: itemId === "own/one" || itemId === "own/two" ? "ratio-language" : "unit-rates",
        seed,
      })),
    },
  ],
});

describe("the signs of the last days", () => {
  it("names who was not seen for four school days, weekends and today not counted; who never came is not named", async () => {
    own = await reportClass(4);
    await own.sit(await own.test(), 0, "rrrr");
    own.at(2);
    await own.sit(await own.test({ title: "Second" }), 1, "rrrr");
    // Friday: since Monday there were Tuesday, Wednesday and Thursday.
    own.at(4);
    expect((await signs()).away).toEqual([]);
    own.at(7);
    expect((await signs()).away).toMatchObject([{ schoolDays: 4 }]);
    // Thursday a week later: Tuesday to Wednesday are seven school days, and five since the Wednesday.
    own.at(10);
    const { away } = await signs();
    expect(who(away)).toEqual([0, 1]);
    expect(away.map(({ schoolDays }) => schoolDays)).toEqual([7, 5]);
  });

  it("tells a rushed piece by its time, and lets it rest after five school days", async () => {
    own = await reportClass(4);
    const test = await own.test();
    await own.sit(test, 0, "rrrr", 40);
    await own.sit(test, 1, "xdxr", 2);
    const { rushes } = await signs();
    expect(who(rushes)).toEqual([1]);
    expect(rushes[0]).toMatchObject({ workId: test, title: "Ratios test", seconds: 8, answers: 4, rapid: 4 });
    own.at(4);
    expect((await signs()).rushes).toHaveLength(1);
    own.at(7);
    expect((await signs()).rushes).toEqual([]);
  });

  it("wonders at a test that hardly agrees with what was known the day before, and at nothing that was not known", async () => {
    own = await reportClass(3);
    for (const day of [0, 1, 2, 3]) {
      own.at(day);
      const test = await own.test({ title: `Day ${day}` });
      await own.sit(test, 0, "rrrr", 40);
      await own.sit(test, 1, "rrrr", 40);
    }
    expect((await signs()).surprises).toEqual([]);
    own.at(4);
    const six = await own.test(sixItems());
    await own.sit(six, 0, "xxxxxx", 40);
    await own.sit(six, 1, "rrrrrr", 40);
    await own.sit(six, 2, "xxxxxx", 40);
    const { surprises } = await signs();
    expect(who(surprises)).toEqual([0]);
    expect(surprises[0]).toMatchObject({ workId: six, right: 0, items: 6, verdict: "below" });
    expect(surprises[0]?.expected).toBeGreaterThanOrEqual(5);
  });

  it("proposes praise for who stands out, until they were praised for that week", async () => {
    own = await reportClass(6);
    own.at(2);
    for (const title of ["One", "Two", "Three"]) await own.sit(await own.test({ title }), 0, "rrrr", 40);
    await own.sit(await own.test({ title: "Four" }), 1, "rrrr", 40);
    const { praise: worth } = await signs();
    expect(worth.week).toBe("2026-11-23");
    expect(who(worth.students)).toEqual([0]);
    // Two are expected in a whole week; nothing was worked before, so nothing is said of that.
    expect(worth.students[0]?.because).toEqual([{ code: "through", pieces: 3, expected: 2 }]);
    const [first] = worth.students;
    await praise(await own.school.teacher(), {
      students: [{ id: first?.id, classId: own.classId }],
      text: "Well done.",
    });
    expect((await signs()).praise.students).toEqual([]);
  });

  it("is not for strangers", async () => {
    own = await reportClass(2);
    await expect(daySigns(await own.school.teacher("ben"), [own.classId])).rejects.toThrow();
    await expect(comingGaps(await own.school.teacher("ben"), [own.classId])).rejects.toThrow();
  });
});

describe("lines that were put off", () => {
  const line = (key: string, state: string): TodayLine => ({
    key,
    state,
    band: "today",
    station: "Work",
    what: key,
    why: "",
    href: "/",
    action: "Look",
  });
  const view = async (...lines: TodayLine[]) => todayView(await own.school.teacher(), lines);
  const putOff = async (one: TodayLine, how: string) => {
    const all = await view(one);
    const [shown] = [...all.lines, ...all.putOff];
    await putOffLine(await own.school.teacher(), { key: one.key, said: shown?.said, how });
  };
  const keys = (some: readonly { readonly key: string }[]) => some.map(({ key }) => key);

  it("come back on the next school day, after five, or once they say something else", async () => {
    own = await reportClass(1);
    own.at(4);
    const [a, b, c] = [line("a", "1"), line("b", "1"), line("c", "1")];
    await putOff(a, "next-day");
    await putOff(b, "week");
    await putOff(c, "until-changed");
    const friday = await view(a, b, c);
    expect(keys(friday.lines)).toEqual([]);
    expect(friday.putOff.map(({ untilWords }) => untilWords)).toEqual(["Mon 30 Nov", "Fri 4 Dec", null]);
    // What says something else is another line.
    expect(keys((await view(line("a", "2"), b, line("c", "2"))).lines)).toEqual(["a", "c"]);
    own.at(7);
    expect(keys((await view(a, b, c)).lines)).toEqual(["a"]);
    own.at(11);
    expect(keys((await view(a, b, c)).lines)).toEqual(["a", "b"]);
  });

  it("are one's own, can be put off anew and be brought back", async () => {
    own = await reportClass(1);
    const a = line("a", "1");
    await putOff(a, "until-changed");
    await putOff(a, "next-day");
    expect((await todayView(await own.school.teacher("cora"), [a])).lines).toHaveLength(1);
    expect((await view(a)).putOff.map(({ untilWords }) => untilWords)).toEqual(["Tue 24 Nov"]);
    await bringBackLine(await own.school.teacher("cora"), { key: "a" });
    expect((await view(a)).lines).toEqual([]);
    await bringBackLine(await own.school.teacher(), { key: "a" });
    expect(keys((await view(a)).lines)).toEqual(["a"]);
    await expect(putOffLine(await own.school.teacher(), { key: "a", said: "x", how: "for ever" })).rejects.toThrow();
    await expect(putOffLine(own.school.student("student"), { key: "a", said: "x", how: "week" })).rejects.toThrow();
  });
});
