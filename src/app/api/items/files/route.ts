import { beginItemImport } from "@/features/library/entry";
import { respond } from "@/server/runtime/respond";
import { uploaded } from "@/server/runtime/uploaded";

/** Takes a file of items in as a draft. */
export async function POST(request: Request) {
  return respond(async (context) => {
    const { form, fileName, bytes } = await uploaded(request);
    const draftId = await beginItemImport(context, {
      bankId: form.get("bankId") || undefined,
      skillId: form.get("skillId") || null,
      fileName,
      bytes,
    });
    return { draftId };
  });
}
