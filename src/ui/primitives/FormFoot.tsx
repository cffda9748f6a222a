"use client";
import { Button } from "./Button";
import { Problem } from "./Field";

/** The end of a dialog's form: what went wrong, the deed, and the way out. */
export function FormFoot({
  problem,
  deed,
  disabled,
  close,
}: {
  readonly problem: string | null;
  /** Words of the button that does it. */
  readonly deed: string;
  readonly disabled: boolean;
  readonly close: () => void;
}) {
  return (
    <>
      <Problem text={problem} />
      <div className="flex gap-2">
        <Button look="main" type="submit" disabled={disabled}>
          {deed}
        </Button>
        <Button onClick={close}>Cancel</Button>
      </div>
    </>
  );
}
