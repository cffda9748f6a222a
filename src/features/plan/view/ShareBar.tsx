import type { PlannedSkillView } from "../types";

/** Of a skill that the framework followed at the school does not name. */
const NO_CODE = "in no standard you follow";

/** How much of a class has a planned skill, with the days of it. */
export function ShareBar({ skill, named }: { readonly skill: PlannedSkillView; readonly named: boolean }) {
  const parts = [
    { name: "Secure", count: skill.secure, colour: "var(--level-2)" },
    { name: "Developing", count: skill.developing, colour: "var(--level-1)" },
    { name: "Beginning", count: skill.beginning, colour: "var(--level-0)" },
    { name: "too little evidence", count: skill.tooLittle, colour: "var(--gauge)" },
  ];
  return (
    <span className="flex items-center gap-x-3 py-0.5 text-[14px] max-md:flex-wrap">
      {named ? (
        <span className="w-64 shrink-0 truncate" title={`${skill.name}, ${skill.days}`}>
          {skill.name} <span className="text-mute">{skill.code === "" ? NO_CODE : skill.code}</span>
        </span>
      ) : (
        <span className="text-mute w-64 shrink-0">
          grade {skill.grade}, {skill.code === "" ? NO_CODE : skill.code}
        </span>
      )}
      <span
        className="relative flex h-3 w-24 shrink-0 gap-px"
        role="img"
        aria-label={parts.map(({ name, count }) => `${count} ${name}`).join(", ")}
      >
        {parts.map(({ name, count, colour }) =>
          count > 0 ? <i key={name} title={`${count} ${name}`} style={{ flex: count, background: colour }} /> : null,
        )}
        <i className="bg-ink absolute -top-0.5 -bottom-0.5 left-1/2 w-[1.5px]" title="half the class" />
      </span>
      <span className="text-mute whitespace-nowrap">
        {skill.students === 0 ? "no students yet" : `${skill.secure} of ${skill.students} Secure`}
        {skill.there > skill.secure ? `, ${skill.there - skill.secure} mastered before` : ""}
        {skill.reached ? ": reached" : ""}
      </span>
    </span>
  );
}
