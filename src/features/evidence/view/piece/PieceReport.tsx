"use client";
import Link from "next/link";
import { useParams, useRouter, useSearchParams } from "next/navigation";
import { parseAsInteger, useQueryState } from "nuqs";
import { PageHead } from "@/ui/layout/PageHead";
import { ButtonLink } from "@/ui/primitives/Button";
import type { PieceView } from "../../pieceTypes";
import { pieceSheets } from "../../sheets/pieceSheets";
import { useFrame } from "../frame/useFrame";
import { Files } from "../parts/Files";
import { Follow, type GiveFollow } from "./Follow";
import { Openers } from "./Openers";
import { PieceItems } from "./PieceItems";
import { PieceStandards } from "./PieceStandards";
import { PieceStudents } from "./PieceStudents";
import { Reliability } from "./Reliability";
import { Spread } from "./Spread";

/** One piece of work in the order in which it is read afterwards: how it went, what about, which items, who, and what follows. */
export function PieceReport({ view, give }: { readonly view: PieceView; readonly give: GiveFollow }) {
  const { classes } = useParams<{ classes: string }>();
  const { kept } = useFrame();
  const [line, setLine] = useQueryState("line", parseAsInteger.withDefault(Math.round(view.line)));
  const shown = Math.min(100, Math.max(0, line));
  const sheets = pieceSheets(view, shown);
  const began = view.students.filter(({ answered }) => answered > 0).length;
  return (
    <div className="px-5 py-3">
      <PageHead
        title={`How did “${view.workTitle}” go?`}
        sub={
          <>
            {view.className}; given {view.given}
            {view.due ? `, due ${view.due}` : ""}.{" "}
            <Link
              className="decoration-hair underline underline-offset-3"
              href={`/desk/${classes}/evidence/pieces${kept()}`}
            >
              Other pieces of work
            </Link>
            .<Parts view={view} />
          </>
        }
      >
        <ButtonLink href={`/desk/${classes}/work/${view.id}`}>The work itself</ButtonLink>
        <Files report="pieces" of={{ work: view.id }} />
      </PageHead>
      {began === 0 ? (
        <p className="text-mute py-6">
          Nobody has answered anything in it yet.{" "}
          {view.hidden > 0
            ? `${view.hidden} more students were given it, and are out of sight.`
            : "Look in again once they are at it."}
        </p>
      ) : (
        <>
          <div className="grid gap-x-10 gap-y-5 lg:grid-cols-2">
            <Spread view={view} line={shown} setLine={(to) => setLine(to)} sheet={sheets[0]} />
            <PieceStandards view={view} sheet={sheets[3]} />
          </div>
          <Openers view={view} />
          <PieceItems view={view} />
        </>
      )}
      <PieceStudents view={view} line={shown} />
      <Follow view={view} line={shown} give={give} />
      {view.reliability ? <Reliability view={view} reliability={view.reliability} /> : null}
    </div>
  );
}

/** Which part of the work, where it has several. */
function Parts({ view }: { readonly view: PieceView }) {
  const router = useRouter();
  const search = useSearchParams();
  if (view.parts.length < 2) return null;
  return (
    <label>
      {" "}
      Shown: the part{" "}
      <select
        className="word-edit bg-transparent"
        value={view.part.id}
        onChange={(event) => {
          const next = new URLSearchParams(search);
          next.set("part", event.target.value);
          router.push(`?${next}`, { scroll: false });
        }}
      >
        {view.parts.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}
