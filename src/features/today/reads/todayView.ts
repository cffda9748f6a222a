import "server-only";
import { createHash } from "node:crypto";
import { format } from "date-fns";
import { putOffOf } from "@/db/queries/putOff";
import { demandStaff } from "@/server/access/demand";
import type { Context } from "@/server/runtime/context";
import { todayOf } from "@/server/runtime/school";
import type { PutOffLine, ShownLine, TodayLine, TodayView } from "../types";

const LETTERS = 16;

/** The lines of somebody's Today, those apart that were put off and say the same still. */
export async function todayView(context: Context, lines: readonly TodayLine[]): Promise<TodayView> {
  const { runtime } = context;
  const staff = demandStaff(context.actor);
  const [today, rows] = await Promise.all([
    todayOf(runtime, staff.schoolId),
    putOffOf(runtime.db.read, staff.personId),
  ]);
  const offOf = new Map(rows.map((row) => [row.key, row]));
  const all = lines.map((line): ShownLine & { readonly off: { readonly untilWords: string | null } | null } => {
    const said = createHash("sha256").update(line.state).digest("base64url").slice(0, LETTERS);
    const row = offOf.get(line.key);
    const isOff = row !== undefined && row.said === said && (row.untilDay === null || today < row.untilDay);
    return { ...line, said, off: isOff ? { untilWords: row.untilDay === null ? null : dayWords(row.untilDay) } : null };
  });
  return {
    lines: all.flatMap(({ off, ...line }) => (off ? [] : [line])),
    putOff: all.flatMap(({ off, ...line }): PutOffLine[] => (off ? [{ ...line, ...off }] : [])),
  };
}

const dayWords = (day: string) => format(new Date(`${day}T12:00:00`), "EEE d MMM");
