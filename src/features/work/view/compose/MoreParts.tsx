"use client";
import { useState } from "react";
import { Button } from "@/ui/primitives/Button";
import { Choices } from "@/ui/primitives/Choices";
import { WordEdit } from "@/ui/primitives/WordEdit";
import { dayWords } from "@/words/staff/dayWords";
import type { ComposeView } from "../../types";
import { type Change, type Composition, isTest, MADE_WORDS } from "./composition";
import { BOX, LABEL } from "./look";
import { EXTRA_KINDS, EXTRAS, type ExtraPart, newExtra, type PartOpens } from "./moreParts";

/** The most parts beside the main thing. */
const MOST_EXTRAS = 5;

/** Parts before and after the main thing: each a sentence of words that can be changed. */
export function MoreParts({
  view,
  composition,
  change,
}: {
  readonly view: ComposeView;
  readonly composition: Composition;
  readonly change: Change;
}) {
  const { extras, made, mainOpens, skillIds, test } = composition;
  const ofMain = isTest(made) ? test.skills.map(({ skillId }) => skillId) : skillIds;
  const add = (isBefore: boolean) =>
    change((before) => ({ ...before, extras: [...before.extras, newExtra(ofMain, isBefore)] }));
  const set = (id: string, values: Partial<ExtraPart>) =>
    change((before) => ({
      ...before,
      extras: before.extras.map((part) => (part.id === id ? { ...part, ...values } : part)),
    }));
  const drop = (id: string) =>
    change((before) => ({ ...before, extras: before.extras.filter((part) => part.id !== id) }));
  const before = extras.filter(({ isBefore }) => isBefore);
  const after = extras.filter(({ isBefore }) => !isBefore);
  const lines = (parts: readonly ExtraPart[], first: string) =>
    parts.map((part, place) => (
      <Part
        key={part.id}
        view={view}
        part={part}
        word={place === 0 ? first : "then"}
        isFirst={part.isBefore && place === 0}
        set={(values) => set(part.id, values)}
        drop={() => drop(part.id)}
      />
    ));
  return (
    <section aria-label="Parts" className="border-hair mt-5 border-t pt-3 text-[15px] leading-relaxed">
      <h2 className={LABEL}>Parts of this work</h2>
      {extras.length === 0 ? null : (
        <ol className="mb-2">
          {lines(before, "first")}
          <li className="border-hair border-b py-1.5">
            {before.length > 0 ? "then " : ""}
            <b>{MADE_WORDS[made].name.toLowerCase()}</b>, as above
            {before.length > 0 ? (
              <>
                , opens <Opens opens={mainOpens} set={(opens) => change((now) => ({ ...now, mainOpens: opens }))} />
              </>
            ) : null}
          </li>
          {lines(after, "then")}
        </ol>
      )}
      {extras.length < MOST_EXTRAS ? (
        <p className="flex flex-wrap gap-2">
          <Button onClick={() => add(true)}>Add a part before</Button>
          <Button onClick={() => add(false)}>Add a part after</Button>
        </p>
      ) : null}
    </section>
  );
}

