import { writeFileSync } from "node:fs";
import { createClient } from "@libsql/client";
import { sql } from "drizzle-orm";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { type Database, openDatabase } from "@/db/connection";
import { errorKind } from "@/db/errorKind";
import { holidayRow } from "@/db/queries/school";
import { holidays, schools } from "@/db/schema/people";
import { errorFacts } from "@/server/runtime/errorFacts";
import { createRuntime } from "@/server/runtime/runtime";
import { schoolOf } from "@/server/runtime/school";
import { told } from "@/server/runtime/told";
import { rebuildSummaries } from "@/server/summaries/rebuild";
import { give, givePractice, makeClass, open, type TestSchool, testSchool } from "../support/school";

let school: TestSchool;
let db: Database;
beforeEach(async () => {
  school = await testSchool();
  db = await openDatabase(`file:${school.file}`, "src/db/migrations", { patienceMilliseconds: 400 });
});
afterEach(() => {
  db.close();
  school.close();
});

const holiday = (day: string, name = "A day") => holidayRow({ schoolId: school.schoolId, day, name });
const write = (day: string, name?: string) => db.write((tx) => tx.insert(holidays).values(holiday(day, name)));
const kindOf = (work: Promise<unknown>) => work.then(() => "done", errorKind);
const daysNow = async () => (await db.read.select().from(holidays)).map(({ day }) => day).sort();
const pause = (milliseconds: number) => new Promise((resolve) => setTimeout(resolve, milliseconds));

describe("a lock that another process holds", () => {
  it("is waited for without stopping the process, given up in words, and leaves nothing broken", async () => {
    db.close();
    // Long beside what a busy machine may hold up a timer; a wait inside the call would hold it up for all of it.
    db = await openDatabase(`file:${school.file}`, "src/db/migrations", { patienceMilliseconds: 4_000 });
    const other = createClient({ url: `file:${school.file}` });
    const lock = await other.transaction("write");
    let longest = 0;
    let last = performance.now();
    const beat = setInterval(() => {
      longest = Math.max(longest, performance.now() - last);
      last = performance.now();
    }, 5);
    const tried = await Promise.all([
      kindOf(write("2027-01-01")),
      kindOf(write("2027-01-02")),
      db.read.select().from(schools),
    ]);
    clearInterval(beat);
    expect(tried.slice(0, 2)).toEqual(["busy", "busy"]);
    // Reading goes on meanwhile, and so does everything else of this process.
    expect(tried[2]).toHaveLength(1);
    expect(longest).toBeLessThan(2_000);
    await lock.rollback();
    expect(await kindOf(write("2027-01-03"))).toBe("done");
    expect(await daysNow()).toEqual(["2026-10-26", "2027-01-03"]);
    other.close();
  });

  it("that is soon let go delays the change and nothing else", async () => {
    db.close();
    // Long beside what a busy machine may make of a tenth of a second.
    db = await openDatabase(`file:${school.file}`, "src/db/migrations", { patienceMilliseconds: 20_000 });
    const other = createClient({ url: `file:${school.file}` });
    const lock = await other.transaction("write");
    const writing = kindOf(write("2027-01-01"));
    await pause(120);
    await lock.commit();
    expect(await writing).toBe("done");
    other.close();
  });
});

describe("a disk that is full", () => {
  it("fails all changes of one commit whole, in words; with room again the next change is stored", async () => {
    const pages = await db.read.all<{ page_count: number }>(sql`pragma page_count`);
    const limit = sql.raw(`pragma max_page_count = ${(pages[0]?.page_count ?? 0) + 2}`);
    await db.write((tx) => tx.run(limit));
    const large = "x".repeat(200_000);
    const kinds = await Promise.all([
      kindOf(write("2027-01-01")),
      kindOf(write("2027-01-02", large)),
      kindOf(write("2027-01-03")),
    ]);
    expect(kinds).toContain("full");
    expect(kinds.filter((kind) => kind !== "done" && kind !== "full")).toEqual([]);
    const stored = await daysNow();
    expect(stored).not.toContain("2027-01-02");
    for (const [place, day] of ["2027-01-01", "2027-01-02", "2027-01-03"].entries())
      expect([day, stored.includes(day)]).toEqual([day, kinds[place] === "done"]);
    // The limit went with the connection that met it.
    expect(await kindOf(write("2027-01-04", large))).toBe("done");
  });
});

describe("a connection that can only read", () => {
  it("is thrown away: the next change has another one", async () => {
    await db.write((tx) => tx.run(sql`pragma query_only = on`));
    expect(await kindOf(write("2027-01-01"))).toBe("read-only");
    expect(await kindOf(write("2027-01-02"))).toBe("done");
    expect(await daysNow()).toEqual(["2026-10-26", "2027-01-02"]);
  });
});

it("whoever asks is told that nothing can be written now, by a code of its own, and not what the statement held", () => {
  const full = Object.assign(new Error("database or disk is full"), { code: "SQLITE_FULL" });
  const failed = new Error("Failed query: insert into people\nparams: Zebulon, Quince", { cause: full });
  expect(told(failed, "action failed")).toMatchObject({ ok: false, code: "unavailable" });
  expect(told(new TypeError("Zebulon is not a function"), "action failed")).toMatchObject({ code: "failed" });
  const kept = JSON.stringify(
    [failed, new TypeError("Zebulon"), new SyntaxError("in Quince")].map((one) => errorFacts(one)),
  );
  expect(kept).not.toMatch(/Zebulon|Quince/);
  expect(kept).toContain("SQLITE_FULL");
  expect(kept).toContain("storage.test.ts");
});

it("settings that another process changed are read anew within a second", async () => {
  const other = createRuntime(db, school.runtime.now, () => 0.5);
  expect((await schoolOf(other, school.schoolId)).keepYears).toBe(3);
  await school.db.write((tx) => tx.update(schools).set({ keepYears: 5 }));
  await pause(1_100);
  expect((await schoolOf(other, school.schoolId)).keepYears).toBe(5);
});

it("a rebuild beside a school at work holds the lock only for one student at a time, and both come to the same", async () => {
  const { classId, studentIds } = await makeClass(school, 6);
  const workId = await givePractice(school, classId, studentIds, { items: 40 });
  for (const id of studentIds) await give(school, id, await open(school, id, workId), "right");
  const beside = createRuntime(db, school.runtime.now, () => 0.5);
  const rebuilding = rebuildSummaries(beside);
  for (const id of studentIds) await give(school, id, await open(school, id, workId), "wrong");
  expect((await rebuilding).left).toEqual([]);
  const before = await school.db.read.query.skillStates.findMany();
  expect(before.map(({ scoredAnswers }) => scoredAnswers)).toEqual(studentIds.map(() => 2));
  await rebuildSummaries(school.runtime);
  const byId = (rows: typeof before) => [...rows].sort((x, y) => (x.personId < y.personId ? -1 : 1));
  expect(byId(await school.db.read.query.skillStates.findMany())).toEqual(byId(before));
});

it("a file that is no database is said so, in words for whoever runs the server", async () => {
  const path = `${school.file}.broken`;
  writeFileSync(
    path,
    "this is a text, and a rather long one at that, so that it is no header of a database either".repeat(20),
  );
  const failure = await openDatabase(`file:${path}`, "src/db/migrations").catch((error: unknown) => error);
  expect(errorKind(failure)).toBe("disk");
});
