import { createClient } from "@libsql/client";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { answersOfPerson, uncountedAnswersOf } from "@/db/queries/answerLog";
import { everythingAbout } from "@/db/queries/everythingAbout";
import { studentHome } from "@/features/delivery/reads/studentHome";
import { giveHint } from "@/features/delivery/writes/giveHint";
import { cellView } from "@/features/evidence/reads/evidence";
import { rebuildSummaries } from "@/server/summaries/rebuild";
import { assignCheck } from "../support/check";
import { give, givePractice, makeClass, open, START, type TestSchool, testSchool } from "../support/school";

const HOUR = 3_600_000;
const DAY = 24 * HOUR;
/** Friday at eight in the evening, when the work of these tests is due. */
const DUE = Date.parse("2026-11-27T20:00:00Z");
let school: TestSchool;
let classId: string;
let student: string;
let workId: string;
beforeEach(async () => {
  school = await testSchool();
  const made = await makeClass(school, 2);
  ({ classId } = made);
  student = made.studentIds[0] as string;
  workId = await givePractice(school, classId, [student], { items: 20 });
});
afterEach(() => school.close());

const log = () => answersOfPerson(school.db.read, student);
const aside = () => uncountedAnswersOf(school.db.read, student);

describe("the time of an answer", () => {
  it("is the server's: a tablet two days ahead whose answers waited loses none of them", async () => {
    const view = await open(school, student, workId);
    school.setNow(DUE + HOUR);
    const kept = { offline: true, deviceClock: DUE - HOUR + 2 * DAY, agoMilliseconds: 2 * HOUR };
    const first = await give(school, student, view, "right", kept);
    const second = await give(school, student, view, "right", {
      ...kept,
      agoMilliseconds: 1.5 * HOUR,
      presentationId: view.reserve[0]?.presentationId,
    });
    expect([first.outcome.status, second.outcome.status]).toEqual(["scored", "scored"]);
    expect((await log()).map(({ givenAt, lateClaim, witness }) => [givenAt, lateClaim, witness])).toEqual([
      [DUE - HOUR, true, "device"],
      [DUE - HOUR / 2, true, "device"],
    ]);
  });

  it.each([
    ["an hour before the due time, told as long ago", 0, 1e16, DUE + 20 * DAY, "too-late"],
    ["now, told as the end of the world", 1e16, 0, DUE - HOUR, null],
    ["with no clock at all", Number.NaN, Number.NaN, DUE - HOUR, null],
  ])("given %s is placed within bounds", async (_, deviceClock, agoMilliseconds, now, reason) => {
    const view = await open(school, student, workId);
    school.setNow(now);
    const reply = await give(school, student, view, "right", { deviceClock, agoMilliseconds, offline: true });
    expect(reply.outcome).toMatchObject(reason ? { status: "not-counted", reason } : { status: "scored" });
    for (const row of [...(await log()), ...(await aside())]) {
      expect(row.givenAt).toBeGreaterThanOrEqual(START);
      expect(row.givenAt).toBeLessThanOrEqual(now);
    }
  });

  it("after the due time counts for nothing when it did not wait on a device, and its text is kept", async () => {
    const view = await open(school, student, workId);
    school.setNow(DUE + HOUR);
    const reply = await give(school, student, view, "right", {
      agoMilliseconds: 2 * HOUR,
      response: { a: { text: "12" } },
    });
    expect(reply.outcome).toMatchObject({ reason: "too-late", message: expect.stringContaining("over") });
    expect(await log()).toHaveLength(0);
    expect(await aside()).toMatchObject([{ sent: '{"a":{"text":"12"}}', reason: "too-late", recordedAt: DUE + HOUR }]);
  });

  it("decides its school day, on the page and in the summaries alike", async () => {
    const view = await open(school, student, workId);
    // Wednesday, 40 minutes after midnight in Dublin: given on Tuesday.
    const now = Date.parse("2026-11-25T00:40:00Z");
    school.setNow(now);
    await give(school, student, view, "right", { offline: true, agoMilliseconds: HOUR });
    const [row] = await log();
    const about = await everythingAbout(school.db.read, student);
    expect(about["practice-days"]).toMatchObject([{ day: row?.day }]);
    expect(about.levels).toMatchObject([{ lastDay: row?.day }]);
    expect((await cellView(await school.teacher(), student, "equivalent-ratios")).answers[0]?.when).toMatch(/^24 Nov/);
    expect(new Date((row?.day ?? 0) * DAY).toISOString().slice(0, 10)).toBe("2026-11-24");
  });

  it("that is older than what was answered elsewhere meanwhile does not turn time back", async () => {
    const other = await givePractice(school, classId, [student]);
    const view = await open(school, student, workId);
    const elsewhere = await open(school, student, other);
    school.setNow(START + 2 * DAY);
    await give(school, student, elsewhere, "right");
    await give(school, student, view, "right", { offline: true, agoMilliseconds: 2 * DAY });
    const [state] = (await everythingAbout(school.db.read, student)).levels as { lastDay: number }[];
    const [later, earlier] = await log();
    expect(later?.day).toBe((earlier?.day ?? 0) + 2);
    expect(state?.lastDay).toBe(later?.day);
  });
});

