import { describe, expect, it } from "vitest";
import { type DrawnItem, drawItem } from "@/core/items/drawItem";
import { drawParameters } from "@/core/items/drawParameters";
import { itemParameters } from "@/core/items/itemParameters";
import { optionTexts } from "@/core/items/optionTexts";
import { responseWords } from "@/core/items/responseWords";
import { rightResponse, tellingMistakes } from "@/core/items/telling";
import { smallLibrary } from "~/tests/support/smallLibrary";

const [content] = smallLibrary();
if (!content) throw new Error("Nothing ships.");
const { skills: ratioStrand, misconceptions } = content;

type Numbers = Readonly<Record<string, number>>;

/** The right answer to each shipped item, worked out here in plain arithmetic, without the expression engine. */
const BY_HAND: Readonly<Record<string, (p: Numbers) => number>> = {
  "times-as-many/how-many-times": (p) => p.large! / p.small!,
  "times-as-many/find-the-larger": (p) => p.small! * p.times!,
  "equivalent-fractions/missing-top": (p) => (p.wide! / p.bottom!) * p.top!,
  "equivalent-fractions/which-is-equal": (p) => p.top! / p.bottom!,
  "fractions-of-amounts/find-the-part": (p) => (p.whole! / p.bottom!) * p.top!,
  "fractions-of-amounts/find-the-rest": (p) => p.whole! * (1 - p.top! / p.bottom!),
  "scaling-by-a-fraction/new-length": (p) => (p.length! * p.top!) / p.bottom!,
  "scaling-by-a-fraction/which-factor": (p) => p.after! / p.before!,
  "ratio-language/name-the-ratio": (p) => p.first! / p.second!,
  "ratio-language/fraction-of-all": (p) => p.first! / (p.first! + p.second!),
  "equivalent-ratios/bigger-batch": (p) => (p.wanted! / p.first!) * p.second!,
  "equivalent-ratios/same-mix": (p) => p.first! / p.second!,
  "ratio-tables/missing-cell": (p) => (p.b! / p.a!) * p.c!,
  "ratio-tables/which-column": (p) => p.a! / p.b!,
  "unit-rates/for-one": (p) => p.total! / p.count!,
  "unit-rates/any-amount": (p) => (p.total! / p.count!) * p.wanted!,
  "unit-rates/which-rate": (p) => p.total! / p.count!,
  "comparing-rates/best-value": (p) => Math.min(p.p1! / p.middle!, p.p2! / p.few!, p.p3! / p.many!),
  "comparing-rates/how-much-less": (p) => p.p2! / p.n2! - p.p1! / p.n1!,
  "percent-of-amounts/find-percent": (p) => 0.01 * p.percent! * p.whole!,
  "percent-of-amounts/after-reduction": (p) => p.price! * (1 - 0.01 * p.percent!),
  "proportional-or-not/which-pairs": () => 0,
  "proportional-or-not/with-a-start": (p) => p.start! + ((p.cost! - p.start!) / p.few!) * p.many!,
  "constant-of-proportionality/find-the-number": (p) => p.output! / p.input!,
  "constant-of-proportionality/which-rule": (p) => p.output! / p.input!,
};

/** The number an option of a choice item stands for, read back from its text as a student reads it. */
const READ_OPTION: Readonly<Record<string, (numbers: readonly number[]) => number>> = {
  "equivalent-fractions/which-is-equal": ([p, q]) => p! / q!,
  "ratio-language/name-the-ratio": ([p, q]) => p! / q!,
  "equivalent-ratios/same-mix": ([p, q]) => p! / q!,
  "ratio-tables/which-column": ([p, q]) => p! / q!,
  "comparing-rates/best-value": ([n, price]) => price! / n!,
  "proportional-or-not/which-pairs": ([x1, y1, x2, y2]) => y2! / x2! - y1! / x1!,
};

const mixed = (text: string): number => {
  const match = /(?:(\d+) )?(\d+)\/(\d+)|(\d+(?:\.\d+)?)/.exec(text);
  if (!match) throw new Error(`No number in ${text}`);
  return match[4] === undefined ? Number(match[1] ?? 0) + Number(match[2]) / Number(match[3]) : Number(match[4]);
};
const numbersIn = (text: string) => [...text.matchAll(/\d+(?:\.\d+)?/g)].map(([digits]) => Number(digits));
const readValue = (item: DrawnItem, text: string) => READ_OPTION[item.itemId]?.(numbersIn(text)) ?? mixed(text);
const plain = (item: DrawnItem): Numbers =>
  Object.fromEntries(Object.entries(item.values).map(([name, value]) => [name, value.valueOf()]));
const near = (one: number, other: number) => Math.abs(one - other) < 1e-9;

const SEEDS = Array.from({ length: 200 }, (_, seed) => seed);

