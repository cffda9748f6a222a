import "server-only";
import { object, string } from "yup";
import { groupBy } from "@/core/collections/groupBy";
import { drawParameters } from "@/core/items/drawParameters";
import { itemParameters } from "@/core/items/itemParameters";
import type { SkillAnswers } from "@/core/measurement/checkItems";
import type { ItemParameters } from "@/core/measurement/item";
import { mean } from "@/core/numeric/mean";
import { median } from "@/core/numeric/median";
import {
  dropCalibrationsBefore,
  firstTriesAt,
  insertCalibration,
  itemsInUse,
  latestCalibration,
  updateCalibration,
  withReadingNeeds,
} from "@/db/queries/calibrations";
import { parametersInForce } from "@/db/queries/library";
import type { CalibratedSkill } from "@/db/schema/calibrations";
import { demandStaff } from "@/server/access/demand";
import { versionsOf } from "@/server/library/drawnItems";
import { cardsMade } from "@/server/library/itemCards";
import { libraryOf } from "@/server/library/library";
import { checkItemsApart } from "@/server/runtime/calibrationThread";
import type { Context } from "@/server/runtime/context";
import { log } from "@/server/runtime/log";
import { Refusal } from "@/server/runtime/refusal";
import type { Runtime } from "@/server/runtime/runtime";
import { uuid, validated } from "@/server/runtime/validated";
import { MODELS, type Model } from "../calibrationTypes";
import { isRunning } from "../reads/calibration";
import { demandCalibration } from "../reads/calibrationRights";

/** The latest answers of a skill that are read: more change an estimate by less than its error. */
const MOST_ANSWERS = 60_000;
/** Draws whose rules are averaged for an item that is drawn anew each time. */
const MOST_DRAWS = 60;

const input = object({
  id: uuid(),
  bankId: string().nullable().defined(),
  model: string()
    .oneOf([...MODELS])
    .required(),
});

/** Begins to calibrate a bank's items by all answers to them. It goes on in a thread; how far it is stands in its row. */
export async function beginCalibration(context: Context, raw: unknown): Promise<{ readonly done: Promise<void> }> {
  const { id, bankId, model } = validated(input, raw);
  const { runtime } = context;
  const staff = demandStaff(context.actor);
  await demandCalibration(context, bankId);
  await cardsMade(runtime);
  const found = await itemsInUse(runtime.db.read, bankId);
  if (found.length === 0) throw new Refusal("invalid", "There is no item in use here that is scored by rule.");
  const skills = groupBy(found, ({ skillId }) => skillId ?? "");
  const isNew = await runtime.db.write(async (tx) => {
    await demandCalibration(context, bankId, tx);
    const latest = await latestCalibration(tx, bankId);
    // Sent twice, it runs once.
    if (latest?.id === id) return false;
    const now = runtime.now();
    if (latest && isRunning(latest, now)) throw new Refusal("conflict", "A calibration is on its way already.");
    await dropCalibrationsBefore(tx, bankId, now);
    await insertCalibration(tx, {
      id,
      schoolId: staff.schoolId,
      bankId,
      byId: staff.personId,
      model,
      startedAt: now,
      heardAt: now,
      doneSkills: 0,
      ofSkills: skills.size,
      result: null,
      failedAt: null,
    });
    return true;
  });
  return { done: isNew ? goThrough(runtime, id, model, skills) : Promise.resolve() };
}

type Found = Awaited<ReturnType<typeof itemsInUse>>;

async function goThrough(
  runtime: Runtime,
  id: string,
  model: Model,
  skills: ReadonlyMap<string, Found>,
): Promise<void> {
  const keep = (values: Parameters<typeof updateCalibration>[2]) =>
    runtime.db.write((tx) => updateCalibration(tx, id, { heardAt: runtime.now(), ...values }));
  try {
    const result: CalibratedSkill[] = [];
    for (const [skillId, items] of skills) {
      const versionIds = items.map(({ versionId }) => versionId);
      const answers = await answersOf(runtime, skillId, versionIds);
      result.push({ skillId, versionIds, found: await checkItemsApart(answers, model) });
      await keep({ doneSkills: result.length });
    }
    await keep({ result });
  } catch (error) {
    log("error", "a calibration failed", { error, details: { calibrationId: id } });
    await keep({ failedAt: runtime.now() }).catch(() => null);
  }
}

/** The first answers to the items of a skill: one row a run, since ability stands still within it. */
async function answersOf(runtime: Runtime, skillId: string, versionIds: readonly string[]): Promise<SkillAnswers> {
  const db = runtime.db.read;
  const [tries, library, versions, estimates] = await Promise.all([
    firstTriesAt(db, versionIds, MOST_ANSWERS),
    libraryOf(runtime),
    versionsOf(runtime, versionIds),
    parametersInForce(db, versionIds, runtime.now()),
  ]);
  const needing = await withReadingNeeds(db, [...new Set(tries.map(({ personId }) => personId))]);
  const runs = [...groupBy(tries, ({ sittingId }) => sittingId).values()];
  const half = runs.length === 0 ? 0 : median(runs.map((own) => own[0]?.givenAt ?? 0));
  const { difficulty } = library.skill(skillId);
  const inForce = versionIds.map((id): ItemParameters => {
    const estimate = estimates.find(({ versionId }) => versionId === id);
    if (estimate) return { a: estimate.a, b: difficulty + estimate.b, c: estimate.c };
    const version = versions.get(id);
    const answered = tries.filter(({ versionId }) => versionId === id).map(({ seed }) => seed);
    const seeds = answered.length > 0 ? [...new Set(answered)].slice(0, MOST_DRAWS) : [0];
    const drawn = version
      ? seeds.map((seed) => itemParameters(version.body, drawParameters(version, seed), difficulty))
      : [{ a: 1, b: difficulty, c: 0 }];
    const of = (what: "a" | "b" | "c") => mean(drawn.map((one) => one[what]));
    return { a: of("a"), b: of("b"), c: of("c") };
  });
  return {
    scores: runs.map((own) => {
      // What was met first in the run counts: of the same item drawn anew something is known already.
      const first = new Map([...own].sort((x, y) => y.place - x.place).map((one) => [one.versionId, one.right]));
      return versionIds.map((id) => (first.has(id) ? (first.get(id) ? 1 : 0) : null));
    }),
    inForce,
    difficulty,
    later: runs.map((own) => (own[0]?.givenAt ?? 0) > half),
    focal: runs.map((own) => needing.has(own[0]?.personId ?? "")),
  };
}
