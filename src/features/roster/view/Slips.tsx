"use client";
import { PrintButton } from "@/ui/layout/PrintButton";
import { Button } from "@/ui/primitives/Button";
import type { SignInSlip } from "../types";

/** Sign-in slips to cut out. The PINs are shown this once. */
export function Slips({ slips, close }: { readonly slips: readonly SignInSlip[]; readonly close: () => void }) {
  return (
    <div className="px-5 py-4">
      <div className="no-print mb-4 flex flex-wrap items-center gap-3">
        <PrintButton>Print the slips</PrintButton>
        <Button onClick={close}>Done</Button>
        <p className="text-mute text-[15px]">
          Print or copy them now: PINs are kept locked and can't be shown again. New ones can be made at any time.
        </p>
      </div>
      <ul className="grid grid-cols-2 gap-0 sm:grid-cols-3 lg:grid-cols-4 print:grid-cols-3">
        {slips.map((slip) => (
          <li key={slip.studentId} className="border-mute break-inside-avoid border border-dashed p-3.5">
            <p className="font-serif text-[18px]">{slip.name}</p>
            <p className="text-mute text-[14px]">{slip.className}</p>
            <dl className="mt-2 grid grid-cols-[5.5rem_1fr] text-[16px]">
              <dt className="text-mute">class code</dt>
              <dd className="font-semibold tracking-widest">{slip.code}</dd>
              <dt className="text-mute">PIN</dt>
              <dd className="font-semibold tracking-widest">{slip.pin}</dd>
            </dl>
          </li>
        ))}
      </ul>
    </div>
  );
}
