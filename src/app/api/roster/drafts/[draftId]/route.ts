import { importState } from "@/features/roster/reads/importView";
import { respond } from "@/server/runtime/respond";

/** Where the reading of a roster file stands, or what it would change. */
export async function GET(_request: Request, { params }: { params: Promise<{ draftId: string }> }) {
  const { draftId } = await params;
  return respond((context) => importState(context, draftId));
}
