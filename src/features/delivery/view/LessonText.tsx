import { MovingModel } from "@/client/models/MovingModel";
import type { Lesson, SkillTeaching } from "@/core/model/content";
import { MathText } from "@/ui/primitives/MathText";
import { Strips } from "@/ui/primitives/Strips";

/** A lesson as students read it: the idea, an example with its picture, the steps, and a model to move. */
export function LessonText({
  lesson,
  model,
  moved,
}: {
  readonly lesson: Lesson;
  readonly model: SkillTeaching["model"];
  /** Called with each move of the model. */
  readonly moved: () => void;
}) {
  return (
    <>
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
    </>
  );
}
