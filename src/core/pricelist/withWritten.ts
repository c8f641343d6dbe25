import type { ListUnits, RowMeaning, WrittenColumn } from './listMapping.ts'

/** How one column is written, where that is otherwise than the rest of its rows. */
export const writtenOf = ({ written = [] }: RowMeaning, column: string): WrittenColumn | undefined =>
  written.find((each) => each.column === column)

/** A meaning in which a column that is written otherwise than the rest is so in another way. */
export const withWritten = (
  meaning: RowMeaning,
  column: string,
  part: Pick<ListUnits, 'decimalMark' | 'dateOrder'>,
): RowMeaning => ({
  ...meaning,
  written: (meaning.written ?? []).map((each) => (each.column === column ? { ...each, ...part } : each)),
})
