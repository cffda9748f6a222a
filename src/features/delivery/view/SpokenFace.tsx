"use client";
import { Volume2, VolumeX } from "lucide-react";
import { type ComponentProps, useRef } from "react";
import { useReadAloud } from "@/client/speech/useReadAloud";
import type { ItemView } from "../types";
import { ItemFace } from "./ItemFace";

/** An item as its student sees it, with reading aloud where the work, or the student's supports, have it. */
export function SpokenFace({
  item,
  readsAloud,
  ...face
}: Omit<ComponentProps<typeof ItemFace>, "item"> & { readonly item: ItemView; readonly readsAloud: boolean }) {
  const place = useRef<HTMLDivElement>(null);
  const { can, speaking, toggle } = useReadAloud(item.presentationId);
  const Icon = speaking ? VolumeX : Volume2;
  return (
    <>
      {readsAloud && can ? (
        <button
          type="button"
          aria-pressed={speaking}
          onClick={() => toggle(place.current)}
          className="text-mute hover:text-ink mb-1 inline-flex min-h-11 items-center gap-2 text-[17px] underline underline-offset-4"
        >
          <Icon aria-hidden="true" className="size-5" />
          {speaking ? "Stop reading" : "Read aloud"}
        </button>
      ) : null}
      <div ref={place}>
        <ItemFace item={item} {...face} />
      </div>
    </>
  );
}
