import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { seededRandom } from "@/core/numeric/seededRandom";
import { readCase } from "@/formats/standards/readCase";
import type { StandardsPackage } from "@/formats/standards/standardsPackage";
import { writeCase } from "@/formats/standards/writeCase";

const bytes = (value: unknown) => new TextEncoder().encode(typeof value === "string" ? value : JSON.stringify(value));
const node = (identifier: string) => ({ title: "t", identifier, uri: `https://standards.example/${identifier}` });
const child = (origin: string, destination: string, sequenceNumber?: number) => ({
  identifier: `${origin}-in-${destination}`,
  uri: `https://standards.example/a/${origin}`,
  associationType: "isChildOf",
  originNodeURI: node(origin),
  destinationNodeURI: node(destination),
  ...(sequenceNumber === undefined ? {} : { sequenceNumber }),
  lastChangeDateTime: "2026-08-01T00:00:00Z",
});

/** A framework of two strands; the second strand comes first in the file. */
const example = () => ({
  CFDocument: {
    identifier: "doc",
    uri: "https://standards.example/doc",
    creator: "River Board",
    title: "Lower River Standards",
    version: "3",
    language: "en",
    adoptionStatus: "Adopted",
  },
  CFItems: [
    { identifier: "s2", uri: "u", fullStatement: "Ratio", CFItemType: "Strand", humanCodingScheme: "R" },
    { identifier: "s1", uri: "u", fullStatement: "Number", CFItemType: "Strand", humanCodingScheme: "N" },
    {
      identifier: "r1",
      uri: "u",
      fullStatement: "Compare by ratio.",
      humanCodingScheme: "R.1",
      educationLevel: ["06"],
    },
    { identifier: "n2", uri: "u", fullStatement: "Add.", humanCodingScheme: "N.2", educationLevel: ["KG", "01", "02"] },
    {
      identifier: "n1",
      uri: "u",
      fullStatement: "Count.",
      humanCodingScheme: "N.1",
      educationLevel: ["KG", "AE"],
      notes: "kept",
    },
  ],
  CFAssociations: [
    child("s2", "doc", 2),
    child("s1", "doc", 1),
    child("r1", "s2", 1),
    child("n2", "s1", 20),
    child("n1", "s1", 10),
    { ...child("n1", "n2"), identifier: "p", associationType: "precedes" },
    { ...child("r1", "elsewhere"), identifier: "x", associationType: "exactMatchOf" },
    { ...child("r1", "n2"), identifier: "e", associationType: "exemplar" },
  ],
  CFRubrics: [{ identifier: "rubric" }],
});

const read = (value: unknown): StandardsPackage => {
  const result = readCase(bytes(value));
  if (!result.ok) throw new Error(JSON.stringify(result.faults));
  return result.package;
};
const faultsOf = (value: unknown) => {
  const result = readCase(bytes(value));
  return result.ok ? [] : result.faults.map(({ path, code }) => `${path} ${code}`);
};

