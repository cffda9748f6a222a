import "server-only";
import { windowFor, windowStanding } from "@/core/work/workWindow";
import { type GivenWork, type TargetRow, worksOfStudent } from "@/db/queries/work";
import type { Queryable } from "@/db/queryable";
import { placeOfAddress } from "@/server/access/placeOfAddress";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { dayAt, schoolOf } from "@/server/runtime/school";

/** Whether the asking student may work on something where they are: at school, or with the code of the day. */
export async function isAtPlace(
  { runtime, address }: Context,
  work: Pick<GivenWork, "onlyAtSchool" | "schoolId">,
  target: Pick<TargetRow, "unlockedDay">,
): Promise<boolean> {
  if (!work.onlyAtSchool) return true;
  const school = await schoolOf(runtime, work.schoolId);
  return target.unlockedDay === dayAt(school, runtime.now()) || placeOfAddress(school.networks, address) !== "home";
}

export async function demandAtPlace(context: Context, work: GivenWork, target: TargetRow): Promise<void> {
  if (!(await isAtPlace(context, work, target)))
    throw new Refusal(
      "locked",
      work.unlockCode === null
        ? "This work is for school. Go on with it there."
        : "This work is for school. With the code from your teacher it opens here too.",
    );
}

/** Work that goes first, is open here and is not done; null where there is none. */
export async function firstWorkOf(db: Queryable, context: Context) {
  const now = context.runtime.now();
  for (const { work, target, throughAt } of await worksOfStudent(db, context.actor.personId, now)) {
    if (!work.goesFirst || throughAt !== null || target.excusedAt !== null) continue;
    const standing = windowStanding(windowFor(work, target), now);
    if ((standing === "open" || standing === "late") && (await isAtPlace(context, work, target))) return work;
  }
  return null;
}

/** While something that goes first is open, nothing else is begun or gone on with. */
export async function demandItsTurn(db: Queryable, context: Context, work: GivenWork): Promise<void> {
  if (work.goesFirst) return;
  const first = await firstWorkOf(db, context);
  if (first) throw new Refusal("closed", `First finish “${first.title}”. Then this opens.`);
}
