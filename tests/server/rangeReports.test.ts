import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { dayNumber } from "@/core/calendar/dayNumber";
import { evidenceAfter } from "@/db/queries/answerLog";
import { allMisconceptionDays } from "@/db/queries/summaries";
import { linesOf } from "@/features/delivery/reads/signs";
import { noteLook } from "@/features/evidence/entry";
import { acrossClasses } from "@/features/evidence/reads/across/acrossClasses";
import { acrossReport } from "@/features/evidence/reads/across/acrossReport";
import { masteryMap } from "@/features/evidence/reads/evidence";
import { readFrame } from "@/features/evidence/reads/frame";
import { gainReport } from "@/features/evidence/reads/gain";
import { mapSince, narrowedMap } from "@/features/evidence/reads/mapSince";
import { mistakesReport } from "@/features/evidence/reads/mistakes";
import { putInReport } from "@/features/evidence/reads/putIn/putInReport";
import { familyView } from "@/features/evidence/reads/student/familyView";
import { studentReport } from "@/features/evidence/reads/student/studentReport";
import { weekReport } from "@/features/evidence/reads/week/weekReport";
import { praise, setExpectation } from "@/features/evidence/writes/weekSettings";
import { undoChange } from "@/server/history/undoChange";
import { naiveSummaries } from "../support/naiveSummaries";
import { type ReportClass, reportClass } from "../support/reportClass";
import { makeClass } from "../support/school";
import { summariesHold } from "../support/summariesHold";

let own: ReportClass;
const teacher = () => own.school.teacher();
const MONDAY = dayNumber("2026-11-23");
const part = (title: string, opening: readonly object[] = []) => ({
  id: own.school.runtime.newId(),
  title,
  kind: "quiz",
  skillIds: ["ratio-language", "unit-rates"],
  settings: { items: 4 },
  opening,
  items: ["own/one", "own/two", "own/three", "own/four"].map((itemId, seed) => ({
    itemId,
    skillId: seed < 2 ? "ratio-language" : "unit-rates",
    seed,
  })),
});
const mean = (values: readonly number[]) => values.reduce((sum, one) => sum + one, 0) / values.length;
const variance = (values: readonly number[]) =>
  values.reduce((sum, one) => sum + (one - mean(values)) ** 2, 0) / (values.length - 1);

describe("gain", () => {
  it("is worked out for each and for the class, with how far luck reaches; who wrote one only is named", async () => {
    own = await reportClass(4);
    const [before, after] = [part("Before"), part("After")];
    const pair = await own.test({
      title: "Pair",
      parts: [before, { ...after, opening: [{ by: "done", partId: before.id }] }],
    });
    const answers = [
      ["xxxx", "rrrr"],
      ["rxxx", "rrxx"],
      ["rrxx", "rrxx"],
    ] as const;
    for (const [who, [pre, post]] of answers.entries()) {
      await own.sit(pair, who, pre, 20, before.id);
      await own.sit(pair, who, post, 20, after.id);
    }
    await own.sit(pair, 3, "rrrr", 20, before.id);
    const view = await gainReport(await teacher(), await own.frame(), {});
    // The very same items: both tests are as hard.
    expect(view.forms).toEqual({ basis: "as-they-are", difference: 0 });
    const [x, y] = [
      [0, 0.25, 0.5],
      [1, 0.5, 0.5],
    ];
    const differences = [1, 0.25, 0];
    const sem = (marks: readonly number[]) => Math.sqrt(mean(marks.map((mark) => (mark * (1 - mark)) / 3)));
    const reach = 1.959963984540054 * Math.hypot(sem(x ?? []), sem(y ?? []));
    for (const [who, difference] of differences.entries()) {
      const row = view.students.find(({ id }) => id === own.students[who]);
      expect(row?.difference).toBeCloseTo(difference, 12);
      expect(row?.low).toBeCloseTo(difference - reach, 9);
      expect(row?.change).toBe(difference > reach ? "up" : "within-error");
    }
    expect(view.class?.difference).toBeCloseTo(mean(differences), 12);
    // Student's t with two degrees of freedom at 97.5 %: 4.302653.
    const half = 4.302653 * Math.sqrt(variance(differences) / 3);
    expect(view.class?.interval?.low).toBeCloseTo(mean(differences) - half, 5);
    const pooled = Math.sqrt((variance(x ?? []) + variance(y ?? [])) / 2);
    expect(view.class?.effect).toBeCloseTo(((1 - 3 / (4 * 4 - 1)) * mean(differences)) / pooled, 9);
    expect(view.onlyBefore.map(({ id }) => id)).toEqual([own.students[3]]);
    // Ratio language 0, 1/2, 1 to 1, 1, 1; unit rates nothing to 1, 0, 0.
    const gained = Object.fromEntries(view.standards.map(({ skillId, gained: of }) => [skillId, of]));
    expect(gained["ratio-language"]).toBeCloseTo(0.5, 12);
    expect(gained["unit-rates"]).toBeCloseTo(1 / 3, 12);
  });

  it("stands with one test, and with none", async () => {
    own = await reportClass(2);
    expect((await gainReport(await teacher(), await own.frame(), {})).tests).toEqual([]);
    const work = await own.test();
    await own.sit(work, 0, "rrrr");
    const view = await gainReport(await teacher(), await own.frame(), {});
    expect(view).toMatchObject({ students: [], post: null });
    expect(view.pre).not.toBeNull();
  });
});

