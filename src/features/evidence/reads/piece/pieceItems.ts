import "server-only";
import { groupBy } from "@/core/collections/groupBy";
import { type ItemAnalysis, type ItemFlag, itemAnalysis } from "@/core/measurement/itemAnalysis";
import { openersOf } from "@/core/measurement/openersOf";
import { wilson } from "@/core/measurement/wilson";
import { ITEM_USE_AT } from "@/core/model/itemUse";
import type { Score } from "@/core/model/score";
import { median } from "@/core/numeric/median";
import type { Library } from "@/server/library/library";
import type { PieceItem, WrongAnswer } from "../../pieceTypes";
import type { FirstTry, PieceData } from "./pieceData";

const LEVEL = 0.95;
/** Flags by share alone need this many answers: one of two right says nothing of an item. */
const LEAST_FOR_FLAGS = 5;

export interface ItemsOfPiece {
  readonly items: readonly PieceItem[];
  readonly openers: readonly string[];
  /** Classical analysis; null where the items differ from student to student. */
  readonly analysis: ItemAnalysis | null;
}

/** The items of a piece of work over all who had them, in the order of showing, with what the whole says of each. */
export function itemsOfPiece({ tries, isPlaced, leftOut }: PieceData, library: Library): ItemsOfPiece {
  const groups = [...groupBy(tries, ({ key }) => key)].sort(([, x], [, y]) => placeOf(x) - placeOf(y));
  const analysed = isPlaced
    ? analyse(
        groups.filter(([key]) => !leftOut.has(key)),
        tries,
      )
    : null;
  const items = groups.map(([key, own], place): PieceItem => {
    const counted = own.filter(({ counts }) => counts);
    const right = counted.filter((one) => one.right);
    const missed = counted.filter((one) => !one.right);
    const seconds = counted.flatMap(({ milliseconds }) => (milliseconds === null ? [] : [milliseconds / 1000]));
    const [first] = own as [FirstTry];
    const statistic = analysed?.of.get(key);
    return {
      key,
      place: place + 1,
      stem: first.stem,
      answer: isPlaced ? first.answer : "",
      skillId: first.skillId,
      skill: library.skillIfKnown(first.skillId)?.name ?? "",
      right: wilson(right.length, counted.length, LEVEL),
      rightIds: right.map(({ personId }) => personId),
      missedIds: [...new Set(missed.map(({ personId }) => personId))],
      wrong: wrongAnswers(missed, library, isPlaced),
      blank: missed.filter(({ given }) => given === "").length,
      medianSeconds: seconds.length === 0 ? null : median(seconds),
      analysis: statistic
        ? {
            itemRest: statistic.itemRest,
            upperLower: statistic.upperLower,
            alphaIfDropped: statistic.alphaIfDropped,
          }
        : null,
      flags: flagsOf(statistic?.flags, right.length, counted.length),
      leftOut: leftOut.has(key),
    };
  });
  return { items, openers: openers(items), analysis: analysed?.whole ?? null };
}

/** Where it stood on average: adaptive work shows an item at many places. */
const placeOf = (own: readonly FirstTry[]): number => own.reduce((sum, { place }) => sum + place, 0) / own.length;

/** Shares alone flag what has enough answers; the rest of the flags come from the analysis. */
function flagsOf(flags: readonly ItemFlag[] | undefined, right: number, n: number): readonly ItemFlag[] {
  if (flags) return n < LEAST_FOR_FLAGS ? [] : flags;
  if (n < LEAST_FOR_FLAGS) return [];
  if (right / n < ITEM_USE_AT.hardBelow) return ["too-hard"];
  return right / n > ITEM_USE_AT.easyAbove ? ["too-easy"] : [];
}

/** What was given instead, the most common first; with numbers of their own, by the mistake that it shows. */
function wrongAnswers(missed: readonly FirstTry[], library: Library, isPlaced: boolean): WrongAnswer[] {
  const told = missed.filter(({ given }) => given !== "");
  const keyOf = ({ given, misconceptionId }: FirstTry) => (isPlaced ? given : (misconceptionId ?? ""));
  return [...groupBy(told, keyOf)]
    .map(([, own]): WrongAnswer => {
      const misconceptionId = own.find((one) => one.misconceptionId !== null)?.misconceptionId ?? null;
      const misconception = misconceptionId ? library.misconceptionName(misconceptionId) || null : null;
      return {
        text: isPlaced ? (own[0]?.given ?? "") : (misconception ?? "another wrong answer"),
        misconceptionId,
        misconception,
        studentIds: [...new Set(own.map(({ personId }) => personId))],
      };
    })
    .sort((x, y) => y.studentIds.length - x.studentIds.length || x.text.localeCompare(y.text));
}

function openers(items: readonly PieceItem[]): string[] {
  return openersOf(
    items
      .filter(({ leftOut }) => !leftOut)
      .map(({ key, right, missedIds, analysis, wrong }) => ({
        id: key,
        given: right.n,
        missed: missedIds.length,
        discrimination: analysis?.itemRest ?? null,
        misconceptionIds: wrong.flatMap(({ misconceptionId }) => misconceptionId ?? []),
      })),
  ).map(({ id }) => id);
}

/** Classical analysis of items that stand for all: one row a student; of another form or not counted is not given. */
function analyse(groups: readonly (readonly [string, readonly FirstTry[]])[], tries: readonly FirstTry[]) {
  const students = [...new Set(tries.filter(({ counts }) => counts).map(({ personId }) => personId))];
  const byStudent = new Map(students.map((id) => [id, tries.filter(({ personId }) => personId === id)]));
  const cell = <Value>(value: (one: FirstTry) => Value, none: Value) =>
    students.map((id) =>
      groups.map(([key]) => {
        const one = byStudent.get(id)?.find((row) => row.key === key && row.counts);
        return one ? value(one) : none;
      }),
    );
  const whole = itemAnalysis(
    cell<Score>(({ right }) => (right ? 1 : 0), null),
    {
      options: {
        chosen: cell<string | null>(({ right, answer, given }) => (right ? answer : given || null), null),
        keys: groups.map(([, own]) => own[0]?.answer ?? ""),
      },
      seconds: cell<number | null>(({ milliseconds }) => (milliseconds === null ? null : milliseconds / 1000), null),
    },
  );
  if ("noEstimate" in whole) return null;
  return { whole, of: new Map(groups.map(([key], place) => [key, whole.items[place] ?? null] as const)) };
}