function Part({
  view,
  part: { kind, skillIds, items, opens },
  word,
  isFirst,
  set,
  drop,
}: {
  readonly view: ComposeView;
  readonly part: ExtraPart;
  readonly word: string;
  /** Nothing stands before it. */
  readonly isFirst: boolean;
  readonly set: (values: Partial<ExtraPart>) => void;
  readonly drop: () => void;
}) {
  const { words, ofItems } = EXTRAS[kind];
  const names = view.skills.filter(({ id }) => skillIds.includes(id)).map(({ name }) => name);
  return (
    <li className="border-hair flex items-baseline gap-3 border-b py-1.5">
      <span className="flex-1">
        {word}{" "}
        <WordEdit label="Kind of part" word={words}>
          <Choices
            name="extra-kind"
            value={kind}
            of={EXTRA_KINDS.map((one) => [one, EXTRAS[one].words] as const)}
            set={(next) => set({ kind: next })}
          />
        </WordEdit>{" "}
        on{" "}
        <WordEdit label="Skills of the part" word={names.length === 0 ? "no skill yet" : names.join(", ")}>
          <SkillPicker view={view} skillIds={skillIds} set={(ids) => set({ skillIds: ids })} />
        </WordEdit>
        {ofItems === null ? null : (
          <>
            ,{" "}
            <WordEdit label="Items of the part" word={`${ofItems}${items} items`}>
              <label className="block">
                <span className="mb-1 block">Items, 1 to 60</span>
                <input
                  type="number"
                  className={`${BOX} w-20`}
                  min={1}
                  max={60}
                  value={items}
                  onChange={(event) => {
                    const typed = event.target.valueAsNumber;
                    if (Number.isInteger(typed)) set({ items: Math.min(60, Math.max(1, typed)) });
                  }}
                />
              </label>
            </WordEdit>
          </>
        )}
        , opens <Opens opens={opens} isFirst={isFirst} set={(next) => set({ opens: next })} />
      </span>
      <button type="button" aria-label={`Take out ${words}`} className="px-1.5 text-[17px]" onClick={drop}>
        ×
      </button>
    </li>
  );
}

function Opens({
  opens,
  isFirst = false,
  set,
}: {
  readonly opens: PartOpens;
  readonly isFirst?: boolean;
  readonly set: (opens: PartOpens) => void;
}) {
  const words = {
    done: isFirst ? "at once" : "when the part before is done",
    once: "at once",
    word: "when I open it",
    day: opens.by === "day" && opens.day !== "" ? `on ${dayWords(opens.day)}` : "on a day",
  };
  const of = (["done", "once", "day", "word"] as const).filter((by) => !(isFirst && by === "done"));
  return (
    <WordEdit label="Opens" word={words[opens.by]}>
      <Choices
        name="extra-opens"
        value={isFirst && opens.by === "done" ? "once" : opens.by}
        of={of.map((by) => [by, by === "day" ? "from the morning of a day" : words[by]] as const)}
        set={(by) => set(by === "day" ? { by, day: "" } : { by })}
      />
      {opens.by === "day" ? (
        <label className="mt-2 block">
          <span className="mb-1 block">The day</span>
          <input
            type="date"
            className={BOX}
            value={opens.day}
            onChange={(event) => set({ by: "day", day: event.target.value })}
          />
        </label>
      ) : null}
    </WordEdit>
  );
}

/** Names shown at once. */
const MOST_SHOWN = 9;

function SkillPicker({
  view,
  skillIds,
  set,
}: {
  readonly view: ComposeView;
  readonly skillIds: readonly string[];
  readonly set: (skillIds: readonly string[]) => void;
}) {
  const [find, setFind] = useState("");
  const wanted = find.trim().toLocaleLowerCase();
  const found = view.skills.filter(({ name, code }) => `${name} ${code}`.toLocaleLowerCase().includes(wanted));
  const inOrder = [
    ...found.filter(({ id }) => skillIds.includes(id)),
    ...found.filter(({ id }) => !skillIds.includes(id)),
  ];
  return (
    <div className="w-80">
      <input
        aria-label="Find a skill for the part"
        placeholder="Find a skill"
        className="border-hair mb-1 w-full border-b bg-transparent px-1 py-1"
        value={find}
        onChange={(event) => setFind(event.target.value)}
      />
      <ul>
        {inOrder.slice(0, MOST_SHOWN).map(({ id, name, code }) => (
          <li key={id}>
            <label className="flex items-center gap-2 py-0.5">
              <input
                type="checkbox"
                className="accent-ink size-4"
                checked={skillIds.includes(id)}
                disabled={!skillIds.includes(id) && skillIds.length >= 6}
                onChange={() => set(skillIds.includes(id) ? skillIds.filter((one) => one !== id) : [...skillIds, id])}
              />
              <span className="flex-1">{name}</span>
              <span className="text-mute text-[14px]">{code}</span>
            </label>
          </li>
        ))}
      </ul>
    </div>
  );
}
