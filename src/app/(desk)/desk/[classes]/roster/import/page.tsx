import type { Metadata } from "next";
import { ImportStart } from "@/features/roster/view/ImportStart";
import { ownClasses } from "@/server/access/ownClasses";

export const metadata: Metadata = { title: "Import a roster" };

export default async function Page({ params }: { params: Promise<{ classes: string }> }) {
  const { classes: key } = await params;
  const { all, chosen, wholeSchool } = await ownClasses(key);
  const startWith =
    key === "school" ? "school" : chosen.length === 1 ? (chosen[0]?.id ?? "new") : (all[0]?.id ?? "new");
  return <ImportStart classes={all} base={`/desk/${key}`} startWith={startWith} wholeSchool={wholeSchool} />;
}
