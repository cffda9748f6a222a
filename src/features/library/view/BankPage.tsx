"use client";
import { X } from "lucide-react";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { sayDone, sayProblem } from "@/client/notices";
import type { ActionResult } from "@/core/model/actionResult";
import { BANK_LEVELS } from "@/core/model/bankLevel";
import { undoAction } from "@/server/history/undoAction";
import { PageHead } from "@/ui/layout/PageHead";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { FIELD } from "@/ui/primitives/Field";
import { bankRoleWords, LEVEL_WORDS } from "@/words/staff/bankWords";
import { dayWords } from "@/words/staff/dayWords";
import { changeBankAction, closeBankAction, openBankAction, putBankAwayAction } from "../actions";
import type { BankView } from "../bankTypes";

/** A bank: what is in it, and, for those who look after it, who may do what. */
export function BankPage({ view, base }: { readonly view: BankView; readonly base: string }) {
  const router = useRouter();
  const run = async (words: string, act: () => Promise<ActionResult<{ changeId: string }>>) => {
    const done = await act();
    if (!done.ok) sayProblem(done.message);
    else sayDone(words, () => undoAction(done.data.changeId));
    return done.ok;
  };
  const looksAfter = view.level === "look-after";
  return (
    <div className="px-5 py-4">
      <PageHead
        title={view.name}
        sub={`Bank of ${view.owner}; ${view.ready} in use${view.drafts > 0 ? `, ${view.drafts === 1 ? "1 draft" : `${view.drafts} drafts`}` : ""}. You may ${LEVEL_WORDS[view.level]}.${view.isRestricted && view.restrictedUntil ? ` Restricted until ${dayWords(view.restrictedUntil)}: until then only those who look after it see its items.` : ""}`}
      >
        <ButtonLink href={`${base}/library/items?bank=${view.id}`}>See its items</ButtonLink>
        {view.ready > 0 ? (
          <ButtonLink href={`${base}/library/items/take-out?bank=${view.id}`}>Take it out</ButtonLink>
        ) : null}
        {looksAfter && view.ready > 0 ? (
          <ButtonLink href={`${base}/library/calibration?bank=${view.id}`}>Check it by the answers</ButtonLink>
        ) : null}
        {view.level === "use" ? null : (
          <>
            <ButtonLink href={`${base}/library/items/bring-in?bank=${view.id}`}>Bring items in</ButtonLink>
            <ButtonLink look="main" href={`${base}/library/items/new?bank=${view.id}`}>
              Write an item
            </ButtonLink>
          </>
        )}
      </PageHead>
      {looksAfter ? (
        <div className="grid items-start gap-x-12 gap-y-6 lg:grid-cols-2">
          <Rights view={view} run={run} />
          <Settings view={view} run={run} />
          <p className="lg:col-start-2">
            <Button
              onClick={async () => {
                const isDone = await run(`Put “${view.name}” away.`, () => putBankAwayAction({ bankId: view.id }));
                if (isDone) router.push(`${base}/library/banks`);
              }}
            >
              Put the bank away
            </Button>
          </p>
        </div>
      ) : (
        <p className="text-mute text-[15px]">
          {view.license ? `License: ${view.license}. ` : ""}
          Who else may use it is seen by those who look after it.
        </p>
      )}
      <p className="mt-6 text-[15px]">
        <Link className="underline underline-offset-3" href={`${base}/library/banks`}>
          All banks
        </Link>
      </p>
    </div>
  );
}

interface Props {
  readonly view: BankView;
  readonly run: (words: string, act: () => Promise<ActionResult<{ changeId: string }>>) => Promise<boolean>;
}

