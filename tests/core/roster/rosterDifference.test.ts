import { describe, expect, it } from "vitest";
import { importWarnings } from "@/core/roster/importWarnings";
import { movesOf } from "@/core/roster/movesOf";
import { rosterDifference as differenceOn } from "@/core/roster/rosterDifference";
import type { IncomingRecord, IncomingRoster, KnownRecord, RosterFile } from "@/core/roster/rosterRecord";
import { remark } from "@/core/roster/rosterRemark";

const TODAY = "2026-11-23";
const rosterDifference = (
  records: readonly KnownRecord[],
  incoming: IncomingRoster,
  links: Readonly<Record<string, string>>,
) => differenceOn(records, incoming, links, TODAY);

type Values = Readonly<Record<string, string>>;
const known = (file: RosterFile, key: string, values: Values, over: Partial<KnownRecord> = {}): KnownRecord => ({
  file,
  key,
  id: `id-${key}`,
  values,
  active: true,
  fromSource: true,
  school: "s",
  ...over,
});
const coming = (file: RosterFile, key: string, values: Values, gone = false): IncomingRecord => ({
  file,
  key,
  values,
  row: 2,
  gone,
  fromSource: true,
});
const roster = (mode: "bulk" | "delta", ...records: IncomingRecord[]): IncomingRoster => {
  const tables: Record<string, { mode: "bulk" | "delta"; records: IncomingRecord[] }> = {};
  for (const record of records) {
    const table = tables[record.file] ?? { mode, records: [] };
    tables[record.file] = table;
    table.records.push(record);
  }
  return tables;
};
const wen = known("users", "u1", { givenName: "Wen", familyName: "Liangyu", grades: "06", email: "wen@x.example" });

