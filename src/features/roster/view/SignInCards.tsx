"use client";
import { PICTURES } from "@/core/model/pictures";
import { classCodeWords } from "@/core/roster/classCode";
import { PrintButton } from "@/ui/layout/PrintButton";
import { Button } from "@/ui/primitives/Button";
import { Picture } from "@/ui/primitives/Picture";
import type { SignInSlip } from "../types";

/** Sign-in slips and cards to cut out. PINs and codes are shown this once. */
export function SignInCards({ slips, close }: { readonly slips: readonly SignInSlip[]; readonly close: () => void }) {
  const withCards = slips.some(({ card }) => card !== null);
  return (
    <div className="px-5 py-4">
      <div className="no-print mb-4 flex flex-wrap items-center gap-3">
        <PrintButton>{withCards ? "Print the cards" : "Print the slips"}</PrintButton>
        <Button onClick={close}>Done</Button>
        <p className="text-mute text-[15px]">
          {slips.length} {slips.length === 1 ? "student" : "students"}. Print them now: PINs and codes are kept locked
          and can't be shown again. New ones can be made at any time; the old ones stop working then.
        </p>
      </div>
      <ul
        className={`font-reading grid grid-cols-2 gap-0 ${withCards ? "print:grid-cols-2" : "sm:grid-cols-3 lg:grid-cols-4 print:grid-cols-3"}`}
      >
        {slips.map((slip) => (
          <li
            key={slip.studentId}
            className="border-mute flex min-h-44 break-inside-avoid gap-4 border border-dashed p-4"
          >
            {slip.card ? (
              <img src={slip.card} alt={`Sign-in code of ${slip.name}`} className="h-36 w-36 shrink-0 bg-white p-1" />
            ) : null}
            <div className="min-w-0">
              <p className="font-serif text-[20px] leading-tight">{slip.name}</p>
              <p className="text-mute text-[14px]">{slip.className}</p>
              <dl className="mt-2 text-[16px]">
                <dt className="text-mute text-[14px]">class code</dt>
                <dd className="font-semibold tracking-widest">{classCodeWords(slip.code) || "ask your teacher"}</dd>
                <dt className="text-mute mt-1 text-[14px]">
                  {slip.pinKind === "picture" ? "pictures, in order" : "PIN"}
                </dt>
                <dd className="font-semibold">
                  {slip.pinKind === "picture" ? (
                    <PicturesOfPin pin={slip.pin} />
                  ) : (
                    <span className="tracking-widest">{slip.pin}</span>
                  )}
                </dd>
              </dl>
            </div>
          </li>
        ))}
      </ul>
    </div>
  );
}

function PicturesOfPin({ pin }: { readonly pin: string }) {
  return (
    <span className="flex gap-2.5">
      {pin.split("-").map((number, place) => {
        const name = PICTURES[Number(number)];
        return name ? (
          <span key={place} className="flex flex-col items-center text-[13px] font-normal">
            <Picture name={name} size={30} />
            {name}
          </span>
        ) : null;
      })}
    </span>
  );
}
