import type { ItemResponse, ItemVerdict } from "@/core/items/checkItem";
import type { DrawnItem } from "@/core/items/drawItem";
import { rubricOf } from "@/core/items/rubricOf";
import { saidOf } from "@/core/items/saidOf";
import type { UnreadableReason } from "@/core/items/verdict";
import type { WorkKind } from "@/core/model/work";
import type { Library } from "@/server/library/library";
import { responseNoteWords } from "@/words/students/responseNoteWords";
import type { Feedback, NotCounted } from "./types";

/** What to say to an answer that counts for nothing; an unreadable one is told what to mend instead. */
export const NOT_COUNTED: Readonly<Record<Exclude<NotCounted, "unreadable">, string>> = {
  "too-late":
    "The time for this work is over. Your answer is kept, but it does not count. Your teacher can open the work again.",
  withdrawn: "Your teacher has taken this work back. Your answer is kept, but it does not count.",
  over: "This work was finished already. Your answer is kept, but it does not count.",
  elsewhere: "You answered that one before, in another window or on another device. Here is where you are now.",
};

/** What to say when a response can't be read; the try is not used up. */
const UNREADABLE: Readonly<Record<UnreadableReason, string>> = {
  empty: "Give an answer first.",
  "zero-below": "A fraction can't have 0 below the line.",
  "unit-missing": "Write the unit too",
  "not-lowest-terms": "The size is right. Write the fraction in lowest terms.",
  "other-form": "The size is right. Write it the way the question asks for.",
  "no-such-option": "Choose one of the answers.",
  "too-long": "This answer is too long.",
  "two-readings": "This can be read in two ways. Write it another way, for example 1500 or 1.5, (1/2)x or 1/(2x).",
  "not-readable": "This can't be read yet. Look for a bracket, a sign or a number that is missing.",
  "two-relations": "Write signs that point the same way, for example 1 < x < 5, or two parts with “or” between them.",
  "too-hard": "This can't be judged as it is written. Write it shorter.",
  "other-letters": "There is a letter in it that the question does not use.",
  "not-solved": "True so far. Go on until the letter stands alone and the rest is worked out.",
  "not-collected": "The value is right. Multiply out the brackets and put together what belongs together.",
  "not-a-number": "Write a number, for example 12, 0.5, 3/4 or 1 1/2.",
};

/** The same for a part of an item; where there are several, it says which. */
export function unreadableMessage(
  { reason, wanted, partId, line }: Extract<ItemVerdict, { readable: false }>,
  item: DrawnItem,
): string {
  const place = item.parts.findIndex(({ id }) => id === partId);
  const inPart = item.parts.length > 1 && place >= 0 ? `Part ${place + 1}: ` : "";
  const where = line === undefined ? inPart : `${inPart}Line ${line}: `;
  const example = reason === "unit-missing" ? `${wanted ? `, for example ${wanted}` : ""}.` : "";
  return `${where}${UNREADABLE[reason]}${example}`;
}

const WAITING = "Your teacher reads it and says what it is worth.";

const PART_NAMES: Readonly<Record<WorkKind, string>> = {
  practice: "Practice",
  check: "Short check",
  amount: "Questions",
  quiz: "Test",
  diagnostic: "Where to begin",
  sequential: "Short check",
  depth: "Practice",
  lesson: "To read",
  review: "Review",
  contrast: "Telling apart",
  paper: "Test on paper",
};

/** What a part is called: by its own title, else by its kind and place. */
export const partTitle = (part: { readonly title: string; readonly kind: WorkKind }, place: number): string =>
  part.title === "" ? `${place + 1}. ${PART_NAMES[part.kind]}` : part.title;

interface Answered {
  readonly answer: {
    readonly tryNumber: number;
    readonly response: ItemResponse;
    readonly scores: readonly {
      readonly part: string;
      readonly earned: number;
      readonly possible: number;
      readonly misconceptionId: string | null;
    }[];
  };
  readonly itemOver: boolean;
}

/** What to say to one try. The answer and its solution are told only when the item is over. */
export function feedbackOn(item: DrawnItem, library: Library, { answer, itemOver }: Answered): Feedback {
  const { scores, tryNumber, response } = answer;
  if (item.parts.some((part) => rubricOf(part) !== null && !scores.some((one) => one.part === part.id)))
    return { verdict: "waiting", text: WAITING, picture: [], solution: null, answer: null };
  const key = item.parts.map(({ keyText }) => keyText).join("; ");
  if (scores.every(({ earned, possible }) => earned === possible)) {
    const text = tryNumber === 1 ? "That is right." : "Right, you found it at the second try.";
    return { verdict: "right", text, picture: [], solution: tryNumber === 1 ? null : item.solution, answer: key };
  }
  const shown = scores.find(({ misconceptionId }) => misconceptionId !== null)?.misconceptionId;
  const some = scores.some(({ earned }) => earned > 0);
  const said = shown ? library.misconceptions.get(shown)?.feedback : undefined;
  const notes = saidOf(item, response).map(responseNoteWords).join(" ");
  const nothingKnown = itemOver
    ? "Here is one way to see it."
    : some
      ? "Some of it is right. Look at the rest once more."
      : "Look at it once more, step by step.";
  const known = [notes, said].filter(Boolean).join(" ");
  return {
    verdict: some ? "partly" : "wrong",
    text: known === "" ? nothingKnown : known,
    picture: item.picture,
    solution: itemOver ? item.solution : null,
    answer: itemOver ? key : null,
  };
}
