import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { everythingAbout } from "@/db/queries/everythingAbout";
import { scoresView } from "@/features/regroup/reads/outsideScores";
import { limitsOf } from "@/features/regroup/reads/suggest/limitsOf";
import { suggestions } from "@/features/regroup/reads/suggest/suggestions";
import { keepOutsideScores, removeOutsideScores } from "@/features/regroup/writes/outsideScores";
import { startsOf } from "@/server/classroom/startsOf";
import { undoChange } from "@/server/history/undoChange";
import { libraryOf } from "@/server/library/library";
import { givePractice, makeClass, type TestSchool, testSchool } from "../support/school";
import { workToEnd } from "../support/workToEnd";

const SKILL = "ratio-language";
let school: TestSchool;
let classId: string;
let studentIds: string[];
let strandId: string;

beforeEach(async () => {
  school = await testSchool();
  ({ classId, studentIds } = await makeClass(school, 8));
  strandId = (await libraryOf(school.runtime)).skill(SKILL).strandId;
});
afterEach(() => school.close());

/** The first of the class stands lowest. */
const input = (over: object = {}) => ({
  id: school.runtime.newId(),
  classIds: [classId],
  title: "Autumn test of the district",
  onDay: "2026-09-18",
  columns: [strandId],
  rows: studentIds.map((studentId, place) => ({ studentId, scores: [{ score: place, outOf: 20 }] })),
  ...over,
});
const keep = async (over: object = {}, key = "ana") => keepOutsideScores(await school.teacher(key), input(over));

async function groupsNow() {
  const teacher = await school.teacher();
  return suggestions(teacher, [classId], await limitsOf(teacher, [classId], { focus: `skill:${SKILL}` }));
}
async function basisNow() {
  const { skills, students, cells } = await groupsNow();
  const column = skills.findIndex(({ id }) => id === SKILL);
  return students.map(({ id }, row) => [id, cells[row]?.[column]?.basis] as const);
}

