import { exportStudent } from "@/features/roster/entry";
import { respondWithFile } from "@/server/runtime/respond";

/** Everything that is kept about one student, as a file. */
export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  return respondWithFile((context) => exportStudent(context, { studentId: id }));
}
