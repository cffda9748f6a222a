import "server-only";
import { allSchools } from "@/db/queries/people";
import type { Queryable } from "@/db/queryable";
import { demandBank } from "@/server/access/bankSubject";
import { demand } from "@/server/access/demand";
import type { Context } from "@/server/runtime/context";

/** Goes on for whoever looks after the bank; for the stock, which every school draws from, only for whoever looks after every school here. */
export async function demandCalibration(
  context: Context,
  bankId: string | null,
  db: Queryable = context.runtime.db.read,
): Promise<void> {
  if (bankId !== null) return demandBank(context, "look-after", bankId, db);
  for (const { id } of await allSchools(db)) demand(context.actor, "calibrate", { kind: "school", schoolId: id });
}
