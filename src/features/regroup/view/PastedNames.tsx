"use client";
import { useState } from "react";
import { findPastedNames } from "@/core/roster/findPastedNames";
import { Button } from "@/ui/primitives/Button";
import { Dialog } from "@/ui/primitives/Dialog";
import { FIELD } from "@/ui/primitives/Field";
import type { BoardStudent } from "../types";

/** Picks students by a list of names pasted from anywhere. */
export function PastedNames({
  students,
  found,
}: {
  readonly students: readonly BoardStudent[];
  readonly found: (ids: readonly string[]) => void;
}) {
  const [open, setOpen] = useState(false);
  const [text, setText] = useState("");
  const names = findPastedNames(text, students);
  const clear = names.filter(({ ids }) => ids.length === 1);
  const unclear = names.filter(({ ids }) => ids.length !== 1);
  const nameOf = (id: string) => students.find((student) => student.id === id)?.name ?? "";
  return (
    <>
      <Button look="quiet" className="px-0!" onClick={() => setOpen(true)}>
        Paste names
      </Button>
      {open ? (
        <Dialog open onOpenChange={setOpen} title="Pick by pasted names">
          <div className="space-y-3 text-[15px]">
            <textarea
              className={`${FIELD} h-36 w-full`}
              aria-label="Names, one a line or with commas"
              placeholder="One name a line, or with commas between. Given names are enough where only one has it."
              value={text}
              onChange={(event) => setText(event.target.value)}
            />
            {unclear.length > 0 ? (
              <ul className="border-clay border-l-4 pl-3">
                {unclear.map(({ text: own, ids, meant }) => (
                  <li key={own}>
                    <b>{own}</b>:{" "}
                    {ids.length > 1
                      ? `${ids.length} have this name (${ids.map(nameOf).join(", ")}). Add a letter of the family name.`
                      : meant
                        ? `nobody here has this name. ${meant}?`
                        : "nobody here has this name."}{" "}
                    {meant ? (
                      <button type="button" className="underline" onClick={() => setText(text.replace(own, meant))}>
                        Use {meant}
                      </button>
                    ) : null}
                  </li>
                ))}
              </ul>
            ) : null}
            <div className="flex gap-2">
              <Button
                look="main"
                disabled={clear.length === 0}
                onClick={() => {
                  found(clear.flatMap(({ ids }) => ids));
                  setOpen(false);
                  setText("");
                }}
              >
                Pick {clear.length} {clear.length === 1 ? "student" : "students"}
              </Button>
              <Button onClick={() => setOpen(false)}>Cancel</Button>
            </div>
          </div>
        </Dialog>
      ) : null}
    </>
  );
}
