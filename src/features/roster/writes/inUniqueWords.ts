import "server-only";
import { Refusal } from "@/server/runtime/refusal";

/** Runs a write; that somebody else has the student number or email already is told in words. */
export async function inUniqueWords<T>(write: () => Promise<T>): Promise<T> {
  try {
    return await write();
  } catch (error) {
    const words = `${error} ${(error as { cause?: unknown }).cause}`;
    if (/UNIQUE.*student_number/i.test(words))
      throw new Refusal(
        "conflict",
        "Somebody else at the school has this student number. Is the student there already?",
      );
    if (/UNIQUE.*email/i.test(words))
      throw new Refusal("conflict", "Somebody else at the school has this email address.");
    throw error;
  }
}
