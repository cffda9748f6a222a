import { passageText } from "@/features/library/reads/passages";
import { respond } from "@/server/runtime/respond";

/** The words of a passage, for whoever writes an item on it. */
export async function GET(_request: Request, { params }: { params: Promise<{ passageId: string }> }) {
  const { passageId } = await params;
  return respond((context) => passageText(context, passageId));
}