describe("a package of standards", () => {
  it("is read in the order of its tree, with grades, links and what is not read kept beside", () => {
    const found = read(example());
    expect(found.document).toMatchObject({ caseId: "doc", title: "Lower River Standards", creator: "River Board" });
    expect(found.standards.map(({ caseId, parentCaseId }) => `${caseId} in ${parentCaseId}`)).toEqual([
      "s1 in null",
      "n1 in s1",
      "n2 in s1",
      "s2 in null",
      "r1 in s2",
    ]);
    const grades = found.standards.map(({ gradeLow, gradeHigh }) => [gradeLow, gradeHigh]);
    expect(grades).toEqual([
      [null, null],
      [0, 0],
      [0, 2],
      [null, null],
      [6, 6],
    ]);
    expect(found.links.map(({ kind, fromCaseId, toCaseId }) => [kind, fromCaseId, toCaseId])).toEqual([
      ["precedes", "n1", "n2"],
      ["same", "r1", "elsewhere"],
    ]);
    expect(found.standards[1]?.unread).toMatchObject({ notes: "kept", educationLevel: ["KG", "AE"] });
    expect(found.unread.parts).toEqual({ CFRubrics: [{ identifier: "rubric" }] });
    expect(found.unread.associations).toMatchObject([{ identifier: "e" }]);
  });

  it("comes back from our own file with every identifier, the order and the associations", () => {
    const found = read(example());
    const written = writeCase(found);
    expect(read(written)).toEqual(found);
    const raw = JSON.parse(written) as ReturnType<typeof example>;
    const ids = (list: readonly { readonly identifier: string }[]) => list.map(({ identifier }) => identifier).sort();
    expect(ids(raw.CFItems)).toEqual(ids(example().CFItems));
    expect(ids(raw.CFAssociations)).toEqual(ids(example().CFAssociations));
    expect(raw.CFItems.find(({ identifier }) => identifier === "n1")).toMatchObject({ educationLevel: ["KG", "AE"] });
    expect(raw.CFItems.find(({ identifier }) => identifier === "n2")).toMatchObject({
      educationLevel: ["KG", "01", "02"],
    });
    expect(raw.CFRubrics).toEqual([{ identifier: "rubric" }]);
    // A node of another document keeps the address it came with.
    expect(raw.CFAssociations.find(({ identifier }) => identifier === "x")).toMatchObject({
      destinationNodeURI: node("elsewhere"),
    });
    expect(writeCase(read(written))).toBe(written);
  });

  it("reads marks at its beginning and older encodings, and takes missing associations for the top", () => {
    expect(read(`\uFEFF${JSON.stringify(example())}`).standards).toHaveLength(5);
    const { CFAssociations: _none, ...flat } = example();
    const found = read(flat);
    expect(found.standards.map(({ caseId }) => caseId)).toEqual(["s2", "s1", "r1", "n2", "n1"]);
    expect(read(writeCase(found))).toEqual(found);
  });

  it("says what is wrong, and where", () => {
    expect(faultsOf("{")).toEqual([" not-json"]);
    expect(faultsOf([])).toEqual([" not-a-package"]);
    expect(faultsOf({ CFDocument: {}, CFItems: 7 })).toEqual([" not-a-package"]);
    const broken = example();
    Object.assign(broken.CFItems[2] ?? {}, { fullStatement: "" });
    Object.assign(broken.CFItems[3] ?? {}, { identifier: "s1", humanCodingScheme: 4 });
    broken.CFAssociations.push(child("n1", "s2"), child("gone", "s2"), {
      ...child("r1", "n1"),
      originNodeURI: {} as never,
    });
    expect(faultsOf(broken)).toEqual([
      "CFItems[2].fullStatement missing",
      "CFItems[3].identifier twice",
      "CFItems[3].humanCodingScheme not-text",
      "CFAssociations[3].originNodeURI not-there",
      "CFAssociations[8].originNodeURI two-parents",
      "CFAssociations[9].originNodeURI not-there",
      "CFAssociations[10].originNodeURI missing",
    ]);
    const round = example();
    round.CFAssociations = [child("s1", "n1"), child("n1", "s1")];
    expect(faultsOf(round)).toEqual(["CFItems s1 circular", "CFItems n1 circular"]);
    expect(faultsOf({ ...example(), CFItems: Array.from({ length: 50_001 }, () => ({})) })).toEqual([
      "CFItems too-many",
    ]);
  });

  it("walks a chain of 20,000 without running out of stack", () => {
    const items = Array.from({ length: 20_000 }, (_, n) => ({ identifier: `i${n}`, fullStatement: "s" }));
    const chain = items.slice(1).map((_, n) => child(`i${n + 1}`, `i${n}`));
    expect(read({ ...example(), CFItems: items, CFAssociations: chain }).standards.at(-1)?.caseId).toBe("i19999");
  });
});

describe("any tree of standards", () => {
  const standards = fc.array(
    fc.record({
      parent: fc.nat(),
      isTop: fc.boolean(),
      code: fc.string({ maxLength: 8 }),
      statement: fc.string({ minLength: 1, maxLength: 30 }),
      low: fc.option(fc.nat({ max: 12 }), { nil: null }),
      span: fc.nat({ max: 3 }),
    }),
    { maxLength: 25 },
  );

  it("is the same after a round trip", () => {
    fc.assert(
      fc.property(standards, (rows) => {
        const CFItems = rows.map(({ code, statement, low, span }, n) => ({
          identifier: `i${n}`,
          fullStatement: statement,
          humanCodingScheme: code,
          educationLevel:
            low === null
              ? []
              : Array.from({ length: Math.min(12, low + span) - low + 1 }, (_, step) =>
                  low + step === 0 ? "KG" : String(low + step).padStart(2, "0"),
                ),
        }));
        const CFAssociations = rows.map(({ parent, isTop }, n) =>
          child(`i${n}`, isTop || n === 0 ? "doc" : `i${parent % n}`, rows.length - n),
        );
        const found = read({ ...example(), CFItems, CFAssociations });
        expect(found.standards).toHaveLength(rows.length);
        expect(read(writeCase(found))).toEqual(found);
      }),
      { seed: 13, numRuns: 200 },
    );
  });
});

it("no package, however mangled, is anything but read or refused with what is wrong", () => {
  const random = seededRandom("mutated standards");
  const text = JSON.stringify(example());
  const pieces = ["{", "}", "[", "]", '"', ",", ":", "null", "0", '"__proto__":{}', "\\u0000", "1e999", "true"];
  let [readable, refused] = [0, 0];
  for (let n = 0; n < 1000; n++) {
    let mutated = text;
    for (let times = 1 + Math.floor(random() * 4); times > 0; times--) {
      const at = Math.floor(random() * mutated.length);
      const way = random();
      if (way < 0.3) mutated = mutated.slice(0, at) + mutated.slice(at + 1 + Math.floor(random() * 30));
      else if (way < 0.6)
        mutated = mutated.slice(0, at) + (pieces[Math.floor(random() * pieces.length)] ?? "") + mutated.slice(at);
      // Values changed in a tree that still reads: names, kinds, ends.
      else mutated = mutated.replace(/"(s1|s2|n1|n2|r1|doc|isChildOf)"/g, (found) => (random() < 0.1 ? '"n2"' : found));
    }
    const result = readCase(new TextEncoder().encode(mutated));
    if (result.ok) {
      readable++;
      expect(read(writeCase(result.package)).standards).toEqual(result.package.standards);
    } else {
      refused++;
      expect(result.faults.length).toBeGreaterThan(0);
    }
  }
  expect(Math.min(readable, refused)).toBeGreaterThan(50);
  expect(({} as Record<string, unknown>).polluted).toBeUndefined();
});
