"use client";
import { Command } from "cmdk";
import { useRouter } from "next/navigation";
import { useEffect, useState } from "react";
import type { SearchEntry } from "../types";

const HEADINGS = { student: "Students", skill: "Skills", work: "Work", group: "Groups" } as const;

/** One search over students, skills, work, groups and actions; items are many, and have a search of their own, to which it leads. */
export function Palette(props: {
  readonly open: boolean;
  readonly onOpenChange: (open: boolean) => void;
  readonly base: string;
  readonly chosenKey: string;
}) {
  const { open, onOpenChange, base, chosenKey } = props;
  const router = useRouter();
  const [entries, setEntries] = useState<readonly SearchEntry[] | null>(null);
  const [problem, setProblem] = useState(false);
  const [words, setWords] = useState("");
  useEffect(() => {
    if (!open) return;
    setProblem(false);
    fetch(`/api/search?classes=${encodeURIComponent(chosenKey)}`)
      .then((response) => (response.ok ? response.json() : Promise.reject(new Error(String(response.status)))))
      .then((found: SearchEntry[]) => setEntries(found))
      .catch(() => setProblem(true));
  }, [open, chosenKey]);
  const go = (href: string) => {
    onOpenChange(false);
    router.push(href);
  };
  const hrefOf = ({ kind, id }: SearchEntry) =>
    kind === "student"
      ? chosenKey === "school"
        ? `${base}/roster/students/${id}`
        : `${base}/evidence?sheet=${id}`
      : kind === "skill"
        ? `${base}/library/${id}`
        : kind === "work"
          ? `${base}/work/${id}`
          : `${base}/regroup/${id}`;
  const actions = [
    { name: "Assign practice", href: `${base}/work/new` },
    { name: "Import a roster file", href: `${base}/roster/import` },
    { name: "Roster: students, PINs and cards", href: `${base}/roster` },
    { name: "Take the roster out as a file", href: `${base}/roster/export` },
    { name: "Suggest groups", href: `${base}/regroup` },
    { name: "Group board", href: `${base}/regroup/board` },
    { name: "Open the mastery map", href: `${base}/evidence` },
    { name: "Write an item", href: `${base}/library/items/new` },
    { name: "Standards", href: `${base}/library/standards` },
    { name: "Banks of items", href: `${base}/library/banks` },
    { name: "Plans of colleagues and the school", href: `${base}/plan/plans` },
    { name: "Students in the plan", href: `${base}/plan/students` },
    { name: "School calendar", href: `${base}/plan/calendar` },
    { name: "History and undo", href: `${base}/history` },
  ];
  return (
    <Command.Dialog
      open={open}
      onOpenChange={onOpenChange}
      label="Search"
      overlayClassName="fixed inset-0 z-40 bg-black/30"
      contentClassName="bg-paper border-ink fixed top-[12vh] left-1/2 z-50 w-[min(38rem,92vw)] -translate-x-1/2 border-[1.5px] shadow-xl"
    >
      <Command.Input
        value={words}
        onValueChange={setWords}
        placeholder="A name, a skill, a title, or what you want to do"
        className="border-hair w-full border-b bg-transparent px-4 py-3 text-[17px] outline-none"
      />
      <Command.List className="max-h-[52vh] overflow-y-auto p-2 [&_[cmdk-group-heading]]:text-mute [&_[cmdk-group-heading]]:px-2 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:text-[13px]">
        <Command.Empty className="text-mute px-2 py-4">
          {problem
            ? "The search could not be loaded. Check the connection and open it again."
            : "Nothing with these words."}
        </Command.Empty>
        <Command.Group heading="Actions">
          {actions.map(({ name, href }) => (
            <Command.Item
              key={href}
              value={`action ${name}`}
              onSelect={() => go(href)}
              className="data-[selected=true]:bg-bank cursor-pointer px-2 py-1.5"
            >
              {name}
            </Command.Item>
          ))}
        </Command.Group>
        {words.trim() === "" ? null : (
          <Command.Item
            forceMount
            value={`items ${words}`}
            onSelect={() => go(`${base}/library/items?find=${encodeURIComponent(words.trim())}`)}
            className="data-[selected=true]:bg-bank cursor-pointer px-2 py-1.5"
          >
            Items with “{words.trim()}”
          </Command.Item>
        )}
        {(Object.keys(HEADINGS) as (keyof typeof HEADINGS)[]).map((kind) => (
          <Command.Group key={kind} heading={HEADINGS[kind]}>
            {(entries ?? [])
              .filter((entry) => entry.kind === kind)
              .map((entry) => (
                <Command.Item
                  key={entry.id}
                  value={`${kind} ${entry.name} ${entry.detail} ${entry.id}`}
                  onSelect={() => go(hrefOf(entry))}
                  className="data-[selected=true]:bg-bank flex cursor-pointer justify-between gap-4 px-2 py-1.5"
                >
                  <span>{entry.name}</span>
                  <span className="text-mute">{entry.detail}</span>
                </Command.Item>
              ))}
          </Command.Group>
        ))}
      </Command.List>
    </Command.Dialog>
  );
}
