import { eq, getTableName } from "drizzle-orm";
import { afterEach, beforeEach, expect, it } from "vitest";
import { credentials } from "@/db/schema/access";
import { sittingItems } from "@/db/schema/sittings";
import { evidenceFigure } from "@/features/evidence/figure";
import { planFigure } from "@/features/plan/figure";
import { planView } from "@/features/plan/reads/planView";
import { regroupFigure } from "@/features/regroup/figure";
import { groupList } from "@/features/regroup/reads/groupList";
import { makeGroups } from "@/features/regroup/writes/makeGroups";
import { rosterFigure } from "@/features/roster/figure";
import { rosterView } from "@/features/roster/reads/rosterView";
import { newSignIns } from "@/features/roster/writes/newSignIns";
import { workFigure } from "@/features/work/figure";
import { workList } from "@/features/work/reads/works";
import { give, givePractice, makeClass, open, START, type TestSchool, testSchool } from "../support/school";

let school: TestSchool;
let classId: string;
let studentIds: string[];
beforeEach(async () => {
  school = await testSchool();
  ({ classId, studentIds } = await makeClass(school, 8));
});
afterEach(() => school.close());

const pages = async () => {
  const context = await school.teacher();
  const ids = [classId];
  const [works, groups, roster, plan] = await Promise.all([
    workList(context, ids),
    groupList(context, ids),
    rosterView(context, ids),
    planView(context, classId),
  ]);
  const sum = (key: "notStarted" | "stuck") =>
    works.filter(({ state }) => state === "open").reduce((total, work) => total + work[key], 0);
  return { sum, groups, roster, plan };
};

it("the figures of the bend say what the pages behind them say", async () => {
  const context = await school.teacher();
  const ids = [classId];
  expect(await rosterFigure(context, ids)).toEqual({ text: "8 without a PIN", attention: true });
  expect(await workFigure(context, ids)).toEqual({ text: "no open work", attention: false });
  expect(await evidenceFigure(context, ids)).toEqual({ text: "no answers for a week", attention: false });
  expect(await regroupFigure(context, ids)).toEqual({ text: "no groups yet", attention: false });

  await newSignIns(context, { studentIds });
  expect((await rosterFigure(context, ids)).text).toBe("8 students");
  await school.db.write((tx) =>
    tx
      .update(credentials)
      .set({ lockedUntil: START + 90_000 })
      .where(eq(credentials.personId, studentIds[0] as string)),
  );
  expect((await rosterFigure(context, ids)).text).toBe("1 held at the door");
  expect((await pages()).roster.students.filter(({ signIn }) => signIn === "locked")).toHaveLength(1);
  // A lock ends by the clock, without anything being written.
  school.setNow(START + 120_000);
  expect((await rosterFigure(context, ids)).text).toBe("8 students");

  const workId = await givePractice(school, classId, studentIds, { items: 20 });
  for (const [order, id] of studentIds.slice(0, 5).entries()) {
    let view = await open(school, id, workId);
    for (let n = 0; n < 14 && view.current; n++)
      view = (await give(school, id, view, order < 2 ? "wrong" : "right")).sitting;
  }
  await givePractice(school, classId, studentIds, { opensDay: "2026-11-25" });
  const { sum, plan } = await pages();
  expect(sum("stuck")).toBeGreaterThan(0);
  expect((await workFigure(context, ids)).text).toBe(`${sum("notStarted")} not started, ${sum("stuck")} stuck`);
  expect((await planFigure(context, ids)).text).toBe(plan.position.short);
  const { text } = await evidenceFigure(context, ids);
  expect(Number.parseInt(text, 10)).toBeGreaterThan(20);

  const group = {
    id: school.runtime.newId(),
    name: "G",
    skillId: "equivalent-ratios",
    studentIds: studentIds.slice(0, 2),
  };
  await makeGroups(context, { classIds: ids, groups: [group] });
  expect((await regroupFigure(await school.teacher(), ids)).text).toBe("1 group to plan");
  expect((await pages()).groups).toMatchObject([{ stage: "plan" }]);
});

it("figures are counted once until something touches them, and only for whom they are open to", async () => {
  const context = await school.teacher();
  const queries = school.watch();
  await workFigure(context, [classId]);
  const first = queries.length;
  await workFigure(context, [classId]);
  expect(queries.slice(first)).toEqual([]);
  await givePractice(school, classId, studentIds);
  const written = queries.length;
  expect((await workFigure(context, [classId])).text).toBe("8 not started");
  expect(queries.length).toBeGreaterThan(written);
  await expect(workFigure(await school.teacher("ben"), [classId])).rejects.toMatchObject({ code: "not-allowed" });
});

it("no figure and no list of work fetches the items of a sitting", async () => {
  const workId = await givePractice(school, classId, studentIds);
  await open(school, studentIds[0] as string, workId);
  const context = await school.teacher();
  const queries = school.watch();
  for (const figure of [rosterFigure, planFigure, workFigure, evidenceFigure, regroupFigure])
    await figure(context, [classId]);
  await workList(context, [classId]);
  await groupList(context, [classId]);
  expect(queries.length).toBeGreaterThan(8);
  // What waits to be scored is counted by an index that holds nothing else.
  const others = queries.filter((query) => !query.includes("indexed by sitting_items_waiting"));
  expect(queries.length - others.length).toBe(1);
  for (const query of others) expect(query).not.toContain(getTableName(sittingItems));
});
