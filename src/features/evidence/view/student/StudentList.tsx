"use client";
import Link from "next/link";
import { useParams } from "next/navigation";
import { useState } from "react";
import { PageHead } from "@/ui/layout/PageHead";
import { FindField } from "@/ui/primitives/FindField";
import type { FrameView } from "../../frame/frameTypes";
import { useFrame } from "../frame/useFrame";

/** The students of the frame, each a step from their report. */
export function StudentList({ frame }: { readonly frame: FrameView }) {
  const { classes } = useParams<{ classes: string }>();
  const { kept } = useFrame();
  const [find, setFind] = useState("");
  const asked = find.trim().toLocaleLowerCase();
  const found = frame.students.filter(({ name }) => name.toLocaleLowerCase().includes(asked));
  return (
    <div className="max-w-4xl px-5 py-3">
      <PageHead
        title="Where does one student stand?"
        sub="Choose one. A name anywhere opens the short sheet; this is the long one."
      >
        <FindField
          label="Find a student"
          placeholder="Find a student"
          value={find}
          set={(value) => setFind(value ?? "")}
        />
      </PageHead>
      <ul className="columns-2 gap-8 text-[15px] md:columns-3">
        {found.map(({ id, name }) => (
          <li key={id} className="py-0.5">
            <Link
              data-name
              className="decoration-hair underline underline-offset-3"
              href={`/desk/${classes}/evidence/students/${id}${kept()}`}
            >
              {name}
            </Link>
          </li>
        ))}
      </ul>
      {found.length === 0 ? <p className="text-mute py-4">Nobody of that name is in sight.</p> : null}
    </div>
  );
}
