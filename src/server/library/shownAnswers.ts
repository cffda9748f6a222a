import "server-only";
import { askedText } from "@/core/items/askedText";
import type { DrawnItem } from "@/core/items/drawItem";
import { responseWords } from "@/core/items/responseWords";
import { type AnswerRow, scoresOfAnswers } from "@/db/queries/answerLog";
import type { Runtime } from "@/server/runtime/runtime";
import { drawerOf } from "./drawnItems";

/** An answer of the log as people read it. */
export interface ShownAnswer {
  readonly row: AnswerRow;
  /** Null when the library does not hold the item any more. */
  readonly item: DrawnItem | null;
  readonly stem: string;
  readonly given: string;
  /** The right answer. */
  readonly key: string;
  /** Exactly what it earned of what was possible, over its scores in force. */
  readonly earned: number;
  readonly possible: number;
  readonly right: boolean;
  readonly misconceptionId: string | null;
}

/** Answers as people read them: what was asked, what was given, and what it is worth by the scores in force. */
export async function shownAnswers(
  runtime: Runtime,
  rows: readonly AnswerRow[],
  /** Only scores in this skill count. */
  skillId: string,
): Promise<ShownAnswer[]> {
  const [drawer, all] = await Promise.all([
    drawerOf(
      runtime,
      rows.map(({ versionId }) => versionId),
    ),
    scoresOfAnswers(
      runtime.db.read,
      rows.map(({ serial }) => serial),
    ),
  ]);
  return rows.map((row) => {
    const item = drawer.drawIfKnown(row);
    const scores = all.filter((score) => score.answerSerial === row.serial && score.skillId === skillId);
    return {
      row,
      item,
      stem: item ? askedText(item) : "This item is not in the library any more.",
      given: item ? responseWords(item, row.response).join("; ") : "",
      key: item?.parts.map(({ keyText }) => keyText).join("; ") ?? "",
      earned: scores.reduce((sum, { earned }) => sum + earned, 0),
      possible: scores.reduce((sum, { possible }) => sum + possible, 0),
      right: scores.every(({ earned, possible }) => earned === possible),
      misconceptionId: scores.find((score) => score.misconceptionId !== null)?.misconceptionId ?? null,
    };
  });
}
