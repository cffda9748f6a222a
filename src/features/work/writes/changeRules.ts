import "server-only";
import { isDeepStrictEqual } from "node:util";
import { array, boolean, type InferType, number, object, string } from "yup";
import type { OpeningRule, PartSettings } from "@/core/model/work";
import { conductorOf } from "@/core/work/conductors/conductorOf";
import { effectsOfRules, type RuleEffect, type StudentOfRules, type WorkRules } from "@/core/work/effectsOfRules";
import { windowFault, windowFor } from "@/core/work/workWindow";
import { assignmentsOfWork } from "@/db/queries/givings";
import { classesOfWork } from "@/db/queries/marks";
import { changed } from "@/db/queries/rowChanges";
import {
  type AssignmentRow,
  assignmentById,
  type GivenWork,
  type PartRow,
  partsOfWorks,
  releasesOf,
  targetsWithSittings,
  workById,
} from "@/db/queries/work";
import type { Queryable } from "@/db/queryable";
import type { RowChange } from "@/db/schema/history";
import { demandClasses } from "@/server/access/subjects";
import { demandWork } from "@/server/access/workAccess";
import { markedPart, partsOfTargets } from "@/server/classroom/partsOfTargets";
import { renewEnds } from "@/server/classroom/renewEnds";
import { recordChange } from "@/server/history/recordChange";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { instantAt, schoolOf } from "@/server/runtime/school";
import { optionalDay, validated } from "@/server/runtime/validated";
import { rulesInput, workText } from "./giveInput";

const limitsInput = object({
  id: string().required(),
  items: number().integer().min(1, "Give at least 1 item.").max(240, "Give at most 240 items.").required(),
  minutes: number()
    .integer()
    .min(1, "Give at least a minute.")
    .max(300, "Give at most 300 minutes.")
    .nullable()
    .default(null),
  tries: number().integer().min(1).max(3).nullable().default(null),
  calculator: boolean().default(false),
});

const input = object({
  assignmentId: string().required(),
  ...workText,
  /** Late work is taken until the evening of this day. */
  closesDay: optionalDay(),
  rules: rulesInput.omit(["isPrepared", "alternate"]).required(),
  parts: array(limitsInput).min(1).required(),
  /** Only says what it would mean. */
  isPreview: boolean().default(false),
});

/**
 * Changes the rules of work that was given, and says what that means for those who have begun. Rules are a giving's own; title, instructions and what its
 * parts allow belong to the work, wherever it was given. Where parts open by the cut, the cut is the whole work's too.
 */
export async function changeRules(
  context: Context,
  raw: unknown,
): Promise<{ readonly effects: readonly RuleEffect[]; readonly changeId: string | null }> {
  const { assignmentId, title, instructions, closesDay, rules, parts: asked, isPreview } = validated(input, raw);
  const { runtime, actor } = context;
  const school = await schoolOf(runtime, actor.schoolId);
  return runtime.db.write(async (tx) => {
    const work = await assignmentById(tx, assignmentId);
    if (!work || work.withdrawnAt !== null) throw new Refusal("not-found", "This work is not there, or was withdrawn.");
    await demandWork(context, "change", work, tx);
    const closesAt = closesDay === null ? null : instantAt(school, closesDay, "20:00");
    if (windowFault({ opensAt: work.opensAt, dueAt: work.dueAt, closesAt }))
      throw new Refusal("invalid", "Late work can’t end before the work is due. Choose a later day.");
    const parts = await partsOfWorks(tx, [work.workId]);
    const limited = parts.map((part) =>
      withLimits(
        part,
        asked.find(({ id }) => id === part.id),
      ),
    );
    const { unlockCode, ...rest } = rules;
    const values: Partial<AssignmentRow> = { ...rest, closesAt, unlockCode: unlockCode === "" ? null : unlockCode };
    const effects = effectsOfRules(rulesOf(work, parts), rulesOf({ ...work, ...rest, closesAt }, limited), {
      students: await studentsOf(tx, work, runtime.now()),
      word: (await releasesOf(tx, [work.id])).map(({ what }) => what),
      now: runtime.now(),
    });
    const rows = [
      changed("assignments", work, values),
      ...(await rowsOfDesign(tx, context, work, { title, instructions, limited, cutPercent: rules.cutPercent })),
    ].filter(isReal);
    if (isPreview || rows.length === 0) return { effects, changeId: null };
    const changeId = await recordChange(tx, context, {
      kind: "work-rules-changed",
      facts: { title },
      classId: work.classId,
      rows,
    });
    for (const { id } of await assignmentsOfWork(tx, work.workId)) await renewEnds(tx, id);
    return { effects, changeId };
  });
}

