/** Longer texts are no dates and no times. */
export const LONGEST_DATE = 60

/** A time of day behind a date, with or without a zone: hours, minutes, seconds, a or p, the offset. */
const CLOCK =
  /(?:T|\s+|,\s*)(\d{1,2})[:.](\d{2})(?:[:.](\d{2})(?:[.,]\d{1,9})?)?\s*([ap])?\.?(?:m\.?)?\s*(Z|UTC|GMT|[+-]\d{2}(?::?\d{2})?)?$/i

/** Ten digits or nine of seconds, or thirteen of milliseconds: numbers of twelve are names of something. */
const EPOCH = /^(?:\d{9,10}|\d{13})$/
/** 2000-01-01 and 2100-01-01: a number that is a time outside them is none. */
const [EARLIEST, LATEST] = [946_684_800, 4_102_444_800]

/** A trimmed text as its date and the time of day behind it. */
export function partedClock(text: string): {
  readonly day: string
  readonly clock: RegExpExecArray | undefined
} {
  const clock = text.length > LONGEST_DATE ? undefined : (CLOCK.exec(text) ?? undefined)
  return { day: text.slice(0, clock?.index).trim(), clock }
}

/** Whole seconds since 1970 of digits that count those, or milliseconds; undefined where they are no such time. */
export function epochSeconds(digits: string): number | undefined {
  if (!EPOCH.test(digits)) return undefined
  const seconds = Math.floor(Number(digits) / (digits.length > 10 ? 1_000 : 1))
  return seconds >= EARLIEST && seconds < LATEST ? seconds : undefined
}
