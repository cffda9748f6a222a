import Link from "next/link";
import { PageHead } from "@/ui/layout/PageHead";
import { ButtonLink } from "@/ui/primitives/Button";
import type { SkillCard } from "../types";
import { LibraryWays } from "./LibraryWays";

export function SkillList({ skills, base }: { readonly skills: readonly SkillCard[]; readonly base: string }) {
  return (
    <div className="px-5 py-4">
      <PageHead title="Library" sub={`${skills.length} skills, each with a lesson, items and a reteach plan.`}>
        <ButtonLink look="main" href={`${base}/library/items/new`}>
          Write an item
        </ButtonLink>
      </PageHead>
      <LibraryWays base={base} at="skills" />
      <ul className="max-w-3xl text-[16px]">
        {skills.map((skill) => (
          <li key={skill.id} className="border-hair border-t">
            <Link href={`${base}/library/${skill.id}`} className="hover:bg-bank flex justify-between gap-4 px-1 py-2">
              <span className="font-semibold">{skill.name}</span>
              <span className="text-mute text-[15px]">
                grade {skill.grade}, {skill.code}, {skill.items} kinds of item
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </div>
  );
}
