import "server-only";
import { TZDate } from "@date-fns/tz";
import { format } from "date-fns";
import type { OpeningRule } from "@/core/model/work";
import { conductorOf } from "@/core/work/conductors/conductorOf";
import type { OwnPart } from "@/server/classroom/partsOfTargets";
import type { Context } from "@/server/runtime/context";
import { type School, schoolOf } from "@/server/runtime/school";
import type { OwnPartView, PartsView } from "../types";
import { partTitle } from "../words";
import type { Entered } from "./entered";
import { maySee, releasedWords } from "./released";

/** The parts of a piece of work on its student's page: what is open, what is done, and what something waits for. */
export async function partsView(context: Context, { work, target, parts }: Entered): Promise<PartsView> {
  const { runtime } = context;
  const [school, words] = await Promise.all([
    schoolOf(runtime, work.schoolId),
    releasedWords(runtime.db.read, [work.id]),
  ]);
  const word = words.get(work.id) ?? [];
  return {
    workId: work.id,
    title: work.title,
    instructions: work.instructions,
    parts: parts.map(
      ({ part, run, standing }, place): OwnPartView => ({
        partId: part.id,
        title: partTitle(part, place),
        kind: part.kind,
        state: standing.state === "open" && run ? "begun" : standing.state,
        waitsFor: standing.state === "locked" ? standing.waitsFor.map((rule) => waitWords(rule, parts, school)) : [],
        onPaper: conductorOf(part.kind).onPaper,
        hasResults: maySee("score", { work, target, part, run, word }, runtime.now()),
      }),
    ),
  };
}

/** What a part waits for, in a student's words. No per cent is named: nobody is told that they lie below a line. */
function waitWords(rule: OpeningRule, parts: readonly OwnPart[], school: School): string {
  if (rule.by === "day") return `It opens on ${format(new TZDate(rule.at, school.timeZone), "EEEE d MMMM")}.`;
  if (rule.by === "word") return "Your teacher opens it.";
  const place = parts.findIndex(({ part }) => part.id === rule.partId);
  const other = parts[place];
  return `First finish “${other ? partTitle(other.part, place) : "the part before"}”.`;
}
