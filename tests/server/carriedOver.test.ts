import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { gunzipSync } from "node:zlib";
import { sql } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { chanceOfMastery } from "@/core/mastery/chanceOfMastery";
import { seededRandom } from "@/core/numeric/seededRandom";
import { type Database, openDatabase } from "@/db/connection";
import { evidenceAfter } from "@/db/queries/answerLog";
import { personById } from "@/db/queries/people";
import { allMisconceptionSigns, allSkillDays, allSkillStates } from "@/db/queries/summaries";
import { openSitting } from "@/features/delivery/writes/openSitting";
import { submitAnswer } from "@/features/delivery/writes/submitAnswer";
import { cellView, masteryMap, studentSheet } from "@/features/evidence/reads/evidence";
import { historyPage } from "@/features/frame/reads/history";
import { groupView } from "@/features/regroup/reads/groupView";
import { lessonFor } from "@/features/regroup/reads/lesson";
import { workList } from "@/features/work/reads/works";
import { workView } from "@/features/work/reads/workView";
import { actorOf } from "@/server/access/actorOf";
import { installContent } from "@/server/content/installContent";
import { undoChange } from "@/server/history/undoChange";
import { createRuntime, type Runtime } from "@/server/runtime/runtime";
import { rebuildSummaries } from "@/server/summaries/rebuild";
import { smallLibrary } from "~/tests/support/smallLibrary";
import { naiveSummaries } from "../support/naiveSummaries";

/**
 * A school as the version before this one left it: six students, practice on one skill and on two, a reteach with its check,
 * an answer that could not be read, work that is to be taken back. What that version showed of it stands beside it.
 */
const read = (name: string) => gunzipSync(readFileSync(`tests/fixtures/beforeAnswersAndScores.${name}.gz`));
const before = JSON.parse(read("json").toString("utf8"));

let folder: string;
let db: Database;
let runtime: Runtime;
const teacher = async () => {
  const person = await personById(db.read, "ana");
  if (!person) throw new Error("Ana is gone.");
  return { runtime, actor: await actorOf(runtime, person) };
};
const student = (personId: string) => ({
  runtime,
  actor: { kind: "student" as const, personId, schoolId: "school-1", name: personId },
});

/** Views without what the rule before said of skills that nobody has worked on, and without the mark that it had and what is said of why and of snags. */
function asKept(view: unknown): unknown {
  if (Array.isArray(view)) return view.map(asKept);
  if (typeof view !== "object" || view === null) return view;
  const { mastered: _mastered, mark: _mark, why: _why, because: _because, ...own } = view as Record<string, unknown>;
  const { snags: _snags, beingTaught: _taught, ...rest } = own;
  if (rest.answered === 0) return { answered: 0 };
  return Object.fromEntries(Object.entries(rest).map(([name, value]) => [name, asKept(value)]));
}

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), "oxbow-carried-"));
  const file = join(folder, "school.db");
  writeFileSync(file, read("db"));
  db = await openDatabase(`file:${file}`, "src/db/migrations");
  runtime = createRuntime(db, () => before.now, seededRandom("carried"));
});
afterAll(() => {
  db.close();
  rmSync(folder, { recursive: true, force: true });
});

