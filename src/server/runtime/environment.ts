import "server-only";
import { object, string } from "yup";

const shape = object({
  OXBOW_DATABASE_URL: string().default("file:data/oxbow.db"),
  OXBOW_DATABASE_TOKEN: string().optional(),
  /** Mail server, for example smtp://localhost:2525. */
  OXBOW_MAIL_URL: string()
    .optional()
    .matches(/^smtps?:\/\/\S+$/, {
      message: "OXBOW_MAIL_URL must look like smtp://host:port.",
      excludeEmptyString: true,
    }),
  OXBOW_MAIL_FROM: string().default("Oxbow <oxbow@localhost>"),
  /** Where the application is reached, for links in mails and printed codes. */
  OXBOW_PUBLIC_ADDRESS: string()
    .optional()
    .matches(/^https?:\/\/[^\s/]+$/, {
      message: "OXBOW_PUBLIC_ADDRESS must look like https://oxbow.school.example, without a slash at its end.",
      excludeEmptyString: true,
    }),
  NODE_ENV: string().optional(),
  /** From which level on messages are logged. */
  OXBOW_LOG: string()
    .oneOf(["info", "warn", "error", "silent"] as const, "OXBOW_LOG must be info, warn, error or silent.")
    .default("info"),
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
  readonly mailUrl: string | undefined;
  readonly mailFrom: string;
  readonly publicAddress: string | undefined;
  readonly frozenNow: number | undefined;
  readonly production: boolean;
  readonly logLevel: string;
}

/** The settings from the process environment, checked; the only place that reads it. */
export function readEnvironment(): Environment {
  const values = shape.validateSync(process.env, { stripUnknown: true });
  return {
    databaseUrl: values.OXBOW_DATABASE_URL,
    databaseToken: values.OXBOW_DATABASE_TOKEN,
    mailUrl: values.OXBOW_MAIL_URL || undefined,
    mailFrom: values.OXBOW_MAIL_FROM,
    publicAddress: values.OXBOW_PUBLIC_ADDRESS || undefined,
    frozenNow: values.OXBOW_NOW ? Date.parse(values.OXBOW_NOW) : undefined,
    production: values.NODE_ENV === "production",
    logLevel: values.OXBOW_LOG,
  };
}

/** Whether this process runs what was built, rather than the sources as they are. */
export const runsBuild = (): boolean => process.env.NODE_ENV === "production";

/** Whether threads run what was built: tests that come after a build say so, since a thread made of sources takes seconds to start. */
export const threadsRunBuild = (): boolean => runsBuild() || process.env.OXBOW_BUILT_THREADS === "yes";
