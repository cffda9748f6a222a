import { expect, it } from "vitest";
import { seededRandom } from "@/core/numeric/seededRandom";
import { practise } from "~/scripts/prove/fluency";

const STUDENTS = 12;
const SESSIONS = 12;

it("facts called known by heart are, in a world that forgets as people do, and the drill brings more than chance", () => {
  const run = (way: "drill" | "same-facts") => {
    const random = seededRandom("facts in tests");
    return Array.from({ length: STUDENTS }, () => practise(random, way, SESSIONS));
  };
  const sum = (runs: ReturnType<typeof run>, key: "called" | "wrongly" | "learned") =>
    runs.reduce((all, one) => all + one[key], 0);
  const drilled = run("drill");
  expect(sum(drilled, "called")).toBeGreaterThan(500);
  expect(sum(drilled, "wrongly") / sum(drilled, "called")).toBeLessThan(0.05);
  expect(sum(drilled, "learned")).toBeGreaterThan(1.2 * sum(run("same-facts"), "learned"));
});
