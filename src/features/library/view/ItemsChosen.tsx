"use client";
import { useState } from "react";
import { useBundle } from "@/client/bundle/bundle";
import { sayDone, sayProblem } from "@/client/notices";
import type { ActionResult } from "@/core/model/actionResult";
import { undoAction } from "@/server/history/undoAction";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { FIELD } from "@/ui/primitives/Field";
import { bringItemsBackAction, copyItemsAction, keepApartAction, moveItemsAction, retireItemsAction } from "../actions";
import type { BankName, ItemLine } from "../itemTypes";

/** Items that can be kept apart at once, each with each. */
const MOST_APART = 8;

/** What can be done with one item or with several that were chosen; nothing is shown while none is. */
export function ItemsChosen({
  items,
  banks,
  clear,
  base,
  isRetired = false,
  withBundle = true,
}: {
  readonly items: readonly ItemLine[];
  readonly banks: readonly BankName[];
  readonly clear: () => void;
  readonly base: string;
  readonly isRetired?: boolean;
  /** Left out where the page offers the bundle itself. */
  readonly withBundle?: boolean;
}) {
  const bundle = useBundle();
  const [bankId, setBankId] = useState(banks[0]?.id ?? "");
  if (items.length === 0) return null;
  const itemIds = items.map(({ id }) => id);
  const count = items.length === 1 ? "1 item" : `${items.length} items`;
  const mayChange = items.every((item) => item.mayChange);
  const run = async (words: string, act: () => Promise<ActionResult<{ changeId: string }>>) => {
    const done = await act();
    if (!done.ok) return sayProblem(done.message);
    sayDone(words, () => undoAction(done.data.changeId));
    clear();
  };
  const bank = banks.find(({ id }) => id === bankId)?.name ?? "";
  return (
    <div
      className="bg-bank mb-2 flex flex-wrap items-center gap-2 px-3 py-2 text-[15px]"
      role="toolbar"
      aria-label="Chosen items"
    >
      <b>{count}</b>
      {withBundle ? (
        <Button
          disabled={items.some(({ isDraft }) => isDraft)}
          onClick={() => {
            bundle.add(items);
            clear();
          }}
        >
          Into the bundle
        </Button>
      ) : null}
      {banks.length > 0 ? (
        <>
          <select
            aria-label="Bank"
            className={`${FIELD} ml-3`}
            value={bankId}
            onChange={(event) => setBankId(event.target.value)}
          >
            {banks.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
          <Button onClick={() => void run(`Copied ${count} to “${bank}”.`, () => copyItemsAction({ itemIds, bankId }))}>
            Copy there
          </Button>
          {mayChange ? (
            <Button
              onClick={() => void run(`Moved ${count} to “${bank}”.`, () => moveItemsAction({ itemIds, bankId }))}
            >
              Move there
            </Button>
          ) : null}
        </>
      ) : null}
      <ButtonLink
        href={`${base}/library/items/take-out?items=${itemIds.map(encodeURIComponent).join("~")}`}
        className="ml-3"
      >
        Take out
      </ButtonLink>
      {items.length > 1 && items.length <= MOST_APART && items.some((item) => item.mayChange) ? (
        <Button
          onClick={() =>
            void run(`Kept ${count} apart: not two of them at once.`, () => keepApartAction({ itemIds, apart: true }))
          }
        >
          Keep apart
        </Button>
      ) : null}
      {mayChange ? (
        <Button
          onClick={() =>
            void run(isRetired ? `${count} back in use.` : `Retired ${count}.`, () =>
              isRetired ? bringItemsBackAction({ itemIds }) : retireItemsAction({ itemIds }),
            )
          }
        >
          {isRetired ? "Bring back" : "Retire"}
        </Button>
      ) : null}
    </div>
  );
}
