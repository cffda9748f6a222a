import { MathText } from "@/ui/primitives/MathText";
import { NumberTable } from "@/ui/primitives/NumberTable";
import { PassageText } from "@/ui/primitives/PassageText";
import { Pictures } from "@/ui/primitives/Pictures";
import type { ItemView } from "../types";
import { controlOf, type PartValues } from "./items/controls";

/** What is asked, and where it is answered: the item as its student sees it. */
export function ItemFace({
  item,
  values,
  set,
  locked,
}: {
  readonly item: Pick<ItemView, "stem" | "images" | "table" | "parts"> & Partial<Pick<ItemView, "passage">>;
  readonly values: PartValues;
  readonly set: (change: (before: PartValues) => PartValues) => void;
  readonly locked: boolean;
}) {
  return (
    <>
      {item.passage ? (
        <PassageText
          {...item.passage}
          className="bg-field border-hair mb-5 max-h-[46vh] max-w-[640px] overflow-y-auto border px-4 py-3 text-[18px]"
        />
      ) : null}
      <p className="max-w-[640px] text-[24px] leading-normal">
        <MathText text={item.stem} />
      </p>
      <Pictures images={item.images} />
      <NumberTable rows={item.table} />
      {item.parts.map((part, place) => {
        const { Control } = controlOf(part.kind);
        return (
          <div key={part.id}>
            {part.prompt ? (
              <p className="mt-6 max-w-[640px] text-[21px]">
                <MathText text={part.prompt} />
              </p>
            ) : null}
            <Control
              part={part}
              value={values[part.id]}
              set={(value) => set((before) => ({ ...before, [part.id]: value }))}
              locked={locked}
              label={item.parts.length > 1 ? `Your answer to part ${place + 1}` : "Your answer"}
            />
          </div>
        );
      })}
    </>
  );
}
