import { parseDecimal, toDecimal, trimDecimal } from '../../core/quantity/decimal.ts'
import { subtract, type Exact } from '../../core/quantity/exact.ts'
import type { TableDigits } from '../estimate/estimateTable.ts'
import type { MarketReport, OfferReport } from './marketReport.ts'

const HEAD = ['', 'month', 'from now', 'provider', 'place', 'size', 'vCPU', 'GiB', 'terms', 'when off', 'ms']
const IS_FIGURE = [true, true, true, false, false, false, true, true, false, false, true]

/** The market of a machine as a table for people: what it is now, then the cheapest offers, then what needs cost. */
export function marketTable(report: MarketReport, digits: TableDigits = 2): string {
  const read = (text: string): string =>
    digits === 12 ? trimDecimal(text) : toDecimal(parseDecimal(text)!, digits)
  const rows = [
    HEAD,
    cells('now', report.now, report, read),
    ...report.cheapest.map((offer, at) => cells(String(at + 1), offer, report, read)),
  ]
  const widths = HEAD.map((_, column) => Math.max(...rows.map((row) => row[column]!.length)))
  const lines = rows.map((row) =>
    row
      .map((cell, at) => (IS_FIGURE[at] ? cell.padStart(widths[at]!) : cell.padEnd(widths[at]!)))
      .join('  ')
      .trimEnd(),
  )
  const { machine, month, currency, offers } = report
  const head = `${machine}, ${month}, in ${currency}: the ${report.cheapest.length} cheapest that fit, of ${offers} offers`
  return `${[head, ...lines, ...notes(report, read)].join('\n')}\n`
}

function cells(
  rank: string,
  offer: OfferReport,
  { now }: MarketReport,
  read: (text: string) => string,
): string[] {
  const { provider, place, zone, sizeName, vcpu, memoryGiB, terms, off, roundTripMs } = offer
  const figures = [String(vcpu), String(memoryGiB)]
  const where = `${place} ${zone}`
  // Less what is shown of both, so that a reader who subtracts comes to the same.
  const shown = (text: string): Exact => parseDecimal(read(text))!
  const from = read(toDecimal(subtract(shown(offer.total), shown(now.total)), 12))
  return [
    rank,
    read(offer.total),
    rank === 'now' ? '' : from,
    provider,
    where,
    sizeName,
    ...figures,
    terms,
    off,
    String(roundTripMs ?? ''),
  ]
}

function notes({ cheapest, needs, leftOut }: MarketReport, read: (text: string) => string): string[] {
  const nothing = cheapest.length === 0 ? ['Nothing that is sold has all that it needs.'] : []
  const costs = needs.flatMap(({ need, saves }) =>
    saves === undefined ? [] : [`without the need ${need} the cheapest would cost ${read(saves)} less`],
  )
  const left = leftOut.map(({ provider, why, currency }) =>
    why === 'currency'
      ? `${provider} is left out: no rate for ${currency}`
      : `${provider} is left out: ${why}`,
  )
  return [...nothing, ...costs, ...left]
}
