import { reviewForecast } from "@/features/review/reads/forecast";
import { listOfKey } from "@/server/runtime/listKey";
import { respond } from "@/server/runtime/respond";

/** What resting or dropping the skills in the address would change for a class, or one student of it. Nothing is kept. */
export async function GET(request: Request) {
  const search = new URL(request.url).searchParams;
  const idsOf = (name: string) => (search.get(name) ? listOfKey(search.get(name) ?? "") : []);
  return respond((context) =>
    reviewForecast(context, {
      classId: search.get("class") ?? "",
      studentId: search.get("student"),
      rest: idsOf("rest"),
      drop: idsOf("drop"),
    }),
  );
}
