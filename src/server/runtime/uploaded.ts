import "server-only";
import { readCapped } from "./body";
import { Refusal } from "./refusal";

const MOST_BYTES = 64_000_000;

/** The one file of a form, with the form's other fields. Bodies larger than any roster are refused before they are read. */
export async function uploaded(request: Request): Promise<{ form: FormData; fileName: string; bytes: Uint8Array }> {
  const tooLarge = `The file is larger than ${MOST_BYTES / 1_000_000} MB. Is it the right file?`;
  const form = await readCapped(request, MOST_BYTES, tooLarge, (body) => body.formData().catch((): null => null));
  if (!form) throw new Refusal("invalid", "The file did not arrive whole. Please send it again.");
  const file = form.get("file");
  if (!(file instanceof File) || file.name === "") throw new Refusal("invalid", "Choose a file first.");
  return { form, fileName: file.name.slice(0, 200), bytes: new Uint8Array(await file.arrayBuffer()) };
}
