import { searchEntries } from "@/features/frame/reads";
import { ownClasses } from "@/server/access/ownClasses";
import { respond } from "@/server/runtime/respond";

/** What the search palette looks through. */
export async function GET(request: Request) {
  const key = new URL(request.url).searchParams.get("classes") ?? "all";
  return respond(async (context) => {
    const { chosen } = await ownClasses(key);
    return searchEntries(
      context,
      chosen.map(({ id }) => id),
    );
  });
}
