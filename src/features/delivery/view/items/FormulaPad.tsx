import dynamic from "next/dynamic";
import { useState } from "react";
import { Button } from "@/ui/primitives/Button";

/** It knows browsers only, and most who answer never need it. */
const FormulaField = dynamic(() => import("./FormulaField").then((found) => found.FormulaField), {
  ssr: false,
  loading: ({ error }) => <>{error ? "This can't be loaded now. Write in the line above." : "Loading…"}</>,
});

/**
 * A field in which a formula is set while it is typed, with keys of its own on a tablet, loaded when somebody asks for it. What stands in it is
 * written into the plain field above, which is what is handed in: whoever types there needs none of this.
 */
export function FormulaPad(field: {
  readonly value: string;
  readonly set: (value: string) => void;
  readonly label: string;
}) {
  const [isOpen, setIsOpen] = useState(false);
  return isOpen ? (
    <div className="bg-field mt-3 min-h-16 w-full max-w-[480px] text-[24px]">
      <FormulaField {...field} />
    </div>
  ) : (
    <Button look="quiet" className="mt-1 -ml-3 text-[18px]!" onClick={() => setIsOpen(true)}>
      Set it as a formula
    </Button>
  );
}
