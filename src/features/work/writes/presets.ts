import "server-only";
import { boolean, lazy, mixed, number, object, string } from "yup";
import { CERTAINTIES, RELEASE_TIMES, RETAKE_RULES } from "@/core/model/work";
import type { WorkPreset } from "@/core/model/workPreset";
import { changePresetRow, insertPreset, presetsOf } from "@/db/queries/workPresets";
import { demandStaff } from "@/server/access/demand";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { validated } from "@/server/runtime/validated";
import { endInput } from "./giveInput";

const MOST_PRESETS = 20;

const time = () => string().oneOf(RELEASE_TIMES).required();
const settingsInput = object({
  made: string().max(20).required(),
  items: number().integer().min(1).max(60).required(),
  certainty: string().oneOf(CERTAINTIES).required(),
  end: lazy((value: unknown) => (value === undefined ? mixed<never>().required() : endInput)),
  dueAfterDays: number().integer().min(0).max(120).required(),
  test: object({
    goBack: boolean().required(),
    shuffle: boolean().required(),
    calculator: boolean().required(),
    minutes: number().integer().min(1).max(300).nullable().default(null),
    neighbours: boolean().required(),
    onPaper: boolean().required(),
  }).required(),
  rules: object({
    onlyAtSchool: boolean().required(),
    goesFirst: boolean().required(),
    score: time(),
    answers: time(),
    explanations: time(),
    cutPercent: number().moreThan(0).max(100).nullable().default(null),
    follows: string().oneOf(["nothing", "itself", "word"]).required(),
    alsoAtCut: boolean().required(),
    category: string().trim().max(40).defined(),
    retake: string().oneOf(RETAKE_RULES).required(),
  }).required(),
});

const keepInput = object({
  name: string()
    .trim()
    .min(1, "Give the settings a name.")
    .max(40, "A name has at most 40 letters.")
    .required("Give the settings a name."),
  settings: settingsInput.required(),
});

/** Keeps settings of work under a name; those of the same name are replaced. */
export async function keepPreset(context: Context, raw: unknown): Promise<{ readonly presetId: string }> {
  const { personId: ownerId } = demandStaff(context.actor);
  const { name, settings } = validated(keepInput, raw);
  const { runtime } = context;
  const row = { settings: settings as unknown as WorkPreset, keptAt: runtime.now() };
  return runtime.db.write(async (tx) => {
    const own = await presetsOf(tx, ownerId);
    const same = own.find((one) => one.name.toLocaleLowerCase() === name.toLocaleLowerCase());
    if (same) await changePresetRow(tx, { id: same.id, ownerId }, row);
    if (same) return { presetId: same.id };
    if (own.length >= MOST_PRESETS)
      throw new Refusal("conflict", `You keep ${MOST_PRESETS} settings already. Put one away first.`);
    const id = runtime.newId();
    await insertPreset(tx, { id, ownerId, name, archivedAt: null, ...row });
    return { presetId: id };
  });
}

const awayInput = object({ presetId: string().required(), away: boolean().required() });

/** Puts kept settings away, or brings them back. */
export async function putPresetAway(context: Context, raw: unknown): Promise<{ readonly away: boolean }> {
  const { personId: ownerId } = demandStaff(context.actor);
  const { presetId, away } = validated(awayInput, raw);
  const { runtime } = context;
  const archivedAt = away ? runtime.now() : null;
  const isThere = await runtime.db.write((tx) => changePresetRow(tx, { id: presetId, ownerId }, { archivedAt }));
  if (!isThere) throw new Refusal("not-found", "These settings are not there any more.");
  return { away };
}
