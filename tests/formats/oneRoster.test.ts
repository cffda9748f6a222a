import fc from "fast-check";
import { strToU8, unzipSync, zipSync } from "fflate";
import { describe, expect, it } from "vitest";
import { seededRandom } from "@/core/numeric/seededRandom";
import { ONE_ROSTER_COLUMNS, type OneRosterFile } from "@/formats/package/oneRosterFiles";
import type { OneRosterPackage, OneRosterRow } from "@/formats/package/oneRosterPackage";
import { readOneRoster } from "@/formats/package/readOneRoster";
import { writeOneRoster } from "@/formats/package/writeOneRoster";
import { neutralised, unmarked } from "@/formats/table/neutralised";
import { remarkWords } from "@/words/staff/rosterWords";

fc.configureGlobal({ seed: 20261123, numRuns: 60 });

const row = (file: OneRosterFile, values: Readonly<Record<string, string>>): OneRosterRow => ({
  ...Object.fromEntries(ONE_ROSTER_COLUMNS[file].map(({ name }) => [name, ""])),
  ...values,
});
const bulk = (file: OneRosterFile, ...rows: Readonly<Record<string, string>>[]) => ({
  mode: "bulk" as const,
  rows: rows.map((values) => row(file, values)),
});

/** A small school; names as the cells give them. */
function school(names: readonly { given: string; family: string }[]): OneRosterPackage {
  return {
    source: { systemName: "Kestrel Weir office", systemCode: "kw" },
    tables: {
      orgs: bulk("orgs", { sourcedId: "o1", name: "Kestrel Weir", type: "school" }),
      academicSessions: bulk("academicSessions", {
        sourcedId: "t1",
        title: "Autumn",
        type: "term",
        startDate: "2026-09-07",
        endDate: "2027-01-29",
        schoolYear: "2027",
      }),
      courses: bulk("courses", { sourcedId: "k1", title: "Mathematics 6", orgSourcedId: "o1", grades: "06" }),
      classes: bulk("classes", {
        sourcedId: "c1",
        title: "6 Alder",
        courseSourcedId: "k1",
        classType: "scheduled",
        schoolSourcedId: "o1",
        termSourcedIds: "t1",
      }),
      users: bulk(
        "users",
        ...names.map(({ given, family }, n) => ({
          sourcedId: `u${n}`,
          enabledUser: "true",
          username: `u${n}`,
          givenName: given,
          familyName: family,
          grades: "06",
        })),
      ),
      roles: bulk(
        "roles",
        ...names.map((_, n) => ({
          sourcedId: `r${n}`,
          userSourcedId: `u${n}`,
          roleType: "primary",
          role: "student",
          orgSourcedId: "o1",
        })),
      ),
      enrollments: bulk(
        "enrollments",
        ...names.map((_, n) => ({
          sourcedId: `e${n}`,
          classSourcedId: "c1",
          schoolSourcedId: "o1",
          userSourcedId: `u${n}`,
          role: "student",
        })),
      ),
    },
  };
}
const pair = [
  { given: "Ana", family: "Brook" },
  { given: "Ben", family: "Cairn" },
];
const read = (bytes: Uint8Array) => {
  const reading = readOneRoster(bytes);
  if (!reading.ok) throw new Error(reading.why.code);
  return reading;
};
/** The written package with one file changed. */
function with_(file: string, change: (text: string) => string, from = school(pair)): Uint8Array {
  const files = unzipSync(writeOneRoster(from));
  const text = new TextDecoder().decode(files[file] ?? new Uint8Array());
  return zipSync({ ...files, [file]: strToU8(change(text)) });
}

describe("OneRoster, out and in again", () => {
  it("gives back what was written, whatever the names hold", () => {
    const name = fc
      .string({ unit: "grapheme", minLength: 1, maxLength: 30 })
      .map((text) => text.trim())
      .filter((text) => text !== "" && !/\p{Cc}/u.test(text));
    fc.assert(
      fc.property(fc.array(fc.record({ given: name, family: name }), { minLength: 1, maxLength: 8 }), (names) => {
        const original = school(names);
        const reading = read(writeOneRoster(original));
        expect(reading.faults).toEqual([]);
        expect(reading.package).toEqual(original);
      }),
    );
  });

  it("keeps columns the standard does not know, delta files, and names the rest absent", () => {
    const base = school(pair);
    const users =
      base.tables.users?.rows.map((user, n) => ({ ...user, "ext.house": n === 0 ? "Heron" : "Otter" })) ?? [];
    const original: OneRosterPackage = { ...base, tables: { users: { mode: "delta", rows: users } } };
    const bytes = writeOneRoster(original);
    expect(read(bytes).package).toEqual(original);
    const manifest = new TextDecoder().decode(unzipSync(bytes)["manifest.csv"]);
    expect(manifest).toContain("file.users,delta");
    expect(manifest).toContain("file.enrollments,absent");
    expect(manifest).toContain("file.demographics,absent");
    expect(writeOneRoster(original)).toEqual(bytes);
  });

  it("writes nothing that a spreadsheet program would run", () => {
    const bytes = writeOneRoster(school([{ given: "=1+1", family: "'@SUM(A1)" }]));
    const users = new TextDecoder().decode(unzipSync(bytes)["users.csv"]);
    expect(users).toContain("'=1+1");
    expect(users).not.toMatch(/(^|,)[=@]/m);
    fc.assert(fc.property(fc.string(), (cell) => unmarked(neutralised(cell)) === cell));
  });
});

