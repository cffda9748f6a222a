import { handInWhole } from "@/features/delivery/entry";
import { jsonBody } from "@/server/runtime/body";
import { respond } from "@/server/runtime/respond";

/** A student hands a whole test in; see `handIn`. */
export async function POST(request: Request) {
  return respond(async (context) => handInWhole(context, await jsonBody(request)));
}
