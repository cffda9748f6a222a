import { Fragment } from "react";

const BLANK = /\[([^[\]]+)\]/g;

/** The words that a sentence leaves out. */
export const leftOut = (note: string): string[] => [...note.matchAll(BLANK)].flatMap(([, word]) => word ?? []);

/** Sentences with gaps for students to complete; what belongs into them stands small beside, for the teacher. */
export function NotesToComplete({ notes }: { readonly notes: readonly string[] }) {
  return (
    <ul className="space-y-1.5">
      {notes.map((note) => (
        <li key={note}>
          <GapText text={note} /> <span className="text-mute text-[13px]">{leftOut(note).join(", ")}</span>
        </li>
      ))}
    </ul>
  );
}

/** A sentence with a line for each word that is left out. */
export function GapText({ text, wide = false }: { readonly text: string; readonly wide?: boolean }) {
  const pieces = text.split(/\[[^[\]]+\]/g);
  return pieces.map((piece, place) => (
    // The pieces of a text never change places.
    <Fragment key={place}>
      {piece}
      {place < pieces.length - 1 ? (
        <span className={`border-ink inline-block border-b ${wide ? "w-32" : "w-14"}`}>&nbsp;</span>
      ) : null}
    </Fragment>
  ));
}
