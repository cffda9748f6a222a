"use client";
import Link from "next/link";
import { useState, useTransition } from "react";
import { Button } from "@/ui/primitives/Button";
import { Problem } from "@/ui/primitives/Field";
import { askResetAction, setPasswordByLinkAction } from "../actions";
import { DOOR_FIELD } from "./doorField";

/** Asks for a link to a new password. */
export function Forgotten() {
  const [email, setEmail] = useState("");
  const [sent, setSent] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, start] = useTransition();
  if (sent)
    return (
      <div role="status">
        <h1 className="mb-4 font-serif text-3xl">Look into your mail box</h1>
        <p className="text-lg">
          If {email} belongs to an account, a link is on its way. It works for half an hour. If nothing comes, ask your
          coordinator which address the school has for you.
        </p>
      </div>
    );
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        start(async () => {
          const result = await askResetAction({ email });
          setProblem(result.ok ? null : result.message);
          setSent(result.ok);
        });
      }}
    >
      <h1 className="mb-4 font-serif text-3xl">A new password</h1>
      <label htmlFor="email" className="mb-1.5 block text-lg">
        Your email at school
      </label>
      <input
        id="email"
        type="email"
        required
        autoComplete="username"
        value={email}
        onChange={(event) => setEmail(event.target.value)}
        className={`${DOOR_FIELD} text-[18px]!`}
      />
      <Problem text={problem} />
      <Button look="main" size="big" type="submit" className="mt-4 w-full" disabled={busy}>
        {busy ? "Sending…" : "Send me a link"}
      </Button>
      <p className="mt-4 text-[17px]">
        <Link href="/sign-in?as=teacher" className="underline underline-offset-4">
          Back to signing in
        </Link>
      </p>
    </form>
  );
}

/** Sets a new password by the link; the token stands behind the #. */
export function NewPassword() {
  const [password, setPassword] = useState("");
  const [again, setAgain] = useState("");
  const [done, setDone] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, start] = useTransition();
  if (done)
    return (
      <div role="status">
        <h1 className="mb-4 font-serif text-3xl">Your password is set</h1>
        <p className="mb-5 text-lg">Every device was signed out. Sign in with the new password.</p>
        <Link href="/sign-in?as=teacher" className="text-lg underline underline-offset-4">
          Sign in
        </Link>
      </div>
    );
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (password !== again) {
          setProblem("The two passwords differ. Type the second one again.");
          return;
        }
        start(async () => {
          const result = await setPasswordByLinkAction({ token: location.hash.slice(1), password });
          setProblem(result.ok ? null : result.message);
          setDone(result.ok);
        });
      }}
    >
      <h1 className="mb-4 font-serif text-3xl">A new password</h1>
      <label htmlFor="new" className="mb-1.5 block text-lg">
        New password, 12 letters or more; a short sentence is easy to keep
      </label>
      <input
        id="new"
        type="password"
        required
        autoComplete="new-password"
        value={password}
        onChange={(event) => setPassword(event.target.value)}
        className={`${DOOR_FIELD} mb-4 text-[18px]!`}
      />
      <label htmlFor="again" className="mb-1.5 block text-lg">
        Once more
      </label>
      <input
        id="again"
        type="password"
        required
        autoComplete="new-password"
        value={again}
        onChange={(event) => setAgain(event.target.value)}
        className={`${DOOR_FIELD} text-[18px]!`}
      />
      <Problem text={problem} />
      <Button look="main" size="big" type="submit" className="mt-4 w-full" disabled={busy}>
        {busy ? "Setting…" : "Set the password"}
      </Button>
    </form>
  );
}
