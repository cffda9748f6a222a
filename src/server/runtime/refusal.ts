/** Why a use-case was refused; each has its own answer on the screen. */
export type RefusalCode =
  | "signed-out"
  | "not-allowed"
  | "not-found"
  | "invalid"
  | "conflict"
  | "locked"
  | "closed"
  | "too-large"
  /** The storage does not take what is written, or too much is asked at once: the same may succeed later. */
  | "unavailable";

/** A refusal that a person can read: what was wrong and what can be done. */
export class Refusal extends Error {
  override readonly name = "Refusal";

  /** Also one that another bundle of the same process has thrown: each has a class of its own. */
  static override [Symbol.hasInstance](value: unknown): boolean {
    return value instanceof Error && value.name === "Refusal" && "code" in value;
  }

  constructor(
    readonly code: RefusalCode,
    message: string,
    /** Seconds after which the same may be tried again; where that is what is refused. */
    readonly waitSeconds?: number,
  ) {
    super(message);
  }
}
