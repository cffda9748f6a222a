import type { Metadata } from "next";
import { itemPage } from "@/features/library/reads/itemPage";
import { notesFor } from "@/features/library/reads/notes";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";
import { ItemPageWithPreview } from "../../ItemEditorWithPreview";

export const metadata: Metadata = { title: "Item" };

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ classes: string; itemId: string }>;
  searchParams: Promise<Record<string, string | undefined>>;
}) {
  const { classes: key, itemId } = await params;
  await ownClasses(key);
  const { draw, version } = await searchParams;
  const wanted = Number(draw ?? 0);
  const seed = Number.isInteger(wanted) && wanted >= 0 ? wanted % 1_000 : 0;
  const id = decodeURIComponent(itemId);
  const found = await attempt(async (context) => {
    const view = await itemPage(context, id, { seed, versionId: version ?? null });
    return { view, notes: await notesFor(context, "item", id) };
  });
  return found.ok ? (
    <ItemPageWithPreview {...found.data} base={`/desk/${key}`} draw={seed} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}/library/items`} label="To the items" />
  );
}