describe("a package with faults", () => {
  const faultsOf = (bytes: Uint8Array) => read(bytes).faults;

  it("names file, row, column and what was likely meant, and takes the other rows", () => {
    const reading = read(with_("users.csv", (text) => text.replace("u1,,,true", "u1,,,Yes").replace(/06/, "Grade 6")));
    expect(reading.faults.slice(0, 2)).toEqual([
      {
        file: "users.csv",
        row: 2,
        column: "grades",
        value: "Grade 6",
        reason: { code: "not-grades", values: {} },
        suggestion: "06",
      },
      {
        file: "users.csv",
        row: 3,
        column: "enabledUser",
        value: "Yes",
        reason: { code: "not-a-flag", values: {} },
        suggestion: "true",
      },
    ]);
    expect(reading.package.tables.users?.rows).toEqual([]);
    // Their roles and enrollments hang on them.
    expect(reading.faults.filter(({ file }) => file === "enrollments.csv")).toHaveLength(2);
  });

  it.each([
    ["07/09/2026", null],
    ["23/09/2026", "2026-09-23"],
    ["9/23/2026", "2026-09-23"],
    ["2026/9/7", "2026-09-07"],
    ["09.09.2026", "2026-09-09"],
    ["2026-02-30", null],
  ])("the date %s suggests %s", (date, suggestion) => {
    const [fault] = faultsOf(with_("academicSessions.csv", (text) => text.replace("2026-09-07", date)));
    expect(fault).toMatchObject({ row: 2, column: "startDate", value: date, suggestion });
  });

  it("finds what is missing, twice, pointing nowhere or in a circle", () => {
    const without = faultsOf(with_("users.csv", (text) => text.replace("familyName", "surname")));
    expect(without[0]).toMatchObject({ row: 1, column: "familyName", reason: { code: "columns-missing" } });
    const twice = faultsOf(with_("users.csv", (text) => text.replace(/\r\nu1,/, "\r\nu0,")));
    expect(twice[0]).toMatchObject({ row: 3, column: "sourcedId", value: "u0" });
    const nowhere = faultsOf(with_("enrollments.csv", (text) => text.replace("c1,o1,u1", "c9,o1,u1")));
    expect(nowhere).toEqual([
      expect.objectContaining({ file: "enrollments.csv", row: 3, column: "classSourcedId", value: "c9" }),
    ]);
    const empty = faultsOf(with_("users.csv", (text) => text.replace("Ana", "")));
    expect(empty[0]).toMatchObject({ row: 2, column: "givenName", reason: { code: "cell-empty" } });
    const circle = school(pair);
    const orgs = bulk(
      "orgs",
      { sourcedId: "o1", name: "A", type: "school", parentSourcedId: "o2" },
      { sourcedId: "o2", name: "B", type: "district", parentSourcedId: "o1" },
      { sourcedId: "o3", name: "C", type: "school" },
    );
    const faults = faultsOf(writeOneRoster({ ...circle, tables: { orgs } }));
    expect(faults.map(({ row: number, column }) => [number, column])).toEqual([
      [2, "parentSourcedId"],
      [3, "parentSourcedId"],
    ]);
  });

  it("reports rows that are too wide or swallowed by a quotation mark, and counts past blank lines", () => {
    const wide = faultsOf(with_("users.csv", (text) => text.replace(/\r\nu1,/, `\r\n\r\n${"x,".repeat(200)}u1,`)));
    expect(wide[0]).toMatchObject({ file: "users.csv", row: 4, reason: { code: "row-of-other-length" } });
    const quote = read(with_("users.csv", (text) => text.replace("Ana", '"Ana')));
    expect(quote.faults.length).toBeGreaterThan(0);
    expect(read(with_("users.csv", () => "")).faults[0]?.reason.code).toBe("file-empty");
    expect(faultsOf(with_("users.csv", (text) => text.replace("sourcedId", "status")))[0]?.reason.code).toBe(
      "column-twice",
    );
  });

  it("reads other encodings and delimiters, with a note where it had to guess", () => {
    const files = unzipSync(writeOneRoster(school([{ given: "Zoe", family: "Brook" }])));
    const latin = Uint8Array.from(files["users.csv"] ?? new Uint8Array(), (byte) => (byte === 0x5a ? 0xc9 : byte));
    const reading = read(zipSync({ ...files, "users.csv": latin }));
    expect(reading.package.tables.users?.rows[0]?.givenName).toBe("Éoe");
    expect(reading.faults[0]?.reason.code).toBe("not-utf-8");
    const marked = with_("users.csv", (text) => `\uFEFF${text}`);
    expect(faultsOf(marked)).toEqual([]);
    const semicolons = with_("orgs.csv", (text) => text.replaceAll(",", ";"));
    expect(faultsOf(semicolons)).toEqual([]);
  });

  it("is refused whole when it is no package", () => {
    expect(readOneRoster(strToU8("givenName,familyName"))).toMatchObject({
      ok: false,
      why: { code: "not-a-zip" },
    });
    expect(readOneRoster(zipSync({ "notes.txt": strToU8("hello") }))).toMatchObject({
      ok: false,
      why: { code: "no-roster-files" },
    });
  });

  it("without a manifest takes every file as the whole truth, and lists what it left unread", () => {
    const { "manifest.csv": _, ...files } = unzipSync(writeOneRoster(school(pair)));
    const reading = read(zipSync({ ...files, "results.csv": strToU8("sourcedId\r\n1") }));
    expect(reading.faults).toEqual([
      expect.objectContaining({ file: "manifest.csv", reason: { code: "no-manifest", values: {} } }),
    ]);
    expect(reading.unread).toEqual(["results.csv"]);
  });

  it("takes roles from the users of a 1.1 package", () => {
    const files = unzipSync(writeOneRoster(school(pair)));
    delete files["roles.csv"];
    const users =
      "sourcedId,status,dateLastModified,enabledUser,orgSourcedIds,role,username,userIds,givenName,familyName,middleName,identifier,email,sms,phone,agentSourcedIds,grades,password\r\n" +
      'u0,,,true,"o1",student,ana,,Ana,Brook,,,,,,,06,\r\nu1,,,true,"o1",teacher,ben,,Ben,Cairn,,,,,,,,\r\n';
    const manifest = new TextDecoder()
      .decode(files["manifest.csv"])
      .replace("oneroster.version,1.2", "oneroster.version,1.1")
      .replace("file.roles,bulk\r\n", "");
    const reading = read(zipSync({ ...files, "users.csv": strToU8(users), "manifest.csv": strToU8(manifest) }));
    expect(reading.faults).toEqual([]);
    expect(reading.package.tables.roles?.rows).toMatchObject([
      { userSourcedId: "u0", role: "student", roleType: "primary", orgSourcedId: "o1" },
      { userSourcedId: "u1", role: "teacher" },
    ]);
  });
});