describe("a school of the version before", () => {
  it("refers to nothing that is not there", async () => {
    expect(await db.read.all(sql`pragma foreign_key_check`)).toEqual([]);
  });

  it("shows the same mastery map, figure by figure", async () => {
    const { groupings: _groupings, skills, ...map } = await masteryMap(await teacher(), [before.classId]);
    // How columns may be gathered and ordered is told since.
    const same = skills.map(({ learningPlace: _place, ...skill }) => skill);
    expect(asKept({ ...map, skills: same })).toEqual(asKept(before.map));
  });

  it("shows the same answers behind each cell, in the same words, chosen options too", async () => {
    const cells = await Promise.all(
      before.studentIds.map(async (id: string) => cellView(await teacher(), id, "ratio-language")),
    );
    expect(before.cells.flatMap(({ answers }: { answers: object[] }) => answers).length).toBeGreaterThan(40);
    // What is read of lessons is kept since.
    expect(cells.map(({ lesson }) => lesson)).toEqual(cells.map(() => null));
    // What a chance stands on without answers is said since.
    expect(cells.map(({ start }) => start)).toEqual(cells.map(() => null));
    const plain = cells.map(({ lesson: _lesson, start: _start, ...cell }) => ({
      ...cell,
      answers: cell.answers.map(({ partly: _partly, ...answer }: { partly: string | null }) => answer),
    }));
    expect(asKept(plain)).toEqual(asKept(before.cells));
    expect(cells.flatMap(({ answers }) => answers).filter(({ partly }) => partly !== null)).toEqual([]);
  });

  it("shows the same work, group, outcome of the reteach, and student sheet", async () => {
    const context = await teacher();
    for (const was of before.works) {
      const { budgetItems, rows, ...same } = was;
      const now = await workView(context, was.id);
      // Skills carry the codes of their standards since.
      const skills = now.skills.map((name) => name.replace(/ \(WV [^)]+\)$/, ""));
      expect({ ...now, skills }).toMatchObject({ ...same, items: budgetItems });
      expect(now.rows).toMatchObject(rows);
      // Nothing was granted, and everybody who was through is so.
      expect(now.rows.map(({ granted, excused, late }) => [granted, excused, late])).toEqual(
        now.rows.map(() => [[], null, false]),
      );
      expect(now.scoring).toEqual({ waiting: 0, any: false });
      expect(now.rows.every(({ markPercent }) => markPercent === null)).toBe(true);
    }
    // Plans have wrong answers to look at and a step further since.
    const lesson = await lessonFor(context, before.groupId, "things");
    const { look: _look, further: _further, ...plan } = lesson.plan;
    // Rounds are told with their approach since, and whoever was away is counted apart.
    const { round, ...group } = await groupView(context, before.groupId);
    const { reteach, plan: planThen, wrongAnswers, outcome, ...groupThen } = before.group;
    expect({ plan, wrongAnswers: lesson.wrongAnswers }).toEqual({ plan: planThen, wrongAnswers });
    expect(group).toMatchObject({ ...groupThen, outcome: { ...outcome, away: 0 } });
    expect(round).toMatchObject({ ...reteach, approach: "things", judgedDay: null, compared: { done: 0, of: 0 } });
    expect(before.group.outcome).toMatchObject({ learned: expect.any(Number) });
    // Talks are noted since.
    const { talks, ...sheet } = await studentSheet(context, before.studentIds[0]);
    expect(talks).toEqual([]);
    expect(asKept(sheet)).toEqual(asKept(before.sheet));
  });

  it("rebuilds to the same summaries, from scores alone", async () => {
    const rows = async () => ({
      states: (await allSkillStates(db.read)).map(
        ({
          evidence: _evidence,
          mean: _mean,
          spread: _spread,
          unaidedAnswers: _unaided,
          lostDay: _lost,
          snagTimes: _times,
          rightIfMastered: _with,
          rightIfNot: _without,
          ...state
        }) => state,
      ),
      days: (await allSkillDays(db.read)).map(({ personId, skillId, day, answered, right, milliseconds }) => ({
        personId,
        skillId,
        day,
        answered,
        right,
        milliseconds,
      })),
      signs: await allMisconceptionSigns(db.read),
    });
    const was = {
      states: before.states.map(({ modelIds, ...state }: { modelIds: string[] }) => ({ ...state, itemIds: modelIds })),
      days: before.days,
      signs: before.signs,
    };
    expect(await rows()).toEqual(was);
    const running = await allSkillStates(db.read);
    for (const { mastery, mean, spread } of running)
      expect(chanceOfMastery({ mean, spread }), "the ability that gives the chance that was kept").toBeCloseTo(
        mastery,
        1,
      );
    expect((await rebuildSummaries(runtime)).left).toEqual([]);
    const anew = await rows();
    expect(anew.days).toEqual(was.days);
    expect(anew.signs).toEqual(was.signs);
    // What the rules of today say of the same scores.
    const naive = naiveSummaries(await evidenceAfter(db.read, 0, 10_000)).states;
    expect(anew.states).toHaveLength(was.states.length);
    for (const [place, state] of (await allSkillStates(db.read)).entries()) {
      expect(state.mastery).toBeCloseTo(naive[place]?.mastery ?? Number.NaN, 6);
      expect(state).toMatchObject({
        unaidedAnswers: naive[place]?.unaidedAnswers,
        masteredDay: naive[place]?.masteredDay,
      });
    }
  });

  it("keeps what could not count, and lets students go on at the item where they were", async () => {
    expect(await db.read.query.uncountedAnswers.findMany()).toHaveLength(before.uncounted);
    for (const [n, was] of before.views.entries()) {
      const now = await openSitting(student(before.studentIds[n]), before.two);
      expect(now).toMatchObject({ progress: was.progress, itemsDone: was.itemsDone, finished: was.finished });
      expect(now.current?.presentationId).toBe(was.current?.presentationId);
      expect(now.current?.stem).toBe(was.current?.stem);
      expect(now.reserveIds).toEqual(was.reserve.map((item: { presentationId: string }) => item.presentationId));
      const texts = (now.current?.parts ?? []).flatMap(({ shown }) => ("options" in shown ? shown.options : []));
      expect(texts.map(({ text }) => text)).toEqual(
        (was.current?.options ?? []).map(({ text }: { text: string }) => text),
      );
    }
  });

  it("takes an answer that waited on a device since then", async () => {
    const personId = before.studentIds[3];
    const view = await openSitting(student(personId), before.two);
    if (!view.current) throw new Error("nothing is open");
    const { outcome } = await submitAnswer(student(personId), {
      key: runtime.newId(),
      sittingId: view.sittingId,
      presentationId: view.current.presentationId,
      tryNumber: view.current.tries + 1,
      answer: view.current.parts[0]?.kind === "number" ? "3" : "A",
      hintsUsed: 0,
      milliseconds: 9000,
      agoMilliseconds: 60_000,
      deviceClock: before.now,
      offline: true,
    });
    expect(["scored", "not-counted"]).toContain(outcome.status);
    if (outcome.status === "not-counted") expect(outcome.reason).toBe("unreadable");
  });

  it("knows its items as those that ship: bringing the content up to date changes none of them", async () => {
    const installed = await installContent(runtime, smallLibrary());
    expect(installed).toMatchObject({ newItems: 0, newVersions: 0, retiredItems: 0 });
    expect(await installContent(runtime, smallLibrary())).toMatchObject({ changedSkills: 0, newVersions: 0 });
    expect((await masteryMap(await teacher(), [before.classId])).students[0]?.gauges).toHaveLength(12);
  });

  it("keeps its history, and takes back what that version did", async () => {
    const context = await teacher();
    const search = { find: "", area: "", before: null };
    const { entries } = await historyPage(context, [before.classId], search);
    const due = entries.find(({ sentence }) => sentence.includes("is now due"));
    const given = entries.find(
      ({ sentence }) => sentence.includes("To be taken back") && sentence.startsWith("Assigned"),
    );
    expect(entries.some(({ sentence }) => sentence.startsWith("Assigned reteach practice"))).toBe(true);
    expect((await workView(context, before.third)).dueDay).toBe("2026-11-30");
    await undoChange(context, due?.id ?? "");
    expect((await workView(context, before.third)).dueDay).toBe("2026-11-27");
    await undoChange(context, given?.id ?? "");
    expect((await workList(context, [before.classId])).some(({ id }) => id === before.third)).toBe(false);
    const reteach = entries.find(({ sentence }) => sentence.startsWith("Assigned reteach practice"));
    await expect(undoChange(context, reteach?.id ?? "")).rejects.toMatchObject({
      code: "conflict",
      message: expect.stringContaining("students have worked since"),
    });
  });
});
