import { openAsBlob } from 'node:fs'
import { isTimeZone } from '../core/calendar/zoneOffsets.ts'
import { finishLater } from '../core/finish.ts'
import { billCsv } from '../files/bill/billCsv.ts'
import { billReport } from '../files/bill/billReport.ts'
import { billTable, troubleLine } from '../files/bill/billTable.ts'
import { readBill, type BillReading } from '../files/bill/readBill.ts'
import type { CommandRun } from './CommandRun.ts'

export const BILL_FORMATS = ['table', 'json', 'csv'] as const

export interface BillReadOptions {
  readonly format: (typeof BILL_FORMATS)[number]
  readonly zone: string
}

/** Prints what a bill holds. What is wrong with rows is said on standard error; what is no bill ends with status 2. */
export async function billReadCommand(
  paths: readonly string[],
  { format, zone }: BillReadOptions,
  run: CommandRun,
): Promise<void> {
  if (!isTimeZone(zone)) run.refuse([`--zone ${zone}: not a time zone. Expected: one such as Europe/Lisbon.`])
  const reading = await billOf(paths, zone, run)
  switch (format) {
    case 'json':
      run.print(`${JSON.stringify(billReport(reading, zone), null, 2)}\n`)
      break
    case 'csv':
      run.print(billCsv(reading, zone))
      break
    case 'table':
      return run.print(billTable(reading))
  }
  for (const trouble of reading.troubles) run.complain(`${troubleLine(trouble)}\n`)
}

async function billOf(paths: readonly string[], timeZone: string, run: CommandRun): Promise<BillReading> {
  const files = await Promise.all(paths.map(async (name) => ({ name, file: await blobOf(name, run) })))
  const outcome = await finishLater(readBill({ files, timeZone }))
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
