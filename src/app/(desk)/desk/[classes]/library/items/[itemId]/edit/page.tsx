import type { Metadata } from "next";
import { itemEditor } from "@/features/library/reads/editor";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";
import { ItemEditorWithPreview } from "../../../ItemEditorWithPreview";

export const metadata: Metadata = { title: "Change an item" };

export default async function Page({ params }: { params: Promise<{ classes: string; itemId: string }> }) {
  const { classes: key, itemId } = await params;
  await ownClasses(key);
  const id = decodeURIComponent(itemId);
  const found = await attempt((context) => itemEditor(context, { itemId: id, bankId: null, skillId: null }));
  return found.ok ? (
    <ItemEditorWithPreview view={found.data} base={`/desk/${key}`} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}/library/items`} label="To the items" />
  );
}