describe("rosterDifference", () => {
  it("adds, changes column by column, and leaves alone", () => {
    const { entries, counts } = rosterDifference(
      [wen, known("users", "u2", { givenName: "Ada" })],
      roster(
        "delta",
        coming("users", "u1", { familyName: "Liang", email: "" }),
        coming("users", "u2", { givenName: "Ada" }),
        coming("users", "u3", { givenName: "Bo" }),
      ),
      {},
    );
    expect(entries).toMatchObject([
      { key: "u1", what: "changed", changes: [{ column: "familyName", from: "Liangyu", to: "Liang" }] },
      { key: "u3", what: "added" },
    ]);
    // An empty cell says nothing.
    expect(entries[0]?.values.email).toBe("wen@x.example");
    expect(counts.users).toMatchObject({ added: 1, changed: 1, unchanged: 1, inactive: 0 });
  });

  it("makes inactive what a bulk file leaves out, but not what a delta file does, nor what was made here", () => {
    const others = [
      known("users", "u2", { givenName: "Ada" }),
      known("users", "own", { givenName: "Bo" }, { fromSource: false }),
    ];
    const file = coming("users", "u1", wen.values);
    expect(rosterDifference([wen, ...others], roster("bulk", file), {})).toMatchObject({
      entries: [{ key: "u2", what: "inactive", row: null }],
      counts: { users: { inactive: 1, kept: 1 } },
    });
    expect(rosterDifference([wen, ...others], roster("delta", file), {}).entries).toEqual([]);
  });

  it("leaves alone what belongs to a school the file is not about", () => {
    const elsewhere = known("users", "u9", { givenName: "Cy" }, { school: "other" });
    const file = roster("bulk", coming("orgs", "s", { name: "S" }), coming("users", "u1", wen.values));
    const { entries } = rosterDifference([known("orgs", "s", { name: "S" }, { school: "" }), wen, elsewhere], file, {});
    expect(entries).toEqual([]);
  });

  it("ends what the file marks as gone, and brings back what returns", () => {
    const left = known("users", "u2", { givenName: "Ada" }, { active: false });
    const file = roster("delta", coming("users", "u1", {}, true), coming("users", "u2", { givenName: "Ada" }));
    expect(rosterDifference([wen, left], file, {}).entries).toMatchObject([
      { key: "u1", what: "inactive" },
      { key: "u2", what: "restored" },
    ]);
  });

  it("takes an enrollment as ended from the day of its end on, whatever its status says", () => {
    const place = (key: string, values: Values = {}) => known("enrollments", key, values, { id: `id-${key}` });
    const file = roster(
      "bulk",
      coming("enrollments", "past", { endDate: "2026-11-20" }),
      coming("enrollments", "today", { endDate: TODAY }),
      coming("enrollments", "later", { endDate: "2026-11-24" }),
      coming("enrollments", "never known", { endDate: "2026-10-01" }),
    );
    const { entries, counts } = rosterDifference([place("past"), place("today"), place("later")], file, {});
    expect(entries).toMatchObject([
      { key: "past", what: "inactive", values: { endDate: "2026-11-20" } },
      { key: "today", what: "inactive" },
      { key: "later", what: "changed", changes: [{ column: "endDate", from: "", to: "2026-11-24" }] },
    ]);
    expect(counts.enrollments).toMatchObject({ over: 1, added: 0, inactive: 2 });
  });

  it("brings an enrollment back without the dates of its first time", () => {
    const left = known("enrollments", "e1", { beginDate: "2026-09-14", endDate: "2026-10-30" }, { active: false });
    const back = roster("bulk", coming("enrollments", "e1", {}));
    const [entry] = rosterDifference([left], back, {}).entries;
    expect(entry).toMatchObject({ what: "restored", values: {}, changes: [] });
    expect(entry?.values).toEqual({});
  });

  it("recognises students made here by the school's own number, within the school", () => {
    const own = known(
      "users",
      "here",
      { identifier: "A1", givenName: "Wen", primaryOrgSourcedId: "s" },
      { fromSource: false },
    );
    const same = coming("users", "u7", { identifier: "A1", givenName: "Wen", primaryOrgSourcedId: "s" });
    expect(
      rosterDifference([own, known("orgs", "s", {}, { school: "" })], roster("delta", same), {}).entries,
    ).toMatchObject([{ id: "id-here", what: "changed", changes: [{ column: "sourcedId", from: "", to: "u7" }] }]);
  });

  it("points out who is likely the same, and takes a link somebody made", () => {
    const twin = coming("users", "u7", { givenName: "Wén", familyName: "LIANGYU", grades: "06" });
    expect(rosterDifference([wen], roster("delta", twin), {}).likely).toMatchObject([
      { key: "u7", knownId: "id-u1", because: { code: "name-and-grade", grade: "06" } },
    ]);
    const linked = rosterDifference([wen], roster("delta", twin), { u7: "id-u1" });
    expect(linked.likely).toEqual([]);
    expect(linked.entries).toMatchObject([{ id: "id-u1", what: "changed" }]);
  });

  it.each([
    ["a second row for one person", [coming("users", "u1", {}), coming("users", "u1", {})], "same-thing-twice"],
    ["somebody else's email", [coming("users", "u5", { email: "WEN@x.example" })], "address-taken"],
    ["an enrollment of nobody", [coming("enrollments", "e1", { userSourcedId: "nobody" })], "reference-missing"],
    ["a school that is not ours", [coming("users", "u5", { primaryOrgSourcedId: "zz" })], "school-not-open"],
  ])("refuses %s and keeps who is there", (_, records, code) => {
    const { refused, entries } = rosterDifference([wen], roster("bulk", ...records), {});
    expect(refused).toMatchObject([{ row: 2, reason: { code } }]);
    expect(entries.filter(({ what }) => what !== "inactive")).toEqual([]);
  });

  it("refuses parents that close a circle with what is known, but not a turn that opens one", () => {
    const org = (key: string, parent: string) =>
      known("orgs", key, { name: key, parentSourcedId: parent }, { school: "" });
    const now = [org("a", "b"), org("b", "c")];
    const closing = roster("delta", coming("orgs", "c", { parentSourcedId: "a" }));
    expect(rosterDifference(now, closing, {})).toMatchObject({
      entries: [],
      refused: [{ column: "parentSourcedId", reason: { code: "parents-in-circle" } }],
    });
    const turning = roster(
      "delta",
      coming("orgs", "b", { parentSourcedId: "a" }),
      coming("orgs", "a", { parentSourcedId: "c" }),
    );
    expect(rosterDifference(now, turning, {}).refused).toEqual([]);
  });

  it("refuses what hangs on a refused row", () => {
    const file = roster(
      "delta",
      coming("users", "u5", { email: "wen@x.example" }),
      coming("enrollments", "e1", { userSourcedId: "u5" }),
    );
    expect(rosterDifference([wen], file, {}).refused.map(({ file: name }) => name)).toEqual([
      "users.csv",
      "enrollments.csv",
    ]);
  });

  it("lets two people swap their emails in one file", () => {
    const ada = known("users", "u2", { email: "ada@x.example" });
    const file = roster(
      "delta",
      coming("users", "u1", { email: "new@x.example" }),
      coming("users", "u2", { email: "wen@x.example" }),
    );
    expect(rosterDifference([wen, ada], file, {}).refused).toEqual([]);
  });
});

it("a move is an enrollment that ends and one that begins in the same subject", () => {
  const place = (key: string, what: "added" | "inactive", classSourcedId: string, person = "p") => ({
    file: "enrollments" as const,
    key,
    id: null,
    fromSource: true,
    what,
    row: null,
    values: { role: "student", userSourcedId: person, classSourcedId },
    changes: [],
  });
  const subjects: Record<string, string> = { a: "math", b: "math", c: "reading" };
  const moves = movesOf(
    [
      place("e1", "inactive", "a"),
      place("e2", "added", "c"),
      place("e3", "added", "b"),
      place("e4", "added", "b", "q"),
    ],
    (key) => subjects[key] ?? "",
  );
  expect(moves).toEqual([{ personKey: "p", fromClassKey: "a", toClassKey: "b", ends: "e1", begins: "e3" }]);
});

it.each([
  [430, 412, true],
  [430, 10, false],
  [90, 10, true],
  [4, 2, false],
  [5, 3, true],
  [0, 0, false],
])("of %i active, %i made inactive: warned %s", (active, inactive, warned) => {
  const count = { active, inactive, added: 0, changed: 0, restored: 0, unchanged: 0, kept: 0, over: 0 };
  const warnings = importWarnings({ users: count });
  expect(warnings.length > 0).toBe(warned);
  if (warned) expect(warnings[0]).toEqual(remark("many-inactive", { inactive, active, file: "users" }));
});
