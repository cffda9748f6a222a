import type { Metadata } from "next";
import { whatHelpedIn } from "@/features/regroup/reads/whatHelped";
import { HelpedPage } from "@/features/regroup/view/helped/HelpedPage";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "What helped with what" };

export default async function Page({ params }: { params: Promise<{ classes: string }> }) {
  const { classes: key } = await params;
  const { all, chosen, wholeSchool } = await ownClasses(key);
  // For the whole school it is told over all its classes: more students tell more.
  const classIds = (key === "school" ? all : chosen).map(({ id }) => id);
  const found = await attempt((context) => whatHelpedIn(context, classIds));
  return found.ok ? (
    <HelpedPage
      view={found.data}
      base={`/desk/${key === "school" ? "all" : key}`}
      toSchool={wholeSchool && key !== "school"}
    />
  ) : (
    <Refused message={found.message} href={`/desk/${key}`} label="Back to Today" />
  );
}
