/** What went wrong, as a short stable code that tests and messages hang on. */
export type CoreErrorCode = "bad-argument" | "bad-expression" | "bad-item" | "contradiction" | "unreadable-day";

/** Misuse of the core: says what was required and which values broke it. Lack of data is never an error. */
export class CoreError extends Error {
  override readonly name = "CoreError";
  constructor(
    readonly code: CoreErrorCode,
    message: string,
    readonly values: Readonly<Record<string, unknown>> = {},
    options?: { cause?: unknown },
  ) {
    super(message, options);
  }
}

/** Throws "bad-argument" with the message and the values unless the condition holds. */
export function demandThat(
  condition: boolean,
  message: string,
  values: Readonly<Record<string, unknown>> = {},
): asserts condition {
  if (!condition) throw new CoreError("bad-argument", message, values);
}
