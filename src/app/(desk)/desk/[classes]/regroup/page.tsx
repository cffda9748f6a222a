import type { Metadata } from "next";
import { groupList } from "@/features/regroup/reads/groupList";
import { limitsOf } from "@/features/regroup/reads/suggest/limitsOf";
import { suggestions } from "@/features/regroup/reads/suggest/suggestions";
import { GroupList } from "@/features/regroup/view/GroupList";
import { SuggestedGroups } from "@/features/regroup/view/suggest/SuggestedGroups";
import { someClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { PageHead } from "@/ui/layout/PageHead";
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
  const search = await searchParams;
  const found = await attempt(async (context) => ({
    groups: await groupList(context, ids),
    view: await suggestions(context, ids, await limitsOf(context, ids, search)),
  }));
  if (!found.ok) return <Refused message={found.message} href={`/desk/${key}`} label="Back to Today" />;
  return (
    <div className="px-5 py-4">
      <PageHead title="Groups" sub="Those that you have, and those that the coming times could be used for.">
        <ButtonLink href={`/desk/${key}/regroup/worth`}>A few minutes alone</ButtonLink>
        <ButtonLink href={`/desk/${key}/regroup/scores`}>Scores from elsewhere</ButtonLink>
        <ButtonLink href={`/desk/${key}/regroup/helped`}>What helped with what</ButtonLink>
        <ButtonLink href={`/desk/${key}/regroup/board`}>Group board</ButtonLink>
      </PageHead>
      <GroupList groups={found.data.groups} base={`/desk/${key}`} />
      <SuggestedGroups view={found.data.view} base={`/desk/${key}`} classIds={ids} address={addressOf(key, search)} />
    </div>
  );
}

/** The wishes of the address, for asking for better groups. */
function addressOf(classes: string, search: Search): string {
  const asked = ["for", "focus", "away", "fixed"].flatMap((name) => {
    const value = search[name];
    return typeof value === "string" ? [[name, value]] : [];
  });
  return new URLSearchParams([["classes", classes], ...asked]).toString();
}
