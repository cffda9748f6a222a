/** What a member of staff is in one class. */
export type ClassRole = "teacher" | "co-teacher" | "substitute" | "specialist";

/** What a person is at a school, whatever the classes. */
export type SchoolRole = "coordinator" | "teacher" | "specialist" | "student";
