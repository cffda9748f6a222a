import { writeNumber } from "@/core/answers/writeNumber";
import type { ItemResponse } from "@/core/items/checkItem";
import type { DrawnItem } from "@/core/items/drawItem";
import type { ItemKind } from "@/core/items/itemKind";
import type { DrawnOf, ResponseOf } from "@/core/items/rooms";
import { rational } from "@/core/numeric/rational";

type Slip<Kind extends ItemKind> = (drawn: DrawnOf[Kind], random: () => number) => ResponseOf[Kind];

const anyWrong = (options: readonly { readonly id: string; readonly right: boolean }[], random: () => number) => {
  const wrong = options.filter(({ right }) => !right);
  return wrong[Math.floor(random() * wrong.length)]?.id ?? "";
};

/** A wrong response without a reason behind it, for each kind of part. */
const SLIPS: { readonly [Kind in ItemKind]: Slip<Kind> } = {
  number: ({ key, unit }, random) => {
    const text = writeNumber(key.add(rational(1 + Math.floor(random() * 4))), "mixed");
    return { text: unit?.required ? `${text} ${unit.word}` : text };
  },
  "single-choice": ({ options }, random) => ({ option: anyWrong(options, random) }),
  "multiple-choice": ({ options }, random) => ({ options: [anyWrong(options, random)] }),
  "inline-choice": ({ gaps }) => ({
    choices: Object.fromEntries(
      gaps.map(({ id, options, right }) => [id, options.find((option) => option.id !== right)?.id ?? right]),
    ),
  }),
  order: ({ wanted }) => ({ order: [...wanted].reverse() }),
  matching: ({ things, partners, wanted }) => ({
    pairs: Object.fromEntries(
      things.map(({ id }) => [id, partners.find((partner) => partner.id !== wanted[id])?.id ?? ""]),
    ),
  }),
  "select-words": ({ pieces }) => ({
    chosen: pieces.flatMap(({ id, right }) => (id === null || right ? [] : [id])).slice(0, 1),
  }),
  "number-line": ({ right, places }) =>
    "point" in right
      ? { mark: { point: (right.point + 1) % places } }
      : { mark: { ...right, withLow: !right.withLow, withHigh: !right.withHigh } },
  grid: ({ task, right, across }) => {
    const [[x, y] = [0, 0]] = right;
    const off = (x + 1) % across.length;
    return {
      points:
        task === "line"
          ? [
              [x, y],
              [off, y === 0 ? 1 : y - 1],
            ]
          : [[off, y]],
    };
  },
  shading: ({ parts, right }) => ({
    shaded: Array.from({ length: right === parts ? parts - 1 : right + 1 }, (_, n) => n),
  }),
  expression: ({ keyText }) => ({ text: `${keyText} + 1` }),
  steps: ({ keyText }) => ({ lines: [`${keyText} + 1`] }),
  written: () => ({ text: "I don't know." }),
  "short-text": ({ keyText }) => ({ text: [...keyText].reverse().join("") }),
};

/** A wrong response to an item without a reason behind it. */
export const slipOn = (item: DrawnItem, random: () => number): ItemResponse =>
  Object.fromEntries(
    item.parts.map(({ id, kind, drawn }) => [id, (SLIPS[kind] as Slip<ItemKind>)(drawn as never, random)]),
  );
