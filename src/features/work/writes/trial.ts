import "server-only";
import { object, string } from "yup";
import type { OpeningRule } from "@/core/model/work";
import { conductorOf } from "@/core/work/conductors/conductorOf";
import { applyRowChanges } from "@/db/queries/rowChanges";
import { forgetTrials, trialsToForget } from "@/db/queries/trials";
import { assignmentById, partsOfWorks, pickedItemsOf, skillIdsOfPart } from "@/db/queries/work";
import type { Queryable } from "@/db/queryable";
import { demandStaff } from "@/server/access/demand";
import { demandClasses } from "@/server/access/subjects";
import { type NewDesign, type NewPart, workRows } from "@/server/classroom/workRows";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import type { Runtime } from "@/server/runtime/runtime";
import { validated } from "@/server/runtime/validated";
import { giveInput, type PartInput } from "./giveInput";
import { newParts } from "./giveWork";

const trialInput = giveInput.pick(["title", "instructions", "parts"]).concat(object({ classId: string().required() }));

/** A trial that was left lying is forgotten by whoever begins the next one, after this. */
const LEFT_MILLISECONDS = 86_400_000;

/**
 * Begins a trial run of what is being put together: the asking member of staff takes it as a student of the class would, and whatever comes of it is
 * forgotten. Somebody has one trial at a time.
 */
export async function beginTrial(context: Context, raw: unknown): Promise<{ readonly trialId: string }> {
  const { classId, title, instructions, parts } = validated(trialInput, raw);
  demandStaff(context.actor);
  await demandClasses(context, "see", [classId]);
  const made = await newParts(context, parts as readonly PartInput[]);
  return context.runtime.db.write((tx) => inPlaceOfOld(tx, context, classId, { title, instructions, parts: made }));
}

const idInput = object({ assignmentId: string().required() });

/** The same of work that was given: what students do stays apart. */
export async function tryGiven(context: Context, raw: unknown): Promise<{ readonly trialId: string }> {
  const { assignmentId } = validated(idInput, raw);
  demandStaff(context.actor);
  return context.runtime.db.write(async (tx) => {
    const work = await assignmentById(tx, assignmentId);
    if (!work || (work.isTrial && work.givenBy !== context.actor.personId))
      throw new Refusal("not-found", "This work is not there any more.");
    await demandClasses(context, "see", [work.classId], tx);
    return inPlaceOfOld(tx, context, work.classId, await designOf(tx, work.workId, work));
  });
}

/** Forgets the asking person's trial. */
export async function endTrial(context: Context): Promise<{ readonly ended: true }> {
  const { personId } = demandStaff(context.actor);
  await context.runtime.db.write(async (tx) => forgetTrials(tx, await trialsToForget(tx, personId, 0)));
  return { ended: true };
}

async function inPlaceOfOld(
  tx: Queryable,
  context: Context,
  classId: string,
  design: NewDesign,
): Promise<{ readonly trialId: string }> {
  const { runtime, actor } = context;
  const now = runtime.now();
  await forgetTrials(tx, await trialsToForget(tx, actor.personId, now - LEFT_MILLISECONDS));
  const trialId = runtime.newId();
  const parts = withOwnIds(runtime, design.parts).map((part) =>
    onScreen({ ...part, opening: part.opening?.filter(opensByItself) ?? [] }),
  );
  const shown = { score: "done", answers: "done", explanations: "done" } as const;
  const rows = workRows(context, { ...design, parts }, [
    { id: trialId, classId, opensAt: now, dueAt: null, release: shown, isTrial: true, studentIds: [actor.personId] },
  ]);
  await applyRowChanges(tx, rows);
  return { trialId };
}

/** What is done on paper is tried out on the screen. */
const onScreen = (part: NewPart): NewPart =>
  conductorOf(part.kind).onPaper ? { ...part, kind: "quiz", settings: { ...part.settings, goBack: true } } : part;

/** Nobody waits for a day, or for their own word. */
const opensByItself = ({ by }: OpeningRule): boolean => by !== "day" && by !== "word";

/** The same parts under ids of their own: what is tried is given afterwards under those that the page made. */
function withOwnIds(runtime: Runtime, parts: readonly NewPart[]): NewPart[] {
  const ids = new Map(parts.map(({ id }) => [id, runtime.newId()]));
  const own = (id: string) => ids.get(id) ?? id;
  return parts.map(({ id, settings, opening = [], ...part }): NewPart => {
    const { missedIn } = settings;
    return {
      ...part,
      ...(id === undefined ? {} : { id: own(id) }),
      settings: missedIn ? { ...settings, missedIn: { ...missedIn, partId: own(missedIn.partId) } } : settings,
      opening: opening.map((rule) => ("partId" in rule ? { ...rule, partId: own(rule.partId) } : rule)),
    };
  });
}

/** A design as it stands. */
async function designOf(
  tx: Queryable,
  workId: string,
  { title, instructions }: { readonly title: string; readonly instructions: string },
): Promise<NewDesign> {
  const parts = await partsOfWorks(tx, [workId]);
  return {
    title,
    instructions,
    parts: await Promise.all(
      parts.map(
        async ({ id, kind, title: name, settings, opening }): Promise<NewPart> => ({
          id,
          kind,
          title: name,
          settings,
          opening,
          skillIds: await skillIdsOfPart(tx, id),
          items: await pickedItemsOf(tx, id, null).then((rows) =>
            rows.map(({ id: _id, partId: _part, place: _place, ...item }) => item),
          ),
        }),
      ),
    ),
  };
}
