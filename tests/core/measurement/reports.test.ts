import { describe, expect, it } from "vitest";
import { averageOfMarks, type PieceInAverage } from "@/core/measurement/averageOfMarks";
import { compareForms, equatedShare } from "@/core/measurement/compareForms";
import { type OpenerItem, openersOf } from "@/core/measurement/openersOf";
import { rushedTest } from "@/core/measurement/rushedTest";
import { sharesApart } from "@/core/measurement/sharesApart";
import { spreadOfMarks } from "@/core/measurement/spreadOfMarks";
import { holdingBack, strandLevel, wholeLevel } from "@/core/measurement/strandLevel";
import { type Rational, rational } from "@/core/numeric/rational";

describe("openers for the next lesson", () => {
  const item = (id: string, missed: number, over: Partial<OpenerItem> = {}): OpenerItem => ({
    id,
    given: 20,
    missed,
    discrimination: 0.3,
    misconceptionIds: [],
    ...over,
  });
  const ids = (items: readonly OpenerItem[]) => openersOf(items).map(({ id }) => id);

  it("come by students who missed them times discrimination, three at most", () => {
    const items = [item("a", 6), item("b", 10), item("c", 5, { discrimination: 0.9 }), item("d", 4)];
    // 1.8, 3.0, 4.5 and 1.2 by hand.
    expect(ids(items)).toEqual(["c", "b", "a"]);
  });

  it("leave out what fewer than a fifth missed, and a second one with the same leading mistake", () => {
    expect(ids([item("a", 3), item("b", 4)])).toEqual(["b"]);
    const same = { misconceptionIds: ["added"] };
    expect(ids([item("a", 9, same), item("b", 8, same), item("c", 7)])).toEqual(["a", "c"]);
  });

  it("take an ordinary discrimination where few students carry none, and never a negative worth", () => {
    expect(ids([item("a", 5, { discrimination: null }), item("b", 6, { discrimination: 0.1 })])).toEqual(["a", "b"]);
    expect(ids([item("a", 20, { discrimination: -0.5 })])).toEqual(["a"]);
    expect(ids([])).toEqual([]);
    expect(ids([item("a", 0, { given: 0 })])).toEqual([]);
  });
});

describe("a rushed test", () => {
  const class8 = [300, 320, 340, 360, 380, 400, 420, 90];

  it("takes less than a third of the median of eight or more who did the same items", () => {
    // The median of the eight is 350 s, a third of it 116.7 s.
    expect(rushedTest(90, class8, 1000)).toEqual({ by: "class", seconds: 90, usualSeconds: 350, comparedWith: 8 });
    expect(rushedTest(117, class8, 10_000)).toBeNull();
  });

  it("with fewer is set against what the items are expected to take: ten items in a minute and a half are seen", () => {
    expect(rushedTest(90, class8.slice(0, 7), 400)?.by).toBe("expected");
    expect(rushedTest(90, [], 400)).toMatchObject({ usualSeconds: 400, comparedWith: 0 });
    expect(rushedTest(150, [150], 400)).toBeNull();
  });
});

describe("how marks lie", () => {
  const marks = [rational(0), rational(1, 2), rational(696, 1000), rational(7, 10), rational(1)];

  it("have mean, median, spread and tenths, and 69.6 lies under a line of 70", () => {
    const spread = spreadOfMarks(marks, 70);
    expect(spread).toMatchObject({ n: 5, atLine: 2, median: 0.696, tenths: [1, 0, 0, 0, 0, 1, 1, 1, 0, 1] });
    expect(spread?.mean).toBeCloseTo((0 + 0.5 + 0.696 + 0.7 + 1) / 5, 12);
    const mean = 0.5792;
    const squares = [0, 0.5, 0.696, 0.7, 1].reduce((sum, share) => sum + (share - mean) ** 2, 0);
    expect(spread?.sd).toBeCloseTo(Math.sqrt(squares / 4), 12);
  });

  it("say nothing of nobody, and have no spread of one", () => {
    expect(spreadOfMarks([], 70)).toBeNull();
    expect(spreadOfMarks([rational(1)], 70)).toMatchObject({ n: 1, sd: null, atLine: 1 });
  });
});

describe("averages of marks", () => {
  const piece = (mark: Rational | null, over: Partial<PieceInAverage> = {}): PieceInAverage => ({
    mark,
    leftOut: false,
    nought: false,
    points: 10,
    ...over,
  });
  const average = (pieces: readonly PieceInAverage[], by: "pieces" | "points" = "pieces") =>
    averageOfMarks(pieces, by)?.toFraction() ?? null;

  it("leave out whoever is excused or absent, and what was not handed in until the teacher says nought", () => {
    const half = piece(rational(1, 2));
    expect(average([half, piece(rational(1), { leftOut: true })])).toBe("1/2");
    expect(average([half, piece(null)])).toBe("1/2");
    expect(average([half, piece(null, { nought: true })])).toBe("1/4");
    expect(average([piece(null), piece(null, { leftOut: true, nought: true })])).toBeNull();
  });

  it("count pieces or points alike, exactly", () => {
    const pieces = [piece(rational(1, 3), { points: 3 }), piece(rational(1), { points: 1 })];
    expect(average(pieces)).toBe("2/3");
    expect(average(pieces, "points")).toBe("1/2");
  });
});

