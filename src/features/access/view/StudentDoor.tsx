"use client";
import { useEffect, useRef, useState, useTransition } from "react";
import { PICTURES, PICTURES_IN_PIN } from "@/core/model/pictures";
import { classCodeWords, readClassCode } from "@/core/roster/classCode";
import type { ClassDoor } from "@/server/access/signIn";
import { Button } from "@/ui/primitives/Button";
import { Problem } from "@/ui/primitives/Field";
import { Picture } from "@/ui/primitives/Picture";
import { openDoorAction, studentSignInAction } from "../actions";
import { CardReader } from "./CardReader";
import { DOOR_FIELD } from "./doorField";
import { clockWords, useWait } from "./useWait";

type Student = ClassDoor["students"][number];

const CLASS_KEPT = "oxbow.class";

/** So that the code is typed once on each device. */
function rememberClass(code: string): void {
  try {
    localStorage.setItem(CLASS_KEPT, code);
  } catch {
    // Then it is typed again.
  }
}

function rememberedClass(): string {
  try {
    return localStorage.getItem(CLASS_KEPT) ?? "";
  } catch {
    return "";
  }
}

/** Students: by class code, name and PIN, or with their card. */
export function StudentDoor() {
  const [code, setCode] = useState("");
  const [door, setDoor] = useState<ClassDoor | null>(null);
  const [student, setStudent] = useState<Student | null>(null);
  const [withCard, setWithCard] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, start] = useTransition();
  // After the first paint: the server does not know what this device remembers.
  useEffect(() => setCode((typed) => typed || classCodeWords(rememberedClass())), []);
  const findClass = () =>
    start(async () => {
      const result = await openDoorAction(code);
      setProblem(result.ok ? null : result.message);
      if (result.ok) setDoor(result.data);
    });
  if (withCard) return <CardReader close={() => setWithCard(false)} />;
  if (!door)
    return (
      <form action={findClass}>
        <h1 className="mb-4 font-serif text-3xl">Your class</h1>
        <label htmlFor="code" className="mb-1.5 block text-lg">
          Class code, ten letters and digits
        </label>
        <input
          id="code"
          className={`${DOOR_FIELD} tracking-[0.15em] uppercase`}
          value={code}
          onChange={(event) => setCode(event.target.value)}
          autoComplete="off"
          autoCapitalize="characters"
          spellCheck={false}
          maxLength={30}
        />
        <Problem text={problem} />
        <Button look="main" size="big" type="submit" className="mt-4 w-full" disabled={busy}>
          {busy ? "Looking…" : "Find my class"}
        </Button>
        <Button size="big" className="mt-3 w-full" onClick={() => setWithCard(true)}>
          I have a card
        </Button>
      </form>
    );
  if (!student)
    return (
      <div>
        <h1 className="mb-1 font-serif text-3xl">Who are you?</h1>
        <p className="text-mute mb-4 text-lg">{door.className}</p>
        <ul className="grid max-h-[60vh] grid-cols-2 gap-1.5 overflow-y-auto pr-1">
          {door.students.map((entry) => (
            <li key={entry.id} className="[contain-intrinsic-size:auto_3rem] [content-visibility:auto]">
              <button
                type="button"
                className="border-hair hover:border-ink bg-field min-h-12 w-full border-[1.5px] px-3 text-left text-[18px]"
                onClick={() => {
                  setStudent(entry);
                  setProblem(null);
                }}
              >
                {entry.name}
              </button>
            </li>
          ))}
        </ul>
        {door.students.length === 0 ? <p className="text-lg">Nobody is in this class yet. Ask your teacher.</p> : null}
        <Button look="quiet" className="mt-4 -ml-3 text-[17px]" onClick={() => setDoor(null)}>
          Another class
        </Button>
      </div>
    );
  return <PinDoor code={code} className={door.className} student={student} back={() => setStudent(null)} />;
}

