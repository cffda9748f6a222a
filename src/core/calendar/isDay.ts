import { CoreError } from "../model/fail";
import { dayNumber } from "./dayNumber";

/**
 * Whether a text is a day that exists, written YYYY-MM-DD.
 *
 * @example isDay("2028-02-29") // true
 */
export function isDay(text: string): boolean {
  try {
    dayNumber(text);
    return true;
  } catch (error) {
    if (error instanceof CoreError) return false;
    throw error;
  }
}