describe("two forms", () => {
  const form = (...difficulties: number[]) => difficulties.map((b) => ({ a: 1, b, c: 0 }));

  it("are compared as they are within two points in 100 at three places, else equated", () => {
    expect(compareForms(form(0, 1), form(1, 0), 0)).toEqual({ basis: "as-they-are", difference: 0 });
    const logistic = (x: number) => 1 / (1 + Math.exp(-x));
    const other = compareForms(form(0), form(0.5), 0);
    expect(other.basis).toBe("equated");
    // Steepest at the middle between: the largest of the three differences, worked out by the formula.
    const differences = [-1, 0, 1].map((theta) => logistic(theta - 0.5) - logistic(theta));
    expect(other.difference).toBeCloseTo(Math.min(...differences), 12);
  });

  it("give a share on the other that the same ability would get: by hand for one item each", () => {
    // A share of 0.5 on an item at 0 is an ability of 0; on an item at 1 that is 1 / (1 + e).
    expect(equatedShare(0.5, form(0), form(1))).toBeCloseTo(1 / (1 + Math.E), 9);
    expect(equatedShare(1, form(0), form(1))).toBe(1);
    expect(equatedShare(0, form(0), form(1))).toBe(0);
    const guessed = [{ a: 1, b: 0, c: 0.25 }];
    expect(equatedShare(0.125, guessed, [{ a: 1, b: 0, c: 0.2 }])).toBeCloseTo(0.1, 12);
  });
});

describe("shares apart", () => {
  // Newcombe 1998, Statistics in Medicine 17, table II, method 10: 56/70 against 48/80, and 9/10 against 3/10.
  it("have the intervals that were published", () => {
    const wide = sharesApart({ k: 56, n: 70 }, { k: 48, n: 80 }, 0.95);
    expect([wide.difference, wide.low, wide.high].map((one) => one.toFixed(4))).toEqual(["0.2000", "0.0524", "0.3339"]);
    const few = sharesApart({ k: 9, n: 10 }, { k: 3, n: 10 }, 0.95);
    expect([few.low, few.high].map((one) => one.toFixed(4))).toEqual(["0.1705", "0.8090"]);
    const none = sharesApart({ k: 0, n: 10 }, { k: 0, n: 10 }, 0.95);
    expect([none.low, none.high].map((one) => one.toFixed(4))).toEqual(["-0.2775", "0.2775"]);
  });

  it("are told apart only beyond luck, and turn round with their sides", () => {
    expect(sharesApart({ k: 56, n: 70 }, { k: 48, n: 80 }, 0.95).apart).toBe("above");
    expect(sharesApart({ k: 48, n: 80 }, { k: 56, n: 70 }, 0.95).apart).toBe("below");
    expect(sharesApart({ k: 5, n: 6 }, { k: 3, n: 6 }, 0.95).apart).toBe("within-luck");
    expect(() => sharesApart({ k: 0, n: 0 }, { k: 1, n: 2 }, 0.95)).toThrow("one case");
  });
});

describe("levels of strands and of the whole", () => {
  it("weigh skills by precision, each the strand's own but for how skills lie around it", () => {
    // Variances 0.16 + 0.25 and 0.64 + 0.25.
    const level = strandLevel(
      [
        { theta: 1, se: 0.4 },
        { theta: -1, se: 0.8 },
      ],
      0.5,
    );
    const [p, q] = [1 / 0.41, 1 / 0.89];
    expect(level?.theta).toBeCloseTo((p - q) / (p + q), 12);
    expect(level?.se).toBeCloseTo(Math.sqrt(1 / (p + q)), 12);
    expect(strandLevel([], 0.5)).toBeNull();
  });

  const strand = (id: string, theta: number, over: object = {}) => ({
    id,
    theta,
    se: 0.3,
    weight: 1,
    carries: 0,
    ...over,
  });

  it("make a whole by precision times the blueprint's weight", () => {
    const whole = wholeLevel([strand("a", 0, { se: 0.2, weight: 2 }), strand("b", 1, { se: 0.4, weight: 1 })]);
    const [x, y] = [2 / 0.04, 1 / 0.16];
    expect(whole?.theta).toBeCloseTo(y / (x + y), 12);
    expect(whole?.se).toBeCloseTo(Math.hypot((x / (x + y)) * 0.2, (y / (x + y)) * 0.4), 12);
    expect(wholeLevel([])).toBeNull();
  });

  it("are held down by what lies below the others beyond the error, what most builds on first", () => {
    expect(holdingBack([strand("a", -1), strand("b", 0)]).map(({ id }) => id)).toEqual(["a"]);
    expect(holdingBack([strand("a", -0.5), strand("b", 0)])).toEqual([]);
    expect(holdingBack([strand("a", -3)])).toEqual([]);
    const three = [strand("a", -2), strand("b", -1.9, { carries: 4 }), strand("c", 2, { se: 0.1 })];
    expect(holdingBack(three).map(({ id }) => id)).toEqual(["b", "a"]);
  });
});
