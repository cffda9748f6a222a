import "server-only";
import type { AnswerRow } from "@/db/queries/answerLog";
import type { Presentation } from "@/db/schema/delivery";
import type { Library } from "@/server/runtime/library";
import type { Feedback, ItemView, SittingView } from "../types";
import { feedbackOn } from "../words";
import type { DeliveredWork, OpenSitting } from "./sitting";

/** The sitting as its student's browser gets it, built field by field. */
export function sittingView(
  open: OpenSitting,
  lastAnswer: AnswerRow | null,
  serverNow: number,
): Omit<SittingView, "lessons"> {
  const { library, work, sitting, situation } = open;
  const running = sitting.finishedAt === null;
  const current = running ? sitting.presentations.find((p) => p.state === "open") : undefined;
  const ready = running ? sitting.presentations.filter((p) => p.state === "reserve") : [];
  const itemsLeft = situation.budgetItems - sitting.itemsDone - 1;
  return {
    serverNow,
    sittingId: sitting.id,
    workId: work.id,
    kind: work.kind,
    title: work.title,
    instructions: work.instructions,
    progress: sitting.progressPermille / 1000,
    itemsDone: sitting.itemsDone,
    itemsRight: work.kind === "check" ? 0 : sitting.itemsRight,
    budgetItems: situation.budgetItems,
    finished: sitting.finishReason,
    current: current ? itemView(library, work, current, feedbackOnLast(library, work, current, lastAnswer)) : null,
    reserve: ready.slice(0, Math.max(0, itemsLeft)).map((p) => itemView(library, work, p, null)),
  };
}

/** The lessons of the sitting's skills, in which students may read after a miss. */
export function lessonsOf({ library, situation }: OpenSitting): SittingView["lessons"] {
  return Object.fromEntries(
    situation.skillIds.map((id) => {
      const { studentName, lesson } = library.skill(id);
      return [id, { name: studentName, lesson }];
    }),
  );
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
    hasHint: work.kind !== "check" && item.hint !== null,
    hint: work.kind !== "check" && (presentation.state === "reserve" || presentation.hints) ? item.hint : null,
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
