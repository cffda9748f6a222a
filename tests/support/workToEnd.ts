import { give, open, type TestSchool } from "./school";

/** A student works a piece to its end, each answer as told. */
export async function workToEnd(
  school: TestSchool,
  studentId: string,
  workId: string,
  how: (n: number) => "right" | "wrong",
): Promise<void> {
  let view = await open(school, studentId, workId);
  for (let n = 0; view.finished === null; n++)
    view = { ...view, ...(await give(school, studentId, view, how(n))).sitting };
}
