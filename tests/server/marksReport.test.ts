import { strFromU8, unzipSync } from "fflate";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { assignmentById, partsOfWorks } from "@/db/queries/work";
import { takeReport } from "@/features/evidence/entry";
import type { MarkCell } from "@/features/evidence/marksTypes";
import { marksReport } from "@/features/evidence/reads/marks";
import { sayNought } from "@/features/evidence/writes/sayNought";
import { furtherTry } from "@/features/work/writes/furtherTry";
import { grant } from "@/features/work/writes/grant";
import { undoChange } from "@/server/history/undoChange";
import { type ReportClass, reportClass } from "../support/reportClass";

let own: ReportClass;
/** Four points, category Tests. */
let first: string;
/** Two points, no category. */
let second: string;

beforeEach(async () => {
  own = await reportClass(4);
  first = await own.test();
  second = await own.test({
    title: "Warm-up",
    rules: {},
    parts: [
      {
        id: own.school.runtime.newId(),
        kind: "quiz",
        skillIds: ["ratio-language"],
        settings: { items: 2 },
        items: ["own/one", "own/two"].map((itemId, seed) => ({ itemId, skillId: "ratio-language", seed })),
      },
    ],
  });
  await own.sit(first, 0, "rrrx");
  await own.sit(first, 1, "rxxx");
  await own.sit(second, 0, "rx");
  await own.sit(second, 2, "rr");
  // A week on: what is not handed in is over.
  own.at(7);
});
afterEach(() => own.school.close());

const teacher = () => own.school.teacher();
const report = async (search = {}) => marksReport(await teacher(), await own.frame(search), search);
const cell = (cells: readonly (MarkCell | null)[], place: number) => cells[place];

describe("marks", () => {
  it("average what was handed in, by the rules: each figure by hand", async () => {
    const view = await report();
    expect(
      view.columns.map(({ title, points, category, mean, n, atLine }) => [title, points, category, mean, n, atLine]),
    ).toEqual([
      ["Ratios test", 4, "Tests", "1/2", 2, 1],
      ["Warm-up", 2, "", "3/4", 2, 1],
    ]);
    const rows = own.students.map((id) => view.rows.find((row) => row.id === id));
    // 3/4 and 1/2; 1/4; 1; nothing.
    expect(rows.map((row) => row?.average)).toEqual(["5/8", "1/4", "1", null]);
    expect(rows.map((row) => row?.cells.map((one) => one?.state))).toEqual([
      ["marked", "marked"],
      ["marked", "none"],
      ["none", "marked"],
      ["none", "none"],
    ]);
    // The mean of 5/8, 1/4 and 1.
    expect(view.average).toBe("5/8");
    expect(view.categories).toEqual(["", "Tests"]);
    expect(rows[0]?.byCategory).toEqual(["1/2", "3/4"]);
    // By points: (3 + 1) of 6.
    const byPoints = await report({ weigh: "points" });
    expect(byPoints.rows.find(({ id }) => id === own.students[0])?.average).toBe("2/3");
  });

  it("count as nought by the teacher's word, which is undone; excused pieces are left out", async () => {
    const nought = { assignmentId: first, studentIds: [own.students[2], own.students[3]], counts: true };
    const { changeId } = await sayNought(await teacher(), nought);
    expect(await sayNought(await teacher(), nought)).toEqual({ changeId: null });
    const of = async (who: number) => (await report()).rows.find(({ id }) => id === own.students[who]);
    expect((await of(2))?.average).toBe("1/2");
    expect((await of(3))?.average).toBe("0");
    expect(cell((await of(3))?.cells ?? [], 0)?.state).toBe("nought");
    await grant(await teacher(), {
      assignmentId: first,
      studentIds: [own.students[2] ?? ""],
      excuse: "At the doctor's",
    });
    expect((await of(2))?.average).toBe("1");
    await expect(sayNought(await teacher(), { ...nought, studentIds: [own.students[0]] })).rejects.toMatchObject({
      code: "conflict",
    });
    await undoChange(await teacher(), changeId ?? "").catch(() => undefined);
    await expect(sayNought(await own.school.teacher("ben"), nought)).rejects.toMatchObject({ code: "not-allowed" });
  });

  it("say first try and best, and count the latest, unless the work says otherwise", async () => {
    const work = await assignmentById(own.school.db.read, second);
    const [part] = await partsOfWorks(own.school.db.read, [work?.workId ?? ""]);
    own.at(1);
    await furtherTry(await teacher(), {
      assignmentId: second,
      partId: part?.id ?? "",
      studentIds: [own.students[2] ?? ""],
      form: "same",
    });
    await own.sit(second, 2, "rx");
    own.at(7);
    const found = (await report()).rows.find(({ id }) => id === own.students[2])?.cells[1];
    expect(found).toMatchObject({ mark: "1/2", first: "1", best: "1", tries: 2, state: "marked" });
  });

  it("count a test before teaching in no average", async () => {
    const [before, after] = [own.school.runtime.newId(), own.school.runtime.newId()];
    const part = (id: string, title: string, opening: readonly object[] = []) => ({
      id,
      title,
      kind: "quiz",
      skillIds: ["ratio-language"],
      settings: { items: 2 },
      opening,
      items: ["own/one", "own/two"].map((itemId, seed) => ({ itemId, skillId: "ratio-language", seed })),
    });
    own.at(0);
    const pair = await own.test({
      title: "Pair",
      parts: [part(before, "Before"), part(after, "After", [{ by: "done", partId: before }])],
    });
    await own.sit(pair, 3, "xx", 20, before);
    await own.sit(pair, 3, "rr", 20, after);
    const view = await report();
    expect(view.columns.filter(({ workId }) => workId === pair).map(({ title, counts }) => [title, counts])).toEqual([
      ["Pair: Before", false],
      ["Pair: After", true],
    ]);
    expect(view.rows.find(({ id }) => id === own.students[3])?.average).toBe("1");
  });
});

