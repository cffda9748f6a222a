"use client";
import { ChevronDown, Search } from "lucide-react";
import Link from "next/link";
import { usePathname, useRouter } from "next/navigation";
import { DropdownMenu } from "radix-ui";
import { useEffect, useMemo, useState } from "react";
import { forgetBundle } from "@/client/bundle/bundle";
import { setShortcutsOff, shortcutsOff, useShortcuts } from "@/client/keys/useShortcuts";
import { toggleProjector } from "@/client/projector";
import { forgetPullList } from "@/client/pull-list/pullList";
import { RiverMark } from "@/ui/primitives/RiverMark";
import type { ClassChoice } from "../types";
import { NameCover } from "./NameCover";
import { Palette } from "./Palette";
import { PointHere } from "./PointHere";
import { ShortcutHelp } from "./ShortcutHelp";

const menu = "bg-paper border-ink z-50 min-w-56 border-[1.5px] p-1.5 text-[15px] shadow-lg";
const item = "data-highlighted:bg-bank flex cursor-pointer items-center justify-between gap-6 px-3 py-1.5 outline-none";

export function DeskHeader(props: {
  readonly classes: readonly ClassChoice[];
  readonly chosenKey: string;
  /** The classes chosen; none for the whole school. */
  readonly chosenIds: readonly string[];
  /** How many of the classes are the person's own; the others come with coordinating the school. */
  readonly own: number;
  readonly wholeSchool: boolean;
  readonly term: string;
  readonly personName: string;
  readonly stations: readonly string[];
  readonly signOut: () => Promise<void>;
}) {
  const { classes, chosenKey, chosenIds, own, wholeSchool, term, personName, stations, signOut } = props;
  const router = useRouter();
  const path = usePathname();
  const base = `/desk/${chosenKey}`;
  const [palette, setPalette] = useState(false);
  const [help, setHelp] = useState(false);
  const [pointing, setPointing] = useState(false);
  const isOfClasses = chosenIds.length > 0;
  const shortcuts = useMemo(
    () => ({
      "/": () => setPalette(true),
      "?": () => setHelp(true),
      "g t": () => router.push(base),
      "g l": () => router.push(`${base}/library`),
      "g h": () => router.push(`${base}/history`),
      "g p": toggleProjector,
      "g v": () => setPointing(isOfClasses),
      "g n": () => router.push(`${base}/work/new`),
      ...Object.fromEntries(
        stations.map((station, place) => [String(place + 1), () => router.push(`${base}/${station}`)]),
      ),
    }),
    [router, base, stations, isOfClasses],
  );
  useShortcuts(shortcuts);
  useLiveRefresh();
  // Another class keeps the station, not the one thing that was open in it.
  const stationOf = (key: string) => `/desk/${key}${path.slice(base.length).split("/").slice(0, 2).join("/")}`;
  const chosen = classes.find(({ slug }) => slug === chosenKey);
  return (
    <header className="no-print flex h-11 items-center gap-5 px-5 text-[15px] max-sm:gap-3 max-sm:px-3">
      <Link href={base} aria-label="Today" className="-m-1 p-1">
        <RiverMark />
      </Link>
      <DropdownMenu.Root>
        <DropdownMenu.Trigger className="flex items-center gap-1.5 text-[16px] font-semibold whitespace-nowrap">
          {chosen?.name ?? (chosenKey === "school" ? "Whole school" : "All classes")}{" "}
          <ChevronDown size={16} aria-hidden />
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content className={`${menu} max-h-[70vh] overflow-y-auto`} align="start">
            {[
              ...(wholeSchool ? [{ slug: "school", name: "Whole school" }] : []),
              ...(own > 0 ? [{ slug: "all", name: wholeSchool ? "All my classes" : "All classes" }] : []),
              ...classes,
            ].map(({ slug, name }) => (
              <DropdownMenu.Item
                key={slug}
                className={`${item} ${slug === chosenKey ? "font-bold" : ""}`}
                onSelect={() => router.push(stationOf(slug))}
              >
                {name}
              </DropdownMenu.Item>
            ))}
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
      <span className="text-mute hidden md:inline">{term}</span>
      <Link href={base} className={path === base ? "font-semibold" : "text-mute hover:text-ink"}>
        Today
      </Link>
      <Link
        href={`${base}/library`}
        className={path.startsWith(`${base}/library`) ? "font-semibold" : "text-mute hover:text-ink"}
      >
        Library
      </Link>
      <button
        type="button"
        onClick={() => setPalette(true)}
        className="text-mute border-hair hover:border-ink ml-auto flex items-center gap-2 px-1 py-1 text-left sm:border-b md:w-64"
      >
        <Search size={15} aria-hidden className="shrink-0" />
        <span className="max-md:sr-only">Find a student, skill or work</span>
        <kbd className="border-hair ml-auto border px-1.5 text-[12px] font-semibold max-md:hidden">/</kbd>
      </button>
      <DropdownMenu.Root>
        <DropdownMenu.Trigger className="flex items-center gap-1.5">
          <span className="max-sm:max-w-20 max-sm:truncate">{personName}</span>
          <ChevronDown size={15} aria-hidden className="shrink-0" />
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content className={menu} align="end">
            <DropdownMenu.Item className={item} onSelect={() => router.push(`${base}/history`)}>
              History and undo <kbd className="text-mute">g h</kbd>
            </DropdownMenu.Item>
            <DropdownMenu.Item className={item} onSelect={() => router.push(`${base}/account`)}>
              Your account
            </DropdownMenu.Item>
            {isOfClasses ? (
              <DropdownMenu.Item className={item} onSelect={() => setPointing(true)}>
                Point a colleague to this view <kbd className="text-mute">g v</kbd>
              </DropdownMenu.Item>
            ) : null}
            <DropdownMenu.Item className={item} onSelect={toggleProjector}>
              Projector: hide or show names <kbd className="text-mute">g p</kbd>
            </DropdownMenu.Item>
            <DropdownMenu.Item className={item} onSelect={toggleTheme}>
              Light or dark
            </DropdownMenu.Item>
            <DropdownMenu.Item className={item} onSelect={() => setHelp(true)}>
              Keyboard shortcuts <kbd className="text-mute">?</kbd>
            </DropdownMenu.Item>
            <DropdownMenu.Item className={item} onSelect={() => setShortcutsOff(!shortcutsOff())}>
              Switch single keys on or off
            </DropdownMenu.Item>
            <DropdownMenu.Separator className="bg-hair my-1 h-px" />
            <DropdownMenu.Item
              className={item}
              onSelect={() => {
                forgetPullList();
                forgetBundle();
                void signOut();
              }}
            >
              Sign out
            </DropdownMenu.Item>
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
      <NameCover />
      <Palette open={palette} onOpenChange={setPalette} base={base} chosenKey={chosenKey} />
      <PointHere open={pointing} onOpenChange={setPointing} chosenKey={chosenKey} classIds={chosenIds} />
      <ShortcutHelp open={help} onOpenChange={setHelp} />
    </header>
  );
}

function toggleTheme(): void {
  const dark = document.documentElement.dataset.theme !== "dark";
  if (dark) document.documentElement.dataset.theme = "dark";
  else delete document.documentElement.dataset.theme;
  try {
    localStorage.setItem("oxbow.theme", dark ? "dark" : "light");
  } catch {
    // Without storage the choice lasts until the page is reloaded.
  }
}

const REFRESH_MILLISECONDS = 60_000;

/** Shows the figures anew each minute while the page is looked at: students go on working. */
function useLiveRefresh(): void {
  const router = useRouter();
  useEffect(() => {
    const timer = setInterval(() => {
      const busy = document.querySelector("[role=dialog], form");
      if (document.visibilityState === "visible" && !busy) router.refresh();
    }, REFRESH_MILLISECONDS);
    return () => clearInterval(timer);
  }, [router]);
}
