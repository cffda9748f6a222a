import type { Metadata } from "next";
import { masteryMap } from "@/features/evidence/reads";
import { MasteryMap } from "@/features/evidence/view/MasteryMap";
import { someClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Mastery map" };

export default async function Page({ params }: { params: Promise<{ classes: string }> }) {
  const { classes: key } = await params;
  const { chosen } = await someClasses(key);
  const ids = chosen.map(({ id }) => id);
  const found = await attempt((context) => masteryMap(context, ids));
  return found.ok ? (
    <MasteryMap view={found.data} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}`} label="Back to Today" />
  );
}
