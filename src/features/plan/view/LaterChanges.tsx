import { Button } from "@/ui/primitives/Button";
import type { LaterChangeView, OriginalView } from "../originalTypes";

/** What changed in the plan that this one was copied from, each to be taken over or left. */
export function LaterChanges({
  original,
  mayChange,
  busy,
  settle,
}: {
  readonly original: OriginalView | null;
  readonly mayChange: boolean;
  readonly busy: boolean;
  readonly settle: (
    choice: { readonly take: readonly string[]; readonly leave: readonly string[] },
    said: string,
  ) => void;
}) {
  if (!original || (original.closed === null && original.changes.length === 0)) return null;
  const { name, closed, changes } = original;
  const all = changes.map(({ originId }) => originId);
  return (
    <section
      aria-label="Changed since it was copied"
      className="border-water mb-4 max-w-4xl border-l-4 pl-3 text-[15px]"
    >
      <p>
        Copied from <b>“{name}”</b>
        {closed ? `. ${closed} This copy stays as it is.` : ", which changed since:"}
      </p>
      <ul>
        {changes.map((change) => (
          <li key={change.originId} className="flex flex-wrap items-baseline gap-x-3">
            <span>
              <b>{change.title}</b>: {changeWords(change)}
              {change.clash ? <span className="text-clay"> It was changed here too.</span> : null}
            </span>
            {mayChange ? (
              <span className="no-print flex gap-x-1">
                <Button
                  look="quiet"
                  disabled={busy}
                  aria-label={`Take over: ${change.title}`}
                  onClick={() => settle({ take: [change.originId], leave: [] }, `“${change.title}” taken over.`)}
                >
                  Take over
                </Button>
                <Button
                  look="quiet"
                  disabled={busy}
                  aria-label={`Leave as it is here: ${change.title}`}
                  onClick={() =>
                    settle({ take: [], leave: [change.originId] }, `“${change.title}” stays as it is here.`)
                  }
                >
                  Leave
                </Button>
              </span>
            ) : null}
          </li>
        ))}
      </ul>
      {mayChange && changes.length > 1 ? (
        <p className="no-print mt-1">
          <Button disabled={busy} onClick={() => settle({ take: all, leave: [] }, `${all.length} changes taken over.`)}>
            Take all {String(changes.length)} over
          </Button>
        </p>
      ) : null}
    </section>
  );
}

function changeWords({ what, here, there }: LaterChangeView): string {
  if (what === "new") return `new there, ${there}.`;
  if (what === "gone") return "taken out there.";
  return here === there ? "holds something else there." : `${there} there, ${here} here.`;
}
