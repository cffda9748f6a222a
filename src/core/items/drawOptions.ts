import { compileExpression } from "../answers/compileExpression";
import { CoreError } from "../model/fail";
import type { Rational } from "../numeric/rational";
import { numberFrom } from "./drawParameters";
import { fillText } from "./fillText";
import type { DrawnOption, OptionBody, OptionsBody } from "./options";
import type { DrawSetting } from "./room";

/** An option with whether its values are of a kind that anybody could mean: none under 0, unless the body says that they count. */
type Candidate = DrawnOption & { readonly sensible: boolean };

/** All options of a draw in the order of the body, those included that say the same as an earlier one. */
export function drawOptions(body: OptionsBody, setting: DrawSetting): Candidate[] {
  return body.options.map((option) => ({
    id: option.id,
    misconceptionId: option.misconceptionId ?? null,
    ...(option.text === undefined
      ? drawFromValues(body, option, setting)
      : { text: setting.say(option.text), right: option.right === true, sensible: true }),
  }));
}

/**
 * Whether the options are written one by one.
 * @example hasOwnTexts({ options: [{ id: "a", text: "yes", right: true }, { id: "b", text: "no" }] }) // true
 */
export const hasOwnTexts = ({ options }: OptionsBody): boolean => options.every(({ text }) => text !== undefined);

function drawFromValues(body: OptionsBody, option: OptionBody, { values, words, itemId }: DrawSetting) {
  if (body.option === undefined || body.right === undefined)
    throw new CoreError("bad-item", `Nothing says how the options of ${itemId} are written.`, { at: option.id });
  const own: Record<string, Rational> = { ...values };
  const names = Object.entries(option.values ?? {});
  for (const [name, expression] of names) own[name] = numberFrom(expression, values);
  return {
    text: fillText(body.option, own, words),
    right: compileExpression(body.right)(own) === true,
    sensible: body.negatives === true || names.every(([name]) => own[name] !== undefined && own[name].compare(0) >= 0),
  };
}

/** Options in an order kept from before; as drawn when that names other ones. */
export function optionsInOrder(options: readonly DrawnOption[], ids: readonly string[]): readonly DrawnOption[] {
  const ordered = ids.flatMap((id) => options.find((option) => option.id === id) ?? []);
  return ordered.length === options.length ? ordered : options;
}

/**
 * What an option is called on the screen: by its place, so that no id tells which one is right.
 * @example optionLetter(2) // "C"
 */
export const optionLetter = (place: number): string => String.fromCharCode(65 + place);

/** The option that a letter of the screen stands for. */
export const optionAtLetter = (options: readonly DrawnOption[], letter: string): DrawnOption | undefined =>
  options.find((_, place) => optionLetter(place) === letter);

export interface ShownOptions {
  readonly options: readonly { readonly letter: string; readonly text: string }[];
}

export const shownOptions = (options: readonly DrawnOption[]): ShownOptions => ({
  options: options.map(({ text }, place) => ({ letter: optionLetter(place), text })),
});
