import "server-only";
import { array, object, string } from "yup";
import { calibrationById, itemsInUse } from "@/db/queries/calibrations";
import { added } from "@/db/queries/rowChanges";
import { demandStaff } from "@/server/access/demand";
import { recordChange } from "@/server/history/recordChange";
import { libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { validated } from "@/server/runtime/validated";
import { checkedSkill } from "../calibrationTypes";
import { demandCalibration } from "../reads/calibrationRights";

const input = object({
  calibrationId: string().required(),
  bankId: string().nullable().defined(),
  versionIds: array(string().required()).min(1, "Choose an item first.").max(2000).required(),
});

/** Puts estimates of a calibration into force, from now on: what was answered before stays worth what it was. */
export async function adoptEstimates(context: Context, raw: unknown): Promise<{ readonly changeId: string }> {
  demandStaff(context.actor);
  const { calibrationId, bankId, versionIds } = validated(input, raw);
  const { runtime } = context;
  await demandCalibration(context, bankId);
  const library = await libraryOf(runtime);
  return runtime.db.write(async (tx) => {
    await demandCalibration(context, bankId, tx);
    const calibration = await calibrationById(tx, calibrationId);
    if (!calibration?.result || calibration.bankId !== bankId)
      throw new Refusal("conflict", "The answers have been read anew since. Open the page again.");
    const inUse = new Set((await itemsInUse(tx, bankId)).map(({ versionId }) => versionId));
    const wanted = new Set(versionIds);
    const now = runtime.now();
    const rows = calibration.result.flatMap(({ skillId, versionIds: own, found }) =>
      own.flatMap((versionId, place) => {
        const item = checkedSkill(found).items[place];
        const estimate = item?.estimate;
        if (!wanted.has(versionId) || !estimate || !inUse.has(versionId)) return [];
        const { a, b, c, se, seA, seC } = estimate;
        return [
          added("itemParameters", {
            id: runtime.newId(),
            versionId,
            source: "calibrated",
            a,
            b: b - library.skill(skillId).difficulty,
            c,
            aSe: seA,
            bSe: se,
            cSe: seC,
            answers: item.answers,
            inForceFrom: now,
          }),
        ];
      }),
    );
    if (rows.length < wanted.size)
      throw new Refusal("conflict", "Some of these items were rewritten or retired since. Open the page again.");
    const changeId = await recordChange(tx, context, {
      kind: "estimates-adopted",
      facts: { items: rows.length },
      classId: null,
      subjectIds: bankId === null ? [] : [bankId],
      rows,
    });
    return { changeId };
  });
}
