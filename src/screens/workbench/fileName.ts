import { plainName } from '../../files/reading/plainNames.ts'

/** A file name out of any text: letters, digits and hyphens, never empty. Spells all of the world's letters: fetch it late. */
export const fileName = (text: string): string => plainName(text)
