"use client";
import { useState } from "react";
import { sayProblem } from "@/client/notices";
import { Dialog } from "@/ui/primitives/Dialog";
import { MathText } from "@/ui/primitives/MathText";
import type { TestItem } from "../../testTypes";
import type { ComposeView } from "../../types";
import { askTest } from "./askTest";
import type { FormItem, ItemFaceOf, TestDesign } from "./composition";
import { BOX } from "./look";

/** The items of a form, in order. */
export function FormItems({
  view,
  classId,
  test,
  place,
  set,
  Face,
}: {
  readonly view: ComposeView;
  readonly classId: string;
  readonly test: TestDesign;
  /** Which form. */
  readonly place: number;
  readonly set: (values: (before: TestDesign) => Partial<TestDesign>) => void;
  readonly Face: ItemFaceOf;
}) {
  const [looked, setLooked] = useState<TestItem | null>(null);
  const [busy, setBusy] = useState<string | null>(null);
  const form = test.forms[place] ?? [];
  const inForm = (change: (form: readonly FormItem[]) => readonly FormItem[]) =>
    set((before) => ({ forms: before.forms.map((one, at) => (at === place ? change(one) : one)) }));
  const away = (before: TestDesign, itemId: string) => [...new Set([...before.leftOut, itemId])];
  const drop = ({ id, itemId }: TestItem) =>
    set((before) => ({
      leftOut: away(before, itemId),
      forms: before.forms.map((one, at) => (at === place ? one.filter(({ item }) => item.id !== id) : one)),
    }));
  const swap = async ({ id, itemId, skillId, seed }: TestItem) => {
    setBusy(id);
    try {
      const not = [...test.leftOut, ...test.forms.flat().map(({ item }) => item.id)];
      const [found] = await askTest("swaps", { classId, item: { itemId, skillId, seed }, not });
      if (!found)
        sayProblem("There is no other item of this standard. Add one of another, or write one in the library.");
      else
        set((before) => ({
          leftOut: away(before, id),
          forms: before.forms.map((one, at) =>
            at === place
              ? one.map((own) => (own.item.id === id ? { item: found, points: found.points, held: true } : own))
              : one,
          ),
        }));
    } catch (error) {
      sayProblem(error instanceof Error ? error.message : "");
    }
    setBusy(null);
  };
  const move = (at: number, by: number) =>
    inForm((before) => {
      const [moved] = before.slice(at, at + 1);
      return moved ? before.toSpliced(at, 1).toSpliced(at + by, 0, moved) : before;
    });
  if (form.length === 0)
    return (
      <p className="text-mute py-3 text-[15px]">
        {test.skills.length === 0 ? "Choose a standard, and items are proposed." : "No items yet."}
      </p>
    );
  return (
    <>
      <ol className="mt-1">
        {form.map(({ item, points, held }, at) => (
          <li key={item.id} className="border-hair grid grid-cols-[1.6rem_1fr] gap-x-2 border-b py-1.5 text-[15px]">
            <span className="text-mute pt-0.5 tabular-nums">{at + 1}</span>
            <div className="min-w-0">
              <p className="font-reading line-clamp-2">
                <MathText text={item.line} />
              </p>
            </div>
            <span />
            <div className="flex flex-wrap items-center justify-end gap-x-1 text-[14px]">
              <p className="text-mute min-w-0 flex-1 text-[14px]">
                {view.skills.find(({ id }) => id === item.skillId)?.name}, {item.kind}; about{" "}
                {Math.round(item.chance * 100)} % right
              </p>
              <Small label={`Look at item ${at + 1}`} onClick={() => setLooked(item)}>
                Look
              </Small>
              <Small label={`Swap item ${at + 1}`} onClick={() => void swap(item)} disabled={busy !== null}>
                {busy === item.id ? "…" : "Swap"}
              </Small>
              <Small
                label={held ? `Let go of item ${at + 1}` : `Hold on to item ${at + 1}`}
                pressed={held}
                onClick={() =>
                  inForm((before) => before.map((own) => (own.item.id === item.id ? { ...own, held: !own.held } : own)))
                }
              >
                {held ? "Held" : "Hold"}
              </Small>
              <Small label={`Drop item ${at + 1}`} onClick={() => drop(item)}>
                Drop
              </Small>
              <Small label={`Item ${at + 1} up`} onClick={() => move(at, -1)} disabled={at === 0}>
                ↑
              </Small>
              <Small label={`Item ${at + 1} down`} onClick={() => move(at, 1)} disabled={at === form.length - 1}>
                ↓
              </Small>
              <input
                type="number"
                aria-label={`Points of item ${at + 1}`}
                title="Points"
                className={`${BOX} w-14 py-0.5!`}
                min={0}
                max={20}
                value={points}
                onChange={(event) => {
                  const typed = event.target.valueAsNumber;
                  if (!Number.isFinite(typed)) return;
                  const wanted = Math.min(20, Math.max(0, Math.round(typed)));
                  inForm((before) => before.map((own) => (own.item.id === item.id ? { ...own, points: wanted } : own)));
                }}
              />
              <span className="text-mute">{points === 1 ? "point" : "points"}</span>
            </div>
          </li>
        ))}
      </ol>
      <Dialog
        open={looked !== null}
        onOpenChange={(open) => (open ? null : setLooked(null))}
        title="As a student sees it"
        wide
      >
        {looked ? (
          <>
            <Face item={looked} />
            <p className="border-hair mt-5 border-t pt-3 text-[15px]">
              Answer:{" "}
              <b>
                <MathText text={looked.key} />
              </b>
              . <MathText text={looked.solution} />
            </p>
          </>
        ) : null}
      </Dialog>
    </>
  );
}

function Small({
  label,
  pressed,
  disabled = false,
  onClick,
  children,
}: {
  readonly label: string;
  readonly pressed?: boolean;
  readonly disabled?: boolean;
  readonly onClick: () => void;
  readonly children: string;
}) {
  return (
    <button
      type="button"
      aria-label={label}
      aria-pressed={pressed}
      disabled={disabled}
      className={`min-h-7 px-1.5 disabled:opacity-35 ${pressed ? "bg-bank font-semibold" : "hover:underline"}`}
      onClick={onClick}
    >
      {children}
    </button>
  );
}
