import { accept, refuse, type Outcome } from '../../core/outcome.ts'
import { beyondBounds } from './jsonBounds.ts'
import { excerpt, type FileIssue } from './fileIssue.ts'

/** Largest file that is read, in bytes of UTF-8: far above any real plan or book, far below what stalls a tab. */
export const MOST_BYTES = 32 * 1024 * 1024

export const tooLarge = (bytes: number): FileIssue => ({
  code: 'too-large',
  pointer: '',
  problem: `The file has ${Math.ceil(bytes / (1024 * 1024))} MiB.`,
  expected: `at most ${MOST_BYTES / (1024 * 1024)} MiB. Split the plan, or leave out regions that you do not use.`,
})

/** Parses JSON text of a known kind and version; `kind` is the part of `format` before its number. */
export function readJson(text: string, kind: string, version: number): Outcome<unknown, FileIssue> {
  if (text.length > MOST_BYTES) return refuse(tooLarge(text.length))
  const beyond = beyondBounds(text)
  if (beyond) return refuse(beyond)
  let value: unknown
  try {
    value = JSON.parse(text.replace(/^\uFEFF/, ''))
  } catch (error) {
    return refuse(syntaxIssue(text, error as SyntaxError))
  }
  return checkFormat(value, kind, version)
}

function syntaxIssue(text: string, error: SyntaxError): FileIssue {
  const position = Number(/position (\d+)/.exec(error.message)?.[1] ?? NaN)
  const cutOff = /end of JSON|Unterminated/i.test(error.message) || position >= text.trimEnd().length
  if (cutOff && /^\s*[[{]/.test(text)) {
    return {
      code: 'cut-off',
      pointer: '',
      problem: 'The file ends in the middle.',
      expected: 'a whole JSON file. Save or download it again.',
    }
  }
  const before = Number.isNaN(position) ? undefined : text.slice(0, position)
  const line = before?.split('\n').length
  const column = before && before.length - before.lastIndexOf('\n')
  const where = line ? `, at line ${line}, column ${column ?? 1}` : ''
  return {
    code: 'not-json',
    pointer: '',
    problem: `The file is not JSON${where}.`,
    expected: 'a Notchgauge plan or price book, a JSON file.',
  }
}

/** Whether a file says that it is of this kind, in a version that is known. */
export function checkFormat(value: unknown, kind: string, version: number): Outcome<unknown, FileIssue> {
  const format =
    typeof value === 'object' && value !== null ? (value as { format?: unknown }).format : undefined
  const match = typeof format === 'string' ? /^(notchgauge\/[a-z-]+)\/(\d{1,6})$/.exec(format) : null
  if (!match || match[1] !== kind) {
    return refuse({
      code: 'other-kind',
      pointer: '/format',
      problem: match
        ? `This is a file of another kind: ${excerpt(format)}.`
        : 'The file does not say that it is ours.',
      expected: `"format": "${kind}/${version}" at the top.`,
    })
  }
  if (Number(match[2]) > version) {
    return refuse({
      code: 'newer-version',
      pointer: '/format',
      problem: `The file was written by a newer Notchgauge (version ${match[2]}).`,
      expected: `version ${version} or older. Update Notchgauge, or export in the older version.`,
    })
  }
  return accept(value)
}
