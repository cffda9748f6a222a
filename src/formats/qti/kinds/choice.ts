import type { DrawnOption, OptionsBody } from "@/core/items/options";
import { ownId, qtiName, responseName } from "../names";
import type { FoundResponse } from "../readProcessing";
import type { Judging } from "../response";
import { prompt, words } from "../writeText";
import { childrenOf, named, xml } from "../xml/xml";
import { type FoundPart, only, type QtiRoom, Unreadable, type WriteFrame, type WrittenPart } from "./qtiRoom";

const optionsOf = (body: OptionsBody, drawn: readonly DrawnOption[]): DrawnOption[] =>
  // As its author has them: programs put them in an order of their own.
  body.options.flatMap(({ id }) => drawn.find((option) => option.id === id) ?? []);

function write(options: readonly DrawnOption[], most: 0 | 1, judging: Judging, frame: WriteFrame): WrittenPart {
  const name = responseName(frame.id);
  return {
    content: [
      xml(
        "qti-choice-interaction",
        { "response-identifier": name, "max-choices": String(most), shuffle: "true" },
        ...prompt(frame.prompt),
        ...options.map(({ id, text }) => xml("qti-simple-choice", { identifier: qtiName(id) }, ...words(text))),
      ),
    ],
    responses: [
      {
        name,
        cardinality: most === 1 ? "single" : "multiple",
        baseType: "identifier",
        correct: options.filter(({ right }) => right).map(({ id }) => qtiName(id)),
        judging,
        mistakeIs: most === 1 ? "whole" : "member",
        mistakes: options.flatMap(({ id, misconceptionId }) =>
          misconceptionId === null ? [] : [{ misconceptionId, values: [qtiName(id)] }],
        ),
      },
    ],
  };
}

/** The values that earn something, as a file may say it either way. */
export function rightValues({ correct, mapping }: FoundResponse): string[] {
  if (correct.length > 0) return [...correct];
  return mapping.filter(({ value }) => value > 0).map(({ key }) => key);
}

function read(found: FoundPart): OptionsBody {
  const interaction = only(found);
  const response = found.responseTo(interaction);
  const right = rightValues(response);
  const choices = named(interaction, "qti-simple-choice");
  if (right.length === 0) throw new Unreadable("no-key");
  if (!right.every((name) => choices.some(({ attributes }) => attributes.identifier === name)))
    throw new Unreadable("key-not-an-option", right.join(", "));
  return {
    options: choices.map((choice) => {
      const name = choice.attributes.identifier ?? "";
      const mistake = response.mistakes.find(({ values }) => values[0] === name);
      for (const feedback of childrenOf(choice, "qti-feedback-inline"))
        found.note("feedback-left-out", undefined, feedback.line);
      return {
        id: ownId(name),
        text: found.words(choice),
        ...(right.includes(name) ? { right: true } : {}),
        ...(mistake ? { misconceptionId: mistake.misconceptionId } : {}),
      };
    }),
  };
}

export const singleChoice: QtiRoom<"single-choice"> = {
  write: (part, drawn, frame) => write(optionsOf(part, drawn.options), 1, { how: "match" }, frame),
  read: (found) => {
    const body = read(found);
    if (body.options.filter(({ right }) => right).length > 1) throw new Unreadable("several-keys");
    return { kind: "single-choice", ...body };
  },
};

export const multipleChoice: QtiRoom<"multiple-choice"> = {
  write: (part, drawn, frame) => {
    const options = optionsOf(part, drawn.options);
    const wanted = options.filter(({ right }) => right);
    const share = 1 / wanted.length;
    const shares = wanted.map(({ id }) => ({ value: qtiName(id), share }));
    return write(options, 0, { how: "map", shares, others: -share }, frame);
  },
  read: (found) => ({ kind: "multiple-choice", ...read(found) }),
};
