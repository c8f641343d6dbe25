import { gib } from '../quantity/units.ts'
import { cellPart } from './cellPart.ts'
import type { CellFault, LeftOut, ListEntry } from './listEntry.ts'
import type { FieldSource, ListField, ListMapping, RowMeaning } from './listMapping.ts'
import { readFigure } from './readFigure.ts'
import { LONGEST_NAME } from './readRow.ts'
import { gibOf, machinePrice, roomPrice, wholePrice } from './scaledPrice.ts'

/** What a row gave: entries (several where columns are places), or why there are none. */
interface RowRead {
  readonly entries: readonly ListEntry[]
  readonly leftOut: readonly LeftOut[]
}

export type ReadListRow = (cells: readonly string[], row: number) => RowRead

const FILTERED: RowRead = { entries: [], leftOut: [{ why: 'filtered' }] }
const EMPTY: RowRead = { entries: [], leftOut: [{ why: 'empty' }] }

/**
 * A mapping made ready for rows of these columns: look-ups by heading are done once. The first meaning whose filters a
 * row passes reads it. O(fields) a row. Fields whose column is not there read as empty.
 */
export function compileMapping(mapping: ListMapping, columns: readonly string[]): ReadListRow {
  const at = new Map(columns.map((column, i) => [column, i]))
  const meanings = mapping.rows.map((meaning) => ({
    passes: passesOf(meaning, at),
    read: readerOf(meaning, mapping, at),
  }))
  return (cells, row) => {
    if (cells.every((cell) => cell.trim() === '')) return EMPTY
    const meaning = meanings.find(({ passes }) => passes(cells))
    return meaning ? meaning.read(cells, row) : FILTERED
  }
}

type At = ReadonlyMap<string, number>

function passesOf({ only }: RowMeaning, at: At): (cells: readonly string[]) => boolean {
  const filters = only.map(({ column, values }) => ({ i: at.get(column) ?? -1, values: new Set(values) }))
  return (cells) => filters.every(({ i, values }) => values.has((cells[i] ?? '').trim()))
}

/** A text, or why there is none. */
type Text =
  | { readonly ok: true; readonly text: string }
  | { readonly ok: false; readonly fault: CellFault; readonly text: string }

function textOf(source: FieldSource | undefined, at: At): ((cells: readonly string[]) => Text) | undefined {
  if (!source) return undefined
  if (source.from === 'constant') return () => ({ ok: true, text: source.text })
  const i = at.get(source.column) ?? -1
  const { part } = source
  if (!part) return (cells) => ({ ok: true, text: (cells[i] ?? '').trim() })
  return (cells) => {
    const cell = (cells[i] ?? '').trim()
    const text = cellPart(cell, part)
    return text === undefined ? { ok: false, fault: 'no-part', text: cell } : { ok: true, text }
  }
}

class RowFault extends Error {
  constructor(readonly leftOut: LeftOut) {
    super('row')
  }
}

