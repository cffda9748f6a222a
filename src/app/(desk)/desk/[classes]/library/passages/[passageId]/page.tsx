import type { Metadata } from "next";
import { passagePage } from "@/features/library/reads/passages";
import { PassagePageView } from "@/features/library/view/PassagePageView";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Passage" };

export default async function Page({ params }: { params: Promise<{ classes: string; passageId: string }> }) {
  const { classes: key, passageId } = await params;
  await ownClasses(key);
  const found = await attempt((context) => passagePage(context, decodeURIComponent(passageId)));
  return found.ok ? (
    <PassagePageView view={found.data} base={`/desk/${key}`} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}/library/passages`} label="To the passages" />
  );
}
