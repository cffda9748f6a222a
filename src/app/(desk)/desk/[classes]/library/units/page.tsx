import type { Metadata } from "next";
import { unitShelves } from "@/features/library/reads/units";
import { UnitsPage } from "@/features/library/view/UnitsPage";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Units" };

export default async function Page({ params }: { params: Promise<{ classes: string }> }) {
  const { classes: key } = await params;
  const { chosen } = await ownClasses(key);
  const classIds = chosen.map(({ id }) => id);
  const found = await attempt((context) => unitShelves(context, classIds));
  return found.ok ? (
    <UnitsPage shelves={found.data} base={`/desk/${key}`} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}/library`} label="To the library" />
  );
}
