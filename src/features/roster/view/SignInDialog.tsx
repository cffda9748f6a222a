"use client";
import { useState } from "react";
import { Button } from "@/ui/primitives/Button";
import { Dialog } from "@/ui/primitives/Dialog";
import { Progress } from "@/ui/primitives/Progress";

export interface SignInChoice {
  readonly pin: "number" | "picture";
  readonly cards: boolean;
}

/** Asks how students are to sign in before their old PINs stop working. */
export function SignInDialog({
  count,
  done,
  make,
  stop,
  close,
}: {
  readonly count: number;
  /** How many are made already; null while nothing is being made. */
  readonly done: number | null;
  readonly make: (choice: SignInChoice) => void;
  /** Stops after those that are being made; where there is one go only, there is nothing to stop. */
  readonly stop?: () => void;
  readonly close: () => void;
}) {
  const busy = done !== null;
  const [stopping, setStopping] = useState(false);
  const [pin, setPin] = useState<SignInChoice["pin"]>("number");
  const [cards, setCards] = useState(true);
  const many = count === 1 ? "this student" : `these ${count} students`;
  return (
    <Dialog
      open
      onOpenChange={(open) => (open || busy ? null : close())}
      title={`New sign-in for ${count === 1 ? "one student" : `${count} students`}`}
    >
      <form
        className="space-y-4 text-[15px]"
        onSubmit={(event) => {
          event.preventDefault();
          make({ pin, cards });
        }}
      >
        <fieldset className="space-y-1.5">
          <legend className="mb-1 font-semibold">What do they type?</legend>
          <label className="flex items-center gap-2">
            <input
              type="radio"
              name="pin"
              className="accent-clay"
              checked={pin === "number"}
              onChange={() => setPin("number")}
            />
            Four digits
          </label>
          <label className="flex items-center gap-2">
            <input
              type="radio"
              name="pin"
              className="accent-clay"
              checked={pin === "picture"}
              onChange={() => setPin("picture")}
            />
            Four pictures in order, for those who type slowly
          </label>
        </fieldset>
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="accent-clay"
            checked={cards}
            onChange={(event) => setCards(event.target.checked)}
          />
          A card too, whose printed code signs in when held to a camera
        </label>
        <p className="text-mute">
          The PINs and cards that {many} have now stop working, and they are signed out. Locks are lifted.
        </p>
        <div className="flex items-center gap-3">
          <Button look="main" type="submit" disabled={busy}>
            {busy ? "Making…" : cards ? "Make PINs and cards" : "Make PINs"}
          </Button>
          {busy && stop ? (
            <Button
              disabled={stopping}
              onClick={() => {
                setStopping(true);
                stop();
              }}
            >
              {stopping ? "Stopping…" : "Stop here"}
            </Button>
          ) : (
            <Button disabled={busy} onClick={close}>
              Cancel
            </Button>
          )}
          {busy && stop ? <Progress share={done / count} words={`${done} of ${count}`} /> : null}
        </div>
      </form>
    </Dialog>
  );
}
