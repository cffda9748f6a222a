import type { PlanStudentsView } from "../studentsTypes";

/** Whether the plan runs by itself and at whose pace, as a sentence whose words can be changed. */
export function RunSentence({
  view: { runs, pace, mayChange },
  busy,
  set,
}: {
  readonly view: PlanStudentsView;
  readonly busy: boolean;
  readonly set: (runs: boolean, pace: PlanStudentsView["pace"]) => void;
}) {
  if (!mayChange)
    return (
      <p className="mb-3">
        {runs
          ? `The plan runs by itself, ${pace === "own" ? "at each student’s own pace" : "with the class’s dates"}.`
          : "The plan does not run by itself: students get what is assigned."}
      </p>
    );
  const word = "text-ink border-water border-b border-dotted bg-transparent font-semibold";
  return (
    <p className="mb-3 text-[16px]">
      The plan{" "}
      <select
        aria-label="Whether the plan runs by itself"
        className={word}
        disabled={busy}
        value={runs ? "yes" : "no"}
        onChange={({ target }) => set(target.value === "yes", pace)}
      >
        <option value="no">gives nothing by itself</option>
        <option value="yes">runs by itself</option>
      </select>
      {runs ? (
        <>
          {": students always have something next, "}
          <select
            aria-label="Pace"
            className={word}
            disabled={busy}
            value={pace}
            onChange={({ target }) => set(true, target.value === "class" ? "class" : "own")}
          >
            <option value="own">at their own pace</option>
            <option value="class">with the class's dates</option>
          </select>
          .
        </>
      ) : (
        ": students get what is assigned, and nothing else."
      )}
    </p>
  );
}
