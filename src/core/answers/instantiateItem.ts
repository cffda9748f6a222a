import type { ChoiceItemModel, ItemModel, NumericItemModel, OptionValues } from "../model/content";
import { CoreError } from "../model/fail";
import type { Rational } from "../numeric/rational";
import { seededRandom } from "../numeric/seededRandom";
import { shuffled } from "../numeric/shuffled";
import { compileExpression } from "./compileExpression";
import { drawParameters, numberFrom, type ParameterValues } from "./drawParameters";
import { fillText } from "./fillText";
import { writeNumber } from "./writeNumber";

export interface ItemOption {
  /** "A" to "D" by place on the screen. */
  readonly id: string;
  readonly text: string;
  readonly right: boolean;
  readonly misconceptionId: string | null;
}

export interface PictureStrip {
  readonly label: string;
  readonly count: number;
  readonly per: number | null;
}

/** A concrete item as drawn from its model; `options` is empty for numeric entry. */
export interface Item {
  readonly modelId: string;
  readonly seed: number;
  readonly context: string;
  readonly kind: "numeric" | "choice";
  readonly stem: string;
  readonly hint: string;
  readonly solution: string;
  readonly picture: readonly PictureStrip[];
  /** Rows of the table in the stem; "?" marks the cell asked for. Empty without a table. */
  readonly table: readonly { readonly label: string; readonly cells: readonly string[] }[];
  readonly values: ParameterValues;
  readonly options: readonly ItemOption[];
  readonly key: Rational | null;
  readonly keyText: string;
  readonly unit: { readonly word: string; readonly required: boolean } | null;
  readonly lowestTerms: boolean;
  /** Values of wrong numeric answers that reveal a misconception. */
  readonly misconceptionValues: readonly { readonly id: string; readonly value: Rational }[];
}

const MOST_OPTIONS = 4;
const MOST_SQUARES = 40;

/**
 * The item that an item model gives for a seed (a whole number) and a context; without a context, the seed chooses one.
 * Numeric: misconception values equal to the key or to an earlier one are left out. Choice: two to four different options,
 * exactly one right by the model's own condition, in an order that the seed sets. Throws "bad-item-model" when a model
 * breaks these rules.
 */
export function instantiateItem(model: ItemModel, seed: number, wantedContext?: string): Item {
  const values = drawParameters(model, seed);
  const random = seededRandom(`${model.id}#${seed}#presentation`);
  const contexts = Object.keys(model.contexts);
  const drawnContext = contexts[Math.floor(random() * contexts.length)];
  const context = wantedContext !== undefined && wantedContext in model.contexts ? wantedContext : drawnContext;
  const words = context === undefined ? undefined : model.contexts[context];
  if (context === undefined || !words)
    throw new CoreError("bad-item-model", `${model.id} has no context.`, { model: model.id });
  const say = (text: string) => fillText(text, values, words);
  const picture = (model.picture ?? []).flatMap((row) => {
    const count = numberFrom(row.count, values).valueOf();
    const per = row.per === undefined ? null : numberFrom(row.per, values).valueOf();
    return count <= MOST_SQUARES && Number.isInteger(count) ? [{ label: say(row.label), count, per }] : [];
  });
  const common = {
    modelId: model.id,
    seed,
    context,
    stem: say(model.stem),
    hint: say(model.hint),
    solution: say(model.solution),
    // A picture with a row missing shows a comparison that is not there.
    picture: picture.length === (model.picture ?? []).length ? picture : [],
    table: (model.table ?? []).map(({ label, cells }) => ({
      label: say(label),
      cells: cells.map((cell) => (cell === "?" ? cell : writeNumber(numberFrom(cell, values), "mixed"))),
    })),
    values,
  };
  return model.kind === "numeric"
    ? { ...common, ...numericParts(model, values, say) }
    : { ...common, ...choiceParts(model, values, words, random) };
}

function numericParts(model: NumericItemModel, values: ParameterValues, say: (text: string) => string) {
  const key = numberFrom(model.answer, values);
  if (compileExpression(model.right)({ ...values, x: key }) !== true) {
    throw new CoreError("bad-item-model", `The key of ${model.id} fails its own condition.`, { key: String(key) });
  }
  const misconceptionValues: { id: string; value: Rational }[] = [];
  for (const { id, value: expression } of model.misconceptions) {
    const value = numberFrom(expression, values);
    const right = compileExpression(model.right)({ ...values, x: value }) === true;
    if (!right && value.compare(0) >= 0 && !misconceptionValues.some((known) => known.value.equals(value))) {
      misconceptionValues.push({ id, value });
    }
  }
  return {
    kind: "numeric" as const,
    options: [],
    key,
    keyText: writeNumber(key, model.answerFormat ?? "mixed"),
    unit: model.unit ? { word: say(model.unit.word), required: model.unit.required } : null,
    lowestTerms: model.form === "lowest-terms",
    misconceptionValues,
  };
}

function choiceParts(
  model: ChoiceItemModel,
  values: ParameterValues,
  words: Readonly<Record<string, string>>,
  random: () => number,
) {
  const optionFrom = (slots: OptionValues, misconceptionId: string | null) => {
    const own: Record<string, Rational> = { ...values };
    for (const [name, expression] of Object.entries(slots)) own[name] = numberFrom(expression, values);
    return {
      text: fillText(model.option, own, words),
      right: compileExpression(model.right)(own) === true,
      sensible: Object.keys(slots).every((name) => own[name] !== undefined && own[name].compare(0) >= 0),
      misconceptionId,
    };
  };
  const key = optionFrom(model.key, null);
  if (!key.right)
    throw new CoreError("bad-item-model", `The key of ${model.id} fails its own condition.`, { key: key.text });
  const chosen = [key];
  const wrong = [
    ...model.misconceptions.map(({ id, values: slots }) => optionFrom(slots, id)),
    ...(model.fillers ?? []).map((slots) => optionFrom(slots, null)),
  ];
  for (const option of wrong) {
    const fits = chosen.length < MOST_OPTIONS && option.sensible && !option.right;
    if (fits && !chosen.some((known) => known.text === option.text)) chosen.push(option);
  }
  if (chosen.length < 2) throw new CoreError("bad-item-model", `${model.id} gives no wrong option.`, { key: key.text });
  const options = shuffled(chosen, random).map(({ text, right, misconceptionId }, place) => ({
    id: String.fromCharCode(65 + place),
    text,
    right,
    misconceptionId,
  }));
  return {
    kind: "choice" as const,
    options,
    key: null,
    keyText: key.text,
    unit: null,
    lowestTerms: false,
    misconceptionValues: [],
  };
}
