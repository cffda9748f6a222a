"use client";
import { ChevronRight } from "lucide-react";
import Link from "next/link";
import { useState } from "react";
import { FindField } from "@/ui/primitives/FindField";
import type { OwnSkillLine, OwnSkillsView } from "../../ownTypes";
import { STANDING_WORDS } from "./ownWords";

/** Where a student chooses something by themselves: what is worth it first, then everything that is open. */
export function OwnSkillsPage({ view: { worth, strands } }: { readonly view: OwnSkillsView }) {
  const [asked, setAsked] = useState("");
  const words = asked.trim().toLowerCase();
  const found = strands.flatMap(({ skills }) => skills).filter(({ name }) => name.toLowerCase().includes(words));
  return (
    <main className="font-reading mx-auto max-w-[820px] px-5 py-6 text-[20px] sm:px-12">
      <header className="mb-5 flex flex-wrap items-baseline justify-between gap-4">
        <h1 className="font-serif text-[30px]">Something of my own</h1>
        <Link href="/river" className="text-mute text-[17px] underline underline-offset-4">
          To my river
        </Link>
      </header>
      <FindField
        label="Find a skill"
        placeholder="find a skill"
        value={asked}
        set={(value) => setAsked(value ?? "")}
        className="w-full max-w-80 min-h-11"
      />
      {words === "" ? (
        <>
          <h2 className="mt-6 mb-1 font-serif text-[24px]">Worth doing next</h2>
          {worth.length === 0 ? (
            <p className="text-mute">
              You have mastered everything that is near. Look below for what you would like to go over.
            </p>
          ) : (
            <Lines skills={worth} />
          )}
          <h2 className="mt-8 mb-1 font-serif text-[24px]">Everything that is open</h2>
          {strands.map(({ id, name, skills }) => (
            <details key={id} className="border-hair group border-t">
              <summary className="flex min-h-12 cursor-pointer items-center justify-between gap-4 py-2">
                <span className="flex items-center gap-2">
                  <ChevronRight aria-hidden="true" className="size-5 group-open:rotate-90" />
                  {name}
                </span>
                <span className="text-mute text-[17px] tabular-nums">
                  {skills.filter(({ standing }) => standing === "mastered").length} of {skills.length} mastered
                </span>
              </summary>
              <Lines skills={skills} />
            </details>
          ))}
        </>
      ) : found.length === 0 ? (
        <p className="mt-6">Nothing that is open to you has “{asked.trim()}” in its name. Try a shorter word.</p>
      ) : (
        <div className="mt-6">
          <Lines skills={found} />
        </div>
      )}
    </main>
  );
}

function Lines({ skills }: { readonly skills: readonly OwnSkillLine[] }) {
  return (
    <ul>
      {skills.map(({ skillId, name, standing }) => (
        <li key={skillId} className="border-hair border-t">
          <Link href={`/river/own/${encodeURIComponent(skillId)}`} className="hover:bg-bank block min-h-12 px-1 py-2.5">
            <span className="font-semibold underline decoration-1 underline-offset-4">{name}</span>
            <span className="text-mute block text-[17px]">{STANDING_WORDS[standing]}</span>
          </Link>
        </li>
      ))}
    </ul>
  );
}
