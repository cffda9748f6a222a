"use client";
import { useState } from "react";
import { Button } from "@/ui/primitives/Button";

const KEYS = ["7", "8", "9", "÷", "4", "5", "6", "×", "1", "2", "3", "−", "0", ".", "(", ")", "+"] as const;
const SIGNS: Readonly<Record<string, string>> = { "÷": "/", "×": "*", "−": "-" };
const MOST_LETTERS = 60;
const DIGITS = 9;

/** A plain calculator for work in which one is allowed: it shows the whole line, and works it out exactly. */
export function Calculator() {
  const [isOpen, setOpen] = useState(false);
  const [line, setLine] = useState("");
  const [value, setValue] = useState("");
  const workOut = async () => {
    if (line.trim() === "") return;
    // The arithmetic is fetched once somebody calculates.
    const { compileExpression } = await import("@/core/answers/compileExpression");
    try {
      const text = line.replace(/[÷×−]/g, (sign) => SIGNS[sign] ?? sign).replace(/,/g, ".");
      const result = compileExpression(text)({});
      setValue(typeof result === "boolean" ? "" : `= ${plain(Number(result.valueOf()))}`);
    } catch {
      setValue("This can't be worked out. Look for a sign or a bracket that is missing.");
    }
  };
  const write = (key: string) => setLine((before) => `${before}${key}`.slice(0, MOST_LETTERS));
  return (
    <section aria-label="Calculator" className="border-hair border-t px-5 py-2 sm:px-12">
      <button
        type="button"
        aria-expanded={isOpen}
        className="min-h-11 text-[17px] underline underline-offset-4"
        onClick={() => setOpen(!isOpen)}
      >
        {isOpen ? "Put the calculator away" : "Calculator"}
      </button>
      {isOpen ? (
        <form
          className="pb-3"
          onSubmit={(event) => {
            event.preventDefault();
            void workOut();
          }}
        >
          <input
            aria-label="What to work out"
            inputMode="text"
            autoComplete="off"
            className="bg-field border-ink w-full max-w-96 border-[1.5px] px-3 py-1.5 text-[20px] tabular-nums"
            value={line}
            maxLength={MOST_LETTERS}
            onChange={(event) => setLine(event.target.value)}
          />
          <output className="mt-1 block min-h-8 text-[20px] font-semibold tabular-nums">{value}</output>
          <div className="grid max-w-96 grid-cols-4 gap-1.5">
            {KEYS.map((key) => (
              <Button key={key} className="min-h-11! text-[19px]!" onClick={() => write(key)}>
                {key}
              </Button>
            ))}
            <Button className="min-h-11!" onClick={() => setLine((before) => before.slice(0, -1))}>
              Delete
            </Button>
            <Button
              className="min-h-11!"
              onClick={() => {
                setLine("");
                setValue("");
              }}
            >
              Clear
            </Button>
            <Button look="main" type="submit" className="min-h-11! text-[19px]!">
              =
            </Button>
          </div>
        </form>
      ) : null}
    </section>
  );
}

const plain = (value: number): string =>
  Number.isInteger(value) ? String(value) : String(Number(value.toPrecision(DIGITS)));
