import { createClient } from "@libsql/client";
import { afterAll, beforeAll, expect, it } from "vitest";
import { studentHome } from "@/features/delivery/reads/studentHome";
import { takeReview } from "@/features/delivery/writes/takeReview";
import { evidenceFigure } from "@/features/evidence/figure";
import { cellView, masteryMap, studentSheet } from "@/features/evidence/reads/evidence";
import { factSigns } from "@/features/facts/reads/factSigns";
import { factsOnStart } from "@/features/facts/reads/ownFacts";
import { changeFactSettings } from "@/features/facts/writes/factSettings";
import { namesToHide, searchEntries } from "@/features/frame/reads/desk";
import { historyPage } from "@/features/frame/reads/history";
import { planFigure } from "@/features/plan/figure";
import { planView } from "@/features/plan/reads/planView";
import { regroupFigure } from "@/features/regroup/figure";
import { groupBoard } from "@/features/regroup/reads/groupBoard";
import { groupList } from "@/features/regroup/reads/groupList";
import { groupView } from "@/features/regroup/reads/groupView";
import { assignReteach } from "@/features/regroup/writes/assignReteach";
import { makeGroups } from "@/features/regroup/writes/makeGroups";
import { classReview } from "@/features/review/reads/classReview";
import { ownKept } from "@/features/review/reads/ownKept";
import { reviewSigns } from "@/features/review/reads/reviewSigns";
import { placeReviewSkills } from "@/features/review/writes/placeSkills";
import { changeReviewSettings } from "@/features/review/writes/reviewSettings";
import { rosterFigure } from "@/features/roster/figure";
import { importProgress } from "@/features/roster/reads/importView";
import { rosterView } from "@/features/roster/reads/rosterView";
import { studentRecord, whoCanSee } from "@/features/roster/reads/studentRecord";
import { beginImport } from "@/features/roster/writes/importRoster";
import { newSignIns } from "@/features/roster/writes/newSignIns";
import { workFigure } from "@/features/work/figure";
import { workList } from "@/features/work/reads/works";
import { workView } from "@/features/work/reads/workView";
import { personOfToken } from "@/server/access/sessions";
import { signInStaff, signInStudent } from "@/server/access/signIn";
import { undoChange } from "@/server/history/undoChange";
import {
  csv,
  give,
  givePractice,
  HERE,
  makeClass,
  open,
  PASSWORD,
  readyImport,
  START,
  type TestSchool,
  testSchool,
} from "../support/school";

