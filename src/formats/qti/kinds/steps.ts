import { SLIP_KINDS } from "@/core/items/steps/body";
import { stepsRoom } from "@/core/items/steps/room";
import { heldBraces } from "../../exchange/braces";
import { responseName } from "../names";
import { promptLine } from "../writeText";
import { xml } from "../xml/xml";
import { only, type QtiRoom, Unreadable } from "./qtiRoom";

/** Lines of work, as several texts in order: elsewhere only the one way that is written here is right, here any true one. */
export const steps: QtiRoom<"steps"> = {
  isNarrower: () => true,
  write: (part, drawn, { id, prompt }) => {
    const name = responseName(id);
    const { lines } = stepsRoom.rightResponse(drawn);
    return {
      content: [
        ...promptLine(prompt),
        xml("p", { class: "oxbow-first-line" }, drawn.start),
        xml("qti-extended-text-interaction", {
          "response-identifier": name,
          "max-strings": String(lines.length),
          "expected-lines": String(lines.length),
          "data-first-line": drawn.start,
          "data-slips":
            part.misconceptions.map((known) => `${known.slip}:${encodeURIComponent(known.id)}`).join(" ") || undefined,
        }),
      ],
      responses: [
        {
          name,
          cardinality: "ordered",
          baseType: "string",
          correct: lines,
          judging: { how: "match" },
          mistakeIs: "whole",
          mistakes: stepsRoom.mistakes(drawn).map(({ misconceptionId, response }) => ({
            misconceptionId,
            values: response.lines,
          })),
        },
      ],
    };
  },
  read: (found) => {
    const { attributes } = only(found);
    const start = attributes["data-first-line"] ?? "";
    if (start === "") throw new Unreadable("no-key");
    const misconceptions = (attributes["data-slips"] ?? "").split(" ").flatMap((pair) => {
      const [kind, id] = pair.split(":");
      const slip = SLIP_KINDS.find((known) => known === kind);
      return slip && id ? [{ slip, id: decoded(id) }] : [];
    });
    return { kind: "steps", start: heldBraces(start), misconceptions };
  },
};

function decoded(id: string): string {
  try {
    return decodeURIComponent(id);
  } catch {
    // Written by somebody else: taken as it stands.
    return id;
  }
}
