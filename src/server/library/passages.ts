import "server-only";
import type { Passage } from "@/core/items/passage";
import { currentWords } from "@/db/queries/passages";
import { LIBRARY_TABLES } from "@/db/queries/tableRevisions";
import { kept } from "@/server/runtime/kept";
import type { Runtime } from "@/server/runtime/runtime";

const MOST_PASSAGES = 400;

const one = kept(
  [...LIBRARY_TABLES],
  async (runtime, id): Promise<Passage | null> => {
    const [words] = await currentWords(runtime.db.read, [id]);
    return words ? { title: words.title, paragraphs: words.body } : null;
  },
  MOST_PASSAGES,
);

/** The passages that some versions hang on, by their ids, as they are read now. */
export async function passagesOf(
  runtime: Runtime,
  versions: Iterable<{ readonly passageId?: string | null }>,
): Promise<ReadonlyMap<string, Passage>> {
  const ids = new Set([...versions].flatMap(({ passageId }) => passageId ?? []));
  const found = await Promise.all([...ids].map(async (id) => [id, await one(runtime, id)] as const));
  return new Map(found.flatMap(([id, passage]) => (passage ? [[id, passage] as const] : [])));
}
