import type { CellPart } from './listMapping.ts'

const NUMBERS = /\d+(?:[.,]\d+)*/g
const WORDS = /[\p{L}\p{N}.,]+/gu

/** The part of a cell that is meant; undefined where it has none such. O(length). */
export function cellPart(cell: string, part: CellPart): string | undefined {
  switch (part.by) {
    case 'number':
      return (cell.match(NUMBERS) ?? []).at(part.at)
    case 'word':
      return (cell.match(WORDS) ?? []).at(part.at)
    case 'before':
    case 'after':
      return beside(cell, part)
  }
}

/** The number that stands nearest before a word, or after it, with nothing but blanks and marks between. */
function beside(cell: string, { by, word }: Extract<CellPart, { word: string }>): string | undefined {
  const lower = cell.toLowerCase()
  const wanted = word.toLowerCase()
  for (const match of cell.matchAll(NUMBERS)) {
    const [text] = match
    const end = match.index + text.length
    const rest = by === 'before' ? lower.slice(end) : lower.slice(0, match.index)
    const next = by === 'before' ? rest.trimStart() : rest.replace(/[\s:=x×-]+$/, '')
    if (by === 'before' ? next.startsWith(wanted) : next.endsWith(wanted)) return text
  }
  return undefined
}

/** One cell, and the text in it that a person pointed at. */
export interface PartExample {
  readonly cell: string
  readonly picked: string
}

/**
 * The simplest rule that finds what was pointed at in every example, of those that find something in most of the other
 * cells; undefined where none does. O(rules × cells).
 */
export function inferPart(examples: readonly PartExample[], cells: readonly string[]): CellPart | undefined {
  const [first] = examples
  if (!first) return undefined
  const candidates = rulesFor(first).filter((part) =>
    examples.every(({ cell, picked }) => cellPart(cell, part) === picked),
  )
  let best: { readonly part: CellPart; readonly fits: number } | undefined
  for (const part of candidates) {
    const fits = cells.reduce((sum, cell) => sum + (cellPart(cell, part) === undefined ? 0 : 1), 0)
    if (!best || fits > best.fits) best = { part, fits }
  }
  return best?.part
}

/** Rules that find the picked text in the cell, those that say most about it first. */
function rulesFor({ cell, picked }: PartExample): CellPart[] {
  const rules: CellPart[] = []
  const at = cell.indexOf(picked)
  const after = /^\s*(\p{L}[\p{L}\p{M}]*)/u.exec(cell.slice(at + picked.length))?.[1]
  if (after !== undefined) rules.push({ by: 'before', word: after })
  const numbers = cell.match(NUMBERS) ?? []
  numbers.forEach((text, i) => {
    if (text === picked) rules.push({ by: 'number', at: i }, { by: 'number', at: i - numbers.length })
  })
  const before = /(\p{L}[\p{L}\p{M}]*)[\s:=x×-]*$/u.exec(cell.slice(0, at))?.[1]
  if (before !== undefined) rules.push({ by: 'after', word: before })
  const words = cell.match(WORDS) ?? []
  words.forEach((text, i) => {
    if (text === picked) rules.push({ by: 'word', at: i }, { by: 'word', at: i - words.length })
  })
  return rules
}
