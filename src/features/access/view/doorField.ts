/** Look of an input at the door: large enough for a child who types slowly. */
export const DOOR_FIELD = "bg-field border-ink w-full border-2 px-4 py-2.5 text-[22px] min-h-13";
