import type { SameBecause } from "@/core/roster/likelySame";
import type { HealthIssue } from "@/core/roster/rosterHealth";
import type { RosterRemark } from "@/core/roster/rosterRemark";
import { message, valuesOf } from "../message";
import { gradeWords } from "./gradeWords";
import { HEALTH_MESSAGES, ROSTER_MESSAGES, SAME_MESSAGES } from "./rosterMessages";

/** A remark on a roster file, as a sentence. */
export const remarkWords = ({ code, values }: RosterRemark): string => message(ROSTER_MESSAGES[code], valuesOf(values));

/** What looks off in a roster, as a sentence with its numbers. */
export const healthWords = ({ kind, ids, facts }: HealthIssue): string =>
  message(HEALTH_MESSAGES[kind], { ...valuesOf(facts), count: ids.length });

/** What speaks for two entries being one, as the end of a sentence. */
export const sameWords = (because: SameBecause): string =>
  message(SAME_MESSAGES[because.code], {
    ...valuesOf(because),
    ...(because.code === "name-and-grade" ? { grade: gradeWords(because.grade) } : {}),
  });
