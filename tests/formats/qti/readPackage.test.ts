import { strFromU8, strToU8, unzipSync, zipSync } from "fflate";
import { describe, expect, it } from "vitest";
import { ITEM_KINDS } from "@/core/items/itemKind";
import { seededRandom } from "@/core/numeric/seededRandom";
import { readPackage, readSingleItem } from "@/formats/qti/readPackage";
import { writePackage } from "@/formats/qti/writePackage";
import { bodyWith } from "../../support/newItem";
import { olderItem, onlyItem, outgoing, packageOf, readAll, responseTo } from "../../support/packages";
import { PARTS } from "../../support/partsOfEveryKind";

const tide = { id: "tide", title: "The tide", language: "en", paragraphs: ["It comes in.", "It goes out."] };
const models = ITEM_KINDS.map((kind, place) => ({
  ...outgoing(`model of ${kind}`, bodyWith(PARTS[kind])),
  passage: place % 3 === 0 ? tide : null,
}));
const written = writePackage("Boats", models);

describe("items that are drawn anew", () => {
  it("come back whole, with standards, skills, depth and calculator", () => {
    const { items, title, unread } = readAll(written);
    expect(items.map(({ item }) => item)).toEqual(models.map(({ original: _, ...item }) => item));
    expect(items.flatMap(({ remarks }) => remarks)).toEqual([]);
    expect(title).toBe("Boats");
    expect(unread).toEqual([]);
  });
  it("give the same package again, byte for byte", () => {
    const again = readAll(written).items.flatMap(({ item }) => (item ? [{ ...item, original: null }] : []));
    expect(writePackage("Boats", again)).toEqual(written);
  });
  it("are what another program made of them, where it changed the document", () => {
    const files = unzipSync(written);
    const [name = ""] = Object.keys(files).filter((one) => one.startsWith("items/"));
    const text = strFromU8(files[name] ?? new Uint8Array());
    files[name] = strToU8(text.replace(/About \d+\./, "About some."));
    const [first] = readAll(zipSync(files)).items;
    expect(first?.item?.body.stem).toBe("About some.");
    expect(first?.item?.body.parameters).toEqual({});
    expect(first?.remarks).toEqual([{ code: "changed-elsewhere" }]);
  });
  it("stay whole when only the layout of the document changed", () => {
    const files = unzipSync(written);
    for (const [name, bytes] of Object.entries(files))
      if (name.startsWith("items/")) files[name] = strToU8(strFromU8(bytes).replace(/\n\s*/g, "\n\t\t"));
    expect(readAll(zipSync(files)).items.map(({ item }) => item?.body)).toEqual(models.map(({ body }) => body));
  });
});

