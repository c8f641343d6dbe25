import { writeFileSync } from 'node:fs'
import type { CommandRun } from './CommandRun.ts'

/** Writes a file that is named on the command line; one that cannot be written ends the run. */
export function writeOut(path: string, text: string, run: CommandRun): void {
  try {
    writeFileSync(path, text)
  } catch (error) {
    run.refuse([
      `${path} cannot be written: ${(error as Error).message} Expected: a folder that can be written to.`,
    ])
  }
}
