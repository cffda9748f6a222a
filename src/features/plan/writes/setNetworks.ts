import "server-only";
import { array, object, string } from "yup";
import { schoolById } from "@/db/queries/people";
import { changed } from "@/db/queries/rowChanges";
import { demand, demandStaff } from "@/server/access/demand";
import { isNetwork } from "@/server/access/placeOfAddress";
import { recordChange } from "@/server/history/recordChange";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { validated } from "@/server/runtime/validated";

const MOST_NETWORKS = 20;
const networksInput = object({
  networks: array(string().trim().max(60, "An address has at most 60 letters.").required())
    .max(MOST_NETWORKS, `Name at most ${MOST_NETWORKS} ranges.`)
    .required("Write the ranges, or none."),
});

/** Says from which network addresses a student is at school; with none, nothing tells school from home. */
export async function setNetworks(context: Context, raw: unknown): Promise<{ changeId: string | null }> {
  const { schoolId } = demandStaff(context.actor);
  demand(context.actor, "manage", { kind: "school", schoolId });
  const networks = [...new Set(validated(networksInput, raw).networks)];
  const wrong = networks.find((text) => !isNetwork(text));
  if (wrong !== undefined)
    throw new Refusal("invalid", `“${wrong}” is no range of addresses. Write it like 10.20.0.0/16 or 203.0.113.7.`);
  return context.runtime.db.write(async (tx) => {
    const school = await schoolById(tx, schoolId);
    if (!school) throw new Refusal("not-found", "This school is not known.");
    if (school.networks.join() === networks.join()) return { changeId: null };
    const rows = [changed("schools", school, { networks })];
    const facts = { networks: networks.length };
    return { changeId: await recordChange(tx, context, { kind: "networks-changed", facts, classId: null, rows }) };
  });
}
