import { gzipSync, strToU8 } from 'fflate'
import { decimalText } from '../../core/bill/decimalText.ts'
import { parseYearMonth, type YearMonth } from '../../core/calendar/yearMonth.ts'
import { billCsv } from './billCsv.ts'
import type { LeftOutReport } from './billReport.ts'
import type { BillTrouble } from './billTrouble.ts'
import type { BillReading } from './readBill.ts'

/** What was said of a bill when it was read, beside its lines. */
export interface BillHead {
  readonly files: BillReading['files']
  readonly rows: number
  readonly used: number
  readonly leftOut: readonly LeftOutReport[]
  readonly troubles: readonly BillTrouble[]
  /** What was let go wrong, of a bill that was rehearsed. */
  readonly happened?: readonly Happened[]
}

/** Something that befell a machine of a rehearsal. */
export interface Happened {
  /** Seconds since 1970. */
  readonly at: number
  readonly machine: string
  readonly kind: string
  readonly what?: string
}

/** One month of a bill, reduced: a FOCUS table by days, gzipped. */
export interface KeptBill {
  readonly month: YearMonth
  readonly lines: number
  readonly bytes: Uint8Array<ArrayBuffer>
}

export interface ReadBills {
  readonly head: BillHead
  /** The newest first. */
  readonly months: readonly KeptBill[]
}

/** Days are written as they were told apart, in UTC: whoever reads them again in UTC finds the same. */
const DAYS_KEPT_IN = 'Etc/UTC'

/** A bill as it is kept, month by month of its billing periods. O(lines). */
export function keptBills(reading: BillReading): ReadBills {
  const { files, rows, used, leftOut, troubles, lines } = reading
  const months = new Set(lines.map(({ period }) => period.slice(0, 7)))
  return {
    head: {
      files,
      rows,
      used,
      leftOut: leftOut.map((each) => ({ ...each, effective: decimalText(each.effective) })),
      troubles,
    },
    months: [...months]
      .sort()
      .reverse()
      .flatMap((text) => {
        const month = parseYearMonth(text)
        if (!month) return []
        const own = lines.filter(({ period }) => period.startsWith(text))
        const csv = billCsv({ ...reading, lines: own }, DAYS_KEPT_IN)
        return [{ month, lines: own.length, bytes: new Uint8Array(gzipSync(strToU8(csv))) }]
      }),
  }
}

/** How a kept bill is read again. */
export const keptBillFile = (bytes: KeptBill['bytes']) => ({
  files: [{ name: 'the kept bill', file: new Blob([bytes]) }],
  timeZone: DAYS_KEPT_IN,
})
