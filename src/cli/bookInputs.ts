import { readFileSync } from 'node:fs'
import type { FileIssue } from '../files/reading/fileIssue.ts'
import type { CommandRun } from './CommandRun.ts'

/** A problem of a file on one line. */
export const lineOf = (path: string, { pointer, problem, expected }: FileIssue): string =>
  `${path}${pointer === '' ? '' : ` ${pointer}`}: ${problem} Expected: ${expected}`

export function inputText(path: string, what: string, run: CommandRun): string {
  try {
    return readFileSync(path, 'utf8')
  } catch {
    return run.refuse([`${path} cannot be read. Expected: ${what}.`])
  }
}
