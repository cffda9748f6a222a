import { groupBy } from "@/core/collections/groupBy";
import { gradeSpan } from "@/words/staff/gradeWords";
import type { SkillChoice } from "../itemTypes";

/** All skills to choose from, by grade. */
export function SkillOptions({ skills }: { readonly skills: readonly SkillChoice[] }) {
  return [...groupBy(skills, ({ grade }) => grade)]
    .sort(([one], [other]) => one - other)
    .map(([grade, own]) => (
      <optgroup key={grade} label={gradeSpan(grade, grade)}>
        {own.map(({ id, name, code }) => (
          <option key={id} value={id}>
            {code === "" ? name : `${name} (${code})`}
          </option>
        ))}
      </optgroup>
    ));
}
