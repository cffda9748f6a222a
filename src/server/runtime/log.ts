import "server-only";

/** One line of JSON a message, on the standard error stream; never with answers, names or secrets. */
export function log(level: "info" | "error", message: string, details: Readonly<Record<string, unknown>> = {}): void {
  process.stderr.write(`${JSON.stringify({ at: new Date().toISOString(), level, message, ...details })}\n`);
}
