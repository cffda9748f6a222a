/**
 * A name as it is compared: without accents, capitals and signs, with single spaces.
 * @example bareName("Ó Lorcáin") // "o lorcain"
 */
export const bareName = (text: string): string =>
  text
    .normalize("NFKD")
    .replace(/\p{M}/gu, "")
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, " ")
    .trim();
