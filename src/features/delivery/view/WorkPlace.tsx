"use client";
import { createContext, type ReactNode, useContext } from "react";

/** Where the pages of work stand: a student's own, or those of a trial run. */
interface Place {
  /** What the address of a piece of work begins with. */
  readonly base: string;
  /** Where one goes back to, and what that is called. */
  readonly home: string;
  readonly homeWords: string;
  /** Nothing of it is kept. */
  readonly isTrial: boolean;
}

const RIVER: Place = { base: "/river", home: "/river", homeWords: "To my river", isTrial: false };
const PlaceOfWork = createContext<Place>(RIVER);

export const usePlace = (): Place => useContext(PlaceOfWork);

/** The pages in it are those of a trial run. */
export function TrialPlace({ children }: { readonly children: ReactNode }) {
  return (
    <PlaceOfWork.Provider value={{ base: "/try", home: "/desk/all/work", homeWords: "To my desk", isTrial: true }}>
      {children}
    </PlaceOfWork.Provider>
  );
}
