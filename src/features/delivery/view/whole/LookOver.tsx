import { useState } from "react";
import { Button } from "@/ui/primitives/Button";
import { MathText } from "@/ui/primitives/MathText";
import type { TestState } from "./useTest";

/** Everything once more before it is handed in: what is blank and what was to be looked at again stands first. */
export function LookOver({ test, go }: { readonly test: TestState; readonly go: (place: number) => void }) {
  const [isSure, setSure] = useState(false);
  const blank = test.states.filter(({ answered }) => !answered).length;
  const again = test.states.filter(({ flagged }) => flagged).length;
  const order = test.items
    .map((item, place) => ({ item, place, state: test.states[place] ?? { answered: false, flagged: false } }))
    .sort((x, y) => rank(x.state) - rank(y.state) || x.place - y.place);
  return (
    <div>
      <h2 className="font-serif text-[28px]">Look it over</h2>
      <p className="mt-1">{summary(test.items.length, blank, again)}</p>
      <ul className="mt-4">
        {order.map(({ item, place, state }) => (
          <li key={item.presentationId} className="border-hair border-t">
            <button
              type="button"
              className="flex min-h-11 w-full items-baseline gap-4 py-2 text-left text-[18px]"
              onClick={() => go(place)}
            >
              <span className="w-7 font-bold tabular-nums">{place + 1}</span>
              <span className="line-clamp-1 flex-1">
                <MathText text={item.stem} />
              </span>
              <span className={state.answered ? "text-mute" : "text-clay font-semibold"}>
                {[state.answered ? "" : "blank", state.flagged ? "look again" : ""].filter(Boolean).join(", ") ||
                  "answered"}
              </span>
            </button>
          </li>
        ))}
      </ul>
      <div className="mt-6 flex flex-wrap items-center gap-3.5">
        {blank > 0 && !isSure ? (
          <Button size="big" onClick={() => setSure(true)}>
            Hand in all the same
          </Button>
        ) : (
          <Button look="main" size="big" onClick={test.handIn}>
            Hand in
          </Button>
        )}
        {isSure && blank > 0 ? <p>What is blank stays blank. After this nothing can be changed.</p> : null}
      </div>
    </div>
  );
}

const rank = ({ answered, flagged }: TestState["states"][number]) => (answered ? (flagged ? 1 : 2) : 0);

function summary(items: number, blank: number, again: number): string {
  const parts = [
    ...(blank > 0 ? [`${blank} of ${items} ${blank === 1 ? "is" : "are"} blank`] : [`All ${items} are answered`]),
    ...(again > 0 ? [`you wanted to look at ${again} again`] : []),
  ];
  return `${parts.join("; ")}.`;
}
