import { unreadable, type Verdict } from "../verdict";
import { type DrawnWritten, MOST_LETTERS, type WrittenResponse } from "./body";

/** Nothing but that there is something to be read by a person. */
export function check(_: DrawnWritten, { text }: WrittenResponse): Verdict {
  if (text.trim() === "") return unreadable("empty");
  return text.length > MOST_LETTERS ? unreadable("too-long") : { readable: true, byPerson: true };
}
