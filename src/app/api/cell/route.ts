import { cellView } from "@/features/evidence/reads/evidence";
import { respond } from "@/server/runtime/respond";

/** The answers behind one cell of the mastery map. */
export async function GET(request: Request) {
  const search = new URL(request.url).searchParams;
  return respond((context) => cellView(context, search.get("student") ?? "", search.get("skill") ?? ""));
}
