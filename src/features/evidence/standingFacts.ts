/** What is known of a student beside the map, for choosing whom to give something. */
export interface StandingFacts {
  readonly students: Readonly<
    Record<
      string,
      {
        readonly classId: string;
        readonly groupIds: readonly string[];
        /** Skills in which more of the same is unlikely to help. */
        readonly snags: readonly string[];
        /** Titles of open work, by skill. */
        readonly open: Readonly<Record<string, readonly string[]>>;
        /** What they have of the latest pieces of work, by the work; the share right as an exact fraction. */
        readonly works: Readonly<
          Record<string, { readonly begun: boolean; readonly through: boolean; readonly share: string | null }>
        >;
        /** The chance of being ready, by skill. */
        readonly ready: Readonly<Record<string, number>>;
      }
    >
  >;
  /** The latest pieces of work of the classes, the latest first. */
  readonly works: readonly { readonly id: string; readonly title: string }[];
  readonly groups: readonly { readonly id: string; readonly name: string }[];
  /** The day on which work that is given now is due, and how it is called. */
  readonly dueDay: string;
  readonly dueWords: string;
  /** Whether the asking person may give work to these classes. */
  readonly mayGive: boolean;
}

/** One student with what they are marked for. */
export interface MarkedStudent {
  readonly studentId: string;
  readonly classId: string;
  readonly skillIds: readonly string[];
}
