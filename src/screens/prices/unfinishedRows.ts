import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import type { Draft, UnfinishedRows } from '../../interface/useSheetRows.ts'

const kept = new Map<string, readonly Draft[]>()
const known = new Map<string, UnfinishedRows>()

/** Rows of a book's sheet that are not whole yet: they wait here while another screen is looked at. */
export function unfinishedRows({ provider, edition }: PriceBook, sheet: 'sizes' | 'disks'): UnfinishedRows {
  const key = `${provider.id} ${edition} ${sheet}`
  let rows = known.get(key)
  if (!rows) {
    rows = { rows: () => kept.get(key) ?? [], keep: (drafts) => kept.set(key, drafts) }
    known.set(key, rows)
  }
  return rows
}
