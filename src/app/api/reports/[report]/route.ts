import { takeReport } from "@/features/evidence/entry";
import { respondWithFile } from "@/server/runtime/respond";

/** A report as a file. */
export async function GET(request: Request, { params }: { params: Promise<{ report: string }> }) {
  const search = Object.fromEntries(new URL(request.url).searchParams);
  const { report } = await params;
  return respondWithFile((context) => takeReport(context, report, search));
}
