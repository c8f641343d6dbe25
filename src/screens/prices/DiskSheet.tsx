'use client'

import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import { diskRows, dropDisk, putDisk, type DiskRowAt } from '../../core/pricelist/diskRows.ts'
import { readDiskRow } from '../../core/pricelist/readRow.ts'
import type { SheetColumn } from '../../interface/sheetColumn.ts'
import { SheetGrid } from '../../interface/SheetGrid'
import type { SheetChange, SheetRow } from '../../interface/useSheetRows.ts'
import { cellProblemText, guessText } from '../../wording/cellProblem'
import { unfinishedRows } from './unfinishedRows.ts'
import type { BookEdit } from './useBookEdit.ts'

const COLUMNS: readonly SheetColumn[] = [
  { id: 'name', head: 'Kind of disk', label: 'Kind of disk', width: 'minmax(110px, 1fr)' },
  {
    id: 'room',
    head: 'whole disk of GiB',
    label: 'Whole disk of GiB, empty where it is sold by the GiB',
    width: 'minmax(100px, 140px)',
    isNumber: true,
  },
  {
    id: 'price',
    head: 'price a month',
    label: 'Price a month',
    width: 'minmax(90px, 150px)',
    isNumber: true,
  },
]

const rowId = ({ kind, wholeGiB }: DiskRowAt): string =>
  `${kind}${wholeGiB === undefined ? '' : ` ${wholeGiB}`}`

interface DiskSheetProps {
  readonly book: PriceBook
  readonly edits: BookEdit
  readonly region: string
}

/** Kinds of disks and what they cost in one place. */
export function DiskSheet({ book, edits, region }: DiskSheetProps) {
  const rows = diskRows(book, region).map(({ at, name, wholeGiB, price }): SheetRow => ({
    id: rowId(at),
    cells: [name, wholeGiB === undefined ? '' : String(wholeGiB), price],
  }))
  const find = (current: PriceBook, id: string | undefined) =>
    diskRows(current, region).find(({ at }) => rowId(at) === id)
  const take = (id: string | undefined, cells: readonly string[]): SheetChange => {
    const read = readDiskRow(cells)
    if (!read.ok) return { problems: read.problems.map(cellProblemText) }
    const { row } = read
    edits.edit(
      id === undefined ? `add ${row.name}` : `change ${row.name}`,
      (current) => putDisk(current, find(current, id)?.at, row, region),
      id ?? row.name,
    )
    const put = diskRows(edits.now(), region).find(
      ({ name, wholeGiB }) => name === row.name && wholeGiB === row.wholeGiB,
    )
    return put ? { id: rowId(put.at), notes: read.guessed.map(guessText) } : { problems: [] }
  }
  return (
    <SheetGrid
      label="Disks"
      noun="kind of disk"
      columns={COLUMNS}
      rows={rows}
      version={edits.version}
      unfinished={unfinishedRows(book, 'disks')}
      onRow={take}
      onRemove={(id) => {
        const found = find(edits.now(), id)
        if (found) edits.edit(`delete ${found.name}`, (current) => dropDisk(current, found.at))
      }}
    />
  )
}
