import "server-only";
import { array, mixed, object, string } from "yup";
import type { Context } from "@/server/runtime/context";
import { isRecord, uuid, validated } from "@/server/runtime/validated";
import { groupView } from "../reads/groupView";
import { assignReteach } from "./assignReteach";
import { makeGroups } from "./makeGroups";

const CHECK_ITEMS = 5;

const input = object({
  classIds: array(string().required()).min(1).required(),
  /** One group, as `makeGroups` takes it. */
  group: mixed((value): value is { readonly id: string } => isRecord(value)).required("Choose who is in the group."),
  reteachId: uuid(),
});

/**
 * Makes a group and gives it its reteach at once: the approach that is proposed, the usual days, and the check for those who stand alike. Two
 * changes; whoever takes it back takes back the later one first. Sent twice, it is done once.
 */
export async function reteachNow(
  context: Context,
  raw: unknown,
): Promise<{ readonly groupId: string; readonly changeIds: readonly string[] }> {
  const { classIds, group, reteachId } = validated(input, raw);
  const made = await makeGroups(context, { classIds, groups: [group] });
  const [groupId = ""] = made.groupIds;
  const { practiceDue, checkOpens, checkDue, next } = await groupView(context, groupId);
  const given = await assignReteach(context, {
    groupId,
    reteachId,
    practiceDueDay: practiceDue,
    checkOpensDay: checkOpens,
    checkDueDay: checkDue,
    checkItems: CHECK_ITEMS,
    approach: next.approach.approach,
  });
  return { groupId, changeIds: [given.changeId, made.changeId].filter((id) => id !== null) };
}
