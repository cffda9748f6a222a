import { copyFileSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { eq, inArray, sql } from "drizzle-orm";
import { rightResponse } from "@/core/items/telling";
import { seededRandom } from "@/core/numeric/seededRandom";
import { type Database, openDatabase } from "@/db/connection";
import { setSecret } from "@/db/queries/credentials";
import { personById, studentsOfClasses } from "@/db/queries/people";
import { insertSchool } from "@/db/queries/school";
import { itemsOfSitting } from "@/db/queries/sittings";
import { planSlots, plans } from "@/db/schema/plan";
import type { SittingChange } from "@/features/delivery/types";
import { openSitting } from "@/features/delivery/writes/openSitting";
import { submitAnswer } from "@/features/delivery/writes/submitAnswer";
import { importState } from "@/features/roster/reads/importView";
import type { ImportView } from "@/features/roster/types";
import { applyImport, beginImport } from "@/features/roster/writes/importRoster";
import { giveWork } from "@/features/work/writes/giveWork";
import { actorOf } from "@/server/access/actorOf";
import type { Doorstep } from "@/server/access/passDoor";
import type { StaffActor } from "@/server/access/policy";
import { hashSecret } from "@/server/access/secrets";
import { installContent } from "@/server/content/installContent";
import { drawerOf } from "@/server/library/drawnItems";
import type { Context } from "@/server/runtime/context";
import { createRuntime, type Runtime } from "@/server/runtime/runtime";
import { onePart } from "~/demo/onePart";
import { sentResponse } from "~/demo/sentResponse";
import { slipOn } from "~/demo/slips";
import { smallLibrary } from "./smallLibrary";

/** Monday of the test school's eleventh week, half past eight in the morning. */
export const START = Date.parse("2026-11-23T08:30:00Z");
export const TODAY = "2026-11-23";
export const PASSWORD = "a password of the tests";

/** The doorstep of most tests: one browser on one network. */
export const HERE: Doorstep = { deviceId: "device-1", address: "10.0.0.1", device: "a test" };

const MIGRATIONS = "src/db/migrations";
const SCHOOL_ID = "school-1";
/** The file that every school of this process begins as: migrating and installing the content take most of a second. */
let template: Promise<string> | null = null;

async function makeTemplate(): Promise<string> {
  const folder = mkdtempSync(join(tmpdir(), "oxbow-template-"));
  process.once("exit", () => rmSync(folder, { recursive: true, force: true }));
  const file = join(folder, "template.db");
  const db = await openDatabase(`file:${join(folder, "made.db")}`, MIGRATIONS);
  const person = (id: string, givenName: string) => ({
    id,
    schoolId: SCHOOL_ID,
    kind: "staff" as const,
    givenName,
    familyName: "Tester",
    email: `${id}@school.example`,
  });
  await db.write((tx) =>
    insertSchool(tx, {
      school: { id: SCHOOL_ID, name: "Test School", timeZone: "Europe/Dublin" },
      term: { id: "term-1", schoolId: SCHOOL_ID, name: "Autumn", startDay: "2026-09-14", endDay: "2027-01-22" },
      holidays: [{ schoolId: SCHOOL_ID, day: "2026-10-26", name: "River day" }],
      staff: [person("ana", "Ana"), person("ben", "Ben"), person("cora", "Cora"), person("sam", "Sam")],
      roles: [
        { id: "role-cora", personId: "cora", schoolId: SCHOOL_ID, role: "coordinator" },
        { id: "role-sam", personId: "sam", schoolId: SCHOOL_ID, role: "specialist" },
      ],
    }),
  );
  await db.write(async (tx) => setSecret(tx, "ana", await hashSecret(PASSWORD), "password"));
  await installContent(
    createRuntime(db, () => START, seededRandom("template")),
    smallLibrary(),
  );
  // One file, whatever still stands beside the other in its log.
  await db.read.run(sql`vacuum into ${file}`);
  db.close();
  return file;
}

/** A small school on a database file of its own, with a clock that the test moves. */
export interface TestSchool {
  readonly runtime: Runtime;
  readonly db: Database;
  readonly file: string;
  readonly schoolId: string;
  setNow(instant: number): void;
  /** Collects the statements that the application runs from now on. */
  watch(): string[];
  teacher(key?: string): Promise<Context & { actor: StaffActor }>;
  student(id: string): Context;
  close(): void;
}

export async function testSchool(): Promise<TestSchool> {
  const folder = mkdtempSync(join(tmpdir(), "oxbow-"));
  const file = join(folder, "school.db");
  template ??= makeTemplate();
  copyFileSync(await template, file);
  let watched: string[] | null = null;
  const db = await openDatabase(`file:${file}`, MIGRATIONS, { watch: (query) => watched?.push(query) });
  let now = START;
  const runtime = createRuntime(db, () => now, seededRandom("tests"));
  return {
    runtime,
    db,
    file,
    schoolId: SCHOOL_ID,
    watch: () => {
      watched = [];
      return watched;
    },
    setNow: (instant) => {
      now = instant;
    },
    teacher: async (key = "ana") => {
      const found = await personById(db.read, key);
      const actor = found ? await actorOf(runtime, found) : null;
      if (actor?.kind !== "staff") throw new Error(`${key} is not on the staff.`);
      return { runtime, actor };
    },
    student: (id) => ({ runtime, actor: { kind: "student", personId: id, schoolId: SCHOOL_ID, name: id } }),
    close: () => {
      db.close();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

/** A sitting as it comes with a reply. */
type Sitting = SittingChange;

export const csv = (text: string) => new TextEncoder().encode(text);

/** Makes a class of so many students through the import; returns its id and theirs. */
export async function makeClass(school: TestSchool, count: number, name = "6 Test", key = "ana", grade = 6) {
  const context = await school.teacher(key);
  const rows = Array.from(
    { length: count },
    (_, n) => `${name}-${n},Student${String(n).padStart(2, "0")},Of${name.replace(/\W/g, "")},${grade}`,
  );
  const draftId = await beginImport(context, {
    newClassName: name,
    newClassGrade: grade,
    fileName: "class.csv",
    bytes: csv(`id,first,last,grade\n${rows.join("\n")}`),
  });
  const { classId, changeId } = await applyImport(context, {
    draftId,
    fingerprint: await fingerprintOf(context, draftId),
  });
  if (classId === null) throw new Error("no class was made");
  const students = await studentsOfClasses(school.db.read, [classId], TODAY);
  return { classId, changeId, studentIds: students.map(({ person }) => person.id) };
}

/** Waits until a draft is read; its fingerprint. */
export async function fingerprintOf(context: Context, draftId: string): Promise<string> {
  return (await readyImport(context, draftId)).fingerprint;
}

/** Waits until a draft is read; what it would change. */
export async function readyImport(context: Context, draftId: string): Promise<ImportView> {
  for (;;) {
    const state = await importState(context, draftId);
    if (state.state === "ready") return state.view;
    if (state.state !== "reading") throw new Error(`The draft is ${JSON.stringify(state)}`);
  }
}

export async function givePractice(
  school: TestSchool,
  classId: string,
  studentIds: readonly string[],
  over: Record<string, unknown> = {},
  key = "ana",
): Promise<string> {
  const assignmentId = school.runtime.newId();
  const work = {
    assignmentId,
    classId,
    title: "Practice",
    skillIds: ["equivalent-ratios"],
    studentIds,
    opensDay: "2026-11-23",
    dueDay: "2026-11-27",
    items: 8,
    ...over,
  };
  await giveWork(await school.teacher(key), onePart(school.runtime.newId, work));
  return assignmentId;
}

/** The right response, and a wrong one, to an item as shown, as a browser sends them. */
export async function answersTo(school: TestSchool, view: Sitting, presentationId: string) {
  const shown = (await itemsOfSitting(school.db.read, view.sittingId)).find(({ id }) => id === presentationId);
  if (!shown) throw new Error("no such item");
  const { draw } = await drawerOf(school.runtime, [shown.versionId]);
  const item = draw(shown);
  return {
    item,
    right: sentResponse(item, rightResponse(item)),
    wrong: sentResponse(
      item,
      slipOn(item, () => 0.5),
    ),
  };
}

/** Gives one answer to the item that is open, or to one named. */
export async function give(
  school: TestSchool,
  studentId: string,
  view: Sitting,
  how: "right" | "wrong",
  over: Record<string, unknown> = {},
) {
  const presentationId = (over.presentationId as string | undefined) ?? view.current?.presentationId ?? "";
  const answers = await answersTo(school, view, presentationId);
  return submitAnswer(school.student(studentId), {
    key: school.runtime.newId(),
    sittingId: view.sittingId,
    presentationId,
    tryNumber: (view.current?.presentationId === presentationId ? (view.current?.tries ?? 0) : 0) + 1,
    response: answers[how],
    hintsUsed: 0,
    milliseconds: 20_000,
    agoMilliseconds: 0,
    deviceClock: school.runtime.now(),
    offline: false,
    ...over,
  });
}

export const open = (school: TestSchool, studentId: string, assignmentId: string): Promise<Sitting> =>
  openSitting(school.student(studentId), assignmentId);

/** Leaves a class nothing of its plan but the days of its skills, as a school of before has them. */
export async function onlyDaysOfSkills(school: TestSchool, classId: string): Promise<void> {
  await school.db.write(async (tx) => {
    const own = tx.select({ id: plans.id }).from(plans).where(eq(plans.classId, classId));
    await tx.delete(planSlots).where(inArray(planSlots.planId, own));
    await tx.delete(plans).where(eq(plans.classId, classId));
  });
}
