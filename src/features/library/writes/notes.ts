import "server-only";
import { boolean, object, string } from "yup";
import { NOTED } from "@/core/model/noted";
import { itemsById } from "@/db/queries/items";
import { ownNote } from "@/db/queries/notes";
import { added, changed } from "@/db/queries/rowChanges";
import type { RowChange } from "@/db/schema/history";
import { demandBank } from "@/server/access/bankSubject";
import { demandStaff } from "@/server/access/demand";
import { recordChange } from "@/server/history/recordChange";
import { libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import { validated } from "@/server/runtime/validated";

const input = object({
  about: string().oneOf(NOTED).required(),
  aboutId: string().max(200).required(),
  text: string().trim().max(4_000, "A note has at most 4,000 letters.").default(""),
  shared: boolean().default(false),
});

/** Keeps the own note on a skill or an item; an empty one is taken away. Nothing changed is no entry. */
export async function keepNote(context: Context, raw: unknown): Promise<{ changeId: string | null }> {
  const staff = demandStaff(context.actor);
  const { about, aboutId, text, shared } = validated(input, raw);
  const { runtime } = context;
  return runtime.db.write(async (tx) => {
    const library = await libraryOf(runtime);
    if (about === "skill") library.skill(aboutId);
    else if (about === "unit") library.unit(aboutId);
    else {
      const [item] = await itemsById(tx, [aboutId]);
      await demandBank(context, "use", item ? item.bankId : "", tx);
    }
    const known = await ownNote(tx, staff.personId, about, aboutId);
    if ((known?.text ?? "") === text && (known?.shared ?? false) === shared) return { changeId: null };
    const values = { text, shared, changedAt: runtime.now() };
    const rows: RowChange[] = known
      ? [
          text === ""
            ? { table: "notes", id: known.id, before: { ...known }, after: null }
            : changed("notes", known, values),
        ]
      : text === ""
        ? []
        : [
            added("notes", {
              id: runtime.newId(),
              schoolId: staff.schoolId,
              personId: staff.personId,
              about,
              aboutId,
              ...values,
            }),
          ];
    if (rows.length === 0) return { changeId: null };
    const changeId = await recordChange(tx, context, {
      kind: "note-kept",
      facts: { about, shared },
      classId: null,
      rows,
    });
    return { changeId };
  });
}
