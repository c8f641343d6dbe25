'use client'

import { useState } from 'react'
import type { ListMapping, ListUnits, MappingQuestion, RowMeaning } from '../../core/pricelist/listMapping.ts'
import { withUnits } from '../../core/pricelist/withUnits.ts'
import type { ListReading, TableReading } from '../../files/pricelist/listAnswer.ts'
import { changeOpenList } from './openList.ts'

/** The mapping of the list that is open, one meaning of its rows, and the ways to change them. */
export interface MappingEdit {
  readonly reading: ListReading
  readonly mapping: ListMapping
  /** Which meaning of rows is looked at. */
  readonly at: number
  readonly meaning: RowMeaning
  /** The table whose rows are shown. */
  readonly table: TableReading
  /** As the meaning counts. */
  readonly units: ListUnits
  readonly unsure: readonly MappingQuestion[]
  /** What is answered is no longer assumed; the rest is kept as it is, whatever is proposed later. */
  readonly change: (next: ListMapping, ...answered: MappingQuestion[]) => void
  readonly setMeaning: (meaning: RowMeaning, ...answered: MappingQuestion[]) => void
  readonly setUnits: (part: Partial<ListUnits>, answered: keyof ListUnits) => void
  readonly confirm: (question: MappingQuestion) => void
  readonly lookAt: (meaning: number) => void
  readonly lookAtTable: (table: string) => void
}

export function useMapping(reading: ListReading): MappingEdit {
  const { mapping, provider, manner, unsure, tables } = reading
  const [picked, setPicked] = useState(0)
  const [looked, setLooked] = useState<string>()
  const at = Math.min(picked, mapping.rows.length - 1)
  const meaning = mapping.rows[at]!
  const table =
    tables.find(({ name }) => name === looked) ??
    tables.find(({ name }) => meaning.tables?.includes(name)) ??
    tables[0]!
  const change = (next: ListMapping, ...answered: MappingQuestion[]): void =>
    changeOpenList({
      mapping: next,
      assumed: unsure.filter((question) => !answered.includes(question)),
      provider: provider.name,
      manner,
    })
  const setMeaning = (next: RowMeaning, ...answered: MappingQuestion[]): void =>
    change({ ...mapping, rows: mapping.rows.map((each, i) => (i === at ? next : each)) }, ...answered)
  return {
    reading,
    mapping,
    at,
    meaning,
    table,
    units: { ...mapping.units, ...meaning.units },
    unsure,
    change,
    setMeaning,
    // The first meaning counts as the list does.
    setUnits: (part, answered) => change(withUnits(mapping, at, part), answered),
    confirm: (question) => change(mapping, question),
    lookAt: (next) => {
      setPicked(next)
      setLooked(undefined)
    },
    lookAtTable: setLooked,
  }
}
