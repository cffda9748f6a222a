import { MathText } from "@/ui/primitives/MathText";
import { clashWords } from "@/words/staff/clashWords";
import type { AssignForm } from "../types";
import { LABEL } from "./assignFields";

/** The items that were gathered, in the order in which they are given. */
export function PickedItems({ picked, clashes }: Pick<AssignForm, "picked" | "clashes">) {
  return (
    <section>
      <h2 className={LABEL}>{picked.length === 1 ? "One item" : `${picked.length} items, in this order`}</h2>
      <ol className="font-reading list-decimal pl-6 text-[16px]">
        {picked.map(({ itemId, line }) => (
          <li key={itemId} className="border-hair border-b py-1">
            <MathText text={line} />
          </li>
        ))}
      </ol>
      {clashes.length > 0 ? (
        <p role="status" className="border-clay mt-2 border-l-4 pl-3 text-[15px]">
          {clashWords(clashes)}
        </p>
      ) : null}
    </section>
  );
}