describe("scores from elsewhere", () => {
  it("group the lowest in the first week, say on how little that stands, and undo takes it back", async () => {
    expect((await groupsNow()).groups).toEqual([]);
    const { changeId } = await keep();
    const view = await groupsNow();
    expect((await basisNow()).map(([, basis]) => basis)).toEqual(studentIds.map(() => "score"));
    const column = view.skills.findIndex(({ id }) => id === SKILL);
    const chanceOf = (id: string) => {
      const row = view.students.findIndex((student) => student.id === id);
      return view.cells[row]?.[column]?.chance ?? 0;
    };
    for (const [place, id] of studentIds.slice(1).entries())
      expect(chanceOf(id)).toBeGreaterThan(chanceOf(studentIds[place] ?? ""));
    expect(view.groups[0]?.studentIds.length).toBeGreaterThan(2);
    expect(view.groups[0]?.studentIds).not.toContain(studentIds[7]);
    await undoChange(await school.teacher(), changeId ?? "");
    expect((await groupsNow()).groups).toEqual([]);
    expect((await scoresView(await school.teacher(), [classId])).lists).toEqual([]);
  });

  it("give way to a diagnostic and to answers", async () => {
    await keep();
    const [one = "", other = ""] = studentIds;
    const placing = await givePractice(school, classId, [one], {
      kind: "diagnostic",
      title: "Where to begin",
      skillIds: ["times-as-many", "equivalent-ratios"],
      items: 20,
      settings: { scope: { strandIds: [strandId], above: 1, below: 4 } },
    });
    await workToEnd(school, one, placing, (n) => (n % 3 === 0 ? "right" : "wrong"));
    const practice = await givePractice(school, classId, [other], { skillIds: [SKILL], items: 5 });
    await workToEnd(school, other, practice, () => "wrong");
    const basis = new Map(await basisNow());
    expect(basis.get(one)).toBe("diagnostic");
    expect(basis.get(other)).toBe("answers");
  });

  it("of the whole subject tell of each of its strands, with less certainty; of the strand itself they outrank those", async () => {
    const teacher = await school.teacher();
    await keep();
    await keep({ title: "All of it", columns: ["whole:mathematics"], onDay: "2026-10-02" });
    const { lists } = await scoresView(teacher, [classId]);
    expect(lists.map(({ columns }) => columns.map(({ name }) => name))).toEqual([
      ["All of Mathematics"],
      ["Ratios and proportional reasoning"],
    ]);
    expect(lists[0]?.lines[2]?.scores).toEqual([{ score: expect.any(Number), outOf: 20 }]);
    const [id = ""] = studentIds;
    const starts = () => startsOf(school.db.read, [id]).then((found) => found.get(id)?.get(strandId));
    const own = await starts();
    await removeOutsideScores(teacher, { listId: lists[1]?.id });
    const whole = await starts();
    expect(whole?.se).toBeGreaterThan(own?.se ?? 9);
    expect(whole?.theta).toBeGreaterThan(own?.theta ?? 9);
    const told = (await everythingAbout(school.db.read, id))["scores-from-elsewhere"];
    expect(told).toMatchObject([{ score: 0, title: "Autumn test of the district" }, { whole: true }]);
  });

  it("sent twice are kept once, of the same name take the place of those before, and are taken away and brought back", async () => {
    const teacher = await school.teacher();
    const sent = input();
    await keepOutsideScores(teacher, sent);
    expect(await keepOutsideScores(teacher, sent)).toEqual({ changeId: null });
    await keep({ title: "AUTUMN TEST of the district", onDay: "2026-09-21" });
    const { lists } = await scoresView(teacher, [classId]);
    expect(lists.map(({ onDay }) => onDay)).toEqual(["2026-09-21"]);
    const { changeId } = await removeOutsideScores(teacher, { listId: lists[0]?.id });
    expect((await basisNow()).map(([, basis]) => basis)).not.toContain("score");
    await expect(removeOutsideScores(teacher, { listId: lists[0]?.id })).rejects.toThrow("taken away already");
    await undoChange(await school.teacher(), changeId);
    expect((await basisNow()).map(([, basis]) => basis)).toContain("score");
  });

  it("are refused with what can be done", async () => {
    const rows = input().rows;
    const [first] = rows;
    await expect(keep({ title: " " })).rejects.toThrow("Say which test");
    await expect(keep({ onDay: "2026-11-24" })).rejects.toThrow("still to come");
    await expect(keep({ onDay: "2024-11-01" })).rejects.toThrow("two years");
    await expect(keep({ columns: [null] })).rejects.toThrow("at least one column");
    await expect(keep({ columns: [strandId, strandId] })).rejects.toThrow("about the same");
    await expect(keep({ columns: ["mathematics/nothing"] })).rejects.toThrow("not taught");
    await expect(keep({ rows: [...rows, first] })).rejects.toThrow("two lines");
    await expect(keep({ rows: rows.slice(0, 4) })).rejects.toThrow("fewer than 5");
    await expect(keep({ rows: rows.map((row) => ({ ...row, scores: [{ score: 7, outOf: 20 }] })) })).rejects.toThrow(
      "tells nobody apart",
    );
    await expect(keep({ rows: rows.map((row) => ({ ...row, scores: [{ score: 7, outOf: 5 }] })) })).rejects.toThrow(
      "above what it is out of",
    );
    const mixed = rows.map((row, place) => ({ ...row, scores: [{ score: place, outOf: place < 3 ? null : 20 }] }));
    await expect(keep({ rows: mixed })).rejects.toThrow("out of how many");
    const stranger = { studentId: "nobody", scores: [{ score: 1, outOf: 20 }] };
    await expect(keep({ rows: [...rows, stranger] })).rejects.toThrow("not in the class");
    await expect(keep({}, "ben")).rejects.toThrow();
  });
});
