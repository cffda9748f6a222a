import "server-only";
import pino from "pino";
import { readEnvironment } from "./environment";
import { errorFacts } from "./errorFacts";

/** Keys whose values never reach the log, wherever they stand in what is logged. */
const NEVER = ["password", "present", "next", "pin", "token", "secret", "code", "cookie", "email", "name", "params"];

const logger = pino(
  {
    level: readEnvironment().logLevel,
    base: null,
    messageKey: "message",
    timestamp: pino.stdTimeFunctions.isoTime,
    formatters: { level: (level) => ({ level }) },
    serializers: { error: errorFacts },
    redact: { paths: NEVER.flatMap((key) => [key, `details.${key}`, `details.*.${key}`]), remove: true },
  },
  pino.destination({ dest: 2, sync: true }),
);

interface Details {
  /** What went wrong; only its causes are kept (`errorFacts`). */
  readonly error?: unknown;
  /** Numbers and ids that help to find it. */
  readonly details?: Readonly<Record<string, unknown>>;
}

/** One line of JSON a message, on the standard error stream; never with answers, names or secrets. */
export function log(level: "info" | "warn" | "error", message: string, { error, details }: Details = {}): void {
  logger[level]({ ...(error === undefined ? {} : { error }), ...(details ? { details } : {}) }, message);
}
