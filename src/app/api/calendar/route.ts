import { calendarFile } from "@/features/plan/reads/calendar";
import { respondWithFile } from "@/server/runtime/respond";

/** The school's days off as an iCalendar file. */
export async function GET() {
  return respondWithFile(calendarFile);
}
