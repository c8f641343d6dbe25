import type { ListEntry } from './listEntry.ts'
import type { ListField } from './listMapping.ts'

/**
 * What the cell of a column became in the book, as plain text with its unit; undefined where nothing of it is a figure or a
 * day, or where the figure is the cell's own. `roles` are the fields that are read out of the column.
 */
export function cellBecame(
  entries: readonly ListEntry[],
  column: string,
  roles: readonly ListField[],
  cell: string,
): string | undefined {
  const said = roles.flatMap((field): Figure[] => {
    const entry = field === 'price' ? entries.find(({ from }) => from.column === column) : entries[0]
    const became = entry && figureOf(field, entry)
    return became ? [became] : []
  })
  const changed = said.filter(({ figure }) => !isSame(figure, cell))
  return changed.length === 0 ? undefined : said.map(({ figure, unit }) => `${figure}${unit}`).join(', ')
}

interface Figure {
  readonly figure: string
  /** With a blank before it, or empty. */
  readonly unit: string
}

const PERIODS = { second: ' a second', hour: ' an hour', month: ' a month' } as const

function figureOf(field: ListField, entry: ListEntry): Figure | undefined {
  const of = (value: number | string | undefined, unit: string): Figure | undefined =>
    value === undefined ? undefined : { figure: String(value), unit }
  if (field === 'validFrom') return of(entry.since, '')
  if (field === 'validTo') return of(entry.until, '')
  if (entry.is === 'size-price') {
    const { vcpu, memoryGiB } = entry.facts
    if (field === 'vcpu') return of(vcpu, ' vCPU')
    if (field === 'memory') return of(memoryGiB, ' GiB')
    return field === 'price' ? of(entry.price, PERIODS[entry.period]) : undefined
  }
  if (field === 'bandFrom') return of(entry.fromGiB, ' GiB')
  if (field === 'bandUpTo') return of(entry.upToGiB, ' GiB')
  const wholeGiB = entry.is === 'disk-price' ? entry.wholeGiB : undefined
  if (field === 'room') return of(wholeGiB, ' GiB')
  if (field !== 'price') return undefined
  if (entry.is === 'address-price') return of(entry.price, ' an hour')
  if (entry.is === 'traffic-price') return of(entry.price, ' a GiB')
  return of(entry.price, wholeGiB === undefined ? ' a GiB and month' : ' a month')
}

/** Whether a cell reads as the figure does, but for noughts at its end. */
const isSame = (figure: string, cell: string): boolean =>
  withoutNoughts(figure) === withoutNoughts(cell.trim())

const withoutNoughts = (text: string): string => (/\.\d*0+$/.test(text) ? text.replace(/\.?0+$/, '') : text)
