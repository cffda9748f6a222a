import { addDays, differenceInCalendarDays, format, parseISO } from "date-fns";
import type { WorkPreset } from "@/core/model/workPreset";
import { type Composition, MADE } from "./composition";

/** The settings that stand on the page, without what it goes over, to whom, and when. */
export function presetOf({ made, items, certainty, end, test, rules, opensDay, dueDay }: Composition): WorkPreset {
  const { goBack, shuffle, calculator, minutes, neighbours, onPaper } = test;
  const { onlyAtSchool, goesFirst, score, answers, explanations, cutPercent, follows, alsoAtCut, category, retake } =
    rules;
  return {
    made,
    items,
    certainty,
    end,
    dueAfterDays: dueDay === "" ? 0 : Math.max(0, differenceInCalendarDays(parseISO(dueDay), parseISO(opensDay))),
    test: { goBack, shuffle, calculator, minutes, neighbours, onPaper },
    rules: { onlyAtSchool, goesFirst, score, answers, explanations, cutPercent, follows, alsoAtCut, category, retake },
  };
}

/** The page filled in with kept settings; skills, items and students stay. What is not made any more is left as it stands. */
export function withPreset(before: Composition, preset: WorkPreset): Composition {
  const made = MADE.find((one) => one === preset.made) ?? before.made;
  const { items, certainty, end, dueAfterDays, test, rules } = preset;
  return {
    ...before,
    made,
    filledAs: null,
    items,
    certainty,
    end,
    dueDay: format(addDays(parseISO(before.opensDay), dueAfterDays), "yyyy-MM-dd"),
    test: { ...before.test, ...test },
    rules: { ...before.rules, ...rules },
  };
}
