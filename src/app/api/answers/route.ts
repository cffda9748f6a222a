import { takeAnswer } from "@/features/delivery/entry";
import { jsonBody } from "@/server/runtime/body";
import { respond } from "@/server/runtime/respond";

/** A student's answer; see `submitAnswer`. */
export async function POST(request: Request) {
  return respond(async (context) => takeAnswer(context, await jsonBody(request)));
}
