import type { DrawnItem } from "./drawItem";
import { fillText } from "./fillText";
import type { ItemVersion } from "./itemBody";
import type { PartRemark } from "./partRemark";
import { roomOf } from "./rooms";

/** What an author should know of each part of an item as it was drawn. */
export function remarksOf(
  { body, itemId }: ItemVersion,
  item: DrawnItem,
): readonly (PartRemark & { readonly partId: string })[] {
  const words = body.contexts[item.context] ?? {};
  const setting = {
    values: item.values,
    words,
    say: (text: string) => fillText(text, item.values, words),
    // Remarks are about what was drawn, whatever the order in which it is shown.
    random: () => 0,
    itemId,
  };
  return item.parts.flatMap(({ id, kind, drawn }) => {
    const part = body.parts.find((one) => one.id === id);
    return part
      ? roomOf(kind)
          .remarks(part, setting, drawn)
          .map((remark) => ({ ...remark, partId: id }))
      : [];
  });
}
