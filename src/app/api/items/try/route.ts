import { tryOut } from "@/features/library/reads/trial";
import { jsonBody } from "@/server/runtime/body";
import { respond } from "@/server/runtime/respond";

const MOST_BYTES = 200_000;

/** Looks an item over that somebody is writing, or judges an answer to one of its draws; changes nothing. */
export async function POST(request: Request) {
  return respond(async (context) => tryOut(context, await jsonBody(request, MOST_BYTES)));
}
