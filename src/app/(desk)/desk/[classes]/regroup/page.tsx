import type { Metadata } from "next";
import { limitsFrom } from "@/features/regroup/limits";
import { groupList, suggestions } from "@/features/regroup/reads/reteachGroups";
import { GroupList } from "@/features/regroup/view/GroupList";
import { SuggestedGroups } from "@/features/regroup/view/SuggestedGroups";
import { someClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";
import { ButtonLink } from "@/ui/primitives/Button";

export const metadata: Metadata = { title: "Regroup" };

type Search = Record<string, string | undefined>;

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ classes: string }>;
  searchParams: Promise<Search>;
}) {
  const { classes: key } = await params;
  const { chosen } = await someClasses(key);
  const ids = chosen.map(({ id }) => id);
  const limits = limitsFrom(await searchParams);
  const found = await attempt(async (context) => ({
    groups: await groupList(context, ids),
    view: await suggestions(context, ids, limits),
  }));
  if (!found.ok) return <Refused message={found.message} href={`/desk/${key}`} label="Back to Today" />;
  return (
    <div className="px-5 py-4">
      <p className="mb-3 text-right">
        <ButtonLink href={`/desk/${key}/regroup/board`}>Open the group board</ButtonLink>
      </p>
      <GroupList groups={found.data.groups} base={`/desk/${key}`} />
      <SuggestedGroups view={found.data.view} base={`/desk/${key}`} classIds={ids} />
    </div>
  );
}
