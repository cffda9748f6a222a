import type { AlgebraForm } from "@/core/answers/algebra/writtenForm";
import type { ShortTextBody } from "@/core/items/shortText/body";
import { heldBraces } from "../../exchange/braces";
import { responseName } from "../names";
import { promptLine } from "../writeText";
import { type Xml, xml } from "../xml/xml";
import { only, type QtiRoom, Unreadable } from "./qtiRoom";

const FORMS: readonly AlgebraForm[] = ["any", "solved", "collected"];

const box = (name: string, prompt: string | null, data: Readonly<Record<string, string | undefined>>): Xml[] => [
  ...promptLine(prompt),
  xml("p", {}, xml("qti-text-entry-interaction", { "response-identifier": name, "expected-length": "20", ...data })),
];

/** A word or a phrase: every writing that counts is an entry of the mapping; what is told apart beyond that is said beside. */
export const shortText: QtiRoom<"short-text"> = {
  isNarrower: ({ ignoreSpacing, ignoreAccents, ignorePunctuation, spelling }) =>
    ignoreSpacing || ignoreAccents || ignorePunctuation || spelling === "lenient",
  write: (part, drawn, { id, prompt }) => {
    const name = responseName(id);
    const { rule } = drawn;
    const mistakes = new Set(drawn.misconceptionTexts.map(({ text }) => text));
    const refused = (rule.notAccepted ?? []).filter((text) => !mistakes.has(text));
    const share = (value: string, worth: number) => ({ value, share: worth, caseSensitive: !part.ignoreCase });
    return {
      content: box(name, prompt, {
        "data-ignore-spacing": String(part.ignoreSpacing),
        "data-ignore-accents": String(part.ignoreAccents),
        "data-ignore-punctuation": String(part.ignorePunctuation),
        "data-spelling": part.spelling,
        "data-refuses": part.notAccepted ? String(refused.length) : undefined,
      }),
      responses: [
        {
          name,
          cardinality: "single",
          baseType: "string",
          correct: [drawn.keyText],
          judging: {
            how: "map",
            shares: [...rule.accepted.map((text) => share(text, 1)), ...refused.map((text) => share(text, 0))],
            others: 0,
          },
          mistakeIs: "whole",
          mistakes: drawn.misconceptionTexts.map(({ id: misconceptionId, text }) => ({
            misconceptionId,
            values: [text],
          })),
        },
      ],
    };
  },
  read: (found) => {
    const interaction = only(found);
    const { correct, mapping, mistakes } = found.responseTo(interaction);
    const { attributes } = interaction;
    const accepted = [...new Set([...correct, ...mapping.filter(({ value }) => value > 0).map(({ key }) => key)])]
      .map(heldBraces)
      .filter((text) => text !== "");
    const [first, ...others] = accepted;
    if (first === undefined) throw new Unreadable("no-key");
    const refused = mapping.filter(({ value }) => value <= 0).map(({ key }) => heldBraces(key));
    const says = (name: string, usual: boolean) =>
      attributes[name] === undefined ? usual : attributes[name] === "true";
    const body: ShortTextBody = {
      accepted: [first, ...others],
      ...(attributes["data-refuses"] !== undefined || refused.length > 0 ? { notAccepted: refused } : {}),
      misconceptions: mistakes.map(({ misconceptionId, values: [text = ""] }) => ({
        id: misconceptionId,
        text: heldBraces(text),
      })),
      ignoreCase: mapping.length > 0 && mapping.every(({ caseSensitive }) => !caseSensitive),
      ignoreSpacing: says("data-ignore-spacing", true),
      ignoreAccents: says("data-ignore-accents", false),
      ignorePunctuation: says("data-ignore-punctuation", false),
      spelling: attributes["data-spelling"] === "lenient" ? "lenient" : "exact",
    };
    return { kind: "short-text", ...body };
  },
};

/** An expression: elsewhere only its own writing is right, here any that means the same. */
export const expression: QtiRoom<"expression"> = {
  isNarrower: () => true,
  write: (part, drawn, { id, prompt }) => {
    const name = responseName(id);
    return {
      content: box(name, prompt, { "data-form": part.form }),
      responses: [
        {
          name,
          cardinality: "single",
          baseType: "string",
          correct: [drawn.keyText],
          judging: { how: "match" },
          mistakeIs: "whole",
          mistakes: drawn.misconceptionTexts.map(({ id: misconceptionId, text }) => ({
            misconceptionId,
            values: [text],
          })),
        },
      ],
    };
  },
  read: (found) => {
    const interaction = only(found);
    const { correct, mistakes } = found.responseTo(interaction);
    const [answer] = correct;
    if (answer === undefined || answer === "") throw new Unreadable("no-key");
    return {
      kind: "expression",
      answer: heldBraces(answer),
      form: FORMS.find((known) => known === interaction.attributes["data-form"]) ?? "any",
      misconceptions: mistakes.map(({ misconceptionId, values: [text = ""] }) => ({
        id: misconceptionId,
        text: heldBraces(text),
      })),
    };
  },
};
