"use client";
import Link from "next/link";
import { MathText } from "@/ui/primitives/MathText";
import type { ItemLine } from "../itemTypes";

/** How an item compares with the others of its skill; nothing where it is like them. */
export function harderWords(harderBy: number | null): string {
  if (harderBy === null || Math.abs(harderBy) < 0.3) return "";
  return harderBy > 0 ? "harder than most" : "easier than most";
}

/** How often it was answered, and how rightly; nothing where nobody has met it. */
export function useWords({ answered, sharePercent }: Pick<ItemLine, "answered" | "sharePercent">): string {
  if (answered === 0) return "";
  const times = answered === 1 ? "answered once" : `answered ${answered.toLocaleString("en-GB")} times`;
  return sharePercent === null ? times : `${times}, ${sharePercent} % right`;
}

/** An item in a list, with what can be done with it at once. */
export function ItemRow({
  item,
  base,
  isChosen,
  choose,
  isGathered,
  gather,
  onFocus,
}: {
  readonly item: ItemLine;
  readonly base: string;
  readonly isChosen: boolean;
  readonly choose: (withShift: boolean) => void;
  readonly isGathered: boolean;
  readonly gather: () => void;
  readonly onFocus: () => void;
}) {
  const facts = [
    item.skill || "no skill yet",
    item.grade === null ? "" : `grade ${item.grade}`,
    item.kind,
    item.isModel ? "numbers change" : "",
    harderWords(item.harderBy),
    useWords(item),
    item.passage === "" ? "" : `on “${item.passage}”`,
    item.bank.id === "stock" ? "" : item.bank.name,
  ].filter((fact) => fact !== "");
  return (
    <li className={`border-hair flex items-start gap-3 border-t py-2 ${isChosen ? "bg-bank" : ""}`}>
      <input
        type="checkbox"
        className="accent-ink mt-1.5"
        aria-label={`Choose: ${item.line}`}
        checked={isChosen}
        onChange={(event) => choose((event.nativeEvent as MouseEvent).shiftKey === true)}
      />
      <div className="min-w-0 flex-1">
        <Link
          data-item-link
          href={`${base}/library/items/${encodeURIComponent(item.id)}`}
          className="font-reading block text-[17px] hover:underline"
          onFocus={onFocus}
        >
          <MathText text={item.line || "Nothing written yet"} />
        </Link>
        <p className="text-mute text-[14px]">
          {item.isDraft ? <b className="text-clay">Draft. </b> : null}
          {facts.join(", ")}
        </p>
      </div>
      <button
        type="button"
        disabled={item.isDraft}
        aria-pressed={isGathered}
        className="border-ink min-h-8 border-[1.5px] px-2 text-[14px] font-semibold whitespace-nowrap disabled:opacity-30 aria-pressed:bg-bank"
        onClick={gather}
      >
        {isGathered ? "In the bundle" : "Into the bundle"}
      </button>
    </li>
  );
}
