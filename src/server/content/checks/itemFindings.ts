import "server-only";
import { checkItem } from "@/core/items/checkItem";
import { type DrawnItem, drawItem } from "@/core/items/drawItem";
import type { ItemBody } from "@/core/items/itemBody";
import { misconceptionsIn } from "@/core/items/mapMisconceptions";
import { optionTexts } from "@/core/items/optionTexts";
import { responseWords } from "@/core/items/responseWords";
import { rightResponse, tellingMistakes } from "@/core/items/telling";
import { CoreError } from "@/core/model/fail";
import { AUTHOR_WORDS } from "../authored/parts";
import type { SkillItem } from "../authored/skill";

/** Draws that are looked at of each item; of one whose numbers never change a few, for the order of its options. */
const SEEDS = 200;
const SEEDS_OF_FIXED = 4;
/** Of the draws that claim to show a misconception, so many have to. */
const RECOGNISED = 0.95;
/** No number on a student's screen is larger, and no fraction has a larger denominator. */
const LARGEST_NUMBER = 10_000_000;
const LARGEST_DENOMINATOR = 200;
/** Draws that look different, at least, where numbers change. */
const FEWEST_FACES = 12;

/** What is wrong with an item over its draws, in words for its author; empty when nothing is. */
export function itemFindings({ id, body, sometimes }: SkillItem): string[] {
  const version = { id: `${id}@1`, itemId: id, body };
  const items: DrawnItem[] = [];
  const seeds = Object.keys(body.parameters).length === 0 ? SEEDS_OF_FIXED : SEEDS;
  for (let seed = 0; seed < seeds; seed++)
    try {
      items.push(drawItem(version, seed));
    } catch (error) {
      const at = error instanceof CoreError ? JSON.stringify(error.values) : "";
      return [`draw ${seed} fails: ${error instanceof Error ? error.message : String(error)} ${at}`];
    }
  return [
    ...storyFindings(version),
    ...textFindings(items),
    ...keyFindings(items),
    ...optionFindings(items, body),
    ...misconceptionFindings(items, body, sometimes),
    ...faceFindings(items, body),
  ];
}

function storyFindings(version: { readonly id: string; readonly itemId: string; readonly body: ItemBody }): string[] {
  return Object.keys(version.body.contexts).flatMap((context) => {
    try {
      drawItem(version, 1, context);
      return [];
    } catch (error) {
      return [`the story “${context}” fails: ${error instanceof Error ? error.message : String(error)}`];
    }
  });
}

const textsOf = (item: DrawnItem): string[] => [
  item.stem,
  item.hint,
  item.solution,
  ...item.parts.flatMap(({ keyText, prompt }) => [keyText, prompt ?? ""]),
  ...optionTexts(item),
  ...item.picture.map(({ label }) => label),
  ...item.table.flatMap(({ label, cells }) => [label, ...cells]),
];

function textFindings(items: readonly DrawnItem[]): string[] {
  const found = new Set<string>();
  for (const item of items)
    for (const text of textsOf(item)) {
      if (/[{}]|NaN|undefined/.test(text.replace(/\\\(.*?\\\)/g, ""))) found.add(`an empty slot: ${text}`);
      for (const [, whole, , bottom] of text.matchAll(/(?<![\d.])(\d+)(?:(\/)(\d+))?(?!\d|\.\d)/g)) {
        if (Number(whole) > LARGEST_NUMBER) found.add(`a very large number: ${text}`);
        if (bottom !== undefined && Number(bottom) > LARGEST_DENOMINATOR) found.add(`an ugly fraction: ${text}`);
      }
    }
  return [...found].slice(0, 3);
}

function keyFindings(items: readonly DrawnItem[]): string[] {
  const wrong = items.find((item) => {
    const verdict = checkItem(item, rightResponse(item));
    return !verdict.readable || !verdict.right;
  });
  return wrong
    ? [`the key is not accepted: ${wrong.stem} → ${wrong.parts.map(({ keyText }) => keyText).join("; ")}`]
    : [];
}

function optionFindings(items: readonly DrawnItem[], body: ItemBody): string[] {
  const [part] = body.parts;
  if (part?.kind !== AUTHOR_WORDS.choose?.kind) return [];
  const few = items.filter((item) => new Set(optionTexts(item)).size < 3);
  return few.length > 0 ? [`fewer than three options in ${few.length} draws: ${few[0]?.stem}`] : [];
}

/** Somebody who always thinks so answers as the item says; the answer has to tell it again. */
function misconceptionFindings(items: readonly DrawnItem[], body: ItemBody, sometimes: readonly string[]): string[] {
  const shown = new Map<string, number>();
  for (const item of items) {
    const told = new Set<string>();
    for (const { misconceptionId, response } of tellingMistakes(item)) {
      const verdict = checkItem(item, response);
      if (!verdict.readable) return [`a mistake can't be read: ${responseWords(item, response)} (${item.stem})`];
      if (verdict.right) return [`${misconceptionId} gives the right answer: ${item.stem}`];
      if (verdict.parts.some(({ misconceptionIds }) => misconceptionIds.includes(misconceptionId)))
        told.add(misconceptionId);
    }
    for (const id of told) shown.set(id, (shown.get(id) ?? 0) + 1);
  }
  // What an item names and no draw shows is as wrong as what shows too seldom.
  return misconceptionsIn(body).flatMap((id) => {
    const count = shown.get(id) ?? 0;
    return count >= RECOGNISED * items.length || sometimes.includes(id)
      ? []
      : [`${id} shows in ${count} of ${items.length} draws only`];
  });
}

function faceFindings(items: readonly DrawnItem[], body: ItemBody): string[] {
  if (Object.keys(body.parameters).length === 0) return [];
  const faces = new Set(items.map((item) => textsOf(item).slice(0, 5).join("|") + JSON.stringify(item.table)));
  return faces.size < FEWEST_FACES ? [`only ${faces.size} different draws`] : [];
}
