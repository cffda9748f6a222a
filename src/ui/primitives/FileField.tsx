import type { ReactNode } from "react";
import { Button } from "./Button";
import { FIELD, Problem } from "./Field";

/** Chooses a file, with what it has to look like. */
export function FileField({ accept, children }: { readonly accept: string; readonly children: ReactNode }) {
  return (
    <label className="block">
      <span className="mb-1 block font-semibold">The file</span>
      <input
        name="file"
        type="file"
        accept={accept}
        required
        className={`${FIELD} w-full file:mr-4 file:border-0 file:bg-transparent file:font-semibold file:underline`}
      />
      <span className="text-mute mt-1 block text-[14px]">{children}</span>
    </label>
  );
}

/** Sends the form with its file: how far it is, a way to stop, and what went wrong. */
export function SendFile({
  words,
  sent,
  problem,
  stop,
}: {
  readonly words: string;
  /** 0 to 1 while it is on its way; null otherwise. */
  readonly sent: number | null;
  readonly problem: string | null;
  readonly stop: () => void;
}) {
  return (
    <>
      <Problem text={problem} />
      <div className="flex items-center gap-3">
        <Button look="main" type="submit" disabled={sent !== null}>
          {sent === null ? words : `Sending, ${Math.round(sent * 100)} %`}
        </Button>
        {sent !== null ? <Button onClick={stop}>Stop</Button> : null}
      </div>
    </>
  );
}
