import "server-only";
import { TZDate } from "@date-fns/tz";
import { format } from "date-fns";
import type { Noted } from "@/core/model/noted";
import { notesOn } from "@/db/queries/notes";
import { demandStaff } from "@/server/access/demand";
import type { Context } from "@/server/runtime/context";
import { schoolOf } from "@/server/runtime/school";
import type { NotesView } from "../itemTypes";

/** Notes on a skill or an item: the own one, and what colleagues share. */
export async function notesFor(context: Context, about: Noted, aboutId: string): Promise<NotesView> {
  const staff = demandStaff(context.actor);
  const { runtime } = context;
  const [rows, school] = await Promise.all([
    notesOn(runtime.db.read, staff, about, aboutId),
    schoolOf(runtime, staff.schoolId),
  ]);
  const own = rows.find(({ note }) => note.personId === staff.personId)?.note;
  return {
    about,
    aboutId,
    own: { text: own?.text ?? "", shared: own?.shared ?? false },
    shared: rows
      .filter(({ note }) => note.personId !== staff.personId)
      .map(({ note, givenName, familyName }) => ({
        id: note.id,
        by: `${givenName} ${familyName}`,
        when: format(new TZDate(note.changedAt, school.timeZone), "d MMM yyyy"),
        text: note.text,
      })),
  };
}
