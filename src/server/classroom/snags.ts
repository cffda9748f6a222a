import "server-only";
import type { WhyFacts } from "@/core/model/whyFacts";
import { whySnag } from "@/core/why/whySnag";
import { openSnags } from "@/db/queries/snags";
import { libraryOf } from "@/server/library/library";
import type { Runtime } from "@/server/runtime/runtime";

/** A skill in which more of the same is unlikely to help a student, and why that is said. */
export interface NamedSnag {
  readonly personId: string;
  readonly skillId: string;
  readonly name: string;
  readonly why: WhyFacts["snag"];
}

/** Open snags of some students on a day (a day number). */
export async function namedSnags(runtime: Runtime, personIds: readonly string[], day: number): Promise<NamedSnag[]> {
  const [snags, library] = await Promise.all([openSnags(runtime.db.read, personIds), libraryOf(runtime)]);
  return snags.flatMap((snag) => {
    const { personId, skillId } = snag;
    const why = whySnag(snag, day);
    return why ? [{ personId, skillId, name: library.skill(skillId).name, why }] : [];
  });
}