type Limits = InferType<typeof limitsInput>;
/** A part as it would be; items that stand from the beginning stay as many as they are. */
function withLimits(part: PartRow, limits: Limits | undefined): PartRow {
  if (!limits) throw new Refusal("invalid", "The parts of this work were changed meanwhile. Open the page again.");
  const { minutes: _minutes, tries: _tries, ...others } = part.settings;
  const { items, minutes, tries, calculator } = limits;
  const settings: PartSettings = {
    ...others,
    items: conductorOf(part.kind).standsWhole ? part.settings.items : items,
    ...(minutes === null ? {} : { minutes }),
    ...(tries === null ? {} : { tries }),
    // Missing says the same as false: what says the same is no change.
    ...(calculator === (part.settings.calculator ?? false) ? {} : { calculator }),
  };
  return { ...part, settings };
}

/** What the core compares. */
const rulesOf = (
  {
    cutPercent,
    retake,
    closesAt,
    dueAt,
    release,
    onlyAtSchool,
    goesFirst,
  }: Omit<WorkRules, "parts"> & Pick<GivenWork, "dueAt">,
  parts: readonly PartRow[],
): WorkRules => ({
  cutPercent,
  retake,
  closesAt: closesAt ?? dueAt,
  release,
  onlyAtSchool,
  goesFirst,
  parts: parts.map(({ settings: { items, minutes = null, tries = null, calculator = false } }) => ({
    items,
    minutes,
    tries,
    calculator,
  })),
});

/** Where each student is. */
async function studentsOf(tx: Queryable, work: GivenWork, now: number): Promise<StudentOfRules[]> {
  const targets = await targetsWithSittings(tx, [work.id]);
  const parts = await partsOfTargets(
    tx,
    work,
    targets.map(({ target }) => target.id),
    now,
  );
  return targets.map(({ target, sitting, throughAt }) => ({
    atWork: sitting !== null && throughAt === null,
    done: throughAt !== null,
    marks: markedPart(parts.get(target.id) ?? [])?.marks ?? [],
    ownEnd: target.dueAt === null && target.reopenedUntil === null ? null : windowFor(work, target).closesAt,
  }));
}

/** Rows of what belongs to the work itself, wherever it was given. */
async function rowsOfDesign(
  tx: Queryable,
  context: Context,
  work: GivenWork,
  after: {
    readonly title: string;
    readonly instructions: string;
    readonly limited: readonly PartRow[];
    readonly cutPercent: number | null;
  },
): Promise<RowChange[]> {
  const design = await workById(tx, work.workId);
  if (!design) throw new Refusal("not-found", "This work is not there any more.");
  const before = await partsOfWorks(tx, [work.workId]);
  const moves =
    work.cutPercent !== null && after.cutPercent !== null && before.some(({ opening }) => opening.some(isByMark));
  const rows = [
    changed("works", design, { title: after.title, instructions: after.instructions }),
    ...after.limited.flatMap((part, place) => {
      const old = before[place];
      if (!old) return [];
      const opening = old.opening.map((rule) =>
        isByMark(rule) && after.cutPercent !== null ? { ...rule, percent: after.cutPercent } : rule,
      );
      return [changed("parts", old, { settings: part.settings, ...(moves ? { opening } : {}) })];
    }),
    // What opens by the cut opens by the same everywhere.
    ...(moves
      ? (await assignmentsOfWork(tx, work.workId))
          .filter(({ id }) => id !== work.id)
          .map((other) => changed("assignments", other, { cutPercent: after.cutPercent }))
      : []),
  ].filter(isReal);
  if (rows.length > 0) await demandClasses(context, "change", await classesOfWork(tx, work.workId), tx);
  return rows;
}

const isByMark = (rule: OpeningRule): boolean => rule.by === "reached" || rule.by === "below";

/** Whether a row would differ; settings are compared by what they say. */
const isReal = ({ before, after }: RowChange): boolean => !isDeepStrictEqual(before, after);
