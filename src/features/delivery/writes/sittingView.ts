import "server-only";
import type { AnswerRow, SittingRow } from "@/db/queries/delivery";
import type { Presentation } from "@/db/schema/delivery";
import type { Library } from "@/server/runtime/library";
import type { Feedback, ItemView, SittingView } from "../types";
import { feedbackOn } from "../words";
import type { DeliveredWork } from "./sitting";

/** The sitting as its student's browser gets it, built field by field. */
export function sittingView(
  library: Library,
  work: DeliveredWork,
  sitting: SittingRow,
  skillIds: readonly string[],
  budgetItems: number,
  lastAnswer: AnswerRow | null,
): SittingView {
  const { presentations } = sitting;
  const open = sitting.finishedAt === null ? presentations.find((p) => p.state === "open") : undefined;
  const itemsLeft = budgetItems - sitting.itemsDone - 1;
  const ready = sitting.finishedAt === null ? presentations.filter((p) => p.state === "reserve") : [];
  const shownSkills = new Set([...skillIds, ...(open ? [open.skillId] : [])]);
  return {
    sittingId: sitting.id,
    workId: work.id,
    kind: work.kind,
    title: work.title,
    instructions: work.instructions,
    progress: sitting.progressPermille / 1000,
    itemsDone: sitting.itemsDone,
    itemsRight: work.kind === "check" ? 0 : sitting.itemsRight,
    budgetItems,
    finished: sitting.finishReason,
    current: open ? itemView(library, work, open, feedbackOnLast(library, work, open, lastAnswer)) : null,
    reserve: ready.slice(0, Math.max(0, itemsLeft)).map((p) => itemView(library, work, p, null)),
    lessons: Object.fromEntries(
      [...shownSkills].map((id) => {
        const skill = library.skill(id);
        return [id, { name: skill.studentName, lesson: skill.lesson }];
      }),
    ),
  };
}

function itemView(
  library: Library,
  work: DeliveredWork,
  presentation: Presentation,
  lastFeedback: Feedback | null,
): ItemView {
  const item = library.item(presentation.modelId, presentation.modelVersion, presentation.seed, presentation.context);
  return {
    presentationId: presentation.id,
    skillId: presentation.skillId,
    kind: item.kind,
    stem: item.stem,
    options: item.options.map(({ id, text }) => ({ id, text })),
    table: item.table,
    unit: item.unit,
    hint: work.kind === "check" ? null : item.hint,
    tries: presentation.tries,
    lastFeedback,
  };
}

function feedbackOnLast(
  library: Library,
  work: DeliveredWork,
  open: Presentation,
  last: AnswerRow | null,
): Feedback | null {
  if (work.kind === "check" || !last || last.presentationId !== open.id) return null;
  const item = library.item(open.modelId, open.modelVersion, open.seed, open.context);
  const misconception = last.misconceptionId ? (library.misconceptions.get(last.misconceptionId) ?? null) : null;
  return feedbackOn(item, { right: last.right, misconception, itemOver: false, tryNumber: last.tryNumber });
}
