import type { Metadata } from "next";
import { passagesPage } from "@/features/library/reads/passages";
import { PassagesPage } from "@/features/library/view/PassagesPage";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Passages" };

export default async function Page({ params }: { params: Promise<{ classes: string }> }) {
  const { classes: key } = await params;
  await ownClasses(key);
  const found = await attempt(passagesPage);
  return found.ok ? (
    <PassagesPage view={found.data} base={`/desk/${key}`} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}/library`} label="To the library" />
  );
}