describe("which item is answered", () => {
  it("is the open one while there is a connection", async () => {
    const view = await open(school, student, workId);
    const reply = await give(school, student, view, "right", { presentationId: view.reserve[0]?.presentationId });
    expect(reply.outcome).toMatchObject({ status: "not-counted", reason: "elsewhere" });
    expect(await log()).toHaveLength(0);
  });

  it("is the next of the reserve, in its order, without one", async () => {
    const view = await open(school, student, workId);
    const [first, second, third] = view.reserve.map(({ presentationId }) => presentationId);
    const away = (presentationId?: string) => give(school, student, view, "wrong", { offline: true, presentationId });
    expect((await away(third)).outcome).toMatchObject({ reason: "elsewhere" });
    await away(view.current?.presentationId);
    expect((await away(third)).outcome).toMatchObject({ reason: "elsewhere" });
    for (const id of [first, second, third]) expect((await away(id)).outcome.status).toBe("scored");
    expect((await log()).map(({ sittingItemId }) => sittingItemId)).toEqual([
      view.current?.presentationId,
      first,
      second,
      third,
    ]);
  });

  it("is the reserve's also when the reply to the last one was lost on its way", async () => {
    const view = await open(school, student, workId);
    const key = school.runtime.newId();
    const lost = await give(school, student, view, "right", { key });
    // The browser knows nothing of the reply: it sends the same again and goes on with what it has.
    const again = await give(school, student, view, "right", { key, offline: true });
    expect(again.outcome).toEqual(lost.outcome);
    for (const { presentationId } of view.reserve.slice(0, 3)) {
      const reply = await give(school, student, view, "wrong", { offline: true, presentationId });
      expect(reply.outcome.status).toBe("scored");
    }
    expect(await log()).toHaveLength(4);
  });

  it("is none once the work has ended: a finished check takes no answer from an earlier reserve", async () => {
    const checkId = await assignCheck(school, classId, [student], 3);
    let view = await open(school, student, checkId);
    const [earlier] = view.reserve;
    const skip = earlier?.presentationId ?? "";
    for (let n = 0; n < 6 && view.finished === null; n++) view = (await give(school, student, view, "right")).sitting;
    expect(view).toMatchObject({ finished: "amount", itemsDone: 3, reserve: [] });
    const before = (await log()).length;
    const late = await give(school, student, view, "right", { presentationId: skip, offline: true });
    expect(late.outcome).toMatchObject({ status: "not-counted" });
    expect(late.sitting).toMatchObject({ itemsDone: 3, finished: "amount" });
    expect(await log()).toHaveLength(before);
    expect(await aside()).toHaveLength(1);
  });

  it("of work that was mastered meanwhile is kept as over", async () => {
    let view = await open(school, student, workId);
    const reserve = [];
    for (let n = 0; n < 20 && view.finished === null; n++) {
      reserve.push(...view.reserve);
      view = (await give(school, student, view, "right")).sitting;
    }
    expect(view.finished).toBe("mastered");
    const answered = new Set((await log()).map(({ sittingItemId }) => sittingItemId));
    const left = reserve.map(({ presentationId }) => presentationId).find((id) => !answered.has(id));
    const late = await give(school, student, view, "right", { presentationId: left, offline: true });
    expect(late.outcome).toMatchObject({ status: "not-counted", reason: "over" });
    expect(await aside()).toMatchObject([{ sittingItemId: left, reason: "over" }]);
  });
});

