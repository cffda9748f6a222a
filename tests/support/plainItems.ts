import fc from "fast-check";
import type { ItemBody, PartBody } from "@/core/items/itemBody";
import type { ItemKind } from "@/core/items/itemKind";
import type { ExchangeItem } from "@/formats/exchange/exchangeItem";

/** Items that say everything themselves: no numbers drawn, no stories. One arbitrary for each kind of part. */

const word = fc.oneof(
  {
    weight: 6,
    arbitrary: fc.string({
      minLength: 1,
      maxLength: 8,
      unit: fc.constantFrom(..."abcdeXYZ0123456789.,;:!?-+=äéñ½€π×\"'"),
    }),
  },
  { weight: 1, arbitrary: fc.constantFrom("<b>", "&amp;", "a<b", "]]>", "{leftBrace}1{rightBrace}", "<!--", "🚣") },
);
const text = fc.array(word, { minLength: 1, maxLength: 6 }).map((words) => words.join(" "));
const lines = fc.array(text, { minLength: 1, maxLength: 3 }).map((all) => all.join("\n"));
const id = fc
  .oneof(
    fc.string({ minLength: 1, maxLength: 6, unit: fc.constantFrom(..."abcxyz019_-. é") }),
    fc.uuid(),
    fc.constantFrom("x-a", "RESPONSE", "7 boats"),
  )
  .filter((one) => one.trim() === one && !one.includes("  "));
const misconceptionId = fc.constantFrom("adds-both", "reads-backwards", "counts-ends");
const maybe = <T>(value: fc.Arbitrary<T>) => fc.option(value, { nil: undefined });
const ids = (least: number, most: number) => fc.uniqueArray(id, { minLength: least, maxLength: most });
const texts = (count: number) => fc.uniqueArray(text, { minLength: count, maxLength: count });
/** Leaves out names without a value, as bodies do. */
const given = <T extends object>(value: T): T =>
  Object.fromEntries(Object.entries(value).filter(([, own]) => own !== undefined)) as T;

const whole = fc.integer({ min: 0, max: 60 }).map(String);
const decimal = fc
  .tuple(fc.integer({ min: 0, max: 99 }), fc.integer({ min: 1, max: 99 }))
  .map(([a, b]) => `${a}.${String(b).padStart(2, "0")}`);

const options = (rights: "one" | "some") =>
  fc.integer({ min: 2, max: 6 }).chain((count) =>
    fc
      .tuple(
        ids(count, count),
        texts(count),
        fc.integer({ min: 0, max: count - 1 }),
        fc.integer({ min: 1, max: count - 1 }),
        fc.array(maybe(misconceptionId), { minLength: count, maxLength: count }),
      )
      .map(([names, words, key, keys, shown]) => ({
        options: names.map((name, place) => {
          const right = rights === "one" ? place === key : place < keys;
          return given({
            id: name,
            text: words[place] ?? "",
            right: right || undefined,
            misconceptionId: right ? undefined : shown[place],
          });
        }),
      })),
  );

const number = fc
  .record({
    answer: fc.oneof(whole, decimal, fc.constantFrom("3/4", "7/3")),
    tolerance: maybe(fc.constantFrom("0.5", "2")),
    anyRight: maybe(fc.boolean()),
    rule: fc.boolean(),
    unit: maybe(fc.record({ word: fc.constantFrom("km", "boats a day"), required: fc.boolean() })),
    answerFormat: maybe(fc.constantFrom("fraction" as const, "decimal" as const, "money" as const, "mixed" as const)),
    form: maybe(fc.constantFrom("any" as const, "lowest-terms" as const)),
    wrong: maybe(fc.constantFrom("181", "199.5", "500/3")),
  })
  .map(({ rule, wrong, answer, tolerance, ...rest }) =>
    given({
      ...rest,
      answer,
      // Compared letter by letter, a fraction has no room for more or less.
      tolerance: [answer, wrong ?? ""].some((one) => one.includes("/")) ? undefined : tolerance,
      right: rule ? `x >= ${answer} and x <= ${answer}` : `x == ${answer}`,
      misconceptions: wrong === undefined ? [] : [{ id: "adds-both", value: wrong }],
    }),
  );

