import { itemImportProgress } from "@/features/library/reads/itemImport";
import { respond } from "@/server/runtime/respond";

/** How far the reading of a file of items has come. */
export async function GET(_request: Request, { params }: { params: Promise<{ draftId: string }> }) {
  const { draftId } = await params;
  return respond((context) => itemImportProgress(context, draftId));
}
