import type { ComparedForms } from "@/core/measurement/compareForms";
import type { ClassGain, StudentGain } from "@/core/measurement/gain";
import type { WhyFacts } from "@/core/model/whyFacts";

/** A test that there are marks of. */
export interface GainTest {
  readonly partId: string;
  readonly words: string;
  readonly marks: number;
}

export interface GainStudent {
  readonly id: string;
  readonly name: string;
  /** Shares, 0 to 1; the first one equated where the forms are not as hard. */
  readonly before: number;
  readonly after: number;
  /** As the first test was marked, before anything was equated. */
  readonly beforeAsMarked: number;
  readonly difference: number;
  readonly low: number;
  readonly high: number;
  readonly change: StudentGain["change"];
  readonly normalised: number | null;
  readonly why: WhyFacts["gain"];
}

export interface GainStandard {
  readonly id: string;
  readonly code: string;
  readonly words: string;
  readonly skillId: string;
  readonly before: number;
  readonly after: number;
  /** What the same students would differ by though nothing was learned, because the items are easier or harder. */
  readonly byItems: number;
  readonly gained: number;
  readonly low: number | null;
  readonly high: number | null;
  readonly n: number;
}

export interface GainView {
  readonly tests: readonly GainTest[];
  readonly pre: GainTest | null;
  readonly post: GainTest | null;
  readonly forms: ComparedForms | null;
  readonly class: ClassGain | null;
  readonly students: readonly GainStudent[];
  readonly onlyBefore: readonly { readonly id: string; readonly name: string }[];
  readonly onlyAfter: readonly { readonly id: string; readonly name: string }[];
  readonly standards: readonly GainStandard[];
  readonly leadSkillId: string | null;
}