const shortText = fc
  .record({
    words: fc.uniqueArray(
      fc
        .string({ minLength: 3, maxLength: 9, unit: fc.constantFrom(..."abcdefghij ñ") })
        .filter((one) => one.trim() === one && !one.includes("  ")),
      { minLength: 4, maxLength: 6, selector: (one) => one.replace(/ /g, "") },
    ),
    ignoreCase: fc.boolean(),
    ignoreSpacing: fc.boolean(),
    ignoreAccents: fc.constant(false),
    ignorePunctuation: fc.boolean(),
    spelling: fc.constant("exact" as const),
    refuses: fc.boolean(),
  })
  .map(({ words: [first = "", second = "", third = "", fourth = ""], refuses, ...rest }) =>
    given({
      ...rest,
      accepted: [first, second] as const,
      notAccepted: refuses ? [third] : undefined,
      misconceptions: [{ id: "adds-both", text: fourth }],
    }),
  );

const inlineChoice = fc
  .tuple(ids(2, 2), ids(3, 3), texts(3), texts(3), text, maybe(misconceptionId))
  .map(([gapIds, optionIds, first, second, between, shown]) => {
    const gap = (name: string, words: readonly string[]) => ({
      id: name,
      options: optionIds.map((one, place) =>
        given({ id: one, text: words[place] ?? "", misconceptionId: place === 2 ? shown : undefined }),
      ),
      right: optionIds[0] ?? "",
    });
    return {
      text: [{ gap: gapIds[0] ?? "" }, ` ${between} `, { gap: gapIds[1] ?? "" }],
      gaps: [gap(gapIds[0] ?? "", first), gap(gapIds[1] ?? "", second)],
    };
  });

const order = fc.tuple(ids(4, 4), texts(4), fc.boolean()).map(([names, words, valued]) =>
  given({
    members: names.map((name, place) =>
      given({ id: name, text: words[place] ?? "", value: valued ? String(place * 3) : undefined }),
    ),
    descending: valued ? false : undefined,
    misconceptions: [{ id: "reads-backwards", order: [...names].reverse() }],
  }),
);

const matching = fc.tuple(ids(5, 5), texts(5), fc.boolean()).map(([names, words, shown]) => {
  const [p = "", q = "", ...things] = names;
  return {
    things: things.map((name, place) => ({ id: name, text: words[place + 2] ?? "", partner: place === 0 ? p : q })),
    partners: [
      { id: p, text: words[0] ?? "" },
      { id: q, text: words[1] ?? "" },
    ],
    misconceptions: shown ? [{ id: "adds-both", thing: things[0] ?? "", partner: q }] : [],
  };
});

const selectWords = fc
  .tuple(ids(3, 3), texts(3), text, maybe(misconceptionId))
  .map(([names, words, before, shown]) => ({
    text: [
      { text: `${before} ` },
      { id: names[0], text: words[0] ?? "", right: true },
      { text: " " },
      given({ id: names[1], text: words[1] ?? "", right: false, misconceptionId: shown }),
      { text: ", " },
      { id: names[2], text: words[2] ?? "", right: false },
    ],
  }));

const mark = fc.oneof(
  fc.constantFrom({ point: "1.5" }, { point: "0" }).map((one) => ({ right: one, wrong: { point: "2" } })),
  fc
    .constantFrom(
      { low: "0.5", high: null, withLow: true, withHigh: false },
      { low: null, high: "2", withLow: false, withHigh: true },
      { low: "0", high: "1.5", withLow: false, withHigh: false },
    )
    .map((one) => ({ right: one, wrong: { low: "1", high: "1.5", withLow: true, withHigh: true } })),
);
const numberLine = fc.tuple(mark, maybe(fc.constant("2")), fc.boolean()).map(([{ right, wrong }, labelEvery, shown]) =>
  given({
    from: "0",
    to: "2",
    step: fc.sample(fc.constantFrom("0.5", "1/2"), { numRuns: 1, seed: shown ? 1 : 2 })[0] ?? "0.5",
    labelEvery,
    right,
    misconceptions: shown ? [{ id: "counts-ends", mark: wrong }] : [],
  }),
);

const grid = fc
  .tuple(
    fc.constantFrom("points" as const, "line" as const),
    fc.uniqueArray(fc.tuple(fc.nat(4), fc.nat(4)), { minLength: 4, maxLength: 4, selector: ([x, y]) => `${x} ${y}` }),
    fc.boolean(),
  )
  .map(([task, points, shown]) => {
    const at = ([x, y]: [number, number]) => ({ x: String(x - 2), y: String(y * 0.5) });
    return {
      across: { from: "-2", to: "2", step: "1" },
      up: { from: "0", to: "2", step: "0.5" },
      task,
      right: points.slice(0, 2).map(at),
      misconceptions: shown && task === "points" ? [{ id: "reads-backwards", points: points.slice(2).map(at) }] : [],
    };
  });

