import type { LeftOut, ListEntry } from '../../core/pricelist/listEntry.ts'
import { MOST_ENTRIES, type SampleRow, type TableReading } from './listAnswer.ts'

const ROWS_SHOWN = 60
const MOST_VALUES = 40
const LONGEST_SHOWN = 80

/** Keeps rows that are spread over a table, and the different texts of its columns while they are few. */
export class TableSampler {
  rows = 0
  used = 0
  private every = 1
  private readonly sample: SampleRow[] = []
  private readonly values: Set<string>[]
  /** Columns whose texts are still few. */
  private few: number[]

  constructor(
    private readonly name: string,
    private readonly columns: readonly string[],
  ) {
    this.values = columns.map(() => new Set<string>())
    this.few = columns.map((_, i) => i)
  }

  add(row: number, cells: readonly string[], entries: readonly ListEntry[], leftOut?: LeftOut): void {
    if (entries.length > 0) this.used += 1
    if (this.rows % this.every === 0) this.keep(row, cells, entries, leftOut)
    this.rows += 1
    for (const i of this.few) this.note(i, cells[i] ?? '')
    if (this.rows % 64 === 0) this.few = this.few.filter((i) => this.values[i]!.size <= MOST_VALUES)
  }

  reading(role: TableReading['role']): TableReading {
    return {
      name: this.name,
      columns: this.columns,
      sample: this.sample.slice(0, ROWS_SHOWN),
      values: this.columns.flatMap((column, i) => {
        const texts = this.values[i]!
        return texts.size <= MOST_VALUES ? [[column, [...texts]] as const] : []
      }),
      rows: this.rows,
      used: this.used,
      role,
    }
  }

  private note(column: number, cell: string): void {
    const known = this.values[column]!
    if (!known.has(cell)) known.add(cell.trim().slice(0, LONGEST_SHOWN))
  }

  private keep(
    row: number,
    cells: readonly string[],
    entries: readonly ListEntry[],
    leftOut: LeftOut | undefined,
  ): void {
    const { sample } = this
    const shown = this.columns.map((_, i) => (cells[i] ?? '').slice(0, LONGEST_SHOWN))
    sample.push({
      row,
      cells: shown,
      entries: entries.slice(0, MOST_ENTRIES),
      ...(leftOut && { leftOut }),
    })
    // Half of what is shown goes where it has become too much: what stays is spread over the whole table.
    if (sample.length >= ROWS_SHOWN * 2) {
      this.every *= 2
      sample.splice(0, sample.length, ...sample.filter((_, i) => i % 2 === 0))
    }
  }
}
