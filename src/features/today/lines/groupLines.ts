import type { TodayFacts } from "../facts";
import type { TodayLine } from "../types";

const ACTIONS = { check: "See the check", result: "See the result", plan: "Plan it" } as const;
type Waiting = keyof typeof ACTIONS;

/** So many of those that wait for nothing but a look. */
const MOST_RESULTS = 3;

/** Groups that wait for their teacher: a check that is due, a plan that is missing, a result to look at. */
export function groupLines(base: string, { groups }: TodayFacts): TodayLine[] {
  const at = (stage: Waiting) => groups.filter((group) => group.stage === stage);
  const some = [...at("check"), ...at("plan"), ...at("result").slice(0, MOST_RESULTS)];
  return some.map(
    ({ id, name, stage, stageText }): TodayLine => ({
      key: `group:${id}`,
      state: `${stage} ${stageText}`,
      band: stage === "result" ? "week" : "today",
      station: "Regroup",
      what: name,
      why: `${stageText.slice(0, 1).toUpperCase()}${stageText.slice(1)}.`,
      href: `${base}/regroup/${id}`,
      action: ACTIONS[stage as Waiting],
    }),
  );
}
