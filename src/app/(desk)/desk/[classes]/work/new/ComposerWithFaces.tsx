"use client";
import type { ComponentProps } from "react";
import type { ItemView } from "@/features/delivery/types";
import { ItemFace } from "@/features/delivery/view/ItemFace";
import { emptyValues } from "@/features/delivery/view/items/controls";
import type { TestItem } from "@/features/work/testTypes";
import { Composer } from "@/features/work/view/compose/Composer";

/** An item as students see it: what they answer with is delivery's, what is put together is work's. Here the two meet. */
function Face({ item: { face } }: { readonly item: TestItem }) {
  const shown = face as Pick<ItemView, "stem" | "images" | "table" | "parts" | "passage">;
  return (
    <div className="font-reading">
      <ItemFace item={shown} values={emptyValues(shown.parts)} set={() => {}} locked />
    </div>
  );
}

export function ComposerWithFaces(props: Omit<ComponentProps<typeof Composer>, "Face">) {
  return <Composer {...props} Face={Face} />;
}