function Rights({ view, run }: Props) {
  const [who, setWho] = useState("");
  const [level, setLevel] = useState<(typeof BANK_LEVELS)[number]>("use");
  const groups = view.schools.flatMap(({ id, name }) =>
    [null, ...view.roles].map((role) => ({ value: `school ${id} ${role ?? ""}`, words: bankRoleWords(role, name) })),
  );
  const open = async () => {
    const [kind, id, role] = who.split(" ");
    const name = [...view.colleagues.map((one) => ({ value: `person ${one.id}`, words: one.name })), ...groups].find(
      ({ value }) => value === who,
    )?.words;
    const target = kind === "person" ? { personId: id } : { schoolId: id, role: role || null };
    const isDone = await run(`${name} may ${LEVEL_WORDS[level]}.`, () =>
      openBankAction({ bankId: view.id, level, ...target }),
    );
    if (isDone) setWho("");
  };
  return (
    <section>
      <h2 className="mb-2 font-serif text-[18px] font-medium">Who may use it</h2>
      <ul className="mb-3 text-[15px]">
        <li className="border-hair border-t py-1">{view.owner} looks after it</li>
        {view.rights.map((right) => (
          <li key={right.id} className="border-hair flex items-center gap-2 border-t py-1">
            <span className="flex-1 first-letter:uppercase">
              {right.who} may {LEVEL_WORDS[right.level]}
              {right.hasLeft ? <span className="text-clay"> but has left the school</span> : null}
            </span>
            <button
              type="button"
              className="p-1 opacity-60 hover:opacity-100"
              aria-label={`Close the bank to ${right.who}`}
              onClick={() =>
                void run(`Closed to ${right.who}.`, () => closeBankAction({ bankId: view.id, rightId: right.id }))
              }
            >
              <X size={16} aria-hidden />
            </button>
          </li>
        ))}
        {view.rights.length === 0 ? <li className="border-hair text-mute border-t py-1">Nobody else yet.</li> : null}
      </ul>
      <form
        className="flex flex-wrap items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          void open();
        }}
      >
        <label className="block text-[15px]">
          <span className="mb-0.5 block">Open it to</span>
          <select className={`${FIELD} w-60`} value={who} required onChange={(event) => setWho(event.target.value)}>
            <option value="">Choose</option>
            <optgroup label="Colleagues">
              {view.colleagues.map(({ id, name }) => (
                <option key={id} value={`person ${id}`}>
                  {name}
                </option>
              ))}
            </optgroup>
            <optgroup label="Schools">
              {groups.map(({ value, words }) => (
                <option key={value} value={value}>
                  {words}
                </option>
              ))}
            </optgroup>
          </select>
        </label>
        <label className="block text-[15px]">
          <span className="mb-0.5 block">who may</span>
          <select
            className={FIELD}
            value={level}
            onChange={(event) => setLevel(event.target.value as (typeof BANK_LEVELS)[number])}
          >
            {BANK_LEVELS.map((one) => (
              <option key={one} value={one}>
                {LEVEL_WORDS[one]}
              </option>
            ))}
          </select>
        </label>
        <Button type="submit">Open it</Button>
      </form>
    </section>
  );
}

function Settings({ view, run }: Props) {
  const [name, setName] = useState(view.name);
  const [license, setLicense] = useState(view.license);
  const [restrictedUntil, setRestricted] = useState(view.restrictedUntil ?? "");
  return (
    <form
      className="space-y-3"
      onSubmit={(event) => {
        event.preventDefault();
        void run("Changed.", () => changeBankAction({ bankId: view.id, name, license, restrictedUntil }));
      }}
    >
      <h2 className="mb-2 font-serif text-[18px] font-medium">About the bank</h2>
      <label className="block text-[15px]">
        <span className="mb-0.5 block">Name</span>
        <input className={`${FIELD} w-full max-w-md`} value={name} onChange={(event) => setName(event.target.value)} />
      </label>
      <label className="block text-[15px]">
        <span className="mb-0.5 block">License under which its items may be passed on</span>
        <input
          className={`${FIELD} w-full max-w-md`}
          value={license}
          onChange={(event) => setLicense(event.target.value)}
        />
      </label>
      <label className="block text-[15px]">
        <span className="mb-0.5 block">Restricted until</span>
        <input
          type="date"
          className={FIELD}
          value={restrictedUntil}
          onChange={(event) => setRestricted(event.target.value)}
        />
        <span className="text-mute mt-0.5 block text-[14px]">
          Before that day only those who look after it see its items; empty for no day.
        </span>
      </label>
      <Button type="submit">Change</Button>
    </form>
  );
}
