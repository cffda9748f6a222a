import { lockedFrom } from "@/features/regroup/limits";
import { limitsOf } from "@/features/regroup/reads/suggest/limitsOf";
import { bestGroups } from "@/features/regroup/reads/suggest/suggestions";
import { demandStaff } from "@/server/access/demand";
import { classesChosen } from "@/server/access/ownClasses";
import { Refusal } from "@/server/runtime/refusal";
import { respond } from "@/server/runtime/respond";

/** The best groups for the wishes in the address, beside those that are to stay as they are. Nothing is kept. */
export async function GET(request: Request) {
  const search = Object.fromEntries(new URL(request.url).searchParams);
  return respond(async (context) => {
    const found = await classesChosen(context.runtime, demandStaff(context.actor), search.classes ?? "all");
    if (!found) throw new Refusal("not-found", "This class is not one of yours any more. Choose another one.");
    const classIds = found.chosen.map(({ id }) => id);
    return bestGroups(context, classIds, await limitsOf(context, classIds, search), lockedFrom(search.locked));
  });
}
