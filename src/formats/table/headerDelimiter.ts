const DELIMITERS = [",", ";", "\t", "|"] as const;

/**
 * What parts the cells of a table: of the usual delimiters the one that stands most often in its first line, outside quotes.
 * Names of columns hold none of them, whereas a guess from the rows takes ids such as "north|17" for two cells.
 */
export function headerDelimiter(text: string): string {
  const header = (/^[^\r\n]*/.exec(text)?.[0] ?? "").replace(/"[^"]*"/g, "");
  const count = (delimiter: string) => header.split(delimiter).length - 1;
  return [...DELIMITERS].sort((x, y) => count(y) - count(x))[0] ?? ",";
}
