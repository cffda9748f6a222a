import "server-only";
import type { ItemResponse } from "@/core/items/checkItem";
import { roomOf } from "@/core/items/rooms";
import { mostItems } from "@/core/work/partSituation";
import type { ScoreRow } from "@/db/queries/answerLog";
import type { SittingItemRow } from "@/db/queries/sittings";
import type { Feedback, ItemView, PartView, SittingChange, SittingView, WholeView } from "../types";
import { feedbackOn } from "../words";
import { drawnOf, hintsOf, type Run } from "./run";

/** An answer that was given, with what it is worth. */
export interface GivenAnswer {
  readonly sittingItemId: string;
  readonly tryNumber: number;
  readonly response: ItemResponse;
  readonly scores: readonly Pick<ScoreRow, "part" | "earned" | "possible" | "misconceptionId">[];
}

/** Items that the browser holds ready for a lost connection. */
export const RESERVE_ITEMS = 4;

/** The sitting as its student's browser gets it, built field by field. */
export function sittingView(
  run: Run,
  last: GivenAnswer | null,
  serverNow: number,
): Omit<SittingView, "lessons" | "hasResults"> {
  const { work, situation, part } = run;
  return {
    ...sittingChange(run, last, serverNow, []),
    workId: work.id,
    partId: part.id,
    kind: part.kind,
    title: work.title,
    partTitle: part.title,
    hasParts: work.partCount > 1,
    whole: wholeView(run),
    read: run.conductor.isRead ? (run.sitting.state.read ?? []) : null,
    setsAside: run.conductor.setsAside,
    calculator: part.settings.calculator === true,
    // What somebody is measured by is read aloud to those alone who are to have it.
    readsAloud: run.conductor.tells.verdict || run.hearsItems,
    instructions: work.instructions,
    mostItems: mostItems(situation),
    asked: run.sitting.state.asked ?? null,
    ownSkillId: work.isOwnChoice ? (situation.skillIds[0] ?? null) : null,
    planClassId: work.planId === null ? null : work.classId,
  };
}

/** All items with what stands to each, while they may be changed. */
function wholeView(run: Run): WholeView | null {
  const { conductor, part, sitting, items } = run;
  if (!conductor.isHandedInWhole(part.settings) || sitting.finishedAt !== null) return null;
  return {
    items: items.map((item) => itemView(run, item, null)),
    standing: Object.fromEntries([...run.standing].map(([id, { flagged, screen }]) => [id, { flagged, screen }])),
  };
}

/** What an answer changed; items that the browser holds are not sent again. */
export function sittingChange(
  run: Run,
  last: GivenAnswer | null,
  serverNow: number,
  holds: readonly string[],
): SittingChange {
  const { sitting, situation, conductor, items } = run;
  const running = sitting.finishedAt === null && !conductor.isHandedInWhole(run.part.settings);
  const current = running ? items.find(({ state }) => state === "open") : undefined;
  const itemsLeft = Math.max(0, mostItems(situation) - sitting.itemsDone - 1);
  const ready = running
    ? items.filter(({ state }) => state === "reserve").slice(0, Math.min(itemsLeft, RESERVE_ITEMS))
    : [];
  return {
    serverNow,
    sittingId: sitting.id,
    progress: sitting.progressPermille / 1000,
    itemsDone: sitting.itemsDone,
    itemsRight: conductor.tells.count ? sitting.itemsRight : 0,
    finished: sitting.finishReason,
    endsAt: sitting.endsAt,
    current: current ? itemView(run, current, feedbackOnLast(run, current, last)) : null,
    reserve: ready.filter(({ id }) => !holds.includes(id)).map((item) => itemView(run, item, null)),
    reserveIds: ready.map(({ id }) => id),
  };
}

/** The lessons of the sitting's skills, in which students may read after a miss. */
export function lessonsOf({ library, shelves }: Run): SittingView["lessons"] {
  return Object.fromEntries(
    [...shelves].map(([id, { lesson, teaching }]) => [
      id,
      { name: library.skill(id).studentName, lesson, model: teaching?.model ?? null },
    ]),
  );
}

function itemView(run: Run, item: SittingItemRow, lastFeedback: Feedback | null): ItemView {
  const drawn = drawnOf(run, item);
  const hints = hintsOf(run, item);
  return {
    presentationId: item.id,
    skillId: item.skillId,
    passage: run.passages.get(run.versions.get(item.versionId)?.passageId ?? "") ?? null,
    stem: drawn.stem,
    images: drawn.images,
    table: drawn.table,
    parts: drawn.parts.map(
      ({ id, kind, prompt, drawn: part }) => ({ id, kind, prompt, shown: roomOf(kind).shown(part) }) as PartView,
    ),
    hints: hints.length,
    hintsGiven: item.state === "reserve" ? hints : hints.slice(0, item.hints),
    tries: item.tries,
    lastFeedback,
  };
}

function feedbackOnLast(run: Run, open: SittingItemRow, last: GivenAnswer | null): Feedback | null {
  if (!run.conductor.tells.verdict || !last || last.sittingItemId !== open.id) return null;
  return feedbackOn(drawnOf(run, open), run.library, { answer: last, itemOver: false });
}
