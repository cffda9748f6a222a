import { describe, expect, it } from "vitest";
import { factAnswer } from "@/core/fluency/factAnswer";
import { factFamilies } from "@/core/fluency/factFamilies";
import type { FactFluency } from "@/core/fluency/factFluency";
import { factId } from "@/core/fluency/factId";
import { factMomentum } from "@/core/fluency/factMomentum";
import { factOfId } from "@/core/fluency/factOfId";
import { familiesOf, mostAGoal, USUAL_FACT_SETTINGS } from "@/core/fluency/factSettings";
import { factsToDrill } from "@/core/fluency/factsToDrill";
import { familiesToPlace } from "@/core/fluency/familiesToPlace";
import { sameAnswers } from "@/core/fluency/sameAnswers";
import { OPERATIONS } from "@/core/model/factSettings";
import { seededRandom } from "@/core/numeric/seededRandom";

const UNMET: FactFluency = { chance: 0.5, doubt: 0.4, fluent: false, attempts: 0, days: 0, lastDay: null };
const met = (chance: number, lastDay = 10): FactFluency => ({
  chance,
  doubt: 0.1,
  fluent: chance >= 0.9,
  attempts: 5,
  days: 2,
  lastDay,
});

describe("families of facts", () => {
  it("hold every fact of an operation once, each with a whole answer and an id that names it", () => {
    for (const highest of [5, 10, 12, 15])
      for (const operation of OPERATIONS) {
        const facts = factFamilies(operation, highest).flatMap((family) => family.facts);
        const ids = facts.map(factId);
        expect(new Set(ids).size).toBe(ids.length);
        // By hand: operands from nought, and nothing is divided by nought.
        expect(ids.length).toBe((highest + 1) * (operation === "divide" ? highest : highest + 1));
        for (const fact of facts) {
          expect(factAnswer(fact)).toBeGreaterThanOrEqual(0);
          expect(factOfId(factId(fact))).toEqual(fact);
        }
      }
  });

  it("hold a product with the later of its two tables, and what takes it apart beside it", () => {
    const familyOf = (id: string) => {
      const fact = factOfId(id);
      return factFamilies(fact?.operation ?? "add", 10).find(({ facts }) => facts.some((one) => factId(one) === id))
        ?.id;
    };
    expect(familyOf("7*8")).toBe("multiply-7");
    expect(familyOf("8*7")).toBe("multiply-7");
    expect(familyOf("6*9")).toBe("multiply-6");
    expect(familyOf("0*9")).toBe("multiply-9");
    expect(familyOf("56/7")).toBe("divide-7");
    expect(familyOf("4+6")).toBe("add-tens");
    expect(familyOf("10-6")).toBe("subtract-tens");
    expect(familyOf("6+6")).toBe("add-doubles");
    expect(familyOf("8+5")).toBe("add-over");
    expect(() => factFamilies("add", 16)).toThrow("15");
  });

  it.each(["7*", "7^2", "5-9", "7/2", "7/0", "1e2*3", "-1+2", "1000*2"])("%s names no fact", (id) =>
    expect(factOfId(id)).toBeNull(),
  );
});

describe("placement", () => {
  it("leaves out what comes after a family that is plainly too hard, of that operation alone", () => {
    const operations = familiesOf({ operations: ["multiply", "add"], order: null, highest: 10 });
    const [times = []] = operations;
    const fives = times.find(({ id }) => id === "multiply-5");
    const answers = (fives?.facts ?? [])
      .slice(0, 6)
      .map((fact) => ({ familyId: "multiply-5", factId: factId(fact), known: false }));
    const left = familiesToPlace(operations, answers).map(({ id }) => id);
    expect(left.slice(0, 4)).toEqual(["multiply-1", "multiply-2", "multiply-10", "multiply-5"]);
    expect(left).not.toContain("multiply-7");
    expect(left).toContain("add-over");
    expect(familiesToPlace(operations, []).length).toBe(operations.flat().length);
  });
});

describe("what is drilled", () => {
  const families = familiesOf({ operations: ["multiply"], order: null, highest: 5 }).flat();
  const drill = (fluencyOf: (id: string) => FactFluency) =>
    factsToDrill(families, (fact) => fluencyOf(factId(fact)), seededRandom("drill"));

  it("begins with the first two families where nothing is known", () => {
    const { unknown, known } = drill(() => UNMET);
    expect(known).toEqual([]);
    expect(unknown.length).toBe(6);
    const first = new Set(families.slice(0, 2).flatMap(({ facts }) => facts.map(factId)));
    for (const id of unknown) expect(first).toContain(id);
  });

  it("takes up what was begun before anything new, among known facts those not sure yet, then the oldest", () => {
    const { unknown, known } = drill((id) =>
      id === "5*5"
        ? met(0.4)
        : id === "2*2"
          ? met(0.95, 3)
          : id === "2*3"
            ? met(0.95, 1)
            : id === "2*4"
              ? met(0.8)
              : UNMET,
    );
    expect(unknown[0]).toBe("5*5");
    expect(known).toEqual(["2*4", "2*3", "2*2"]);
    expect(new Set([...unknown, ...known]).size).toBe(unknown.length + known.length);
  });

  it("is what is known alone where all of it is", () => {
    const { unknown, known } = drill(() => met(0.95));
    expect(unknown).toEqual([]);
    expect(known.length).toBe(24);
  });
});

describe("answers all alike", () => {
  const noughts = (count: number) => Array.from({ length: count }, () => ({ given: 0, right: false }));
  it("are told from six wrong ones in a row, and not from right ones or others", () => {
    expect(sameAnswers(noughts(5))).toBe(false);
    expect(sameAnswers(noughts(6))).toBe(true);
    expect(sameAnswers([...noughts(6), { given: 4, right: true }])).toBe(false);
    expect(sameAnswers([...noughts(3), { given: 1, right: false }, ...noughts(3)])).toBe(false);
    expect(sameAnswers(Array.from({ length: 8 }, () => ({ given: 0, right: true })))).toBe(false);
    // Passing on what is not known is honest.
    expect(sameAnswers(Array.from({ length: 8 }, () => ({ given: null, right: false })))).toBe(false);
  });
});

describe("momentum", () => {
  const day = (of: number, learned = 0, seconds = 200) => ({
    day: of,
    seconds,
    newlyFluent: Array.from({ length: learned }, (_, n) => `${n}*${of % 10}`),
  });
  it("sets this week against the three before", () => {
    const days = [day(100, 2), day(94, 1), day(93, 3), day(80, 3), day(70, 9)];
    expect(factMomentum(days, 100)).toMatchObject({ thisWeek: 3, before: 2 });
  });
  it("is stalled when four days of practice brought nothing new, not when there was none", () => {
    expect(factMomentum([day(100), day(99), day(98), day(97)], 100).stalled).toBe(true);
    expect(factMomentum([day(100), day(99, 1), day(98), day(97)], 100).stalled).toBe(false);
    expect(factMomentum([day(100), day(99), day(98)], 100).stalled).toBe(false);
    expect(factMomentum([], 100)).toEqual({ thisWeek: 0, before: 0, stalled: false });
  });
});

it("a goal fits into the minutes, and the usual one does", () => {
  // By hand: 5 min are 300 s; 3 s to think and one beside are 75 facts.
  expect(mostAGoal({ minutesADay: 5, thinkingSeconds: 3 })).toBe(75);
  expect(USUAL_FACT_SETTINGS.goal).toBeLessThanOrEqual(mostAGoal(USUAL_FACT_SETTINGS));
});
