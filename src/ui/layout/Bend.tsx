"use client";
import Link from "next/link";
import { usePathname } from "next/navigation";

export interface Station {
  readonly name: string;
  readonly path: string;
  readonly figure: string;
  readonly attention: boolean;
}

/** Half a meander in a 100 by 40 box: from the low bank over the top, or under the bottom, to the next station. */
const OVER = "M0 34 C14 34 10 6 26 6 H74 C90 6 86 34 100 34";
const UNDER = "M0 34 H100";

/** The loop as one winding line of stations: navigation and status in one. It never scrolls away. */
export function Bend({ stations, base }: { readonly stations: readonly Station[]; readonly base: string }) {
  const path = usePathname();
  const here = stations.findIndex((station) => path.startsWith(`${base}/${station.path}`));
  return (
    <nav
      aria-label="The bend"
      className="no-print from-paper to-bank border-hair grid border-b bg-gradient-to-b"
      style={{ gridTemplateColumns: `repeat(${stations.length}, minmax(0, 1fr))` }}
    >
      {stations.map((station, place) => {
        const high = place % 2 === 0;
        const current = place === here;
        const passed = here >= 0 && place < here;
        return (
          <Link
            key={station.path}
            href={`${base}/${station.path}`}
            aria-current={current ? "page" : undefined}
            aria-keyshortcuts={String(place + 1)}
            className="group relative block h-[62px]"
          >
            <svg
              viewBox="0 0 100 40"
              preserveAspectRatio="none"
              className="absolute inset-x-0 top-[5px] h-[52px] w-full"
              aria-hidden="true"
            >
              <path
                d={high ? OVER : UNDER}
                fill="none"
                stroke={passed || current ? "var(--water)" : "var(--silt)"}
                strokeWidth="5"
                vectorEffect="non-scaling-stroke"
              />
            </svg>
            <span
              aria-hidden
              className={`border-ink absolute left-1/2 -translate-x-1/2 rounded-full border-[2.5px] ${current ? "bg-ink h-4 w-4" : "bg-paper h-3 w-3 group-hover:bg-silt"}`}
              style={{ top: high ? (current ? 5 : 7) : current ? 41 : 43 }}
            />
            <span className="absolute inset-x-0.5 text-center leading-tight" style={{ top: high ? 23 : 6 }}>
              <b className={`block text-[15px] ${current ? "font-extrabold" : "font-semibold"}`}>{station.name}</b>
              <span
                className={`block truncate text-[13px] max-sm:sr-only ${station.attention ? "text-clay font-semibold" : "text-mute"}`}
              >
                {station.figure}
              </span>
            </span>
          </Link>
        );
      })}
    </nav>
  );
}
