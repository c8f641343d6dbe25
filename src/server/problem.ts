import { ownValue } from '../core/ownValue.ts'
import { STATUS_CODES } from 'node:http'
import { logRefusal, type Refused } from './refusalLog.ts'
import type { FileIssue } from '../files/reading/fileIssue.ts'

export type ProblemStatus = 400 | 405 | 408 | 413 | 415 | 421 | 422 | 500 | 503

/** An answer before it is one of HTTP: what crosses from a worker thread. */
export interface Answer {
  readonly status: 200 | ProblemStatus
  readonly body: object
}

/** Problem details of RFC 9457; `problems` is an extension member that lists each with its place in the request. */
export const problem = (status: ProblemStatus, ...issues: readonly FileIssue[]): Answer => ({
  status,
  body: {
    type: 'about:blank',
    title: ownValue(STATUS_CODES, String(status)),
    status,
    detail: issues.map((issue) => issue.problem)[0],
    problems: issues.map(({ code, pointer, problem: what, expected }) => ({
      code,
      pointer,
      problem: what,
      expected,
    })),
  },
})

/** Of the request as a whole. */
export const wholeProblem = (
  status: ProblemStatus,
  code: FileIssue['code'],
  what: string,
  expected: string,
): Answer => problem(status, { code, pointer: '', problem: what, expected })

/** As it goes out, and into the log. */
export function problemResponse(
  { status, body }: Answer,
  said: Omit<Refused, 'status'>,
  headers: Readonly<Record<string, string>> = {},
): Response {
  logRefusal({ ...said, status })
  return Response.json(body, {
    status,
    headers: { 'content-type': 'application/problem+json', 'cache-control': 'no-store', ...headers },
  })
}

export const OTHER_HOST = wholeProblem(
  421,
  'other-host',
  'The service is not known by that host name.',
  'this machine’s own name, or one that HOSTS names where the server is started.',
)

export const NOT_DONE = wholeProblem(
  500,
  'not-done',
  'The answer failed inside the service. Nothing of the request is kept.',
  'the same on the command line, or a smaller request.',
)
