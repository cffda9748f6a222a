"use client";
import Link from "next/link";
import { parseAsInteger, parseAsString, useQueryStates } from "nuqs";
import { groupBy } from "@/core/collections/groupBy";
import { PageHead } from "@/ui/layout/PageHead";
import { ButtonLink } from "@/ui/primitives/Button";
import { FindField } from "@/ui/primitives/FindField";
import type { SkillCard, SkillShelves } from "../types";
import { LibraryWays } from "./LibraryWays";
import { ShelfPicker } from "./ShelfPicker";

/** The skills of a subject by strand, those of one grade or of all; a word finds them in every grade. */
export function SkillList({
  shelves: { skills, subjects, start },
  base,
}: {
  readonly shelves: SkillShelves;
  readonly base: string;
}) {
  const [{ subject, grade, find }, set] = useQueryStates({
    subject: parseAsString.withDefault(start.subjectId),
    grade: parseAsInteger.withDefault(start.grade),
    find: parseAsString.withDefault(""),
  });
  const own = skills.filter((skill) => skill.subjectId === subject);
  const grades = [...new Set(own.map((skill) => skill.grade))].sort((x, y) => x - y);
  const word = find.toLowerCase().trim();
  const shown = own.filter((skill) =>
    word === "" ? grade === 0 || skill.grade === grade : `${skill.name} ${skill.code}`.toLowerCase().includes(word),
  );
  return (
    <div className="px-5 py-4">
      <PageHead title="Library" sub={`${skills.length} skills, each with a lesson, items and a reteach plan.`}>
        <ButtonLink look="main" href={`${base}/library/items/new`}>
          Write an item
        </ButtonLink>
      </PageHead>
      <LibraryWays base={base} at="skills" />
      <div className="mb-4 flex flex-wrap items-baseline gap-x-6 gap-y-2 text-[15px]">
        <ShelfPicker
          subjects={subjects}
          grades={grades}
          subject={subject}
          grade={word === "" ? grade : null}
          choose={(chosen) => set({ ...chosen, find: null })}
        />
        <FindField
          label="Find a skill in every grade"
          placeholder="Find in every grade"
          value={find}
          set={(value) => set({ find: value })}
        />
        <span className="text-mute" aria-live="polite">
          {shown.length} {shown.length === 1 ? "skill" : "skills"}
        </span>
      </div>
      {shown.length === 0 ? (
        <p className="text-mute">
          No skill is called so. Try another word, or the <Link href={`${base}/library/standards`}>standards</Link>.
        </p>
      ) : (
        <div className="gap-x-10 lg:columns-2">
          {[...groupBy(shown, ({ strand }) => strand)].map(([strand, row]) => (
            <Strand key={strand} strand={strand} skills={row} base={base} />
          ))}
        </div>
      )}
    </div>
  );
}

const Strand = ({
  strand,
  skills,
  base,
}: {
  readonly strand: string;
  readonly skills: readonly SkillCard[];
  readonly base: string;
}) => (
  <section className="mb-5 break-inside-avoid">
    <h2 className="mb-1 font-serif text-[18px] font-medium">{strand}</h2>
    <ul className="text-[16px]">
      {skills.map((skill) => (
        <li key={skill.id} className="border-hair border-t">
          <Link href={`${base}/library/${skill.id}`} className="hover:bg-bank flex justify-between gap-4 px-1 py-1.5">
            <span className="font-semibold">{skill.name}</span>
            <span className="text-mute text-[14px] whitespace-nowrap">
              grade {skill.grade}, {skill.code}, {skill.items} items
            </span>
          </Link>
        </li>
      ))}
    </ul>
  </section>
);
