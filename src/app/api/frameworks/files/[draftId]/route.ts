import { frameworkImportProgress } from "@/features/library/reads/frameworkImport";
import { respond } from "@/server/runtime/respond";

/** How far the reading of a file of standards has come. */
export async function GET(_request: Request, { params }: { params: Promise<{ draftId: string }> }) {
  const { draftId } = await params;
  return respond((context) => frameworkImportProgress(context, draftId));
}
