/** Days from one to another, in words; a single day is said once. */
export const spanWords = ({ from, to }: { readonly from: string; readonly to: string }): string =>
  from === to ? from : `${from} to ${to}`;
