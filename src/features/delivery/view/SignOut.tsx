"use client";
import { forgetPages } from "./KeepPages";

/** Signs out; pages that this device kept go with it. */
export function SignOut({ signOut }: { readonly signOut: () => Promise<void> }) {
  return (
    <form action={signOut} onSubmit={forgetPages}>
      <button type="submit" className="text-mute min-h-11 text-[17px] underline underline-offset-4">
        Sign out
      </button>
    </form>
  );
}
