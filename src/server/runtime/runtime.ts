import "server-only";
import { randomBytes } from "node:crypto";
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

export async function openRuntime(environment: Environment): Promise<Runtime> {
  const db = await openDatabase(environment.databaseUrl, join(process.cwd(), "src/db/migrations"), {
    authToken: environment.databaseToken,
  });
  const { frozenNow } = environment;
  const now = frozenNow === undefined ? () => Date.now() : () => frozenNow;
  // Never seeded here: a server started twice would give out the same ids twice.
  const random = () => randomBytes(6).readUIntBE(0, 6) / 2 ** 48;
  const sendMail = mailSender(environment.mailUrl, environment.mailFrom);
  return createRuntime(db, now, random, { sendMail, publicAddress: environment.publicAddress ?? LOCAL });
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
