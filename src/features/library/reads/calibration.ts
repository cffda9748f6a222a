import "server-only";
import { formatDistance } from "date-fns";
import { LEAST_ANSWERS } from "@/core/measurement/calibrate";
import { fullName } from "@/core/roster/fullName";
import { banksById } from "@/db/queries/banks";
import { type CalibrationRow, itemsInUse, latestCalibration } from "@/db/queries/calibrations";
import { parametersInForce } from "@/db/queries/library";
import { personById } from "@/db/queries/people";
import { cardsMade } from "@/server/library/itemCards";
import { libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import { type CalibratedSkillView, type CalibrationView, checkedSkill } from "../calibrationTypes";
import { demandCalibration } from "./calibrationRights";

/** One of which nothing was heard for so long has stopped with the process that it ran in. */
const SILENT_MILLISECONDS = 120_000;

export const isRunning = ({ result, failedAt, heardAt }: CalibrationRow, now: number): boolean =>
  result === null && failedAt === null && now - heardAt < SILENT_MILLISECONDS;

/** How the items of a bank do against what is held of them, as the latest calibration found. */
export async function calibrationView(context: Context, bankId: string | null): Promise<CalibrationView> {
  const { runtime } = context;
  await demandCalibration(context, bankId);
  const db = runtime.db.read;
  await cardsMade(runtime);
  const [items, latest, banks] = await Promise.all([
    itemsInUse(db, bankId),
    latestCalibration(db, bankId),
    banksById(db, bankId === null ? [] : [bankId]),
  ]);
  const by = latest ? await personById(db, latest.byId) : null;
  const now = runtime.now();
  return {
    bankId,
    bankName: bankId === null ? "Oxbow's own stock" : (banks[0]?.name ?? ""),
    items: items.length,
    leastAnswers: LEAST_ANSWERS,
    latest: latest && {
      id: latest.id,
      by: by ? fullName(by) : "",
      when: formatDistance(latest.startedAt, now, { addSuffix: true }),
      model: latest.model,
      state: latest.result
        ? "done"
        : latest.failedAt !== null
          ? "failed"
          : isRunning(latest, now)
            ? "running"
            : "stopped",
      doneSkills: latest.doneSkills,
      ofSkills: latest.ofSkills,
      skills: await skillsOf(context, latest, items),
    },
  };
}

async function skillsOf(
  { runtime }: Context,
  { result }: CalibrationRow,
  items: Awaited<ReturnType<typeof itemsInUse>>,
): Promise<CalibratedSkillView[]> {
  const all = result ?? [];
  const [library, estimates] = await Promise.all([
    libraryOf(runtime),
    parametersInForce(
      runtime.db.read,
      all.flatMap(({ versionIds }) => versionIds),
      runtime.now(),
    ),
  ]);
  const cards = new Map(items.map((item) => [item.versionId, item]));
  return all.flatMap(({ skillId, versionIds, found: kept }): CalibratedSkillView[] => {
    const skill = library.skillIfKnown(skillId);
    const found = checkedSkill(kept);
    if (!skill) return [];
    return [
      {
        skillId,
        name: skill.name,
        runs: found.runs,
        refusal: found.refusal,
        items: versionIds.flatMap((versionId, place) => {
          const [card, checked] = [cards.get(versionId), found.items[place]];
          const estimate = estimates.find((one) => one.versionId === versionId);
          if (!checked) return [];
          return [
            {
              versionId,
              itemId: card?.itemId ?? "",
              line: card?.line ?? "This item has been rewritten or retired since.",
              found: checked,
              inForce: estimate?.b ?? checked.inForce - skill.difficulty,
              estimated: checked.estimate ? checked.estimate.b - skill.difficulty : null,
              isEstimate: estimate !== undefined,
              isCurrent: card !== undefined,
            },
          ];
        }),
      },
    ];
  });
}
