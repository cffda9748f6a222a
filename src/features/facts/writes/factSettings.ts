import "server-only";
import { array, boolean, number, object, string } from "yup";
import { factFamilies, HIGHEST_OPERANDS } from "@/core/fluency/factFamilies";
import { mostAGoal, USUAL_FACT_SETTINGS } from "@/core/fluency/factSettings";
import { type FactSettings, OPERATIONS, type OwnFactSettings } from "@/core/model/factSettings";
import { factSettingsOf } from "@/db/queries/facts";
import { classesById, studentsOfClasses } from "@/db/queries/people";
import { added, changed } from "@/db/queries/rowChanges";
import { demandClasses } from "@/server/access/subjects";
import { recordChange } from "@/server/history/recordChange";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { todayOf } from "@/server/runtime/school";
import { validated } from "@/server/runtime/validated";

const settings = {
  operations: array(
    string()
      .oneOf([...OPERATIONS])
      .required(),
  )
    .min(1, "Choose at least one operation.")
    .default(undefined),
  order: array(string().required()).min(1, "Choose at least one family of facts.").nullable().default(undefined),
  highest: number().oneOf([...HIGHEST_OPERANDS], `Operands go up to ${HIGHEST_OPERANDS.join(", ")}.`),
  minutesADay: number()
    .integer("Minutes are whole.")
    .min(1, "Give at least 1 minute a day.")
    .max(20, "More than 20 minutes a day tire without teaching more."),
  thinkingSeconds: number()
    .min(1, "Thinking takes time: give at least 1 second.")
    .max(15, "From 15 seconds on a fact is worked out, not known."),
  goal: number().integer("A goal is a whole number.").min(1, "A goal is 1 fact or more."),
};
const input = object({
  classId: string().required(),
  /** Null for the whole class. */
  studentId: string().nullable().default(null),
  on: boolean().default(undefined),
  /** Takes back what a student has that differs. */
  asTheClass: boolean().default(false),
  ...settings,
});

/** Changes how a class practises facts, or what one student has that differs; what is not said stays as it was. */
export async function changeFactSettings(context: Context, raw: unknown): Promise<{ changeId: string }> {
  const { classId, studentId, on, asTheClass, ...said } = validated(input, raw);
  const { runtime, actor } = context;
  return runtime.db.write(async (tx) => {
    await demandClasses(context, "change", [classId], tx);
    const rows = await factSettingsOf(tx, [classId]);
    const ofClass = rows.find(({ personId }) => personId === null);
    const own = rows.find(({ personId }) => personId === studentId && studentId !== null);
    const today = await todayOf(runtime, actor.schoolId);
    const student =
      studentId === null
        ? null
        : (await studentsOfClasses(tx, [classId], today)).find(({ person }) => person.id === studentId);
    if (student === undefined) throw new Refusal("not-found", "This student is not in the class any more.");
    const news = Object.fromEntries(Object.entries(said).filter(([, value]) => value !== undefined)) as OwnFactSettings;
    const row = studentId === null ? ofClass : own;
    const kept: OwnFactSettings = asTheClass ? {} : { ...row?.settings, ...news };
    const whole: FactSettings = { ...USUAL_FACT_SETTINGS, ...ofClass?.settings, ...kept };
    demandSense(whole);
    const values = {
      on: on ?? (asTheClass ? ofClass?.on : row?.on) ?? ofClass?.on ?? false,
      settings: studentId === null ? whole : kept,
    };
    const [home] = await classesById(tx, [classId]);
    const changeId = await recordChange(tx, context, {
      kind: "fact-settings-changed",
      facts: { className: home?.name ?? "", personId: studentId, on: values.on },
      classId,
      subjectIds: studentId === null ? [] : [studentId],
      rows: [
        row
          ? changed("factSettings", row, values)
          : added("factSettings", { id: runtime.newId(), classId, personId: studentId, ...values }),
      ],
    });
    return { changeId };
  });
}

/** Refuses what cannot be: a goal above the minutes, families of other operations. */
function demandSense(whole: FactSettings): void {
  const most = mostAGoal(whole);
  if (whole.goal > most)
    throw new Refusal(
      "invalid",
      `In ${whole.minutesADay} min there is time for about ${most} facts. Set the goal lower, or give more minutes.`,
    );
  if (whole.order === null) return;
  const families = new Set(
    whole.operations.flatMap((operation) => factFamilies(operation, whole.highest).map(({ id }) => id)),
  );
  if (!whole.order.some((id) => families.has(id)))
    throw new Refusal("invalid", "None of the chosen families belongs to these operations. Choose at least one.");
}