function PinDoor({
  code,
  className,
  student,
  back,
}: {
  readonly code: string;
  readonly className: string;
  readonly student: Student;
  readonly back: () => void;
}) {
  const [problem, setProblem] = useState<string | null>(null);
  const [round, setRound] = useState(0);
  const [busy, start] = useTransition();
  const wait = useWait();
  const enter = (pin: string) =>
    start(async () => {
      rememberClass(readClassCode(code));
      const result = await studentSignInAction({ code, studentId: student.id, pin });
      if (result.ok) return;
      setProblem(result.message);
      wait.begin(result.waitSeconds);
      // Begins the PIN anew, with the cursor in it.
      setRound((n) => n + 1);
    });
  return (
    <div>
      <h1 className="mb-1 font-serif text-3xl">Hello, {student.name.split(" ")[0]}</h1>
      <p className="text-mute mb-4 text-lg">{className}</p>
      {wait.left > 0 ? (
        <p role="timer" className="bg-field border-ink border-2 px-4 py-3 text-[20px]">
          Next try in <b className="tabular-nums">{clockWords(wait.left)}</b>
        </p>
      ) : student.pin === "picture" ? (
        <PicturePin key={round} busy={busy} enter={enter} />
      ) : (
        <NumberPin key={round} busy={busy} enter={enter} />
      )}
      <Problem
        text={
          student.pin === null
            ? "You have no PIN yet. Your teacher can make one for you."
            : wait.isOver
              ? "You can try again now."
              : problem
        }
      />
      <Button look="quiet" className="mt-4 -ml-3 text-[17px]" onClick={back}>
        That is not me
      </Button>
    </div>
  );
}

interface PinProps {
  readonly busy: boolean;
  readonly enter: (pin: string) => void;
}

function NumberPin({ busy, enter }: PinProps) {
  const [pin, setPin] = useState("");
  const field = useRef<HTMLInputElement>(null);
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (pin.length === 4) enter(pin);
      }}
    >
      <label htmlFor="pin" className="mb-1.5 block text-lg">
        Your PIN, four digits
      </label>
      <input
        id="pin"
        ref={field}
        className={`${DOOR_FIELD} tracking-[0.5em]`}
        type="password"
        inputMode="numeric"
        autoComplete="off"
        maxLength={4}
        value={pin}
        disabled={busy}
        // biome-ignore lint/a11y/noAutofocus: the step before was choosing the name; typing the PIN is the only thing to do
        autoFocus
        onChange={(event) => {
          const digits = event.target.value.replace(/\D/g, "");
          setPin(digits);
          if (digits.length === 4) enter(digits);
        }}
      />
      <Button look="main" size="big" type="submit" className="mt-4 w-full" disabled={busy || pin.length < 4}>
        {busy ? "Opening…" : "Go in"}
      </Button>
    </form>
  );
}

/** Four pictures tapped in order; the last one opens. */
function PicturePin({ busy, enter }: PinProps) {
  const [chosen, setChosen] = useState<readonly number[]>([]);
  const tap = (place: number) => {
    if (busy || chosen.length === PICTURES_IN_PIN) return;
    const now = [...chosen, place];
    setChosen(now);
    if (now.length === PICTURES_IN_PIN) enter(now.join("-"));
  };
  return (
    <fieldset disabled={busy}>
      <legend className="mb-2 text-lg">Your four pictures, in order</legend>
      <ol className="mb-3 flex gap-2" aria-label={`${chosen.length} of ${PICTURES_IN_PIN} chosen`}>
        {Array.from({ length: PICTURES_IN_PIN }, (_, place) => (
          <li key={place} className={`h-3 flex-1 ${place < chosen.length ? "bg-ink" : "bg-silt"}`} />
        ))}
      </ol>
      <div className="grid grid-cols-4 gap-2">
        {PICTURES.map((name, place) => (
          <button
            key={name}
            type="button"
            className="border-hair hover:border-ink bg-field flex min-h-20 flex-col items-center justify-center gap-1 border-[1.5px] text-[15px]"
            onClick={() => tap(place)}
          >
            <Picture name={name} />
            {name}
          </button>
        ))}
      </div>
      <Button
        look="quiet"
        className="mt-2 -ml-3 text-[17px]"
        onClick={() => setChosen([])}
        disabled={chosen.length === 0}
      >
        {busy ? "Opening…" : "Start the pictures again"}
      </Button>
    </fieldset>
  );
}
