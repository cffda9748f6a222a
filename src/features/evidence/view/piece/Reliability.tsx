import type { PieceView } from "../../pieceTypes";

const two = (value: number) => value.toFixed(2);

const NO_ALPHA: Readonly<Record<string, string>> = {
  "too-few-students": "fewer than two students had every item",
  "one-item": "one item alone has no consistency",
  "no-variance": "all had the same score",
};

/** How far the test can be relied on, for those who want to know. */
export function Reliability({
  reliability: { alpha, low, high, noAlpha, sem, complete, few },
}: {
  readonly view: PieceView;
  readonly reliability: NonNullable<PieceView["reliability"]>;
}) {
  return (
    <details className="mt-5 text-[15px]">
      <summary className="font-bold">How far can it be relied on?</summary>
      {alpha === null ? (
        <p className="mt-1">No figure: {NO_ALPHA[noAlpha ?? ""] ?? "the answers carry none"}.</p>
      ) : (
        <p className="mt-1">
          Coefficient alpha {two(alpha)}
          {low === null || high === null ? "" : ` (${two(low)} to ${two(high)})`}, over {complete} students who had
          every item; 0.8 or more is good for a decision about one student, 0.7 for a class.
          {sem === null
            ? ""
            : ` One student's mark would move by about ${Math.round(sem)} points in 100 from one such test to the next, by luck alone.`}
        </p>
      )}
      {few ? <p className="text-mute">Fewer than 30 students: take these figures as a hint.</p> : null}
      <p className="text-mute">
        Each item's correlation with the rest, and alpha without it, stand in the table of items.
      </p>
    </details>
  );
}
