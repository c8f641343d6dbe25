import { cellPart } from './cellPart.ts'
import type { CellFault, LeftOut } from './listEntry.ts'
import type { FieldSource, ListField, ListUnits, RowMeaning } from './listMapping.ts'
import { readAmount, type Amount } from '../table/amount.ts'
import { readDate, readDateRange, type DateOrder } from '../table/readDate.ts'
import { readFigure, type DecimalMark } from '../table/readFigure.ts'
import { LONGEST_NAME } from './readRow.ts'

/**
 * Thrown within the reading of one row, and caught there. It is one and the same each time: an error looks at the whole
 * stack when it is made, which costs more than to read a row, and all rows of a list may be at fault.
 */
export class RowFault extends Error {
  private static readonly only = new RowFault('row')

  leftOut: LeftOut = { why: 'empty' }

  static of(leftOut: LeftOut): RowFault {
    RowFault.only.leftOut = leftOut
    return RowFault.only
  }
}

/** So many texts are remembered with what they were read as: lists repeat theirs. */
const MOST_REMEMBERED = 20_000
const LONGEST_TOLD = 80

type Reader = (cells: readonly string[]) => string

/** Reads the fields of rows by their sources; look-ups by heading are done once. */
export class CellReader {
  private readonly readers = new Map<ListField, Reader>()
  private readonly marks = new Map<string, DecimalMark>()
  private readonly orders = new Map<string, DateOrder>()
  private readonly figures = new Map<string, string>()
  private readonly amounts = new Map<string, Amount>()
  private readonly names = new Map<string, string>()
  private readonly words = new Map<string, string>()
  private readonly dates = new Map<string, string>()

  constructor(
    private readonly meaning: RowMeaning,
    private readonly at: ReadonlyMap<string, number>,
    private readonly units: ListUnits,
    private readonly table: string,
  ) {
    for (const { column, decimalMark, dateOrder } of meaning.written ?? []) {
      if (decimalMark) this.marks.set(column, decimalMark)
      if (dateOrder) this.orders.set(column, dateOrder)
    }
    for (const field of Object.keys(meaning.fields) as ListField[]) {
      const source = meaning.fields[field]
      if (source) this.readers.set(field, this.readerOf(field, source))
    }
  }

  has(field: ListField): boolean {
    return this.readers.has(field)
  }

  /** Empty where the list does not say it. */
  text(field: ListField, cells: readonly string[]): string {
    return this.readers.get(field)?.(cells) ?? ''
  }

  /** The same text, as the one string that it was met as first: what is made of it is looked up without reading it anew. */
  word(field: ListField, cells: readonly string[]): string {
    const text = this.text(field, cells)
    if (text === '') return text
    const known = this.words.get(text)
    if (known !== undefined) return known
    remember(this.words, text, text)
    return text
  }

  /** A name that a book can have; throws where there is none. */
  name(field: ListField, cells: readonly string[]): string {
    const text = this.text(field, cells)
    const known = this.names.get(text)
    if (known !== undefined) return known
    const name = cleanName(text)
    if (name === '') fail(field, '', 'empty')
    if (name.length > LONGEST_NAME) fail(field, name, 'too-long')
    remember(this.names, text, name)
    return name
  }

  /** Plain decimal text; throws where there is none. */
  figure(field: ListField, text: string): string {
    const mark = this.markOf(this.columnOf(field))
    const key = mark === this.units.decimalMark ? text : `${mark ?? ''}\n${text}`
    const known = this.figures.get(key)
    if (known !== undefined) return known
    const read = readFigure(text, mark)
    if (!read.ok) return fail(field, text, read.issues[0].code)
    remember(this.figures, key, read.value.text)
    return read.value.text
  }

  /** A price as its cell has it, with the unit and the currency that stand there; throws where there is none. */
  amount(text: string, column: string): Amount {
    const mark = this.markOf(column)
    const key = mark === this.units.decimalMark ? text : `${mark ?? ''}\n${text}`
    const known = this.amounts.get(key)
    if (known !== undefined) return known
    const read = readAmount(text, mark)
    if (!read.ok) return fail('price', text, read.issues[0].code)
    remember(this.amounts, key, read.value)
    return read.value
  }

  private markOf(column: string | undefined): DecimalMark | undefined {
    if (column === undefined || this.marks.size === 0) return this.units.decimalMark
    return this.marks.get(column) ?? this.units.decimalMark
  }

  private columnOf(field: ListField): string | undefined {
    const source = this.meaning.fields[field]
    return source?.from === 'column' ? source.column : undefined
  }

  /** `2027-03-01`; undefined where nothing stands there. */
  optionalDate(field: ListField, cells: readonly string[]): string | undefined {
    const text = this.text(field, cells)
    if (text === '' || isNothing(text)) return undefined
    const known = this.dates.get(text)
    if (known !== undefined) return known
    const read = readDate(text, this.orderOf(field))
    if (!read.ok) return fail(field, text, read.issues[0].code)
    remember(this.dates, text, read.value)
    return read.value
  }

  /** Undefined where the cell does not hold two dates. */
  dateRange(
    field: ListField,
    cells: readonly string[],
  ): { readonly from: string; readonly until: string } | undefined {
    return readDateRange(this.text(field, cells), this.orderOf(field))
  }

  private orderOf(field: ListField): DateOrder | undefined {
    const column = this.columnOf(field)
    return (column === undefined ? undefined : this.orders.get(column)) ?? this.units.dateOrder
  }

  /** Undefined where nothing stands there. */
  optionalFigure(field: ListField, cells: readonly string[]): string | undefined {
    const text = this.text(field, cells)
    return text === '' || isNothing(text) ? undefined : this.figure(field, text)
  }

  private readerOf(field: ListField, source: FieldSource): Reader {
    if (source.from === 'constant') return () => source.text
    const { part } = source
    const i = source.from === 'column' ? (this.at.get(source.column) ?? -1) : -1
    const whole: Reader = source.from === 'table' ? () => this.table : (cells) => (cells[i] ?? '').trim()
    if (!part) return whole
    const known = new Map<string, string>()
    return (cells) => {
      const cell = whole(cells)
      const before = known.get(cell)
      if (before !== undefined) return before
      const text = cellPart(cell, part) ?? fail(field, cell, 'no-part')
      remember(known, cell, text)
      return text
    }
  }
}

export const cleanName = (text: string): string => text.replace(/[\p{Cc}\p{Cf}\p{Zl}\p{Zp}\s]+/gu, ' ').trim()

/** A trimmed cell that says that there is nothing: empty, or a dash. */
export const isNothing = (text: string): boolean =>
  text === '' || text === '-' || text === '–' || text === '—'

export function fail(field: ListField, text: string, problem: CellFault): never {
  throw RowFault.of({ why: 'unreadable', field, text: text.slice(0, LONGEST_TOLD), problem })
}

export function remember<Value>(known: Map<string, Value>, text: string, value: Value): void {
  if (known.size < MOST_REMEMBERED) known.set(text, value)
}
