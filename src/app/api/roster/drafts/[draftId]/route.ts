import { importProgress } from "@/features/roster/reads/importView";
import { respond } from "@/server/runtime/respond";

/** How far the reading of a roster file has come. */
export async function GET(_request: Request, { params }: { params: Promise<{ draftId: string }> }) {
  const { draftId } = await params;
  return respond((context) => importProgress(context, draftId));
}
