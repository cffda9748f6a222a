import type { AnswerReply } from "@/features/delivery/types";
import { type BenchStudent, messageOf } from "./bench-students";

const RETRY_MILLISECONDS = 400;
const PATIENCE_MILLISECONDS = 8_000;

/** Students who answer at a steady pace and send again, with the same key, what was not acknowledged. */
export class Crowd {
  /** Keys of all answers that the server said it has. */
  readonly acknowledged = new Set<string>();
  private readonly loops: Promise<void>[] = [];
  private readonly times: number[] = [];
  private readonly waiting: ((at: number) => void)[] = [];
  private over = false;
  private isDown = false;
  private behind = 0;
  private refused = 0;
  private upSince = performance.now();
  private upFor = 0;

  constructor(
    private readonly address: string,
    private readonly students: readonly BenchStudent[],
    perSecond: number,
  ) {
    this.every = (students.length / perSecond) * 1000;
  }
  private readonly every: number;

  begin(): void {
    for (const [place, student] of this.students.entries())
      this.loops.push(this.work(student, (place / this.students.length) * this.every));
  }

  async end(): Promise<void> {
    this.over = true;
    await Promise.all(this.loops);
  }

  /** From now on times don't count: the server is about to go. */
  down(): void {
    this.upFor += performance.now() - this.upSince;
    this.isDown = true;
  }
  up(): void {
    this.isDown = false;
    this.upSince = performance.now();
  }
  /** Drops the times so far: those of a cold start. */
  forget(): void {
    this.times.length = 0;
    this.upFor = 0;
    this.upSince = performance.now();
  }

  /** The instant of the next acknowledged answer. */
  nextAcknowledged(): Promise<number> {
    return new Promise((resolve) => this.waiting.push(resolve));
  }

  /** Until nobody has an answer that waits for longer than a moment. */
  async caughtUp(): Promise<void> {
    for (let calm = 0; calm < 5; ) {
      await pause(100);
      calm = this.behind === 0 ? calm + 1 : 0;
    }
  }

  /** Until so many tries were refused. */
  async refusedAFew(times: number): Promise<void> {
    const wanted = this.refused + times;
    while (this.refused < wanted) await pause(100);
  }

  figures(): { readonly rate: number; readonly p95: number } {
    const sorted = [...this.times].sort((x, y) => x - y);
    const open = this.upFor + (this.isDown ? 0 : performance.now() - this.upSince);
    return { rate: sorted.length / (open / 1000), p95: sorted[Math.floor(sorted.length * 0.95)] ?? 0 };
  }

  private async work(student: BenchStudent, startAfter: number): Promise<void> {
    let due = performance.now() + startAfter;
    while (!this.over && student.views.length > 0) {
      await pause(Math.max(0, due - performance.now()));
      // Who was held up does not send all of it at once afterwards: a child gives one answer at a time.
      due = Math.max(due + this.every, performance.now());
      await this.giveOne(student);
    }
  }

  private async giveOne(student: BenchStudent): Promise<void> {
    const [view] = student.views;
    if (!view) return;
    const message = messageOf(view);
    let held = false;
    for (;;) {
      const began = performance.now();
      const startedUp = !this.isDown;
      const reply = await this.send(student, JSON.stringify(message));
      if (reply) {
        if (held) this.behind--;
        this.acknowledged.add(message.key);
        if (startedUp && !this.isDown && !held) this.times.push(performance.now() - began);
        for (const tell of this.waiting.splice(0)) tell(performance.now());
        if (reply.sitting.current) student.views[0] = reply.sitting;
        else student.views.shift();
        return;
      }
      this.refused++;
      if (!held) this.behind++;
      held = true;
      if (this.over) {
        this.behind--;
        return;
      }
      await pause(RETRY_MILLISECONDS);
    }
  }

  private async send({ cookie }: BenchStudent, body: string): Promise<AnswerReply | null> {
    try {
      const response = await fetch(`${this.address}/api/answers`, {
        method: "POST",
        headers: { "content-type": "application/json", cookie, origin: this.address },
        body,
        signal: AbortSignal.timeout(PATIENCE_MILLISECONDS),
      });
      if (response.ok) return (await response.json()) as AnswerReply;
      const words = await response.text();
      if (response.status < 500) throw new Error(`An answer was refused for good (${response.status}): ${words}`);
      return null;
    } catch (error) {
      if (error instanceof Error && error.message.startsWith("An answer was refused")) throw error;
      return null;
    }
  }
}

const pause = (milliseconds: number) => new Promise((resolve) => setTimeout(resolve, milliseconds));
