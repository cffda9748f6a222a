"use client";
import { useState } from "react";
import { readLineAction } from "../actions";
import type { LineView } from "../types";
import { Lines } from "./SignsAbove";

/** Lines from teachers on a student's own page. */
export function HomeLines({ lines }: { readonly lines: readonly LineView[] }) {
  const [read, setRead] = useState<ReadonlySet<string>>(new Set());
  const open = lines.filter(({ id }) => !read.has(id));
  if (open.length === 0) return null;
  return (
    <div className="-mx-5 mb-4 sm:-mx-12">
      <Lines
        lines={open}
        read={(id) => {
          setRead((before) => new Set(before).add(id));
          void readLineAction({ lineId: id });
        }}
      />
    </div>
  );
}
