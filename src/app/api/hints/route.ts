import { handOutHint } from "@/features/delivery/entry";
import { respond } from "@/server/runtime/respond";

/** The hint of the item that a student is at; see `giveHint`. */
export async function POST(request: Request) {
  const message: unknown = await request.json().catch(() => null);
  return respond((context) => handOutHint(context, message));
}
