"use client";
import { useState } from "react";
import { sayDone, sayProblem } from "@/client/notices";
import { undoAction } from "@/server/history/undoAction";
import { FIELD } from "@/ui/primitives/Field";
import { keepNoteAction } from "../actions";
import type { NotesView } from "../itemTypes";

/** The own note on a thing, kept when one leaves the field, and what colleagues share. */
export function Notes({ view }: { readonly view: NotesView }) {
  const [text, setText] = useState(view.own.text);
  const [shared, setShared] = useState(view.own.shared);
  const keep = async (isShared: boolean) => {
    const done = await keepNoteAction({ about: view.about, aboutId: view.aboutId, text, shared: isShared });
    if (!done.ok) return sayProblem(done.message);
    const { changeId } = done.data;
    if (changeId) sayDone(text.trim() === "" ? "Note taken away." : "Note kept.", () => undoAction(changeId));
  };
  return (
    <section className="text-[15px]">
      <h2 className="mb-1 font-serif text-[18px] font-medium">Notes</h2>
      <label className="block">
        <span className="sr-only">My note</span>
        <textarea
          className={`${FIELD} w-full`}
          rows={3}
          maxLength={4_000}
          placeholder="What I want to remember next time"
          value={text}
          onChange={(event) => setText(event.target.value)}
          onBlur={() => void keep(shared)}
        />
      </label>
      <label className="mt-1 flex items-center gap-1.5">
        <input
          type="checkbox"
          checked={shared}
          onChange={({ target: { checked } }) => {
            setShared(checked);
            if (text.trim() !== "") void keep(checked);
          }}
        />
        My colleagues read it too
      </label>
      <ul>
        {view.shared.map((note) => (
          <li key={note.id} className="border-hair mt-2 border-t pt-1">
            <p className="whitespace-pre-wrap">{note.text}</p>
            <p className="text-mute text-[14px]">
              {note.by}, {note.when}
            </p>
          </li>
        ))}
      </ul>
    </section>
  );
}
