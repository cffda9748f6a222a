import { takeOutItems } from "@/features/library/entry";
import { takeOutQuery } from "@/features/library/exchangeTypes";
import { respondWithFile } from "@/server/runtime/respond";

/** Items as a file. */
export async function GET(request: Request) {
  const search = Object.fromEntries(new URL(request.url).searchParams);
  return respondWithFile((context) => takeOutItems(context, { ...takeOutQuery(search), format: search.format }));
}
