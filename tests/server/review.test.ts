import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { everythingAbout } from "@/db/queries/everythingAbout";
import { itemsOfSitting } from "@/db/queries/sittings";
import { assignmentsOfClasses } from "@/db/queries/work";
import { studentHome } from "@/features/delivery/reads/studentHome";
import { takeReview } from "@/features/delivery/writes/takeReview";
import { cellView } from "@/features/evidence/reads/evidence";
import { classReview } from "@/features/review/reads/classReview";
import { reviewForecast } from "@/features/review/reads/forecast";
import { ownKept } from "@/features/review/reads/ownKept";
import { reviewSigns } from "@/features/review/reads/reviewSigns";
import { studentReview } from "@/features/review/reads/studentReview";
import { placeReviewSkills } from "@/features/review/writes/placeSkills";
import { changeReviewSettings } from "@/features/review/writes/reviewSettings";
import { workFigure } from "@/features/work/figure";
import { undoChange } from "@/server/history/undoChange";
import { give, givePractice, makeClass, open, START, type TestSchool, testSchool } from "../support/school";
import { workToEnd } from "../support/workToEnd";

const DAY = 86_400_000;
let school: TestSchool;
let classId: string;
let studentIds: string[];
let kim: string;
let lou: string;

beforeEach(async () => {
  school = await testSchool();
  ({ classId, studentIds } = await makeClass(school, 3));
  [kim = "", lou = ""] = studentIds;
});
afterEach(() => school.close());

const settings = async (over: object, key = "ana") =>
  changeReviewSettings(await school.teacher(key), { classId, ...over });
const put = async (place: "in" | "resting" | "dropped", skillIds: string[], over: object = {}) =>
  placeReviewSkills(await school.teacher(), { classId, skillIds, place, ...over });
const later = (days: number) => school.setNow(START + days * DAY);
const view = async () => classReview(await school.teacher(), classId);
const today = async (id = kim) => (await studentHome(school.student(id))).reviews[0] ?? null;
const take = async (id = kim) => {
  const { assignmentId } = await takeReview(school.student(id), { classId });
  return { assignmentId, view: await open(school, id, assignmentId) };
};
/** Has a student master skills today. */
async function master(skillIds: readonly string[], id = kim): Promise<void> {
  for (const skillId of skillIds) {
    const workId = await givePractice(school, classId, [id], { skillIds: [skillId], items: 16 });
    await workToEnd(school, id, workId, () => "right");
  }
}
const line = async (skillId: string) => (await view()).skills.find((one) => one.skillId === skillId);

