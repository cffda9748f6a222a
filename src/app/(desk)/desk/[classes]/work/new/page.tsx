import type { Metadata } from "next";
import { assignStart } from "@/features/work/assignStart";
import { composeView } from "@/features/work/reads/compose";
import { someClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";
import { ComposerWithFaces } from "./ComposerWithFaces";

export const metadata: Metadata = { title: "Assign practice" };

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ classes: string }>;
  searchParams: Promise<Record<string, string | undefined>>;
}) {
  const { classes: key } = await params;
  const { chosen } = await someClasses(key);
  const ids = chosen.map(({ id }) => id);
  const search = await searchParams;
  const itemIds = (search.items ?? "")
    .split("~")
    .filter((id) => id !== "")
    .map(decodeURIComponent);
  const found = await attempt((context) => composeView(context, ids, itemIds, search.again ?? null));
  return found.ok ? (
    <ComposerWithFaces
      view={found.data}
      base={`/desk/${key}`}
      start={assignStart(search)}
      fromPullList={search.pulled === "1"}
    />
  ) : (
    <Refused message={found.message} href={`/desk/${key}`} label="Back to Today" />
  );
}
