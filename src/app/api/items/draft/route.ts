import { saveDraft } from "@/features/library/entry";
import { jsonBody } from "@/server/runtime/body";
import { respond } from "@/server/runtime/respond";

const MOST_BYTES = 200_000;

/** Keeps an item's draft as it stands. */
export async function POST(request: Request) {
  return respond(async (context) => saveDraft(context, await jsonBody(request, MOST_BYTES)));
}
