"use client";
import { useState } from "react";
import { useCodeCamera } from "@/client/camera/useCodeCamera";
import type { PaperGridView } from "../../types";

/** Finds a student's row by the code on the sheet: each that is held to the camera puts the cursor into its row. */
export function SheetCamera({ grid, found }: { readonly grid: PaperGridView; readonly found: (row: number) => void }) {
  const [said, setSaid] = useState<string | null>(null);
  const [last, setLast] = useState("");
  const { video, state } = useCodeCamera("environment", (text) => {
    if (text === last) return;
    setLast(text);
    const [workId, studentId] = text.split(" ");
    const row = grid.rows.findIndex((one) => one.studentId === studentId);
    if (workId !== grid.workId || row < 0) {
      setSaid(
        workId === grid.workId
          ? "This student was not given this test."
          : "This is a sheet of another test, or no sheet of Oxbow.",
      );
      return;
    }
    setSaid(grid.rows[row]?.name ?? "");
    found(row);
  });
  if (state === "none")
    return (
      <p className="mb-3 text-[15px]">
        No camera can be used here. The rows are in the order of names; the sheets, too, when they come from the
        printer.
      </p>
    );
  return (
    <div className="mb-3 flex items-center gap-4 text-[15px]">
      <video
        ref={video}
        muted
        playsInline
        aria-label="What the camera sees"
        className="border-ink bg-bank aspect-[4/3] w-48 border-[1.5px] object-cover"
      />
      <p role="status">
        {said === null ? (
          state === "asking" ? (
            "Allow the camera when you are asked."
          ) : (
            "Hold the code of a sheet up: the cursor goes to its row."
          )
        ) : (
          <b>{said}</b>
        )}
      </p>
    </div>
  );
}
