import type { BillLine, BillResource } from '../../core/bill/billLine.ts'
import type { YearMonth } from '../../core/calendar/yearMonth.ts'
import type { PricedMachine } from '../../core/meter/planPricing.ts'
import { plannedBill } from './plannedBill.ts'
import type { BillReading } from './readBill.ts'

export interface ComparedInputs {
  /** Read by the calendar. */
  readonly priced: readonly PricedMachine[]
  readonly reading: Pick<BillReading, 'lines' | 'resources'>
  readonly month: YearMonth
}

/** The two sides of a comparison, line by line. */
export interface ComparedLines {
  /** Machines of the plan whose provider is on the bill; all where none is. */
  readonly compared: readonly PricedMachine[]
  /** The whole planned month as a bill would have it. */
  readonly planned: readonly BillLine[]
  readonly plannedResources: readonly BillResource[]
  /** What the bill says of the month. */
  readonly billed: readonly BillLine[]
  /** Where the bill ends before its month does: what is planned after that day is not compared. */
  readonly until: string | undefined
}

const plain = (text: string): string => text.trim().toLowerCase()

/** The lines of plan and bill that are compared: of the providers whose bill it is, and of the billing period. O(lines). */
export function comparedLines({ priced, reading, month }: ComparedInputs): ComparedLines {
  const billers = new Set(reading.lines.map(({ provider }) => plain(provider)))
  const isOn = ({ resolved }: PricedMachine): boolean =>
    billers.has(plain(resolved.index.book.provider.name)) ||
    billers.has(plain(resolved.index.book.provider.id))
  const named = priced.filter(isOn)
  const compared = named.length > 0 ? named : priced
  const { lines: planned, resources: plannedResources } = plannedBill(compared)
  const billed = reading.lines.filter(({ period }) => period.startsWith(month))
  return { compared, planned, plannedResources, billed, until: endOfBill(billed, planned) }
}

/** The last day of a bill by days that has nothing of days on which something is planned after it. */
function endOfBill(billed: readonly BillLine[], planned: readonly BillLine[]): string | undefined {
  const usage = billed.filter(({ category, isCorrection }) => category === 'usage' && !isCorrection)
  if (usage.length === 0 || usage.some(({ day, lastDay }) => day !== lastDay)) return undefined
  const last = usage.reduce((latest, { day }) => (day > latest ? day : latest), '')
  return planned.some(({ day }) => day > last) ? last : undefined
}
