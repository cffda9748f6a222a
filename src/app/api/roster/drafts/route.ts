import { beginImport } from "@/features/roster/entry";
import { respond } from "@/server/runtime/respond";
import { uploaded } from "@/server/runtime/uploaded";

/** Takes a roster file in as a draft. */
export async function POST(request: Request) {
  return respond(async (context) => {
    const { form, fileName, bytes } = await uploaded(request);
    const target = String(form.get("target") ?? "");
    const draftId = await beginImport(context, {
      classId: target === "new" || target === "school" ? null : target,
      wholeSchool: target === "school",
      newClassName: form.get("newClassName") || null,
      newClassGrade: form.get("newClassGrade") || null,
      fileName,
      bytes,
    });
    return { draftId };
  });
}
