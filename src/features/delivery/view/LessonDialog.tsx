import { Button } from "@/ui/primitives/Button";
import { Dialog } from "@/ui/primitives/Dialog";
import type { SittingView } from "../types";
import { LessonText } from "./LessonText";
import { useLessonVisit } from "./useLessonVisit";

/** The lesson of a skill, to read in after a miss; the item stays as it is behind it. */
export function LessonDialog({
  skill: { name, lesson, model },
  visit,
  open,
  setOpen,
}: {
  readonly skill: SittingView["lessons"][string];
  /** Whose visit it is, to what. */
  readonly visit: Parameters<typeof useLessonVisit>[1];
  readonly open: boolean;
  readonly setOpen: (open: boolean) => void;
}) {
  const moved = useLessonVisit(open, visit);
  return (
    <Dialog open={open} onOpenChange={setOpen} title={name} wide>
      <div className="font-reading text-[19px]">
        <LessonText lesson={lesson} model={model} moved={moved} />
        <Button look="main" size="big" className="mt-5" onClick={() => setOpen(false)}>
          Back to my item
        </Button>
      </div>
    </Dialog>
  );
}
