import type { Metadata } from "next";
import { assignStart } from "@/features/work/assignStart";
import { assignForm } from "@/features/work/reads";
import { AssignForm } from "@/features/work/view/AssignForm";
import { someClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

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
  const found = await attempt((context) => assignForm(context, ids, itemIds));
  return found.ok ? (
    <AssignForm
      form={found.data}
      base={`/desk/${key}`}
      start={assignStart(search)}
      fromPullList={search.pulled === "1"}
    />
  ) : (
    <Refused message={found.message} href={`/desk/${key}`} label="Back to Today" />
  );
}
