"use client";
import Link from "next/link";
import { useState, useTransition } from "react";
import { Button } from "@/ui/primitives/Button";
import { Problem } from "@/ui/primitives/Field";
import { staffSignInAction } from "../actions";
import { DOOR_FIELD } from "./doorField";
import { clockWords, useWait } from "./useWait";

/** Staff: by email and password, and by a code where a second step is set up. */
export function StaffDoor() {
  const [email, setEmail] = useState("");
  const [password, setPassword] = useState("");
  const [code, setCode] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, start] = useTransition();
  const wait = useWait();
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        start(async () => {
          const result = await staffSignInAction({ email, password, ...(code === null ? {} : { code }) });
          setProblem(result.ok ? null : result.message);
          wait.begin(result.ok ? undefined : result.waitSeconds);
          if (result.ok && result.data === "code") setCode("");
          else if (!result.ok && code !== null) setCode("");
        });
      }}
    >
      <h1 className="mb-4 font-serif text-3xl">Teachers</h1>
      {code === null ? (
        <>
          <label htmlFor="email" className="mb-1.5 block text-lg">
            Email
          </label>
          <input
            id="email"
            type="email"
            autoComplete="username"
            required
            value={email}
            onChange={(event) => setEmail(event.target.value)}
            className={`${DOOR_FIELD} mb-4 text-[18px]!`}
          />
          <label htmlFor="password" className="mb-1.5 block text-lg">
            Password
          </label>
          <input
            id="password"
            type="password"
            autoComplete="current-password"
            required
            value={password}
            onChange={(event) => setPassword(event.target.value)}
            className={`${DOOR_FIELD} text-[18px]!`}
          />
        </>
      ) : (
        <>
          <label htmlFor="step" className="mb-1.5 block text-lg">
            The six digits that your phone shows now
          </label>
          <input
            id="step"
            inputMode="numeric"
            autoComplete="one-time-code"
            maxLength={6}
            value={code}
            // biome-ignore lint/a11y/noAutofocus: the password was just accepted; the code is the only thing to type
            autoFocus
            onChange={(event) => setCode(event.target.value.replace(/\D/g, ""))}
            className={`${DOOR_FIELD} tracking-[0.4em]`}
          />
        </>
      )}
      <Problem text={wait.isOver ? "You can try again now." : problem} />
      <Button look="main" size="big" type="submit" className="mt-4 w-full" disabled={busy || wait.left > 0}>
        {busy ? "Opening…" : wait.left > 0 ? `Wait ${clockWords(wait.left)}` : "Sign in"}
      </Button>
      {code === null ? (
        <p className="mt-3 text-[17px]">
          <Link href="/sign-in/forgotten" className="underline underline-offset-4">
            I forgot my password
          </Link>
        </p>
      ) : (
        <Button look="quiet" className="mt-3 -ml-3 text-[17px]" onClick={() => setCode(null)}>
          Another account
        </Button>
      )}
    </form>
  );
}
