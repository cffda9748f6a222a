"use client";
import { useState } from "react";
import { Button } from "@/ui/primitives/Button";
import type { ItemView } from "../types";
import { ItemFace } from "./ItemFace";
import { emptyValues, type PartValues, problemOf, responseOf } from "./items/controls";

/** What a try at a preview came to, in words. */
export interface Judged {
  readonly words: string;
}

/** An item as a student would see it, to be tried out: nothing of it is kept. Give it the draw as its key. */
export function ItemPreview({
  item,
  judge,
}: {
  readonly item: Pick<ItemView, "stem" | "images" | "table" | "parts"> & Partial<Pick<ItemView, "passage">>;
  readonly judge: (response: Readonly<Record<string, object>>) => Promise<Judged>;
}) {
  const [values, setValues] = useState<PartValues>(() => emptyValues(item.parts));
  const [said, setSaid] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const check = async () => {
    const problem = problemOf(item.parts, values);
    if (problem !== null) return setSaid(problem);
    setBusy(true);
    setSaid((await judge(responseOf(item.parts, values))).words);
    setBusy(false);
  };
  return (
    <div className="font-reading" data-preview>
      <ItemFace item={item} values={values} set={setValues} locked={busy} />
      <div className="mt-4 flex flex-wrap items-center gap-3">
        <Button onClick={() => void check()} disabled={busy}>
          Try this answer
        </Button>
        <p role="status" className="text-[17px]">
          {said}
        </p>
      </div>
    </div>
  );
}
