import { describe, expect, it } from "vitest";
import { falseRate, missRate, practiseIn } from "~/scripts/prove/practiseIn";
import { areaUnderCurve } from "~/scripts/prove/predictions";
import { WORLDS } from "~/scripts/prove/worlds";
import { asBelieved } from "~/scripts/prove/worlds/asBelieved";
import { easierItems } from "~/scripts/prove/worlds/easierItems";
import { justUnder } from "~/scripts/prove/worlds/justUnder";
import { noLearning } from "~/scripts/prove/worlds/noLearning";

/** Fewer students than in `npm run prove`, with seeds of their own; the bounds are those that were promised. */
const seed = "in the tests";
const short = { skillId: "equivalent-ratios", students: 300, answers: 20, seed };

describe("mastery declared in worlds that are not the model's own", () => {
  it.each(WORLDS.map((world) => [world.name, world] as const))("%s: at most one in ten wrongly", (_, world) => {
    const { students } = practiseIn(world, short);
    const { rate, of } = falseRate(students);
    expect(of).toBeGreaterThan(50);
    expect(rate).toBeLessThanOrEqual(0.1);
  });

  it.each([easierItems, justUnder, noLearning].map((world) => [world.name, world] as const))(
    "%s: practising on to a hundred items does not wear it down",
    (_, world) => {
      const { students } = practiseIn(world, { ...short, students: 120, answers: 100 });
      expect(falseRate(students).rate).toBeLessThanOrEqual(0.15);
    },
  );

  it("most of those who stand a logit above the boundary are declared within 20 items", () => {
    expect(missRate(practiseIn(noLearning, short).students, 1).rate).toBeLessThan(0.3);
  });

  it("predicts answers at least as well as a running share of them", () => {
    const never = { kind: "confidence", chance: 0.9999, scoredAnswers: 4, items: 2 } as const;
    const { predictions } = practiseIn(asBelieved, { ...short, students: 500, rule: never });
    expect(areaUnderCurve(predictions.own)).toBeGreaterThanOrEqual(areaUnderCurve(predictions.share));
    expect(areaUnderCurve(predictions.own)).toBeLessThan(areaUnderCurve(predictions.oracle));
  });
});
