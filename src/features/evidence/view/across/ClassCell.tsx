import type { ReactNode } from "react";
import type { ClassShare } from "../../acrossTypes";
import { Who } from "../parts/Who";

const APART = { above: "above the other classes, beyond luck", below: "below the other classes, beyond luck" } as const;

/** One class's share with its interval and number; from it to those without. */
export function ClassCell(props: {
  readonly share: ClassShare;
  readonly skillId: string;
  readonly what: string;
  readonly more?: ReactNode;
}) {
  const { share, skillId, what, more } = props;
  const { share: found, apart, without } = share;
  if (found.share === null) return <td className="text-mute px-2">nothing known</td>;
  const isApart = apart === "above" || apart === "below";
  const words = `${Math.round(found.low * 100)} to ${Math.round(found.high * 100)} % by luck alone, ${found.n} students${isApart ? `; ${APART[apart]}` : ""}`;
  return (
    <td className="px-2" title={words}>
      <span className="flex items-center gap-2">
        <Who students={without} skillId={skillId} what={what} more={more} className="min-w-11 text-right tabular-nums">
          <span className={isApart ? "font-extrabold" : ""}>{Math.round(found.share * 100)} %</span>
        </Who>
        <span aria-hidden className="bg-(--gauge) relative block h-2.5 w-24">
          <i
            className={`absolute inset-y-0 left-0 ${isApart ? "bg-level-3" : "bg-level-1"}`}
            style={{ width: `${found.share * 100}%` }}
          />
          <i
            className="bg-ink absolute top-1/2 h-[1.5px] -translate-y-1/2"
            style={{ left: `${found.low * 100}%`, width: `${(found.high - found.low) * 100}%` }}
          />
        </span>
        <span className="text-mute text-[13px]">
          n {found.n}
          {apart === "above" ? ", above" : apart === "below" ? ", below" : ""}
        </span>
        <span className="sr-only">{words}</span>
      </span>
    </td>
  );
}
