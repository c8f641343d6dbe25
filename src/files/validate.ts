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

const isMissing = (type: string): boolean => type === 'any.required'

function toIssue(detail: Joi.ValidationErrorItem): FileIssue {
  const value: unknown = detail.context?.value
  return {
    code: detail.type === 'array.unique' ? 'duplicate' : 'bad-value',
    pointer: pointerOf(detail.path),
    problem:
      detail.type === 'object.unknown'
        ? 'Not a known field.'
        : isMissing(detail.type)
          ? 'Missing.'
          : `Found ${excerpt(value)}.`,
    expected: expectation(detail),
  }
}

/** Joi words a rule as "must be …"; what it asks for is the rest. */
function expectation(detail: Joi.ValidationErrorItem): string {
  if (detail.type === 'object.unknown') return 'no other fields than those of the format.'
  if (isMissing(detail.type)) return 'a value here.'
  if (detail.type === 'array.unique') return 'each name once.'
  return `${detail.message.replace(/^must /, '').replace(/^be /, '')}.`
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