it("a thousand mutated packages are read or refused, never thrown at", () => {
  const whole = writeOneRoster(school(pair));
  const files = unzipSync(whole);
  const random = seededRandom("mutated packages");
  const pick = (most: number) => Math.floor(random() * most);
  const names = Object.keys(files);
  let refused = 0;
  for (let n = 0; n < 1000; n++) {
    let bytes: Uint8Array;
    if (n % 2 === 0) {
      bytes = whole.slice(0, random() < 0.3 ? pick(whole.length) : whole.length);
      for (let change = 0; change < 1 + pick(20); change++) bytes[pick(bytes.length)] = pick(256);
    } else {
      const name = names[pick(names.length)] as string;
      const body = (files[name] as Uint8Array).slice();
      const marks = [0x22, 0x2c, 0x0a, 0x00, 0xff, 0x3d, 0x3b];
      for (let change = 0; change < 1 + pick(30); change++) body[pick(body.length)] = marks[pick(marks.length)] ?? 0;
      bytes = zipSync({ ...files, [name]: body });
    }
    const reading = readOneRoster(bytes);
    if (!reading.ok) {
      refused++;
      expect(remarkWords(reading.why)).toMatch(/[.?]$/);
    } else {
      // Whatever is taken refers only to what is there.
      const ids = new Set(reading.package.tables.users?.rows.map((user) => user.sourcedId));
      if (reading.package.tables.users?.mode === "bulk")
        for (const enrollment of reading.package.tables.enrollments?.rows ?? [])
          expect(ids.has(enrollment.userSourcedId)).toBe(true);
    }
  }
  expect(refused).toBeGreaterThan(50);
});
