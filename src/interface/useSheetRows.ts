'use client'

import { useEffect, useState } from 'react'

export interface SheetRow {
  readonly id: string
  readonly cells: readonly string[]
}

/** What became of a row: where it was taken, its id, and what is to be said of cells; else what is wrong with which cell. */
export type SheetChange =
  | { readonly id: string; readonly notes?: readonly (string | undefined)[] }
  | { readonly problems: readonly (string | undefined)[] }

export interface Draft {
  readonly key: string
  readonly id: string | undefined
  readonly cells: readonly string[]
  readonly problems: readonly (string | undefined)[]
  /** What is said of cells that were taken. */
  readonly notes?: readonly (string | undefined)[]
}

export interface ShownRow extends Draft {
  readonly isNew: boolean
  /** The empty one at the end. */
  readonly isBlank: boolean
  /** It is being typed. */
  readonly isTyped: boolean
}

const NO_PROBLEMS: readonly undefined[] = []

/** What was typed and not taken yet. */
export interface UnfinishedRows {
  readonly rows: () => readonly Draft[]
  readonly keep: (rows: readonly Draft[]) => void
}

interface SheetInputs {
  readonly rows: readonly SheetRow[]
  readonly columns: number
  /** Counts up where rows were changed by other than the sheet: what was typed then gives way. */
  readonly version: number
  /** Rows that are not whole yet wait here while the sheet is not shown. */
  readonly unfinished?: UnfinishedRows
  readonly onRow: (id: string | undefined, cells: readonly string[]) => SheetChange
  /** Absent where rows are neither added nor removed. */
  readonly onRemove?: (id: string) => void
}

/**
 * Rows as they are, as they are being typed, and an empty one at the end. What is typed stays as it is typed until its
 * row is left, and longer where it was not taken. Keys stay when a new row is taken, so that the focus does.
 */
export function useSheetRows({ rows, columns, version, unfinished, onRow, onRemove }: SheetInputs) {
  const [drafts, setDrafts] = useState<readonly Draft[]>(() => unfinished?.rows() ?? [])
  const [keys, setKeys] = useState<ReadonlyMap<string, string>>(new Map())
  const [made, setMade] = useState(drafts.length + 1)
  useEffect(() => {
    unfinished?.keep(drafts.filter(({ id }) => id === undefined))
  }, [drafts, unfinished])
  const [seen, setSeen] = useState(version)
  if (seen !== version) {
    setSeen(version)
    setDrafts(drafts.filter(({ id }) => id === undefined))
  }
  const all = shownRows(rows, drafts, keys, columns, `new-${made}`)
  const shown = onRemove ? all : all.filter(({ isBlank }) => !isBlank)

  /** Rows as they read now, one after the other; each is taken, or says why not. */
  const put = (
    changed: readonly { readonly row: ShownRow; readonly cells: readonly string[] }[],
    isTyped: boolean,
  ): void => {
    const next = new Map(drafts.map((draft) => [draft.key, draft]))
    const named = new Map(keys)
    for (const { row, cells } of changed) {
      const change = onRow(row.id, cells)
      const id = 'id' in change ? change.id : row.id
      if (id !== undefined) named.set(id, row.key)
      const problems = 'id' in change ? NO_PROBLEMS : change.problems
      const notes =
        'id' in change && change.notes?.some((note) => note !== undefined) ? change.notes : undefined
      // What is pasted and taken reads at once as it is kept, but for what is to be said of it.
      if ('id' in change && !isTyped && !notes) next.delete(row.key)
      else next.set(row.key, { key: row.key, id, cells, problems, ...(notes && { notes }) })
    }
    setDrafts([...next.values()])
    setKeys(named)
    const fresh = changed.filter(({ row }) => row.isBlank).length
    if (fresh > 0) setMade(made + fresh)
  }

  return {
    shown,
    type: (at: number, column: number, text: string): void => {
      const row = shown[at]
      if (row) put([{ row, cells: row.cells.map((cell, i) => (i === column ? text : cell)) }], true)
    },
    /** A block of cells from one of them on; what goes beyond the rows becomes new ones, where there may be new ones. */
    paste: (at: number, column: number, block: readonly (readonly string[])[]): void => {
      const last = shown.length - 1
      put(
        (onRemove ? block : block.slice(0, shown.length - at)).map((line, i) => {
          const there = shown[Math.min(at + i, last)]!
          const beyond = Math.max(0, at + i - last)
          const row = there.isBlank ? { ...there, key: `new-${made + beyond}` } : there
          return { row, cells: row.cells.map((cell, c) => line[c - column]?.trim() ?? cell) }
        }),
        false,
      )
    },
    /** What was taken reads as it is kept once its row is left. */
    leave: (at: number): void => {
      const row = shown[at]
      if (row?.id !== undefined && row.problems.every((problem) => problem === undefined)) {
        setDrafts(drafts.filter(({ key }) => key !== row.key))
      }
    },
    remove: (at: number): void => {
      const row = shown[at]
      if (!row) return
      setDrafts(drafts.filter(({ key }) => key !== row.key))
      if (row.id !== undefined) onRemove?.(row.id)
    },
  }
}

function shownRows(
  rows: readonly SheetRow[],
  drafts: readonly Draft[],
  keys: ReadonlyMap<string, string>,
  columns: number,
  blankKey: string,
): ShownRow[] {
  const byId = new Map(
    drafts.flatMap((draft) => (draft.id === undefined ? [] : [[draft.id, draft] as const])),
  )
  const taken = rows.map(({ id, cells }): ShownRow => {
    const { cells: own = cells, problems = NO_PROBLEMS, notes } = byId.get(id) ?? {}
    return {
      key: keys.get(id) ?? id,
      id,
      cells: own,
      problems,
      isNew: false,
      isBlank: false,
      isTyped: byId.has(id),
      ...(notes && { notes }),
    }
  })
  const fresh = drafts
    .filter(({ id }) => id === undefined)
    .map((draft): ShownRow => ({ ...draft, isNew: true, isBlank: false, isTyped: true }))
  const empty = Array.from({ length: columns }, () => '')
  const blank = {
    key: blankKey,
    id: undefined,
    cells: empty,
    problems: NO_PROBLEMS,
    isNew: true,
    isBlank: true,
    isTyped: false,
  }
  return [...taken, ...fresh, blank]
}
