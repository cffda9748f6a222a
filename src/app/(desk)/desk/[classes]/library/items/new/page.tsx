import type { Metadata } from "next";
import { itemEditor } from "@/features/library/reads/editor";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";
import { ItemEditorWithPreview } from "../../ItemEditorWithPreview";

export const metadata: Metadata = { title: "New item" };

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ classes: string }>;
  searchParams: Promise<Record<string, string | undefined>>;
}) {
  const { classes: key } = await params;
  await ownClasses(key);
  const { bank, skill, passage } = await searchParams;
  const found = await attempt((context) =>
    itemEditor(context, {
      itemId: null,
      bankId: bank ?? null,
      skillId: skill ?? null,
      passageId: passage ?? null,
    }),
  );
  return found.ok ? (
    <ItemEditorWithPreview view={found.data} base={`/desk/${key}`} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}/library/items`} label="To the items" />
  );
}
