import type { ItemBody } from "@/core/items/itemBody";
import type { ItemKind } from "@/core/items/itemKind";
import type { BodyFault } from "@/core/items/lookOver";
import { PART_FORMS } from "./fields";
import type { Field } from "./fieldTypes";

const OF_THE_WHOLE: Readonly<Record<string, string>> = {
  stem: "The text of the item is missing.",
  parts: "Add a part to be answered.",
  parameters: "A range of numbers can't be read.",
  contexts: "A story can't be read.",
  images: "Say what each picture shows, for those who can't see it.",
};

const OF_A_RULE: Readonly<Record<string, string>> = {
  "slips-differ": "The same slip is named twice",
  "criteria-differ": "The same criterion stands there twice",
};

/** What a body lacks, in the words of the form. */
export function faultWords({ path, rule }: BodyFault, body: ItemBody): string {
  const match = /^parts\[(\d+)\]\.?(.*)$/.exec(path);
  if (!match) return OF_THE_WHOLE[path.split(/[.[]/)[0] ?? ""] ?? "Something is missing.";
  const [, at = "0", rest = ""] = match;
  const part = body.parts[Number(at)];
  const own = OF_A_RULE[rule];
  const where = body.parts.length > 1 ? ` in part ${Number(at) + 1}` : "";
  if (own !== undefined) return `${own}${where}.`;
  const labels = part ? labelsOf(PART_FORMS[part.kind as ItemKind].fields, rest.replace(/\[\d+\]/g, "")) : [];
  const label = labels.at(-1);
  if (label === undefined) return `Something is missing${where}.`;
  const said = labels.length > 1 ? `${labels[0]}: “${label}”` : `“${label}”`;
  return rule === "min" ? `${said} needs more entries${where}.` : `${said} is missing${where}.`;
}

/** Labels of the fields along a path such as "gaps.options.text". */
function labelsOf(fields: readonly Field[], path: string): string[] {
  const all = fields.flatMap((one) => (one.type === "more" ? one.of : [one]));
  const field = all.find(({ name }) => path === name || path.startsWith(`${name}.`));
  if (!field) return [];
  const rest = path.slice(field.name.length + 1);
  return [field.label, ...(field.type === "list" && rest !== "" ? labelsOf(field.of, rest) : [])];
}
