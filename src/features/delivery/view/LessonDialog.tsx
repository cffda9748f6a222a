import { MovingModel } from "@/client/models/MovingModel";
import { Button } from "@/ui/primitives/Button";
import { Dialog } from "@/ui/primitives/Dialog";
import { MathText } from "@/ui/primitives/MathText";
import { Strips } from "@/ui/primitives/Strips";
import type { SittingView } from "../types";

/** The lesson of a skill, to read in after a miss; the item stays as it is behind it. */
export function LessonDialog({
  skill: { name, lesson, model },
  open,
  setOpen,
}: {
  readonly skill: SittingView["lessons"][string];
  readonly open: boolean;
  readonly setOpen: (open: boolean) => void;
}) {
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
          <div className="mt-5">
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
