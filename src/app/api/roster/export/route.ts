import { exportRoster } from "@/features/roster/entry";
import { respondWithFile } from "@/server/runtime/respond";

/** The roster as a file. */
export async function GET(request: Request) {
  const search = new URL(request.url).searchParams;
  return respondWithFile((context) =>
    exportRoster(context, {
      format: search.get("format"),
      classIds: search.getAll("class"),
      sinceDay: search.get("since"),
    }),
  );
}
