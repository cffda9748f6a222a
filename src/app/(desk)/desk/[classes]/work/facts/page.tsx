import type { Metadata } from "next";
import { classesFacts } from "@/features/facts/reads/classFacts";
import { ClassFactsPage } from "@/features/facts/view/teacher/ClassFactsPage";
import { someClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Number facts" };

export default async function Page({ params }: { params: Promise<{ classes: string }> }) {
  const { classes: key } = await params;
  const { chosen } = await someClasses(key);
  const found = await attempt((context) =>
    classesFacts(
      context,
      chosen.map(({ id }) => id),
    ),
  );
  return found.ok ? (
    <ClassFactsPage views={found.data} leftOut={chosen.length - found.data.length} base={`/desk/${key}`} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}`} label="Back to Today" />
  );
}
