"use client";
import { useState } from "react";
import type { ItemBody } from "@/core/items/itemBody";
import type { Passage } from "@/core/items/passage";
import { Button } from "@/ui/primitives/Button";
import { MathText } from "@/ui/primitives/MathText";
import { remarkWords } from "@/words/staff/itemWords";
import { judgeTry } from "../askServer";
import { faultWords } from "./faultWords";
import type { Preview as PreviewType } from "./preview";
import { useTrial } from "./useTrial";

/** Beside the form: the student's view of a draw, what is odd or missing, and the other draws. */
export function Alongside({
  itemId,
  body,
  passage,
  Preview,
}: {
  readonly itemId: string;
  readonly body: ItemBody;
  readonly passage: Passage | null;
  readonly Preview: PreviewType;
}) {
  const { look, problem } = useTrial(itemId, body);
  const [chosen, setChosen] = useState(0);
  const variants = look && "variants" in look ? look.variants : [];
  const shown = variants[chosen % Math.max(1, variants.length)];
  return (
    <aside className="lg:sticky lg:top-36" aria-label="Student's view">
      <div className="mb-2 flex items-baseline justify-between gap-3">
        <h2 className="font-serif text-[18px] font-medium">As a student sees it</h2>
        {variants.length > 1 ? (
          <Button look="quiet" onClick={() => setChosen((place) => (place + 1) % variants.length)}>
            Another draw
          </Button>
        ) : null}
      </div>
      {shown ? (
        <div className="bg-field border-hair border p-5">
          <Preview
            key={`${shown.seed} ${shown.stem} ${JSON.stringify(shown.parts)}`}
            item={{ ...shown, passage }}
            judge={(response) =>
              judgeTry({ itemId, body, given: { seed: shown.seed, context: shown.context, response } })
            }
          />
          <p className="border-hair mt-4 border-t pt-2 text-[15px]">
            Answer:{" "}
            <b>
              <MathText text={shown.parts.map(({ keyText }) => keyText).join("; ")} />
            </b>
          </p>
        </div>
      ) : (
        <p className="bg-field border-hair text-mute border p-5 text-[15px]">
          {look ? "Nothing can be shown yet." : "A moment…"}
        </p>
      )}
      {problem ? (
        <p role="alert" className="border-clay mt-3 border-l-4 pl-3 text-[15px]">
          {problem}
        </p>
      ) : null}
      {look && look.faults.length > 0 ? (
        <ul className="border-clay mt-3 space-y-0.5 border-l-4 pl-3 text-[15px]" aria-label="Still missing">
          {[...new Set(look.faults.map((fault) => faultWords(fault, body)))].map((words) => (
            <li key={words}>{words}</li>
          ))}
        </ul>
      ) : null}
      {look && "variants" in look ? (
        <>
          {look.remarks.length > 0 ? (
            <ul className="border-clay mt-3 space-y-0.5 border-l-4 pl-3 text-[15px]" aria-label="To be looked at">
              {look.remarks.map((remark) => (
                <li key={`${remark.code} ${remark.reason} ${remark.partId}`}>{remarkWords(remark, look.tried)}</li>
              ))}
            </ul>
          ) : (
            <p className="text-mute mt-3 text-[15px]">
              {look.different > 1
                ? `${look.different} different items in ${look.tried} draws; nothing odd in any.`
                : "Always the same item; nothing odd in it."}
            </p>
          )}
          {variants.length > 1 ? (
            <details className="mt-3">
              <summary className="cursor-pointer text-[15px]">{variants.length} draws and their answers</summary>
              <ol className="mt-1 max-h-80 overflow-y-auto text-[15px]">
                {variants.map((variant, place) => (
                  <li key={variant.seed} className="border-hair border-t py-1">
                    <button type="button" className="w-full text-left" onClick={() => setChosen(place)}>
                      <MathText text={variant.stem} />{" "}
                      <b>
                        <MathText text={variant.parts.map(({ keyText }) => keyText).join("; ")} />
                      </b>
                    </button>
                  </li>
                ))}
              </ol>
            </details>
          ) : null}
        </>
      ) : null}
    </aside>
  );
}
