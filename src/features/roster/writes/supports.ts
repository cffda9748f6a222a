import "server-only";
import { array, boolean, number, object, string } from "yup";
import { INTERESTS, MOST_INTERESTS } from "@/core/model/interests";
import { ITEM_SHARES, TIME_FACTORS } from "@/core/model/supports";
import { added, changed } from "@/db/queries/rowChanges";
import { interestsOf, supportsOf } from "@/db/queries/students";
import type { RowChange } from "@/db/schema/history";
import { demand } from "@/server/access/demand";
import { studentSubject } from "@/server/access/studentSubject";
import { recordChange } from "@/server/history/recordChange";
import { libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import type { Runtime } from "@/server/runtime/runtime";
import { optionalDay, validated } from "@/server/runtime/validated";

const input = object({
  studentId: string().required(),
  timeFactor: number().oneOf(TIME_FACTORS, "Choose one of the times.").required(),
  readAloud: boolean().required(),
  largerText: boolean().required(),
  itemShare: number().oneOf(ITEM_SHARES, "Choose one of the shares.").required(),
  separateSetting: boolean().required(),
  homeLanguage: string()
    .trim()
    .max(40, "A language has at most 40 letters.")
    .matches(/^[^;:]*$/, "A language is one word or two.")
    .defined(),
  leaveOutOfTests: boolean().required(),
  leaveOutReason: string()
    .trim()
    .max(200, "The reason has at most 200 letters.")
    .matches(/^[^;]*$/, "Use a comma instead of “;”.")
    .defined(),
  leaveOutSubjectId: string().nullable().default(null),
  leaveOutUntil: optionalDay(),
});

/** Sets what a student needs; applied at once, and listed in the history. */
export async function setSupports(context: Context, raw: unknown): Promise<{ changeId: string }> {
  const { studentId, ...values } = validated(input, raw);
  if (values.leaveOutOfTests && values.leaveOutReason === "")
    throw new Refusal("invalid", "Say why the student is left out of tests; colleagues and families will ask.");
  const { runtime } = context;
  const { subject, classes } = await studentSubject(runtime, studentId);
  demand(context.actor, "change-supports", subject);
  if (values.leaveOutSubjectId !== null && !(await isSubject(runtime, values.leaveOutSubjectId)))
    throw new Refusal("invalid", "This subject is not in the library. Open the page again.");
  const none = { leaveOutReason: "", leaveOutSubjectId: null, leaveOutUntil: null };
  const wanted = { ...values, ...(values.leaveOutOfTests ? {} : none) };
  return runtime.db.write(async (tx) => {
    const [present] = await supportsOf(tx, [studentId]);
    const row = present
      ? changed("supports", present, wanted)
      : added("supports", { id: runtime.newId(), personId: studentId, ...wanted });
    const changeId = await recordChange(tx, context, {
      kind: "supports-changed",
      facts: { personId: studentId },
      classId: classes[0]?.id ?? null,
      rows: [row],
    });
    return { changeId };
  });
}

const isSubject = async (runtime: Runtime, subjectId: string): Promise<boolean> =>
  (await libraryOf(runtime)).subjects.some(({ id }) => id === subjectId);

/** A student chooses interests from the list. */
export async function chooseInterests(context: Context, raw: unknown): Promise<void> {
  const { chosen } = validated(
    object({
      chosen: array(string().oneOf(INTERESTS).required())
        .max(MOST_INTERESTS, `Choose at most ${MOST_INTERESTS}.`)
        .required(),
    }),
    raw,
  );
  const { runtime, actor } = context;
  const { personId, schoolId } = actor;
  demand(actor, "choose-interests", { kind: "student", personId, schoolId, classIds: [], groupIds: [] });
  await runtime.db.write(async (tx) => {
    const present = await interestsOf(tx, personId);
    const rows: RowChange[] = [
      ...present
        .filter(({ interest }) => !chosen.some((one) => one === interest))
        .map((row): RowChange => ({ table: "interests", id: row.id, before: row, after: null })),
      ...chosen
        .filter((interest) => !present.some((row) => row.interest === interest))
        .map((interest) => added("interests", { id: runtime.newId(), personId, interest })),
    ];
    if (rows.length === 0) return;
    await recordChange(tx, context, { kind: "interests-chosen", facts: { personId }, classId: null, rows });
  });
}
