import { expect, it } from "vitest";
import { follow } from "~/scripts/prove/reviewPolicy";

const STUDENTS = 6;
const SCHOOL_DAYS = 140;

it("what was learned in autumn is there in May where it is reviewed, in a world that forgets by another theory", () => {
  const queue = follow("queue", 0, STUDENTS);
  const none = follow("none", 0, STUDENTS);
  expect(queue.end).toBeGreaterThan(none.end + 0.15);
  // With no more items than the queue took, one skill after the other keeps no more.
  const inTurn = follow("as-many", queue.asked / SCHOOL_DAYS, STUDENTS);
  expect(queue.end).toBeGreaterThan(inTurn.end - 0.01);
  // What is told is nearer to the truth at the student's own pace than as the model takes it.
  expect(queue.apartPaced).toBeLessThan(queue.apart);
});
