/**
 * What a computation answers when the data cannot carry an estimate: which of its stated reasons applies. Told apart from
 * an estimate by `"noEstimate" in result`; a screen says the reason instead of a number.
 */
export interface NoEstimate<Reason extends string> {
  readonly noEstimate: Reason;
}

/**
 * @example noEstimate("no-items") // { noEstimate: "no-items" }
 */
export function noEstimate<Reason extends string>(reason: Reason): NoEstimate<Reason> {
  return { noEstimate: reason };
}
