import { Ellipsis } from "lucide-react";
import { DropdownMenu } from "radix-ui";
import type { PlanPlace } from "@/core/model/planPlace";
import type { PlanSlotView } from "../types";
import type { ChangeSlot } from "./changeSlot";

const PLACES: readonly (readonly [PlanPlace, string])[] = [
  ["both", "May be worked on anywhere"],
  ["school", "Only at school"],
  ["home", "Only at home"],
];

/** Everything that can be done to a slot, by name. */
export function SlotMenu({
  slot,
  place,
  last,
  isDated,
  move,
  change,
}: {
  readonly slot: PlanSlotView;
  readonly place: number;
  readonly last: number;
  readonly isDated: boolean;
  readonly move: (to: number) => void;
  readonly change: ChangeSlot;
}) {
  const set = (values: object, said: string) => change(slot, { what: "change", values }, said);
  const deeds: readonly (readonly [string, () => void] | null)[] = [
    place > 0 ? ["Move up", () => move(place - 1)] : null,
    place < last ? ["Move down", () => move(place + 1)] : null,
    !isDated
      ? null
      : slot.skipped
        ? ["Take in again", () => set({ skipped: false }, `“${slot.title}” is taken in again.`)]
        : ["Leave out in this class", () => set({ skipped: true }, `“${slot.title}” is left out.`)],
    slot.counted
      ? ["Make it an extra", () => set({ counted: false }, `“${slot.title}” does not count any more.`)]
      : ["Let it count", () => set({ counted: true }, `“${slot.title}” counts.`)],
    ...PLACES.filter(([whereAt]) => whereAt !== slot.whereAt).map(
      ([whereAt, words]) => [words, () => set({ whereAt }, `“${slot.title}”: ${words.toLowerCase()}.`)] as const,
    ),
    slot.ownDay === null
      ? null
      : ["Let it follow what is before", () => set({ fromDay: null }, `“${slot.title}” follows what is before.`)],
    ["Take it out", () => change(slot, { what: "remove" }, `“${slot.title}” taken out.`)],
  ];
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger aria-label={`${slot.title}: more`} className="no-print p-1">
        <Ellipsis size={17} aria-hidden />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          className="bg-paper border-ink z-50 min-w-56 border-[1.5px] p-1.5 text-[15px] shadow-lg"
        >
          {deeds.flatMap((deed) =>
            deed ? (
              <DropdownMenu.Item
                key={deed[0]}
                className="data-highlighted:bg-bank cursor-pointer px-3 py-1.5 outline-none"
                onSelect={deed[1]}
              >
                {deed[0]}
              </DropdownMenu.Item>
            ) : (
              []
            ),
          )}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
