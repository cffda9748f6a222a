import { withFormulas } from "../model/formula";
import type { ItemBody } from "./itemBody";
import { roomOf } from "./rooms";

/** Every text of an item that people read, slots as they stand. */
export function itemTexts(body: ItemBody): string[] {
  return [
    body.stem,
    ...Object.values(body.contexts).flatMap((words) => Object.values(words)),
    ...(body.images ?? []).map(({ alt }) => alt),
    ...(body.table ?? []).map(({ label }) => label),
    ...body.parts.flatMap((part) => [
      ...(part.prompt === undefined ? [] : [part.prompt]),
      ...roomOf(part.kind).texts(part),
    ]),
    body.hint,
    body.solution,
  ];
}

/**
 * What an item is found by: its texts without slots, in one line.
 * @example searchText({ parameters: {}, stem: "How many {things}?", contexts: { sea: { things: "boats" } }, difficultyOffset: "0", hint: "", solution: "Count.", parts: [] }) // "How many ? boats Count."
 */
export const searchText = (body: ItemBody): string =>
  itemTexts(body)
    .map((text) =>
      withFormulas(
        text,
        (words) => words.replace(/\{[^{}]*\}/g, " "),
        () => "",
      ).replace(/\\\(\\\)/g, " "),
    )
    .join(" ")
    .replace(/\s+/g, " ")
    .trim();
