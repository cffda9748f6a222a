"use client";
import { X } from "lucide-react";
import { usePathname, useRouter } from "next/navigation";
import { useBundle } from "@/client/bundle/bundle";
import { Button } from "@/ui/primitives/Button";

const LETTERS = 34;

/** What was gathered in the library, with its minutes; stays at the foot across searches until it becomes work. */
export function BundleBar({ classKey }: { readonly classKey: string }) {
  const bundle = useBundle();
  const router = useRouter();
  const isInLibrary = usePathname().startsWith(`/desk/${classKey}/library`);
  if (bundle.entries.length === 0 || !isInLibrary) return null;
  const minutes = Math.max(1, Math.round(bundle.entries.reduce((sum, { seconds }) => sum + seconds, 0) / 60));
  const ids = bundle.entries.map(({ id }) => encodeURIComponent(id)).join("~");
  return (
    <>
      <div className="h-14" aria-hidden />
      <section
        aria-label="Bundle"
        className="no-print fixed inset-x-0 bottom-0 z-20 flex min-h-13 items-center gap-4 border-t border-[#33444c] bg-[#1f3d4d] px-5 py-2 text-[15px] text-[#fbf8f2]"
      >
        <b className="whitespace-nowrap">
          Bundle, {bundle.entries.length === 1 ? "1 item" : `${bundle.entries.length} items`}, about {minutes} min
        </b>
        <ul className="flex min-w-0 flex-1 gap-x-4 overflow-x-auto">
          {bundle.entries.map(({ id, line }) => (
            <li key={id} className="flex items-center gap-1 whitespace-nowrap">
              {line.length > LETTERS ? `${line.slice(0, LETTERS)}…` : line}
              <button
                type="button"
                aria-label={`Out of the bundle: ${line}`}
                className="opacity-70 hover:opacity-100"
                onClick={() => bundle.remove(id)}
              >
                <X size={14} aria-hidden />
              </button>
            </li>
          ))}
        </ul>
        <div className="flex gap-2">
          <Button look="onDark" onClick={() => router.push(`/desk/${classKey}/work/new?items=${ids}`)}>
            Assign
          </Button>
          <Button look="onDark" onClick={() => router.push(`/desk/${classKey}/library/worksheet?items=${ids}`)}>
            Print
          </Button>
          <Button look="onDark" onClick={bundle.clear}>
            Clear
          </Button>
        </div>
      </section>
    </>
  );
}
