import "server-only";
import type { ItemKind } from "@/core/items/itemKind";
import { markedPieces } from "./marked";
import { axisOf, type Numbers } from "./numbers";

/** A part as an author writes it, under the name of its kind. */
export type Written = Readonly<Record<string, unknown>>;
type Texts = Readonly<Record<string, string>>;
/** Wrong answers by the misconception that they show; several of one as a list. */
type Wrong<Value> = Readonly<Record<string, Value | readonly Value[]>>;

const text = (value: unknown): string => String(value);
const each = <Value>(wrong: Wrong<Value> | undefined): [string, Value][] =>
  Object.entries(wrong ?? {}).flatMap(([id, own]): [string, Value][] =>
    isList(own) ? own.map((one): [string, Value] => [id, one]) : [[id, own as Value]],
  );
const isList = <Value>(value: unknown): value is readonly Value[] => Array.isArray(value);
const telling = (wrong: unknown) => each(wrong as Wrong<unknown>).map(([id, value]) => ({ id, value: text(value) }));

function number({ is, when, wrong, unit, unitNeeded, any, within, ...rest }: Written): object {
  return {
    answer: text(is),
    right: text(when),
    ...(within === undefined ? {} : { tolerance: text(within) }),
    ...(any === true ? { anyRight: true } : {}),
    misconceptions: telling(wrong),
    ...(unit === undefined ? {} : { unit: { word: text(unit), required: unitNeeded === true } }),
    ...rest,
  };
}

/** Options with values for what is written in all of them, or each with a text of its own. */
function options({ write, when, key, wrong, other, ...rest }: Written): object {
  const own = (id: string, value: unknown, right: boolean, misconceptionId?: string) => ({
    id,
    ...(write === undefined ? { text: text(value), ...(right ? { right } : {}) } : { values: valuesOf(value) }),
    ...(misconceptionId === undefined ? {} : { misconceptionId }),
  });
  const keys = isList(key) ? key : [key];
  const used = new Map<string, number>();
  const numbered = (id: string) => {
    const count = (used.get(id) ?? 0) + 1;
    used.set(id, count);
    return count === 1 ? id : `${id}-${count}`;
  };
  return {
    ...(write === undefined ? {} : { option: text(write), right: text(when) }),
    options: [
      ...keys.map((value) => own(numbered("key"), value, true)),
      ...each(wrong as Wrong<unknown>).map(([id, value]) => own(numbered(id), value, false, id)),
      ...((other as unknown[] | undefined) ?? []).map((value, place) => own(`other-${place + 1}`, value, false)),
    ],
    ...rest,
  };
}

/** One value stands for `n`. */
const valuesOf = (value: unknown): Texts =>
  typeof value === "object" && value !== null
    ? Object.fromEntries(Object.entries(value).map(([name, own]) => [name, text(own)]))
    : { n: text(value) };

function shortText({ is, not, wrong, exact, capitals, marks }: Written): object {
  return {
    accepted: (isList(is) ? is : [is]).map(text),
    ...(not === undefined ? {} : { notAccepted: (not as unknown[]).map(text) }),
    misconceptions: each(wrong as Wrong<unknown>).map(([id, own]) => ({ id, text: text(own) })),
    ignoreCase: capitals !== true,
    ignoreSpacing: true,
    ignoreAccents: true,
    ignorePunctuation: marks !== true,
    spelling: exact === false ? "lenient" : "exact",
  };
}

function gaps(written: unknown): object {
  const found: { id: string; options: object[]; right: string }[] = [];
  const pieces = markedPieces(text(written)).map((piece) => {
    if (typeof piece === "string") return piece;
    const id = `gap-${found.length + 1}`;
    found.push({
      id,
      options: piece.map(({ text: own, misconception }, place) => ({
        id: `o${place + 1}`,
        text: own,
        ...(misconception === null ? {} : { misconceptionId: misconception }),
      })),
      right: `o${piece.findIndex(({ right }) => right) + 1}`,
    });
    return { gap: id };
  });
  return { text: pieces, gaps: found };
}

function selectWords(written: unknown): object {
  let place = 0;
  return {
    text: markedPieces(text(written)).flatMap((piece): object[] =>
      typeof piece === "string"
        ? [{ text: piece }]
        : piece.map(({ text: own, right, misconception }) => ({
            text: own,
            id: `w${++place}`,
            ...(right ? { right } : {}),
            ...(misconception === null ? {} : { misconceptionId: misconception }),
          })),
    ),
  };
}

