"use client";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { v7 } from "uuid";
import { sayDone, sayProblem } from "@/client/notices";
import { undoAction } from "@/server/history/undoAction";
import { PageHead } from "@/ui/layout/PageHead";
import { PutAway } from "@/ui/layout/PutAway";
import { Button } from "@/ui/primitives/Button";
import { FIELD } from "@/ui/primitives/Field";
import { LEVEL_WORDS } from "@/words/staff/bankWords";
import { dayWords } from "@/words/staff/dayWords";
import { bringBankBackAction, makeBankAction } from "../actions";
import type { BanksView } from "../bankTypes";
import { LibraryWays } from "./LibraryWays";

/** The banks that are open to one: whose they are, what is in them, what one may do there. */
export function BanksPage({ view, base }: { readonly view: BanksView; readonly base: string }) {
  const router = useRouter();
  const [name, setName] = useState("");
  const [ofSchool, setOfSchool] = useState("no");
  const make = async () => {
    const id = v7();
    const done = await makeBankAction({ id, name, ofSchool });
    if (!done.ok) return sayProblem(done.message);
    const { changeId } = done.data;
    sayDone(`Made the bank “${name}”.`, changeId ? () => undoAction(changeId) : undefined);
    router.push(`${base}/library/banks/${id}`);
  };
  return (
    <div className="px-5 py-4">
      <PageHead title="Library" sub="Banks hold what you, your colleagues and your school write." />
      <LibraryWays base={base} at="banks" />
      <table className="mb-6 w-full max-w-4xl text-[15px]">
        <thead className="text-mute text-left text-[14px]">
          <tr>
            <th className="py-1 font-normal">Bank</th>
            <th className="py-1 font-normal">Whose</th>
            <th className="py-1 text-right font-normal">In use</th>
            <th className="py-1 text-right font-normal">Drafts</th>
            <th className="py-1 pl-6 font-normal">You may</th>
          </tr>
        </thead>
        <tbody>
          <tr className="border-hair border-t">
            <th scope="row" className="py-1.5 text-left">
              <Link className="underline underline-offset-3" href={`${base}/library/items?bank=stock`}>
                Oxbow's own stock
              </Link>
            </th>
            <td>every school</td>
            <td className="text-right tabular-nums">{view.stock}</td>
            <td />
            <td className="pl-6">
              {LEVEL_WORDS.use}; practice draws from it
              {view.mayCalibrate ? (
                <>
                  ;{" "}
                  <Link className="underline underline-offset-3" href={`${base}/library/calibration`}>
                    check it by the answers
                  </Link>
                </>
              ) : null}
            </td>
          </tr>
          {view.banks.map((bank) => (
            <tr key={bank.id} className="border-hair border-t">
              <th scope="row" className="py-1.5 text-left">
                <Link className="underline underline-offset-3" href={`${base}/library/banks/${bank.id}`}>
                  {bank.name}
                </Link>
                {bank.isRestricted && bank.restrictedUntil ? (
                  <span className="text-clay font-normal"> restricted until {dayWords(bank.restrictedUntil)}</span>
                ) : null}
              </th>
              <td>{bank.owner}</td>
              <td className="text-right tabular-nums">{bank.ready}</td>
              <td className="text-right tabular-nums">{bank.drafts || ""}</td>
              <td className="pl-6">{LEVEL_WORDS[bank.level]}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <form
        className="flex flex-wrap items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          void make();
        }}
      >
        <label className="block text-[15px]">
          <span className="mb-0.5 block">Name of a new bank</span>
          <input
            className={`${FIELD} w-72`}
            value={name}
            required
            maxLength={60}
            onChange={(event) => setName(event.target.value)}
          />
        </label>
        {view.coordinates ? (
          <label className="block text-[15px]">
            <span className="mb-0.5 block">Belongs to</span>
            <select className={FIELD} value={ofSchool} onChange={(event) => setOfSchool(event.target.value)}>
              <option value="no">me</option>
              <option value="yes">{view.school}, for its whole staff</option>
            </select>
          </label>
        ) : null}
        <Button type="submit" look="main">
          Make the bank
        </Button>
      </form>
      <PutAway
        things={view.putAway}
        bringBack={async ({ id, name: called }) => {
          const done = await bringBankBackAction({ bankId: id });
          if (done.ok) sayDone(`Brought “${called}” back.`, () => undoAction(done.data.changeId));
          else sayProblem(done.message);
        }}
      />
    </div>
  );
}
