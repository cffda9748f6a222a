"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { useRun } from "@/client/useRun";
import { factFamilies, HIGHEST_OPERANDS } from "@/core/fluency/factFamilies";
import { type FactSettings, OPERATIONS, type OwnFactSettings } from "@/core/model/factSettings";
import { undoAction } from "@/server/history/undoAction";
import { Button } from "@/ui/primitives/Button";
import { Problem } from "@/ui/primitives/Field";
import { WordEdit } from "@/ui/primitives/WordEdit";
import { familyName, operationName } from "@/words/factWords";
import { changeFactSettingsAction } from "../../actions";

const MINUTES = [2, 3, 4, 5, 7, 10, 15] as const;
const SECONDS = [1.5, 2, 3, 4, 5, 6, 8, 10] as const;
const GOALS = [10, 15, 20, 25, 30, 40, 50, 60, 80] as const;

/** How facts are practised, read and edited as a sentence: of a class, or of one student in it. */
export function SettingsSentence(props: {
  readonly classId: string;
  /** Null for the whole class. */
  readonly studentId: string | null;
  /** Who it is about, as the sentence begins: "6 Alder practises". */
  readonly who: string;
  readonly on: boolean;
  readonly settings: FactSettings;
}) {
  const { classId, studentId, who, on, settings } = props;
  const router = useRouter();
  const run = useRun(undoAction, true);
  const keep = (said: OwnFactSettings & { readonly on?: boolean }, words: string) =>
    run(
      () => changeFactSettingsAction({ classId, studentId, ...said }),
      words,
      () => router.refresh(),
    );
  if (!on)
    return (
      <div>
        <p className="flex flex-wrap items-center gap-3 text-[17px]">
          {who} does not practise number facts.
          <Button
            look="main"
            disabled={run.busy}
            onClick={() => keep({ on: true }, "Number facts are practised daily.")}
          >
            Practise daily
          </Button>
        </p>
        <Problem text={run.problem} />
      </div>
    );
  const { operations, order, highest, minutesADay, thinkingSeconds, goal } = settings;
  return (
    <div>
      <p className="text-[17px] leading-8">
        {who} practises{" "}
        <WordEdit word={operations.map(operationName).join(", ")} label="Operations">
          <Operations
            chosen={operations}
            set={(next) => keep({ operations: next, order: null }, "Changed the operations.")}
          />
        </WordEdit>{" "}
        daily, with numbers up to{" "}
        <WordEdit word={String(highest)} label="Highest operand">
          <Choice
            of={HIGHEST_OPERANDS}
            value={highest}
            words={(value) => `up to ${value}`}
            set={(value) => keep({ highest: value }, `Numbers go up to ${value}.`)}
          />
        </WordEdit>
        , for{" "}
        <WordEdit word={`${minutesADay} min`} label="Minutes a day">
          <Choice
            of={MINUTES}
            value={minutesADay}
            words={(value) => `${value} min a day`}
            set={(value) => keep({ minutesADay: value }, `${value} min a day.`)}
          />
        </WordEdit>{" "}
        and a goal of{" "}
        <WordEdit word={`${goal} facts in time`} label="Daily goal">
          <Choice
            of={GOALS}
            value={goal}
            words={(value) => `${value} facts in time`}
            set={(value) => keep({ goal: value }, `The goal is ${value} facts in time.`)}
          />
        </WordEdit>
        ; in time means{" "}
        <WordEdit word={`${thinkingSeconds} s`} label="Thinking time">
          <Choice
            of={SECONDS}
            value={thinkingSeconds}
            words={(value) => `${value} s to think`}
            set={(value) => keep({ thinkingSeconds: value }, `${value} s to think.`)}
          />
        </WordEdit>{" "}
        to think, beside their own typing. Families come{" "}
        <WordEdit
          word={order === null ? "in the usual order, from where placement says" : order.map(familyName).join(", ")}
          label="Families"
        >
          <Order settings={settings} set={(next) => keep({ order: next }, "Changed the families.")} />
        </WordEdit>
        .{" "}
        <Button
          look="quiet"
          className="px-0!"
          onClick={() => keep({ on: false }, "Number facts are switched off. What was shown is kept.")}
        >
          Switch off
        </Button>
      </p>
      <Problem text={run.problem} />
    </div>
  );
}

function Choice<Value extends number>(props: {
  readonly of: readonly Value[];
  readonly value: number;
  readonly words: (value: number) => string;
  readonly set: (value: Value) => void;
}) {
  return (
    <fieldset className="space-y-1">
      {props.of.map((one) => (
        <label key={one} className="flex gap-2">
          <input
            type="radio"
            name="choice"
            className="accent-clay"
            checked={one === props.value}
            onChange={() => props.set(one)}
          />
          {props.words(one)}
        </label>
      ))}
    </fieldset>
  );
}

function Operations(props: {
  readonly chosen: FactSettings["operations"];
  readonly set: (operations: FactSettings["operations"]) => void;
}) {
  return (
    <fieldset className="space-y-1">
      {OPERATIONS.map((one) => (
        <label key={one} className="flex gap-2">
          <input
            type="checkbox"
            className="accent-clay"
            checked={props.chosen.includes(one)}
            onChange={(event) =>
              props.set(
                OPERATIONS.filter((other) => (other === one ? event.target.checked : props.chosen.includes(other))),
              )
            }
          />
          {operationName(one)}
        </label>
      ))}
    </fieldset>
  );
}

/** The families that are learned, and in which order: picked one after the other. */
function Order({
  settings,
  set,
}: {
  readonly settings: FactSettings;
  readonly set: (order: readonly string[] | null) => void;
}) {
  const all = settings.operations.flatMap((operation) => factFamilies(operation, settings.highest).map(({ id }) => id));
  const [picked, setPicked] = useState<readonly string[]>(settings.order ?? []);
  return (
    <div className="w-80 space-y-3">
      <p className="text-mute text-[14px]">
        Pick families in the order in which they are to come. Those that are not picked are not asked.
      </p>
      <p className="flex flex-wrap gap-1.5">
        {all.map((id) => {
          const place = picked.indexOf(id);
          return (
            <button
              key={id}
              type="button"
              aria-pressed={place >= 0}
              className={`border-[1.5px] px-2 py-0.5 ${place >= 0 ? "border-ink bg-bank" : "border-hair"}`}
              onClick={() => setPicked(place >= 0 ? picked.filter((one) => one !== id) : [...picked, id])}
            >
              {place >= 0 ? `${place + 1}. ` : ""}
              {familyName(id)}
            </button>
          );
        })}
      </p>
      <p className="flex gap-2">
        <Button look="main" disabled={picked.length === 0} onClick={() => set(picked)}>
          In this order
        </Button>
        <Button onClick={() => set(null)}>In the usual order</Button>
      </p>
    </div>
  );
}