describe("what the server knows", () => {
  it("are the hints it handed out, whatever the device says", async () => {
    let view = await open(school, student, workId);
    while (!view.current?.hints) view = (await give(school, student, view, "wrong")).sitting;
    const presentationId = view.current.presentationId;
    expect(view.current.hintsGiven).toEqual([]);
    const { hint } = await giveHint(school.student(student), { sittingId: view.sittingId, presentationId });
    expect(hint).toEqual(expect.any(String));
    expect((await open(school, student, workId)).current?.hintsGiven).toEqual([hint]);
    await give(school, student, view, "right", { hintsUsed: 0 });
    expect((await log()).at(-1)).toMatchObject({ hintsUsed: 1, witness: "server" });
  });

  it("hands hints out one after another, the item's own last, and the same one to whoever asks again", async () => {
    const view = await open(school, student, workId);
    const ask = async (given: number) => {
      const asked = { sittingId: view.sittingId, presentationId: view.current?.presentationId, given };
      return (await giveHint(school.student(student), asked)).hint;
    };
    // Whoever asks for the third before the first gets the first.
    const first = await ask(2);
    expect(await ask(0)).toBe(first);
    const second = await ask(1);
    expect(await ask(1)).toBe(second);
    const third = await ask(2);
    expect(new Set([first, second, third]).size).toBe(3);
    expect(await ask(7)).toBe(third);
    const again = await open(school, student, workId);
    expect(again.current?.hintsGiven).toEqual([first, second, third]);
    await give(school, student, again, "right", { hintsUsed: 1 });
    expect((await log()).at(-1)).toMatchObject({ hintsUsed: 3, witness: "server" });
  });

  it("hands out no hint of another's item, of one that is not open, or in a check", async () => {
    const view = await open(school, student, workId);
    const ask = (who: string, sittingId: string, presentationId = "") =>
      giveHint(school.student(who), { sittingId, presentationId });
    const [open0, reserved] = [view.current?.presentationId, view.reserve[0]?.presentationId];
    await expect(ask("ana", view.sittingId, open0)).rejects.toMatchObject({ code: "not-allowed" });
    await expect(ask(student, view.sittingId, reserved)).rejects.toMatchObject({ code: "not-found" });
    const check = await open(school, student, await assignCheck(school, classId, [student], 3));
    expect(check.current).toMatchObject({ hints: 0, hintsGiven: [] });
    await expect(ask(student, check.sittingId, check.current?.presentationId)).rejects.toMatchObject({
      code: "not-found",
    });
  });

  it("is since when a try can have lasted: each try its own time", async () => {
    const view = await open(school, student, workId);
    school.setNow(START + 30_000);
    const miss = await give(school, student, view, "wrong", { milliseconds: 600_000 });
    school.setNow(START + 45_000);
    await give(school, student, miss.sitting, "wrong", { milliseconds: 44_000 });
    expect((await log()).map(({ milliseconds, witness }) => [milliseconds, witness])).toEqual([
      [30_000, "server"],
      [15_000, "server"],
    ]);
  });
});

describe("the log", () => {
  /** Writes past every guard, as an older version did. */
  async function poison(change: string): Promise<void> {
    const client = createClient({ url: `file:${school.file}` });
    for (const trigger of ["answers_are_never_changed", "answers_lie_in_bounds", "scores_are_never_changed"])
      await client.execute(`drop trigger ${trigger}`);
    await client.execute(change);
    client.close();
  }

  it("goes on with an item that the library does not hold any more", async () => {
    let view = await open(school, student, workId);
    for (let n = 0; n < 3; n++) view = (await give(school, student, view, "wrong")).sitting;
    const gone = (await log())[0]?.versionId ?? "";
    const client = createClient({ url: `file:${school.file}` });
    const body = `{"parameters":{"x":{"of":[]}},"contexts":{}}`;
    await client.execute({ sql: "update item_versions set body = ? where id = ?", args: [body, gone] });
    client.close();
    // Another process, which has nothing of it in memory.
    const later = { ...school.runtime, db: { ...school.db } };
    const cell = await cellView({ ...(await school.teacher()), runtime: later }, student, "equivalent-ratios");
    expect(cell.answers.some(({ stem }) => stem.includes("not in the library any more"))).toBe(true);
    expect(cell.answers).toHaveLength(3);
  });

  it("refuses a row that lies outside its bounds, and any change", async () => {
    await give(school, student, await open(school, student, workId), "right");
    const client = createClient({ url: `file:${school.file}` });
    await expect(client.execute("update answers set response = 'x'")).rejects.toThrow("only ever added to");
    const columns = (await client.execute("select * from answers")).columns.filter((name) => name !== "serial");
    const values = columns.map((name) => (name === "key" ? "'again'" : name === "given_at" ? "1e16" : name));
    await expect(
      client.execute(`insert into answers (${columns.join(", ")}) select ${values.join(", ")} from answers`),
    ).rejects.toThrow("outside its bounds");
    client.close();
  });

  it.each([
    ["an instant that no date can hold", "answers", "given_at = 10000000000000000", 0],
    ["an instant before all time", "answers", "given_at = -9000000000000000000", 0],
    ["a length that no number can hold", "answers", "milliseconds = 9000000000000000000", 0],
    ["a response that is none", "answers", "response = '{}'", 0],
    ["parameters that no item has", "scores", "a = 0, c = 4", 1],
  ])("with %s stops none of its readers", async (_, table, damage, unread) => {
    let view = await open(school, student, workId);
    for (let n = 0; n < 3; n++) view = (await give(school, student, view, "wrong")).sitting;
    await poison(`update ${table} set ${damage} where serial = (select min(serial) from ${table})`);
    const context = school.student(student);
    expect((await studentHome(context)).now).toHaveLength(1);
    expect((await open(school, student, workId)).current).not.toBeNull();
    expect((await cellView(await school.teacher(), student, "equivalent-ratios")).answers).toHaveLength(3);
    expect(await answersOfPerson(school.db.read, student)).toHaveLength(3);
    expect((await everythingAbout(school.db.read, student)).answers).toHaveLength(3);
    const { answers, left } = await rebuildSummaries(school.runtime);
    expect(answers + left.length).toBe(3);
    expect(left.length).toBe(unread);
  });
});
