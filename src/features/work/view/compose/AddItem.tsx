"use client";
import { useEffect, useState } from "react";
import { Button } from "@/ui/primitives/Button";
import { MathText } from "@/ui/primitives/MathText";
import type { TestItem } from "../../testTypes";
import { askTest } from "./askTest";
import type { TestDesign } from "./composition";
import { BOX } from "./look";

const REST_MILLISECONDS = 250;

/** Adds any single item: the search begins with the test's standards, over the stock and one's own banks. */
export function AddItem({
  classId,
  test,
  add,
}: {
  readonly classId: string;
  readonly test: TestDesign;
  readonly add: (item: TestItem) => void;
}) {
  const [isOpen, setOpen] = useState(false);
  const [words, setWords] = useState("");
  const [found, setFound] = useState<readonly TestItem[] | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const skillIds = test.skills.map(({ skillId }) => skillId).join(" ");
  useEffect(() => {
    if (!isOpen || classId === "") return;
    const aborted = new AbortController();
    const timer = setTimeout(() => {
      askTest("search", { classId, words, skillIds: skillIds.split(" ").filter(Boolean) }, aborted.signal)
        .then((items) => {
          setFound(items);
          setProblem(null);
        })
        .catch((error: unknown) => {
          if (!aborted.signal.aborted) setProblem(error instanceof Error ? error.message : "");
        });
    }, REST_MILLISECONDS);
    return () => {
      clearTimeout(timer);
      aborted.abort();
    };
  }, [isOpen, words, classId, skillIds]);
  if (!isOpen)
    return (
      <Button className="mt-3" onClick={() => setOpen(true)}>
        Add an item
      </Button>
    );
  const there = new Set(test.forms.flat().map(({ item }) => item.itemId));
  return (
    <div className="mt-3 text-[15px]">
      <div className="flex gap-2">
        <input
          // Opened to search, so the search has the focus.
          ref={(field) => field?.focus()}
          aria-label="Find an item to add"
          placeholder="Words of the item; empty for items of these standards"
          className={`${BOX} flex-1`}
          value={words}
          onChange={(event) => setWords(event.target.value)}
          onKeyDown={(event) => {
            if (event.key === "Enter") event.preventDefault();
          }}
        />
        <Button onClick={() => setOpen(false)}>Done adding</Button>
      </div>
      {problem ? <p role="alert">{problem}</p> : null}
      {found?.length === 0 ? <p className="text-mute py-2">Nothing was found. Try fewer words.</p> : null}
      <ul>
        {(found ?? []).map((item) => (
          <li key={item.itemId} className="border-hair flex items-baseline gap-3 border-b py-1">
            <span className="font-reading line-clamp-2 min-w-0 flex-1">
              <MathText text={item.line} /> <span className="text-mute font-sans text-[14px]">{item.kind}</span>
            </span>
            <Button look="quiet" className="px-0!" onClick={() => add(item)}>
              {there.has(item.itemId) ? "Add with other numbers" : "Add"}
            </Button>
          </li>
        ))}
      </ul>
    </div>
  );
}
