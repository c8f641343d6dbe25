import { STATUS_CODES } from 'node:http'
import { ownValue } from '../../core/ownValue.ts'

export interface PracticeRequest {
  readonly method: string
  /** Decoded steps of the path. */
  readonly path: readonly string[]
  readonly query: ReadonlyMap<string, string>
  /** Text of the body; empty where there is none. */
  readonly body: string
}

export interface PracticeAnswer {
  readonly status: number
  readonly type: string
  readonly body: string
}

export const json = (value: unknown, status = 200): PracticeAnswer => ({
  status,
  type: 'application/json',
  body: `${JSON.stringify(value, null, 2)}\n`,
})

/** Problem details of RFC 9457. */
export const practiceProblem = (status: number, detail: string, expected: string): PracticeAnswer => ({
  status,
  type: 'application/problem+json',
  body: `${JSON.stringify({
    type: 'about:blank',
    title: ownValue(STATUS_CODES, String(status)),
    status,
    detail,
    expected,
  })}\n`,
})
