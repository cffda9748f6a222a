import type { Metadata } from "next";
import { planStudents } from "@/features/plan/reads/planStudents";
import { PlanStudentsPage } from "@/features/plan/view/PlanStudentsPage";
import { someClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "Students in the plan" };

export default async function Page({ params }: { params: Promise<{ classes: string }> }) {
  const { classes: key } = await params;
  const { chosen } = await someClasses(key);
  const found = await attempt((context) => Promise.all(chosen.map(({ id }) => planStudents(context, id))));
  if (!found.ok) return <Refused message={found.message} href={`/desk/${key}`} label="Back to Today" />;
  if (found.data.length === 0) return <p className="px-5 py-8">You have no class yet. Import a roster file first.</p>;
  return found.data.map((view) => <PlanStudentsPage key={view.classId} view={view} base={`/desk/${key}`} />);
}
