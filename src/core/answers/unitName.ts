/** Symbols and written names of units, by the symbol of the SI or of everyday use; the first word is the symbol itself. */
const UNITS: readonly (readonly string[])[] = [
  ["mm", "millimetre", "millimeter"],
  ["cm", "centimetre", "centimeter"],
  ["m", "metre", "meter"],
  ["km", "kilometre", "kilometer"],
  ["in", "inch", "inches"],
  ["ft", "foot", "feet"],
  ["yd", "yard"],
  ["mi", "mile"],
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

/**
 * A unit by its symbol, however it was written: in any case, with a full stop, in the plural. A word of fewer than three letters has no
 * plural, so that "ms" is no "m".
 * @returns The symbol, or null for a word that names no unit of this table.
 * @example unitName("Metres.") // "m"
 */
export function unitName(text: string): string | null {
  const word = text.toLowerCase().replace(/\.$/, "").trim();
  const known = SYMBOLS.get(word);
  if (known !== undefined) return known;
  const single = word.replace(/s$/, "");
  return single.length >= LEAST_LETTERS ? (SYMBOLS.get(single) ?? null) : null;
}
