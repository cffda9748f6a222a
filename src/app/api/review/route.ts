import { reviewForecast } from "@/features/review/reads/forecast";
import { respond } from "@/server/runtime/respond";

/** What resting or dropping the skills in the address would change for a class, or one student of it. Nothing is kept. */
export async function GET(request: Request) {
  const search = new URL(request.url).searchParams;
  return respond((context) =>
    reviewForecast(context, {
      classId: search.get("class") ?? "",
      studentId: search.get("student"),
      rest: search.getAll("rest"),
      drop: search.getAll("drop"),
    }),
  );
}
