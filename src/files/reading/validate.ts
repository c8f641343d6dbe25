import { ownValue } from '../../core/ownValue.ts'
import type Joi from 'joi'
import { accept, refuse, type Outcome } from '../../core/outcome.ts'
import { excerpt, MOST_ISSUES, pointerOf, type FileIssue } from './fileIssue.ts'
import { valueBeyondBounds } from './valueBounds.ts'

const STRICT = { convert: false, errors: { label: false } } as const

/**
 * Holds a value against a Joi schema. Nothing is converted: the text "1" is not the number 1. What is beyond the bounds
 * of every format is said at once; else every problem is listed, up to a limit, beyond which nothing is looked for.
 */
export function validate<T>(
  schema: Joi.Schema<T>,
  value: unknown,
  mostEntries?: number,
): Outcome<T, FileIssue> {
  const beyond = valueBeyondBounds(value, mostEntries)
  if (beyond) return refuse(beyond)
  const quick = schema.validate(value, { ...STRICT, abortEarly: true })
  if (!quick.error) return accept(quick.value as T)
  const many = problemsOfEntries(schema, value)
  if (many.length > MOST_ISSUES) return { ok: false, issues: limited(many) }
  const { details } = schema.validate(value, { ...STRICT, abortEarly: false }).error!
  return { ok: false, issues: limited(details.map(toIssue)) }
}

/**
 * Problems of the entries of each list and map at the top, one entry after the other, until there are more than are
 * listed. Joi alone would find all of them, and hold a million in memory.
 */
function problemsOfEntries(schema: Joi.Schema, value: unknown): FileIssue[] {
  const issues: FileIssue[] = []
  if (typeof value !== 'object' || value === null) return issues
  for (const [key, part] of Object.entries(value)) {
    const described = partOf(schema, key)
    if (!described || typeof part !== 'object' || part === null) continue
    for (const [name, entry] of Object.entries(part)) {
      const { error } = described.validate(Array.isArray(part) ? [entry] : { [name]: entry }, {
        ...STRICT,
        abortEarly: false,
      })
      const details = error?.details.filter(({ path }) => path.length > 1) ?? []
      issues.push(
        ...details
          .slice(0, MOST_ISSUES + 1)
          .map((detail) => toIssue({ ...detail, path: [key, name, ...detail.path.slice(1)] })),
      )
      if (issues.length > MOST_ISSUES) return issues
    }
  }
  return issues
}

/** The schema of a list or map at the top of a format; undefined for anything else. */
function partOf(schema: Joi.Schema, key: string): Joi.Schema | undefined {
  try {
    const part = schema.extract([key]) as Joi.Schema & { readonly $_terms: { readonly patterns?: unknown } }
    // What describes a schema is not in the library's build for browsers.
    return part.type === 'array' || part.$_terms.patterns ? part : undefined
  } catch {
    return undefined
  }
}

function toIssue(detail: Joi.ValidationErrorItem): FileIssue {
  return {
    code: detail.type === 'array.unique' ? 'duplicate' : 'bad-value',
    pointer: pointerOf(detail.path),
    problem: problem(detail),
    expected: `${(ownValue(EXPECTED, detail.type) ?? asWorded)(detail)}.`,
  }
}

function problem({ type, context }: Joi.ValidationErrorItem): string {
  const value: unknown = context?.value
  if (type === 'object.unknown') return 'Not a known field.'
  if (type === 'any.required') return 'Missing.'
  if (Array.isArray(value) && (type === 'array.max' || type === 'array.min'))
    return `Found ${value.length} entries.`
  if (type === 'object.max' && value) return `Found ${Object.keys(value).length} entries.`
  return `Found ${excerpt(value)}.`
}

/** Joi words a rule as "must be …"; what it asks for is the rest. */
const asWorded = ({ message }: Joi.ValidationErrorItem): string => message.replace(/^must (be )?/, '')

const limitOf = ({ context }: Joi.ValidationErrorItem): string => String(context?.limit)

/** What Joi words as what may not be, said as what would do. */
const EXPECTED: Readonly<Record<string, (detail: Joi.ValidationErrorItem) => string>> = {
  'any.required': () => 'a value here',
  'any.invalid': () => 'another value than the one that stands beside it',
  'any.unknown': () => 'nothing here, by what stands beside it',
  'object.unknown': () => 'no other fields than those of the format',
  'object.base': () => 'an object in braces',
  'array.unique': () => 'each name once',
  'array.max': (detail) => `at most ${limitOf(detail)}`,
  'array.min': (detail) => `at least ${limitOf(detail)}`,
  'object.max': (detail) => `at most ${limitOf(detail)}`,
  'string.base': () => 'text in quotes',
  'string.empty': () => 'some text',
  'string.max': (detail) => `at most ${limitOf(detail)} characters`,
  'number.infinity': () => 'a finite number',
  'number.unsafe': () => 'a number that fits in 53 bits',
}

/** At least one issue in, the first hundred out, and that there are more. */
export function limited(issues: readonly FileIssue[]): [FileIssue, ...FileIssue[]] {
  const shown = issues.slice(0, MOST_ISSUES) as [FileIssue, ...FileIssue[]]
  if (issues.length > MOST_ISSUES) {
    shown.push({
      code: 'bad-value',
      pointer: '',
      problem: `There are more problems than these ${MOST_ISSUES}.`,
      expected: 'these mended first.',
    })
  }
  return shown
}
