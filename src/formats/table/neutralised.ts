/** What a spreadsheet program would run as a formula, also behind marks that were put before it. */
const FORMULA = /^'*[=+\-@\t\r]/;
const MARKED = /^'+[=+\-@\t\r]/;

/** A cell that no spreadsheet program runs: a mark is put before anything that looks like a formula. Undone by `unmarked`. */
export function neutralised(cell: string): string {
  return FORMULA.test(cell) ? `'${cell}` : cell;
}

/** A cell without the mark that `neutralised` put before it. */
export function unmarked(cell: string): string {
  return MARKED.test(cell) ? cell.slice(1) : cell;
}
