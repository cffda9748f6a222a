import type { ItemBody, PartBody } from "./itemBody";

/**
 * A body whose misconceptions go by other ids; what is mapped to null is known no more: an option stays, a wrong answer that was listed for
 * nothing else goes.
 * @example mapMisconceptions({ parameters: {}, stem: "s", contexts: {}, difficultyOffset: "0", hint: "", solution: "", parts: [] }, () => null).parts // []
 */
export function mapMisconceptions(body: ItemBody, idFor: (id: string) => string | null): ItemBody {
  return { ...body, parts: body.parts.map((part) => mapped(part, idFor) as PartBody) };
}

/** Every misconception that a body names. */
export function misconceptionsIn(body: ItemBody): string[] {
  const found = new Set<string>();
  mapMisconceptions(body, (id) => {
    found.add(id);
    return id;
  });
  return [...found];
}

function mapped(value: unknown, idFor: (id: string) => string | null): unknown {
  if (Array.isArray(value)) return value.map((one) => mapped(one, idFor));
  if (typeof value !== "object" || value === null) return value;
  return Object.fromEntries(
    Object.entries(value).flatMap(([name, own]): [string, unknown][] => {
      if (name === "misconceptionId" && typeof own === "string") {
        const id = idFor(own);
        return id === null ? [] : [[name, id]];
      }
      if (name !== "misconceptions" || !Array.isArray(own)) return [[name, mapped(own, idFor)]];
      const kept = (own as { readonly id: string }[]).flatMap((one) => {
        const id = idFor(one.id);
        return id === null ? [] : [{ ...one, id }];
      });
      return [[name, kept]];
    }),
  );
}
