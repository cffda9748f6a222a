"use client";
import { type ReactNode, useState } from "react";
import { Button } from "@/ui/primitives/Button";
import { RiverMark } from "@/ui/primitives/RiverMark";
import { StaffDoor } from "./StaffDoor";
import { StudentDoor } from "./StudentDoor";

/** The door: students by class code, name and PIN or by card; teachers by email and password. */
export function SignIn({ schoolName, startAsStaff }: { readonly schoolName: string; readonly startAsStaff: boolean }) {
  const [staff, setStaff] = useState(startAsStaff);
  return (
    <DoorFrame schoolName={schoolName}>
      {staff ? (
        <StaffDoor />
      ) : (
        <div className="font-reading">
          <StudentDoor />
        </div>
      )}
      <p className="border-hair mt-8 border-t pt-4">
        <Button look="quiet" className="-ml-3 text-[17px]" onClick={() => setStaff(!staff)}>
          {staff ? "I am a student" : "I am a teacher"}
        </Button>
      </p>
    </DoorFrame>
  );
}

/** What stands beside every way in. */
export function DoorFrame({ schoolName, children }: { readonly schoolName: string; readonly children: ReactNode }) {
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
      <div>{children}</div>
    </main>
  );
}
