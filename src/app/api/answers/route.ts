import { takeAnswer } from "@/features/delivery/entry";
import { respond } from "@/server/runtime/respond";

/** A student's answer; see `submitAnswer`. */
export async function POST(request: Request) {
  const message: unknown = await request.json().catch(() => null);
  return respond((context) => takeAnswer(context, message));
}
