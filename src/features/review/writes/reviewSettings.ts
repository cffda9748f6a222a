import "server-only";
import { boolean, number, object, string } from "yup";
import { ENTERING, type OwnReviewSettings } from "@/core/model/reviewSettings";
import { USUAL_REVIEW } from "@/core/review/usualReview";
import { classesById } from "@/db/queries/people";
import { reviewSettingsOf } from "@/db/queries/review";
import { added, changed } from "@/db/queries/rowChanges";
import { demandClasses } from "@/server/access/subjects";
import { recordChange } from "@/server/history/recordChange";
import type { Context } from "@/server/runtime/context";
import { validated } from "@/server/runtime/validated";
import { demandInClass } from "./demandInClass";

const input = object({
  classId: string().required(),
  /** Null for the whole class. */
  studentId: string().nullable().default(null),
  on: boolean().default(undefined),
  /** Takes back what a student has that differs. */
  asTheClass: boolean().default(false),
  minutesADay: number()
    .integer("Minutes are whole.")
    .min(1, "Give at least 1 minute a day.")
    .max(30, "More than 30 minutes a day leave no time for what is new."),
  entering: string().oneOf([...ENTERING]),
  wantedRecall: number()
    .min(0.7, "Under 70 % most of it is learned anew each time.")
    .max(0.97, "Above 97 % everything would be asked every day."),
  target: number()
    .min(0.5, "Aim for half of it at least.")
    .max(0.98, "Nobody remembers everything: aim for 98 % at most."),
});

/** Changes how a class keeps what it learned, or what one student has that differs; what is not said stays as it was. */
export async function changeReviewSettings(context: Context, raw: unknown): Promise<{ changeId: string }> {
  const { classId, studentId, on, asTheClass, ...said } = validated(input, raw);
  const { runtime, actor } = context;
  return runtime.db.write(async (tx) => {
    await demandClasses(context, "change", [classId], tx);
    if (studentId !== null) await demandInClass(tx, context, classId, studentId);
    const rows = await reviewSettingsOf(tx, [classId]);
    const ofClass = rows.find(({ personId }) => personId === null);
    const row = rows.find(({ personId }) => personId === studentId);
    const news = Object.fromEntries(
      Object.entries(said).filter(([, value]) => value !== undefined),
    ) as OwnReviewSettings;
    const own: OwnReviewSettings = asTheClass ? {} : { ...row?.settings, ...news };
    const values = {
      on: on ?? (asTheClass ? ofClass?.on : row?.on) ?? ofClass?.on ?? false,
      settings: studentId === null ? { ...USUAL_REVIEW, ...own } : own,
      setBy: actor.personId,
    };
    const [home] = await classesById(tx, [classId]);
    const changeId = await recordChange(tx, context, {
      kind: "review-settings-changed",
      facts: { className: home?.name ?? "", personId: studentId, on: values.on },
      classId,
      subjectIds: studentId === null ? [] : [studentId],
      rows: [
        row
          ? changed("reviewSettings", row, values)
          : added("reviewSettings", { id: runtime.newId(), classId, personId: studentId, ...values }),
      ],
    });
    return { changeId };
  });
}
