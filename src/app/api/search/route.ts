import { searchEntries } from "@/features/frame/reads/desk";
import { demandStaff } from "@/server/access/demand";
import { classesChosen } from "@/server/access/ownClasses";
import { Refusal } from "@/server/runtime/refusal";
import { respond } from "@/server/runtime/respond";

/** What the search palette looks through. */
export async function GET(request: Request) {
  const key = new URL(request.url).searchParams.get("classes") ?? "all";
  return respond(async (context) => {
    const found = await classesChosen(context.runtime, demandStaff(context.actor), key);
    if (!found) throw new Refusal("not-found", "This class is not one of yours any more. Choose another one.");
    return searchEntries(
      context,
      found.chosen.map(({ id }) => id),
    );
  });
}
