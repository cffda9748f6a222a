import type { UnreadableReason } from "@/core/answers/checkAnswer";
import type { Item } from "@/core/answers/instantiateItem";
import type { Misconception } from "@/core/model/content";
import type { Feedback, NotCounted } from "./types";

/** What to say to an answer that counts for nothing; an unreadable one is told what to mend instead. */
export const NOT_COUNTED: Readonly<Record<Exclude<NotCounted, "unreadable">, string>> = {
  "too-late":
    "The time for this work is over. Your answer is kept, but it does not count. Your teacher can open the work again.",
  withdrawn: "Your teacher has taken this work back. Your answer is kept, but it does not count.",
  over: "This work was finished already. Your answer is kept, but it does not count.",
  elsewhere: "You answered that one before, in another window or on another device. Here is where you are now.",
};

/** What to say when an answer can't be read; the try is not used up. */
export function unreadableMessage(reason: UnreadableReason, unit: string | null): string {
  switch (reason) {
    case "empty":
      return "Give an answer first.";
    case "zero-below":
      return "A fraction can't have 0 below the line.";
    case "unit-missing":
      return `Write the unit too${unit ? `, for example ${unit}` : ""}.`;
    case "not-lowest-terms":
      return "The size is right. Write the fraction in lowest terms.";
    case "other-form":
      return "The size is right. Write it the way the question asks for.";
    case "no-such-option":
      return "Choose one of the answers.";
    case "too-long":
    case "not-a-number":
      return "Write a number, for example 12, 0.5, 3/4 or 1 1/2.";
  }
}

/** What to say to one try. The answer and its solution are told only when the item is over. */
export function feedbackOn(
  item: Item,
  answer: {
    readonly right: boolean;
    readonly misconception: Misconception | null;
    readonly itemOver: boolean;
    readonly tryNumber: number;
  },
): Feedback {
  if (answer.right) {
    const text = answer.tryNumber === 1 ? "That is right." : "Right, you found it at the second try.";
    return {
      verdict: "right",
      text,
      picture: [],
      solution: answer.tryNumber === 1 ? null : item.solution,
      answer: item.keyText,
    };
  }
  const text =
    answer.misconception?.feedback ??
    (answer.itemOver ? "Here is one way to see it." : "Look at it once more, step by step.");
  return {
    verdict: "wrong",
    text,
    picture: item.picture,
    solution: answer.itemOver ? item.solution : null,
    answer: answer.itemOver ? item.keyText : null,
  };
}
