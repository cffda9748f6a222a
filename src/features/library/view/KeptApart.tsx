import Link from "next/link";
import { useRun } from "@/client/useRun";
import { undoAction } from "@/server/history/undoAction";
import { Button } from "@/ui/primitives/Button";
import { MathText } from "@/ui/primitives/MathText";
import { keepApartAction } from "../actions";
import type { ItemPageView } from "../itemTypes";

/** Items that are not given together with one; nothing where there are none. */
export function KeptApart({ view, base }: { readonly view: ItemPageView; readonly base: string }) {
  const run = useRun(undoAction);
  if (view.enemies.length === 0) return null;
  return (
    <div>
      <h2 className="mb-1 font-serif text-[18px] font-medium">Not together with</h2>
      <ul>
        {view.enemies.map(({ id, line, mayChange }) => (
          <li key={id} className="border-hair flex items-start gap-2 border-t py-1">
            <Link
              className="decoration-hair min-w-0 flex-1 underline underline-offset-3"
              href={`${base}/library/items/${encodeURIComponent(id)}`}
            >
              <MathText text={line} />
            </Link>
            {mayChange ? (
              <Button
                look="quiet"
                onClick={() =>
                  run(() => keepApartAction({ itemIds: [view.id, id], apart: false }), "They may stand together again.")
                }
              >
                Let them
              </Button>
            ) : null}
          </li>
        ))}
      </ul>
    </div>
  );
}
