"use client";
import { Toaster } from "sonner";

/** Where quiet notices appear: above the pull list, out of the way of the work. */
export function Notices() {
  return (
    <Toaster
      position="bottom-left"
      offset={{ bottom: 72, left: 20 }}
      toastOptions={{
        unstyled: true,
        classNames: {
          toast: "flex items-center gap-4 bg-ink text-paper px-4 py-3 w-[26rem] max-w-[92vw] text-[15px]",
          actionButton: "ml-auto underline underline-offset-4 font-semibold shrink-0 px-2 py-1",
          closeButton: "hidden",
        },
      }}
    />
  );
}
