import { message } from "../message";

/** What the figures of reports stand on, each in one sentence with a full stop. */
const MESSAGES = {
  share: "{right} of {n} right; among many students like these it would lie between {low} and {high} %, by luck alone.",
  mark: "{right} of {answered} items right at the first try, {minutes, plural, =0 {in less than a minute} one {in # minute} other {in # minutes}}; {reached, select, yes {at or above} other {below}} the line of {line} %.",
  level:
    "{score} on the scale, from {whole, select, yes {its strands, each weighed by how sure it is and how many skills it has} other {what was answered in its skills, each weighed by how sure it is, or from a diagnostic where nothing was}}; with other items it could as well be {low} to {high}.",
} as const;

export const figureWords = (figure: keyof typeof MESSAGES, values: Readonly<Record<string, string | number>>): string =>
  message(MESSAGES[figure], values);
