import "server-only";
import { object, string } from "yup";

const shape = object({
  OXBOW_DATABASE_URL: string().default("file:data/oxbow.db"),
  OXBOW_DATABASE_TOKEN: string().optional(),
  /** Freezes the clock at this instant, for demonstrations and tests. */
  OXBOW_NOW: string()
    .optional()
    .test(
      "instant",
      "OXBOW_NOW must be an instant such as 2026-11-23T08:00:00Z.",
      (text) => !text || !Number.isNaN(Date.parse(text)),
    ),
});

export interface Environment {
  readonly databaseUrl: string;
  readonly databaseToken: string | undefined;
  readonly frozenNow: number | undefined;
}

/** The settings from the process environment, checked; the only place that reads it. */
export function readEnvironment(): Environment {
  const values = shape.validateSync(process.env, { stripUnknown: true });
  return {
    databaseUrl: values.OXBOW_DATABASE_URL,
    databaseToken: values.OXBOW_DATABASE_TOKEN,
    frozenNow: values.OXBOW_NOW ? Date.parse(values.OXBOW_NOW) : undefined,
  };
}
