import { Fragment } from "react";

const BLANK = /\[([^[\]]+)\]/g;

/** Sentences with gaps for students to complete; what belongs into them stands small beside, for the teacher. */
export function NotesToComplete({ notes }: { readonly notes: readonly string[] }) {
  return (
    <ul className="space-y-1.5">
      {notes.map((note) => (
        <li key={note}>
          <GapText text={note} />{" "}
          <span className="text-mute text-[13px]">{[...note.matchAll(BLANK)].map(([, word]) => word).join(", ")}</span>
        </li>
      ))}
    </ul>
  );
}

function GapText({ text }: { readonly text: string }) {
  const pieces = text.split(/\[[^[\]]+\]/g);
  return pieces.map((piece, place) => (
    // The pieces of a text never change places.
    <Fragment key={place}>
      {piece}
      {place < pieces.length - 1 ? <span className="border-ink inline-block w-14 border-b">&nbsp;</span> : null}
    </Fragment>
  ));
}