function readerOf(meaning: RowMeaning, mapping: ListMapping, at: At): ReadListRow {
  const { fields, places } = meaning
  const { units, currency } = mapping
  const sources = new Map(
    (Object.keys(fields) as ListField[]).flatMap((field) => {
      const text = textOf(fields[field], at)
      return text ? [[field, text] as const] : []
    }),
  )
  const fail = (field: ListField, text: string, problem: CellFault): never => {
    throw new RowFault({ why: 'unreadable', field, text: text.slice(0, 80), problem })
  }
  const text = (field: ListField, cells: readonly string[]): string => {
    const read = sources.get(field)?.(cells)
    if (!read) return ''
    return read.ok ? read.text : fail(field, read.text, read.fault)
  }
  const name = (field: ListField, cells: readonly string[]): string => {
    const found = text(field, cells)
      .replace(/[\p{Cc}\p{Cf}\p{Zl}\p{Zp}\s]+/gu, ' ')
      .trim()
    if (found === '') return fail(field, '', 'empty')
    return found.length > LONGEST_NAME ? fail(field, found, 'too-long') : found
  }
  const figure = (field: ListField, cells: readonly string[]): string => {
    const cell = text(field, cells)
    const read = readFigure(cell, units.decimalMark)
    return read.ok ? read.value.text : fail(field, cell, read.issues[0].code)
  }
  const checkCurrency = (cells: readonly string[]): void => {
    const found = sources.has('currency') ? text('currency', cells).toUpperCase() : currency
    if (found !== '' && found !== currency) fail('currency', found, 'other-currency')
  }
  const placeNames = placesOf(places ?? [])
  const priceColumn = fields.price?.from === 'column' ? fields.price.column : ''

  const entryOf = (
    cells: readonly string[],
    row: number,
    place: string,
    price: string,
    column: string,
  ): ListEntry => {
    const from = { row, column, text: price.slice(0, 80) }
    const read = readFigure(price, units.decimalMark)
    const amount = read.ok ? read.value.text : fail('price', price, read.issues[0].code)
    if (meaning.is === 'disk-price') {
      const room = text('room', cells)
      const wholeGiB = room === '' ? undefined : gib(gibOf(figure('room', cells), units.diskRoom))
      const disk = name('disk', cells)
      return wholeGiB === undefined
        ? { is: 'disk-price', disk, place, price: roomPrice(amount, units), from }
        : { is: 'disk-price', disk, place, wholeGiB, price: wholePrice(amount, units), from }
    }
    const vcpu = Number(figure('vcpu', cells)) * units.vcpuPerCount
    if (!Number.isInteger(vcpu) || vcpu < 1 || vcpu > 4_096) fail('vcpu', text('vcpu', cells), 'out-of-range')
    const memoryGiB = gib(gibOf(figure('memory', cells), units.memory))
    if (memoryGiB <= 0 || memoryGiB > 65_536) fail('memory', text('memory', cells), 'out-of-range')
    const architecture = architectureOf(text('architecture', cells))
    const family = text('family', cells)
    return {
      is: 'size-price',
      size: name('size', cells),
      vcpu,
      memoryGiB,
      ...(architecture && { architecture }),
      ...(family !== '' && { family }),
      place,
      ...machinePrice(amount, units),
      from,
    }
  }

  return (cells, row) => {
    const entries: ListEntry[] = []
    const leftOut: LeftOut[] = []
    const read = (place: () => string, price: string, column: string): void => {
      if (price.trim() === '' || /^[-–—]$/.test(price.trim())) leftOut.push({ why: 'no-price' })
      else {
        try {
          checkCurrency(cells)
          entries.push(entryOf(cells, row, place(), price, column))
        } catch (error) {
          if (!(error instanceof RowFault)) throw error
          leftOut.push(error.leftOut)
        }
      }
    }
    if (places) {
      for (const [column, place] of placeNames) read(() => place, cells[at.get(column) ?? -1] ?? '', column)
    } else {
      const price = sources.get('price')?.(cells)
      read(() => name('place', cells), price?.text ?? '', priceColumn)
    }
    return { entries, leftOut }
  }
}

/** Headings of places by what is left of them without the words at their ends that all have: "Lyon" of "Lyon €/month". */
export function placesOf(columns: readonly string[]): ReadonlyMap<string, string> {
  const words = columns.map((column) => column.split(' '))
  let shared = 0
  const endsAlike = (count: number): boolean =>
    words.every((each) => each.length > count && each.at(-1 - count) === words[0]!.at(-1 - count))
  while (columns.length > 1 && endsAlike(shared)) shared += 1
  return new Map(words.map((each, i) => [columns[i]!, each.slice(0, each.length - shared).join(' ')]))
}

/** As most lists write it; anything else is not known. */
function architectureOf(text: string): 'x86-64' | 'arm64' | undefined {
  const plain = text.toLowerCase().replace(/[^a-z0-9]/g, '')
  if (/^(arm|arm64|aarch64)/.test(plain)) return 'arm64'
  return /^(x86|x8664|amd64|x64)/.test(plain) ? 'x86-64' : undefined
}
