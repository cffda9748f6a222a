import { SheetLink } from "@/ui/layout/SheetLink";
import { whyWords } from "@/words/staff/whyWords";
import type { PartOfRow, WorkRowView, WorkView } from "../types";
import { gainWords } from "./Gain";
import { outcomeWords } from "./outcomeWords";
import { PlacedCell } from "./Placed";

/** Finished, and in which skills that was not enough. */
function Unmastered({ open }: Pick<WorkRowView, "open">) {
  return (
    <>
      finished; not mastered:{" "}
      {open.map(({ skill, percent, why }, place) => (
        <span key={skill} title={whyWords("mastery", why)}>
          {skill} {percent} %{place < open.length - 1 ? ", " : ""}
          <span className="sr-only">, {whyWords("mastery", why)}</span>
        </span>
      ))}
    </>
  );
}

/** Under a student who is stuck: in what, and why that is said. */
export function WhyStuck({ snags, columns }: Pick<WorkRowView, "snags"> & { readonly columns: number }) {
  return (
    <tr>
      <td colSpan={columns} className="pb-2 pl-[22px] text-[14px]">
        {snags.map(({ skill, why }) => (
          <p key={skill}>
            <b>{skill}</b>: {whyWords("snag", why)}.
          </p>
        ))}
      </td>
    </tr>
  );
}

export function Row({
  row,
  work,
  name,
  toggle,
  pulled,
}: {
  readonly row: WorkRowView;
  readonly work: WorkView;
  readonly name: string;
  readonly toggle: () => void;
  readonly pulled: boolean;
}) {
  return (
    <tr className="border-hair border-t">
      <td className="py-1">
        <span className="flex items-center gap-2">
          <input
            type="checkbox"
            className="accent-clay"
            checked={pulled}
            onChange={toggle}
            aria-label={`${row.name} on the pull list`}
          />
          <SheetLink id={row.studentId} className={pulled ? "font-bold" : ""}>
            {row.name}
          </SheetLink>
        </span>
      </td>
      <td
        className={row.status === "stuck" ? "text-clay font-semibold" : row.status === "not-started" ? "text-mute" : ""}
      >
        {row.excused === null ? (
          <>
            {row.open.length > 0 ? <Unmastered open={row.open} /> : name}
            {row.now ? ", at it now" : ""}
            {row.late ? ", late" : ""}
            {row.absent ? ", absent" : ""}
          </>
        ) : (
          <span className="text-mute font-normal">excused: {row.excused}</span>
        )}
        {row.comments.map((text) => (
          <span key={text} className="text-mute block max-w-80 text-[14px] font-normal">
            “{text}”
          </span>
        ))}
        {row.granted.length > 0 || work.forms.length > 1 ? (
          <span className="text-mute block text-[14px] font-normal">
            {[...(work.forms.length > 1 ? [`form ${row.form}`] : []), ...row.granted].join(", ")}
          </span>
        ) : null}
      </td>
      {work.parts.length > 1 ? (
        row.parts.map((part, place) => <td key={work.parts[place]?.id}>{partWords(part)}</td>)
      ) : work.strands.length > 0 ? (
        work.strands.map((strand) => <PlacedCell key={strand.id} strand={strand} of={work.strands.length} row={row} />)
      ) : (
        <OnePart row={row} work={work} />
      )}
      {work.gain === null ? null : <td>{row.gain === null ? "" : gainWords(row.gain)}</td>}
      <td className="text-mute">
        {row.lastWorked}
        {row.tooLate > 0 ? (
          <span className="text-ink block text-[14px]">
            {row.tooLate === 1 ? "1 answer came" : `${row.tooLate} answers came`} too late, not counted
          </span>
        ) : null}
      </td>
    </tr>
  );
}

/** A part for one student, in few words. */
function partWords({ state, markPercent, passed, outcome }: PartOfRow): string {
  if (state === "not-needed") return "not needed";
  if (state === "locked") return "waits";
  if (state !== "done") return state === "begun" ? "at it" : "open";
  const said = outcomeWords(outcome);
  if (said !== "") return said;
  if (markPercent === null) return "done";
  return `${markPercent} %${passed === null ? "" : passed ? ", at the cut or above" : ", below the cut"}`;
}

/** How far a single part is, and what came out. */
function OnePart({ row, work }: { readonly row: WorkRowView; readonly work: WorkView }) {
  const isTest = work.parts[0]?.isTest === true;
  return (
    <>
      <td>
        <span
          className="block h-2.5 w-36"
          style={{ background: "var(--gauge)" }}
          role="img"
          aria-label={`${Math.round(row.progress * 100)} % done`}
        >
          <i className="bg-water block h-full" style={{ width: `${row.progress * 100}%` }} />
        </span>
      </td>
      <td>
        {isTest
          ? row.markPercent === null
            ? ""
            : row.tries.length > 1
              ? `${row.markPercent} % counts, of ${row.tries.map((percent) => `${percent} %`).join(", ")}`
              : `${row.markPercent} %, ${row.itemsRight} of ${row.itemsDone} right`
          : row.itemsDone > 0
            ? `${row.itemsRight} of ${row.itemsDone}`
            : ""}
        <span className="block text-[14px]">{outcomeWords(row.parts[0]?.outcome)}</span>
        {row.toScore > 0 ? `, ${row.toScore} to score` : ""}
        {isTest || row.markPercent === null ? "" : `; with partial credit ${row.markPercent} %`}
        {row.passed === false ? <span className="text-clay font-semibold">, below the cut</span> : null}
      </td>
    </>
  );
}
