import "server-only";
import { randomFillSync } from "node:crypto";
import { join } from "node:path";
import { v7 } from "uuid";
import type { SolveLinearModel } from "@/core/model/linearModel";
import { type Database, openDatabase } from "@/db/connection";
import { type Environment, readEnvironment } from "./environment";
import { mailSender, type SendMail } from "./mail";
import { solveWithHighs } from "./solver";

/** What every use-case runs on; tests and the demo school put their own clock and random source in. */
export interface Runtime {
  readonly db: Database;
  /** The present instant in milliseconds since 1970 UTC. */
  now(): number;
  /** A number in [0, 1). */
  random(): number;
  newId(): string;
  readonly solve: SolveLinearModel;
  readonly sendMail: SendMail;
  /** Where the application is reached, for links in mails and printed codes; without a slash at its end. */
  readonly publicAddress: string;
}

const LOCAL = "http://localhost:3000";
const NO_MAIL = mailSender(undefined, "");

/** A runtime on a database with a clock and a random source of its own. */
export function createRuntime(
  db: Database,
  now: () => number,
  random: () => number,
  { sendMail = NO_MAIL, publicAddress = LOCAL }: Partial<Pick<Runtime, "sendMail" | "publicAddress">> = {},
): Runtime {
  const bytes = () => Uint8Array.from({ length: 16 }, () => Math.floor(random() * 256));
  let lastMsecs = 0;
  let seq = 0;
  const newId = () => {
    const msecs = now();
    // Ids of one instant must still differ and rise, or rows made together lose their order.
    seq = msecs === lastMsecs ? seq + 1 : Math.floor(random() * 0x1000);
    lastMsecs = msecs;
    return v7({ msecs, seq, random: bytes() });
  };
  return { db, now, random, newId, solve: solveWithHighs, sendMail, publicAddress };
}

const BYTES_A_NUMBER = 6;
const NUMBERS_AT_ONCE = 1024;

/**
 * The system's own randomness, good enough for PINs, and never seeded: a server started twice would give out the same ids twice.
 * Fetched for many numbers at once: one by one, the ids of a district's roster took longer than everything else about it.
 */
function systemRandom(): () => number {
  const pool = Buffer.alloc(BYTES_A_NUMBER * NUMBERS_AT_ONCE);
  let at = pool.length;
  return () => {
    if (at >= pool.length) {
      randomFillSync(pool);
      at = 0;
    }
    const number = pool.readUIntBE(at, BYTES_A_NUMBER) / 2 ** (8 * BYTES_A_NUMBER);
    // What was handed out is nowhere else any more.
    pool.fill(0, at, at + BYTES_A_NUMBER);
    at += BYTES_A_NUMBER;
    return number;
  };
}

export async function openRuntime(environment: Environment): Promise<Runtime> {
  const db = await openDatabase(environment.databaseUrl, join(process.cwd(), "src/db/migrations"), {
    authToken: environment.databaseToken,
  });
  const { frozenNow } = environment;
  const now = frozenNow === undefined ? () => Date.now() : () => frozenNow;
  const sendMail = mailSender(environment.mailUrl, environment.mailFrom);
  return createRuntime(db, now, systemRandom(), { sendMail, publicAddress: environment.publicAddress ?? LOCAL });
}

const shared = globalThis as { oxbowRuntime?: Promise<Runtime> };

/** The process's one runtime, opened at first use. */
export function theRuntime(): Promise<Runtime> {
  const opening = shared.oxbowRuntime ?? openRuntime(readEnvironment());
  shared.oxbowRuntime = opening;
  // A database that could not be opened once may open the next time.
  opening.catch(() => {
    if (shared.oxbowRuntime === opening) delete shared.oxbowRuntime;
  });
  return opening;
}
