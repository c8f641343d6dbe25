import ICAL from 'ical.js'
import { dropEndlessZones, MOST_LISTED_DATES } from './occurrences.ts'

interface Parts extends Roots {
  /** Whole ones, read or not. */
  readonly parts: number
}

interface Roots {
  readonly roots: readonly ICAL.Component[]
  /** Sentences: lines and parts that were left out. */
  readonly notes: readonly string[]
}

/** The parts of a calendar that are read each by itself where the whole is broken. */
const PARTS = new Set(['VEVENT', 'VTIMEZONE'])
const LONGEST_EXCERPT = 40

/**
 * The calendars of a file. Where a line or a part is broken it is left out and named, and the rest is read. Throws what
 * the library throws where there is nothing to read. O(characters).
 */
export function calendarRoots(text: string): Roots {
  const plain = text.replace(/^\uFEFF/, '')
  try {
    if (commasIn(plain) > MANY_VALUES) return partByPart(plain)
    return { roots: rootsOf(plain), notes: [] }
  } catch (error) {
    const found = partByPart(plain)
    if (found.parts === 0) throw error
    return found
  }
}

/** More of them than a calendar has, unless it lists dates by the ten thousand, which the library is slow to read. */
const MANY_VALUES = 20_000

function commasIn(text: string): number {
  let count = 0
  for (let at = text.indexOf(','); at >= 0 && count <= MANY_VALUES; at = text.indexOf(',', at + 1)) count += 1
  return count
}

function rootsOf(text: string): ICAL.Component[] {
  const parsed = ICAL.parse(text) as unknown[]
  const all = (Array.isArray(parsed[0]) ? parsed : [parsed]) as unknown[][]
  return all.map((each) => dropEndlessZones(new ICAL.Component(each)))
}

interface Line {
  /** From 1. */
  readonly at: number
  readonly text: string
}

/** Unfolded lines (RFC 5545, section 3.1): one that begins with a space or a tab goes on from the one before. */
function unfolded(text: string): Line[] {
  const lines: { at: number; parts: string[] }[] = []
  text.split(/\r\n|\n|\r/).forEach((part, i) => {
    if (/^[ \t]/.test(part) && lines.length > 0) lines.at(-1)!.parts.push(part.slice(1))
    else if (part.trim() !== '') lines.push({ at: i + 1, parts: [part] })
  })
  return lines.map(({ at, parts }) => ({ at, text: parts.join('') }))
}

/** A name, parameters of which some are quoted, a colon, a value. */
const CONTENT_LINE = /^[A-Za-z0-9-]+(?:;[A-Za-z0-9-]+=(?:"[^"]*"|[^";:,]*)(?:,(?:"[^"]*"|[^";:,]*))*)*:/

function partByPart(text: string): Parts {
  let parts = 0
  const notes: string[] = []
  const roots: ICAL.Component[] = []
  let open: { readonly kind: string; readonly from: number; readonly lines: string[] } | undefined
  let isCalendar = false
  for (const { at, text: line } of unfolded(text)) {
    const [, edge, kind] = /^(BEGIN|END):\s*([A-Z-]+)\s*$/i.exec(line) ?? []
    const named = kind?.toUpperCase()
    if (edge?.toUpperCase() === 'BEGIN' && named === 'VCALENDAR') isCalendar = true
    if (!isCalendar) continue
    if (edge?.toUpperCase() === 'BEGIN' && named !== undefined && PARTS.has(named)) {
      if (open) notes.push(`The part that begins at line ${open.from} has no end and is left out.`)
      open = { kind: named, from: at, lines: [line] }
    } else if (open && edge !== undefined && edge.toUpperCase() === 'END' && named === open.kind) {
      parts += 1
      const part = ['BEGIN:VCALENDAR', ...open.lines, line, 'END:VCALENDAR'].join('\r\n')
      try {
        roots.push(...rootsOf(part))
      } catch {
        notes.push(`The part that begins at line ${open.from} cannot be read and is left out.`)
      }
      open = undefined
    } else if (open) {
      if (/^(RDATE|EXDATE)/i.test(line) && commasIn(line) >= MOST_LISTED_DATES) {
        notes.push(
          `Line ${at} is left out: it lists more than ${MOST_LISTED_DATES.toLocaleString('en')} dates.`,
        )
      } else if (CONTENT_LINE.test(line)) open.lines.push(line)
      else
        notes.push(`Line ${at} is left out: “${line.slice(0, LONGEST_EXCERPT)}” is not a name with a value.`)
    }
  }
  if (open) notes.push(`The file ends in the middle of the part that begins at line ${open.from}.`)
  return { roots, notes, parts }
}
