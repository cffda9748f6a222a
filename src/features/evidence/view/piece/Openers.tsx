"use client";
import { useParams } from "next/navigation";
import { ButtonLink } from "@/ui/primitives/Button";
import { MathText } from "@/ui/primitives/MathText";
import type { PieceView } from "../../pieceTypes";
import { talkHref } from "../parts/talkHref";

/** Up to three items to open the next lesson with, each with its reason. */
export function Openers({ view }: { readonly view: PieceView }) {
  const { classes } = useParams<{ classes: string }>();
  const openers = view.openers.flatMap((key) => view.items.find((item) => item.key === key) ?? []);
  if (openers.length === 0) return null;
  return (
    <section className="mt-5" aria-labelledby="openers-title">
      <h2 id="openers-title" className="text-[16px] font-bold">
        Open the next lesson with
      </h2>
      <ol className="grid gap-x-8 lg:grid-cols-3">
        {openers.map((item) => {
          const [most] = item.wrong;
          return (
            <li key={item.key} className="border-ink mt-1 border-t-2 pt-1.5 text-[14px]">
              <p className="line-clamp-2 font-reading text-[15px]">
                <MathText text={item.stem} />
              </p>
              <p className="text-mute mt-0.5">
                Item {item.place}: {item.missedIds.length} of {item.right.n} missed it
                {most?.misconception
                  ? `, ${most.studentIds.length} because they ${most.misconception.slice(0, 1).toLowerCase()}${most.misconception.slice(1)}`
                  : most
                    ? `; ${most.studentIds.length} gave `
                    : ""}
                {most && !most.misconception ? <MathText text={most.text} /> : null}.
              </p>
              <ButtonLink
                className="mt-1"
                href={talkHref(classes, { work: view.id, item: item.key, part: view.part.id })}
              >
                Everyone's answers, large
              </ButtonLink>
            </li>
          );
        })}
      </ol>
    </section>
  );
}
