import type { ItemRoom } from "../room";
import { typedText } from "../typedText";
import type { DrawnWritten, ShownWritten, WrittenBody, WrittenResponse } from "./body";
import { check } from "./check";
import { draw } from "./draw";
import { responseWords } from "./responseWords";

export const writtenRoom: ItemRoom<WrittenBody, DrawnWritten, ShownWritten, WrittenResponse> = {
  draw,
  ...typedText,
  shown: ({ length, criteria, showCriteria }) => ({
    length,
    criteria: showCriteria ? criteria.map(({ name, levels }) => ({ name, levels })) : [],
  }),
  check,
  responseWords,
  rubric: ({ criteria }) => criteria,
  texts: ({ criteria, sample }) => [...criteria.flatMap(({ name, levels }) => [name, ...levels]), sample],
  remarks: () => [],
  rightResponse: ({ keyText }) => ({ text: keyText }),
  // What a text shows is for its reader to say.
  mistakes: () => [],
};
