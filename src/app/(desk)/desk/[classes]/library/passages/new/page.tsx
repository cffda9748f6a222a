import type { Metadata } from "next";
import { passagesPage } from "@/features/library/reads/passages";
import { NewPassagePage } from "@/features/library/view/NewPassagePage";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "New passage" };

export default async function Page({ params }: { params: Promise<{ classes: string }> }) {
  const { classes: key } = await params;
  await ownClasses(key);
  const found = await attempt(passagesPage);
  return found.ok ? (
    <NewPassagePage banks={found.data.ownBanks} base={`/desk/${key}`} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}/library/passages`} label="To the passages" />
  );
}
