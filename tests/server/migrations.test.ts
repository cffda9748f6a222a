import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { createClient } from "@libsql/client";
import { drizzle } from "drizzle-orm/libsql";
import { migrate } from "drizzle-orm/libsql/migrator";
import { afterEach, beforeEach, expect, it } from "vitest";
import { openDatabase } from "@/db/connection";
import { answersOfPerson } from "@/db/queries/answerLog";
import { factsOf, rowsOfChange } from "@/db/queries/history";
import { changeSubjects, changes, signIns } from "@/db/schema/history";
import { reteaches, reteachStudents } from "@/db/schema/reteach";
import { changeWords } from "@/words/staff/historyWords";

const MIGRATIONS = "src/db/migrations";
let folder: string;
let file: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), "oxbow-old-"));
  file = `file:${join(folder, "school.db")}`;
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

/** A database as the version with so many migrations left it. */
async function oldDatabase(migrations: number) {
  const old = join(folder, "migrations");
  cpSync(MIGRATIONS, old, { recursive: true });
  const journalFile = join(old, "meta", "_journal.json");
  const journal = JSON.parse(readFileSync(journalFile, "utf8"));
  writeFileSync(journalFile, JSON.stringify({ ...journal, entries: journal.entries.slice(0, migrations) }));
  const client = createClient({ url: file });
  await migrate(drizzle(client), { migrationsFolder: old });
  const insert = (table: string, row: Record<string, string | number | null>) =>
    client.execute({
      sql: `insert into ${table} (${Object.keys(row).join(", ")}) values (${Object.keys(row)
        .map(() => "?")
        .join(", ")})`,
      args: Object.values(row),
    });
  return { client, insert };
}

const NOON = Date.parse("2026-11-20T12:00:00Z");

it("a school of the version before keeps its log, with rows that lay out of bounds repaired, and its reteach outcomes", async () => {
  const { client, insert } = await oldDatabase(3);
  await insert("schools", { id: "s", name: "S", time_zone: "Europe/Dublin" });
  await insert("terms", { id: "t", school_id: "s", name: "T", start_day: "2026-09-01", end_day: "2027-01-31" });
  const person = { school_id: "s", family_name: "X" };
  await insert("people", { ...person, id: "ana", kind: "staff", given_name: "Ana" });
  for (const id of ["a", "b"]) await insert("people", { ...person, id, kind: "student", given_name: id, grade: 6 });
  await insert("classes", {
    id: "c",
    school_id: "s",
    term_id: "t",
    name: "C",
    subject: "Mathematics",
    grade: 6,
    code: "ABC",
  });
  await insert("frameworks", { id: "f", name: "F" });
  await insert("standards", { id: "st", framework_id: "f", strand: "R", grade: 6, code: "1", statement: "…" });
  await insert("skills", {
    id: "k",
    standard_id: "st",
    name: "K",
    student_name: "K",
    grade: 6,
    difficulty: 0,
    place: 0,
    lesson: "{}",
    reteach: "{}",
  });
  const work = {
    class_id: "c",
    title: "W",
    instructions: "",
    opens_at: 0,
    due_at: NOON,
    budget_items: 4,
    created_by: "ana",
    created_at: 0,
  };
  for (const [id, kind] of [
    ["practice", "practice"],
    ["check", "check"],
  ] as const) {
    await insert("works", { ...work, id, kind });
    await insert("work_skills", { id: `${id}-k`, work_id: id, skill_id: "k", place: 0 });
  }
  const sitting = { work_id: "check", started_at: NOON, last_at: NOON, chances_at_start: "{}", presentations: "[]" };
  await insert("sittings", {
    ...sitting,
    id: "sit-a",
    person_id: "a",
    finished_at: NOON + 9000,
    finish_reason: "amount",
    items_done: 4,
    items_right: 4,
  });
  await insert("sittings", { ...sitting, id: "sit-b", person_id: "b" });
  const state = {
    skill_id: "k",
    prior: 0.3,
    scored_answers: 5,
    right_first_tries: 4,
    model_ids: "[]",
    last_day: 20000,
    stability_days: 10,
    misses_in_row: 0,
  };
  await insert("skill_states", { ...state, person_id: "a", mastery: 0.91 });
  const group = {
    school_id: "s",
    class_id: "c",
    owner_id: "ana",
    label: "G",
    subject: "M",
    skill_id: "k",
    because: "",
    from_day: "2026-11-18",
    slots: "[]",
    created_at: 0,
  };
  await insert("groups", { ...group, id: "g", name: "G" });
  await insert("reteaches", {
    id: "r",
    group_id: "g",
    practice_work_id: "practice",
    check_work_id: "check",
    created_at: NOON,
  });
  await insert("reteach_baselines", { id: "ba", reteach_id: "r", person_id: "a", chance: 0.25 });
  await insert("reteach_baselines", { id: "bb", reteach_id: "r", person_id: "b", chance: 0.2 });
  const change = {
    id: "ch",
    school_id: "s",
    at: NOON,
    area: "groups",
    kind: "reteach",
    summary: "Assigned",
    undoable: 1,
  };
  await insert("changes", change);
  const rows = [
    {
      table: "reteachBaselines",
      id: "ba",
      before: null,
      after: { id: "ba", reteachId: "r", personId: "a", chance: 0.25 },
    },
  ];
  await insert("change_rows", { id: "ch-0", change_id: "ch", place: 0, rows: JSON.stringify(rows) });
  const answer = {
    person_id: "a",
    work_id: "check",
    sitting_id: "sit-a",
    presentation_id: "p",
    skill_id: "k",
    model_id: "m",
    model_version: 1,
    seed: 1,
    context: "",
    try_number: 1,
    raw: "1",
    right: 1,
    hints_used: 0,
    milliseconds: 9,
    day: 20000,
    grade: 6,
    skill_difficulty: 0,
    a: 1,
    b: 0,
    c: 0,
  };
  const given = [NOON + 4000, 0, NOON + 99_000_000];
  for (const [n, given_at] of given.entries())
    await insert("answers", { ...answer, key: `k${n}`, given_at, recorded_at: NOON + 5000 });
  await client.execute("update answers set given_at = 10000000000000000 where key = 'k2'");
  client.close();

  const db = await openDatabase(file, MIGRATIONS);
  expect((await answersOfPerson(db.read, "a")).map(({ givenAt, witness }) => [givenAt, witness])).toEqual([
    [NOON + 4000, "device"],
    [NOON, "device"],
    [NOON + 5000, "device"],
  ]);
  expect(await db.read.select().from(reteaches)).toMatchObject([{ id: "r", skillId: "k", assignedDay: "2026-11-20" }]);
  expect(await db.read.select().from(reteachStudents)).toMatchObject([
    {
      id: "ba",
      chanceBefore: 0.25,
      chanceAfter: 0.91,
      checkRight: 4,
      checkItems: 4,
      verdict: "learned",
      judgedDay: "2026-11-20",
    },
    { id: "bb", chanceBefore: 0.2, verdict: null, judgedDay: null },
  ]);
  expect(await rowsOfChange(db.read, "ch")).toMatchObject([
    { table: "reteachStudents", after: { chanceBefore: 0.25 } },
  ]);
  db.close();
});

