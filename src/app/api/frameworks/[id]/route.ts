import { frameworkFile } from "@/features/library/reads/frameworkFile";
import { respondWithFile } from "@/server/runtime/respond";

/** A framework as a file. */
export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  return respondWithFile((context) => frameworkFile(context, id));
}
