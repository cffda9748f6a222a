"use client";
import dynamic from "next/dynamic";
import { createContext, useContext } from "react";

/** What stands there until the package that sets formulas is loaded, which only texts with formulas do. */
const Typed = createContext("");
const SetFormula = dynamic(() => import("./SetFormula").then((found) => found.SetFormula), {
  ssr: false,
  loading: () => <span>{useContext(Typed)}</span>,
});

/** A formula in TeX. */
export const Formula = ({ tex }: { readonly tex: string }) => (
  <Typed.Provider value={tex}>
    <SetFormula tex={tex} />
  </Typed.Provider>
);
