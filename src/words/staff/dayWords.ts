import { format, parseISO } from "date-fns";
import type { SchoolDay } from "@/core/calendar/dayNumber";

/** A day such as 2026-11-23 in words: "23 Nov 2026". */
export const dayWords = (day: SchoolDay): string => format(parseISO(day), "d MMM yyyy");
