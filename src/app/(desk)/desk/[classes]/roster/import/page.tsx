import type { Metadata } from "next";
import { ImportStart } from "@/features/roster/view/ImportStart";
import { ownClasses } from "@/server/access/ownClasses";

export const metadata: Metadata = { title: "Import a roster file" };

export default async function Page({ params }: { params: Promise<{ classes: string }> }) {
  const { classes: key } = await params;
  const { all, chosen } = await ownClasses(key);
  const [only] = chosen.length === 1 ? chosen : [];
  return <ImportStart classes={all} base={`/desk/${key}`} startWith={only?.id ?? "new"} />;
}
