/** Why a file is refused: what is wrong, where, and what would do. */
export interface FileIssue {
  readonly code: FileIssueCode
  /** JSON Pointer (RFC 6901) into the file; empty for the file as a whole. */
  readonly pointer: string
  readonly problem: string
  readonly expected: string
}

type FileIssueCode =
  | 'too-large'
  | 'not-json'
  | 'cut-off'
  | 'other-kind'
  | 'newer-version'
  | 'bad-value'
  | 'duplicate'
  | 'unknown-reference'
  | 'missing-price'
  | 'overlap'
  | 'other-method'
  | 'other-host'
  | 'too-many'
  | 'not-done'

/** A list longer than this helps nobody; the rest is counted. */
export const MOST_ISSUES = 100

/** A key or index as one step of a JSON Pointer. */
const pointerStep = (step: string | number): string =>
  `/${String(step).replaceAll('~', '~0').replaceAll('/', '~1')}`

export const pointerOf = (path: readonly (string | number)[]): string => path.map(pointerStep).join('')

/** A value as it stands in the file, short enough for a sentence. */
export function excerpt(value: unknown): string {
  const isPlain = typeof value === 'number' || typeof value === 'bigint'
  const text = isPlain ? String(value) : (JSON.stringify(value) ?? 'nothing')
  return text.length > 48 ? `${text.slice(0, 45)}…` : text
}

/** One issue as one line, the form that the command line prints and lists show. */
export const issueLine = (issue: FileIssue, file?: string): string =>
  `${file ? `${file}: ` : ''}${issue.pointer || 'the whole file'}: ${issue.problem} Expected: ${issue.expected}`
