import { readFileSync } from "node:fs";
import { strFromU8, unzipSync } from "fflate";
import { RelaxNGValidator, XmlDocument } from "libxml2-wasm";
import { describe, expect, it } from "vitest";
import type { PartBody } from "@/core/items/itemBody";
import { ITEM_KINDS } from "@/core/items/itemKind";
import { type OutgoingItem, writePackage } from "@/formats/qti/writePackage";
import { shippedContent } from "~/demo/shippedContent";
import { bodyWith } from "../../support/newItem";
import { outgoing } from "../../support/packages";
import { PARTS } from "../../support/partsOfEveryKind";

const validator = (file: string) =>
  RelaxNGValidator.fromDoc(XmlDocument.fromString(readFileSync(`tests/fixtures/${file}`, "utf8")));
const [items, manifests] = [validator("qti3.rng"), validator("qti3-manifest.rng")];

/** Attributes of one's own are allowed everywhere; the model has no word for "whatever begins with". */
function faults(text: string, by: RelaxNGValidator): string[] {
  const document = XmlDocument.fromString(text.replace(/ data-[a-z-]+="[^"]*"/g, ""));
  try {
    by.validate(document);
    return [];
  } catch (error) {
    return (
      (error as { details?: { message: string; line: number }[] }).details?.map(
        ({ message, line }) => `${line}: ${message}`,
      ) ?? [String(error)]
    );
  } finally {
    document.dispose();
  }
}

/** What a package holds, by name. */
const unpacked = (all: readonly OutgoingItem[]) =>
  new Map(Object.entries(unzipSync(writePackage("Boats", all))).map(([name, bytes]) => [name, strFromU8(bytes)]));

describe("a package stands up to the published element model", () => {
  const every = [
    ...ITEM_KINDS.map((kind) =>
      outgoing(`one of ${kind}`, bodyWith({ ...PARTS[kind], prompt: "And this?", points: 2 })),
    ),
    outgoing("all at once", bodyWith(...ITEM_KINDS.map((kind, place) => ({ ...PARTS[kind], id: `p${place}` })))),
    outgoing("a-formula", {
      ...bodyWith({ ...PARTS.order, prompt: "In \\(\\mathbb{R}\\)?" } as PartBody),
      stem: "What is \\(\\frac{{n}}{4} + \\sqrt{{n}}\\)?",
    }),
    outgoing("a-line", bodyWith({ ...PARTS.grid, task: "line" } as PartBody)),
    outgoing(
      "a-point",
      bodyWith({
        ...PARTS["number-line"],
        right: { point: "1 / 2" },
        misconceptions: [{ id: "m", mark: { point: "1" } }],
      } as PartBody),
    ),
  ];
  const tide = { id: "7 tides", title: "The tide", language: "en", paragraphs: ["It comes in.", "It goes out."] };
  const files = unpacked(every.map((item, place) => (place < 2 ? { ...item, passage: tide } : item)));
  it("every kind of part, and all of them under one stem", () => {
    const documents = [...files].filter(([name]) => name.startsWith("items/"));
    expect(documents).toHaveLength(every.length);
    for (const [name, text] of documents) expect({ name, faults: faults(text, items) }).toEqual({ name, faults: [] });
  });
  it("a shared passage, the test that lists the items, and the manifest", () => {
    const stimuli = [...files].filter(([name]) => name.startsWith("passages/"));
    expect(stimuli.map(([, text]) => faults(text, items))).toEqual([[]]);
    expect(faults(files.get("test.xml") ?? "", items)).toEqual([]);
    expect(faults(files.get("imsmanifest.xml") ?? "", manifests)).toEqual([]);
  });
  it("names no file that is not there, and no variable that is not declared", () => {
    const all = [...files].filter(([name]) => name.endsWith(".xml"));
    for (const [name, text] of all) {
      const folder = /^(items|passages)\//.exec(name)?.[1] ?? "";
      for (const [, path = ""] of text.matchAll(/(?:src|href)="([^"]+)"/g))
        expect([...files.keys()]).toContain(new URL(path, `file:///${folder}/x`).pathname.replace(/^\/+/, ""));
      const declared = [...text.matchAll(/-declaration identifier="([^"]+)"/g)].map(([, id]) => id);
      const meant = [
        ...text.matchAll(
          /(?:response-identifier|<qti-(?:variable|correct|map-response(?:-point)?|set-outcome-value) identifier)="([^"]+)"/g,
        ),
      ];
      for (const [, id] of meant) expect(declared).toContain(id);
    }
  });
  it("all that ships", () => {
    const shipped = shippedContent().flatMap(({ skills }) => skills.flatMap(({ items: own }) => own));
    const documents = [...unpacked(shipped.map(({ id, body }) => outgoing(id, body)))].filter(([name]) =>
      name.startsWith("items/"),
    );
    expect(documents.length).toBeGreaterThan(20);
    for (const [name, text] of documents) expect({ name, faults: faults(text, items) }).toEqual({ name, faults: [] });
  });
  it("a document of another shape does not", () => {
    const [, text = ""] = [...files].find(([name]) => name.startsWith("items/")) ?? [];
    expect(faults(text.replace("<qti-item-body>", "<qti-item-body><qti-prompt>?</qti-prompt>"), items)).not.toEqual([]);
    expect(faults(text.replace(/ cardinality="[a-z]+"/, ""), items)).not.toEqual([]);
  });
});
