/** Every sign that a keyboard or a page gives for minus: hyphens, dashes, the minus sign, small and full-width ones. */
export const MINUS_SIGNS = /[\u2010-\u2015\u2212\ufe58\ufe63]/g;
