import { pictureFile } from "@/features/library/reads/pictures";
import { respondWithPicture } from "@/server/runtime/respond";

/** A picture by what it is made of: the same name never gives another one. */
export async function GET(_request: Request, { params }: { params: Promise<{ hash: string }> }) {
  const { hash } = await params;
  return respondWithPicture((context) => pictureFile(context, hash));
}
