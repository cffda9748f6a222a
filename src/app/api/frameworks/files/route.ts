import { beginFrameworkImport } from "@/features/library/entry";
import { respond } from "@/server/runtime/respond";
import { uploaded } from "@/server/runtime/uploaded";

/** Takes a file of standards in as a draft. */
export async function POST(request: Request) {
  return respond(async (context) => {
    const { fileName, bytes } = await uploaded(request);
    return { draftId: await beginFrameworkImport(context, { fileName, bytes }) };
  });
}