it("a database of a later version is refused in words, and stays as it is", async () => {
  (await openDatabase(file, MIGRATIONS)).close();
  const client = createClient({ url: file });
  await client.execute(
    `insert into __drizzle_migrations (hash, created_at) values ('later', ${Date.parse("2099-01-01")})`,
  );
  const tables = async () => (await client.execute("select name, sql from sqlite_master order by name")).rows;
  const before = await tables();
  await expect(openDatabase(file, MIGRATIONS)).rejects.toThrow("later version of Oxbow");
  expect(await tables()).toEqual(before);
  client.close();
});

it("the history keeps the sentences of before; comings and goings move to a list of their own", async () => {
  const { client, insert } = await oldDatabase(7);
  await insert("schools", { id: "s", name: "S", time_zone: "Europe/Dublin" });
  const person = { school_id: "s", family_name: "X" };
  await insert("people", { ...person, id: "ana", kind: "staff", given_name: "Ana" });
  await insert("people", { ...person, id: "a-1", kind: "student", given_name: "A" });
  const entry = { school_id: "s", at: NOON, undoable: 0 };
  const told: readonly (readonly [string, string, string, string | null])[] = [
    ["sign-in", "signed-in", "{person:a-1} signed in by pin on a tablet on loan", "a-1"],
    ["sign-in", "signed-in", "{person:ana} signed in by password", "ana"],
    ["sign-in", "locked-out", "Wrong tries with the pin of {person:a-1}: further ones have to wait", null],
    ["sign-in", "reset-asked", "A link for a new password was sent to {person:ana}", null],
    ["sign-in", "password-set", "{person:ana} set a new password by a link from the mail box", "ana"],
    ["sign-in", "password-set", "{person:ana} changed the own password; other devices were signed out", "ana"],
    ["sign-in", "second-step", "{person:ana} set up a second step for signing in", "ana"],
    ["sign-in", "second-step", "{person:ana} removed the second step for signing in", "ana"],
    ["sign-in", "signed-out", "{person:ana} signed a device out: a phone", "ana"],
    ["roster", "student", "Added {person:a-1} to the class", "ana"],
    ["roster", "undo", "Undone: Added {person:a-1} to the class", "ana"],
  ];
  for (const [n, [area, kind, summary, actorId]] of told.entries()) {
    await insert("changes", { ...entry, id: `c${n + 10}`, area, kind, summary, actor_id: actorId });
    await insert("change_subjects", { id: `c${n + 10}-0`, change_id: `c${n + 10}`, subject_id: "a-1" });
  }
  client.close();

  const db = await openDatabase(file, MIGRATIONS);
  expect(
    (await db.read.select().from(signIns)).map(({ personId, kind, by, device }) => [personId, kind, by, device]),
  ).toEqual([
    ["a-1", "signed-in", "pin", "a tablet on loan"],
    ["ana", "signed-in", "password", ""],
    ["a-1", "must-wait", "pin", ""],
    ["ana", "link-sent", null, ""],
    ["ana", "password-by-link", null, ""],
    ["ana", "password-changed", null, ""],
    ["ana", "second-step-set", null, ""],
    ["ana", "second-step-removed", null, ""],
    ["ana", "device-signed-out", null, "a phone"],
  ]);
  const kept = await db.read.select().from(changes);
  expect(kept.map((row) => changeWords(factsOf(row), (id) => `<${id}>`))).toEqual([
    "Added <a-1> to the class",
    "Undone: Added <a-1> to the class",
  ]);
  expect((await db.read.select().from(changeSubjects)).map(({ changeId }) => changeId)).toEqual(["c19", "c20"]);
  await expect(db.write((tx) => tx.update(changes).set({ at: 1 }))).rejects.toThrow();
  await expect(db.write((tx) => tx.update(signIns).set({ at: 1 }))).rejects.toThrow();
  db.close();
});
