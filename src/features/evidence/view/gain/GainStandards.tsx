"use client";
import { useParams } from "next/navigation";
import { ChartFrame } from "@/ui/charts/ChartFrame";
import { ButtonLink } from "@/ui/primitives/Button";
import type { GainStandard, GainView } from "../../gainTypes";
import { gainSheets } from "../../sheets/gainSheets";
import { TableFile } from "../parts/Files";
import { SheetTable } from "../parts/SheetTable";

const points = (share: number) => Math.round(share * 100);

/** What was gained in each standard, less what easier items make of it. */
export function GainStandards({ view }: { readonly view: GainView }) {
  const [, sheet] = gainSheets(view);
  return (
    <ChartFrame
      question="Where was most gained, where least?"
      good="Points in 100, less what easier or harder items account for. Good is a whole interval above nought."
      chart={
        <ul className="text-[14px]">
          {[...view.standards]
            .sort((x, y) => x.gained - y.gained)
            .map((standard) => (
              <Standard key={standard.id} standard={standard} />
            ))}
        </ul>
      }
      table={sheet ? <SheetTable sheet={sheet} /> : null}
    >
      <TableFile report="gain" table="Standards" />
    </ChartFrame>
  );
}

function Standard({ standard }: { readonly standard: GainStandard }) {
  const { classes } = useParams<{ classes: string }>();
  const { code, words, before, after, byItems, gained, low, high, n } = standard;
  const open = low !== null && low <= 0;
  return (
    <li className="border-hair border-t py-1.5">
      <p className="flex items-baseline justify-between gap-3">
        <span className="min-w-0 truncate" title={words}>
          {code ? <b className="font-semibold">{code}</b> : null} {words}
        </span>
        <b className="whitespace-nowrap tabular-nums">
          {gained > 0 ? "+" : gained < 0 ? "−" : ""}
          {Math.abs(points(gained))} points
        </b>
      </p>
      <p className="text-mute flex items-baseline justify-between gap-3">
        <span>
          {points(before)} to {points(after)} % right; {n} students
          {Math.abs(points(byItems)) > 0
            ? `; ${Math.abs(points(byItems))} points because the items are ${byItems > 0 ? "easier" : "harder"}`
            : ""}
          {low === null || high === null ? "" : `; between ${points(low)} and ${points(high)}`}
        </span>
        {open ? (
          <ButtonLink
            className="no-print min-h-0! py-0! text-[13px]!"
            href={`/desk/${classes}/library/${standard.skillId}`}
          >
            Reteach plan
          </ButtonLink>
        ) : null}
      </p>
    </li>
  );
}
