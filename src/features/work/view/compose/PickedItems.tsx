import { useRouter } from "next/navigation";
import { useState } from "react";
import { forgetBundle } from "@/client/bundle/bundle";
import { useRun } from "@/client/useRun";
import { undoAction } from "@/server/history/undoAction";
import { Button } from "@/ui/primitives/Button";
import { FIELD } from "@/ui/primitives/Field";
import { MathText } from "@/ui/primitives/MathText";
import { clashWords } from "@/words/staff/clashWords";
import { addToWorkAction } from "../../actions";
import type { ComposeView } from "../../types";
import { LABEL } from "./look";

/** The items that were gathered, in the order in which they are given, and work that they may be added to instead. */
export function PickedItems({ view, base }: { readonly view: ComposeView; readonly base: string }) {
  const { picked, clashes, addable } = view;
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
      {addable.length > 0 ? <AddInstead picked={picked} addable={addable} base={base} /> : null}
    </section>
  );
}

function AddInstead({ picked, addable, base }: Pick<ComposeView, "picked" | "addable"> & { readonly base: string }) {
  const router = useRouter();
  const run = useRun(undoAction);
  const [id, setId] = useState(addable[0]?.id ?? "");
  const work = addable.find((one) => one.id === id);
  const add = () =>
    run(
      () => addToWorkAction({ assignmentId: id, picked: picked.map(({ line: _, ...one }) => one) }),
      `Added to “${work?.title}”.`,
      () => {
        forgetBundle();
        router.push(`${base}/work/${id}`);
      },
    );
  return (
    <div className="border-hair mt-4 border-t pt-3 text-[15px]">
      <label className="block">
        <span className="mb-0.5 block">Or add them to work that nobody has begun</span>
        <select className={`${FIELD} w-full`} value={id} onChange={({ target: { value } }) => setId(value)}>
          {addable.map((one) => (
            <option key={one.id} value={one.id}>
              {one.title}, {one.className}, {one.items === 1 ? "1 item" : `${one.items} items`}
            </option>
          ))}
        </select>
      </label>
      <Button className="mt-2" disabled={run.busy} onClick={add}>
        Add to it
      </Button>
    </div>
  );
}
