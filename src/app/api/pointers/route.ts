import { pointersView } from "@/features/frame/reads/pointers";
import { demandStaff } from "@/server/access/demand";
import { classesChosen } from "@/server/access/ownClasses";
import { Refusal } from "@/server/runtime/refusal";
import { respond } from "@/server/runtime/respond";

/** Who could be pointed to a view of some classes, and what the asker pointed to before. */
export async function GET(request: Request) {
  const key = new URL(request.url).searchParams.get("classes") ?? "all";
  return respond(async (context) => {
    const found = await classesChosen(context.runtime, demandStaff(context.actor), key);
    if (!found) throw new Refusal("not-allowed", "This class is not one of yours any more. Choose another one.");
    return pointersView(
      context,
      found.chosen.map(({ id }) => id),
    );
  });
}
