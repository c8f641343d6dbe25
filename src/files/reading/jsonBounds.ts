import { pointerOf, type FileIssue } from './fileIssue.ts'

/** No list or map of our formats has more entries: sizes, machines. */
export const MOST_ENTRIES = 5_000
/** Our formats nest about ten deep. */
export const MOST_LEVELS = 32

export const tooManyEntries = (path: readonly string[], most: number): FileIssue => ({
  code: 'bad-value',
  pointer: pointerOf(path),
  problem: `Found more than ${most.toLocaleString('en')} entries.`,
  expected: `at most ${most.toLocaleString('en')}.`,
})

export const tooDeep = (path: readonly string[]): FileIssue => ({
  code: 'bad-value',
  pointer: pointerOf(path.slice(0, 4)),
  problem: `Nested more than ${MOST_LEVELS} levels deep.`,
  expected: 'the levels of the format.',
})

interface Open {
  readonly isList: boolean
  entries: number
  /** Where the last key stands in the text, quotes and all. */
  key: string
}

/**
 * The first list, map or nesting of JSON text that is beyond every limit of our formats, found before it is parsed: a
 * map of a million keys takes seconds to parse and a tenth of one to count. Text that is no JSON passes; parsing tells.
 * O(characters), a few bytes a level.
 */
export function beyondBounds(text: string, mostEntries = MOST_ENTRIES): FileIssue | undefined {
  const open: Open[] = []
  const path = (): string[] =>
    open.slice(0, -1).map(({ isList, entries, key }) => (isList ? String(entries) : unquoted(key)))
  for (let at = 0; at < text.length; at += 1) {
    const char = text.charCodeAt(at)
    const inside = open.at(-1)
    if (char === QUOTE) {
      const end = endOfString(text, at)
      if (inside && !inside.isList && isKey(text, end))
        inside.key = text.slice(at, Math.min(end + 1, at + 200))
      at = end
    } else if (char === BRACE || char === BRACKET) {
      open.push({ isList: char === BRACKET, entries: 0, key: '""' })
      if (open.length > MOST_LEVELS) return tooDeep(path())
    } else if (char === COMMA && inside) {
      inside.entries += 1
      if (inside.entries >= mostEntries) return tooManyEntries(path(), mostEntries)
    } else if (char === BRACE_END || char === BRACKET_END) open.pop()
  }
  return undefined
}

const [QUOTE, BACKSLASH, COMMA, COLON] = [34, 92, 44, 58]
const [BRACE, BRACE_END, BRACKET, BRACKET_END] = [123, 125, 91, 93]

function endOfString(text: string, from: number): number {
  let end = text.indexOf('"', from + 1)
  while (end > 0 && isEscaped(text, end)) end = text.indexOf('"', end + 1)
  return end < 0 ? text.length : end
}

function isEscaped(text: string, at: number): boolean {
  let slashes = 0
  while (text.charCodeAt(at - 1 - slashes) === BACKSLASH) slashes += 1
  return slashes % 2 === 1
}

function isKey(text: string, end: number): boolean {
  let at = end + 1
  while (text.charCodeAt(at) <= 32) at += 1
  return text.charCodeAt(at) === COLON
}

function unquoted(key: string): string {
  try {
    return String(JSON.parse(key))
  } catch {
    return '…'
  }
}
