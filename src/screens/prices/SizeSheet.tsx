'use client'

import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import { readSizeRow } from '../../core/pricelist/readRow.ts'
import {
  dropSize,
  isSoldElsewhere,
  plainPrice,
  putSize,
  type PricePlace,
} from '../../core/pricelist/sizeRows.ts'
import type { SheetColumn } from '../../interface/sheetColumn.ts'
import { SheetGrid } from '../../interface/SheetGrid'
import type { SheetChange, SheetRow } from '../../interface/useSheetRows.ts'
import { cellProblemText, guessText } from '../../wording/cellProblem'
import { unfinishedRows } from './unfinishedRows.ts'
import type { BookEdit } from './useBookEdit.ts'

const COLUMNS: readonly SheetColumn[] = [
  { id: 'name', head: 'Size', label: 'Name', width: 'minmax(110px, 1fr)' },
  { id: 'vcpu', head: 'vCPU', label: 'vCPU', width: 'minmax(56px, 84px)', isNumber: true },
  {
    id: 'memory',
    head: 'GiB of memory',
    label: 'GiB of memory',
    width: 'minmax(72px, 116px)',
    isNumber: true,
  },
  { id: 'price', head: 'price', label: 'Price', width: 'minmax(90px, 150px)', isNumber: true },
]

interface SizeSheetProps {
  readonly book: PriceBook
  readonly edits: BookEdit
  readonly at: PricePlace
}

/** Sizes and their plain prices in one place. */
export function SizeSheet({ book, edits, at }: SizeSheetProps) {
  const rows = book.sizes.map(({ id, name, vcpu, memoryGiB }): SheetRow => ({
    id,
    cells: [name, String(vcpu), String(memoryGiB), plainPrice(book, id, at) ?? ''],
  }))
  const take = (id: string | undefined, cells: readonly string[]): SheetChange => {
    const before = edits.now()
    const taken = new Set(before.sizes.filter((size) => size.id !== id).map(({ name }) => name))
    const read = readSizeRow(cells, taken, id !== undefined && isSoldElsewhere(before, id, at))
    if (!read.ok) return { problems: read.problems.map(cellProblemText) }
    const { row } = read
    edits.edit(
      id === undefined ? `add ${row.name}` : `change ${row.name}`,
      (current) => putSize(current, id, row, at),
      id ?? row.name,
    )
    return { id: id ?? edits.now().sizes.at(-1)!.id, notes: read.guessed.map(guessText) }
  }
  return (
    <SheetGrid
      label="Sizes"
      noun="size"
      autoFocus
      columns={COLUMNS}
      rows={rows}
      version={edits.version}
      unfinished={unfinishedRows(book, 'sizes')}
      onRow={take}
      onRemove={(id) => {
        const name = book.sizes.find((size) => size.id === id)?.name ?? id
        edits.edit(`delete ${name}`, (current) => dropSize(current, id))
      }}
    />
  )
}
