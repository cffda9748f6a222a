import "server-only";
import { boolean, type InferType, mixed, number, object, string } from "yup";
import { uuid } from "@/server/runtime/validated";

/** First try and one more. */
export const MOST_TRIES = 2;

/** What a device says of itself: a number, or nothing. It decides nothing, so it is never a reason to refuse an answer. */
const told = () =>
  mixed<number>()
    .transform((value: unknown) =>
      typeof value === "number" && Number.isFinite(value) && value >= 0 ? value : undefined,
    )
    .optional();

/** One answer as it arrives. */
export const answerMessage = object({
  key: uuid(),
  sittingId: string().required(),
  presentationId: string().required(),
  tryNumber: number().integer().min(1).max(MOST_TRIES).required(),
  answer: string().max(200, "This answer is too long.").defined(),
  hintsUsed: told(),
  /** Active time of the try. */
  milliseconds: told(),
  /** How long ago it was given, by the device's own reckoning. */
  agoMilliseconds: told(),
  /** What the device's clock showed then. */
  deviceClock: told(),
  /** Given while the server could not be reached: there was no feedback, so there is no second try. */
  offline: boolean().required(),
});

export type Answer = InferType<typeof answerMessage>;
