import "server-only";
import { type ReteachSlot, slotOf } from "@/core/grouping/reteachParts";
import { askedText } from "@/core/items/askedText";
import { drawItem } from "@/core/items/drawItem";
import { tellingMistakes } from "@/core/items/telling";
import { APPROACHES, type Approach } from "@/core/model/reteach";
import { fullName } from "@/core/roster/fullName";
import { tellingMisses } from "@/db/queries/answerLog";
import { ownReteachesOn } from "@/db/queries/reteaches";
import { type Shelf, shelfOf } from "@/server/library/shelf";
import { shownAnswers } from "@/server/library/shownAnswers";
import type { Context } from "@/server/runtime/context";
import { instantInWords } from "@/server/runtime/school";
import type { GroupView, LessonView, WrongAnswer } from "../types";
import { viewOf } from "./groupView";
import { type TheGroup, theGroup } from "./theGroup";
import { weakestUnder } from "./weakestUnder";

/** Wrong answers shown on a reteach plan, and items on the same mistakes. */
const WRONG_ANSWERS = 6;
const ITEMS = 4;
const SEEDS = 12;

/** A group with the lesson that an address asks for, or else the one that comes next or was given last. */
export async function planOfGroup(
  context: Context,
  groupId: string,
  asked: { readonly how?: string | undefined; readonly minutes?: string | undefined },
): Promise<{ readonly group: GroupView; readonly lesson: LessonView; readonly slot: ReteachSlot }> {
  const found = await theGroup(context, groupId);
  const group = await viewOf(context, found);
  const { round, next } = group;
  const usual = round && next.students.length === 0 ? round.approach : next.approach.approach;
  const approach = APPROACHES.find((one) => one === asked.how) ?? usual;
  const slot = slotOf(asked.minutes ?? String(round?.minutes ?? ""));
  return { group, slot, lesson: await lessonOf(context, found, approach) };
}

/** The lesson for a group, taught by an approach: what to look at, what to show and ask, and which items tell the same mistakes. */
export const lessonFor = async (context: Context, groupId: string, approach: Approach): Promise<LessonView> =>
  lessonOf(context, await theGroup(context, groupId), approach);

async function lessonOf(context: Context, found: TheGroup, approach: Approach): Promise<LessonView> {
  const { skill, library, classroom, explains, round } = found;
  const { runtime, actor } = context;
  const meant = classroom.students.filter(({ id }) => !explains.has(id));
  const asked = round?.lowerSkillId ? library.skillIfKnown(round.lowerSkillId) : null;
  const lower = approach === "underneath" ? (asked ?? weakestUnder(meant, skill, library)) : null;
  const [own, taught] = [await shelfOf(runtime, skill.id), await shelfOf(runtime, lower?.id ?? skill.id)];
  const kept = await ownReteachesOn(runtime.db.read, {
    skillId: skill.id,
    personId: actor.personId,
    schoolId: actor.schoolId,
  });
  const mine = kept.find((one) => one.own.personId === actor.personId && one.own.approach === approach)?.own;
  return {
    approach,
    lower: lower ? { id: lower.id, name: lower.name, grade: lower.grade } : null,
    // One step down is taught what lies there; whether it carries is seen at the group's own skill.
    plan: { ...taught.reteach, look: own.reteach.look, exit: own.reteach.exit },
    lookedAt: own.reteach.look.map(({ misconceptionId }) => library.misconceptionName(misconceptionId)),
    steps: taught.teaching?.first.worked ?? null,
    model: taught.teaching?.model ?? null,
    talk: taught.teaching?.first.talk ?? [],
    wrongAnswers: await wrongAnswersOf(context, found),
    items: itemsOn(own, found),
    own: { parts: mine?.parts ?? {}, shared: mine?.shared ?? false, changedAt: mine?.changedAt ?? null },
    colleagues: kept
      .filter((one) => one.own.personId !== actor.personId && one.own.approach === approach)
      .map(({ own: theirs, by }) => ({
        by: fullName(by),
        parts: theirs.parts,
        day: instantInWords(classroom.school, theirs.changedAt, "d MMM yyyy"),
      })),
  };
}

/** The members' own wrong answers in the skill, one each, those with a known misconception first. */
async function wrongAnswersOf({ runtime }: Context, { classroom, skill, library }: TheGroup): Promise<WrongAnswer[]> {
  const rows = await tellingMisses(
    runtime.db.read,
    classroom.students.map(({ id }) => id),
    skill.id,
  );
  const shown = await shownAnswers(runtime, rows, skill.id);
  return classroom.students
    .flatMap(({ id, shortName }) => {
      const own = shown.find(({ row }) => row.personId === id);
      if (!own?.item) return [];
      const { stem, given, key, misconceptionId } = own;
      const misconception = misconceptionId ? library.misconceptionName(misconceptionId) || null : null;
      return [{ name: shortName, stem, given, answer: key, misconception }];
    })
    .sort((x, y) => Number(y.misconception !== null) - Number(x.misconception !== null))
    .slice(0, WRONG_ANSWERS);
}

/** Items of the skill on which the mistakes that the group made would show, one draw each, those of the most common mistakes first. */
function itemsOn({ versions }: Shelf, { signs, skill, library }: TheGroup): LessonView["items"] {
  const times = new Map<string, number>();
  for (const sign of signs)
    if (sign.skillId === skill.id) times.set(sign.misconceptionId, (times.get(sign.misconceptionId) ?? 0) + 1);
  return versions
    .flatMap((version) => {
      const draws = Array.from({ length: SEEDS }, (_, seed) => drawItem(version, seed)).map((item) => {
        const mistakes = [...new Set(tellingMistakes(item).map(({ misconceptionId }) => misconceptionId))].filter(
          (id) => times.has(id),
        );
        return { item, mistakes, weight: mistakes.reduce((sum, id) => sum + (times.get(id) ?? 0), 0) };
      });
      const best = draws.reduce((most, one) => (one.weight > most.weight ? one : most));
      return best.weight > 0 ? [{ ...best, itemId: version.itemId }] : [];
    })
    .sort((x, y) => y.weight - x.weight)
    .slice(0, ITEMS)
    .map(({ item, itemId, mistakes }) => ({
      itemId,
      stem: askedText(item),
      answer: item.parts.map(({ keyText }) => keyText).join("; "),
      mistakes: mistakes.map((id) => library.misconceptionName(id)),
    }));
}