/** Delimited text read by rules of its own: fields in quotes may hold commas, quotes doubled. */
function fields(text: string): string[][] {
  const lines = text
    .replace(/^\uFEFF/, "")
    .trimEnd()
    .split("\r\n");
  return lines.map((line) => {
    const found = [""];
    let quoted = false;
    for (const letter of line)
      if (letter === '"') quoted = !quoted;
      else if (letter === "," && !quoted) found.push("");
      else found.push((found.pop() ?? "") + letter);
    return found;
  });
}
/** The cells of a workbook's sheet, read from its XML alone. */
function workbook(bytes: Uint8Array, sheet: number): (string | number)[][] {
  const files = unzipSync(bytes);
  const xml = (name: string) => strFromU8(files[name] ?? new Uint8Array());
  const plain = (text: string) => text.replaceAll("&amp;", "&").replaceAll("&lt;", "<").replaceAll("&gt;", ">");
  const shared = [...xml("xl/sharedStrings.xml").matchAll(/<si>(.*?)<\/si>/gs)].map(([, si = ""]) =>
    plain([...si.matchAll(/<t[^>]*>(.*?)<\/t>/gs)].map(([, t]) => t).join("")),
  );
  return [...xml(`xl/worksheets/sheet${sheet}.xml`).matchAll(/<row [^>]*>(.*?)<\/row>/gs)].map(([, row = ""]) =>
    [...row.matchAll(/<c r="[A-Z]+\d+"([^>]*?)(?:\/>|>(.*?)<\/c>)/gs)].map(([, head = "", body = ""]) => {
      const value = /<v>(.*?)<\/v>/.exec(body)?.[1];
      if (value === undefined) return "";
      return head.includes('t="s"') ? (shared[Number(value)] ?? "") : Number(value);
    }),
  );
}

