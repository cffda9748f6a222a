import { ArrowDown, ArrowUp } from "lucide-react";

export interface Sort<By extends string> {
  readonly by: By;
  readonly down: boolean;
}

/** A column's head by which the list is sorted; pressed again, the other way round. */
export function SortHead<By extends string>(props: {
  readonly by: By;
  readonly sort: Sort<By>;
  readonly set: (sort: Sort<By>) => void;
  readonly children: string;
  readonly className?: string;
}) {
  const { by, sort, set, children, className = "" } = props;
  const isOn = sort.by === by;
  return (
    <th
      className={`pr-4 pb-1 text-left align-bottom leading-tight font-normal ${className}`}
      aria-sort={isOn ? (sort.down ? "descending" : "ascending") : "none"}
    >
      <button
        type="button"
        className="hover:text-ink inline-flex items-end gap-1 text-left"
        onClick={() => set({ by, down: isOn ? !sort.down : false })}
      >
        {children}
        {isOn ? sort.down ? <ArrowDown size={13} aria-hidden /> : <ArrowUp size={13} aria-hidden /> : null}
      </button>
    </th>
  );
}

/** Compares two values of a column, those that are not known last. */
export function compared(one: string | number | null, other: string | number | null): number {
  if (one === null || other === null) return one === other ? 0 : one === null ? 1 : -1;
  return typeof one === "string" || typeof other === "string" ? String(one).localeCompare(String(other)) : one - other;
}
