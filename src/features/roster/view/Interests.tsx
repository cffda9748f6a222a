"use client";
import { useState, useTransition } from "react";
import { sayProblem } from "@/client/notices";
import { INTERESTS, MOST_INTERESTS } from "@/core/model/interests";
import { interestWords } from "@/words/students/interestWords";
import { chooseInterestsAction } from "../actions";

/** What a student likes, tapped from a list; kept at once. It colours the stories in the items. */
export function Interests({ chosen: start }: { readonly chosen: readonly string[] }) {
  const [chosen, setChosen] = useState<readonly string[]>(start);
  const [busy, begin] = useTransition();
  const flip = (interest: string) => {
    const next = chosen.includes(interest) ? chosen.filter((one) => one !== interest) : [...chosen, interest];
    if (next.length > MOST_INTERESTS) {
      sayProblem(`You can choose ${MOST_INTERESTS}. Tap one of yours to let it go first.`);
      return;
    }
    setChosen(next);
    begin(async () => {
      const result = await chooseInterestsAction({ chosen: next });
      if (result.ok) return;
      setChosen(chosen);
      sayProblem(result.message);
    });
  };
  return (
    <details className="border-hair mt-8 border-t pt-3">
      <summary className="min-h-11 text-[18px]">
        What I like:{" "}
        {chosen.length === 0 ? (
          <span className="text-mute">choose up to {MOST_INTERESTS}</span>
        ) : (
          chosen.map(interestWords).join(", ")
        )}
      </summary>
      <ul className="mt-3 flex flex-wrap gap-2">
        {INTERESTS.map((interest) => (
          <li key={interest}>
            <button
              type="button"
              aria-pressed={chosen.includes(interest)}
              disabled={busy}
              className={`min-h-11 border-[1.5px] px-4 text-[18px] ${chosen.includes(interest) ? "bg-ink text-paper border-ink" : "border-hair bg-field hover:border-ink"}`}
              onClick={() => flip(interest)}
            >
              {interestWords(interest)}
            </button>
          </li>
        ))}
      </ul>
    </details>
  );
}
