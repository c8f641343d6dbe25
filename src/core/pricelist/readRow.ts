import { accept, type Outcome } from '../outcome.ts'
import { gib, type GiB } from '../quantity/units.ts'
import type { DiskRow } from './diskRows.ts'
import { readFigure, type FigureProblem } from '../table/readFigure.ts'
import type { SizeRow } from './sizeRows.ts'

/** Why a cell of a typed row will not do. `empty` is no fault as long as the row is being typed. */
export type CellProblem =
  | FigureProblem
  | { readonly code: 'too-long'; readonly most: number }
  | { readonly code: 'not-whole' }
  | { readonly code: 'out-of-range'; readonly least: number; readonly most: number }
  | { readonly code: 'name-taken' }

type RowProblems = readonly (CellProblem | undefined)[]

export type ReadRow<Row> =
  | { readonly ok: true; readonly row: Row; readonly guessed: readonly (string | undefined)[] }
  | { readonly ok: false; readonly problems: RowProblems }

export const LONGEST_NAME = 60
const MOST_VCPU = 4_096
const MOST_GIB = 65_536

/**
 * Name, vCPU, GiB of memory and price, as they are typed. `taken` are the names of other sizes. A size that is sold
 * elsewhere may have no price here.
 */
export function readSizeRow(
  cells: readonly string[],
  taken: ReadonlySet<string>,
  isSoldElsewhere = false,
): ReadRow<SizeRow> {
  const [name, vcpu, memoryGiB, price] = [
    readName(cells[0] ?? '', taken),
    readWhole(cells[1] ?? '', MOST_VCPU),
    readGiB(cells[2] ?? '', MOST_GIB),
    isSoldElsewhere && (cells[3] ?? '').trim() === '' ? accept('') : readPrice(cells[3] ?? ''),
  ]
  return name.ok && vcpu.ok && memoryGiB.ok && price.ok
    ? {
        ok: true,
        row: { name: name.value, vcpu: vcpu.value, memoryGiB: memoryGiB.value, price: price.value },
        guessed: cells.map(guessOf),
      }
    : { ok: false, problems: [name, vcpu, memoryGiB, price].map(problemOf) }
}

/** Name, GiB of a disk that is sold whole (or nothing), and price. */
export function readDiskRow(cells: readonly string[]): ReadRow<DiskRow> {
  const whole = cells[1]?.trim() ?? ''
  const [name, room, price] = [
    readName(cells[0] ?? '', new Set()),
    whole === '' ? accept(undefined) : readGiB(whole, MOST_GIB),
    readPrice(cells[2] ?? ''),
  ]
  return name.ok && room.ok && price.ok
    ? {
        ok: true,
        row: {
          name: name.value,
          price: price.value,
          ...(room.value !== undefined && { wholeGiB: room.value }),
        },
        guessed: cells.map(guessOf),
      }
    : { ok: false, problems: [name, room, price].map(problemOf) }
}

/** What a figure was taken for that could be read in two ways; undefined where it could not. */
function guessOf(cell: string, column: number): string | undefined {
  const read = column > 0 ? readFigure(cell) : undefined
  return read?.ok && read.value.isUnsure ? read.value.text : undefined
}

type Read<T> = Outcome<T, CellProblem>

const problemOf = (read: Read<unknown>): CellProblem | undefined => (read.ok ? undefined : read.issues[0])

const refused = (problem: CellProblem): Read<never> => ({ ok: false, issues: [problem] })

function readName(cell: string, taken: ReadonlySet<string>): Read<string> {
  const name = cell.replace(/[\p{Cc}\p{Cf}\p{Zl}\p{Zp}]+/gu, ' ').trim()
  if (name === '') return refused({ code: 'empty' })
  if (name.length > LONGEST_NAME) return refused({ code: 'too-long', most: LONGEST_NAME })
  return taken.has(name) ? refused({ code: 'name-taken' }) : accept(name)
}

function readWhole(cell: string, most: number): Read<number> {
  const figure = readFigure(cell)
  if (!figure.ok) return figure
  const value = Number(figure.value.text)
  if (!Number.isInteger(value)) return refused({ code: 'not-whole' })
  return value >= 1 && value <= most ? accept(value) : refused({ code: 'out-of-range', least: 1, most })
}

/** In whole MiB, to the nearest: lists round memory that was divided. */
function readGiB(cell: string, most: number): Read<GiB> {
  const figure = readFigure(cell)
  if (!figure.ok) return figure
  const value = Math.round(Number(figure.value.text) * 1_024) / 1_024
  const least = 1 / 1_024
  return value >= least && value <= most
    ? accept(gib(value))
    : refused({ code: 'out-of-range', least: 0, most })
}

function readPrice(cell: string): Read<string> {
  const figure = readFigure(cell)
  return figure.ok ? accept(figure.value.text) : figure
}
