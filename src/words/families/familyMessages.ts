import { message } from "../message";

/** What a family reads of their child's work, by code; plain words, each a message of its own, so that another language is another list. */
const FAMILY = {
  title: "{name} at school, {day}",
  intro: "This sheet says what {name} can do in {subject} now, what comes next, and how you can help in a few minutes.",
  can: "{name} can now",
  "can-none": "We are only getting to know what {name} can do. This sheet will say more next time.",
  learning: "{name} is learning",
  "learning-none": "{name} is secure in everything that was taught so far.",
  underneath: "Something from an earlier year helps with it, and we are practising that: {skill}.",
  work: "In these weeks ({days}) {name} practised for {minutes, plural, one {# minute} other {# minutes}} and answered {answered, plural, one {# question} other {# questions}}; {right} were right at the first try.",
  "work-none": "In these weeks ({days}) there was no practice on the computer.",
  home: "Two things to do at home",
  talk: "Talk about it over a meal: “{question}” There is no need to reach the answer; ask how {name} thinks.",
  try: "Try this together: {task}",
  answer: "The answer: {answer}",
  questions: "Questions? {teacher} is glad to hear from you.",
} as const;
export type FamilyMessage = keyof typeof FAMILY;

/** One sentence of the family's page. */
export const familyWords = (code: FamilyMessage, values: Readonly<Record<string, string | number>> = {}): string =>
  message(FAMILY[code], values);
