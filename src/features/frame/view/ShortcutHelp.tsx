"use client";
import { Dialog } from "@/ui/primitives/Dialog";

const KEYS: readonly (readonly [string, string])[] = [
  ["1 to 5", "Roster, Plan, Work, Evidence, Regroup"],
  ["/", "Find a student, a skill, work or an action"],
  ["g t", "Today"],
  ["g l", "Library"],
  ["g n", "Assign new practice"],
  ["g h", "History and undo"],
  ["g v", "Point a colleague to this view"],
  ["g p", "Projector: hide or show names"],
  ["arrows", "Move in the mastery map"],
  ["Enter", "Open the answers behind a cell"],
  ["p", "Put a student on the pull list, or take off"],
  ["s", "Open the student's sheet"],
  ["j, k", "Down and up in a list of items"],
  ["x", "Choose an item"],
  ["b", "Put an item into the bundle"],
  ["Esc", "Close what is open"],
];

export function ShortcutHelp({
  open,
  onOpenChange,
}: {
  readonly open: boolean;
  readonly onOpenChange: (open: boolean) => void;
}) {
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title="Keyboard shortcuts">
      <dl className="grid grid-cols-[6rem_1fr] gap-y-2 text-[15px]">
        {KEYS.map(([key, meaning]) => (
          <div key={key} className="contents">
            <dt>
              <kbd className="border-hair border px-1.5 font-semibold">{key}</kbd>
            </dt>
            <dd>{meaning}</dd>
          </div>
        ))}
      </dl>
      <p className="text-mute mt-4 text-[14px]">Single keys can be switched off in the menu under your name.</p>
    </Dialog>
  );
}