describe("a package of version 2.1 written by hand", () => {
  const read = (inside: Parameters<typeof olderItem>[0]) => onlyItem(packageOf({ "a/boats.xml": olderItem(inside) }));
  it("single choice, with a mapping instead of a key", () => {
    const mapping =
      '<mapping defaultValue="0"><mapEntry mapKey="B" mappedValue="1"/><mapEntry mapKey="A" mappedValue="-1"/></mapping>';
    const { item, remarks } = read({
      declarations: responseTo([], { mapping }),
      body: '<p>Three boats, then two more.</p><choiceInteraction responseIdentifier="RESPONSE" shuffle="true" maxChoices="1"><prompt>How many boats?</prompt><simpleChoice identifier="A">4</simpleChoice><simpleChoice identifier="B">5</simpleChoice></choiceInteraction>',
    });
    expect(item.body.stem).toBe("Three boats, then two more.");
    expect(item.body.parts).toEqual([
      {
        id: "a",
        kind: "single-choice",
        prompt: "How many boats?",
        options: [
          { id: "A", text: "4" },
          { id: "B", text: "5", right: true },
        ],
      },
    ]);
    expect(remarks).toEqual([]);
  });
  it("a number, compared within a tolerance, in a box within the words", () => {
    const { item } = read({
      declarations: responseTo(["12.5"], { baseType: "float" }),
      body: '<p>25 ÷ 2 = <textEntryInteraction responseIdentifier="RESPONSE" expectedLength="5"/> m</p>',
      after:
        '<responseProcessing><responseCondition><responseIf><equal toleranceMode="absolute" tolerance="0.1 0.1"><variable identifier="RESPONSE"/><correct identifier="RESPONSE"/></equal><setOutcomeValue identifier="SCORE"><baseValue baseType="float">1</baseValue></setOutcomeValue></responseIf></responseCondition></responseProcessing>',
    });
    expect(item.body.stem).toBe("25 ÷ 2 = ____ m");
    expect(item.body.parts[0]).toMatchObject({ kind: "number", answer: "12.5", tolerance: "0.1" });
  });
  it("words, with several ways of writing them", () => {
    const mapping =
      '<mapping defaultValue="0"><mapEntry mapKey="colour" mappedValue="1" caseSensitive="false"/><mapEntry mapKey="color" mappedValue="1" caseSensitive="false"/></mapping>';
    const { item } = read({
      declarations: responseTo(["colour"], { baseType: "string", mapping }),
      body: '<p>Red is a <textEntryInteraction responseIdentifier="RESPONSE"/></p>',
    });
    expect(item.body.parts[0]).toMatchObject({ kind: "short-text", accepted: ["colour", "color"], ignoreCase: true });
  });
  it("choices within a sentence, and words to be put into gaps", () => {
    const inline = (name: string, one: string, other: string) =>
      `<inlineChoiceInteraction responseIdentifier="${name}"><inlineChoice identifier="x">${one}</inlineChoice><inlineChoice identifier="y">${other}</inlineChoice></inlineChoiceInteraction>`;
    const sentence = read({
      declarations: responseTo(["x"], { name: "R1" }) + responseTo(["y"], { name: "R2" }),
      body: `<p>Choose.</p><p>The tide ${inline("R1", "rises", "rise")} and the boats ${inline("R2", "lifts", "lift")}.</p>`,
    });
    expect(sentence.item.body.stem).toBe("Choose.");
    expect(sentence.item.body.parts).toHaveLength(1);
    expect(sentence.item.body.parts[0]).toMatchObject({
      kind: "inline-choice",
      text: ["The tide ", { gap: "R1" }, " and the boats ", { gap: "R2" }, "."],
    });
    const gaps = read({
      declarations: responseTo(["w1 g2", "w2 g1"], { cardinality: "multiple", baseType: "directedPair" }),
      body: '<gapMatchInteraction responseIdentifier="RESPONSE"><prompt>Fill in.</prompt><gapText identifier="w1" matchMax="1">oars</gapText><gapText identifier="w2" matchMax="1">boats</gapText><p>The <gap identifier="g1"/> need <gap identifier="g2"/>.</p></gapMatchInteraction>',
    });
    expect(gaps.remarks).toEqual(["gaps-as-choices"]);
    expect(gaps.item.body.stem).toBe("Fill in.");
    expect(gaps.item.body.parts[0]).toMatchObject({
      text: ["The ", { gap: "g1" }, " need ", { gap: "g2" }, "."],
      gaps: [
        { id: "g1", right: "w2" },
        { id: "g2", right: "w1" },
      ],
    });
  });
  it("orders, pairs, words in a text and a slider", () => {
    const order = read({
      declarations: responseTo(["b", "a", "c"], { cardinality: "ordered" }),
      body: '<orderInteraction responseIdentifier="RESPONSE"><prompt>Smallest first.</prompt><simpleChoice identifier="a">7</simpleChoice><simpleChoice identifier="b">2</simpleChoice><simpleChoice identifier="c">9</simpleChoice></orderInteraction>',
    });
    expect(order.item.body.parts[0]).toMatchObject({
      kind: "order",
      members: [{ text: "2" }, { text: "7" }, { text: "9" }],
    });
    const set = (choices: string) => `<simpleMatchSet>${choices}</simpleMatchSet>`;
    const choice = (id: string, text: string) =>
      `<simpleAssociableChoice identifier="${id}" matchMax="1">${text}</simpleAssociableChoice>`;
    const match = read({
      declarations: responseTo(["P a", "P b", "Q c"], { cardinality: "multiple", baseType: "directedPair" }),
      body: `<p>Sort.</p><matchInteraction responseIdentifier="RESPONSE" maxAssociations="0">${set(choice("P", "even") + choice("Q", "odd"))}${set(choice("a", "2") + choice("b", "4") + choice("c", "5"))}</matchInteraction>`,
    });
    expect(match.item.body.parts[0]).toMatchObject({
      kind: "matching",
      things: [
        { id: "a", partner: "P" },
        { id: "b", partner: "P" },
        { id: "c", partner: "Q" },
      ],
    });
    const words = read({
      declarations: responseTo(["h2"], { cardinality: "multiple" }),
      body: '<hottextInteraction responseIdentifier="RESPONSE" maxChoices="0"><prompt>Find the verb.</prompt><p>The <hottext identifier="h1">boat</hottext> <hottext identifier="h2">sinks</hottext>.</p></hottextInteraction>',
    });
    expect(words.item.body.parts[0]).toMatchObject({
      text: [{ text: "The " }, { id: "h1", right: false }, { text: " " }, { id: "h2", right: true }, { text: "." }],
    });
    const slider = read({
      declarations: responseTo(["4"], { baseType: "integer" }),
      body: '<p>Show 4.</p><sliderInteraction responseIdentifier="RESPONSE" lowerBound="0" upperBound="10" step="2"/>',
    });
    expect(slider.item.body.parts[0]).toMatchObject({
      kind: "number-line",
      from: "0",
      to: "10",
      step: "2",
      right: { point: "4" },
    });
  });
  it("says what it could not keep, and keeps the document itself", () => {
    const text = olderItem({
      declarations: responseTo(["A"]),
      body: '<rubricBlock view="scorer"><p>Be kind.</p></rubricBlock><p>Look at <img src="boat.png" alt="a red boat"/> and <em>think</em>: <math xmlns="http://www.w3.org/1998/Math/MathML"><mfrac><mn>3</mn><mn>4</mn></mfrac></math><script>alert(1)</script></p><choiceInteraction responseIdentifier="RESPONSE" maxChoices="1"><simpleChoice identifier="A">yes</simpleChoice><simpleChoice identifier="B">no</simpleChoice></choiceInteraction><extendedTextInteraction responseIdentifier="WHY"/>',
      after:
        '<responseProcessing><responseCondition><responseIf><gte><variable identifier="X"/><baseValue baseType="float">1</baseValue></gte></responseIf></responseCondition></responseProcessing>',
    });
    const [first] = readAll(packageOf({ "boats.xml": text })).items;
    expect(first?.item?.body.stem).toBe("Look at [a red boat] and think: 3/4");
    expect(first?.item?.body.parts[1]).toEqual({
      id: "b",
      kind: "written",
      length: "paragraph",
      showCriteria: false,
      criteria: [{ id: "a", name: "", levels: ["", "Be kind."] }],
      sample: "",
    });
    expect(first?.remarks.map(({ code }) => code).sort()).toEqual(
      ["emphasis-lost", "picture-left-out", "scoring-made-anew", "script-left-out"].sort(),
    );
    expect(first?.remarks.every(({ line }) => line === undefined || line > 1)).toBe(true);
    expect(first?.original).toBe(text);
  });
  it("keeps a shared passage as one, whoever hangs on it", () => {
    const passage =
      '<qti-assessment-stimulus xmlns="http://www.imsglobal.org/xsd/imsqtiasi_v3p0" identifier="s" title="The tide"><qti-stimulus-body><p>The tide comes in.</p><p>The boats rise.</p></qti-stimulus-body></qti-assessment-stimulus>';
    const item = `<qti-assessment-item xmlns="http://www.imsglobal.org/xsd/imsqtiasi_v3p0" identifier="q" title="Q"><qti-response-declaration identifier="R" cardinality="single" base-type="identifier"><qti-correct-response><qti-value>A</qti-value></qti-correct-response></qti-response-declaration><qti-assessment-stimulus-ref identifier="s" href="../passages/tide.xml"/><qti-item-body><p>What rises?</p><qti-choice-interaction response-identifier="R" max-choices="1"><qti-simple-choice identifier="A">boats</qti-simple-choice><qti-simple-choice identifier="B">rocks</qti-simple-choice></qti-choice-interaction></qti-item-body></qti-assessment-item>`;
    const { item: read3, remarks } = onlyItem(
      packageOf({ "items/q.xml": item }, { "passages/tide.xml": passage }, "imsqti_item_xmlv3p0"),
    );
    expect(read3.body.stem).toBe("What rises?");
    expect(read3.passage).toEqual({
      id: "s",
      title: "The tide",
      language: "en",
      paragraphs: ["The tide comes in.", "The boats rise."],
    });
    expect(remarks).toEqual([]);
    expect(onlyItem(packageOf({ "items/q.xml": item }, {}, "imsqti_item_xmlv3p0")).remarks).toEqual([
      "passage-missing",
    ]);
  });
  it("reads a single document without a package", () => {
    const text = olderItem({
      declarations: responseTo(["7"], { baseType: "integer" }),
      body: '<p>3 + 4 = <textEntryInteraction responseIdentifier="RESPONSE"/></p>',
    });
    expect(readSingleItem(strToU8(text), "seven.xml").item?.body.parts[0]).toMatchObject({
      kind: "number",
      answer: "7",
    });
  });
});

