import type { Conductor } from "./conductor";

type Usual = Pick<
  Conductor,
  | "begin"
  | "atEnd"
  | "endsWhenSure"
  | "pickable"
  | "standsWhole"
  | "onPaper"
  | "isRead"
  | "isHandedInWhole"
  | "placements"
  | "endsWithTime"
  | "looksAhead"
  | "setsAside"
>;

/** What most kinds of work have in common: nothing to remember, items one after the other, chosen ahead for a lost connection. A kind says where it differs. */
export const USUAL: Usual = {
  begin: () => ({}),
  atEnd: () => ({}),
  endsWhenSure: false,
  pickable: false,
  standsWhole: false,
  onPaper: false,
  isRead: false,
  isHandedInWhole: () => false,
  placements: ({ placements }) => placements,
  endsWithTime: false,
  looksAhead: true,
  setsAside: false,
};