describe("marks as files", () => {
  it("are read back from delimited text, and from the workbook, as the report has them", async () => {
    const view = await report();
    const text = await takeReport(await teacher(), "marks", { classes: "6-test", as: "csv", table: "Marks" });
    expect(text).toMatchObject({ name: expect.stringMatching(/^Marks-.*\.csv$/), type: "text/csv; charset=utf-8" });
    const rows = fields(strFromU8(text.bytes));
    expect(rows[0]).toEqual([
      "Student",
      "Ratios test (%)",
      "Warm-up (%)",
      "Average of work without a category (%)",
      "Average of Tests (%)",
      "Average (%)",
    ]);
    expect(rows.slice(1).map((row) => row.slice(1))).toEqual([
      ["75", "50", "50", "75", "62"],
      ["25", "", "", "25", "25"],
      ["", "100", "100", "", "100"],
      ["", "", "", "", ""],
    ]);
    const book = await takeReport(await teacher(), "marks", { classes: "6-test", as: "xlsx" });
    const marks = workbook(book.bytes, 1);
    expect(marks[0]).toEqual(rows[0]);
    expect(marks[1]).toEqual([view.rows[0]?.name, 75, 50, 50, 75, 62]);
    const each = workbook(book.bytes, 2);
    expect(each).toHaveLength(1 + 8);
    expect(each[1]?.slice(0, 7)).toEqual([view.rows[0]?.name, "Ratios test", "Tests", "", 75, 3, 4]);
  });

  it("are a gradebook of the roster standard: categories, line items and results that name one another", async () => {
    const { bytes, name } = await takeReport(await teacher(), "marks", { classes: "6-test", as: "package" });
    expect(name).toMatch(/\.zip$/);
    const files = unzipSync(bytes);
    const table = (file: string) => {
      const [head = [], ...rows] = fields(strFromU8(files[file] ?? new Uint8Array()));
      return rows.map((row) => Object.fromEntries(head.map((column, place) => [column, row[place] ?? ""])));
    };
    const manifest = Object.fromEntries(fields(strFromU8(files["manifest.csv"] ?? new Uint8Array())));
    expect(manifest).toMatchObject({ "oneroster.version": "1.2", "file.results": "bulk", "file.users": "absent" });
    const [categories, items, results] = ["categories.csv", "lineItems.csv", "results.csv"].map(table);
    expect(categories?.map(({ title }) => title)).toEqual(["Without a category", "Tests"]);
    expect(items?.map(({ title, resultValueMax, dueDate }) => [title, resultValueMax, dueDate])).toEqual([
      ["Ratios test", "4", "2026-11-27"],
      ["Warm-up", "2", "2026-11-27"],
    ]);
    expect(results).toHaveLength(8);
    for (const result of results ?? [])
      expect(items?.some(({ sourcedId }) => sourcedId === result.lineItemSourcedId)).toBe(true);
    const own0 = results?.filter(({ scoreStatus }) => scoreStatus === "fully graded").map(({ score }) => Number(score));
    // 3 and 1 of 2; 1; 2.
    expect(own0?.sort()).toEqual([1, 1, 2, 3]);
    expect(results?.filter(({ missing }) => missing === "true")).toHaveLength(4);
  });

  it("leave a trace in the history, and are nobody else's", async () => {
    const search = { classes: "6-test", as: "csv" };
    await takeReport(await teacher(), "marks", search);
    const rows = await own.school.db.read.query.changes.findMany();
    expect(rows.some(({ kind }) => kind === "report-taken-out")).toBe(true);
    await expect(takeReport(await own.school.teacher("ben"), "marks", search)).rejects.toMatchObject({
      code: "not-allowed",
    });
    await expect(takeReport(await teacher(), "no-such", search)).rejects.toMatchObject({ code: "not-found" });
    await expect(takeReport(await teacher(), "marks", { ...search, as: "pdf" })).rejects.toMatchObject({
      code: "invalid",
    });
  });
});
