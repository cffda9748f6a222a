"use client";
import type { ComponentProps } from "react";
import type { ItemView } from "@/features/delivery/types";
import { ItemFace } from "@/features/delivery/view/ItemFace";
import { emptyValues } from "@/features/delivery/view/items/controls";
import { TalkPage } from "@/features/evidence/view/talk/TalkPage";

/** An item as its student saw it: the look is delivery's, what is talked about is evidence. Here the two meet. */
function Face({ face }: { readonly face: unknown }) {
  const shown = face as Pick<ItemView, "stem" | "images" | "table" | "parts" | "passage">;
  return <ItemFace item={shown} values={emptyValues(shown.parts)} set={() => {}} locked />;
}

export function TalkWithFaces(props: Omit<ComponentProps<typeof TalkPage>, "Face">) {
  return <TalkPage {...props} Face={Face} />;
}
