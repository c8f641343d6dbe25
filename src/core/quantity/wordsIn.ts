/** The words and numbers of a text in small letters without accents: `memGiB_total` is mem, gib, total. */
export const wordsIn = (text: string): string[] =>
  text
    .replace(/([\p{Ll}\d])(\p{Lu})/gu, '$1 $2')
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .replace(/ł/g, 'l')
    .toLowerCase()
    .split(/[^\p{L}\p{N}$€£₹]+/u)
    .filter((word) => word !== '')