let school: TestSchool;
/** What the application ran, by what it did. */
const run = new Map<string, string[]>();
beforeAll(async () => {
  school = await testSchool();
  const { classId, studentIds, changeId } = await makeClass(school, 6);
  const student = studentIds[0] as string;
  const context = await school.teacher();
  const slips = await newSignIns(context, { studentIds });
  const workId = await givePractice(school, classId, studentIds);
  const view = await open(school, student, workId);
  await give(school, student, view, "wrong");
  const groupId = school.runtime.newId();
  const group = { id: groupId, name: "G", skillId: "equivalent-ratios", studentIds };
  await makeGroups(context, { classIds: [classId], groups: [group] });
  await assignReteach(await school.teacher(), {
    groupId,
    reteachId: school.runtime.newId(),
    practiceDueDay: "2026-11-25",
    checkOpensDay: "2026-11-23",
    checkDueDay: "2026-11-27",
    checkItems: 3,
  });
  const draftId = await beginImport(context, { classId, fileName: "x.csv", bytes: csv("id,first,last\n1,A,B") });
  await readyImport(context, draftId);
  const teacher = await school.teacher();
  const coordinator = await school.teacher("cora");
  const during = async (what: string, use: () => Promise<unknown>) => {
    const queries = school.watch();
    await use();
    run.set(what, [...new Set(queries)]);
  };
  const ids = [classId];
  await changeFactSettings(teacher, { classId, on: true });
  await changeReviewSettings(teacher, { classId, on: true });
  await placeReviewSkills(teacher, { classId, skillIds: ["ratio-tables"], place: "in" });
  await during("a student's home", () => studentHome(school.student(student)));
  await during("what is practised daily", async () => [
    await factsOnStart(school.student(student)),
    await ownKept(school.student(student)),
  ]);
  await during("the reviews and the facts", async () => [
    await classReview(teacher, classId),
    await reviewSigns(teacher, ids),
    await factSigns(teacher, ids),
  ]);
  school.setNow(START + 10 * 86_400_000);
  await during("a review begun", () => takeReview(school.student(student), { classId }));
  school.setNow(START);
  await during("opening work", () => open(school, student, workId));
  await during("an answer", async () => give(school, student, await open(school, student, workId), "right"));
  await during("a second answer with the same key", async () => {
    const shown = await open(school, student, workId);
    const key = school.runtime.newId();
    for (let n = 0; n < 2; n++) await give(school, student, shown, "wrong", { key });
  });
  await during("the figures", async () => {
    for (const figure of [rosterFigure, planFigure, workFigure, evidenceFigure, regroupFigure])
      await figure(teacher, ids);
  });
  await during("the mastery map", () => masteryMap(teacher, ids));
  await during("the answers behind a cell", () => cellView(teacher, student, "equivalent-ratios"));
  await during("the student sheet", () => studentSheet(teacher, student));
  await during("the plan", () => planView(teacher, classId));
  await during("the work", async () => [await workList(teacher, ids), await workView(teacher, workId)]);
  await during("the groups", async () => [await groupList(teacher, ids), await groupView(teacher, groupId)]);
  await during("the group board", () => groupBoard(teacher, ids, "equivalent-ratios"));
  await during("the roster", () => rosterView(teacher, ids));
  await during("a student's record", () => studentRecord(teacher, student));
  await during("who can see", () => whoCanSee(coordinator, student));
  await during("a class's history", () => historyPage(teacher, ids, { find: "", area: "", before: null }));
  await during("the palette", () => searchEntries(teacher, ids));
  await during("names to hide", () => namesToHide(teacher));
  await during("how far an import is", () => importProgress(teacher, draftId));
  await during("an undo that is refused", () => undoChange(teacher, changeId).catch(() => null));
  await during("sign-ins", async () => {
    const [slip] = slips;
    await signInStudent(school.runtime, { code: slip?.code ?? "", studentId: student, pin: slip?.pin ?? "" }, HERE);
    const entered = await signInStaff(school.runtime, { email: "ana@school.example", password: PASSWORD }, HERE);
    if (typeof entered === "object") await personOfToken(school.runtime, entered.token);
  });
});
afterAll(() => school.close());

/** Tables that stay small whatever the school does, and JSON texts read as tables. */
const SMALL =
  /^(schools|terms|holidays|frameworks|standards|skills|subjects|skill_links|skill_standards|misconceptions|items|item_versions|item_skills|item_parameters|courses|json_each|CONSTANT|\(subquery|ranked)/;
/** One person's throttles of a kind; there are as many as there are devices trying at the time. */
const KNOWN = /^throttles/;
/** An index of part of a table that stays small: answers that wait for a person to score them. */
const SMALL_INDEX = / USING (?:COVERING )?INDEX sitting_items_waiting$/;

it("nothing that a page, an answer or a sign-in runs reads a whole table", async () => {
  expect(run.size).toBeGreaterThan(18);
  for (const queries of run.values()) expect(queries.length).toBeGreaterThan(0);
  const client = createClient({ url: `file:${school.file}` });
  const scans: string[] = [];
  for (const [what, queries] of run)
    for (const query of queries) {
      const marks = (query.match(/\?/g) ?? []).map(() => "x");
      const plan = await client.execute({ sql: `explain query plan ${query}`, args: marks });
      for (const { detail } of plan.rows) {
        const [, table = ""] = /^SCAN (?:TABLE )?"?([^\s"]+)/.exec(String(detail)) ?? [];
        if (table !== "" && !SMALL.test(table) && !KNOWN.test(table) && !SMALL_INDEX.test(String(detail)))
          scans.push(`${what}: ${detail} — ${query}`);
      }
    }
  client.close();
  expect(scans).toEqual([]);
});
