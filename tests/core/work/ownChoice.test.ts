import { describe, expect, it } from "vitest";
import { daysWorked, wasWorked } from "@/core/work/daysWorked";
import { choiceStanding, worthChoosing } from "@/core/work/openToChoose";

describe("what a student may choose", () => {
  it("is what was begun or mastered, and what stands on something", () => {
    expect(
      choiceStanding({ mark: "never", scoredAnswers: 0, chance: 0.5 }, { under: [0.9, 0.29], taught: false }),
    ).toBe(null);
    expect(choiceStanding({ mark: "never", scoredAnswers: 0, chance: 0.5 }, { under: [0.9, 0.3], taught: false })).toBe(
      "ready",
    );
    expect(choiceStanding({ mark: "never", scoredAnswers: 0, chance: 0.5 }, { under: [0], taught: true })).toBe(
      "ready",
    );
    // What was begun stays open even where something is missing under it.
    expect(choiceStanding({ mark: "never", scoredAnswers: 1, chance: 0.5 }, { under: [0], taught: false })).toBe(
      "going",
    );
    expect(choiceStanding({ mark: "never", scoredAnswers: 9, chance: 0.8 }, { under: [], taught: false })).toBe(
      "nearly",
    );
    expect(choiceStanding({ mark: "faded", scoredAnswers: 9, chance: 0.5 }, { under: [0], taught: false })).toBe(
      "freshen",
    );
    expect(choiceStanding({ mark: "lost", scoredAnswers: 9, chance: 0.5 }, { under: [0], taught: false })).toBe(
      "freshen",
    );
    expect(choiceStanding({ mark: "now", scoredAnswers: 9, chance: 0.5 }, { under: [0], taught: false })).toBe(
      "mastered",
    );
  });

  it("names first what was begun, then what has faded, then what is new and near", () => {
    const of = (
      id: string,
      standing: "going" | "nearly" | "freshen" | "ready" | "mastered",
      chance: number,
      grade = 6,
    ) => ({
      id,
      standing,
      chance,
      grade,
    });
    const skills = [
      of("mastered", "mastered", 0.99),
      of("known-already", "ready", 0.85),
      of("above", "ready", 0.3, 7),
      of("new-far", "ready", 0.6, 4),
      of("new-near", "ready", 0.5),
      of("faded-little", "freshen", 0.7),
      of("faded-much", "freshen", 0.4),
      of("begun-weak", "going", 0.2),
      of("begun-strong", "nearly", 0.9),
    ];
    expect(worthChoosing(skills, 6, 9).map(({ id }) => id)).toEqual([
      "begun-strong",
      "begun-weak",
      "faded-much",
      "faded-little",
      "new-near",
      "new-far",
    ]);
    expect(worthChoosing(skills, 6, 2)).toHaveLength(2);
    expect(worthChoosing(skills, null, 9).map(({ id }) => id)).toContain("above");
  });
});

it("lays days out in weeks from Monday, with what was done on each", () => {
  // 20780 is a Monday (2026-11-23).
  const weeks = daysWorked(
    [
      { day: 20781, milliseconds: 60_000 },
      { day: 20781, milliseconds: 30_000 },
      { day: 20770, milliseconds: 1 },
    ],
    [20781, 20781, 20776],
    20784,
    2,
  );
  expect(weeks.map((week) => week[0]?.day)).toEqual([20773, 20780]);
  expect(weeks[1]?.[1]).toEqual({ day: 20781, milliseconds: 90_000, pieces: 2 });
  expect(
    weeks
      .flat()
      .filter(wasWorked)
      .map(({ day }) => day),
  ).toEqual([20776, 20781]);
});