describe("a student's review", () => {
  it("is not there before the class reviews; then what is mastered comes in by itself, and is asked when it is due", async () => {
    await master(["equivalent-ratios"]);
    expect(await today()).toBeNull();
    await expect(take()).rejects.toThrow("not on your list");
    await settings({ on: true });
    expect(await today()).toBeNull();
    await expect(take()).rejects.toThrow("Nothing has to be refreshed today");
    expect((await view()).skills).toMatchObject([{ skillId: "equivalent-ratios", askedOf: 1, masteredOnce: 1 }]);
    later(60);
    expect(await today()).toEqual({ classId, subject: "Mathematics", skills: 1, minutes: 1, state: "due" });
    expect(await today(lou)).toBeNull();
  });

  it("asks once, tells the first try, and is done for the day; asked twice, it is begun once", async () => {
    await settings({ on: true });
    await master(["equivalent-ratios"]);
    later(60);
    // From two windows in the same moment, and from one once more.
    const [first, second] = await Promise.all([take(), take()]);
    expect(second.view.sittingId).toBe(first.view.sittingId);
    expect((await take()).view.sittingId).toBe(first.view.sittingId);
    expect((await today())?.state).toBe("begun");
    const { sitting } = await give(school, kim, first.view, "right");
    expect(sitting.finished).toBe("amount");
    expect((await today())?.state).toBe("done");
    // It is not asked once more today, and holds longer now.
    expect((await take()).view.finished).toBe("amount");
    expect(await line("equivalent-ratios")).toMatchObject({ tries: 1, right: 1, waiting: 0 });
    expect(await ownKept(school.student(kim))).toMatchObject({
      reviews: [{ today: "done", met: 1, right: 1, skills: [{ inDays: expect.any(Number) }] }],
    });
    expect((await ownKept(school.student(kim))).reviews[0]?.skills[0]?.inDays).toBeGreaterThan(30);
    later(61);
    expect(await today()).toBeNull();
  });

  it("goes one step underneath after a miss, and asks again at the end; neither counts as a first try", async () => {
    await settings({ on: true });
    await master(["equivalent-ratios"]);
    later(60);
    const { view: began } = await take();
    let at = (await give(school, kim, began, "wrong")).sitting;
    at = (await give(school, kim, { ...began, ...at }, "wrong")).sitting;
    const shown = async () =>
      (await itemsOfSitting(school.db.read, began.sittingId))
        .filter(({ state }) => state !== "reserve")
        .map(({ skillId }) => skillId);
    expect(await shown()).toHaveLength(2);
    expect((await shown())[1]).not.toBe("equivalent-ratios");
    at = (await give(school, kim, { ...began, ...at }, "right")).sitting;
    expect((await shown())[2]).toBe("equivalent-ratios");
    at = (await give(school, kim, { ...began, ...at }, "right")).sitting;
    expect(at.finished).toBe("amount");
    expect(await line("equivalent-ratios")).toMatchObject({ tries: 1, right: 0 });
    // Missed, it is due again within days.
    later(70);
    expect((await today())?.skills).toBe(1);
  });

  it("ends a run that was left open once another day's begins", async () => {
    await settings({ on: true });
    await master(["equivalent-ratios", "ratio-language"]);
    later(80);
    const first = await take();
    await give(school, kim, first.view, "right");
    later(81);
    expect(await today()).toMatchObject({ skills: 1, state: "due" });
    const second = await take();
    expect(second.assignmentId).toBe(first.assignmentId);
    expect(second.view.sittingId).not.toBe(first.view.sittingId);
    // What still came from the first one is kept, and counts for nothing.
    const late = await give(school, kim, first.view, "right", {
      presentationId: first.view.reserve[0]?.presentationId ?? first.view.current?.presentationId,
    });
    expect(late.outcome).toMatchObject({ status: "not-counted" });
    expect((await give(school, kim, second.view, "right")).sitting.finished).toBe("amount");
  });

  it("is on no list of work; the bend says who has practised today", async () => {
    await settings({ on: true });
    await master(["equivalent-ratios"]);
    later(60);
    const figure = async () => (await workFigure(await school.teacher(), [classId])).text;
    expect(await figure()).toBe("0 of 3 practised today");
    await take();
    expect((await studentHome(school.student(kim))).now).toEqual([]);
    expect((await assignmentsOfClasses(school.db.read, [classId])).map(({ title }) => title)).not.toContain("Review");
    expect(await figure()).toBe("1 of 3 practised today");
    later(61);
    expect(await figure()).toBe("0 of 3 practised today");
  });

  it("is the same again after it was switched off and on", async () => {
    await settings({ on: true });
    await master(["equivalent-ratios", "ratio-language"]);
    await put("resting", ["ratio-language"]);
    later(60);
    const before = await today();
    await settings({ on: false });
    expect(await today()).toBeNull();
    await expect(ownKept(school.student(kim))).rejects.toThrow("not on your list");
    await settings({ on: true });
    expect(await today()).toEqual(before);
    expect(await line("ratio-language")).toMatchObject({ place: "resting" });
  });

  it("takes of many what is least remembered, as far as the minutes reach, and says what they cannot keep", async () => {
    await settings({ on: true, minutesADay: 1 });
    const all = (await view()).outside.map(({ skillId }) => skillId);
    expect(all.length).toBeGreaterThan(8);
    await put("in", all);
    later(10);
    expect((await today())?.skills).toBe(1);
    const { figures, students } = await view();
    expect(figures).toMatchObject({ short: 3, skills: all.length });
    expect(figures?.fits).toBeLessThan(all.length);
    expect(students[0]).toMatchObject({ due: all.length, leftOver: all.length - 1, given: 5 });
  });
});

