import { instant, type Instant } from '../../core/quantity/units.ts'

const TIME =
  /^(\d{4}-\d{2}-\d{2})(?:[T ](\d{2}:\d{2})(?::(\d{2})(?:\.\d{1,9})?)?(?: ?(Z|UTC|[+-]\d{2}:?\d{2}))?)?$/

/** `2027-03-01T00:00:00Z`; also a date alone, a blank in place of the T, and offsets, as engines write times. */
export function focusTime(text: string): Instant | undefined {
  const match = TIME.exec(text)
  if (!match) return undefined
  const [, date, clock = '00:00', second = '00', zone = 'Z'] = match
  const offset = /^[+-]/.test(zone) ? `${zone.slice(0, 3)}:${zone.slice(-2)}` : 'Z'
  const at = Date.parse(`${date}T${clock}:${second}${offset}`)
  return Number.isNaN(at) ? undefined : instant(at / 1_000)
}
