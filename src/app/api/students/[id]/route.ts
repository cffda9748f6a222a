import { studentSheet } from "@/features/evidence/reads/evidence";
import { respond } from "@/server/runtime/respond";

/** The student sheet. */
export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  return respond((context) => studentSheet(context, id));
}
