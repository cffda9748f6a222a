import type { SharesApart } from "@/core/measurement/sharesApart";
import type { ShareInterval } from "@/core/measurement/wilson";

interface Named {
  readonly id: string;
  readonly name: string;
}

/** A share of one class, set against the other classes together. */
export interface ClassShare {
  readonly classId: string;
  readonly share: ShareInterval;
  readonly apart: SharesApart["apart"] | null;
  /** Those on the other side of the share: who missed it, who is not Secure. */
  readonly without: readonly Named[];
}

export interface AcrossItem {
  readonly key: string;
  readonly place: number;
  readonly stem: string;
  readonly skillId: string;
  readonly skill: string;
  readonly workIds: Readonly<Record<string, string>>;
  readonly classes: readonly ClassShare[];
}

export interface AcrossSkill {
  readonly id: string;
  readonly name: string;
  /** Of the framework followed; empty for none. */
  readonly code: string;
  readonly skillId: string;
  readonly classes: readonly ClassShare[];
}

export interface AcrossUse {
  readonly classId: string;
  readonly students: number;
  /** Minutes a student in the frame's days, on average. */
  readonly minutes: number;
  readonly answers: number;
  /** Who answered nothing in the frame's days, and who never has. */
  readonly quiet: readonly Named[];
  readonly never: readonly Named[];
}

export interface AcrossView {
  /** Subjects and grades that there are classes of, as the address names them. */
  readonly choices: readonly { readonly key: string; readonly words: string; readonly classes: number }[];
  readonly choice: string;
  readonly classes: readonly Named[];
  readonly tests: readonly { readonly partId: string; readonly words: string }[];
  readonly test: {
    readonly partId: string;
    readonly words: string;
    readonly means: readonly {
      readonly classId: string;
      readonly mean: number | null;
      readonly low: number;
      readonly high: number;
      readonly n: number;
    }[];
    readonly items: readonly AcrossItem[];
  } | null;
  readonly depth: "standards" | "skills";
  readonly skills: readonly AcrossSkill[];
  readonly use: readonly AcrossUse[];
}
