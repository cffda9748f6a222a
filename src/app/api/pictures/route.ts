import { addPicture } from "@/features/library/entry";
import { respond } from "@/server/runtime/respond";
import { uploaded } from "@/server/runtime/uploaded";

/** Keeps a picture for an item that is being written. */
export async function POST(request: Request) {
  return respond(async (context) => addPicture(context, (await uploaded(request)).bytes));
}
