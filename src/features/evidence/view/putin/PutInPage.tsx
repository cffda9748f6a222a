"use client";
import { useRouter, useSearchParams } from "next/navigation";
import { useState } from "react";
import type { PutInMove } from "@/core/work/putIn";
import { PageHead } from "@/ui/layout/PageHead";
import { Button } from "@/ui/primitives/Button";
import type { PutInView } from "../../putInTypes";
import { putInSheets } from "../../sheets/putInSheets";
import { Files } from "../parts/Files";
import { SheetTables } from "../parts/SheetTables";
import { Activities } from "./Activities";
import { PutInGroup } from "./PutInGroup";

/** Those who need something of the teacher come first. */
const ORDER: readonly PutInMove[] = ["teach", "talk", "stretch", "not-begun", "goes-well"];

/** What was put in and what came of it: whom to teach, to talk to, to stretch. */
export function PutInPage({ view }: { readonly view: PutInView }) {
  const router = useRouter();
  const search = useSearchParams();
  const [asTable, setAsTable] = useState(false);
  const sheets = putInSheets(view);
  const set = (key: string, value: string) => {
    const next = new URLSearchParams(search);
    if (value === "") next.delete(key);
    else next.set(key, value);
    router.push(`?${next}`, { scroll: false });
  };
  return (
    <div className="px-5 py-3">
      <PageHead
        title="What was put in, and what came of it?"
        sub={
          <>
            <label>
              In{" "}
              <select
                className="word-edit max-w-72 bg-transparent"
                value={view.piece?.id ?? ""}
                onChange={(event) => set("work", event.target.value)}
              >
                <option value="">all work of these days</option>
                {view.pieces.map(({ id, title }) => (
                  <option key={id} value={id}>
                    {title}
                  </option>
                ))}
              </select>
            </label>
            ; something to show is {view.line} % or more right at the first try. Four figures say what was put in; their
            mean only orders the list.
          </>
        }
      >
        <Button onClick={() => setAsTable(!asTable)}>{asTable ? "As a picture" : "As a table"}</Button>
        <Files report="put-in" />
      </PageHead>
      {view.students.length === 0 ? (
        <p className="text-mute py-6">No student is in sight. Show everyone, or choose another class.</p>
      ) : asTable ? (
        <SheetTables report="put-in" sheets={sheets} />
      ) : (
        <>
          {ORDER.map((move) => (
            <PutInGroup key={move} move={move} students={view.students.filter((one) => one.move === move)} />
          ))}
          <Activities view={view} />
        </>
      )}
    </div>
  );
}
