"use client";
import Link from "next/link";
import { useParams } from "next/navigation";
import { PageHead } from "@/ui/layout/PageHead";
import type { PieceLine } from "../../pieceTypes";
import { useFrame } from "../frame/useFrame";

/** The pieces of work of some days, each a step from its report. */
export function PieceList({ pieces, many }: { readonly pieces: readonly PieceLine[]; readonly many: boolean }) {
  const { classes } = useParams<{ classes: string }>();
  const { kept } = useFrame();
  return (
    <div className="max-w-5xl px-5 py-3">
      <PageHead
        title="How did one piece of work go?"
        sub="What was given or due in these days, the latest first. Good is: everybody through, and most at or above the line."
      />
      {pieces.length === 0 ? (
        <p className="text-mute py-6">Nothing was given or due in these days. Choose others in the line above.</p>
      ) : (
        <table className="w-full border-collapse text-[15px]">
          <thead>
            <tr className="border-ink border-b text-left text-[14px]">
              <th scope="col" className="py-1 font-semibold">
                Work
              </th>
              {many ? (
                <th scope="col" className="px-2 font-semibold">
                  Class
                </th>
              ) : null}
              <th scope="col" className="px-2 font-semibold">
                Given
              </th>
              <th scope="col" className="px-2 font-semibold">
                Due
              </th>
              <th scope="col" className="px-2 text-right font-semibold">
                Through
              </th>
              <th scope="col" className="px-2 text-right font-semibold">
                Mean mark
              </th>
            </tr>
          </thead>
          <tbody>
            {pieces.map((piece) => (
              <tr key={piece.id} className="border-hair border-b">
                <th scope="row" className="py-1.5 text-left font-semibold">
                  <Link
                    className="decoration-hair underline underline-offset-3"
                    href={`/desk/${classes}/evidence/pieces/${piece.id}${kept()}`}
                  >
                    {piece.title}
                  </Link>
                </th>
                {many ? <td className="px-2">{piece.className}</td> : null}
                <td className="px-2 whitespace-nowrap">{piece.given}</td>
                <td className="px-2 whitespace-nowrap">{piece.due ?? "no due day"}</td>
                <td className="px-2 text-right tabular-nums">
                  {piece.finished} of {piece.students}
                </td>
                <td className="px-2 text-right tabular-nums">{piece.average === null ? "" : `${piece.average} %`}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </div>
  );
}
