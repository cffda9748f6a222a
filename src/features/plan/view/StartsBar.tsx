import { type FormEvent, useState } from "react";
import type { PlanStartFrom } from "@/core/model/planPlace";
import { Button } from "@/ui/primitives/Button";
import { FIELD } from "@/ui/primitives/Field";
import type { PlanStudentsView } from "../studentsTypes";

const FROM: readonly (readonly [PlanStartFrom, string])[] = [
  ["shown", "where what they have shown ends"],
  ["grade", "at the first slot of their grade"],
  ["first", "at the beginning"],
];

/** Sets where the ticked students begin. */
export function StartsBar({
  view: { slots },
  ticked,
  busy,
  set,
}: {
  readonly view: PlanStudentsView;
  readonly ticked: number;
  readonly busy: boolean;
  readonly set: (from: PlanStartFrom, slotId: string | undefined) => void;
}) {
  const [where, setWhere] = useState<string>("shown");
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const from = FROM.find(([one]) => one === where)?.[0];
    if (from) set(from, undefined);
    else set("slot", where);
  };
  return (
    <form onSubmit={submit} className="no-print mb-2 flex flex-wrap items-center gap-3">
      <span>{ticked === 0 ? "Tick students to set where they begin:" : `Let ${ticked} begin`}</span>
      <select
        aria-label="Where they begin"
        className={FIELD}
        value={where}
        onChange={({ target }) => setWhere(target.value)}
      >
        {FROM.map(([from, words]) => (
          <option key={from} value={from}>
            {words}
          </option>
        ))}
        {slots.map(({ id, title }) => (
          <option key={id} value={id}>
            at “{title}”
          </option>
        ))}
      </select>
      <Button type="submit" disabled={busy || ticked === 0}>
        Set
      </Button>
    </form>
  );
}
