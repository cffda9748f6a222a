import "server-only";
import { number, object, string } from "yup";
import { DECIMAL_MARKS } from "@/core/model/decimalMark";
import { schoolById } from "@/db/queries/people";
import { changed } from "@/db/queries/rowChanges";
import { demand } from "@/server/access/demand";
import { recordChange } from "@/server/history/recordChange";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { validated } from "@/server/runtime/validated";

const settingsInput = object({
  staffIdleMinutes: number().integer().min(5, "At least 5 minutes.").max(720, "At most 720 minutes.").required(),
  studentIdleMinutes: number().integer().min(5, "At least 5 minutes.").max(480, "At most 480 minutes.").required(),
  lateGraceHours: number().integer().min(0, "0 hours or more.").max(336, "At most 336 hours (two weeks).").required(),
  decimalMark: string().oneOf(DECIMAL_MARKS, "Choose a point or a comma.").required(),
  keepYears: number().integer().min(1, "At least 1 year.").max(20, "At most 20 years.").required(),
});

/** How long sessions last unused, how long evidence of those who left is kept, and how typed numbers are read. */
export async function setSettings(context: Context, raw: unknown): Promise<{ changeId: string }> {
  const values = validated(settingsInput, raw);
  const { runtime, actor } = context;
  demand(actor, "manage", { kind: "school", schoolId: actor.schoolId });
  return runtime.db.write(async (tx) => {
    const school = await schoolById(tx, actor.schoolId);
    if (!school) throw new Refusal("not-found", "This school is not known.");
    const rows = [changed("schools", school, values)];
    return {
      changeId: await recordChange(tx, context, { kind: "settings-changed", facts: values, classId: null, rows }),
    };
  });
}
