import { sql } from "drizzle-orm";
import fc from "fast-check";
import { strToU8, unzipSync, zipSync } from "fflate";
import { afterAll, beforeAll, expect, it } from "vitest";
import { seededRandom } from "@/core/numeric/seededRandom";
import { applyRowChanges } from "@/db/queries/rowChanges";
import { rosterSheet } from "@/features/roster/reads/exportRoster";
import { knownRoster } from "@/features/roster/reads/knownRecords";
import { rowsOfEntries } from "@/features/roster/writes/apply/rowsOfEntries";
import { writeOneRoster } from "@/formats/package/writeOneRoster";
import { previewRoster } from "@/formats/roster/previewRoster";
import { writeSheet } from "@/formats/table/writeSheet";
import { remarkWords } from "@/words/staff/rosterWords";
import { applyFile, packageOf, randomRoster } from "../support/rosterFiles";
import { START, type TestSchool, TODAY, testSchool } from "../support/school";

/** Mutated files of all kinds together. */
const FILES = 1_000;

let school: TestSchool;
beforeAll(async () => {
  school = await testSchool();
  const [roster] = fc.sample(randomRoster, { seed: 5, numRuns: 1 });
  await applyFile(school, "in.zip", writeOneRoster(packageOf(roster as NonNullable<typeof roster>)));
});
afterAll(() => school.close());

const TABLES = [
  "schools",
  "terms",
  "courses",
  "classes",
  "people",
  "roles",
  "class_staff",
  "enrollments",
  "group_members",
  "supports",
  "changes",
];
const contents = async () =>
  JSON.stringify(
    await Promise.all(TABLES.map((table) => school.db.read.all(sql.raw(`select * from ${table} order by id`)))),
  );

/** Does to bytes what disks, mail programs and spreadsheet programs do. */
function mutated(bytes: Uint8Array, random: () => number): Uint8Array {
  const at = () => Math.floor(random() * bytes.length);
  const copy = bytes.slice();
  switch (Math.floor(random() * 5)) {
    case 0:
      return copy.slice(0, at());
    case 1:
      for (let n = 0; n < 8; n++) copy[at()] = Math.floor(random() * 256);
      return copy;
    case 2: {
      const [from, to] = [at(), at()].sort((x, y) => x - y) as [number, number];
      return Uint8Array.from([...copy.slice(0, from), ...copy.slice(to)]);
    }
    case 3:
      return Uint8Array.from([...copy, ...copy.slice(at())]);
    default:
      return Uint8Array.from([0xef, 0xbb, 0xbf, ...copy]);
  }
}

const NASTY = [
  '"',
  ",",
  "\n",
  ";",
  "\t",
  "=1+1",
  "tobedeleted",
  "9999-99-99",
  "é",
  "school-1",
  "s0",
  "",
  "'",
  "true",
  "KG",
];

/** Changes the text of one file inside a package, so that the fault lies behind a sound zip. */
function mutatedInside(bytes: Uint8Array, random: () => number): Uint8Array {
  const files = unzipSync(bytes);
  const names = Object.keys(files);
  const name = names[Math.floor(random() * names.length)] ?? "";
  const cells = new TextDecoder().decode(files[name]).split(/(?<=[,\n])/);
  for (let n = 0; n < 4; n++) {
    const place = Math.floor(random() * cells.length);
    const how = Math.floor(random() * 3);
    if (how === 0) cells[place] = NASTY[Math.floor(random() * NASTY.length)] ?? "";
    else if (how === 1) cells.splice(place, 1);
    else cells.splice(place, 0, cells[Math.floor(random() * cells.length)] ?? "");
  }
  return zipSync({ ...files, [name]: strToU8(cells.join("")) });
}

it("a thousand mutated files are read or refused in words; what is sound applies whole, and nothing is written otherwise", async () => {
  const random = seededRandom("roster fuzz");
  const context = await school.teacher("cora");
  const known = await knownRoster(school.db.read, ["school-1"], TODAY);
  const rows = await rosterSheet(context, []);
  const [other] = fc.sample(randomRoster, { seed: 11, numRuns: 1 });
  const packages = [
    writeOneRoster(packageOf(other as NonNullable<typeof other>)),
    writeOneRoster({
      source: { systemName: "", systemCode: "" },
      tables: packageOf(other as NonNullable<typeof other>).tables,
    }),
  ];
  const sheets = [
    await writeSheet(rows, "csv", "R"),
    await writeSheet(rows, "tsv", "R"),
    await writeSheet(rows, "xlsx", "R"),
  ];
  const around = {
    schoolKey: "school-1",
    target: null,
    groups: [],
    newClassSubject: "Mathematics",
    correctable: null,
  };
  const before = await contents();
  const used = new Map<Uint8Array, number>();
  const outcomes = { refused: 0, applied: 0, nothing: 0 };
  for (let n = 0; n < FILES; n++) {
    // Every package and every sheet in turn, the packages now from outside and now from within.
    const round = Math.floor(n / 4);
    const source = n % 2 === 0 ? packages[round % packages.length] : sheets[round % sheets.length];
    if (!source) throw new Error("nothing to mutate");
    used.set(source, (used.get(source) ?? 0) + 1);
    const bytes = n % 4 === 0 ? mutatedInside(source, random) : mutated(source, random);
    const preview = await previewRoster(
      {
        kind: n % 2 === 0 ? "package" : "sheet",
        bytes,
        repairs: {},
        links: {},
        mapping: {},
        today: TODAY,
        mostRows: 30_000,
      },
      Promise.resolve({ known: known.records, around, newClass: null }),
    );
    if (!preview.ok) {
      outcomes.refused++;
      expect(remarkWords(preview.why)).toMatch(/\w{3}/);
      continue;
    }
    for (const { reason } of preview.faults) expect(remarkWords(reason)).toMatch(/\w{3}/);
    if (preview.difference.entries.length === 0) {
      outcomes.nothing++;
      continue;
    }
    // Written for real and taken back: the database must accept every difference that the reading let through.
    await school.db
      .write(async (tx) => {
        let codes = 0;
        const changes = await rowsOfEntries(preview.difference.entries, {
          roster: known.rows,
          supports: [],
          memberships: [],
          keyOf: known.keyOf,
          links: {},
          schoolId: "school-1",
          timeZone: "Europe/Dublin",
          termId: "term-1",
          now: START,
          today: "2026-11-23",
          newId: school.runtime.newId,
          newCode: () => `CODE${codes++}`,
          withClass: () => [],
        });
        await applyRowChanges(tx, changes);
        throw new Error("taken back");
      })
      .catch((error: Error) => {
        if (error.message !== "taken back")
          throw new Error(`file ${n}: ${error.message}`, { cause: error.cause ?? error });
      });
    outcomes.applied++;
  }
  expect(await contents()).toBe(before);
  for (const source of [...packages, ...sheets]) expect(used.get(source)).toBeGreaterThan(FILES / 10);
  // The mutations reach all three outcomes, or the test would prove nothing.
  expect(Math.min(...Object.values(outcomes))).toBeGreaterThan(20);
}, 120_000);
