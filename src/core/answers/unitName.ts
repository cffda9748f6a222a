/** Symbols and written names of units, by the symbol of the SI or of everyday use; the first word is the symbol itself. */
const UNITS: readonly (readonly string[])[] = [
  ["mm", "millimetre", "millimeter"],
  ["cm", "centimetre", "centimeter"],
  ["m", "metre", "meter"],
  ["km", "kilometre", "kilometer"],
  ["km/h", "kmh", "kph"],
  ["in", "inch", "inches"],
  ["ft", "foot", "feet"],
  ["yd", "yard"],
  ["mi", "mile"],
  ["mi/h", "mph"],
  ["mg", "milligram"],
  ["g", "gram", "gramme"],
  ["kg", "kilogram", "kilo"],
  ["t", "tonne"],
  ["oz", "ounce"],
  ["lb", "lbs", "pound"],
  ["ml", "millilitre", "milliliter"],
  ["l", "litre", "liter"],
  ["gal", "gallon"],
  ["ms", "millisecond"],
  ["s", "sec", "second"],
  ["min", "minute"],
  ["h", "hr", "hrs", "hour"],
  ["%", "percent"],
  ["$", "dollar"],
  ["€", "euro"],
  ["£"],
];
const LEAST_LETTERS = 3;

const SYMBOLS = new Map(UNITS.flatMap((names) => names.map((name) => [name, names[0] ?? name] as const)));

/** "sq cm", "cubic metres", and powers written after the unit. */
const SQUARE = /^(?:sq|square)\.?\s+/;
const CUBIC = /^(?:cu|cubic)\.?\s+/;
const POWER = /\^?([23])$/;
const PER = /\s*\/\s*|\s+per\s+(?:an?\s+)?/;

/**
 * A unit by its symbol, however it was written: in any case, with a full stop, in the plural, as a power ("cm²", "sq cm") or a rate
 * ("km/h", "dollars per pound"). A word of fewer than three letters has no plural, so that "ms" is no "m".
 * @param text As `readNumber` gives it: powers as "^2" or "2".
 * @returns The symbol, or null for words that name no unit of this table.
 * @example unitName("square Metres per hour") // "m^2/h"
 */
export function unitName(text: string): string | null {
  const parts = text.toLowerCase().trim().split(PER).map(powerName);
  return parts.length > 2 || parts.includes(null) ? null : parts.join("/");
}

function powerName(text: string): string | null {
  const bare = text.replace(/\.$/, "").trim();
  const power = SQUARE.test(bare) ? "2" : CUBIC.test(bare) ? "3" : (POWER.exec(bare)?.[1] ?? null);
  const base = baseName(bare.replace(SQUARE, "").replace(CUBIC, "").replace(POWER, "").trim());
  return base === null ? null : power === null ? base : `${base}^${power}`;
}

function baseName(word: string): string | null {
  const known = SYMBOLS.get(word);
  if (known !== undefined) return known;
  const single = word.replace(/s$/, "");
  return single.length >= LEAST_LETTERS ? (SYMBOLS.get(single) ?? null) : null;
}