const shading = fc
  .tuple(fc.constantFrom("1/4", "3/4"), maybe(fc.constant("4")), fc.boolean())
  .map(([right, columns, shown]) =>
    given({ parts: "12", columns, right, misconceptions: shown ? [{ id: "adds-both", value: "1/3" }] : [] }),
  );

const expression = fc.tuple(fc.constantFrom("2x + 3", "x = 4", "3a - 1"), fc.boolean()).map(([answer, shown]) => ({
  answer,
  form: "any" as const,
  misconceptions: shown ? [{ id: "adds-both", text: "5x" }] : [],
}));

const steps = fc
  .tuple(fc.constantFrom("2x + 3 = 9", "-3(y - 1) < 12", "2(a + 4) - a"), fc.boolean())
  .map(([start, shown]) => ({
    start,
    misconceptions: shown ? [{ id: "adds-both", slip: "sign" as const }] : [],
  }));

const written = fc
  .tuple(fc.constantFrom("sentence" as const, "paragraph" as const, "page" as const), ids(2, 2), texts(5), fc.boolean())
  .map(([length, [first = "", second = ""], [name = "", low = "", high = "", top = "", sample = ""], isShort]) => ({
    length,
    showCriteria: isShort,
    criteria: [
      given({ id: first, name, levels: isShort ? [low, high] : [low, high, top], weight: isShort ? undefined : 2.5 }),
      { id: second, name: isShort ? "" : `${name} too`, levels: ["", top] },
    ],
    sample: isShort ? "" : sample,
  }));

const bodies = {
  number,
  "single-choice": options("one"),
  "multiple-choice": options("some"),
  "short-text": shortText,
  "inline-choice": inlineChoice,
  order,
  matching,
  "select-words": selectWords,
  "number-line": numberLine,
  grid,
  shading,
  expression,
  steps,
  written,
} satisfies Record<ItemKind, fc.Arbitrary<object>>;

const framed = (kind: ItemKind, partId: fc.Arbitrary<string>): fc.Arbitrary<PartBody> =>
  fc
    .tuple(
      partId,
      bodies[kind],
      maybe(text),
      maybe(fc.integer({ min: 1, max: 5 })),
      maybe(fc.constantFrom(["s-one"], ["s-one", "s-two"])),
    )
    .map(
      ([name, body, prompt, points, skillIds]) =>
        given({ id: name, kind, ...body, prompt, points, skillIds }) as unknown as PartBody,
    );

/** Plain items whose parts are of these kinds, in this order. */
export function plainItem(kinds: readonly ItemKind[]): fc.Arbitrary<ExchangeItem> {
  return fc
    .record({
      id,
      title: text,
      stem: lines,
      hint: fc.oneof(fc.constant(""), lines),
      solution: fc.oneof(fc.constant(""), lines),
      offset: fc.constantFrom("0", "0.4", "-1.2"),
      discrimination: maybe(fc.constantFrom(0.8, 1.5)),
      depth: fc.constantFrom(null, 1, 4),
      calculator: fc.boolean(),
      language: fc.constantFrom("en", "es"),
      table: maybe(fc.constant([{ label: "boats", cells: ["2", "4", "?"] }])),
      picture: maybe(fc.constant([{ label: "boats", count: "12", per: "4" }])),
      parts: fc.tuple(...kinds.map((kind, place) => framed(kind, fc.constant(String.fromCharCode(97 + place))))),
    })
    .map(({ id: name, title, depth, calculator, language, offset, stem, hint, solution, parts, ...rest }) => {
      const body = given({
        parameters: {},
        stem,
        difficultyOffset: offset,
        hint,
        solution,
        ...rest,
        parts,
        contexts: {},
      });
      const hasBraces = /\{(leftBrace|rightBrace)\}/.test(JSON.stringify(body));
      const contexts = { plain: hasBraces ? { leftBrace: "{", rightBrace: "}" } : {} };
      return {
        id: name,
        title: title.replace(/\{leftBrace\}|\{rightBrace\}/g, "*"),
        body: { ...body, contexts } as ItemBody,
        depth,
        calculator,
        language,
        skillIds: [],
        standards: [],
        passage: null,
      };
    });
}
