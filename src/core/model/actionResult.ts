/** What a change answers to the screen: its data, or why not, in words for the person. */
export type ActionResult<T> =
  | { readonly ok: true; readonly data: T }
  | {
      readonly ok: false;
      readonly code: string;
      readonly message: string;
      /** Seconds after which the same may be tried again. */
      readonly waitSeconds?: number;
    };
