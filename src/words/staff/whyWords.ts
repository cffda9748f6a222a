import type { WhyFacts, WhyKind } from "@/core/model/whyFacts";
import { message, valuesOf } from "../message";

/** Why a figure is what it is, in one sentence. */
const WHY: Readonly<Record<WhyKind, string>> = {
  mastery:
    "{answered, plural, =0 {no answer yet} other {{right} of # right at the first try}}{ifMasteredGiven, select, yes {; somebody who has this would have about {ifMastered}, somebody who has not about {ifNot}} other {}}{daysAgoGiven, select, yes {; {daysAgo, plural, =0 {last answer today} one {last answer yesterday} other {last answer # days ago}}} other {}}{mark, select, faded {; mastered once, faded since} lost {; mastered once, but later answers speak against it} other {}}",
  snag: "{right} of {answered} right at the first try{sinceDays, plural, =0 {} one {, held up since yesterday} other {, held up for # days}}; {opportunities} more of the same would bring the chance of mastery to {chanceThen}, so {lifting, select, yes {practice has begun to help} other {another way in is needed}}",
  group:
    "{students, plural, one {# student} other {# students}}, with a chance of mastery {lowest, select, same {of {highest}} other {from {lowest} to {highest}}}{shareMistake, plural, =0 {} other {; # of them make the same mistake}}",
  worthDoing:
    "{answers} items, about {minutes, plural, one {# minute} other {# minutes}}, are expected to bring the chance of mastery from {before} to {after}{unlocks, select, yes {, and later skills build on it} other {}}",
  effort: "{rapid} of {answers} answers were faster than the question can be read",
  gain: "{difference} points between the two tests; {byLuck} either way can come by luck, so this {change, select, up {is a gain} down {is a loss} other {may be luck}}",
  review:
    "{recall} would be remembered today, {daysSinceMet, plural, one {# day} other {# days}} after it was last met{due, select, yes {{overdueDays, plural, =0 {; due today} one {; due since yesterday} other {; due for # days}}} other {; not due yet}}",
};

const SHARES = new Set([
  "chance",
  "chanceThen",
  "lowest",
  "highest",
  "leastReady",
  "before",
  "after",
  "ready",
  "recall",
]);

/** Why a figure of some kind is what it is, as one sentence without a capital or a full stop. */
export function whyWords<Kind extends WhyKind>(kind: Kind, facts: WhyFacts[Kind]): string {
  const values = valuesOf(facts);
  for (const [name, value] of Object.entries(facts) as [string, unknown][]) {
    if (typeof value !== "number") continue;
    if (name === "minutes") values[name] = Math.max(1, Math.round(value));
    else if (SHARES.has(name)) values[name] = `${Math.round(value * 100)} %`;
    else values[name] = Math.round(value * 10) / 10;
  }
  if (values.lowest === values.highest) values.lowest = "same";
  return message(WHY[kind], values);
}
