import { drawOptions } from "./drawOptions";
import type { OptionsBody } from "./options";
import type { PartRemark } from "./partRemark";
import type { DrawSetting } from "./room";

/** What is to be said of the options of a choice as these values make them. */
export function choiceRemarks(body: OptionsBody, setting: DrawSetting): PartRemark[] {
  const options = drawOptions(body, setting);
  return options.flatMap(({ text, right, sensible, misconceptionId }, place): PartRemark[] => {
    const isRepeated = options.slice(0, place).some((earlier) => earlier.text === text);
    return [
      ...(isRepeated ? [{ code: "options-alike", at: text } as const] : []),
      ...(right && misconceptionId !== null ? [{ code: "mistake-is-right", at: text } as const] : []),
      ...(sensible ? [] : [{ code: "below-nought", at: text } as const]),
    ];
  });
}

/** Texts of options that people read; slots as they stand. */
export const optionTextsOf = ({ option, options }: OptionsBody): string[] => [
  ...(option === undefined ? [] : [option]),
  ...options.flatMap(({ text }) => text ?? []),
];
