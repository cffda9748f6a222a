"use client";
import { useParams } from "next/navigation";
import { useState } from "react";
import { ShareBar } from "@/ui/charts/ShareBar";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { MathText } from "@/ui/primitives/MathText";
import { FLAG_WORDS } from "@/words/staff/flagWords";
import type { PieceItem, PieceView, WrongAnswer } from "../../pieceTypes";
import { pieceSheets } from "../../sheets/pieceSheets";
import { TableFile } from "../parts/Files";
import { SheetTable } from "../parts/SheetTable";
import { talkHref } from "../parts/talkHref";
import { Who } from "../parts/Who";

const WRONG_SHOWN = 3;
/** What rests on a correlation is a matter of luck with fewer students; the table has it all the same. */
const LEAST_FOR_CORRELATION = 30;
const tells = (item: PieceItem) => (flag: PieceItem["flags"][number]) =>
  flag !== "weak-discrimination" || item.right.n >= LEAST_FOR_CORRELATION;

/** Each item: how many had it right, what was given instead and why, and who; from each to a talk in one move. */
export function PieceItems({ view }: { readonly view: PieceView }) {
  const [sort, setSort] = useState<"place" | "missed">("place");
  const [asTable, setAsTable] = useState(false);
  const [, items] = pieceSheets(view);
  const shown =
    sort === "place"
      ? view.items
      : [...view.items].sort((x, y) => (x.right.share ?? 1) - (y.right.share ?? 1) || x.place - y.place);
  return (
    <section className="mt-5" aria-labelledby="items-title">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h2 id="items-title" className="text-[16px] font-bold">
          Which items went wrong, and how?
        </h2>
        <label className="no-print text-mute text-[14px]">
          in the order of{" "}
          <select
            className="word-edit bg-transparent"
            value={sort}
            onChange={(event) => setSort(event.target.value as typeof sort)}
          >
            <option value="place">the work</option>
            <option value="missed">what was missed most</option>
          </select>
        </label>
        <Button
          look="quiet"
          className="no-print min-h-0! px-0! py-0! text-[14px]!"
          onClick={() => setAsTable(!asTable)}
        >
          {asTable ? "With the wrong answers" : "As a table, with item analysis"}
        </Button>
        <TableFile report="pieces" table="Items" of={{ work: view.id }} />
      </div>
      {view.sameItems ? null : (
        <p className="text-mute text-[14px]">
          Each student had numbers of their own: wrong answers are told by the mistake that they show.
        </p>
      )}
      {asTable && items ? (
        <SheetTable sheet={items} />
      ) : (
        <ol>
          {shown.map((item) => (
            <Item key={item.key} item={item} view={view} />
          ))}
        </ol>
      )}
    </section>
  );
}

function Item({ item, view }: { readonly item: PieceItem; readonly view: PieceView }) {
  const { classes } = useParams<{ classes: string }>();
  const nameOf = new Map(view.students.map(({ id, name }) => [id, name]));
  const some = (ids: readonly string[]) => ids.map((id) => ({ id, name: nameOf.get(id) ?? "" }));
  const about = { work: view.id, item: item.key, part: view.part.id };
  const rest = item.wrong.slice(WRONG_SHOWN);
  return (
    <li className="border-hair grid grid-cols-[1.75rem_minmax(0,1fr)_11rem_minmax(0,1.1fr)_auto] items-start gap-x-3 border-t py-1.5 text-[14px] max-lg:grid-cols-[1.75rem_minmax(0,1fr)]">
      <b className="tabular-nums">{item.place}</b>
      <div className="min-w-0">
        <p className={`font-reading line-clamp-2 ${item.leftOut ? "text-mute line-through" : ""}`} title={item.stem}>
          <MathText text={item.stem} />
        </p>
        <p className="text-mute">
          {item.answer ? (
            <>
              <MathText text={item.answer} />;{" "}
            </>
          ) : null}
          {item.skill}
          {item.leftOut ? "; left out of every mark" : ""}
        </p>
        {item.flags.filter(tells(item)).map((flag) => (
          <p key={flag} className="text-clay">
            {FLAG_WORDS[flag]}
          </p>
        ))}
      </div>
      <div className="max-lg:col-start-2">
        <ShareBar share={item.right} words={`${item.right.n} right at the first try`} />
        <Who
          students={some(item.missedIds)}
          skillId={item.skillId}
          what={`missed item ${item.place}`}
          more={<ButtonLink href={talkHref(classes, about, item.missedIds)}>Talk now</ButtonLink>}
        >
          {item.missedIds.length === 0 ? "nobody missed it" : `${item.missedIds.length} missed it`}
        </Who>
      </div>
      <ul className="min-w-0 max-lg:col-start-2">
        {item.wrong.slice(0, WRONG_SHOWN).map((wrong) => (
          <Wrong key={wrong.text} wrong={wrong} item={item} of={item.right.n} view={view} />
        ))}
        {rest.length > 0 ? (
          <li className="text-mute">
            and {rest.length} other {rest.length === 1 ? "answer" : "answers"}
          </li>
        ) : null}
        {item.blank > 0 ? <li className="text-mute">{item.blank} left it blank</li> : null}
      </ul>
      <div className="no-print max-lg:col-start-2">
        {item.missedIds.length > 0 ? (
          <ButtonLink className="min-h-0! py-0.5! text-[14px]!" href={talkHref(classes, about, item.missedIds)}>
            Talk now
          </ButtonLink>
        ) : null}
      </div>
    </li>
  );
}

/** One wrong answer with those who gave it: a bar of their share, a mark that leads to them. */
function Wrong(props: {
  readonly wrong: WrongAnswer;
  readonly item: PieceItem;
  readonly of: number;
  readonly view: PieceView;
}) {
  const { wrong, item, of, view } = props;
  const { classes } = useParams<{ classes: string }>();
  const nameOf = new Map(view.students.map(({ id, name }) => [id, name]));
  return (
    <li className="grid grid-cols-[2rem_minmax(0,1fr)] items-baseline gap-2">
      <Who
        students={wrong.studentIds.map((id) => ({ id, name: nameOf.get(id) ?? "" }))}
        skillId={item.skillId}
        what={`gave “${wrong.text}” to item ${item.place}`}
        className="text-right font-semibold"
        more={
          <ButtonLink href={talkHref(classes, { work: view.id, item: item.key, part: view.part.id }, wrong.studentIds)}>
            Talk now
          </ButtonLink>
        }
      >
        {wrong.studentIds.length}
      </Who>
      <span className="relative min-w-0">
        <i
          aria-hidden
          className="bg-level-0/60 absolute inset-y-0 left-0 -z-10"
          style={{ width: `${(100 * wrong.studentIds.length) / Math.max(1, of)}%` }}
        />
        <span className="font-reading">
          <MathText text={wrong.text} />
        </span>
        {wrong.misconception && view.sameItems ? <span className="text-clay"> {wrong.misconception}</span> : null}
      </span>
    </li>
  );
}
