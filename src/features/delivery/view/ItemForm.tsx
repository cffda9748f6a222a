import { type FormEvent, useEffect, useRef, useState } from "react";
import { useActiveTime } from "@/client/activeTime";
import { Button } from "@/ui/primitives/Button";
import { MathText } from "@/ui/primitives/MathText";
import type { ItemView } from "../types";
import { emptyValues, handInWords, type PartValues, problemOf, responseOf, wordsOf } from "./items/controls";
import { LessonDialog } from "./LessonDialog";
import { SaidBelow } from "./SaidBelow";
import { SpokenFace } from "./SpokenFace";
import type { SittingState } from "./useSitting";
import { WORK_WORDS } from "./workWords";

/** One item with its parts, what was said to the last try, and the way on. */
export function ItemForm({ item, state }: { readonly item: ItemView; readonly state: SittingState }) {
  const [values, setValues] = useState<PartValues>(() => emptyValues(item.parts));
  const [problem, setProblem] = useState<string | null>(null);
  const [lesson, setLesson] = useState(false);
  const time = useActiveTime();
  const form = useRef<HTMLFormElement>(null);
  const feedbackBox = useRef<HTMLDivElement>(null);
  const { said, view, hint } = state;
  const over = said.kind === "kept" || (said.kind === "feedback" && said.itemOver);
  useEffect(() => firstField(form.current)?.focus({ preventScroll: true }), []);
  useEffect(() => {
    if (said.kind === "nothing") return;
    // What was said begins another try, with a time of its own; a message about how to write it does not.
    if (said.kind === "feedback") time.restart();
    feedbackBox.current?.scrollIntoView({ block: "nearest" });
    if (over) feedbackBox.current?.querySelector<HTMLElement>("[data-next]")?.focus({ preventScroll: true });
    else reselect(firstField(form.current));
  }, [said, over, time.restart]);
  const handIn = (event: FormEvent) => {
    event.preventDefault();
    if (over) return;
    const found = problemOf(item.parts, values);
    setProblem(found);
    if (found !== null) return;
    void state.submit({
      response: responseOf(item.parts, values),
      words: wordsOf(item.parts, values),
      milliseconds: time.read(),
    });
  };
  const skill = view.lessons[item.skillId];
  const again = said.kind === "feedback" ? "Check again" : (handInWords(item.parts) ?? WORK_WORDS[view.kind].handIn);
  return (
    <form ref={form} className="sitting-item" data-presentation={item.presentationId} onSubmit={handIn}>
      <div>
        {skill && view.asked?.includes(item.skillId) === false ? (
          <p className="text-mute mb-3 text-[17px]">A step underneath: {skill.name}</p>
        ) : null}
        <SpokenFace
          item={item}
          readsAloud={view.readsAloud}
          values={values}
          set={setValues}
          locked={over || state.busy}
        />
        {problem ? (
          <p role="alert" className="border-clay mt-4 border-l-4 pl-3 text-[18px]">
            {problem}
          </p>
        ) : null}
        {over ? null : (
          <div className="mt-5 flex flex-wrap gap-3.5">
            <Button look="main" size="big" type="submit" disabled={state.busy}>
              {state.busy ? "Checking…" : again}
            </Button>
            {view.setsAside ? (
              <Button
                size="big"
                disabled={state.busy}
                onClick={() =>
                  void state.submit({ response: {}, words: NOT_LEARNED, milliseconds: time.read(), setAside: true })
                }
              >
                {NOT_LEARNED}
              </Button>
            ) : null}
            {hint.more ? (
              <Button size="big" onClick={() => void hint.ask()}>
                {hint.texts.length === 0 ? "Hint" : "Another hint"}
              </Button>
            ) : null}
          </div>
        )}
        {over ? null : <HintsBelow texts={hint.texts} problem={hint.problem} />}
      </div>
      <div ref={feedbackBox} aria-live="polite" className="scroll-mb-16">
        <SaidBelow
          state={state}
          over={over}
          lesson={skill ? () => setLesson(true) : null}
          reminder={view.asked === null ? null : (skill?.lesson ?? null)}
        />
      </div>
      {skill ? (
        <LessonDialog
          skill={skill}
          visit={{ personId: state.personId, sittingId: view.sittingId, skillId: item.skillId }}
          open={lesson}
          setOpen={setLesson}
        />
      ) : null}
    </form>
  );
}

const NOT_LEARNED = "I haven’t learned this yet";

const firstField = (form: HTMLFormElement | null) =>
  form?.querySelector<HTMLElement | SVGElement>("[data-answer]") ?? null;

/** Back to the answer, in which what was typed can be typed over. */
function reselect(field: HTMLElement | SVGElement | null): void {
  if (field instanceof HTMLInputElement && field.type === "text") field.select();
  else field?.focus({ preventScroll: true });
}

/** What was asked for stays to be read again; a screen reader is told of each that comes. */
function HintsBelow({ texts, problem }: { readonly texts: readonly string[]; readonly problem: string | null }) {
  return (
    <div aria-live="polite">
      {texts.length > 0 ? (
        <ol className="border-water mt-5 space-y-2 border-l-4 py-1 pl-4 text-[19px]">
          {texts.map((text) => (
            <li key={text}>
              <MathText text={text} />
            </li>
          ))}
        </ol>
      ) : null}
      {problem ? <p className="text-mute mt-4 text-[18px]">{problem}</p> : null}
    </div>
  );
}
