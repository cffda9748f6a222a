import type { Metadata } from "next";
import { redirect } from "next/navigation";
import { masteryMap } from "@/features/evidence/reads/evidence";
import { standingFacts } from "@/features/evidence/reads/standing";
import { MasteryMap } from "@/features/evidence/view/MasteryMap";
import { giveMarkedAction } from "@/features/work/actions";
import { someClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Mastery map" };

export default async function Page({ params }: { params: Promise<{ classes: string }> }) {
  const { classes: key } = await params;
  // The whole school is read class beside class.
  if (key === "school") redirect("/desk/school/evidence/across");
  const { chosen } = await someClasses(key);
  const ids = chosen.map(({ id }) => id);
  const found = await attempt(async (context) => ({
    view: await masteryMap(context, ids),
    facts: await standingFacts(context, ids),
  }));
  return found.ok ? (
    <MasteryMap {...found.data} give={giveMarkedAction} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}`} label="Back to Today" />
  );
}
