const FORMAT = new Intl.DateTimeFormat("en-GB", { day: "numeric", month: "short", year: "numeric", timeZone: "UTC" });

/** A day such as 2026-11-23 in words: "23 Nov 2026". */
export const dayWords = (day: string): string => FORMAT.format(new Date(`${day}T00:00:00Z`));
