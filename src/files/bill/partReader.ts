import { lackingFields, type BillRecipe } from '../../core/billMapping/billMapping.ts'
import { MAPPED_COLUMNS, mappedRows } from '../../core/billMapping/mappedRows.ts'
import type { FileIssue } from '../reading/fileIssue.ts'
import { billHeader } from './billColumns.ts'
import { BillRows, type BillZones } from './BillRows.ts'

/** How the rows of one part are read, from its headings on. */
export interface PartReader {
  readonly rows: BillRows
  readonly add: (cells: readonly string[]) => void
  /** Rows of the batch that are its headings or stand above them. */
  readonly above: number
}

/** Titles and addresses of the biller may stand above the headings. */
const MOST_ABOVE = 40

/** By the columns of FOCUS, or by the first recipe whose columns are all there. */
export function partReader(
  batch: readonly (readonly string[])[],
  name: string,
  zones: BillZones,
  recipes: readonly BillRecipe[],
): PartReader | { readonly issues: readonly FileIssue[] } {
  const [first = []] = batch
  const found = billHeader(first)
  if ('header' in found) {
    const rows = new BillRows(found.header, first.length, name, zones)
    return { rows, add: (cells) => rows.add(cells), above: 1 }
  }
  for (const [at, cells] of batch.slice(0, MOST_ABOVE).entries()) {
    const headings = cells.map((cell) => cell.replace(/^\uFEFF/, '').trim())
    const recipe = recipes.find((each) => lackingFields(each, headings).length === 0)
    if (!recipe) continue
    const zone = zones.byProvider?.get(recipe.provider.toLowerCase()) ?? zones.timeZone
    const mapped = mappedRows(recipe, headings, zone)
    const { header } = billHeader(MAPPED_COLUMNS) as Extract<
      ReturnType<typeof billHeader>,
      { header: unknown }
    >
    const rows = new BillRows(header, MAPPED_COLUMNS.length, name, zones, at + 2)
    return { rows, add: (row) => rows.add(mapped(row)), above: at + 1 }
  }
  return { issues: found.issues }
}
