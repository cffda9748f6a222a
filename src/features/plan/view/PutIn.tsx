"use client";
import { type FormEvent, useState } from "react";
import { v7 } from "uuid";
import { Dialog } from "@/ui/primitives/Dialog";
import { FIELD, Field } from "@/ui/primitives/Field";
import { FormFoot } from "@/ui/primitives/FormFoot";
import type { PlanSlotView, PutInChoice } from "../types";

type Kind = "unit" | "skill" | "test" | "work" | "text";
const KINDS: readonly (readonly [Kind, string])[] = [
  ["unit", "a unit"],
  ["skill", "a skill"],
  ["test", "a test"],
  ["work", "kept work"],
  ["text", "a line of text"],
];

/** Puts a unit, a skill, a test or a line of text into the plan, behind a slot. */
export function PutIn({
  choice,
  slots,
  open,
  close,
  put,
}: {
  readonly choice: PutInChoice;
  readonly slots: readonly Pick<PlanSlotView, "id" | "title">[];
  readonly open: boolean;
  readonly close: () => void;
  readonly put: (wanted: { readonly place: number; readonly slot: object }, said: string) => void;
}) {
  const [kind, setKind] = useState<Kind>("unit");
  const [chosen, setChosen] = useState("");
  const [title, setTitle] = useState("");
  const [isExtra, setExtra] = useState(false);
  const [place, setPlace] = useState(slots.length);
  const things = thingsOf(choice, kind);
  const name = kind === "text" ? title.trim() : (things.find(({ id }) => id === chosen)?.name ?? "");
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const counted = kind !== "text" && !isExtra;
    const said = counted ? `“${name}” put in.` : `“${name}” put in. It is an extra and never counts towards progress.`;
    put({ place, slot: { id: v7(), counted, ...whatOf(kind, chosen, name) } }, said);
    setChosen("");
    setTitle("");
    close();
  };
  return (
    <Dialog open={open} onOpenChange={(isOpen) => (isOpen ? null : close())} title="Put something into the plan">
      <form onSubmit={submit} className="space-y-4 text-[15px]">
        <fieldset className="flex gap-4">
          <legend className="sr-only">What</legend>
          {KINDS.map(([own, words]) => (
            <label key={own} className="flex items-center gap-1.5">
              <input
                type="radio"
                name="kind"
                className="accent-ink"
                checked={kind === own}
                onChange={() => {
                  setKind(own);
                  setChosen("");
                }}
              />
              {words}
            </label>
          ))}
        </fieldset>
        {kind === "text" ? (
          <Field
            label="Text, such as a trip or a test week"
            maxLength={120}
            value={title}
            onChange={({ target }) => setTitle(target.value)}
          />
        ) : (
          <label className="block">
            <span className="mb-0.5 block">
              {LABEL[kind]}
              {kind === "test"
                ? ", of a planned unit"
                : kind === "work"
                  ? ", yours or shared with you"
                  : ", not planned yet"}
            </span>
            <select
              className={`${FIELD} w-full`}
              aria-label={LABEL[kind]}
              value={chosen}
              onChange={({ target }) => setChosen(target.value)}
            >
              <option value="">choose</option>
              {things.map((thing) => (
                <option key={thing.id} value={thing.id}>
                  {"grade" in thing ? `grade ${thing.grade}: ${thing.name}` : thing.name}
                </option>
              ))}
            </select>
          </label>
        )}
        {kind === "work" && things.length === 0 ? (
          <p className="text-mute">You keep no work yet. On the page of a piece of work, “Keep” keeps it.</p>
        ) : null}
        {kind === "test" && things.length === 0 ? (
          <p className="text-mute">No unit is planned of which there could be a test. Put a unit in first.</p>
        ) : null}
        {kind === "unit" || kind === "skill" ? (
          <label className="flex items-center gap-2">
            <input
              type="checkbox"
              className="accent-ink"
              checked={isExtra}
              onChange={({ target }) => setExtra(target.checked)}
            />
            as an extra, which never counts towards progress
          </label>
        ) : null}
        <label className="block">
          <span className="mb-0.5 block">Where</span>
          <select
            className={`${FIELD} w-full`}
            aria-label="Where"
            value={Math.min(place, slots.length)}
            onChange={({ target }) => setPlace(Number(target.value))}
          >
            <option value={0}>at the beginning</option>
            {slots.map((slot, n) => (
              <option key={slot.id} value={n + 1}>
                behind “{slot.title}”
              </option>
            ))}
          </select>
        </label>
        <FormFoot problem={null} deed="Put it in" disabled={name === ""} close={close} />
      </form>
    </Dialog>
  );
}

const LABEL: Readonly<Record<Exclude<Kind, "text">, string>> = {
  unit: "Unit",
  skill: "Skill",
  test: "Test",
  work: "Kept work",
};

/** A test is named by its unit and when in it. */
const PART = "~";

function thingsOf({ units, skills, tests, works }: PutInChoice, kind: Kind) {
  if (kind === "work") return works;
  if (kind === "test")
    return tests.map(({ unitId, moment, ...test }) => ({ ...test, id: `${unitId}${PART}${moment}` }));
  return kind === "unit" ? units : skills;
}

function whatOf(kind: Kind, chosen: string, name: string): object {
  if (kind === "unit") return { unitId: chosen };
  if (kind === "skill") return { skillIds: [chosen] };
  if (kind === "text") return { title: name };
  if (kind === "work") return { workId: chosen };
  const [unitId, moment] = chosen.split(PART);
  return { unitId, moment };
}