/** Members in their order, or with what they are ordered by; wrong orders as lists of their places from 1. */
function order({ of, down, wrong }: Written): object {
  const members = isList<unknown>(of)
    ? of.map((own, place) => ({ id: `m${place + 1}`, text: text(own) }))
    : Object.entries(of as Texts).map(([own, value], place) => ({
        id: `m${place + 1}`,
        text: own,
        value: text(value),
      }));
  return {
    members,
    ...(down === true ? { descending: true } : {}),
    misconceptions: Object.entries((wrong ?? {}) as Record<string, readonly number[]>).map(([id, places]) => ({
      id,
      order: places.map((place) => `m${place}`),
    })),
  };
}

function matching({ pairs, also, wrong }: Written): object {
  const own = pairs as Texts;
  const partners = [
    ...new Set([...Object.values(own).map(text), ...((also as unknown[] | undefined) ?? []).map(text)]),
  ];
  const things = Object.keys(own);
  const partnerId = (partner: unknown) => `p${partners.indexOf(text(partner)) + 1}`;
  const thingId = (thing: string) => `t${things.indexOf(thing) + 1}`;
  return {
    things: things.map((thing) => ({ id: thingId(thing), text: thing, partner: partnerId(own[thing]) })),
    partners: partners.map((partner) => ({ id: partnerId(partner), text: partner })),
    misconceptions: Object.entries((wrong ?? {}) as Record<string, Texts>).flatMap(([id, shown]) =>
      Object.entries(shown).map(([thing, partner]) => ({ id, thing: thingId(thing), partner: partnerId(partner) })),
    ),
  };
}

const markOf = (value: unknown): object => {
  if (typeof value !== "object" || value === null) return { point: text(value) };
  const { over, under, from, to } = value as Record<string, unknown>;
  const [low, high] = [over ?? from, under ?? to].map((end) => (end === undefined ? null : text(end)));
  return { low, high, withLow: from !== undefined, withHigh: to !== undefined };
};

function numberLine({ from, to, by, label, at, wrong }: Written): object {
  return {
    from: text(from),
    to: text(to),
    step: text(by ?? 1),
    ...(label === undefined ? {} : { labelEvery: text(label) }),
    right: markOf(at),
    misconceptions: each(wrong as Wrong<unknown>).map(([id, mark]) => ({ id, mark: markOf(mark) })),
  };
}

const pointsOf = (points: unknown) => (points as [unknown, unknown][]).map(([x, y]) => ({ x: text(x), y: text(y) }));

function grid({ across, up, task, at, wrong }: Written): object {
  return {
    across: axisOf(across as Numbers),
    up: axisOf(up as Numbers),
    task: task ?? "points",
    right: pointsOf(at),
    misconceptions: Object.entries((wrong ?? {}) as Record<string, unknown>).map(([id, points]) => ({
      id,
      points: pointsOf(points),
    })),
  };
}

const shading = ({ parts, columns, is, wrong }: Written): object => ({
  parts: text(parts),
  ...(columns === undefined ? {} : { columns: text(columns) }),
  right: text(is),
  misconceptions: telling(wrong),
});

const expression = ({ is, form, wrong }: Written): object => ({
  answer: text(is),
  form: form ?? "any",
  misconceptions: each(wrong as Wrong<unknown>).map(([id, own]) => ({ id, text: text(own) })),
});

const steps = ({ start, wrong }: Written): object => ({
  start: text(start),
  misconceptions: each(wrong as Wrong<unknown>).map(([id, slip]) => ({ id, slip: text(slip) })),
});

/** The kind that an author's word stands for, and what is written under it as a body of that kind. */
export const AUTHOR_WORDS: Readonly<
  Record<string, { readonly kind: ItemKind; readonly body: (written: never) => object }>
> = {
  number: { kind: "number", body: number },
  choose: { kind: "single-choice", body: options },
  "choose all": { kind: "multiple-choice", body: options },
  text: { kind: "short-text", body: shortText },
  gaps: { kind: "inline-choice", body: gaps },
  order: { kind: "order", body: order },
  match: { kind: "matching", body: matching },
  find: { kind: "select-words", body: selectWords },
  line: { kind: "number-line", body: numberLine },
  grid: { kind: "grid", body: grid },
  shade: { kind: "shading", body: shading },
  expression: { kind: "expression", body: expression },
  solve: { kind: "steps", body: steps },
};
