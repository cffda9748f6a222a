/** The part of damerau-levenshtein that `editDistance.ts` uses; the package ships no types. */
declare module "damerau-levenshtein" {
  export default function levenshtein(one: string, other: string): { readonly steps: number };
}