const words = (item: DrawnItem, response: object) => responseWords(item, { ...response }).join("; ");

describe.each(ratioStrand.flatMap((skill) => skill.items.map(({ id, body }) => ({ skill, body, id }))))(
  "$id over 200 seeds",
  ({ skill, body, id }) => {
    const version = { id: `${id}@1`, itemId: id, body };
    const items = SEEDS.map((seed) => drawItem(version, seed));
    const expectedOf = (item: DrawnItem) => BY_HAND[item.itemId]?.(plain(item)) ?? Number.NaN;

    it("has a right key by arithmetic of our own", () => {
      for (const item of items) {
        const expected = expectedOf(item);
        const options = optionTexts(item);
        const right = options.filter((text) => near(readValue(item, text), expected));
        if (options.length === 0)
          expect(near(mixed(item.parts[0]?.keyText ?? ""), expected), `${item.stem} → ${item.parts[0]?.keyText}`).toBe(
            true,
          );
        else expect(right, `${item.stem}: ${options.join(" | ")}`).toEqual([words(item, rightResponse(item))]);
      }
    });

    it("offers different options, three or more", () => {
      for (const texts of items.map(optionTexts).filter(({ length }) => length > 0)) {
        expect(new Set(texts).size).toBe(texts.length);
        expect(texts.length).toBeGreaterThanOrEqual(3);
      }
    });

    it("never lets a misconception be right, and names only known ones", () => {
      const ids = new Set(misconceptions.map((known) => known.id));
      for (const item of items)
        for (const { misconceptionId, response } of tellingMistakes(item)) {
          expect(ids.has(misconceptionId)).toBe(true);
          const value = readValue(item, words(item, response));
          expect(near(value, expectedOf(item)), `${item.stem}: ${misconceptionId}`).toBe(false);
        }
    });

    it("shows a misconception in most items", () => {
      const shows = items.filter((item) => tellingMistakes(item).length > 0);
      expect(shows.length / items.length).toBeGreaterThan(0.9);
    });

    it("fills every slot and repeats itself for the same seed", () => {
      for (const [seed, item] of items.entries()) {
        const texts = [
          item.stem,
          item.hint,
          item.solution,
          ...optionTexts(item),
          ...item.picture.map(({ label }) => label),
        ];
        for (const text of texts) expect(text).not.toMatch(/[{}]|NaN|undefined/);
        if (seed < 20) expect(JSON.stringify(drawItem(version, seed).stem)).toBe(JSON.stringify(item.stem));
      }
      const faces = items.map((item) =>
        [item.stem, item.parts[0]?.keyText, ...item.table.map(({ cells }) => cells.join())].join("|"),
      );
      expect(new Set(faces).size).toBeGreaterThan(40);
    });

    it("tells every story of its own", () => {
      for (const context of Object.keys(body.contexts)) expect(drawItem(version, 1, context).context).toBe(context);
      expect(Object.keys(body.contexts).length).toBeGreaterThanOrEqual(3);
    });

    it("stays within a logit and a half of its skill's difficulty", () => {
      for (const seed of SEEDS) {
        const { a, b, c } = itemParameters(body, drawParameters(version, seed), skill.difficulty);
        expect(Math.abs(b - skill.difficulty)).toBeLessThan(1.5);
        expect(a).toBeGreaterThan(0);
        const options = optionTexts(drawItem(version, seed)).length;
        expect(c, "one of the options that are shown").toBeCloseTo(options > 0 ? 1 / options : 0, 12);
      }
    });
  },
);

describe("the strand", () => {
  it("has at least two items a skill, with different ids everywhere", () => {
    const ids = ratioStrand.flatMap(({ items }) => items.map(({ id }) => id));
    expect(new Set(ids).size).toBe(ids.length);
    for (const { items } of ratioStrand) expect(items.length).toBeGreaterThanOrEqual(2);
  });

  it("teaches nothing before what it builds on", () => {
    const order = ratioStrand.map(({ id }) => id);
    for (const [place, { id, prerequisites, contrasts }] of ratioStrand.entries()) {
      for (const under of prerequisites) expect(order.indexOf(under), `${id} builds on ${under}`).toBeLessThan(place);
      for (const under of prerequisites) expect(order).toContain(under);
      for (const partner of contrasts) expect(order).toContain(partner);
    }
  });

  it("runs from grade 4 to grade 7 with rising difficulty by grade", () => {
    const mean = (grade: number) => {
      const own = ratioStrand.filter((skill) => skill.grade === grade).map(({ difficulty }) => difficulty);
      return own.reduce((sum, value) => sum + value, 0) / own.length;
    };
    expect(mean(4)).toBeLessThan(mean(5));
    expect(mean(5)).toBeLessThan(mean(6));
    expect(mean(6)).toBeLessThan(mean(7));
  });
});
