"use client";
import { useState } from "react";
import { sayDone, sayProblem } from "@/client/notices";
import { Button } from "@/ui/primitives/Button";
import { TALK_WORDS } from "@/words/staff/talkWords";
import type { StudentReportView } from "../../studentTypes";

/** What is known of a student as a text for a support plan: facts with their errors, nothing that the data do not carry. */
export function SupportText({ view }: { readonly view: StudentReportView }) {
  const [open, setOpen] = useState(false);
  const text = supportText(view);
  const copy = () =>
    navigator.clipboard.writeText(text).then(
      () => sayDone("Copied."),
      () => sayProblem("The browser did not let it be copied. Mark the text and copy it by hand."),
    );
  return (
    <details className="no-print mt-3" open={open} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="text-[15px] font-bold">A text for a support plan</summary>
      <textarea
        readOnly
        aria-label="Text for a support plan"
        className="bg-field border-hair mt-1 h-56 w-full border p-2 text-[14px]"
        value={text}
      />
      <Button onClick={copy}>Copy</Button>
    </details>
  );
}

function supportText(view: StudentReportView): string {
  const names = (lines: readonly { readonly name: string; readonly codes: readonly string[] }[], most: number) =>
    lines
      .slice(0, most)
      .map(({ name, codes }) => (codes[0] ? `${name} (${codes[0]})` : name))
      .join(", ");
  const holding = view.strands.filter(({ holdsDown }) => holdsDown);
  return [
    `${view.name}, ${view.grade === null ? "" : `grade ${view.grade}, `}${view.classNames.join(", ")}. Period: ${view.range.words}.`,
    ...(view.wholes.length === 0 ? ["Level: not known yet."] : []),
    ...view.wholes.map(
      ({ name, level, place }) =>
        `${name}: ${place ? `about where “${place.nearest}” stands, ` : ""}scale ${level.score}, give or take ${2 * level.se}.`,
    ),
    ...view.strands.map(
      ({ name, level, place }) =>
        `${name}: ${level.score} ± ${2 * level.se}${place ? `, about where “${place.nearest}” stands` : ""}.`,
    ),
    holding.length > 0
      ? `Below the other strands by more than the error: ${holding.map(({ name }) => name).join(", ")}.`
      : "No strand lies below the others by more than the error.",
    view.shown.length > 0 ? `Has shown: ${names(view.shown, 12)}.` : "",
    view.missing.length > 0
      ? `Missing underneath what is being taught: ${view.missing.map(({ name, grade, codes }) => `${name} (${codes[0] ? `${codes[0]}, ` : ""}grade ${grade})`).join(", ")}.`
      : "",
    view.ready.length > 0 ? `Ready for: ${names(view.ready, 5)}.` : "",
    `Work put in: ${view.range.minutes} minutes; ${view.range.right} of ${view.range.answered} right at the first try.`,
    view.mistakes.length > 0
      ? `Mistakes that showed: ${view.mistakes
          .slice(0, 4)
          .map(({ name, skill, times }) => `${name.toLowerCase()} in ${skill} (${times})`)
          .join(", ")}.`
      : "",
    view.tried.length > 0
      ? `Tried: ${view.tried
          .map(
            ({ day, skill, verdict }) =>
              `${skill} taught again ${day}, ${verdict === null ? "check open" : verdict === "learned" ? "learned" : verdict === "closer" ? "closer" : "not yet"}`,
          )
          .join("; ")}.`
      : "",
    view.talks.length > 0
      ? `Reasons noted after talks: ${view.talks.map(({ day, reason, skill }) => `${TALK_WORDS[reason]} in ${skill} (${day})`).join(", ")}.`
      : "",
    `Supports: ${view.supports}.`,
  ]
    .filter(Boolean)
    .join("\n");
}
