"use client";
import { useRef, useState, useTransition } from "react";
import type { ClassDoor } from "@/server/access/signIn";
import { Button } from "@/ui/primitives/Button";
import { RiverMark } from "@/ui/primitives/RiverMark";
import { openDoorAction, staffSignInAction, studentSignInAction } from "../actions";

const field = "bg-field border-ink w-full border-2 px-4 py-2.5 text-[22px] min-h-13";

/** The door: students by class code, name and PIN; teachers by email and password. */
export function SignIn({ schoolName, startAsStaff }: { readonly schoolName: string; readonly startAsStaff: boolean }) {
  const [staff, setStaff] = useState(startAsStaff);
  return (
    <main className="mx-auto grid min-h-dvh max-w-5xl items-center gap-10 px-6 py-10 lg:grid-cols-[1fr_26rem]">
      <div>
        <div className="mb-6 flex items-center gap-4">
          <RiverMark className="h-12 w-16" />
          <span className="font-serif text-4xl">Oxbow</span>
        </div>
        <p className="font-serif text-2xl leading-snug">What was not learned comes round again.</p>
        <p className="text-mute mt-2 text-lg">{schoolName}</p>
      </div>
      <div>
        {staff ? <StaffDoor /> : <StudentDoor />}
        <p className="border-hair mt-8 border-t pt-4">
          <Button look="quiet" className="-ml-3 text-[17px]" onClick={() => setStaff(!staff)}>
            {staff ? "I am a student" : "I am a teacher"}
          </Button>
        </p>
      </div>
    </main>
  );
}

function Problem({ text }: { readonly text: string | null }) {
  return (
    <p role="alert" className={text ? "border-clay my-4 border-l-4 pl-3 text-[17px]" : ""}>
      {text}
    </p>
  );
}

function StudentDoor() {
  const [code, setCode] = useState("");
  const [door, setDoor] = useState<ClassDoor | null>(null);
  const [student, setStudent] = useState<{ id: string; name: string } | null>(null);
  const [pin, setPin] = useState("");
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, start] = useTransition();
  const pinField = useRef<HTMLInputElement>(null);

  const findClass = () =>
    start(async () => {
      const result = await openDoorAction(code);
      setProblem(result.ok ? null : result.message);
      if (result.ok) setDoor(result.data);
    });
  const enter = (studentId: string, typed: string) =>
    start(async () => {
      const result = await studentSignInAction({ code, studentId, pin: typed });
      if (result.ok) return;
      setProblem(result.message);
      setPin("");
      pinField.current?.focus();
    });

  if (!door) {
    return (
      <form action={findClass}>
        <h1 className="mb-4 font-serif text-3xl">Your class</h1>
        <label htmlFor="code" className="mb-1.5 block text-lg">
          Class code, six letters
        </label>
        <input
          id="code"
          className={`${field} tracking-[0.3em] uppercase`}
          value={code}
          onChange={(event) => setCode(event.target.value)}
          autoComplete="off"
          autoCapitalize="characters"
          spellCheck={false}
          maxLength={12}
        />
        <Problem text={problem} />
        <Button look="main" size="big" type="submit" className="mt-4 w-full" disabled={busy}>
          {busy ? "Looking…" : "Find my class"}
        </Button>
      </form>
    );
  }
  if (!student) {
    return (
      <div>
        <h1 className="mb-1 font-serif text-3xl">Who are you?</h1>
        <p className="text-mute mb-4 text-lg">{door.className}</p>
        <ul className="grid max-h-[60vh] grid-cols-2 gap-1.5 overflow-y-auto pr-1">
          {door.students.map((entry) => (
            <li key={entry.id}>
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
        <Button look="quiet" className="mt-4 -ml-3 text-[17px]" onClick={() => setDoor(null)}>
          Another class
        </Button>
      </div>
    );
  }
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        enter(student.id, pin);
      }}
    >
      <h1 className="mb-1 font-serif text-3xl">Hello, {student.name.split(" ")[0]}</h1>
      <p className="text-mute mb-4 text-lg">{door.className}</p>
      <label htmlFor="pin" className="mb-1.5 block text-lg">
        Your PIN, four digits
      </label>
      <input
        id="pin"
        ref={pinField}
        className={`${field} tracking-[0.5em]`}
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
          if (digits.length === 4) enter(student.id, digits);
        }}
      />
      <Problem text={problem} />
      <Button look="main" size="big" type="submit" className="mt-4 w-full" disabled={busy || pin.length < 4}>
        {busy ? "Opening…" : "Go in"}
      </Button>
      <Button
        look="quiet"
        className="mt-4 -ml-3 text-[17px]"
        onClick={() => {
          setStudent(null);
          setPin("");
          setProblem(null);
        }}
      >
        That is not me
      </Button>
    </form>
  );
}

function StaffDoor() {
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, start] = useTransition();
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        const data = new FormData(event.currentTarget);
        start(async () => {
          const result = await staffSignInAction({
            email: String(data.get("email")),
            password: String(data.get("password")),
          });
          if (!result.ok) setProblem(result.message);
        });
      }}
    >
      <h1 className="mb-4 font-serif text-3xl">Teachers</h1>
      <label htmlFor="email" className="mb-1.5 block text-lg">
        Email
      </label>
      <input
        id="email"
        name="email"
        type="email"
        autoComplete="username"
        required
        className={`${field} mb-4 text-[18px]!`}
      />
      <label htmlFor="password" className="mb-1.5 block text-lg">
        Password
      </label>
      <input
        id="password"
        name="password"
        type="password"
        autoComplete="current-password"
        required
        className={`${field} text-[18px]!`}
      />
      <Problem text={problem} />
      <Button look="main" size="big" type="submit" className="mt-4 w-full" disabled={busy}>
        {busy ? "Opening…" : "Sign in"}
      </Button>
    </form>
  );
}