describe("a class's review", () => {
  it("lets two skills rest: forecast before, queue after, undo", async () => {
    await settings({ on: true });
    await master(["equivalent-ratios", "ratio-language", "ratio-tables"]);
    later(60);
    const wish = { classId, studentId: null, rest: ["ratio-language", "equivalent-ratios"], drop: [] };
    const forecast = await reviewForecast(await school.teacher(), wish);
    const [before, after] = [forecast.before?.at(-1), forecast.after?.at(-1)];
    expect(after?.remembered.expected).toBeLessThan(before?.remembered.expected ?? 0);
    // To ask changed nothing.
    expect((await today())?.skills).toBe(3);
    const { changeId } = await put("resting", wish.rest);
    expect((await today())?.skills).toBe(1);
    expect(await line("ratio-language")).toMatchObject({ place: "resting", askedOf: 0 });
    await undoChange(await school.teacher(), changeId);
    expect((await today())?.skills).toBe(3);
  });

  it("keeps what was shown in a skill that was taken out", async () => {
    await settings({ on: true });
    await master(["equivalent-ratios"]);
    const cell = async () => cellView(await school.teacher(), kim, "equivalent-ratios");
    const before = await cell();
    expect(before.gauge.mark).toBe("now");
    await put("dropped", ["equivalent-ratios"]);
    expect(await cell()).toEqual(before);
    expect((await view()).figures).toBeNull();
    later(60);
    expect(await today()).toBeNull();
    await put("in", ["equivalent-ratios"]);
    expect((await today())?.skills).toBe(1);
  });

  it("says that a skill which is to rest is assigned at the moment", async () => {
    await settings({ on: true });
    await master(["equivalent-ratios"]);
    await givePractice(school, classId, studentIds, { title: "Tanks", skillIds: ["equivalent-ratios"] });
    const wish = { classId, studentId: null, rest: ["equivalent-ratios"], drop: [] };
    const { assigned } = await reviewForecast(await school.teacher(), wish);
    expect(assigned).toEqual([{ skill: "Equivalent ratios", work: "Tanks" }]);
    await put("resting", ["equivalent-ratios"]);
    expect((await studentHome(school.student(lou))).now.map(({ title }) => title)).toEqual(["Tanks"]);
  });

  it("differs for one student: minutes, what is in, off; and is the class's again at a word", async () => {
    await settings({ on: true });
    await master(["equivalent-ratios"]);
    await master(["equivalent-ratios"], lou);
    await settings({ studentId: kim, minutesADay: 3 });
    await put("resting", ["equivalent-ratios"], { studentId: kim });
    await put("in", ["ratio-tables"], { studentId: kim });
    later(60);
    const own = await studentReview(await school.teacher(), classId, kim);
    expect(own).toMatchObject({ settings: { minutesADay: 3, target: 0.85 }, differs: true });
    expect(own.skills.map(({ skillId, place, chosen }) => [skillId, place, chosen]).sort()).toEqual([
      ["equivalent-ratios", "resting", "student"],
      ["ratio-tables", "in", "student"],
    ]);
    expect((await today())?.skills).toBe(1);
    expect((await today(lou))?.skills).toBe(1);
    // The class's choice leaves the student's own alone.
    await put("dropped", ["ratio-tables"]);
    expect((await today())?.skills).toBe(1);
    await settings({ studentId: kim, on: false });
    expect(await today()).toBeNull();
    await settings({ studentId: kim, asTheClass: true });
    expect((await studentReview(await school.teacher(), classId, kim)).differs).toBe(false);
    expect((await view()).students.find(({ studentId }) => studentId === kim)).toMatchObject({
      on: true,
      differs: false,
    });
  });

  it("tells whether it works: first tries, waiting, time by kind of work", async () => {
    await settings({ on: true });
    await master(["equivalent-ratios", "ratio-language"]);
    later(60);
    const { view: began } = await take();
    school.setNow(START + 60 * DAY + 40_000);
    const at = (await give(school, kim, began, "right")).sitting;
    await give(school, kim, { ...began, ...at }, "wrong");
    const { figures, times, students } = await view();
    expect(figures).toMatchObject({ skills: 2, mastered: 2, given: 50, accuracy: { share: 0.5, answers: 2 } });
    expect(figures?.round.days).toBe(60);
    expect(times.map(({ kind }) => kind)).toEqual(["review"]);
    expect(students.find(({ studentId }) => studentId === kim)).toMatchObject({
      today: "begun",
      accuracy: { right: 1, of: 2 },
    });
  });

  it("refuses what cannot be, in words", async () => {
    await expect(settings({ on: true, minutesADay: 0 })).rejects.toThrow("at least 1 minute");
    await expect(settings({ minutesADay: 31 })).rejects.toThrow("no time for what is new");
    await expect(settings({ minutesADay: 2.5 })).rejects.toThrow("Minutes are whole");
    await expect(settings({ wantedRecall: 1 })).rejects.toThrow("asked every day");
    await expect(settings({ target: 0.2 })).rejects.toThrow("half of it");
    await expect(put("in", [])).rejects.toThrow("at least one skill");
    await expect(put("in", ["no-such-skill"])).rejects.toThrow("not of this class’s subject");
    await expect(settings({ studentId: "nobody" })).rejects.toThrow("not in the class any more");
    await expect(put("in", ["equivalent-ratios"], { studentId: "nobody" })).rejects.toThrow("not in the class");
    await expect(settings({ on: true }, "sam")).rejects.toThrow();
    expect((await view()).on).toBe(false);
  });

  it("tells what wants the teacher: minutes too few, who has stopped, what comes back in vain", async () => {
    const signs = async () => (await reviewSigns(await school.teacher(), [classId]))[0];
    expect(await signs()).toBeUndefined();
    await settings({ on: true, minutesADay: 1 });
    expect(await signs()).toMatchObject({ students: 3, short: [], missed: [], tooHard: [] });
    const all = (await view()).outside.map(({ skillId }) => skillId);
    await put("in", all);
    // Three days after they came in they are due; five school days later somebody is missed.
    later(9);
    expect(await signs()).toMatchObject({ short: [{}, {}, {}], missed: [] });
    later(14);
    expect((await signs())?.missed.map(({ id }) => id)).toEqual(studentIds);
    await put("dropped", all.slice(1));
    for (let day = 0; day < 3; day++) {
      for (const id of studentIds.slice(0, 2)) {
        later(14 + day * 9);
        const { view: began } = await take(id);
        await give(school, id, { ...began, ...(await give(school, id, began, "wrong")).sitting }, "wrong");
      }
    }
    expect(await signs()).toMatchObject({
      missed: [{ id: studentIds[2] }],
      tooHard: [{ skillId: all[0], right: 0, tries: 6, lacking: [{}, {}, {}] }],
    });
    // Whoever reviews in a class that does not is not overlooked.
    await settings({ studentId: studentIds[2], on: true });
    await settings({ on: false });
    expect(await signs()).toMatchObject({ students: 1, missed: [{ id: studentIds[2] }] });
  });

  it("goes into the student's file", async () => {
    await settings({ on: true });
    await settings({ studentId: kim, minutesADay: 3 });
    await put("in", ["ratio-tables"], { studentId: kim });
    const file = await everythingAbout(school.db.read, kim);
    expect(file["review-settings"]).toHaveLength(1);
    expect(file["review-skills"]).toHaveLength(1);
  });
});
