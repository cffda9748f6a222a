import { figureWords } from "@/words/staff/figureWords";
import { Why } from "../primitives/Why";

/** A share as a bar with the interval that luck leaves it, and the number beside it. */
export function ShareBar({
  share: { share, low, high, n },
  words,
}: {
  readonly share: { readonly share: number | null; readonly low: number; readonly high: number; readonly n: number };
  /** What it is a share of. */
  readonly words: string;
}) {
  if (share === null) return <span className="text-mute">no answer</span>;
  const percent = Math.round(share * 100);
  const said = `${percent} % of ${words}; from ${Math.round(low * 100)} to ${Math.round(high * 100)} % by luck alone`;
  const why = figureWords("share", {
    right: Math.round(share * n),
    n,
    low: Math.round(low * 100),
    high: Math.round(high * 100),
  });
  return (
    <Why words={why} of={said} className="flex w-full items-center gap-2">
      <span aria-hidden className="bg-(--gauge) relative block h-3.5 min-w-0 flex-1">
        <i className="bg-level-2 absolute inset-y-0 left-0" style={{ width: `${percent}%` }} />
        {n > 0 ? (
          <i
            className="bg-ink absolute top-1/2 h-[1.5px] -translate-y-1/2"
            style={{ left: `${low * 100}%`, width: `${(high - low) * 100}%` }}
          />
        ) : null}
      </span>
      <span className="w-10 shrink-0 text-right tabular-nums">{percent} %</span>
    </Why>
  );
}
