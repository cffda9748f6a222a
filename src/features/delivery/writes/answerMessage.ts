import "server-only";
import { boolean, type InferType, mixed, number, object, string } from "yup";
import { uuid, validated } from "@/server/runtime/validated";

/** More tries than any kind of work gives. */
const MOST_TRIES = 9;
/** Letters of a response as it is sent. */
const MOST_LETTERS = 4_000;
/** With the response it has to fit into one message. */
const MOST_SCREEN_LETTERS = 3_000;
const MOST_HELD = 40;

/** What a device says of itself: a number, or nothing. It decides nothing, so it is never a reason to refuse an answer. */
const told = () =>
  mixed<number>()
    .transform((value: unknown) =>
      typeof value === "number" && Number.isFinite(value) && value >= 0 ? value : undefined,
    )
    .optional();

/** Checked in one go: a schema for each member would take longer than everything else in the message. */
const isShortList = (value: unknown): boolean =>
  Array.isArray(value) && value.length <= MOST_HELD && value.every((id) => typeof id === "string");

const message = object({
  key: uuid(),
  sittingId: string().required(),
  presentationId: string().required(),
  tryNumber: number().integer().min(1).max(MOST_TRIES).required(),
  /** By part of the item, as the part's kind says it. */
  response: mixed<Readonly<Record<string, unknown>>>()
    .test("record", "This is no answer.", (value) => typeof value === "object" && !Array.isArray(value))
    .test("short", "This answer is too long.", (value) => JSON.stringify(value ?? null).length <= MOST_LETTERS)
    .required("This is no answer."),
  /** How it stood on the screen, for going on with it elsewhere; only where answers may be changed. */
  screen: mixed<Readonly<Record<string, unknown>>>()
    .test(
      "record",
      "This is no answer.",
      (value) => value === undefined || (typeof value === "object" && !Array.isArray(value)),
    )
    .test("short", "This answer is too long.", (value) => JSON.stringify(value ?? null).length <= MOST_SCREEN_LETTERS)
    .optional(),
  /** Whether the student wants to look at it once more; only where answers may be changed. */
  flagged: boolean().optional(),
  /** The student says that this is not learned yet; then the response is empty. */
  setAside: boolean().optional(),
  hintsUsed: told(),
  /** Active time of the try. */
  milliseconds: told(),
  /** How long ago it was given, by the device's own reckoning. */
  agoMilliseconds: told(),
  /** What the device's clock showed then. */
  deviceClock: told(),
  /** Given while the server could not be reached: there was no feedback, so there is no second try. */
  offline: boolean().required(),
  /** Items that the browser holds: what it has is not sent again. */
  holds: mixed<readonly string[]>()
    .test("ids", "These are no items.", (value) => value === undefined || isShortList(value))
    .optional(),
});

/** An answer may have waited on a device since a version in which an item had one part and its answer was one text. */
const fromBefore = (raw: unknown): unknown => {
  if (typeof raw !== "object" || raw === null || !("answer" in raw) || typeof raw.answer !== "string") return raw;
  return { ...raw, response: { a: { text: raw.answer, option: raw.answer } } };
};

export type Answer = InferType<typeof message>;

/** One answer as it arrives. Refuses what is none. */
export const readAnswer = (input: unknown): Answer => validated(message, fromBefore(input));
