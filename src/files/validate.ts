import { ownValue } from '../core/ownValue.ts'
import type Joi from 'joi'
import { accept, type Outcome } from '../core/outcome.ts'
import { excerpt, MOST_ISSUES, pointerOf, type FileIssue } from './fileIssue.ts'

/**
 * Holds a value against a Joi schema. Nothing is converted: the text "1" is not the number 1. Every problem is
 * listed, up to a limit.
 */
export function validate<T>(schema: Joi.Schema<T>, value: unknown): Outcome<T, FileIssue> {
  const result = schema.validate(value, { convert: false, abortEarly: false, errors: { label: false } })
  if (!result.error) return accept(result.value as T)
  return { ok: false, issues: limited(result.error.details.map(toIssue)) }
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

/** At least one issue in, the first hundred out, and how many more there are. */
export function limited(issues: readonly FileIssue[]): [FileIssue, ...FileIssue[]] {
  const shown = issues.slice(0, MOST_ISSUES) as [FileIssue, ...FileIssue[]]
  const more = issues.length - shown.length
  if (more > 0) {
    shown.push({
      code: 'bad-value',
      pointer: '',
      problem: `${more} more problems like these.`,
      expected: 'these mended first.',
    })
  }
  return shown
}
