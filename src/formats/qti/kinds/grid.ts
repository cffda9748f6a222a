import { writeNumber } from "@/core/answers/writeNumber";
import type { AxisBody, Crossing, PointBody } from "@/core/items/grid/body";
import { rational } from "@/core/numeric/rational";
import { isDecimal, literalValue, numberLiteral } from "../../exchange/literals";
import { qtiName, responseName } from "../names";
import { APART, gridPicture, MARGIN } from "../pictures/gridPicture";
import { prompt } from "../writeText";
import { xml } from "../xml/xml";
import { rightValues } from "./choice";
import { only, type QtiRoom, Unreadable } from "./qtiRoom";

/** Points on the crossings of a picture; the numbers of the axes go with the interaction. */
export const grid: QtiRoom<"grid"> = {
  write: (part, drawn, frame) => {
    const name = responseName(frame.id);
    const height = drawn.up.length;
    const pixel = ([x, y]: Crossing) => `${MARGIN + APART * x} ${MARGIN + APART * (height - 1 - y)}`;
    const picture = `pictures/${frame.itemName}-${qtiName(frame.id)}.svg`;
    const most = drawn.task === "line" ? 2 : drawn.right.length;
    return {
      content: [
        xml(
          "qti-select-point-interaction",
          {
            "response-identifier": name,
            "max-choices": String(most),
            "data-task": drawn.task,
            "data-across": axisText(part.across, drawn.across),
            "data-up": axisText(part.up, drawn.up),
          },
          ...prompt(frame.prompt),
          xml("img", {
            src: `../${picture}`,
            alt: `${drawn.across[0]} – ${drawn.across.at(-1)}, ${drawn.up[0]} – ${drawn.up.at(-1)}`,
            width: String(2 * MARGIN + APART * (drawn.across.length - 1)),
            height: String(2 * MARGIN + APART * (height - 1)),
          }),
        ),
      ],
      responses: [
        {
          name,
          cardinality: "multiple",
          baseType: "point",
          correct: drawn.right.map(pixel),
          judging: {
            how: "areas",
            points: (drawn.task === "line" ? onLine(drawn.right, drawn.across.length, height) : drawn.right).map(pixel),
            radius: APART / 2 - 2,
            share: 1 / most,
          },
          mistakeIs: "whole",
          mistakes: drawn.misconceptionPoints.map(({ id, points }) => ({
            misconceptionId: id,
            values: points.map(pixel),
          })),
        },
      ],
      picture: { name: picture, svg: gridPicture(drawn.across, drawn.up) },
    };
  },
  read: (found) => {
    const interaction = only(found);
    const { attributes } = interaction;
    const task = attributes["data-task"];
    // A picture of one's own says nothing of what lies where on it.
    if (task !== "points" && task !== "line") throw new Unreadable("kind-not-known", interaction.name);
    const [across, up] = [axisOf(attributes["data-across"]), axisOf(attributes["data-up"])];
    const response = found.responseTo(interaction);
    const pointOf = (text: string): PointBody => {
      const [x = Number.NaN, y = Number.NaN] = text.split(/\s+/).map(Number);
      const [column, row] = [(x - MARGIN) / APART, up.lines - 1 - (y - MARGIN) / APART];
      if (!Number.isInteger(column) || !Number.isInteger(row)) throw new Unreadable("key-not-an-option", text);
      return { x: across.at(column), y: up.at(row) };
    };
    const right = rightValues(response);
    if (right.length === 0) throw new Unreadable("no-key");
    return {
      kind: "grid",
      across: across.body,
      up: up.body,
      task,
      right: right.map(pointOf),
      misconceptions: response.mistakes.map(({ misconceptionId, values }) => ({
        id: misconceptionId,
        points: values.map(pointOf),
      })),
    };
  },
};

const axisText = ({ from, to, step }: AxisBody, lines: readonly string[]): string => {
  const texts = [from, to, step].map((text) => numberLiteral(text) ?? "");
  if (!texts.includes("")) return texts.join(" ");
  const [first = "0", second = "1"] = lines;
  const [low, next] = [literalValue(first) ?? rational(0), literalValue(second) ?? rational(1)];
  return [first, lines.at(-1) ?? second, writeNumber(next.sub(low), "fraction")].join(" ");
};

function axisOf(text: string | undefined) {
  const [from, to, step] = (text ?? "")
    .split(" ")
    .map((one) => ({ text: numberLiteral(one), value: literalValue(one) }));
  if (!from?.value || !to?.value || !step?.value || step.value.compare(0) <= 0)
    throw new Unreadable("option-missing", text);
  const { value: low } = from;
  const { value: apart } = step;
  return {
    body: { from: from.text ?? "", to: to.text ?? "", step: step.text ?? "" },
    lines: Math.floor(to.value.sub(low).div(apart).valueOf()) + 1,
    at: (line: number): string => {
      const value = low.add(apart.mul(rational(line)));
      return writeNumber(value, isDecimal(value) ? "decimal" : "fraction");
    },
  };
}

/** Every crossing of the line through two. */
function onLine(points: readonly Crossing[], columns: number, rows: number): Crossing[] {
  const [[ax, ay], [bx, by]] = points as readonly [Crossing, Crossing];
  const all = Array.from(
    { length: columns * rows },
    (_, place): Crossing => [place % columns, Math.floor(place / columns)],
  );
  return all.filter(([x, y]) => (bx - ax) * (y - ay) === (by - ay) * (x - ax));
}
