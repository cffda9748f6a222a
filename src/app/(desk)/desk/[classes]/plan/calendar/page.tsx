import type { Metadata } from "next";
import { calendarView } from "@/features/plan/reads/calendar";
import { CalendarPage } from "@/features/plan/view/CalendarPage";
import { ownClasses } from "@/server/access/ownClasses";
import { attempt } from "@/server/runtime/attempt";
import { Refused } from "@/ui/layout/Refused";

export const metadata: Metadata = { title: "School calendar" };

export default async function Page({ params }: { params: Promise<{ classes: string }> }) {
  const { classes: key } = await params;
  await ownClasses(key);
  const found = await attempt(calendarView);
  return found.ok ? (
    <CalendarPage view={found.data} base={`/desk/${key}`} />
  ) : (
    <Refused message={found.message} href={`/desk/${key}`} label="Back to Today" />
  );
}
