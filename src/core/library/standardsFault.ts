/** What is wrong with a package, with the path of the place in it. */
export type StandardsFaultCode =
  | "not-json"
  | "not-a-package"
  | "too-many"
  | "missing"
  | "not-text"
  | "too-long"
  | "twice"
  | "not-there"
  | "two-parents"
  | "circular";

export interface StandardsFault {
  readonly path: string;
  readonly code: StandardsFaultCode;
  /** The value, or what it names, shortened. */
  readonly value: string;
}
