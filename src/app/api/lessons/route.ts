import { keepLessonVisit } from "@/features/delivery/entry";
import { jsonBody } from "@/server/runtime/body";
import { respond } from "@/server/runtime/respond";

/** A lesson that a student read; see `keepVisit`. */
export async function POST(request: Request) {
  return respond(async (context) => keepLessonVisit(context, await jsonBody(request)));
}
