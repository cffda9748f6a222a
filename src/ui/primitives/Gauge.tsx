import { LEVELS, type Level } from "@/core/model/levels";
import type { MasteryMark } from "@/core/model/masteryMark";
import type { WhyFacts } from "@/core/model/whyFacts";
import { LEVEL_NAMES } from "@/words/staff/levelNames";
import { whyWords } from "@/words/staff/whyWords";

export interface GaugeProps {
  readonly chance: number;
  readonly level: Level;
  readonly tooLittle: boolean;
  readonly old?: boolean;
  readonly mark?: MasteryMark;
  readonly className?: string;
}

const MARKS: Readonly<Record<MasteryMark, string>> = {
  never: "",
  now: "gauge-mastered",
  faded: "gauge-once",
  lost: "gauge-once",
};
const MARK_WORDS: Readonly<Record<MasteryMark, readonly string[]>> = {
  never: [],
  now: ["mastered"],
  faded: ["mastered once, faded since"],
  lost: ["mastered once, not now: later answers speak against it"],
};

const fill = (level: Level) => `var(--level-${LEVELS.indexOf(level)})`;

/** How mastery is drawn everywhere: a cell filled from below to the chance of mastery. The words are for the caller. */
export function Gauge({ chance, level, tooLittle, old = false, mark = "never", className = "h-4 w-10" }: GaugeProps) {
  const marks = `${tooLittle ? "gauge-few" : ""} ${old ? "gauge-old" : ""} ${MARKS[mark]}`;
  return (
    <span aria-hidden className={`gauge block ${marks} ${className}`}>
      {tooLittle ? null : <i style={{ height: `${Math.max(4, chance * 100)}%`, background: fill(level) }} />}
    </span>
  );
}

/** The same in words, for tooltips and screen readers, with what it stands on where that is known. */
export function gaugeWords(
  gauge: GaugeProps & { readonly answered?: number; readonly why?: WhyFacts["mastery"] },
): string {
  if (gauge.tooLittle) return gauge.answered ? `too little evidence, ${gauge.answered} answered` : "not met yet";
  const parts = [
    `${LEVEL_NAMES[gauge.level]}, chance of mastery ${Math.round(gauge.chance * 100)} %`,
    // What it stands on says it already.
    ...(gauge.why && gauge.mark !== "now" ? [] : MARK_WORDS[gauge.mark ?? "never"]),
    ...(gauge.why ? [whyWords("mastery", gauge.why)] : []),
    ...(gauge.old ? ["old: more than 60 days ago"] : []),
  ];
  return parts.join("; ");
}
