/** What happens at the doors: coming in, being made to wait, and what people do about their own sign-in. */
export const SIGN_IN_KINDS = [
  "signed-in",
  "must-wait",
  "link-sent",
  "password-by-link",
  "password-changed",
  "second-step-set",
  "second-step-removed",
  "device-signed-out",
] as const;
export type SignInKind = (typeof SIGN_IN_KINDS)[number];