describe("reports over some days", () => {
  let monday: string;
  beforeEach(async () => {
    own = await reportClass(4);
    monday = await own.test({ title: "Monday" });
    await own.sit(monday, 0, "ddrr", 60);
    await own.sit(monday, 1, "rdrr", 60);
    own.at(2);
    const wednesday = await own.test({ title: "Wednesday" });
    await own.sit(wednesday, 0, "drrr", 30);
    own.at(3);
  });
  afterEach(() => own.school.close());

  it("count mistakes by day, so that ranges can be set against each other; a second reading of the log agrees", async () => {
    const days = await allMisconceptionDays(own.school.db.read);
    expect(days.map(({ personId, day, times }) => [own.students.indexOf(personId), day, times]).sort()).toEqual([
      [0, MONDAY, 1],
      [0, MONDAY, 1],
      [0, MONDAY + 2, 1],
      [1, MONDAY, 1],
    ]);
    const all = await mistakesReport(await teacher(), await own.frame({ range: "this-week" }));
    const of = (name: string) => all.lines.filter(({ misconceptionId }) => misconceptionId === name);
    expect(of("turned-the-ratio-round")[0]?.students.map(({ id, times }) => [own.students.indexOf(id), times])).toEqual(
      expect.arrayContaining([
        [0, 1],
        [1, 1],
      ]),
    );
    expect(all.told).toBe(4);
    expect(all.wrong).toBe(4);
    const later = await mistakesReport(
      await teacher(),
      await own.frame({ range: "2026-11-25..2026-11-25", against: "2026-11-23..2026-11-23" }),
    );
    expect(
      later.lines.map(({ misconceptionId, students, before }) => [misconceptionId, students.length, before]),
    ).toEqual([["compared-by-difference", 1, 1]]);
    const none = await own.frame({ range: "2026-11-02..2026-11-20" });
    expect((await mistakesReport(await teacher(), none)).lines).toEqual([]);
    await summariesHold(own.school);
  });

  it("tell the week by minutes and pieces against what is expected so far, and whom to praise", async () => {
    await setExpectation(await teacher(), { classIds: [own.classId], minutes: 5, pieces: 1 });
    const view = await weekReport(await teacher(), await own.frame(), { week: "2026-11-23" });
    expect(view.expectation).toEqual({ minutes: 5, pieces: 1 });
    const week = (who: number) => view.students.find(({ id }) => id === own.students[who])?.weeks[3];
    // Four school days by Thursday: four fifths of the week.
    expect(week(0)?.expected).toEqual({ minutes: 4, pieces: 0.8 });
    expect(week(0)).toMatchObject({ signedIn: true, minutes: 6, pieces: 2, onGrade: 2, standing: "on-course" });
    expect(week(1)).toMatchObject({ minutes: 4, pieces: 1, standing: "on-course" });
    expect(week(2)).toMatchObject({ signedIn: false, minutes: 0, pieces: 0, standing: "time" });
    expect(view.praise.map(({ id, because }) => [own.students.indexOf(id), because])).toEqual([
      [0, [{ code: "through", pieces: 2, expected: 1 }]],
    ]);
    const { changeId } = await praise(await teacher(), {
      students: [{ id: own.students[0], classId: own.classId }],
      text: "You stayed with it.",
    });
    const lines = () => linesOf(own.school.db.read, own.students[0] ?? "");
    expect((await lines()).map(({ kind, text, workId }) => [kind, text, workId])).toEqual([
      ["praise", "You stayed with it.", null],
    ]);
    await undoChange(await teacher(), changeId);
    expect(await lines()).toEqual([]);
    await expect(
      praise(await teacher(), { students: [{ id: "nobody", classId: own.classId }], text: "Hm." }),
    ).rejects.toMatchObject({ code: "invalid" });
    await expect(
      setExpectation(await teacher(), { classIds: [own.classId], minutes: -1, pieces: 1 }),
    ).rejects.toMatchObject({ code: "invalid" });
  });

  it("count work put in: time against what the same items usually take, and what came of it", async () => {
    const view = await putInReport(await teacher(), await own.frame(), {});
    const of = (who: number) => view.students.find(({ id }) => id === own.students[who]);
    // Each item was answered in 60, 60 and 30 s: 60 s is usual. Four at 60 and four at 30 s of eight at 60.
    expect(of(0)?.counts).toMatchObject({ seconds: 360, usualSeconds: 480, answers: 8, rapid: 0, misses: 0 });
    expect(of(0)?.figures.time).toBe(0.75);
    expect(of(0)).toMatchObject({ right: 5, answered: 8, move: "teach" });
    expect(of(1)).toMatchObject({ right: 3, answered: 4, move: "goes-well" });
    expect(of(2)).toMatchObject({ result: null, move: "not-begun" });
    const one = await putInReport(await teacher(), await own.frame(), { work: monday });
    expect(one.piece?.title).toBe("Monday");
    expect(one.students.find(({ id }) => id === own.students[0])).toMatchObject({ right: 2, answered: 4 });
    expect(view.activities.every(({ compared }) => compared === null)).toBe(true);
  });

  it("follow the days of membership: what was answered before joining is not the class's", async () => {
    const frame = await own.frame({ range: "this-week" });
    const later = {
      ...frame,
      students: frame.students.map((student) =>
        student.id === own.students[0] ? { ...student, days: [{ from: MONDAY + 2, to: 999_999 }] } : student,
      ),
    };
    const view = await mistakesReport(await teacher(), later);
    expect(view.told).toBe(2);
    const week = (await weekReport(await teacher(), later, { week: "2026-11-23" })).students.find(
      ({ id }) => id === own.students[0],
    )?.weeks[3];
    expect(week).toMatchObject({ pieces: 1, minutes: 2 });
  });

  it("set classes side by side in a common test, each share against the others together", async () => {
    const other = await makeClass(own.school, 2, "6 Other");
    const { across, frame } = await acrossNow();
    expect(across.classIds.slice().sort()).toEqual([own.classId, other.classId].sort());
    const view = await acrossReport(await teacher(), across, frame, {});
    expect(view.test).toBeNull();
    expect(view.use.find(({ classId }) => classId === own.classId)).toMatchObject({ students: 4, answers: 12 });
    expect(view.use.find(({ classId }) => classId === other.classId)?.never).toHaveLength(2);
    expect(view.use.find(({ classId }) => classId === own.classId)?.never).toHaveLength(2);
  });
  const acrossNow = async () => {
    const across = await acrossClasses(await teacher(), [own.classId], {});
    return { across, frame: await readFrame(await teacher(), across.classIds, {}, "term") };
  };

  it("tell of one student levels with errors, what is shown and missing, and a page for the family without levels", async () => {
    const [student = ""] = own.students;
    const view = await studentReport(await teacher(), student, await own.frame({ range: "term" }), {});
    expect(view.range).toMatchObject({ minutes: 6, answered: 8, right: 5 });
    expect(view.wholes).toHaveLength(1);
    expect(view.wholes[0]?.level.se).toBeGreaterThan(5);
    expect(view.course.at(-1)?.levels[view.wholes[0]?.id ?? ""]).toEqual(view.wholes[0]?.level);
    expect(view.mistakes[0]).toMatchObject({ times: 2 });
    expect(view.works.map(({ title, percent }) => [title, percent])).toEqual([
      ["Wednesday", 75],
      ["Monday", 50],
    ]);
    const family = await familyView(await teacher(), student, await own.frame({ range: "term" }), {});
    expect(JSON.stringify(family)).not.toMatch(/chance|score|level/i);
    await expect(studentReport(await own.school.teacher("ben"), student, await own.frame(), {})).rejects.toMatchObject({
      code: "not-allowed",
    });
    const nobody = await studentReport(await teacher(), own.students[3] ?? "", await own.frame(), {});
    expect(nobody).toMatchObject({
      wholes: [],
      works: [expect.anything(), expect.anything()],
      mistakes: [],
      tried: [],
    });
  });

  it("draw on the map where everybody stood on an earlier day, and only whom and what the frame leaves", async () => {
    const [student = ""] = own.students;
    expect(await mapSince(await teacher(), await own.frame())).toBeNull();
    const frame = await own.frame({ against: "2026-11-23..2026-11-23", about: "skill:unit-rates", students: student });
    const since = await mapSince(await teacher(), frame);
    expect(since?.words).toBe("Mon 23 Nov");
    // The state after Monday's last answer, from the log alone.
    const log = await evidenceAfter(own.school.db.read, 0, 1000);
    const monday = log.filter(
      ({ personId, skillId, day }) => personId === student && skillId === "unit-rates" && day === MONDAY,
    );
    expect(monday).toHaveLength(2);
    expect(since?.chances[student]?.["unit-rates"]).toBeCloseTo(naiveSummaries(monday).states[0]?.mastery ?? -1, 6);
    expect(since?.chances[own.students[3] ?? ""]).toBeUndefined();
    const map = narrowedMap(await masteryMap(await teacher(), [own.classId]), frame);
    expect(map.skills.map(({ id }) => id)).toEqual(["unit-rates"]);
    expect(map.students.map(({ id, gauges }) => [id, gauges.length])).toEqual([[student, 1]]);
  });

  it("know when somebody looked last, by visits", async () => {
    const looked = async () => (await own.frame({ range: "look" })).view.lookedWords;
    expect(await looked()).toBeNull();
    own.at(0);
    await noteLook(await teacher(), [own.classId]);
    own.at(3);
    await noteLook(await teacher(), [own.classId]);
    expect(await looked()).toBe("Mon 23 Nov");
    expect((await own.frame({ range: "look" })).range).toEqual({ from: MONDAY, to: MONDAY + 3 });
  });

  it("say what a frame hides, and read no nonsense from the address", async () => {
    const odd = await own.frame({
      range: "2027-01-01..2027-02-01",
      about: "skill:no-such",
      grade: "sideways",
      group: "gone",
    });
    expect(odd.view.hides.map(({ drop }) => drop)).toEqual([["group", "students"], ["about", "subjects"], ["range"]]);
    expect(odd.params.ofGrade).toBeNull();
    expect(odd.students).toEqual([]);
    const view = await mistakesReport(await teacher(), odd);
    expect(view).toMatchObject({ lines: [], told: 0, students: 0 });
    expect((await weekReport(await teacher(), odd, {})).students).toEqual([]);
    expect((await putInReport(await teacher(), odd, {})).students).toEqual([]);
  });
});
