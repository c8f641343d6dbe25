'use client'

import { useState } from 'react'
import styled from 'styled-components'
import type { PriceBook } from '../../core/catalogue/priceBook.ts'
import {
  figureText,
  fillFigure,
  putFigures,
  readSizeFigure,
  SIZE_FIGURES,
  type SizeFigure,
} from '../../core/pricelist/figureRows.ts'
import { Dropdown } from '../../interface/Dropdown'
import type { SheetColumn } from '../../interface/sheetColumn.ts'
import { SheetGrid } from '../../interface/SheetGrid'
import { TextInput } from '../../interface/TextInput'
import type { SheetChange, SheetRow } from '../../interface/useSheetRows.ts'
import type { BookEdit } from './useBookEdit.ts'

const NAMES = {
  family: 'family',
  architecture: 'built as',
  mostDisks: 'most disks',
  iops: 'IOPS',
  megabytesPerSecond: 'MB/s',
  networkMegabitsPerSecond: 'Mbit/s',
  localDiskGiB: 'own disk, GiB',
  hibernation: 'hibernates',
} as const satisfies Record<SizeFigure, string>

const PROBLEMS = {
  family: 'a family of the book',
  architecture: 'x86-64 or arm64',
  mostDisks: 'a whole number',
  iops: 'a whole number',
  megabytesPerSecond: 'a whole number',
  networkMegabitsPerSecond: 'a whole number',
  localDiskGiB: 'a whole number',
  hibernation: 'yes, no or empty',
} as const satisfies Record<SizeFigure, string>

const COLUMNS: readonly SheetColumn[] = [
  { id: 'name', head: 'Size', label: 'Size', width: 'minmax(96px, 1fr)' },
  ...SIZE_FIGURES.map((figure) => ({
    id: figure,
    head: NAMES[figure],
    label: NAMES[figure],
    width: 'minmax(54px, 92px)',
    isNumber: figure !== 'family' && figure !== 'architecture',
  })),
]

const ALL = ''

interface FigureSheetProps {
  readonly book: PriceBook
  readonly edits: BookEdit
}

/** What else is known of sizes; what is empty is not known, and closes nothing. */
export function FigureSheet({ book, edits }: FigureSheetProps) {
  const rows = book.sizes.map((size): SheetRow => ({
    id: size.id,
    cells: [size.name, ...SIZE_FIGURES.map((figure) => figureText(book, size, figure))],
  }))
  const take = (id: string | undefined, cells: readonly string[]): SheetChange => {
    const now = edits.now()
    const size = now.sizes.find((each) => each.id === id)
    if (!size || id === undefined) return { problems: [] }
    const parts = SIZE_FIGURES.map((figure, i) => readSizeFigure(now, figure, cells[i + 1] ?? ''))
    const problems = parts.map((part, i) => (part ? undefined : PROBLEMS[SIZE_FIGURES[i]!]))
    const isRenamed = (cells[0] ?? '').trim() !== size.name
    if (isRenamed || problems.some(Boolean)) {
      return { problems: [isRenamed ? 'the name is typed above' : undefined, ...problems] }
    }
    const part = Object.assign({}, ...parts) as Parameters<typeof putFigures>[2]
    edits.edit(`figures of ${size.name}`, (current) => putFigures(current, id, part), `figures ${id}`)
    return { id }
  }
  return (
    <>
      <Fill book={book} edits={edits} />
      <SheetGrid
        label="Figures of sizes"
        noun="size"
        columns={COLUMNS}
        rows={rows}
        version={edits.version}
        onRow={take}
      />
    </>
  )
}

/** One figure of a whole family, or of all sizes. */
function Fill({ book, edits }: FigureSheetProps) {
  const [figure, setFigure] = useState<SizeFigure>('mostDisks')
  const [family, setFamily] = useState(ALL)
  const who = book.families.find(({ id }) => id === family)?.name ?? 'all sizes'
  return (
    <Line>
      <Dropdown
        label="Figure to fill in"
        value={figure}
        options={SIZE_FIGURES.map((id) => ({ id, name: NAMES[id] }))}
        onChange={(id) => setFigure(SIZE_FIGURES.find((each) => each === id) ?? 'mostDisks')}
      />
      of
      <Dropdown
        label="Sizes that it is filled in for"
        value={family}
        options={[{ id: ALL, name: 'all sizes' }, ...book.families.map(({ id, name }) => ({ id, name }))]}
        onChange={setFamily}
      />
      is
      <TextInput
        key={`${figure} ${family}`}
        label={`${NAMES[figure]} of ${who}`}
        value=""
        whenEmpty={PROBLEMS[figure]}
        check={(text) => (readSizeFigure(book, figure, text) ? undefined : PROBLEMS[figure])}
        onCommit={(text) => {
          const part = readSizeFigure(edits.now(), figure, text)
          if (!part) return
          edits.edit(`${NAMES[figure]} of ${who}`, (current) =>
            fillFigure(current, family === ALL ? undefined : family, part),
          )
        }}
      />
    </Line>
  )
}

const Line = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 4px 8px;
  align-items: center;
  margin: 4px 0 8px;
  color: var(--ink-2);
`
