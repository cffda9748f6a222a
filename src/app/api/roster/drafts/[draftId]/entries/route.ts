import { importEntries } from "@/features/roster/reads/importView";
import { respond } from "@/server/runtime/respond";

/** Further changes of a roster file that is looked at. */
export async function GET(request: Request, { params }: { params: Promise<{ draftId: string }> }) {
  const { draftId } = await params;
  const search = new URL(request.url).searchParams;
  const from = Math.max(0, Math.floor(Number(search.get("from") ?? 0)) || 0);
  return respond((context) => importEntries(context, draftId, { what: search.get("what") ?? "all", from }));
}
