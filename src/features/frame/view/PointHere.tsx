"use client";
import { useState } from "react";
import { useJson } from "@/client/useJson";
import { useRun } from "@/client/useRun";
import { undoAction } from "@/server/history/undoAction";
import { Dialog } from "@/ui/primitives/Dialog";
import { FIELD, Field, Problem } from "@/ui/primitives/Field";
import { FormFoot } from "@/ui/primitives/FormFoot";
import { sendPointerAction } from "../actions";
import type { PointersView } from "../pointerTypes";

/** Points a colleague to the view that stands behind it, with a sentence and a day; below, what became of earlier ones. */
export function PointHere(props: {
  readonly open: boolean;
  readonly onOpenChange: (open: boolean) => void;
  readonly chosenKey: string;
  readonly classIds: readonly string[];
}) {
  return (
    <Dialog open={props.open} onOpenChange={props.onOpenChange} title="Point a colleague to this view">
      <Inside chosenKey={props.chosenKey} classIds={props.classIds} close={() => props.onOpenChange(false)} />
    </Dialog>
  );
}

function Inside({
  chosenKey,
  classIds,
  close,
}: {
  readonly chosenKey: string;
  readonly classIds: readonly string[];
  readonly close: () => void;
}) {
  const loaded = useJson<PointersView>(`/api/pointers?classes=${encodeURIComponent(chosenKey)}`);
  if (loaded.state === "problem") return <Problem text={loaded.message} />;
  if (loaded.state === "loading") return <p className="text-mute">Looking who can open it…</p>;
  const { colleagues, sent } = loaded.data;
  return (
    <>
      {colleagues.length === 0 ? (
        <p>
          Nobody else can open {classIds.length === 1 ? "this class" : "these classes together"}.{" "}
          {classIds.length === 1
            ? "A co-teacher or coordinator could; see the roster's settings."
            : "Choose one class first: others may share it."}
        </p>
      ) : (
        <Form view={loaded.data} chosenKey={chosenKey} classIds={classIds} close={close} />
      )}
      {sent.length === 0 ? null : (
        <section className="border-hair mt-5 border-t pt-3 text-[15px]">
          <h3 className="font-semibold">Pointed to before</h3>
          <ul>
            {sent.map(({ id, name, sentence, dayWords, isDone, isDue }) => (
              <li key={id} className="py-1">
                {name}, {dayWords}:{" "}
                <b className={isDone ? "font-normal" : isDue ? "text-clay" : ""}>{isDone ? "done" : "still open"}</b>.{" "}
                <span data-name="sentence">{sentence}</span>
              </li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
}

function Form({
  view,
  chosenKey,
  classIds,
  close,
}: {
  readonly view: PointersView;
  readonly chosenKey: string;
  readonly classIds: readonly string[];
  readonly close: () => void;
}) {
  const run = useRun(undoAction, true);
  const [id] = useState(() => crypto.randomUUID());
  const [toId, setToId] = useState(view.colleagues.length === 1 ? (view.colleagues[0]?.id ?? "") : "");
  const [sentence, setSentence] = useState("");
  const [day, setDay] = useState(view.today);
  const name = view.colleagues.find((colleague) => colleague.id === toId)?.name;
  const send = () => {
    // What stands in the address now is what the sender looks at.
    const rest = `${location.pathname.slice(`/desk/${chosenKey}`.length)}${location.search}`;
    run(() => sendPointerAction({ id, toId, classIds, rest, sentence, day }), `Pointed ${name} to this view.`, close);
  };
  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        send();
      }}
    >
      <label className="block text-[15px]">
        <span className="mb-0.5 block">Whom</span>
        <select className={`${FIELD} w-full`} value={toId} onChange={(event) => setToId(event.target.value)} required>
          <option value="">Choose a colleague</option>
          {view.colleagues.map((colleague) => (
            <option key={colleague.id} value={colleague.id}>
              {colleague.name}
            </option>
          ))}
        </select>
      </label>
      <Field
        label="What to look at, in a sentence"
        value={sentence}
        maxLength={300}
        required
        onChange={(event) => setSentence(event.target.value)}
      />
      <Field
        label="For which day"
        type="date"
        min={view.today}
        value={day}
        required
        onChange={(event) => setDay(event.target.value)}
        help="It stands in their Today until they say it is done."
      />
      <FormFoot
        problem={run.problem}
        deed="Point them here"
        disabled={run.busy || toId === "" || sentence.trim() === "" || day === ""}
        close={close}
      />
    </form>
  );
}
