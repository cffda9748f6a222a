import type { MasteryMark } from "@/core/model/masteryMark";
/** Progress as a river: how far along its bends the work has come. `progress` from 0 to 1. */
export function River({ progress, label }: { readonly progress: number; readonly label: string }) {
  const bends = [60, 250, 440, 630];
  const path = `M0 40 H40 ${bends.map((x) => `Q${x} 40 ${x} 28 V26 Q${x} 14 ${x + 20} 14 H${x + 70} Q${x + 90} 14 ${x + 90} 26 V28 Q${x + 90} 40 ${x + 110} 40 H${x + 170}`).join(" ")} H820`;
  return (
    <svg
      viewBox="0 0 820 54"
      className="block w-full"
      role="img"
      aria-label={label}
      preserveAspectRatio="none"
      style={{ height: 46 }}
    >
      <path d={path} fill="none" stroke="var(--silt)" strokeWidth="8" vectorEffect="non-scaling-stroke" />
      <path
        d={path}
        fill="none"
        stroke="var(--water)"
        strokeWidth="8"
        strokeLinecap="round"
        vectorEffect="non-scaling-stroke"
        pathLength={100}
        strokeDasharray={`${Math.max(1.5, progress * 100)} 200`}
        className="transition-[stroke-dasharray] duration-700"
      />
    </svg>
  );
}

const MARK_WORDS: Readonly<Record<MasteryMark, string>> = {
  never: "",
  now: ", mastered",
  faded: ", mastered once; a few questions would freshen it up",
  lost: ", mastered once; not quite there now",
};

/** The student's own river: longer with each skill met, a bend for each skill, deep where it is mastered. */
export function OwnRiver({
  skills,
}: {
  readonly skills: readonly { readonly name: string; readonly chance: number; readonly mark: MasteryMark }[];
}) {
  const step = 74;
  const width = Math.max(360, 60 + skills.length * step);
  return (
    <svg
      viewBox={`0 0 ${width} 92`}
      className="block h-24 w-full"
      preserveAspectRatio="xMinYMid meet"
      role="img"
      aria-label={riverWords(skills)}
    >
      <path d="M0 66 H34" stroke="var(--water)" strokeWidth="10" fill="none" />
      {skills.map((skill, place) => {
        const x = 34 + place * step;
        const up = place % 2 === 0;
        const d = up
          ? `M${x} 66 Q${x + 18} 66 ${x + 18} 46 Q${x + 18} 26 ${x + 37} 26 Q${x + 56} 26 ${x + 56} 46 Q${x + 56} 66 ${x + step} 66`
          : `M${x} 66 Q${x + 16} 66 ${x + 20} 72 Q${x + 37} 88 ${x + 54} 72 Q${x + 58} 66 ${x + step} 66`;
        return (
          <path
            key={skill.name}
            d={d}
            fill="none"
            strokeLinecap="round"
            stroke={skill.mark === "now" ? "var(--level-3)" : "var(--level-2)"}
            strokeWidth={5 + skill.chance * 6}
          >
            <title>{`${skill.name}${MARK_WORDS[skill.mark]}`}</title>
          </path>
        );
      })}
    </svg>
  );
}

function riverWords(skills: readonly { readonly name: string; readonly mark: MasteryMark }[]): string {
  const mastered = skills.filter(({ mark }) => mark === "now").map(({ name }) => name);
  return mastered.length === 0
    ? "Your river is just beginning."
    : `Your river: mastered so far ${mastered.join(", ")}.`;
}
