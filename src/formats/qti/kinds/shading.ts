import { writeNumber } from "@/core/answers/writeNumber";
import { rational } from "@/core/numeric/rational";
import { literalValue, numberLiteral } from "../../exchange/literals";
import { qtiName, responseName } from "../names";
import { partEdges, partsPicture, partsSize } from "../pictures/partsPicture";
import { prompt } from "../writeText";
import { named, xml } from "../xml/xml";
import { only, type QtiRoom, Unreadable } from "./qtiRoom";

/** Equal parts of a picture, right by how many are chosen. */
export const shading: QtiRoom<"shading"> = {
  write: (part, drawn, frame) => {
    const name = responseName(frame.id);
    const picture = `pictures/${frame.itemName}-${qtiName(frame.id)}.svg`;
    const [width, height] = partsSize(drawn.parts, drawn.columns);
    const partNames = Array.from({ length: drawn.parts }, (_, place) => `part-${place + 1}`);
    const share = (expression: string, count: number) => {
      const wanted = rational(count, drawn.parts);
      return literalValue(expression)?.equals(wanted) ? expression : writeNumber(wanted, "fraction");
    };
    return {
      content: [
        xml(
          "qti-hotspot-interaction",
          {
            "response-identifier": name,
            "max-choices": "0",
            "data-columns": part.columns === undefined ? undefined : String(drawn.columns),
            "data-share": share(part.right, drawn.right),
          },
          ...prompt(frame.prompt),
          xml("img", { src: `../${picture}`, alt: `${drawn.parts}`, width: String(width), height: String(height) }),
          ...partNames.map((identifier, place) =>
            xml("qti-hotspot-choice", { identifier, shape: "rect", coords: partEdges(place, drawn.columns).join(",") }),
          ),
        ),
      ],
      responses: [
        {
          name,
          cardinality: "multiple",
          baseType: "identifier",
          correct: partNames.slice(0, drawn.right),
          judging: { how: "count", count: drawn.right },
          mistakeIs: "count",
          mistakes: drawn.misconceptionCounts.map(({ id, count }) => ({
            misconceptionId: id,
            values: [String(count)],
          })),
        },
      ],
      picture: { name: picture, svg: partsPicture(drawn.parts, drawn.columns) },
    };
  },
  read: (found) => {
    const interaction = only(found);
    const { attributes } = interaction;
    const parts = named(interaction, "qti-hotspot-choice").length;
    const right = numberLiteral(attributes["data-share"] ?? "");
    // Spots of another picture are no equal parts.
    if (right === null || parts === 0) throw new Unreadable("kind-not-known", interaction.name);
    const columns = numberLiteral(attributes["data-columns"] ?? "");
    return {
      kind: "shading",
      parts: String(parts),
      ...(columns === null ? {} : { columns }),
      right,
      misconceptions: found.responseTo(interaction).mistakes.map(({ misconceptionId, values: [count = ""] }) => ({
        id: misconceptionId,
        value: writeNumber(rational(Number.parseInt(count, 10) || 0, parts), "fraction"),
      })),
    };
  },
};
