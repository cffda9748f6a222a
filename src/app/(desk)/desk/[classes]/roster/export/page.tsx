import type { Metadata } from "next";
import { ExportPage } from "@/features/roster/view/ExportPage";
import { ownClasses } from "@/server/access/ownClasses";

export const metadata: Metadata = { title: "Take the roster out" };

export default async function Page({ params }: { params: Promise<{ classes: string }> }) {
  const { classes: key } = await params;
  const { chosen } = await ownClasses(key);
  return <ExportPage classes={chosen.map(({ id, name }) => ({ id, name }))} wholeSchool={key === "school"} />;
}
