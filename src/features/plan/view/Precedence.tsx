import { PRECEDENCE } from "@/core/plan/precedence";

const WORDS: Readonly<Record<(typeof PRECEDENCE)[number], string>> = {
  "due-work": "work with a due day, what is due first in front",
  detour: "what a group is given by its teacher",
  plan: "the plan: what is mastered is passed over, and what is missing underneath comes first",
  review: "review, once there is any",
  "free-choice": "what they choose themselves, once that can be",
};

/** In which order a student is given things. */
export function Precedence() {
  return (
    <details className="no-print mt-5 max-w-3xl">
      <summary className="text-mute cursor-pointer">What a student is given first</summary>
      <ol className="mt-1 list-decimal pl-6">
        {PRECEDENCE.map((kind) => (
          <li key={kind}>{WORDS[kind]}</li>
        ))}
      </ol>
    </details>
  );
}
