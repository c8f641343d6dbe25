const NO_LINE = /[\p{Cc}\p{Cf}\p{Zl}\p{Zp}]/gu

/** True for text that a plan file takes as a label of at most so many letters: one line, no control characters. */
export const isOneLine = (text: string, most: number): boolean =>
  text.length <= most && text.search(NO_LINE) < 0

/** The text as such a label: what it may not hold becomes a space, what is too long is cut. */
export const asOneLine = (text: string, most: number): string =>
  text.replace(NO_LINE, ' ').slice(0, most).trim()
