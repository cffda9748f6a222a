import { MovingModel } from "@/client/models/MovingModel";
import { Button } from "@/ui/primitives/Button";
import { Dialog } from "@/ui/primitives/Dialog";
import { MathText } from "@/ui/primitives/MathText";
import { Strips } from "@/ui/primitives/Strips";
import type { SittingView } from "../types";
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
        <p>
          <MathText text={lesson.idea} />
        </p>
        <p className="mt-3 font-semibold">
          <MathText text={lesson.example} />
        </p>
        {lesson.picture ? <Strips rows={lesson.picture} /> : null}
        <ol className="mt-2 list-decimal space-y-1.5 pl-6">
          {lesson.steps.map((step) => (
            <li key={step}>
              <MathText text={step} />
            </li>
          ))}
        </ol>
        {model ? (
          <div className="mt-5" onPointerDownCapture={moved} onKeyDownCapture={moved}>
            <p className="mb-2 font-semibold">Try it yourself</p>
            <MovingModel kind={model.kind} setting={model.setting} />
          </div>
        ) : null}
        <Button look="main" size="big" className="mt-5" onClick={() => setOpen(false)}>
          Back to my item
        </Button>
      </div>
    </Dialog>
  );
}
