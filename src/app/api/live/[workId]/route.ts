import { liveBoard } from "@/features/work/reads/liveBoard";
import { respondWithEvents } from "@/server/runtime/eventStream";

/** Where everybody is with a piece of work, again whenever that changes. */
export async function GET(request: Request, { params }: { params: Promise<{ workId: string }> }) {
  const { workId } = await params;
  return respondWithEvents(request, (context) => liveBoard(context, workId));
}
