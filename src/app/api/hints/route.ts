import { handOutHint } from "@/features/delivery/entry";
import { jsonBody } from "@/server/runtime/body";
import { respond } from "@/server/runtime/respond";

/** The hint of the item that a student is at; see `giveHint`. */
export async function POST(request: Request) {
  return respond(async (context) => handOutHint(context, await jsonBody(request)));
}
