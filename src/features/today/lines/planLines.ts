import type { TodayFacts } from "../facts";
import type { TodayLine } from "../types";

/** What comes next in the plans with a gap under it, and where the plan stands. */
export function planLines(base: string, { gaps, plan }: TodayFacts): TodayLine[] {
  return [
    ...gaps.map(
      ({ classId, className, title, from, skillId, skill, lacking, known }): TodayLine => ({
        key: `gap:${classId}:${skillId}`,
        state: `${from} ${lacking}`,
        band: "today",
        station: "Plan",
        what: `${title} begins on ${from}, and ${lacking} of ${known} lack what it builds on`,
        why: `${className}: below Secure in ${skill}.`,
        href: `${base}/evidence?skill=${skillId}`,
        action: "See who",
      }),
    ),
    ...(plan
      ? [
          {
            key: "plan",
            state: plan.text,
            band: "week" as const,
            station: "Plan",
            what: plan.text,
            why: "Against the dates of the plan; reached means that half the class are Secure or have mastered it.",
            href: `${base}/plan`,
            action: "See the plan",
          },
        ]
      : []),
  ];
}
