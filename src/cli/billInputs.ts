import { openAsBlob } from 'node:fs'
import { finishLater } from '../core/finish.ts'
import type { BillZones } from '../files/bill/BillRows.ts'
import { readBillRecipe } from '../files/bill/billRecipeFile.ts'
import { readBill, type BillReading } from '../files/bill/readBill.ts'
import type { CommandRun } from './CommandRun.ts'
import { readDocument } from './inputs.ts'

/** A bill that is named on the command line; what is none ends the run. */
export async function billOf(
  paths: readonly string[],
  zones: BillZones,
  run: CommandRun,
  recipePaths: readonly string[] = [],
): Promise<BillReading> {
  const recipes = recipePaths.map((path) => readDocument(run, path, readBillRecipe))
  const files = await Promise.all(paths.map(async (name) => ({ name, file: await blobOf(name, run) })))
  const outcome = await finishLater(readBill({ files, recipes, ...zones }))
  if (outcome.ok) return outcome.value
  return run.refuse(outcome.issues.map(({ problem, expected }) => `${problem} Expected: ${expected}`))
}

async function blobOf(path: string, run: CommandRun): Promise<Blob> {
  try {
    return await openAsBlob(path)
  } catch {
    return run.refuse([`${path} cannot be read. Expected: a bill in CSV, gzipped or zipped.`])
  }
}