describe("what can't be taken says why", () => {
  const whyOf = (text: string) => readAll(packageOf({ "a.xml": text })).items[0];
  const choice =
    '<choiceInteraction responseIdentifier="RESPONSE" maxChoices="1"><simpleChoice identifier="A">1</simpleChoice><simpleChoice identifier="B">2</simpleChoice></choiceInteraction>';
  it.each([
    ["no key", olderItem({ declarations: responseTo([]), body: `<p>?</p>${choice}` }), "no-key"],
    [
      "a key that is no option",
      olderItem({ declarations: responseTo(["C"]), body: `<p>?</p>${choice}` }),
      "key-not-an-option",
    ],
    ["no question", olderItem({ declarations: "", body: "<p>Only words.</p>" }), "no-question"],
    [
      "an interaction that nothing here asks",
      olderItem({ declarations: "", body: '<uploadInteraction responseIdentifier="RESPONSE"/>' }),
      "kind-not-known",
    ],
    [
      "numbers drawn by the document",
      olderItem({
        declarations: `${responseTo(["A"])}<templateDeclaration identifier="N" cardinality="single" baseType="integer"/>`,
        body: choice,
      }),
      "draws-its-numbers",
    ],
    [
      "an item that adapts itself",
      olderItem({ declarations: responseTo(["A"]), body: choice }).replace('adaptive="false"', 'adaptive="true"'),
      "adapts-itself",
    ],
    [
      "a key that is no number",
      olderItem({
        declarations: responseTo(["9^9^9^9"], { baseType: "float" }),
        body: '<p>?</p><textEntryInteraction responseIdentifier="RESPONSE"/>',
      }),
      "key-not-a-number",
    ],
    [
      "entities of its own",
      `<!DOCTYPE x [<!ENTITY e SYSTEM "file:///etc/passwd">]>${olderItem({ declarations: responseTo(["A"]), body: `<p>&e;</p>${choice}` }).replace(/^<\?xml.*?\?>\n/, "")}`,
      "own-entities",
    ],
    ["a tag that is not closed", "<assessmentItem><itemBody>", "not-xml"],
    ["tags without end", `<a>${"<b>".repeat(200)}`, "too-deep"],
    ["another document", "<html/>", "not-an-item"],
  ])("%s", (_, text, code) => {
    const first = whyOf(text);
    expect(first?.item).toBeNull();
    expect(first?.remarks[0]?.code).toBe(code);
  });
  it("a file that is missing, an id that is there twice", () => {
    const text = olderItem({ declarations: responseTo(["A"]), body: `<p>?</p>${choice}` });
    const bytes = packageOf({ "a.xml": text, "b.xml": text });
    expect(readAll(bytes).items.map(({ remarks }) => remarks[0]?.code)).toEqual([undefined, "id-twice"]);
    const files = unzipSync(bytes);
    delete files["b.xml"];
    expect(readAll(zipSync(files)).items[1]?.remarks[0]).toEqual({ code: "file-missing", at: "b.xml" });
  });
  it("a package that is none", () => {
    expect(readPackage(new Uint8Array([1, 2, 3]))).toMatchObject({ ok: false, why: { kind: "zip" } });
    expect(readPackage(zipSync({ "a.txt": strToU8("x") }))).toMatchObject({ ok: false, why: { kind: "no-manifest" } });
    expect(readPackage(zipSync({ "imsmanifest.xml": strToU8("<a") }))).toMatchObject({
      ok: false,
      why: { kind: "bad-manifest" },
    });
    expect(readPackage(packageOf({}))).toMatchObject({ ok: false, why: { kind: "no-items" } });
    const many = Object.fromEntries(Array.from({ length: 20_001 }, (_, place) => [`i${place}.xml`, ""]));
    expect(readPackage(packageOf(many))).toMatchObject({
      ok: false,
      why: { kind: "too-many-items", items: 20_001, most: 20_000 },
    });
  });
});

it("a thousand packages with something changed in them: no exception, and every item either sound or with its reason", () => {
  const packages = models.map((model) => unzipSync(writePackage("Boats", [model])));
  const random = seededRandom("mutated packages");
  const pick = (most: number) => Math.floor(random() * most);
  for (let round = 0; round < 1000; round++) {
    const files = packages[round % packages.length] ?? {};
    const names = Object.keys(files).filter((one) => one.endsWith(".xml") || one.endsWith(".json"));
    const name = names[pick(names.length)] ?? "";
    const text = strFromU8(files[name] ?? new Uint8Array());
    const [from, length] = [pick(text.length), pick(40)];
    const piece = text.slice(from, from + length);
    const changed = [
      text.slice(0, from) + text.slice(from + length),
      text.slice(0, from) + piece + text.slice(from),
      text.slice(0, from) + String.fromCharCode(pick(0x300)) + text.slice(from + 1),
      text.replace(piece, '<x y="1"/>'),
      text.slice(0, from),
    ][pick(5)];
    const reading = readPackage(zipSync({ ...files, [name]: strToU8(changed ?? "") }, { level: 0 }));
    if (!reading.ok) continue;
    for (const { item, remarks } of reading.items) expect(item !== null || remarks.length > 0).toBe(true);
  }
});
